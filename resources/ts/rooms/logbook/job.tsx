import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Brought, useRooms } from '../../bench/house';
import type { Door } from '../../bench/room';
import { Button, Cautions, LinkButton, Notice } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { day, minutes } from '../../ui/when';
import { CloseJob, Mistaken, Minutes, Reopen } from './close';
import { ColdChecks } from './cold-checks';
import { Entries } from './entries';
import { Gates } from './gates';
import { Head, Lines } from './head';
import { Line } from './line';
import { OpenItems } from './open-items';
import { Photos } from '../../bench/photos';
import { Stages } from './stages';
import { useLive } from '../../bench/live';
import { useBoardAtHand } from '../../api/at-hand';
import { BoardsAtHand } from './boards-at-hand';

export function Job() {
    const { id = '' } = useParams();
    const job = useQuery({ queryKey: ['job', id], queryFn: () => data(api.GET('/jobs/{job}', { params: { path: { job: id } } })) });
    const rooms = useRooms();
    const client = useQueryClient();
    useEffect(() => {
        // What fails here is asked again, and said, where it is shown.
        for (const ask of rooms.flatMap((room) => room.asksOfJob?.(id) ?? [])) client.query(ask).catch(() => undefined);
    }, [client, rooms, id]);
    return <Loaded query={job}>{(page) => <JobSheet page={page} />}</Loaded>;
}

function JobSheet({ page }: { page: Schemas['JobPage'] }) {
    useLive(page.job.id);
    const may = useMayRecord();
    const navigate = useNavigate();
    const line = useRef<HTMLInputElement>(null);
    const [closing, setClosing] = useState(false);
    const [choosing, setChoosing] = useState(false);
    const hand = useBoardAtHand(page.job.id);
    const at = page.boards.find((it) => it.id === hand);
    const { job } = page;
    const open = job.state === 'open';
    const on = { job, may: may && open };
    const rooms = useRooms();
    const doors = rooms.flatMap((room) => room.doors ?? []);
    const beside = doors.filter((door) => door.beside === true);
    useKeys({
        '/': () => line.current?.focus(),
        c: () => may && open && setClosing(true),
        '@': () => may && open && setChoosing(true),
        ...Object.fromEntries(doors.map((door) => [door.key, () => void navigate(`/jobs/${job.id}/${door.path}`)])),
    });
    return (
        <Page
            title={job.title}
            over={
                <>
                    {job.label}, {job.alone ? 'a board that came alone' : <Link to={`/machines/${job.machine_id}`}>{job.machine}</Link>},{' '}
                    <Link to={`/boards/${job.board_id}`}>{job.board}</Link>. {job.owner}, taken in {day(job.opened_at)}.{' '}
                    {minutes(job.minutes)} of {minutes(job.allowance_minutes)}
                </>
            }
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['/', 'write a line'],
                            ...rooms.flatMap((room) => room.keys ?? []),
                            ['@', 'the board at hand, and boards that go in and out'],
                            ['c', 'close the job'],
                            ...doors.map((door): [string, string] => [door.key, door.does ?? door.words.toLowerCase()]),
                        ]}
                    />
                    <Brought part="JobAction" {...on} />
                    {beside.map((door) => (
                        <LinkButton key={door.path} to={`/jobs/${job.id}/${door.path}`}>
                            {door.words} <kbd>{door.key}</kbd>
                        </LinkButton>
                    ))}
                    {rooms
                        .flatMap((room) => room.jobLinks ?? [])
                        .map((it) => (
                            <LinkButton key={it.words} to={it.to(job.id)}>
                                {it.words}
                            </LinkButton>
                        ))}
                    {may && open && (
                        <Button look="quiet" onClick={() => setChoosing(true)}>
                            Boards <kbd>@</kbd>
                        </Button>
                    )}
                    {may && open && (
                        <Button onClick={() => setClosing(true)}>
                            Close <kbd>c</kbd>
                        </Button>
                    )}
                </>
            }
        >
            {choosing && <BoardsAtHand page={page} onClose={() => setChoosing(false)} />}
            {at !== undefined && (
                <Notice tone="care">
                    At hand: <span className="font-bold">{at.name}</span>. The next entries are about it. <kbd>@</kbd>
                </Notice>
            )}
            {closing && <CloseJob page={page} onClose={() => setClosing(false)} />}
            {!open && (
                <Notice tone={job.handed_back ? 'good' : 'care'}>
                    {job.state === 'void' ? (
                        <span className="font-bold">Taken in by mistake: it stays in the record and is in no list.</span>
                    ) : (
                        <>
                            <span className="font-bold">{job.outcome_words}</span>
                            {job.handed_back ? ', handed back' : ', not handed back'}.
                        </>
                    )}{' '}
                    {may && <Reopen job={job.id} />}
                    {job.state !== 'void' && <Minutes job={job.id} />}
                </Notice>
            )}
            {page.otherwise.length > 0 && (
                <Notice tone="care">
                    <p className="font-bold">It keeps the verdicts that it was closed with. Today's rules say otherwise:</p>
                    <Lines lines={page.otherwise} />
                </Notice>
            )}
            <Stages page={page} may={may && open} />
            {page.sheet.notices.map((notice) => (
                <Notice key={notice} tone="care">
                    {notice}
                </Notice>
            ))}
            <Gates page={page} may={may && open} />
            <Head sheet={page.sheet} on={on} />
            <Cautions words={page.cautions} />
            <Doors job={job.id} doors={doors.filter((door) => door.beside !== true)} />
            <OpenItems page={page} may={may} />
            {page.cold_checks.length > 0 && <ColdChecks page={page} may={may && open} />}
            <Brought part="JobPart" {...on} />
            <Photos job={job.id} may={may && open} />
            <Entries page={page} may={may} />
            {may && open && <Mistaken job={job.id} />}
            {may && open && <Line job={job.id} examples={page.examples} input={line} />}
        </Page>
    );
}

/** The doors to the rooms of the work. */
function Doors({ job, doors }: { job: string; doors: Door[] }) {
    return (
        <nav aria-label="Rooms of this job" className="flex flex-wrap gap-2">
            {doors.map((door) => (
                <LinkButton key={door.path} to={`/jobs/${job}/${door.path}`}>
                    {door.words} <kbd>{door.key}</kbd>
                </LinkButton>
            ))}
        </nav>
    );
}
