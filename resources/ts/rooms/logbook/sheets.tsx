import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { day } from '../../ui/when';

type What = Schemas['SheetBody']['what'];

/** Sheets, listings and ROM dumps of a kind, each with the sums by which it is known. */
export function Sheets({ page, may }: { page: Schemas['KindPage']; may: boolean }) {
    const client = useQueryClient();
    const input = useRef<HTMLInputElement>(null);
    const [what, setWhat] = useState<What>('sheet');
    const [note, setNote] = useState('');
    const [file, setFile] = useState<File | null>(null);
    const kind = page.kind.id;
    const form = useSend(
        () => {
            const body = new FormData();
            body.set('id', ulid());
            body.set('what', what);
            if (note.trim() !== '') body.set('note', note.trim());
            if (file !== null) body.set('file', file);
            return data(
                api.POST('/kinds/{kind}/sheets', {
                    params: { path: { kind } },
                    body: body as unknown as Schemas['SheetBody'],
                    bodySerializer: () => body,
                }),
            );
        },
        () => {
            setNote('');
            setFile(null);
            if (input.current !== null) input.current.value = '';
            void client.invalidateQueries({ queryKey: ['kind', kind] });
        },
    );
    return (
        <Part title="Sheets, listings and ROM dumps">
            <ul className="flex flex-col gap-2">
                {page.sheets.map((sheet) => (
                    <li key={sheet.id}>
                        <a href={`/sheets/${sheet.id}`} download>
                            {sheet.name}
                        </a>{' '}
                        <span className="text-sm text-soft">
                            {sheet.what}
                            {sheet.note !== null && `, ${sheet.note}`}, {sheet.bytes} bytes, {sheet.author}, {day(sheet.at)}
                        </span>
                        <span className="block font-mono text-sm break-all">
                            CRC-32 {sheet.crc32}, SHA-256 {sheet.sha256}
                        </span>
                    </li>
                ))}
                {page.sheets.length === 0 && <li className="text-soft">None hangs here yet.</li>}
            </ul>
            {may && (
                <form
                    className="mt-3 flex flex-wrap items-end gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        void form.submit();
                    }}
                >
                    <Field label="File" error={form.at('/file')}>
                        {(ids) => <input {...ids} ref={input} type="file" onChange={(event) => setFile(event.target.files?.[0] ?? null)} />}
                    </Field>
                    <Field label="It is a">
                        {(ids) => (
                            <select {...ids} value={what} onChange={(event) => setWhat(event.target.value as What)}>
                                {page.sheet_choices.map((it) => (
                                    <option key={it.value} value={it.value}>
                                        {it.words}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                    <Field label="Note" value={note} error={form.at('/note')} onChange={(event) => setNote(event.target.value)} />
                    <Button type="submit" disabled={form.busy || file === null}>
                        Hang it here
                    </Button>
                </form>
            )}
            {form.problem !== null && (
                <Notice tone="bad" live>
                    {form.problem}
                </Notice>
            )}
        </Part>
    );
}
