import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, data, Refusal, words, type Fault, type Schemas } from '../../api/client';
import { Button, Notice } from '../../ui/controls';

type Answer = Partial<Schemas['Imported'] & Schemas['MachineCard']>;

/** A file that was exported comes in again; a bad one is refused whole, with the place of each fault. */
export function ImportButton({ label, path, to }: { label: string; path: '/boards/import' | '/machines'; to: (answer: Answer) => string }) {
    const input = useRef<HTMLInputElement>(null);
    const navigate = useNavigate();
    const client = useQueryClient();
    const [faults, setFaults] = useState<Fault[]>([]);
    const send = async (file: File) => {
        setFaults([]);
        try {
            const text = await file.text();
            const answer: Answer = await data(
                api.POST(path, {
                    body: text as never,
                    bodySerializer: (body: unknown) => body as string,
                    headers: { 'Content-Type': 'application/json' },
                }),
            );
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
                accept="application/json,.json"
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

export function Faults({ faults }: { faults: Fault[] }) {
    return (
        <Notice tone="bad" live>
            <p className="font-bold">Refused; nothing was changed.</p>
            <ul>
                {faults.map((fault) => (
                    <li key={`${fault.pointer} ${fault.detail}`}>
                        {fault.pointer !== '' && <code className="figure-number">{fault.pointer}</code>} {fault.detail}
                    </li>
                ))}
            </ul>
        </Notice>
    );
}
