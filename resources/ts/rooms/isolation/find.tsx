import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { useRooms } from '../../bench/house';
import { useLive } from '../../bench/live';
import { Button, Field, Part } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { ConditionsTried, under } from './conditions';
import { Swaps } from './swaps';

type FindPage = Schemas['FindPage'];
type Test = Schemas['TestRow'];

/** Finding the fault: the symptom, its suspects, the test that tells most for its minutes, and the swaps. */
export function Find() {
    const { id = '' } = useParams();
    const [have, setHave] = useState<string[]>([]);
    const find = useQuery({
        queryKey: ['isolation', id, have],
        placeholderData: keepPreviousData,
        queryFn: () =>
            data(
                api.GET('/jobs/{job}/isolation', {
                    params: { path: { job: id }, query: have.length === 0 ? {} : { have: have.join(',') } },
                }),
            ),
    });
    return <Loaded query={find}>{(page) => <Sheet page={page} have={have} setHave={setHave} />}</Loaded>;
}

function Sheet({ page, have, setHave }: { page: FindPage; have: string[]; setHave: (have: string[]) => void }) {
    useLive(page.job_id);
    const may = useMayRecord() && page.open;
    const [condition, setCondition] = useState('');
    const open = page.tests.filter((it) => it.outcome === null && it.needs.length === 0);
    const first = open[0];
    const take = (test: Test, outcome: string) =>
        void record(
            page.job_id,
            { kind: 'test_done', data: { symptom: page.symptom ?? '', test: test.id, outcome, ...under(condition) } },
            `${test.words}: ${outcome.replaceAll('_', ' ')}`,
        );
    useKeys(
        Object.fromEntries(
            (first?.outcomes ?? []).map((it, i) => ['12345678'.charAt(i), () => may && first !== undefined && take(first, it.value)]),
        ),
    );
    return (
        <Page
            title="Find it"
            over={
                <Link to={`/jobs/${page.job_id}`}>
                    {page.job_label}, {page.job_title}
                </Link>
            }
            aside={
                <KeyHelp
                    keys={[
                        ['1 2 3', 'outcome of the first test'],
                        ['w', 'the set works'],
                        ['x', 'the set fails'],
                        ['o', 'it fails sometimes'],
                    ]}
                />
            }
        >
            <Symptom page={page} may={may} />
            {may && (
                <div className="mb-3 max-w-md">
                    <Field
                        label="Condition of what is tried now"
                        placeholder="cold, lid off"
                        hint="kept with every test and run until it is changed"
                        value={condition}
                        onChange={(event) => setCondition(event.target.value)}
                    />
                </div>
            )}
            {page.symptom !== null && (
                <div className="grid items-start gap-3 lg:grid-cols-2">
                    <Part title="The next test">
                        {first === undefined && <p className="text-soft">No test is left that can be made as things stand.</p>}
                        <ol>
                            {open.map((test, i) => (
                                <Row key={test.id} test={test} large={i === 0} may={may} take={take} />
                            ))}
                        </ol>
                    </Part>
                    <Suspects page={page} may={may} />
                </div>
            )}
            <Waiting page={page} have={have} setHave={setHave} />
            <Made tests={page.tests.filter((it) => it.outcome !== null)} />
            <ConditionsTried page={page} may={may} />
            <Swaps page={page} may={may} condition={condition} />
        </Page>
    );
}

function Symptom({ page, may }: { page: FindPage; may: boolean }) {
    const [chosen, setChosen] = useState(page.symptom ?? '');
    const name = page.symptoms.find((it) => it.value === page.symptom)?.words;
    return (
        <Part title="Symptom">
            {name !== undefined && (
                <p>
                    <span className="text-lg font-bold">{name}.</span> {page.first}{' '}
                    <Link to={`/library/${page.symptom ?? ''}`}>What the library says of it</Link>
                </p>
            )}
            {may && (
                <form
                    className="mt-2 flex flex-wrap items-end gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        const label = page.symptoms.find((it) => it.value === chosen)?.words;
                        if (label !== undefined) void record(page.job_id, { kind: 'symptom_chosen', data: { symptom: chosen } }, label);
                    }}
                >
                    <Field label={page.symptom === null ? 'What does it do? The nearest of these' : 'It is another'}>
                        {(on) => (
                            <select {...on} value={chosen} onChange={(event) => setChosen(event.target.value)}>
                                <option value="">choose</option>
                                {page.symptoms.map((it) => (
                                    <option key={it.value} value={it.value}>
                                        {it.words}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                    <Button type="submit" disabled={chosen === '' || chosen === page.symptom}>
                        That is it
                    </Button>
                </form>
            )}
        </Part>
    );
}

function Suspects({ page, may }: { page: FindPage; may: boolean }) {
    return (
        <Part title="Suspects">
            <ol className="divide-y divide-line">
                {page.causes.map((it) => (
                    <li key={it.words} className="grid grid-cols-[5rem_minmax(0,1fr)] items-baseline gap-x-4 py-1.5">
                        <span className="text-right font-bold tabular-nums">{it.percent}</span>
                        <span className="font-bold">
                            {it.words}
                            <span aria-hidden="true" className="mt-1 block h-1.5 bg-line">
                                <span className="block h-full bg-accent" style={{ width: it.percent.replaceAll(' ', '') }} />
                            </span>
                        </span>
                        <span className="col-start-2 text-sm text-soft">
                            {it.shows}
                            {it.part === null ? ' (no part is bad)' : ` (${it.part})`}
                            <Spoken job={page.job_id} words="For it" list={it.for} />
                            <Spoken job={page.job_id} words="Against it" list={it.against} />
                            {it.settles !== null && <span className="block">{it.settles}</span>}
                            {it.history !== null && <span className="block">{it.history}</span>}
                            {page.found === it.id && <span className="block font-bold text-in">It was this.</span>}
                            {may && page.found !== it.id && (
                                <Button
                                    look="quiet"
                                    aria-label={`It was this: ${it.words}`}
                                    onClick={() =>
                                        void record(
                                            page.job_id,
                                            { kind: 'cause_found', data: { symptom: page.symptom ?? '', cause: it.id } },
                                            `it was ${it.words}`,
                                        )
                                    }
                                >
                                    it was this
                                </Button>
                            )}
                        </span>
                    </li>
                ))}
            </ol>
            <ul className="mt-2 text-sm text-soft">
                {page.reasons.map((it) => (
                    <li key={it}>{it}</li>
                ))}
                {page.weights !== null && <li>{page.weights}</li>}
            </ul>
        </Part>
    );
}

function Spoken({ job, words, list }: { job: string; words: string; list: Schemas['ResultSpoken'][] }) {
    const rooms = useRooms();
    // What a room found over several entries is opened where the room shows it.
    const door = (room: string | null): string => {
        const path = rooms.find((it) => it.name === room)?.doors?.[0]?.path;
        return path === undefined ? '' : `/${path}`;
    };
    return list.length === 0 ? null : (
        <span className="block">
            {words}:{' '}
            {list.map((it, i) => (
                <span key={it.words}>
                    {i > 0 && '; '}
                    <Link to={`/jobs/${job}${it.entry === null ? door(it.room) : `#${it.entry}`}`}>{it.words}</Link>
                </span>
            ))}
        </span>
    );
}

function Row({ test, large, may, take }: { test: Test; large: boolean; may: boolean; take: (test: Test, outcome: string) => void }) {
    return (
        <li className={large ? 'border-l-4 border-accent pb-3 pl-4' : 'border-t border-line py-2 pl-5'}>
            <p className={large ? 'text-xl font-bold' : 'font-bold'}>{test.words}</p>
            <p className="text-sm text-soft">
                {test.minutes} min, tells {test.gain}
                {test.how !== null && `. ${test.how}`}
                {test.danger !== null && <span className="font-bold text-out">. Caution: {test.danger}</span>}
            </p>
            {may && (
                <div role="group" aria-label={`Outcome of ${test.words}`} className="mt-1 flex flex-wrap gap-2">
                    {test.outcomes.map((it, i) => (
                        <Button key={it.value} onClick={() => take(test, it.value)}>
                            {it.words} {large && <kbd>{'12345678'.charAt(i)}</kbd>}
                        </Button>
                    ))}
                </div>
            )}
        </li>
    );
}

/** Tests that wait for something, with what would unblock them. */
function Waiting({ page, have, setHave }: { page: FindPage; have: string[]; setHave: (have: string[]) => void }) {
    const blocked = page.tests.filter((it) => it.needs.length > 0);
    const needs = [...new Set(blocked.flatMap((it) => it.needs))].filter((it) => it !== 'powered');
    if (blocked.length === 0 && have.length === 0) return null;
    return (
        <Part title="Blocked">
            {blocked.some((it) => it.needs.includes('powered')) && (
                <p className="mb-2 border-l-4 border-out pl-3">
                    A gate is closed: nothing that powers the board is advised before it is open.
                </p>
            )}
            <fieldset className="flex flex-wrap gap-x-5">
                <legend className="text-sm font-bold">At hand</legend>
                {[...new Set([...have, ...needs])].map((need) => (
                    <label key={need} className="flex min-h-11 items-center gap-2">
                        <input
                            type="checkbox"
                            checked={have.includes(need)}
                            onChange={(event) => setHave(event.target.checked ? [...have, need] : have.filter((it) => it !== need))}
                        />
                        {need.replaceAll('_', ' ')}
                    </label>
                ))}
            </fieldset>
            <ul className="mt-2">
                {blocked.map((it) => (
                    <li key={it.id}>
                        <span className="font-bold">{it.words}</span> wants {it.blocked.join(', ')}
                    </li>
                ))}
            </ul>
        </Part>
    );
}

function Made({ tests }: { tests: Test[] }) {
    if (tests.length === 0) return null;
    return (
        <Part title="Made">
            <ul>
                {tests.map((it) => (
                    <li key={it.id}>
                        {it.words}: <span className="font-bold">{it.outcome}</span>
                        {it.found_by != null && <span className="text-soft">, as found: {it.found_by}</span>}
                    </li>
                ))}
            </ul>
        </Part>
    );
}
