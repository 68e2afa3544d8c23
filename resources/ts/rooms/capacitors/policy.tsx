import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Part } from '../../ui/controls';

type Choice = NonNullable<Schemas['PolicyCard']['chosen']>;

/** Two schools, and the sum that decides between them; the bench chooses, with its reason. */
export function Policies({
    page,
    may,
    onSubstitutes,
}: {
    page: Schemas['CapacitorPage'];
    may: boolean;
    onSubstitutes: (key: string) => void;
}) {
    return (
        <Part title="Replace what is bad, or the kind">
            <ul className="flex flex-col divide-y divide-line">
                {page.policies.map((policy) => (
                    <Policy key={policy.kind} job={page.job.id} policy={policy} choices={page.policy_choices} may={may} />
                ))}
            </ul>
            {page.to_replace.length > 0 && (
                <div role="group" aria-label="To replace" className="mt-3 flex flex-wrap items-center gap-2">
                    <span className="font-bold">To replace:</span>
                    {page.to_replace.map((key) => (
                        <Button key={key} onClick={() => onSubstitutes(key)}>
                            {key}
                        </Button>
                    ))}
                </div>
            )}
        </Part>
    );
}

function Policy({
    job,
    policy,
    choices,
    may,
}: {
    job: string;
    policy: Schemas['PolicyCard'];
    choices: Schemas['ChoiceCard'][];
    may: boolean;
}) {
    const [reason, setReason] = useState('');
    const [error, setError] = useState<string>();
    const choose = (chosen: Schemas['ChoiceCard']) =>
        void record(
            job,
            {
                kind: 'decision',
                text: `${policy.words}: ${chosen.words}`,
                data: { reason, capacitors: policy.kind, policy: chosen.value as Choice },
            },
            `decided: ${policy.words}`,
        ).then((sent) => {
            setError(sent.state === 'refused' ? (sent.refusal.at('/data/reason') ?? sent.refusal.message) : undefined);
            if (sent.state !== 'refused') setReason('');
        });
    return (
        <li className="py-2">
            <p>
                <span className="font-bold">
                    {policy.count} {policy.words}
                </span>
                : {policy.reasons.join('; ')}.
            </p>
            <p className="text-sm text-soft">{policy.prior}</p>
            {policy.chosen !== null && (
                <p className="mt-1 border-l-4 border-accent pl-2">
                    Decided: {policy.chosen_words}, because {policy.because}
                </p>
            )}
            {may && (
                <div className="mt-1 flex flex-wrap items-end gap-2">
                    <div className="min-w-44 flex-1">
                        <Field
                            label={`Because (${policy.words})`}
                            value={reason}
                            error={error}
                            onChange={(event) => setReason(event.target.value)}
                        />
                    </div>
                    {choices.map((it) => (
                        <Button key={it.value} onClick={() => choose(it)}>
                            {it.words.charAt(0).toUpperCase() + it.words.slice(1)}
                        </Button>
                    ))}
                </div>
            )}
        </li>
    );
}
