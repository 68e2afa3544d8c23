import { useQuery } from '@tanstack/react-query';
import { Dialog, RadioGroup } from 'radix-ui';
import { useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { record, type Sent } from '../../api/outbox';
import { Button, Field, Notice } from '../../ui/controls';
import { Sheet } from '../../ui/keys';

const OPTION =
    'min-h-11 rounded border border-soft border-b-4 bg-raised px-3 ' +
    'data-[state=checked]:border-accent data-[state=checked]:bg-accent-wash data-[state=checked]:font-bold';

type Outcome = Schemas['DataOutcome']['outcome'];

/** Closing a job: the outcome, its limits, and whether the board goes back. The close rule is asked of the server. */
export function CloseJob({ page, onClose }: { page: Schemas['JobPage']; onClose: () => void }) {
    const [outcome, setOutcome] = useState<Outcome>((page.outcomes[0]?.value ?? 'fixed') as Outcome);
    const [back, setBack] = useState(true);
    const [limits, setLimits] = useState('');
    const [waiting, setWaiting] = useState('');
    const [next, setNext] = useState('');
    const [sent, setSent] = useState<Sent | null>(null);
    const error = (pointer: string) => (sent?.state === 'refused' ? sent.refusal.at(pointer) : undefined);
    const unproven = useQuery({
        queryKey: ['unproven', page.job.id],
        queryFn: () => data(api.GET('/jobs/{job}/unproven', { params: { path: { job: page.job.id } } })),
        staleTime: 0,
    });
    const open = unproven.data ?? [];
    // What may go back as a limit is written there, to be read and added to.
    const asLimits = () => {
        setOutcome('fixed_with_limits');
        const said = limits.split('\n').filter((line) => line.trim() !== '');
        setLimits([...said, ...open.filter((it) => !it.refuses && !said.includes(it.text)).map((it) => it.text)].join('\n'));
    };
    const lines = limits.split('\n').filter((line) => line.trim() !== '');
    const send = async () => {
        const answer = await record(
            page.job.id,
            {
                kind: 'outcome',
                data: {
                    outcome,
                    handed_back: back,
                    ...(lines.length > 0 ? { limits: lines } : {}),
                    ...(waiting.trim() === '' ? {} : { waiting_for: waiting }),
                    ...(next.trim() === '' ? {} : { next_time: next }),
                },
            },
            `outcome ${outcome}`,
        );
        if (answer.state === 'refused') setSent(answer);
        else onClose();
    };
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title={`Close ${page.job.label}`} about="“Works, mostly” is an outcome with a list of limits, not a pass.">
                <form
                    className="flex flex-col gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        void send();
                    }}
                >
                    <RadioGroup.Root
                        aria-label="Outcome"
                        value={outcome}
                        onValueChange={(it) => setOutcome(it as Outcome)}
                        className="flex flex-wrap gap-2"
                    >
                        {page.outcomes.map((it) => (
                            <RadioGroup.Item key={it.value} value={it.value} className={OPTION}>
                                {it.words}
                            </RadioGroup.Item>
                        ))}
                    </RadioGroup.Root>
                    <label className="flex min-h-11 items-center gap-3">
                        <input type="checkbox" checked={back} onChange={(event) => setBack(event.target.checked)} />
                        The board is handed back
                    </label>
                    {back && open.length > 0 && (
                        <section aria-label="Not shown yet" className="rounded border border-line bg-raised p-3">
                            <h3 className="font-bold">That it is fixed is not shown yet</h3>
                            <ul className="flex flex-col gap-1">
                                {open.map((it) => (
                                    <li key={it.text}>
                                        {it.refuses && <span className="font-bold text-out">In the way: </span>}
                                        {it.text}
                                    </li>
                                ))}
                            </ul>
                            {open.some((it) => !it.refuses) && (
                                <div className="mt-2">
                                    <Button onClick={asLimits}>Write these as its limits</Button>
                                </div>
                            )}
                        </section>
                    )}
                    {error('/data/outcome') !== undefined && (
                        <Notice tone="bad" live>
                            {error('/data/outcome')}
                        </Notice>
                    )}
                    {error('/data/handed_back') !== undefined && (
                        <Notice tone="bad" live>
                            {error('/data/handed_back')}
                        </Notice>
                    )}
                    <Field label="Limits, one a line" error={error('/data/limits')}>
                        {(ids) => <textarea {...ids} value={limits} onChange={(event) => setLimits(event.target.value)} />}
                    </Field>
                    <Field
                        label="Waits for (when parked)"
                        value={waiting}
                        error={error('/data/waiting_for')}
                        onChange={(event) => setWaiting(event.target.value)}
                    />
                    <Field
                        label="What would be checked next time"
                        value={next}
                        error={error('/data/next_time')}
                        onChange={(event) => setNext(event.target.value)}
                    />
                    {error('/kind') !== undefined && (
                        <Notice tone="bad" live>
                            {error('/kind')}
                        </Notice>
                    )}
                    <Minutes job={page.job.id} />
                    <div>
                        <Button type="submit" look="main">
                            Close the job
                        </Button>
                    </div>
                </form>
            </Sheet>
        </Dialog.Root>
    );
}

/** Where the time went. */
export function Minutes({ job }: { job: string }) {
    const spent = useQuery({
        queryKey: ['minutes', job],
        queryFn: () => data(api.GET('/jobs/{job}/minutes', { params: { path: { job } } })),
        staleTime: 0,
    });
    const lines = spent.data ?? [];
    return lines.length === 0 ? null : (
        <p>
            <span className="font-bold">Where the time went:</span> {lines.map((it) => `${it.line} ${it.minutes} min`).join(', ')}
        </p>
    );
}

/** A machine that should not have been taken in: the job stays in the record and leaves the lists. */
export function Mistaken({ job }: { job: string }) {
    const [open, setOpen] = useState(false);
    const [why, setWhy] = useState('');
    if (!open) {
        return (
            <Button look="quiet" onClick={() => setOpen(true)}>
                Taken in by mistake
            </Button>
        );
    }
    return (
        <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                void record(job, { kind: 'voided', text: why }, `taken in by mistake: ${why}`);
            }}
        >
            <div className="flex-1">
                <Field label="What was mistaken" autoFocus required value={why} onChange={(event) => setWhy(event.target.value)} />
            </div>
            <Button type="submit" look="stop">
                Take it out of the lists
            </Button>
            <Button onClick={() => setOpen(false)}>Leave it</Button>
        </form>
    );
}

export function Reopen({ job }: { job: string }) {
    const [open, setOpen] = useState(false);
    const [why, setWhy] = useState('');
    if (!open) {
        return (
            <Button look="quiet" onClick={() => setOpen(true)}>
                Reopen
            </Button>
        );
    }
    return (
        <form
            className="mt-1 flex items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                void record(job, { kind: 'reopened', text: why }, `reopened: ${why}`);
            }}
        >
            <div className="flex-1">
                <Field label="Why it is opened again" autoFocus required value={why} onChange={(event) => setWhy(event.target.value)} />
            </div>
            <Button type="submit">Reopen</Button>
        </form>
    );
}
