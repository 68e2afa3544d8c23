import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice, Part } from '../../ui/controls';

/** Nothing is known of this supply: its label in one line, or the family it looks like, and the probes can begin. */
export function FirstRails({ page, onSaid }: { page: Schemas['RailRunPage']; onSaid: () => void }) {
    const [line, setLine] = useState('');
    const [problem, setProblem] = useState<string | null>(null);
    const asked = useDeferredValue(line.trim());
    const parts = useQuery({
        queryKey: ['rail-label', asked],
        enabled: asked !== '',
        placeholderData: (before) => before,
        queryFn: () => data(api.GET('/rails/label', { params: { query: { line: asked } } })),
    });
    const families = useQuery({ queryKey: ['rail-families'], staleTime: Infinity, queryFn: () => data(api.GET('/rails/families')) });
    const say = async (said: Schemas['DataRailsSaid'], says: string) => {
        const sent = await record(page.job_id, { kind: 'rails_said', stage: 'supply', data: said }, says);
        if (sent.state === 'refused') setProblem(sent.refusal.message);
        else onSaid();
    };
    return (
        <Part title="What does the supply give?">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (line.trim() !== '') void say({ label: line.trim() }, `rails: ${line}`);
                }}
            >
                <div className="min-w-72 flex-1">
                    <Field
                        label="As its label says"
                        placeholder="+5 6A, +12 1.5A, -12 0.3A, -5"
                        autoFocus
                        autoComplete="off"
                        value={line}
                        onChange={(event) => setLine(event.target.value)}
                    />
                </div>
                <Button type="submit" look="main">
                    Begin <kbd>Enter</kbd>
                </Button>
            </form>
            <p role="status" className="mt-2 min-h-6">
                {asked !== '' &&
                    parts.data?.map((part, i) => (
                        <span key={`${i} ${part.text}`} className="mr-3">
                            {part.wrong === null ? (
                                <span className="font-bold text-in">{part.text}</span>
                            ) : (
                                <span className="text-out underline decoration-wavy" title={part.wrong}>
                                    {part.text} <span className="text-sm no-underline">({part.wrong})</span>
                                </span>
                            )}
                        </span>
                    ))}
            </p>
            {problem !== null && (
                <Notice tone="bad" live>
                    {problem}
                </Notice>
            )}
            <h3 className="mt-3 mb-1 font-bold">Or it looks like</h3>
            <ul className="grid gap-2 lg:grid-cols-2">
                {families.data
                    ?.filter((it) => it.rails !== '')
                    .map((it) => (
                        <li key={it.id}>
                            <button
                                type="button"
                                onClick={() => void say({ family: it.id }, `rails as of ${it.id}`)}
                                className="min-h-14 w-full rounded border border-soft bg-raised px-3 py-1 text-left hover:bg-accent-wash"
                            >
                                <span className="block font-bold">{it.rails}</span>
                                <span className="block text-sm text-soft">
                                    {it.id}: {it.how_to_know}
                                </span>
                            </button>
                        </li>
                    ))}
            </ul>
            <p className="mt-2 text-sm text-soft">
                Figures of a family say so on every rail until a label, a sheet or a good board confirms them. Both can be changed at any
                time.
            </p>
        </Part>
    );
}

/** The place where the probe is gets a name, and is there the next time. */
export function NamePoint({
    page,
    rail,
    onNamed,
    onLeave,
}: {
    page: Schemas['RailRunPage'];
    rail: string;
    onNamed: (key: string) => void;
    onLeave: () => void;
}) {
    const [name, setName] = useState('');
    const [problem, setProblem] = useState<string | null>(null);
    const keep = async () => {
        if (name.trim() === '') return;
        const sent = await record(page.job_id, { kind: 'point_named', data: { rail, name: name.trim() } }, `${rail} at ${name}`);
        if (sent.state === 'refused') setProblem(sent.refusal.message);
        else onNamed(`${rail}|${name.trim()}`);
    };
    return (
        <form
            className="sheet flex flex-wrap items-end gap-3 p-4"
            onSubmit={(event) => {
                event.preventDefault();
                void keep();
            }}
        >
            <Field
                label={`The probe is on ${rail} at`}
                placeholder="J1 pin 3"
                autoFocus
                autoComplete="off"
                value={name}
                onChange={(event) => setName(event.target.value)}
                onKeyDown={(event) => event.key === 'Escape' && onLeave()}
            />
            <Button type="submit" look="main">
                Name it <kbd>Enter</kbd>
            </Button>
            <Button onClick={onLeave}>Leave it</Button>
            {problem !== null && (
                <Notice tone="bad" live>
                    {problem}
                </Notice>
            )}
        </form>
    );
}
