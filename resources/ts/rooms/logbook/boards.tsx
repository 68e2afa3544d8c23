import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { api, data } from '../../api/client';
import { Button, Field } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';

/** Every board, wherever it is: in a machine, or on the shelf as a donor or because it came alone. */
export function Boards() {
    const [search, setSearch] = useState('');
    const [shelf, setShelf] = useState(false);
    const asked = useDeferredValue(search.trim());
    const boards = useInfiniteQuery({
        queryKey: ['boards', asked, shelf],
        placeholderData: keepPreviousData,
        initialPageParam: '',
        queryFn: ({ pageParam }) =>
            data(
                api.GET('/boards', {
                    params: {
                        query: {
                            ...(asked === '' ? {} : { search: asked }),
                            ...(shelf ? { on_shelf: '1' } : {}),
                            ...(pageParam === '' ? {} : { after: pageParam }),
                        },
                    },
                }),
            ),
        getNextPageParam: (last) => last.next_after,
    });
    const list = boards.data?.pages.flatMap((page) => page.boards) ?? [];
    return (
        <Page title="Boards" aside={<Link to="/machines">Machines</Link>}>
            <div className="flex flex-wrap items-end gap-4">
                <div className="w-96 max-w-full">
                    <Field
                        label="Search: name, serial, owner, machine, kind"
                        type="search"
                        value={search}
                        onChange={(event) => setSearch(event.target.value)}
                    />
                </div>
                <label className="flex min-h-11 items-center gap-2">
                    <input type="checkbox" checked={shelf} onChange={(event) => setShelf(event.target.checked)} /> only those in no machine
                </label>
            </div>
            <Loaded query={{ ...boards, data: boards.data?.pages[0] } as Parameters<typeof Loaded>[0]['query']}>
                {() => (
                    <>
                        <ul className="sheet divide-y divide-line">
                            {list.map((board) => (
                                <li key={board.id} className="grid gap-x-6 px-4 py-2 sm:grid-cols-[1fr_1fr]">
                                    <span>
                                        <Link to={`/boards/${board.id}`} className="font-bold">
                                            {board.name}
                                        </Link>{' '}
                                        <span className="text-sm text-soft">{board.serial}</span>
                                    </span>
                                    <span>
                                        {board.machine_id === null ? (
                                            'on the shelf'
                                        ) : (
                                            <>
                                                in <Link to={`/machines/${board.machine_id}`}>{board.machine}</Link>
                                            </>
                                        )}
                                        <span className="text-sm text-soft">
                                            {' '}
                                            <Link to={`/kinds/${board.kind_id}`}>{board.kind}</Link>
                                            {board.owner !== null && `, ${board.owner}`}
                                        </span>
                                    </span>
                                </li>
                            ))}
                            {list.length === 0 && (
                                <li className="p-4 text-soft">
                                    {asked === '' && !shelf
                                        ? 'No board yet. Take a machine in from the bench, or a board that came alone.'
                                        : 'None is found.'}
                                </li>
                            )}
                        </ul>
                        {boards.hasNextPage && (
                            <Button disabled={boards.isFetchingNextPage} onClick={() => void boards.fetchNextPage()}>
                                More
                            </Button>
                        )}
                    </>
                )}
            </Loaded>
        </Page>
    );
}
