import { MergePart } from './merge';
import { Moves } from './moves';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Brought, useRooms } from '../../bench/house';
import { Button, Cautions, LinkButton, Part } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';
import { useIsLead, useMayRecord } from '../../ui/session';
import { day } from '../../ui/when';

const Edit = lazy(async () => ({ default: (await import('./machine-edit')).ProfileEdit<Schemas['MachinePage']> }));

export function Machine() {
    const { id = '' } = useParams();
    const machine = useQuery({
        queryKey: ['machine', id],
        queryFn: () => data(api.GET('/machines/{machine}', { params: { path: { machine: id } } })),
    });
    return <Loaded query={machine}>{(page) => <MachineSheet key={page.revision} page={page} />}</Loaded>;
}

function MachineSheet({ page }: { page: Schemas['MachinePage'] }) {
    const may = useMayRecord();
    const lead = useIsLead();
    const client = useQueryClient();
    const [editing, setEditing] = useState(false);
    const { machine } = page;
    const links = useRooms().flatMap((room) => room.machineLinks ?? []);
    if (editing) {
        return (
            <Suspense fallback={<p className="p-5 text-soft">Loading</p>}>
                <Edit
                    name={machine.name}
                    page={page}
                    send={(document) =>
                        data(api.PUT('/machines/{machine}/profile', { params: { path: { machine: machine.id } }, ...document }))
                    }
                    onClose={() => setEditing(false)}
                    onSaved={(saved) => {
                        client.setQueryData(['machine', machine.id], saved);
                        setEditing(false);
                    }}
                />
            </Suspense>
        );
    }
    return (
        <Page
            title={machine.name}
            over={machine.kind}
            aside={
                <>
                    <a href={`/machines/${machine.id}/profile.json`} download className="inline-flex min-h-11 items-center px-2">
                        Profile as JSON
                    </a>
                    {links.map((it) => (
                        <LinkButton key={it.path} to={`/machines/${machine.id}/${it.path}`}>
                            {it.words}
                        </LinkButton>
                    ))}
                    {may && <Button onClick={() => setEditing(true)}>Edit the profile</Button>}
                    {lead && machine.owner !== null && <Erase machine={machine.id} />}
                </>
            }
        >
            <Cautions words={page.cautions} />
            <Brought part="MachineTop" machine={machine.id} />
            <div className="grid gap-3 lg:grid-cols-2">
                <Brought part="MachinePart" machine={machine.id} />
                <Part title="Sources that proved wrong">
                    {page.source_notes.length === 0 && <p className="text-soft">None noted.</p>}
                    <dl>
                        {page.source_notes.map((note) => (
                            <div key={note.note} className="mb-1">
                                <dt className="font-bold">{note.source}</dt>
                                <dd>{note.note}</dd>
                            </div>
                        ))}
                    </dl>
                </Part>
                <Part title="Boards">
                    <ul>
                        {machine.boards.map((board) => (
                            <li key={board.id}>
                                <Link to={`/boards/${board.id}`}>{board.name}</Link>{' '}
                                <span className="text-sm text-soft">{board.serial}</span>
                            </li>
                        ))}
                        {page.empty.map((it) => (
                            <li key={it.value} className="text-soft">
                                {it.words}: empty
                            </li>
                        ))}
                    </ul>
                </Part>
                <Moves title="Boards that went in and out" moves={page.moves} />
                <Part title="Jobs">
                    <ul>
                        {page.jobs.map((job) => (
                            <li key={job.id}>
                                <Link to={`/jobs/${job.id}`}>{job.title}</Link>{' '}
                                <span className="text-sm text-soft">
                                    {day(job.opened_at)}, {job.outcome_words ?? job.stage_words}
                                </span>
                            </li>
                        ))}
                    </ul>
                </Part>
            </div>
            {lead && <MergePart of="machines" id={machine.id} name={machine.name} />}
        </Page>
    );
}

/** Whose it is, and how to reach them, is erased; the record stays. */
function Erase({ machine }: { machine: string }) {
    const client = useQueryClient();
    const [sure, setSure] = useState(false);
    const erase = async () => {
        await api.DELETE('/machines/{machine}/contact', { params: { path: { machine } } });
        void client.invalidateQueries();
    };
    return (
        <Button look="quiet" onClick={() => (sure ? void erase() : setSure(true))}>
            {sure ? 'Erase it for good' : "Erase the owner's contact"}
        </Button>
    );
}
