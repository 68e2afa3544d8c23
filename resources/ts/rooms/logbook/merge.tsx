import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';

type Of = 'kinds' | 'machines' | 'boards';
const TITLES: Record<Of, string> = {
    kinds: 'The same kind under another name',
    machines: 'The same machine under another name',
    boards: 'The same board under another name',
};

/** The others by a word of theirs. */
const search = async (of: Of, words: string): Promise<{ id: string; name: string }[]> => {
    const params = { query: { search: words } };
    if (of === 'kinds') return data(api.GET('/kinds', { params }));
    if (of === 'machines') return (await data(api.GET('/machines', { params }))).machines;
    return (await data(api.GET('/boards', { params }))).boards;
};

const merge = (of: Of, id: string, body: Schemas['MergeBody']) => {
    if (of === 'kinds') return data(api.POST('/kinds/{kind}/merge', { params: { path: { kind: id } }, body }));
    if (of === 'machines') return data(api.POST('/machines/{machine}/merge', { params: { path: { machine: id } }, body }));
    return data(api.POST('/boards/{board}/merge', { params: { path: { board: id } }, body }));
};

/** Two kinds, machines or boards that are one: looked at before it is done. A lead's. */
export function MergePart({ of, id, name }: { of: Of; id: string; name: string }) {
    const client = useQueryClient();
    const [words, setWords] = useState('');
    const [other, setOther] = useState<{ id: string; name: string } | null>(null);
    const [seen, setSeen] = useState<Schemas['MergeCard'] | null>(null);
    const asked = useDeferredValue(words.trim());
    const found = useQuery({
        queryKey: ['merge', of, asked],
        enabled: asked !== '',
        queryFn: () => search(of, asked),
    });
    const form = useSend(
        () => merge(of, id, { other: other?.id ?? '', ...(seen === null ? {} : { done: true }) }),
        (card) => {
            setSeen(card);
            if (card.done) void client.invalidateQueries();
        },
    );
    return (
        <Part title={TITLES[of]}>
            <div className="max-w-md">
                <Field
                    label="Search for the other one"
                    type="search"
                    value={words}
                    onChange={(event) => {
                        setWords(event.target.value);
                        setOther(null);
                        setSeen(null);
                    }}
                />
            </div>
            {other === null && asked !== '' && (
                <ul className="mt-2 flex flex-wrap gap-2">
                    {(found.data ?? [])
                        .filter((it) => it.id !== id)
                        .map((it) => (
                            <li key={it.id}>
                                <Button look="quiet" onClick={() => setOther(it)}>
                                    {it.name}
                                </Button>
                            </li>
                        ))}
                </ul>
            )}
            {other !== null && (
                <div className="mt-2 flex flex-col gap-2">
                    <p>
                        {other.name} is {name}.
                    </p>
                    {seen !== null && (
                        <>
                            <Lines title="Comes over" lines={seen.moves} />
                            <Lines title="Both say something" lines={seen.conflicts} />
                            {seen.done && <Notice tone="good">Merged. No entry was changed.</Notice>}
                        </>
                    )}
                    {seen?.done !== true && (
                        <div>
                            <Button look={seen === null ? 'quiet' : 'main'} disabled={form.busy} onClick={() => void form.submit()}>
                                {seen === null ? 'Look at what that does' : 'Merge them'}
                            </Button>
                        </div>
                    )}
                </div>
            )}
            {(form.problem ?? form.at('/other') ?? form.at('')) !== undefined && (
                <Notice tone="bad" live>
                    {form.problem ?? form.at('/other') ?? form.at('')}
                </Notice>
            )}
        </Part>
    );
}

/** What a step does, a line each; with nothing to say it is left out, or says so. */
export function Lines({ title, lines, none }: { title: string; lines: string[]; none?: string }) {
    if (lines.length === 0 && none === undefined) return null;
    return (
        <section>
            <h3 className="text-sm font-bold">{title}</h3>
            <ul>
                {lines.map((line) => (
                    <li key={line}>{line}</li>
                ))}
                {lines.length === 0 && <li className="text-soft">{none}</li>}
            </ul>
        </section>
    );
}
