import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { ulid } from 'ulid';
import { api, data, words, type Schemas } from '../../api/client';
import { Button, Cautions, LinkButton, Notice, Part } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { day, dayAndClock, minutes } from '../../ui/when';
import { CloseJob, Reopen } from './close';
import { Entries } from './entries';
import { Gates } from './gates';
import { Head } from './head';
import { Line } from './line';
import { OpenItems } from './open-items';
import { Photos } from './photos';
import { Stages } from './stages';

export function Job() {
    const { id = '' } = useParams();
    const job = useQuery({ queryKey: ['job', id], queryFn: () => data(api.GET('/jobs/{job}', { params: { path: { job: id } } })) });
    return <Loaded query={job}>{(page) => <JobSheet page={page} />}</Loaded>;
}

function useStartRun(page: Schemas['JobPage']) {
    const navigate = useNavigate();
    const [problem, setProblem] = useState<string | null>(null);
    const start = (repeats?: string) => {
        const id = ulid();
        data(
            api.POST('/jobs/{job}/rail-runs', {
                params: { path: { job: page.job.id } },
                body: { id, ...(repeats === undefined ? {} : { repeats }) },
            }),
        ).then(
            () => void navigate(`/rail-runs/${id}`),
            (caught: unknown) => setProblem(words(caught)),
        );
    };
    return { start, problem };
}

function JobSheet({ page }: { page: Schemas['JobPage'] }) {
    const may = useMayRecord();
    const navigate = useNavigate();
    const line = useRef<HTMLInputElement>(null);
    const [closing, setClosing] = useState(false);
    const run = useStartRun(page);
    const { job } = page;
    const open = job.state === 'open';
    const canRun = may && open && page.has_rails;
    useKeys({
        '/': () => line.current?.focus(),
        r: () => canRun && run.start(page.runs[0]?.id),
        p: () => void navigate(`/jobs/${job.id}/report`),
        c: () => may && open && setClosing(true),
        s: () => void navigate(`/jobs/${job.id}/strip`),
        b: () => void navigate(`/jobs/${job.id}/battery`),
        l: () => void navigate(`/jobs/${job.id}/leaks`),
        m: () => void navigate(`/jobs/${job.id}/memory`),
        k: () => void navigate(`/jobs/${job.id}/capacitors`),
    });
    return (
        <Page
            title={job.title}
            over={
                <>
                    {job.label}, <Link to={`/machines/${job.machine_id}`}>{job.machine}</Link>,{' '}
                    <Link to={`/boards/${job.board_id}`}>{job.board}</Link>. {job.owner}, taken in {day(job.opened_at)}.{' '}
                    {minutes(job.minutes)} of {minutes(job.allowance_minutes)}
                </>
            }
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['/', 'write a line'],
                            ['r', 'rail run, compared with the last one'],
                            ['p', 'report'],
                            ['c', 'close the job'],
                            ['s', 'strip-down and rebuild'],
                            ['b', 'battery and clock'],
                            ['l', 'leaks and continuity'],
                            ['m', 'memory'],
                            ['k', 'capacitors'],
                        ]}
                    />
                    {canRun && (
                        <Button look="main" onClick={() => run.start(page.runs[0]?.id)}>
                            {page.runs.length === 0 ? 'Rail run' : 'Repeat the rail run'} <kbd>r</kbd>
                        </Button>
                    )}
                    <LinkButton to={`/jobs/${job.id}/report`}>
                        Report <kbd>p</kbd>
                    </LinkButton>
                    {may && open && (
                        <Button onClick={() => setClosing(true)}>
                            Close <kbd>c</kbd>
                        </Button>
                    )}
                </>
            }
        >
            {closing && <CloseJob page={page} onClose={() => setClosing(false)} />}
            {run.problem !== null && (
                <Notice tone="bad" live>
                    {run.problem}
                </Notice>
            )}
            {!open && (
                <Notice tone={job.handed_back ? 'good' : 'care'}>
                    <span className="font-bold">{job.outcome_words}</span>
                    {job.handed_back ? ', handed back' : ', not handed back'}. {may && <Reopen job={job.id} />}
                </Notice>
            )}
            <Stages page={page} may={may && open} />
            {page.sheet.notices.map((notice) => (
                <Notice key={notice} tone="care">
                    {notice}
                </Notice>
            ))}
            <Gates page={page} may={may && open} />
            <Head job={job.id} sheet={page.sheet} open={open} startRun={canRun ? () => run.start(page.runs[0]?.id) : null} />
            <Cautions words={page.cautions} />
            <Rooms job={job.id} />
            <OpenItems page={page} may={may} />
            {page.runs.length > 0 && <Runs runs={page.runs} />}
            <Photos job={job.id} may={may && open} />
            <Entries page={page} may={may} />
            {may && open && <Line job={job.id} examples={page.examples} input={line} />}
        </Page>
    );
}

/** The rooms of the work before power. */
function Rooms({ job }: { job: string }) {
    return (
        <nav aria-label="Rooms of this job" className="flex flex-wrap gap-2">
            <LinkButton to={`/jobs/${job}/strip`}>
                Strip-down and rebuild <kbd>s</kbd>
            </LinkButton>
            <LinkButton to={`/jobs/${job}/battery`}>
                Battery and clock <kbd>b</kbd>
            </LinkButton>
            <LinkButton to={`/jobs/${job}/leaks`}>
                Leaks and continuity <kbd>l</kbd>
            </LinkButton>
            <LinkButton to={`/jobs/${job}/memory`}>
                Memory <kbd>m</kbd>
            </LinkButton>
            <LinkButton to={`/jobs/${job}/capacitors`}>
                Capacitors <kbd>k</kbd>
            </LinkButton>
        </nav>
    );
}

function Runs({ runs }: { runs: Schemas['RunCard'][] }) {
    return (
        <Part title="Rail runs">
            <ul className="flex flex-wrap gap-x-8 gap-y-1">
                {runs.map((run) => (
                    <li key={run.id}>
                        <Link to={`/rail-runs/${run.id}`}>{dayAndClock(run.started_at)}</Link>{' '}
                        <span className="text-sm text-soft">
                            {run.readings} readings, {run.author}
                            {run.repeats_id !== null && ', a repeat'}
                        </span>
                    </li>
                ))}
            </ul>
        </Part>
    );
}
