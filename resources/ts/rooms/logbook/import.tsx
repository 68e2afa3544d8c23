import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, data, Refusal, words, type Fault, type Schemas } from '../../api/client';
import { Button } from '../../ui/controls';
import { Faults } from '../../ui/faults';

type Answer = Partial<Schemas['Imported'] & Schemas['MachineCard']>;

const sendText = (path: '/boards/import' | '/machines', text: string): Promise<Answer> =>
    data(
        api.POST(path, {
            body: text as never,
            bodySerializer: (body: unknown) => body as string,
            headers: { 'Content-Type': 'application/json' },
        }),
    );

const sendArchive = (file: File): Promise<Answer> => {
    const form = new FormData();
    form.append('file', file);

    return data(
        api.POST('/boards/import-archive', {
            body: form as unknown as Schemas['ArchiveBody'],
            bodySerializer: (body) => body as unknown as FormData,
        }),
    );
};

/** A file that was exported comes in again; a bad one is refused whole, with the place of each fault. */
export function ImportButton({ label, path, to }: { label: string; path: '/boards/import' | '/machines'; to: (answer: Answer) => string }) {
    const archives = path === '/boards/import';
    const input = useRef<HTMLInputElement>(null);
    const navigate = useNavigate();
    const client = useQueryClient();
    const [faults, setFaults] = useState<Fault[]>([]);
    const send = async (file: File) => {
        setFaults([]);
        try {
            const archive = archives && file.name.toLowerCase().endsWith('.zip');
            const answer: Answer = archive ? await sendArchive(file) : await sendText(path, await file.text());
            await client.invalidateQueries();
            void navigate(to(answer));
        } catch (problem) {
            setFaults(problem instanceof Refusal ? problem.faults : [{ pointer: '', detail: words(problem) }]);
        }
    };
    return (
        <>
            <input
                ref={input}
                type="file"
                accept={archives ? 'application/json,.json,application/zip,.zip' : 'application/json,.json'}
                aria-label={label}
                className="sr-only"
                tabIndex={-1}
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    if (file !== undefined) void send(file);
                    event.target.value = '';
                }}
            />
            <Button onClick={() => input.current?.click()}>{label}</Button>
            {faults.length > 0 && (
                <div className="basis-full">
                    <Faults faults={faults} />
                </div>
            )}
        </>
    );
}
