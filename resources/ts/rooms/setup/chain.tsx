import { useState } from 'react';
import { useSums } from '../../bench/sums';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { number } from '../../ui/number';

interface Entry {
    name: string;
    id: number;
    terminated: boolean;
    host: boolean;
}
interface Found {
    problems: { code: string; names: string[]; text: string }[];
    changes: { name: string; what: string; from: unknown; to: unknown }[];
    reasons: string[];
}

/** A SCSI chain in cable order, with its terminators; what is wrong with it is named, and what would mend it. */
export function Chain() {
    const [chain, setChain] = useState<Entry[]>([]);
    const [name, setName] = useState('');
    const [id, setId] = useState('');
    const [terminated, setTerminated] = useState(false);
    const host = chain.length === 0;
    const sums = useSums('setup', 'scsi', { bus: {}, chain }, chain.length > 1);
    const found = sums.found as Found | undefined;
    const wrong = new Set(found?.problems.flatMap((it) => it.names) ?? []);
    return (
        <Part title="A SCSI chain, in cable order">
            {chain.length > 0 && (
                <ol className="mb-3 flex flex-wrap items-stretch gap-y-2">
                    {chain.map((it, i) => (
                        <li key={it.name} className="flex items-center">
                            {i > 0 && <span aria-hidden="true" className="h-0.5 w-6 bg-ink" />}
                            <span
                                className={`rounded border-2 px-3 py-1 ${wrong.has(it.name) ? 'border-out bg-out-wash' : 'border-ink bg-raised'}`}
                            >
                                <span className="block font-bold">{it.name}</span>
                                <span className="block text-sm tabular-nums">
                                    id {it.id}
                                    {it.host && ', host'}
                                    {it.terminated && ', terminated'}
                                </span>
                            </span>
                        </li>
                    ))}
                </ol>
            )}
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    setChain([...chain, { name: name.trim(), id: number(id), terminated, host }]);
                    setName('');
                    setId('');
                    setTerminated(false);
                }}
            >
                <Field
                    label={host ? 'The host comes first' : 'The next on the cable'}
                    placeholder={host ? 'host' : 'disc 1'}
                    value={name}
                    onChange={(event) => setName(event.target.value)}
                />
                <Field label="Its id" inputMode="numeric" size={4} value={id} onChange={(event) => setId(event.target.value)} />
                <label className="flex min-h-11 items-center gap-2">
                    <input type="checkbox" checked={terminated} onChange={(event) => setTerminated(event.target.checked)} />
                    terminated
                </label>
                <Button type="submit" disabled={name.trim() === '' || id.trim() === '' || chain.some((it) => it.name === name.trim())}>
                    On the chain
                </Button>
                {chain.length > 0 && (
                    <Button look="quiet" onClick={() => setChain([])}>
                        Begin again
                    </Button>
                )}
            </form>
            {sums.problem !== null && <Notice tone="bad">{sums.problem}</Notice>}
            {found !== undefined && (
                <Notice tone={found.problems.length === 0 ? 'good' : 'bad'}>
                    <ul>
                        {found.reasons.map((it) => (
                            <li key={it}>{it}</li>
                        ))}
                        {found.changes.map((it) => (
                            <li key={`${it.name} ${it.what}`} className="font-bold">
                                {it.name}: {it.what} from {String(it.from)} to {String(it.to)}
                            </li>
                        ))}
                    </ul>
                </Notice>
            )}
        </Part>
    );
}
