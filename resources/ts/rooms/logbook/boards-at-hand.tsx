import { useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { takeInHand, useBoardAtHand } from '../../api/at-hand';
import { Button, Field, Notice } from '../../ui/controls';
import { Sheet } from '../../ui/keys';

/** Which board the next entries are about; and boards that go in and out of this machine. */
export function BoardsAtHand({ page, onClose }: { page: Schemas['JobPage']; onClose: () => void }) {
    const job = page.job.id;
    const chosen = useBoardAtHand(job) ?? page.job.board_id;
    const [refused, setRefused] = useState<string | null>(null);
    const [search, setSearch] = useState('');
    const [lent, setLent] = useState(false);
    const [place, setPlace] = useState('');
    const asked = useDeferredValue(search.trim());
    const machine = useQuery({
        queryKey: ['machine', page.job.machine_id],
        queryFn: () => data(api.GET('/machines/{machine}', { params: { path: { machine: page.job.machine_id } } })),
    });
    const found = useQuery({
        queryKey: ['boards', asked, true],
        enabled: asked !== '',
        queryFn: () => data(api.GET('/boards', { params: { query: { search: asked, on_shelf: '1' } } })),
    });
    const empty = machine.data?.empty ?? [];
    const move = async (body: Schemas['DataBoardMoved'], says: string) => {
        const sent = await record(job, { kind: 'board_moved', data: body }, says);
        setRefused(sent.state === 'refused' ? sent.refusal.message : null);
        if (sent.state === 'stored') void machine.refetch();
    };
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title="Boards at hand" about="The next entries of this job are about the board that is chosen here.">
                <ul className="flex flex-col gap-1">
                    {page.boards.map((board, i) => (
                        <li key={board.id} className="flex flex-wrap items-center justify-between gap-3">
                            <label className="flex min-h-11 items-center gap-3">
                                <input
                                    type="radio"
                                    name="at-hand"
                                    autoFocus={i === 0}
                                    checked={chosen === board.id}
                                    onChange={() => takeInHand(job, board.id === page.job.board_id ? undefined : board.id)}
                                />
                                {board.name} <span className="text-sm text-soft">{board.serial}</span>
                            </label>
                            <Button look="quiet" onClick={() => void move({ board: board.id }, `${board.name} taken out`)}>
                                Take out
                            </Button>
                        </li>
                    ))}
                </ul>
                {empty.length > 0 && (
                    <section className="mt-4 border-t border-line pt-3">
                        <h3 className="mb-2 font-bold">Fit a board from the shelf</h3>
                        <div className="grid gap-3 sm:grid-cols-2">
                            <Field
                                label="Search: name, serial, owner, kind"
                                type="search"
                                value={search}
                                onChange={(event) => setSearch(event.target.value)}
                            />
                            <Field label="Into the place">
                                {(ids) => (
                                    <select {...ids} value={place || empty[0]?.value} onChange={(event) => setPlace(event.target.value)}>
                                        {empty.map((it) => (
                                            <option key={it.value} value={it.value}>
                                                {it.words}
                                            </option>
                                        ))}
                                    </select>
                                )}
                            </Field>
                        </div>
                        <label className="flex min-h-11 items-center gap-2">
                            <input type="checkbox" checked={lent} onChange={(event) => setLent(event.target.checked)} /> lent as a
                            known-good one
                        </label>
                        <ul>
                            {(asked === '' ? [] : (found.data?.boards ?? [])).map((board) => (
                                <li key={board.id} className="flex items-center justify-between gap-3">
                                    {board.name} {board.serial}
                                    <Button
                                        look="quiet"
                                        onClick={() =>
                                            void move(
                                                {
                                                    board: board.id,
                                                    to: page.job.machine_id,
                                                    place: place || (empty[0]?.value ?? ''),
                                                    ...(lent ? { lent: true } : {}),
                                                },
                                                `${board.name} fitted`,
                                            )
                                        }
                                    >
                                        Fit it
                                    </Button>
                                </li>
                            ))}
                        </ul>
                    </section>
                )}
                {refused !== null && (
                    <Notice tone="bad" live>
                        {refused}
                    </Notice>
                )}
            </Sheet>
        </Dialog.Root>
    );
}
