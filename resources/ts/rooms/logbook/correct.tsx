import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice } from '../../ui/controls';
import { Sheet } from '../../ui/keys';

type Entry = Schemas['EntryCard'];

/** What can be said anew, by kind: the fields of its data, as a form shows them. Other kinds are withdrawn and written again. */
const FIELDS: Partial<Record<string, [field: string, label: string][]>> = {
    reading: [
        ['volts', 'Volts'],
        ['ripple_mvpp', 'Ripple, mV peak to peak'],
        ['amps', 'Amperes'],
        ['ohms_to_ground', 'Ohms to ground'],
    ],
    part: [
        ['designator', 'Designator'],
        ['from', 'From'],
        ['to', 'To'],
        ['source', 'Source'],
        ['date_code', 'Date code'],
    ],
    waiting: [
        ['for', 'Waiting for'],
        ['asked', 'Asked of'],
    ],
    decision: [['reason', 'Because']],
};
const KEPT: Partial<Record<string, string[]>> = {
    reading: ['run', 'rail', 'test_point', 'load', 'meter'],
    part: ['shelf', 'quantity', 'polarity', 'kept_at'],
    waiting: ['since'],
    decision: ['rail', 'band', 'capacitors', 'policy'],
};
const SPOKEN = ['symptom', 'observation', 'action', 'hazard', 'decision', 'reopened'];

/** A correction is an entry of its own; the one it corrects stays visible. */
export function Correct({ entry, onClose }: { entry: Entry; onClose: () => void }) {
    const fields = FIELDS[entry.kind] ?? [];
    const spoken = SPOKEN.includes(entry.kind);
    const given = entry.data as Record<string, unknown>;
    const [text, setText] = useState(entry.text);
    const [values, setValues] = useState(() =>
        Object.fromEntries(
            fields.map(([field]) => {
                const value = given[field];
                return [field, typeof value === 'string' || typeof value === 'number' ? String(value) : ''];
            }),
        ),
    );
    const [error, setError] = useState<string | null>(null);
    const send = async (body: Parameters<typeof record>[1], says: string) => {
        const sent = await record(entry.job_id, { ...body, corrects: entry.id }, says);
        if (sent.state === 'refused') setError(sent.refusal.message);
        else onClose();
    };
    const correct = () => {
        const kept = Object.fromEntries((KEPT[entry.kind] ?? []).filter((field) => field in given).map((field) => [field, given[field]]));
        const said = Object.fromEntries(Object.entries(values).filter(([, value]) => value.trim() !== ''));
        const kind = entry.kind as NonNullable<Schemas['EntryBody']['kind']>;
        return send(
            {
                kind,
                ...(spoken ? { text } : { text: text === '' ? 'corrected' : text }),
                ...(fields.length > 0 ? { data: { ...kept, ...said } } : {}),
            },
            `correction of: ${entry.says}`,
        );
    };
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title={`Correct: ${entry.kind_words}`} about={entry.says}>
                <form
                    className="flex flex-col gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        void correct();
                    }}
                >
                    {spoken && (
                        <Field label="What is right">
                            {(ids) => <textarea {...ids} autoFocus value={text} onChange={(event) => setText(event.target.value)} />}
                        </Field>
                    )}
                    <div className="grid gap-3 sm:grid-cols-2">
                        {fields.map(([field, label], i) => (
                            <Field
                                key={field}
                                label={label}
                                autoFocus={!spoken && i === 0}
                                value={values[field] ?? ''}
                                onChange={(event) => setValues({ ...values, [field]: event.target.value })}
                            />
                        ))}
                    </div>
                    {error !== null && (
                        <Notice tone="bad" live>
                            {error}
                        </Notice>
                    )}
                    <div className="flex gap-2">
                        {(spoken || fields.length > 0) && (
                            <Button type="submit" look="main">
                                Add the correction
                            </Button>
                        )}
                        <Button look="stop" onClick={() => void send({ kind: 'withdrawn', text: 'withdrawn' }, `withdraw: ${entry.says}`)}>
                            Withdraw the entry
                        </Button>
                    </div>
                </form>
            </Sheet>
        </Dialog.Root>
    );
}
