import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useDeferredValue, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useIsLead, useMayRecord } from '../../ui/session';
import { MergePart } from './merge';
import { PlacesOfKind } from './board-kinds';
import { Sheets } from './sheets';
import { useSend } from '../../ui/form';
import { Loaded, Page } from '../../ui/page';
import { dayAndClock } from '../../ui/when';

/** What all machines of one make share. */
export function Kinds() {
    const [search, setSearch] = useState('');
    const asked = useDeferredValue(search.trim());
    const kinds = useQuery({
        queryKey: ['kinds', asked],
        placeholderData: keepPreviousData,
        queryFn: () => data(api.GET('/kinds', { params: { query: asked === '' ? {} : { search: asked } } })),
    });
    return (
        <Loaded query={kinds}>
            {(list) => (
                <Page title="Kinds" aside={<Link to="/machines">Machines</Link>}>
                    <div className="max-w-md">
                        <Field label="Search" type="search" value={search} onChange={(event) => setSearch(event.target.value)} />
                    </div>
                    <ul className="sheet divide-y divide-line">
                        {list.map((kind) => (
                            <li key={kind.id} className="px-4 py-3">
                                <Link to={`/kinds/${kind.id}`} className="font-bold">
                                    {kind.name}
                                </Link>
                                <span className="block text-sm text-soft">
                                    {kind.words}, <Many n={kind.machines} what={kind.of_board ? 'board' : 'machine'} />
                                </span>
                            </li>
                        ))}
                        {list.length === 0 && (
                            <li className="p-4 text-soft">
                                {asked === '' ? 'No kind yet: the first machine that is taken in makes one.' : 'None is called so.'}
                            </li>
                        )}
                    </ul>
                </Page>
            )}
        </Loaded>
    );
}

const Edit = lazy(async () => ({ default: (await import('./machine-edit')).ProfileEdit<Schemas['KindPage']> }));

/** What is known of a kind, and when and from which job it was learned. */
export function Kind() {
    const { id = '' } = useParams();
    const kind = useQuery({ queryKey: ['kind', id], queryFn: () => data(api.GET('/kinds/{kind}', { params: { path: { kind: id } } })) });
    return <Loaded query={kind}>{(page) => <KindSheet page={page} />}</Loaded>;
}

function KindSheet({ page }: { page: Schemas['KindPage'] }) {
    const may = useMayRecord();
    const lead = useIsLead();
    const client = useQueryClient();
    const [editing, setEditing] = useState(false);
    if (editing) {
        return (
            <Suspense fallback={<p className="p-5 text-soft">Loading</p>}>
                <Edit
                    name={page.kind.name}
                    page={page}
                    send={(document) => data(api.PUT('/kinds/{kind}/profile', { params: { path: { kind: page.kind.id } }, ...document }))}
                    onClose={() => setEditing(false)}
                    onSaved={(saved) => {
                        client.setQueryData(['kind', page.kind.id], saved);
                        setEditing(false);
                    }}
                />
            </Suspense>
        );
    }
    return (
        <Page
            title={page.kind.name}
            aside={
                <>
                    <a href={`/kinds/${page.kind.id}/profile.json`} download className="inline-flex min-h-11 items-center px-2">
                        Description as JSON
                    </a>
                    {may && page.merged_into === null && <Button onClick={() => setEditing(true)}>Edit the description</Button>}
                </>
            }
            over={<>{page.kind.words}. What all of this kind share; it grows from work.</>}
        >
            {page.merged_into !== null && (
                <Notice tone="care">
                    It turned out to be <Link to={`/kinds/${page.merged_into}`}>another kind</Link>.
                </Notice>
            )}
            <div className="grid items-start gap-3 lg:grid-cols-[3fr_2fr]">
                <Part title="Known">
                    <ul className="flex flex-col gap-1">
                        {page.known.map((line) => (
                            <li key={line}>{line}</li>
                        ))}
                        {page.known.length === 0 && <li className="text-soft">Nothing yet: what is learned on a job comes here.</li>}
                    </ul>
                </Part>
                {page.kind.of_board ? <BoardsOfKind boards={page.boards} /> : <MachinesOfKind machines={page.machines} />}
            </div>
            {page.places.length > 0 && <PlacesOfKind page={page} />}
            <Sheets page={page} may={may} />
            <Part title="Learned">
                <ol className="divide-y divide-line">
                    {page.lessons.map((lesson) => (
                        <li key={lesson.revision} className="grid gap-x-4 py-1 sm:grid-cols-[11rem_1fr]">
                            <span className="text-sm text-soft">{dayAndClock(lesson.at)}</span>
                            <span>
                                {lesson.job_id === null ? (
                                    'written'
                                ) : (
                                    <Link to={`/jobs/${lesson.job_id}`}>learned from {lesson.job_label}</Link>
                                )}
                                {lesson.changed.length > 0 && `: ${lesson.changed.join(', ')}`}
                                <span className="text-sm text-soft">
                                    , {lesson.author}, revision {lesson.revision}
                                </span>
                                {may && lesson.job_id !== null && page.lessons.find((it) => it.job_id === lesson.job_id) === lesson && (
                                    <TakeBack kind={page.kind.id} job={lesson.job_id} label={lesson.job_label ?? ''} />
                                )}
                            </span>
                        </li>
                    ))}
                </ol>
            </Part>
            {lead && page.merged_into === null && <MergePart of="kinds" id={page.kind.id} name={page.kind.name} />}
        </Page>
    );
}

function Many({ n, what }: { n: number; what: string }) {
    return <>{n === 1 ? `one ${what}` : `${n} ${what}s`}</>;
}

function MachinesOfKind({ machines }: { machines: Schemas['MachineCard'][] }) {
    return (
        <Part title="Machines">
            <ul className="flex flex-col gap-1">
                {machines.map((machine) => (
                    <li key={machine.id}>
                        <Link to={`/machines/${machine.id}`}>{machine.name}</Link>{' '}
                        <span className="text-sm text-soft">{[machine.serial, machine.owner].filter((it) => it !== null).join(', ')}</span>
                    </li>
                ))}
                {machines.length === 0 && <li className="text-soft">None is here.</li>}
            </ul>
        </Part>
    );
}

function BoardsOfKind({ boards }: { boards: Schemas['BoardRow'][] }) {
    return (
        <Part title="Boards">
            <ul className="flex flex-col gap-1">
                {boards.map((board) => (
                    <li key={board.id}>
                        <Link to={`/boards/${board.id}`}>{board.name}</Link>{' '}
                        <span className="text-sm text-soft">
                            {[
                                board.serial === null ? null : `serial ${board.serial}`,
                                board.machine === null ? 'on the shelf' : `${board.place} of ${board.machine}`,
                            ]
                                .filter((it) => it !== null)
                                .join(', ')}
                        </span>
                    </li>
                ))}
                {boards.length === 0 && <li className="text-soft">None is here.</li>}
            </ul>
        </Part>
    );
}

/** What one job taught is taken back; what others have said since stays. */
function TakeBack({ kind, job, label }: { kind: string; job: string; label: string }) {
    const client = useQueryClient();
    const [sure, setSure] = useState(false);
    const form = useSend(
        () => data(api.DELETE('/kinds/{kind}/lessons/{job}', { params: { path: { kind, job } } })),
        (page) => client.setQueryData(['kind', kind], page),
    );
    return (
        <>
            {' '}
            <button type="button" className="text-accent underline" onClick={() => (sure ? void form.submit() : setSure(true))}>
                {sure ? `Take back all that ${label} taught` : 'take back'}
            </button>
            {form.at('/job') !== undefined && <span className="text-out"> {form.at('/job')}</span>}
        </>
    );
}
