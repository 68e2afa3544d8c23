import { useQuery } from '@tanstack/react-query';
import { Suspense, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { anew, record } from '../../api/outbox';
import { Brought } from '../../bench/house';
import { sound } from '../../bench/tones';
import { TonesSwitch } from '../../bench/tones-switch';
import { Button, Notice } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { dayAndClock } from '../../ui/when';

/** How often the list is asked for again: what is over says so within half a minute. */
const AGAIN_MS = 30_000;

/** What runs on the bench, of all jobs, people and rooms: the next look first. */
export function Running() {
    const running = useQuery({ queryKey: ['running'], refetchInterval: AGAIN_MS, queryFn: () => data(api.GET('/running', {})) });
    return <Loaded query={running}>{(list) => <List list={list} />}</Loaded>;
}

function List({ list }: { list: Schemas['RunningCard'][] }) {
    const may = useMayRecord();
    const over = list.filter((it) => it.item.is_due).length;
    const heard = useRef(over);
    // One tone when something more has its time, if tones are on.
    useEffect(() => {
        if (over !== heard.current) sound('out_close');
        heard.current = over;
    }, [over]);
    const [problem, setProblem] = useState<string | null>(null);
    const end = async ({ item }: Schemas['RunningCard']) => {
        if (item.ends === null) return;
        const sent = await record(item.job_id, anew(item.ends.kind, { [item.ends.field]: item.id }), `${item.ends.kind}: ${item.text}`);
        setProblem(sent.state === 'refused' ? sent.refusal.message : null);
    };
    return (
        <Page
            title="Running"
            aside={
                <>
                    <TonesSwitch /> <Brought part="DueAction" />
                </>
            }
        >
            {list.length === 0 && (
                <p className="text-soft">
                    Nothing runs. Steps of treatments, clock tests and re-checks stand here from their beginning, the next look first.
                </p>
            )}
            <ol className="sheet divide-y divide-line empty:hidden">
                {list.map((it) => (
                    <li key={it.item.id} className="grid items-center gap-x-4 px-4 py-3 sm:grid-cols-[10rem_minmax(0,1fr)_auto]">
                        <span className={`text-lg font-bold tabular-nums ${it.item.is_due ? 'text-out' : ''}`}>{it.when}</span>
                        <span>
                            <span className="font-bold">{it.item.text}</span>
                            <span className="block text-sm text-soft">
                                <Link to={`/jobs/${it.item.job_id}`}>
                                    {it.item.job_label}, {it.job_title}
                                </Link>
                                , {it.machine}
                                {it.occupies !== null && `. In ${it.occupies}`}. {it.item.kind_words}
                                {it.hands && ', wants somebody there'}, since {dayAndClock(it.item.since)}
                            </span>
                        </span>
                        {may && it.item.ends !== null && <Button onClick={() => void end(it)}>{it.item.ends.words}</Button>}
                    </li>
                ))}
            </ol>
            <Suspense>
                <Brought part="RunningPart" />
            </Suspense>
            {problem !== null && (
                <Notice tone="bad" live>
                    {problem}
                </Notice>
            )}
        </Page>
    );
}
