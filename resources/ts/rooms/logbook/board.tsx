import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Brought, useRooms } from '../../bench/house';
import { Button, LinkButton, Notice, Part } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';
import { useIsLead, useMayRecord } from '../../ui/session';
import { day } from '../../ui/when';
import { KindOfBoard } from './board-kinds';
import { EntryDays } from './entries';
import { ImportButton } from './import';
import { MergePart } from './merge';
import { Moves } from './moves';
import { Look, Pairs, Thumbnails } from '../../bench/photos';

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
    const lead = useIsLead();
    const links = useRooms().flatMap((room) => room.boardLinks ?? []);
    return (
        <Page
            title={page.board.name}
            over={
                <>
                    {page.on_shelf ? 'On the shelf' : <Link to={`/machines/${page.machine_id}`}>{page.machine}</Link>}, of the kind{' '}
                    <Link to={`/kinds/${page.kind_id}`}>{page.kind}</Link>
                    {page.board.serial !== null && `, serial ${page.board.serial}`}
                </>
            }
            aside={
                <>
                    {links.map((it) => (
                        <LinkButton key={it.words} to={it.to(id)}>
                            {it.words}
                        </LinkButton>
                    ))}
                    <a href={`/boards/${id}/record.json`} download className="inline-flex min-h-11 items-center px-2">
                        Record as JSON
                    </a>
                    <a href={`/boards/${id}/archive.zip`} download className="inline-flex min-h-11 items-center px-2">
                        Archive with photos
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
            <Brought part="BoardPart" board={id} />
            <Moves title="Where it has been" moves={page.moves} named={false} />
            <BoardPhotos board={id} latest={page.photos} before={page.photos_before} />
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
            {lead && <KindOfBoard id={id} kind={page.kind_id} />}
            {lead && <MergePart of="boards" id={id} name={page.board.name} />}
        </Page>
    );
}

function BoardPhotos({ board, latest, before }: { board: string; latest: Schemas['PhotoCard'][]; before: string | null }) {
    const [shown, setShown] = useState<string | null>(null);
    const earlier = useInfiniteQuery({
        queryKey: ['board', board, 'photos', before],
        enabled: false,
        initialPageParam: before ?? '',
        queryFn: ({ pageParam }) => data(api.GET('/boards/{board}/photos', { params: { path: { board }, query: { before: pageParam } } })),
        getNextPageParam: (last) => last.before,
    });
    const photos = [...(earlier.data?.pages ?? []).toReversed().flatMap((it) => it.photos), ...latest];
    const more = earlier.data === undefined ? before !== null : earlier.hasNextPage;
    const open = photos.find((it) => it.id === shown);
    if (photos.length === 0) return null;
    return (
        <Part title="Photos">
            {more && (
                <Button
                    look="quiet"
                    disabled={earlier.isFetching}
                    onClick={() => void (earlier.data === undefined ? earlier.refetch() : earlier.fetchNextPage())}
                >
                    Earlier photos
                </Button>
            )}
            <Pairs photos={photos} onShow={setShown} />
            <Thumbnails photos={photos.filter((it) => it.phase === null)} onShow={setShown} />
            {open !== undefined && <Look photo={open} job="" may={false} onClose={() => setShown(null)} />}
        </Part>
    );
}
