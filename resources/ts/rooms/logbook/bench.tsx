import { useQuery } from '@tanstack/react-query';
import { useRef, useState, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Brought } from '../../bench/house';
import { Button, LinkButton, Notice, Part } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { day, minutes } from '../../ui/when';
import { Intake } from './intake';

export function Bench() {
    const bench = useQuery({ queryKey: ['bench'], queryFn: () => data(api.GET('/bench')), refetchInterval: 20_000 });
    const may = useMayRecord();
    const [taking, setTaking] = useState(false);
    // Heard from the start: whoever presses it before the list has come gets the form with the list.
    useKeys({ n: () => may && setTaking(true) });
    return <Loaded query={bench}>{(page) => <BenchSheet page={page} taking={taking} setTaking={setTaking} />}</Loaded>;
}

function BenchSheet({ page, taking, setTaking }: { page: Schemas['BenchPage']; taking: boolean; setTaking: (taking: boolean) => void }) {
    const may = useMayRecord();
    return (
        <Page
            title="On the bench"
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['n', 'take a machine in'],
                            ['↑ ↓', 'from job to job'],
                            ['Enter', 'open the job'],
                        ]}
                    />
                    {may && (
                        <Button look="main" onClick={() => setTaking(true)}>
                            Take in <kbd>n</kbd>
                        </Button>
                    )}
                </>
            }
        >
            {page.disk !== null && <Notice tone="bad">{page.disk}</Notice>}
            {taking && <Intake onClose={() => setTaking(false)} />}
            {page.jobs.length === 0 && page.recent.length === 0 && page.waiting.length === 0 ? (
                <FirstUse may={may} onTake={() => setTaking(true)} />
            ) : (
                <JobRows jobs={page.jobs} />
            )}
            {page.more_open > 0 && <LinkButton to="/jobs?state=open">{page.more_open} more open jobs</LinkButton>}
            <div className="grid gap-3 lg:grid-cols-2">
                <Part title="Waiting">
                    <Items items={page.waiting} none="Nothing waits." />
                </Part>
                <Part title="Temporary fixes still open">
                    <Items items={page.hazards} none="None: every board could go back." />
                </Part>
            </div>
            {page.due.length > 0 && (
                <Part title="Clock tests and re-checks" aside={<Brought part="DueAction" />}>
                    <Items items={page.due} none="" />
                </Part>
            )}
            {page.recent.length > 0 && (
                <Part title="Closed last">
                    <ul className="grid gap-x-6 gap-y-1 lg:grid-cols-2">
                        {page.recent.map((job) => (
                            <li key={job.id}>
                                <Link to={`/jobs/${job.id}`}>{job.title}</Link>{' '}
                                <span className="text-sm text-soft">
                                    {job.machine}, {job.outcome_words?.toLowerCase()} {job.closed_at !== null && day(job.closed_at)}
                                </span>
                            </li>
                        ))}
                    </ul>
                </Part>
            )}
        </Page>
    );
}

/** Arrow keys walk from one job to the next; each row is one link with the next step as its largest words. */
function JobRows({ jobs }: { jobs: Schemas['JobCard'][] }) {
    const list = useRef<HTMLOListElement>(null);
    const walk = (event: KeyboardEvent) => {
        const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
        if (step === 0) return;
        const links = [...(list.current?.querySelectorAll<HTMLAnchorElement>('a[data-row]') ?? [])];
        const at = links.findIndex((link) => link === document.activeElement);
        links[Math.max(0, Math.min(links.length - 1, at + step))]?.focus();
        event.preventDefault();
    };
    useKeys({ ArrowDown: () => list.current?.querySelector<HTMLAnchorElement>('a[data-row]')?.focus() });
    if (jobs.length === 0)
        return <p className="sheet p-6 text-soft">The bench is empty. Take a machine in, or open an old job from the list of jobs.</p>;
    return (
        <ol ref={list} onKeyDown={walk} className="sheet divide-y divide-line" aria-label="Open jobs">
            {jobs.map((job) => (
                <li key={job.id}>
                    <Link
                        data-row
                        to={`/jobs/${job.id}`}
                        className="grid gap-x-5 px-4 py-3 text-ink no-underline hover:bg-accent-wash lg:grid-cols-[21rem_1fr_7rem]"
                    >
                        <span>
                            <span className="block font-bold">{job.title}</span>
                            <span className="block text-sm text-soft">
                                {job.machine}
                                <span className="block">
                                    {job.label}, {job.board.toLowerCase()}
                                </span>
                            </span>
                        </span>
                        <span>
                            <span className="block text-lg">{job.next.text}</span>
                            <span className="block text-sm text-soft">{job.next.why}</span>
                        </span>
                        <span className="text-sm lg:text-right">
                            <span className="block font-bold">{job.stage_words}</span>
                            <span className="block text-soft">{minutes(job.minutes)}</span>
                        </span>
                    </Link>
                </li>
            ))}
        </ol>
    );
}

function Items({ items, none }: { items: Schemas['OpenItemCard'][]; none: string }) {
    if (items.length === 0) return <p className="text-soft">{none}</p>;
    return (
        <ul className="divide-y divide-line">
            {items.map((item) => (
                <li key={item.id} className="flex items-baseline justify-between gap-4 py-1.5">
                    <span>
                        {item.text}
                        {item.asked !== null && <span className="text-soft">, asked of {item.asked}</span>}
                        {item.ready !== null && <span className="block font-bold text-in">It has come: {item.ready}</span>}
                    </span>
                    <span className="text-sm whitespace-nowrap text-soft">
                        {item.is_due ? <span className="font-bold text-out">time to look, </span> : null}
                        {item.due === null ? `since ${day(item.since)}` : `due ${day(item.due)}`},{' '}
                        <Link to={`/jobs/${item.job_id}`}>{item.job_label}</Link>
                    </span>
                </li>
            ))}
        </ul>
    );
}

/** A bench on which nothing was ever done: three lines, each of which works at once. */
function FirstUse({ may, onTake }: { may: boolean; onTake: () => void }) {
    const line = 'flex min-h-14 flex-wrap items-center gap-x-4 gap-y-1 py-3 text-xl';
    return (
        <Part title="Begin">
            <ol className="divide-y divide-line">
                <li className={line}>
                    {may && (
                        <Button look="main" onClick={onTake}>
                            Take a machine in <kbd>n</kbd>
                        </Button>
                    )}
                    <span className="text-base text-soft">Its name is enough: what is found on it is what describes it.</span>
                </li>
                <li className={line}>
                    <Link to="/meters">Connect a meter</Link>
                    <span className="text-base text-soft">One that answers SCPI on the network; until then readings are typed.</span>
                </li>
                <li className={line}>
                    <Link to="/people">Invite a colleague</Link>
                    <span className="text-base text-soft">Each entry stands under the name of who wrote it.</span>
                </li>
            </ol>
        </Part>
    );
}
