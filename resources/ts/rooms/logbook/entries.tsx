import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { useUnsent } from '../../api/outbox';
import { VerdictMark } from '../../bench/verdict';
import { Button, Field, Part } from '../../ui/controls';
import { clock, day } from '../../ui/when';
import { Correct } from './correct';
import { Overrule } from './overrule';

type Entry = Schemas['EntryCard'];

/** Entries in time order, day by day. A corrected one stays, struck through, with the one that corrects it. */
export function Entries({ page, may }: { page: Schemas['JobPage']; may: boolean }) {
    const [correcting, setCorrecting] = useState<Entry | null>(null);
    const [overruling, setOverruling] = useState<Entry | null>(null);
    const unsent = useUnsent(page.job.id);
    const shown = useShown(page);
    return (
        <Part title="Entries" aside={page.entries.length > 12 && <a href="#latest">To the latest</a>}>
            {page.entries.length === 0 && <p className="text-soft">No entry yet. The symptom comes first, in the owner's words.</p>}
            {page.before !== null && <Finding shown={shown} job={page.job.id} />}
            {shown.before && (
                <Button look="quiet" disabled={shown.busy} onClick={shown.goBack}>
                    Earlier entries
                </Button>
            )}
            <EntryDays entries={shown.entries} onCorrect={may ? setCorrecting : null} onOverrule={may ? setOverruling : null} />
            {shown.after && (
                <Button look="quiet" disabled={shown.busy} onClick={shown.goOn}>
                    Later entries
                </Button>
            )}
            {unsent.length > 0 && (
                <ul className="mt-2 border-l-4 border-close pl-3">
                    {unsent.map((it) => (
                        <li key={it.id}>
                            <span className="font-bold text-close">unsent</span> {it.says}
                        </li>
                    ))}
                </ul>
            )}
            <span id="latest" />
            {overruling !== null && <Overrule entry={overruling} onClose={() => setOverruling(null)} />}
            {correcting !== null && <Correct entry={correcting} onClose={() => setCorrecting(null)} />}
        </Part>
    );
}

type Place = { around: string } | { from: string } | { search: string } | null;
type Asked = { before?: string; after?: string; search?: string; around?: string; from?: string };

/** The latest entries, which come with the page, and what is asked for besides: earlier ones, a day, a word, the one that a link names. */
function useShown(page: Schemas['JobPage']) {
    const job = page.job.id;
    const [place, setPlace] = useState<Place>(null);
    const { hash } = useLocation();
    const named = /^#([0-9a-z]{26})$/i.exec(hash)?.[1];
    const away = named !== undefined && page.before !== null && page.entries.every((it) => it.id !== named);
    const [went, setWent] = useState<string>();
    if (away && went !== named) {
        setWent(named);
        setPlace({ around: named });
    }
    const start = { entries: page.entries, before: page.before, after: null };
    const window = (query: Asked) => data(api.GET('/jobs/{job}/entries', { params: { path: { job }, query } }));
    const list = useInfiniteQuery({
        queryKey: ['job', job, 'entries', place],
        enabled: place !== null,
        initialPageParam: place ?? {},
        queryFn: ({ pageParam }) => window(pageParam),
        getNextPageParam: (last): Asked | null => (last.after === null ? null : { ...text(place), after: last.after }),
        getPreviousPageParam: (first): Asked | null => (first.before === null ? null : { ...text(place), before: first.before }),
    });
    const earlier = useInfiniteQuery({
        queryKey: ['job', job, 'entries', 'before', page.before],
        enabled: false,
        initialPageParam: page.before ?? '',
        queryFn: ({ pageParam }) => window({ before: pageParam }),
        getNextPageParam: (last) => last.before,
    });
    if (place !== null) {
        return {
            entries: list.data?.pages.flatMap((it) => it.entries) ?? [],
            before: list.hasPreviousPage,
            after: list.hasNextPage,
            busy: list.isFetching,
            goBack: () => void list.fetchPreviousPage(),
            goOn: () => void list.fetchNextPage(),
            place,
            setPlace,
        };
    }
    const older = earlier.data?.pages ?? [];
    return {
        entries: [...older.toReversed().flatMap((it) => it.entries), ...start.entries],
        before: earlier.data === undefined ? start.before !== null : earlier.hasNextPage,
        after: false,
        busy: earlier.isFetching,
        goBack: () => void (earlier.data === undefined ? earlier.refetch() : earlier.fetchNextPage()),
        goOn: () => undefined,
        place,
        setPlace,
    };
}

const text = (place: Place) => (place !== null && 'search' in place ? { search: place.search } : {});

/** A long record: a word in it, a day of it, all of it on paper. */
function Finding({ shown, job }: { shown: ReturnType<typeof useShown>; job: string }) {
    const { place, setPlace } = shown;
    const [word, setWord] = useState('');
    return (
        <form
            className="mb-2 flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                setPlace(word.trim() === '' ? null : { search: word.trim() });
            }}
        >
            <Field label="Search the record" type="search" value={word} onChange={(event) => setWord(event.target.value)} />
            <Button type="submit">Find</Button>
            <Field
                label="From the day"
                type="date"
                onChange={(event) => event.target.value !== '' && setPlace({ from: event.target.value })}
            />
            {place !== null && (
                <Button
                    onClick={() => {
                        setWord('');
                        setPlace(null);
                    }}
                >
                    The latest
                </Button>
            )}
            <Link to={`/jobs/${job}/report`} className="inline-flex min-h-11 items-center">
                All of it, to print
            </Link>
            {place !== null && shown.entries.length === 0 && !shown.busy && <p role="status">Nothing is found.</p>}
        </form>
    );
}

type Act = ((entry: Entry) => void) | null;

export function EntryDays({ entries, onCorrect, onOverrule = null }: { entries: Entry[]; onCorrect: Act; onOverrule?: Act }) {
    const days = Map.groupBy(entries, (entry) => day(entry.at));
    return [...days].map(([name, list]) => (
        <section key={name} className="grid gap-x-4 border-t border-line py-1.5 first-of-type:border-t-0 lg:grid-cols-[7.5rem_1fr]">
            <h3 className="text-sm font-bold text-soft lg:pt-1">{name}</h3>
            <ol>
                {list.map((entry) => (
                    <Row key={entry.id} entry={entry} onCorrect={onCorrect} onOverrule={onOverrule} />
                ))}
            </ol>
        </section>
    ));
}

const EDGES: Partial<Record<string, string>> = {
    hazard: 'text-out',
    waiting: 'text-close',
    gate: 'text-out',
    outcome: 'text-accent',
    part: 'text-accent',
};

function Row({ entry, onCorrect, onOverrule }: { entry: Entry; onCorrect: Act; onOverrule: Act }) {
    const later = entry.corrected_by !== null;
    return (
        <li
            id={entry.id}
            className="group grid grid-cols-[3.4rem_minmax(0,1fr)] items-baseline sm:grid-cols-[3.4rem_8.5rem_minmax(0,1fr)_auto] gap-x-3 py-0.5"
        >
            <span className="text-sm text-soft">{clock(entry.at)}</span>
            <span className={`text-sm font-bold ${EDGES[entry.kind] ?? ''}`}>{entry.kind_words}</span>
            <span className="col-start-2 min-w-0 sm:col-start-3">
                <span className={later ? 'text-soft line-through' : ''}>
                    {entry.says}{' '}
                    {entry.verdict !== null && (
                        <span className="inline-block align-middle">
                            <VerdictMark verdict={entry.verdict} size={13} />
                        </span>
                    )}
                </span>
                {entry.overruled !== null && (
                    <span className="block border-l-4 border-close pl-2">
                        Overruled by {entry.overruled.by}: <span className="font-bold">{entry.overruled.says}</span>, because{' '}
                        {entry.overruled.reason}
                    </span>
                )}
                {later && <span className="text-sm text-soft"> corrected later</span>}
                {entry.corrects_id !== null && <span className="text-sm text-soft"> corrects an earlier entry</span>}
            </span>
            <span className="col-start-2 text-sm text-soft sm:col-start-4 sm:whitespace-nowrap">
                {entry.minutes > 0 && `${entry.minutes} min, `}
                {entry.author}
                {onOverrule !== null && !later && entry.verdict !== null && (
                    <button
                        type="button"
                        className="ml-2 min-h-6 text-accent underline"
                        aria-label={`Overrule: ${entry.says}`}
                        onClick={() => onOverrule(entry)}
                    >
                        overrule
                    </button>
                )}
                {onCorrect !== null && !later && entry.kind !== 'withdrawn' && (
                    <button
                        type="button"
                        className="ml-2 min-h-6 text-accent underline"
                        aria-label={`Correct: ${entry.says}`}
                        onClick={() => onCorrect(entry)}
                    >
                        correct
                    </button>
                )}
            </span>
        </li>
    );
}
