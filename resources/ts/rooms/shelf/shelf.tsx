import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { api, data, words as say, type Schemas } from '../../api/client';
import { Button, Field, LinkButton, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { choices, Select } from '../../ui/select';
import { useMayRecord } from '../../ui/session';
import { PartForm, partBody, usePart } from './part-form';

export function Shelf() {
    const [query, setQuery] = useSearchParams();
    const asked = {
        search: query.get('search') ?? '',
        kind: query.get('kind') ?? '',
        board: query.get('board') ?? '',
        after: query.get('after') ?? '',
    };
    const shelf = useQuery({
        queryKey: ['shelf', asked],
        placeholderData: keepPreviousData,
        queryFn: () => data(api.GET('/shelf', { params: { query: asked } })),
    });
    const ask = (next: Partial<typeof asked>) =>
        setQuery(
            Object.entries({ ...asked, after: '', ...next }).filter(([, value]) => value !== ''),
            { replace: true },
        );
    return <Loaded query={shelf}>{(page) => <ShelfSheet page={page} asked={asked} ask={ask} />}</Loaded>;
}

interface Asked {
    search: string;
    kind: string;
    board: string;
    after: string;
}

function ShelfSheet({ page, asked, ask }: { page: Schemas['ShelfPage']; asked: Asked; ask: (next: Partial<Asked>) => void }) {
    const may = useMayRecord();
    const navigate = useNavigate();
    const client = useQueryClient();
    const search = useRef<HTMLInputElement>(null);
    const [adding, setAdding] = useState(false);
    const [chosen, setChosen] = useState<string[]>([]);
    const [words, setWords] = useState(asked.search);
    const later = useRef<number>(undefined);
    const type = (next: string) => {
        setWords(next);
        window.clearTimeout(later.current);
        later.current = window.setTimeout(() => ask({ search: next }), 200);
    };
    useKeys({
        '/': () => search.current?.focus(),
        n: () => may && setAdding(true),
        l: () => chosen.length > 0 && void navigate(`/labels?items=${chosen.join(',')}`),
    });
    return (
        <Page
            title="Shelf"
            over={`${page.count} ${page.count === 1 ? 'sort' : 'sorts'} of parts`}
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['/', 'search'],
                            ['n', 'a new part'],
                            ['l', 'labels of the chosen ones'],
                        ]}
                    />
                    <LinkButton to="/shopping">Shopping list</LinkButton>
                    <a href="/shelf.csv" download className="inline-flex min-h-11 items-center px-2">
                        As CSV
                    </a>
                    {chosen.length > 0 && (
                        <LinkButton to={`/labels?items=${chosen.join(',')}`}>
                            Labels <kbd>l</kbd>
                        </LinkButton>
                    )}
                    {may && (
                        <Button look="main" onClick={() => setAdding(true)}>
                            New part <kbd>n</kbd>
                        </Button>
                    )}
                </>
            }
        >
            {adding && <NewPart page={page} onClose={() => setAdding(false)} />}
            <div className="grid items-end gap-3 sm:grid-cols-[2fr_1fr_2fr]">
                <Field label="Search">
                    {(ids) => (
                        <input
                            {...ids}
                            ref={search}
                            value={words}
                            placeholder="4700u, 4116, drawer 12"
                            onChange={(event) => type(event.target.value)}
                        />
                    )}
                </Field>
                <Select label="Kind" value={asked.kind} options={choices(page.kinds, 'all')} onChange={(kind) => ask({ kind })} />
                <Select
                    label="Originals kept from"
                    value={asked.board}
                    options={choices(page.boards, 'any board')}
                    onChange={(board) => ask({ board })}
                />
            </div>
            {page.items.length === 0 ? (
                <p className="sheet p-6 text-soft">Nothing like that is on the shelf.</p>
            ) : (
                <div className="sheet overflow-x-auto">
                    <table className="w-full">
                        <caption className="sr-only">Parts on the shelf</caption>
                        <thead>
                            <tr className="border-b border-line [&>th]:px-3 [&>th]:py-2">
                                <th scope="col">Number</th>
                                <th scope="col">Part</th>
                                <th scope="col">There</th>
                                <th scope="col">Free</th>
                                <th scope="col">Place</th>
                                <th scope="col">From</th>
                                <th scope="col">Label</th>
                            </tr>
                        </thead>
                        <tbody>
                            {page.items.map((it) => (
                                <tr key={it.id} className="border-b border-line [&>td]:px-3 [&>td]:py-1">
                                    <td className="figure-number whitespace-nowrap">
                                        <Link to={`/shelf/${it.id}`}>{it.sku}</Link>
                                    </td>
                                    <td>
                                        {it.name}
                                        {it.tested && <span className="text-sm text-soft">, tested</span>}
                                    </td>
                                    <td className="figure-number text-lg">
                                        {it.quantity}
                                        {it.low && <span className="ml-2 font-sans text-sm font-bold text-close">low</span>}
                                    </td>
                                    <td className="figure-number text-lg">{it.free}</td>
                                    <td>{it.place}</td>
                                    <td className="text-sm">{it.donor_board ?? it.source}</td>
                                    <td>
                                        <input
                                            type="checkbox"
                                            aria-label={`Label for ${it.sku}`}
                                            checked={chosen.includes(it.id)}
                                            onChange={(event) =>
                                                setChosen(event.target.checked ? [...chosen, it.id] : chosen.filter((id) => id !== it.id))
                                            }
                                        />
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                </div>
            )}
            <div className="flex gap-3">
                {asked.after !== '' && <Button onClick={() => ask({ after: '' })}>From the beginning</Button>}
                {page.next !== null && <Button onClick={() => ask({ after: page.next ?? '' })}>Further down the shelf</Button>}
            </div>
            {may && <Import onDone={() => void client.invalidateQueries({ queryKey: ['shelf'] })} />}
        </Page>
    );
}

function NewPart({ page, onClose }: { page: Schemas['ShelfPage']; onClose: () => void }) {
    const client = useQueryClient();
    const [id] = useState(ulid);
    const part = usePart({ quantity: '1' });
    const [tested, setTested] = useState(false);
    const send = useSend(
        () => data(api.POST('/shelf', { body: { ...(partBody(part.now, null) as unknown as Schemas['ShelfBody']), id, tested } })),
        () => {
            void client.invalidateQueries({ queryKey: ['shelf'] });
            void client.invalidateQueries({ queryKey: ['bench'] });
            onClose();
        },
    );
    return (
        <Part
            title="A new part on the shelf"
            aside={
                <Button look="quiet" onClick={onClose}>
                    Leave it
                </Button>
            }
        >
            <PartForm part={part} tested={tested} onTested={setTested} send={send} kinds={page.kinds} boards={page.boards} fresh />
        </Part>
    );
}

/** A file with one broken row is refused whole, with the row and the column. */
function Import({ onDone }: { onDone: () => void }) {
    const [said, setSaid] = useState<string | null>(null);
    const [bad, setBad] = useState(false);
    const [busy, setBusy] = useState<string | null>(null);
    const take = (file: File | undefined) => {
        if (file === undefined || busy !== null) return;
        setSaid(null);
        setBusy(file.name);
        const form = new FormData();
        form.append('file', file);
        void data(
            api.POST('/shelf/import', {
                body: form as unknown as Schemas['FileBody'],
                bodySerializer: (body) => body as unknown as FormData,
            }),
        )
            .then(
                (answer) => {
                    setBad(false);
                    setSaid(`${String((answer as { taken?: number }).taken ?? '')} parts were taken in`);
                    onDone();
                },
                (caught: unknown) => {
                    setBad(true);
                    setSaid(say(caught));
                },
            )
            .finally(() => setBusy(null));
    };
    return (
        <Part title="From a CSV file">
            <Field label="The same columns as the file that goes out">
                {(ids) => (
                    <input
                        {...ids}
                        type="file"
                        accept=".csv,text/csv"
                        aria-label="Shelf as CSV"
                        onChange={(event) => {
                            take(event.target.files?.[0]);
                            event.target.value = '';
                        }}
                    />
                )}
            </Field>
            {busy !== null && (
                <p role="status" className="mt-2 flex items-center gap-3">
                    <progress aria-label={`Taking in ${busy}`} /> Taking in {busy}: a row with a fault turns the whole file away.
                </p>
            )}
            {said !== null && (
                <div className="mt-2">
                    <Notice tone={bad ? 'bad' : 'good'} live>
                        {said}
                    </Notice>
                </div>
            )}
        </Part>
    );
}
