import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Part } from '../../ui/controls';

type FindPage = Schemas['FindPage'];

/** The field of an entry that says under which condition it was made. */
export const under = (condition: string) => (condition.trim() === '' ? {} : { condition: condition.trim().toLowerCase() });

/** How often it failed cold, warm, on its side; and whether the difference may be chance. */
export function ConditionsTried({ page, may }: { page: FindPage; may: boolean }) {
    return (
        <Part title="Cold, warm, on its side">
            {page.conditions.length === 0 && (
                <p className="text-soft">
                    Nothing was counted yet. Try it the same way several times under two conditions, and keep how often it failed.
                </p>
            )}
            {page.conditions.length > 0 && (
                <table className="text-left">
                    <thead>
                        <tr className="text-sm text-soft">
                            <th scope="col" className="pr-6">
                                Condition
                            </th>
                            <th scope="col" className="pr-6">
                                Failed
                            </th>
                            <th scope="col">Share</th>
                        </tr>
                    </thead>
                    <tbody>
                        {page.conditions.map((it) => (
                            <tr key={it.name} className="border-t border-line">
                                <th scope="row" className="pr-6">
                                    {it.name}
                                </th>
                                <td className="pr-6 tabular-nums">
                                    {it.failures} of {it.trials}
                                </td>
                                <td className="tabular-nums">{it.percent}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            <ul className="mt-2">
                {page.compared.map((it) => (
                    <li key={it.words}>
                        <span className="font-bold">{it.clue ? 'A clue' : 'No clue yet'}</span>: {it.words}
                    </li>
                ))}
            </ul>
            {may && <Count page={page} />}
        </Part>
    );
}

function Count({ page }: { page: FindPage }) {
    const [failures, setFailures] = useState('');
    const [trials, setTrials] = useState('');
    const [condition, setCondition] = useState('');
    const whole = (text: string) => /^\d+$/.test(text.trim());
    return (
        <form
            className="mt-2 flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                void record(
                    page.job_id,
                    {
                        kind: 'condition_counted',
                        data: { condition: condition.trim().toLowerCase(), failures: Number(failures), trials: Number(trials) },
                    },
                    `failed ${failures} of ${trials} ${condition}`,
                );
                setFailures('');
                setTrials('');
            }}
        >
            <Field label="Failed" inputMode="numeric" value={failures} onChange={(event) => setFailures(event.target.value)} />
            <Field label="of" inputMode="numeric" value={trials} onChange={(event) => setTrials(event.target.value)} />
            <Field label="when" placeholder="cold" value={condition} onChange={(event) => setCondition(event.target.value)} />
            <Button type="submit" disabled={!whole(failures) || !whole(trials) || condition.trim() === ''}>
                Keep it
            </Button>
        </form>
    );
}
