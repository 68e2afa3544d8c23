import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { api, data, words, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { Select } from '../../ui/select';
import { useMayRecord } from '../../ui/session';
import { Scale } from './scale';

export function Substitutes() {
    const { id = '' } = useParams();
    const [query] = useSearchParams();
    const cap = query.get('cap') ?? '';
    const [atC, setAtC] = useState('45');
    const page = useQuery({
        queryKey: ['substitutes', id, cap, atC],
        placeholderData: keepPreviousData,
        queryFn: () => data(api.GET('/jobs/{job}/substitutes', { params: { path: { job: id }, query: { cap, at_c: atC } } })),
    });
    return <Loaded query={page}>{(it) => <Sheet job={id} page={it} atC={atC} setAtC={setAtC} />}</Loaded>;
}

const TONES: Record<Schemas['SubstituteChoice']['verdict'], string> = { fits: 'text-in', fits_with_care: 'text-close', no: 'text-out' };
const MARKS: Record<Schemas['SubstituteChoice']['verdict'], string> = { fits: '●', fits_with_care: '◐', no: '✕' };

function Sheet({ job, page, atC, setAtC }: { job: string; page: Schemas['SubstitutePage']; atC: string; setAtC: (atC: string) => void }) {
    const may = useMayRecord();
    const navigate = useNavigate();
    const [chosen, setChosen] = useState(0);
    const choice = page.choices[chosen];
    const back = () => void navigate(`/jobs/${job}/capacitors`);
    useKeys({
        ArrowDown: () => setChosen(Math.min(page.choices.length - 1, chosen + 1)),
        ArrowUp: () => setChosen(Math.max(0, chosen - 1)),
        c: back,
    });
    return (
        <Page
            title={`Substitutes for ${page.cap.key}`}
            over={<Link to={`/jobs/${job}/capacitors`}>Capacitors of the job</Link>}
            aside={
                <KeyHelp
                    keys={[
                        ['↑ ↓', 'from part to part'],
                        ['c', 'back to the capacitors'],
                    ]}
                />
            }
        >
            <p>
                {page.cap.words}
                {page.cap.place !== '' && `, ${page.cap.place}`}. {page.says}
            </p>
            <div className="grid items-start gap-3 lg:grid-cols-[24rem_1fr]">
                <ol className="sheet divide-y divide-line overflow-hidden" aria-label="Parts of the shelf, best first">
                    {page.choices.map((it, i) => (
                        <li
                            key={it.item.id}
                            className={i === chosen ? 'border-l-8 border-accent bg-accent-wash' : 'border-l-8 border-transparent'}
                        >
                            <button
                                type="button"
                                aria-current={i === chosen ? 'true' : undefined}
                                onClick={() => setChosen(i)}
                                className="block min-h-11 w-full px-3 py-1.5 text-left"
                            >
                                <span className="font-bold">{it.item.name}</span>
                                <span className={`block ${TONES[it.verdict]}`}>
                                    {MARKS[it.verdict]} {it.words}
                                    <span className="text-sm text-soft">
                                        , {it.item.free} free, {it.item.place}
                                    </span>
                                </span>
                            </button>
                        </li>
                    ))}
                    {page.choices.length === 0 && <li className="p-4 text-soft">Nothing of about this value is on the shelf.</li>}
                </ol>
                {choice !== undefined && (
                    <div className="flex flex-col gap-3">
                        <Part title="Old and new, to scale">
                            <div className="grid gap-4 sm:grid-cols-[18rem_1fr]">
                                <Scale page={page} item={choice.item} />
                                <div>
                                    <p className={`text-2xl font-bold ${TONES[choice.verdict]}`}>
                                        {MARKS[choice.verdict]} {choice.words}
                                    </p>
                                    <ul>
                                        {choice.reasons.map((reason) => (
                                            <li key={reason}>{reason}</li>
                                        ))}
                                        {choice.life !== null && <li>Life: {choice.life}</li>}
                                    </ul>
                                    <div className="mt-2 w-44">
                                        <Field
                                            label="At the board, °C"
                                            inputMode="decimal"
                                            value={atC}
                                            onChange={(event) => setAtC(event.target.value)}
                                        />
                                    </div>
                                </div>
                            </div>
                        </Part>
                        {may && <Fit key={choice.item.id} job={job} page={page} choice={choice} onDone={back} />}
                    </div>
                )}
            </div>
        </Page>
    );
}

/** Using a part writes the entry and lowers the stock in one go. */
function Fit({
    job,
    page,
    choice,
    onDone,
}: {
    job: string;
    page: Schemas['SubstitutePage'];
    choice: Schemas['SubstituteChoice'];
    onDone: () => void;
}) {
    const [polarity, setPolarity] = useState<'' | 'plus' | 'minus'>('');
    const [keptAt, setKeptAt] = useState('');
    const [problem, setProblem] = useState<string | null>(null);
    const [said, setSaid] = useState<string | null>(null);
    const fit = () =>
        void record(
            job,
            {
                kind: 'part',
                stage: 'repair',
                data: {
                    designator: page.cap.key,
                    from: page.cap.words,
                    to: choice.item.name,
                    shelf: choice.item.id.toUpperCase(),
                    ...(polarity === '' ? {} : { polarity }),
                    ...(keptAt.trim() === '' ? {} : { kept_at: keptAt }),
                },
            },
            `${page.cap.key}: ${choice.item.name}`,
        ).then((sent) => {
            if (sent.state === 'refused') setProblem(sent.refusal.message);
            else onDone();
        });
    const reserve = () =>
        void data(
            api.POST('/shelf/{item}/reservations', { params: { path: { item: choice.item.id } }, body: { id: ulid(), job, quantity: 1 } }),
        ).then(
            () => setSaid('one is set aside for this job'),
            (caught: unknown) => setProblem(words(caught)),
        );
    return (
        <Part title={`Fit ${choice.item.sku} at ${page.cap.key}`}>
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    fit();
                }}
            >
                {page.cap.polarised && (
                    <div className="w-52">
                        <Select
                            label="Its stripe sits at"
                            value={polarity}
                            options={[
                                ['', 'look first'],
                                ['plus', 'the board’s plus'],
                                ['minus', 'the board’s minus'],
                            ]}
                            onChange={setPolarity}
                        />
                    </div>
                )}
                <div className="w-56">
                    <Field
                        label="The original is kept in"
                        placeholder="bag 3"
                        value={keptAt}
                        onChange={(event) => setKeptAt(event.target.value)}
                    />
                </div>
                <Button type="submit" look="main">
                    It is fitted
                </Button>
                <Button onClick={reserve}>Set one aside</Button>
                <span role="status">{said}</span>
            </form>
            {problem !== null && (
                <div className="mt-2">
                    <Notice tone="bad" live>
                        {problem}
                    </Notice>
                </div>
            )}
        </Part>
    );
}
