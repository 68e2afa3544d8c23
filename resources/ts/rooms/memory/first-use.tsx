import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { api, data, Refusal } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Part } from '../../ui/controls';
import { SocketMap } from './sockets';

/** No map is known: the rows of chips in one line, drawn as sockets before anything is kept. */
export function FirstMap({ job, machine, may }: { job: string; machine: string; may: boolean }) {
    const [line, setLine] = useState('');
    const [refused, setRefused] = useState<string | undefined>(undefined);
    const asked = useDeferredValue(line.trim());
    const drawn = useQuery({
        queryKey: ['rows-line', asked],
        enabled: asked !== '',
        retry: false,
        queryFn: () => data(api.GET('/memory/line', { params: { query: { line: asked } } })),
    });
    const unclear = drawn.error instanceof Refusal ? drawn.error.at('/line') : undefined;
    const keep = async () => {
        if (line.trim() === '') return;
        const sent = await record(job, { kind: 'memory_said', data: { line: line.trim() } }, `memory ${line}`);
        setRefused(sent.state === 'refused' ? sent.refusal.message : undefined);
    };
    if (!may) return <p className="sheet p-6">Nobody has said yet how the memory of this machine lies.</p>;
    return (
        <Part title="How does the memory lie?">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void keep();
                }}
            >
                <div className="min-w-72 flex-1">
                    <Field
                        label="Rows of chips: how many, of which, from which designator, at which address"
                        placeholder="2 x 8 4116 U20 at 0"
                        autoFocus
                        autoComplete="off"
                        value={line}
                        error={refused}
                        onChange={(event) => setLine(event.target.value)}
                    />
                </div>
                <Button type="submit" look="main">
                    It lies so <kbd>Enter</kbd>
                </Button>
            </form>
            <div role="status" className="mt-3">
                {asked !== '' && unclear !== undefined && <p className="text-soft">{unclear}</p>}
                {asked !== '' && drawn.isSuccess && (
                    <>
                        <p className="mb-1 text-sm">{drawn.data.words}</p>
                        <SocketMap sockets={drawn.data.sockets} />
                        {drawn.data.bias !== null && <p className="mt-1 font-bold text-close">{drawn.data.bias}</p>}
                    </>
                )}
            </div>
            <p className="mt-3 text-sm text-soft">
                Nine chips of one bit are eight and parity. What the line cannot say is drawn{' '}
                <Link to={`/machines/${machine}/memory`}>row by row</Link>.
            </p>
        </Part>
    );
}
