import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, data, words, type Schemas } from '../../api/client';
import { anew, record, type Written } from '../../api/outbox';
import { Button, Field, Notice } from '../../ui/controls';
import { Sheet } from '../../ui/keys';
import { filled } from '../../ui/number';

type Entry = Schemas['EntryCard'];

/** A correction is an entry of its own; the one it corrects stays visible. */
export function Correct({ entry, onClose }: { entry: Entry; onClose: () => void }) {
    const kinds = useQuery({ queryKey: ['entry-kinds'], staleTime: Infinity, queryFn: () => data(api.GET('/entry-kinds')) });
    const kind = kinds.data?.find((it) => it.kind === entry.kind);
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title={`Correct: ${entry.kind_words}`} about={entry.says}>
                {kinds.error !== null && <Notice tone="bad">{words(kinds.error)}</Notice>}
                {kinds.data !== undefined && <Form entry={entry} kind={kind} onClose={onClose} />}
            </Sheet>
        </Dialog.Root>
    );
}

/** What can be said anew are the fields that the kind names. Entries of other kinds are withdrawn and written again. */
function Form({ entry, kind, onClose }: { entry: Entry; kind: Schemas['EntryKindCard'] | undefined; onClose: () => void }) {
    const fields = kind?.said_anew ?? [];
    const spoken = kind?.needs_words === true;
    const given = entry.data as Record<string, unknown>;
    const [text, setText] = useState(entry.text);
    const [values, setValues] = useState(() =>
        Object.fromEntries(
            fields.map((field) => {
                const value = given[field.value];
                return [field.value, typeof value === 'string' || typeof value === 'number' ? String(value) : ''];
            }),
        ),
    );
    const [error, setError] = useState<string | null>(null);
    const send = async (body: Written, says: string) => {
        const sent = await record(entry.job_id, { ...body, corrects: entry.id }, says);
        if (sent.state === 'refused') setError(sent.refusal.message);
        else onClose();
    };
    const correct = () => {
        const kept = Object.fromEntries((kind?.kept ?? []).filter((field) => field in given).map((field) => [field, given[field]]));
        return send(
            anew(entry.kind, fields.length > 0 ? { ...kept, ...filled(values) } : {}, { text: spoken || text !== '' ? text : 'corrected' }),
            `correction of: ${entry.says}`,
        );
    };
    return (
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
                {fields.map(({ value: field, words: label }, i) => (
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
    );
}
