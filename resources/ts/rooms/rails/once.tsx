import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useKeys } from '../../ui/keys';

/** A question that a run asks once: a digit or a press answers it, and nothing is preset. */
export function Once({
    says,
    options,
    onChoose,
}: {
    says: string;
    options: readonly { value: string; words: string }[];
    onChoose: (value: string) => void;
}) {
    const first = useRef<HTMLButtonElement>(null);
    useEffect(() => first.current?.focus({ preventScroll: true }), [says]);
    useKeys(Object.fromEntries(options.slice(0, 9).map((it, i) => [String(i + 1), () => onChoose(it.value)])));
    return (
        <Part title={says}>
            <ol className="flex flex-col gap-2" aria-label={says}>
                {options.map((it, i) => (
                    <li key={it.value}>
                        <button
                            ref={i === 0 ? first : undefined}
                            type="button"
                            onClick={() => onChoose(it.value)}
                            className="min-h-14 w-full max-w-2xl rounded border border-soft bg-raised px-4 text-left text-xl hover:bg-accent-wash"
                        >
                            {i < 9 && <kbd>{i + 1}</kbd>} {it.words}
                        </button>
                    </li>
                ))}
            </ol>
        </Part>
    );
}

/** The leads are held together before a resistance is believed. */
export function LeadsAsked({ onSaid }: { onSaid: (ohms: string) => void }) {
    const [ohms, setOhms] = useState('');
    return (
        <Part title="Hold the leads together: what do they read?">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (ohms.trim() !== '') onSaid(ohms.trim());
                }}
            >
                <Field
                    label="Leads, Ω"
                    hint="0 when the meter was zeroed with them; it is taken off every reading"
                    inputMode="decimal"
                    autoFocus
                    required
                    value={ohms}
                    onChange={(event) => setOhms(event.target.value)}
                />
                <Button type="submit" look="main">
                    Begin <kbd>Enter</kbd>
                </Button>
            </form>
        </Part>
    );
}

/** The figures of this run become what a good board of the kind has. */
export function GoodBoard({ page }: { page: Schemas['RailRunPage'] }) {
    const [said, setSaid] = useState<string | null>(null);
    const keep = async () => {
        const sent = await record(page.job_id, { kind: 'good_board', data: { run: page.id } }, 'the figures of a good board');
        setSaid(sent.state === 'refused' ? sent.refusal.message : 'Kept with the description: they stand beside the next board.');
    };
    return (
        <>
            <div>
                <Button onClick={() => void keep()}>This board is good: keep its figures</Button>
            </div>
            {said !== null && <Notice live>{said}</Notice>}
        </>
    );
}
