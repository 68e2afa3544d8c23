import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Button, Cautions, LinkButton, Part } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { day } from '../../ui/when';

const Edit = lazy(async () => ({ default: (await import('./machine-edit')).MachineEdit }));

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
    const client = useQueryClient();
    const [editing, setEditing] = useState(false);
    const { machine } = page;
    if (editing) {
        return (
            <Suspense fallback={<p className="p-5 text-soft">Loading</p>}>
                <Edit
                    page={page}
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
                    <LinkButton to={`/machines/${machine.id}/memory`}>Memory maps</LinkButton>
                    {may && <Button onClick={() => setEditing(true)}>Edit the profile</Button>}
                </>
            }
        >
            <Cautions words={page.cautions} />
            <Rails rails={page.rails} />
            <div className="grid gap-3 lg:grid-cols-2">
                <Part title="Load against the supply's own label">
                    {page.budget.length === 0 ? (
                        <p className="text-soft">The profile states no supply.</p>
                    ) : (
                        <ul>
                            {page.budget.map((rail) => (
                                <li
                                    key={rail.rail}
                                    className={
                                        rail.verdict === 'over' ? 'font-bold text-out' : rail.verdict === 'ok' ? '' : 'font-bold text-close'
                                    }
                                >
                                    {rail.says}
                                </li>
                            ))}
                            {page.budget_says.map((line) => (
                                <li key={line} className="mt-1">
                                    {line}
                                </li>
                            ))}
                        </ul>
                    )}
                </Part>
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
                    </ul>
                </Part>
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
        </Page>
    );
}

function Rails({ rails }: { rails: Schemas['RailCard'][] }) {
    if (rails.length === 0) return null;
    return (
        <div className="sheet overflow-x-auto">
            <table className="w-full">
                <caption className="sr-only">Rails and their limits</caption>
                <thead>
                    <tr className="border-b border-line [&>th]:px-3 [&>th]:py-2">
                        <th scope="col">Rail</th>
                        <th scope="col">Limits</th>
                        <th scope="col">Wide band</th>
                        <th scope="col">Ripple</th>
                        <th scope="col">Feeds or protects</th>
                        <th scope="col">Test points, supply outwards</th>
                    </tr>
                </thead>
                <tbody>
                    {rails.map((rail) => (
                        <tr key={rail.name} className="border-b border-line align-top [&>td]:px-3 [&>td]:py-2">
                            <th scope="row" className="px-3 py-2 text-base text-ink">
                                {rail.name}
                                <span className="block text-sm font-normal text-soft">
                                    {[rail.optional && 'optional', !rail.needs_load && 'no load needed'].filter(Boolean).join(', ')}
                                </span>
                            </th>
                            <td className="whitespace-nowrap">{rail.tight}</td>
                            <td className="whitespace-nowrap text-soft">{rail.wide}</td>
                            <td className="whitespace-nowrap">{rail.ripple}</td>
                            <td className="text-sm">
                                {rail.protects.length > 0 && (
                                    <span className="block font-bold">protects the chips on {rail.protects.join(', ')}</span>
                                )}
                                {rail.feeds.join('; ')}
                            </td>
                            <td className="text-sm">{rail.test_points.join(' → ')}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}
