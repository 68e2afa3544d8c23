import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useId, useState } from 'react';
import { Link } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Part } from '../../ui/controls';
import { useKeys } from '../../ui/keys';
import { under } from './conditions';

type FindPage = Schemas['FindPage'];
type Piece = { id: string; role: string; known_good: boolean };
type Outcome = Schemas['SwapRunCard']['outcome'];

/** Runs over parts: what was fitted together, what came of it, and what it says of each part. */
export function Swaps({ page, may, condition }: { page: FindPage; may: boolean; condition: string }) {
    const { swaps } = page;
    return (
        <Part title="Swaps">
            {!page.powered && (
                <p className="mb-2 border-l-4 border-out pl-3">
                    A gate is closed: nothing here is advised that powers the board. <Link to={`/jobs/${page.job_id}`}>What it wants</Link>
                </p>
            )}
            {swaps.runs.length === 0 && (
                <p className="text-soft">
                    No set was tried yet. Name what is fitted, say whether the set works, and change one thing at a time: the last thing
                    added is the first suspect.
                </p>
            )}
            {swaps.runs.length > 0 && <Board swaps={swaps} />}
            {swaps.diagnoses.length > 0 && (
                <p className="mt-2">
                    What would explain it: <span className="font-bold">{swaps.diagnoses.join('; ')}</span>
                </p>
            )}
            <ul className="text-sm text-soft">
                {swaps.reasons.map((it) => (
                    <li key={it}>{it}</li>
                ))}
            </ul>
            {may && <TryOne page={page} condition={condition} />}
        </Part>
    );
}

const PIECE = 26;

/** A part in a run: a full block when it was fitted, with a notch when the run before had not; a thin line when it was not. */
function Mark({ fitted, changed }: { fitted: boolean; changed: boolean }) {
    return (
        <svg
            width={PIECE}
            height={PIECE}
            viewBox="0 0 26 26"
            role="img"
            aria-label={fitted ? (changed ? 'fitted, changed' : 'fitted') : 'absent'}
        >
            {fitted ? (
                <path d={changed ? 'M4 6h10l8 8v6H4z' : 'M4 6h18v14H4z'} fill="var(--ink)" />
            ) : (
                <path d="M4 20h18" stroke="var(--soft)" strokeWidth="2" strokeDasharray="3 3" />
            )}
            {changed && <path d="M16 4l6 6" stroke="var(--accent)" strokeWidth="3" />}
        </svg>
    );
}

function Board({ swaps }: { swaps: Schemas['SwapsCard'] }) {
    return (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Runs over parts">
            <table className="border-collapse text-left">
                <thead>
                    <tr>
                        <th scope="col" className="pr-4 text-sm text-soft">
                            Run
                        </th>
                        {swaps.parts.map((it) => (
                            <th key={it.id} scope="col" className="px-2 pb-1 align-bottom">
                                <span className="block text-xs font-normal text-soft">{it.role}</span>
                                {it.id}
                            </th>
                        ))}
                        <th scope="col" className="px-3 text-sm text-soft">
                            Outcome
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {swaps.runs.map((run, i) => (
                        <tr key={i} className="border-t border-line">
                            <th scope="row" className="pr-4 tabular-nums">
                                {run.elsewhere === null ? (
                                    i + 1
                                ) : (
                                    <Link to={`/jobs/${run.elsewhere_id ?? ''}/find`} className="text-sm">
                                        {run.elsewhere}
                                    </Link>
                                )}
                            </th>
                            {swaps.parts.map((it) => (
                                <td key={it.id} className="px-2 py-1">
                                    <Mark fitted={run.parts.includes(it.id)} changed={run.changed.includes(it.id)} />
                                </td>
                            ))}
                            <td className={`px-3 font-bold ${run.outcome === 'works' ? 'text-in' : 'text-out'}`}>
                                {run.outcome_words}
                                {run.note !== '' && <span className="block text-sm font-normal text-soft">{run.note}</span>}
                            </td>
                        </tr>
                    ))}
                    <tr className="border-t-2 border-ink">
                        <th scope="row" className="pr-4 text-sm">
                            bad
                        </th>
                        {swaps.parts.map((it) => (
                            <td key={it.id} className="px-2 py-1 font-bold tabular-nums">
                                {it.percent}
                            </td>
                        ))}
                        <td />
                    </tr>
                </tbody>
            </table>
        </div>
    );
}

/** The next set: what is fitted, and what came of it. */
function TryOne({ page, condition }: { page: FindPage; condition: string }) {
    const { swaps } = page;
    const last = swaps.runs.filter((it) => it.elsewhere === null).at(-1)?.parts ?? [];
    const known: Piece[] = swaps.parts.filter((it) => it.here).map((it) => ({ id: it.id, role: it.role, known_good: it.known_good }));
    const [added, setAdded] = useState<Piece[]>([]);
    const [chosen, setChosen] = useState<string[] | null>(null);
    const [beeps, setBeeps] = useState('');
    const pieces = [...known, ...added.filter((it) => known.every((other) => other.id !== it.id))];
    const fitted = chosen ?? last;
    const take = (outcome: Outcome) => {
        const parts = pieces.filter((it) => fitted.includes(it.id));
        if (parts.length === 0) return;
        void record(
            page.job_id,
            { kind: 'swap_run', data: { parts, outcome, ...under(condition), ...(beeps.trim() === '' ? {} : { beeps: beeps.trim() }) } },
            `${fitted.join(', ')}: ${outcome}`,
        );
        setChosen(null);
        setBeeps('');
    };
    useKeys({ w: () => take('works'), x: () => take('fails'), o: () => take('sometimes') });
    return (
        <div className="mt-3 grid gap-3">
            {swaps.next.length > 0 && (
                <ol>
                    {swaps.next.map((it, i) => (
                        <li key={it.change} className="flex flex-wrap items-center gap-x-3">
                            <span className={i === 0 ? 'text-lg font-bold' : ''}>{it.change}</span>
                            <span className="text-sm text-soft">
                                tells {it.gain}, {it.minutes} min, works with {it.works}
                            </span>
                            <Button look="quiet" onClick={() => setChosen(it.parts)}>
                                set it so
                            </Button>
                            {it.if_works !== null && it.if_fails !== null && (
                                <span className="basis-full text-sm">
                                    If it works: {it.if_works}. If it fails: {it.if_fails}.
                                </span>
                            )}
                        </li>
                    ))}
                </ol>
            )}
            <fieldset className="flex flex-wrap gap-x-5">
                <legend className="text-sm font-bold">Fitted now</legend>
                {pieces.map((it) => (
                    <label key={it.id} className="flex min-h-11 items-center gap-2">
                        <input
                            type="checkbox"
                            aria-label={`${it.id}, ${it.role}`}
                            checked={fitted.includes(it.id)}
                            onChange={(event) =>
                                setChosen(event.target.checked ? [...fitted, it.id] : fitted.filter((one) => one !== it.id))
                            }
                        />
                        {it.id} <span className="text-sm text-soft">{it.role}</span>
                    </label>
                ))}
            </fieldset>
            <AddPart
                onAdd={(piece) => {
                    setAdded([...added, piece]);
                    setChosen([...fitted.filter((id) => pieces.find((it) => it.id === id)?.role !== piece.role), piece.id]);
                }}
            />
            <div className="max-w-md">
                <Field
                    label="Beeps, as heard"
                    placeholder="1 long 2 short"
                    value={beeps}
                    onChange={(event) => setBeeps(event.target.value)}
                />
            </div>
            <p className="flex flex-wrap gap-2">
                <Button look="main" disabled={fitted.length === 0} onClick={() => take('works')}>
                    It works <kbd>w</kbd>
                </Button>
                <Button look="stop" disabled={fitted.length === 0} onClick={() => take('fails')}>
                    It fails <kbd>x</kbd>
                </Button>
                <Button disabled={fitted.length === 0} onClick={() => take('sometimes')}>
                    Sometimes <kbd>o</kbd>
                </Button>
            </p>
        </div>
    );
}

function AddPart({ onAdd }: { onAdd: (piece: Piece) => void }) {
    const [id, setId] = useState('');
    const [role, setRole] = useState('');
    const [good, setGood] = useState(false);
    const list = useId();
    const asked = useDeferredValue(id.trim());
    // A board of the record is called by its serial: what other jobs try with it counts here, and what is tried here counts there.
    const boards = useQuery({
        queryKey: ['boards', 'swapped', asked],
        enabled: asked !== '',
        placeholderData: keepPreviousData,
        queryFn: () => data(api.GET('/boards', { params: { query: { search: asked } } })),
    });
    return (
        <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                if (id.trim() === '') return;
                onAdd({ id: id.trim(), role: role.trim() === '' ? id.trim() : role.trim(), known_good: good });
                setId('');
                setRole('');
                setGood(false);
            }}
        >
            <Field
                label="A part"
                placeholder="spare 2, or a board's serial"
                list={list}
                value={id}
                onChange={(event) => setId(event.target.value)}
            />
            <datalist id={list}>
                {(boards.data?.boards ?? []).map((it) =>
                    it.serial === null ? null : (
                        <option key={it.id} value={it.serial}>
                            {it.name}
                        </option>
                    ),
                )}
            </datalist>
            <Field label="fitted as" placeholder="graphics" value={role} onChange={(event) => setRole(event.target.value)} />
            <label className="flex min-h-11 items-center gap-2">
                <input type="checkbox" checked={good} onChange={(event) => setGood(event.target.checked)} />
                known good
            </label>
            <Button type="submit" disabled={id.trim() === ''}>
                Fit it
            </Button>
        </form>
    );
}
