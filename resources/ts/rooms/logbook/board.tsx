import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Button, LinkButton, Notice, Part } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { day } from '../../ui/when';
import { EntryDays } from './entries';
import { ImportButton } from './import';
import { Look, Pairs, Thumbnails } from './photos';
import { Series } from './series';

/** Everything that ever happened to a board, latest first, and one test point over the years. */
export function BoardRecord() {
    const { id = '' } = useParams();
    const board = useInfiniteQuery({
        queryKey: ['board', id],
        initialPageParam: '',
        queryFn: ({ pageParam }) =>
            data(api.GET('/boards/{board}', { params: { path: { board: id }, query: pageParam === '' ? {} : { before: pageParam } } })),
        getNextPageParam: (last) => last.next_before,
    });
    const first = board.data?.pages[0];
    const entries = board.data?.pages.flatMap((page) => page.entries) ?? [];
    return (
        <Loaded query={{ ...board, data: first } as Parameters<typeof Loaded<Schemas['BoardPage']>>[0]['query']}>
            {(page) => (
                <BoardSheet page={page} id={id}>
                    <Part title="Record, latest first">
                        <EntryDays entries={entries} onCorrect={null} />
                        {entries.length === 0 && <p className="text-soft">Nothing is recorded of this board yet.</p>}
                        {board.hasNextPage && (
                            <Button disabled={board.isFetchingNextPage} onClick={() => void board.fetchNextPage()}>
                                Earlier entries
                            </Button>
                        )}
                    </Part>
                </BoardSheet>
            )}
        </Loaded>
    );
}

function BoardSheet({ page, id, children }: { page: Schemas['BoardPage']; id: string; children: React.ReactNode }) {
    const may = useMayRecord();
    return (
        <Page
            title={page.board.name}
            over={
                <>
                    <Link to={`/machines/${page.machine_id}`}>{page.machine}</Link>
                    {page.board.serial !== null && `, serial ${page.board.serial}`}
                </>
            }
            aside={
                <>
                    <LinkButton to={`/shelf?board=${id}`}>Originals kept</LinkButton>
                    <LinkButton to={`/labels?boards=${id}`}>Label</LinkButton>
                    <a href={`/boards/${id}/record.json`} download className="inline-flex min-h-11 items-center px-2">
                        Record as JSON
                    </a>
                    <a href={`/boards/${id}/readings.csv`} download className="inline-flex min-h-11 items-center px-2">
                        Readings as CSV
                    </a>
                    {may && <ImportButton label="Import a record" path="/boards/import" to={(answer) => `/boards/${answer.id ?? ''}`} />}
                </>
            }
        >
            {page.hazards.map((hazard) => (
                <Notice key={hazard.id} tone="bad">
                    Temporary fix still open: {hazard.text}, since {day(hazard.since)},{' '}
                    <Link to={`/jobs/${hazard.job_id}`}>{hazard.job_label}</Link>
                </Notice>
            ))}
            <OverTime id={id} places={page.places} />
            <BoardPhotos photos={page.photos} />
            <Part title="Jobs">
                <ul className="flex flex-col gap-1">
                    {page.jobs.map((job) => (
                        <li key={job.id}>
                            <Link to={`/jobs/${job.id}`}>{job.title}</Link>{' '}
                            <span className="text-sm text-soft">
                                {job.label}, {day(job.opened_at)}, {job.outcome_words ?? job.stage_words}
                            </span>
                        </li>
                    ))}
                </ul>
                {page.jobs.length === 0 && <p className="text-soft">No job yet.</p>}
            </Part>
            {children}
        </Page>
    );
}

function BoardPhotos({ photos }: { photos: Schemas['PhotoCard'][] }) {
    const [shown, setShown] = useState<string | null>(null);
    const open = photos.find((it) => it.id === shown);
    if (photos.length === 0) return null;
    return (
        <Part title="Photos">
            <Pairs photos={photos} onShow={setShown} />
            <Thumbnails photos={photos.filter((it) => it.phase === null)} onShow={setShown} />
            {open !== undefined && <Look photo={open} job="" may={false} onClose={() => setShown(null)} />}
        </Part>
    );
}

function OverTime({ id, places }: { id: string; places: Schemas['PlacePoint'][] }) {
    const most = places.reduce<Schemas['PlacePoint'] | undefined>(
        (best, it) => (best === undefined || it.readings > best.readings ? it : best),
        undefined,
    );
    const [chosen, choose] = useState('');
    const place = places.find((it) => `${it.rail}|${it.test_point}` === chosen) ?? most;
    if (place === undefined) return null;
    return (
        <Part
            title="One test point over time"
            aside={
                <select
                    aria-label="Test point"
                    className="w-auto"
                    value={`${place.rail}|${place.test_point}`}
                    onChange={(event) => choose(event.target.value)}
                >
                    {places.map((it) => (
                        <option key={`${it.rail}|${it.test_point}`} value={`${it.rail}|${it.test_point}`}>
                            {it.rail}, {it.test_point} ({it.readings})
                        </option>
                    ))}
                </select>
            }
        >
            <Series board={id} rail={place.rail} testPoint={place.test_point} />
        </Part>
    );
}
