import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { api, data } from '../../api/client';
import { Button, Field } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { ImportButton } from './import';

export function Machines() {
    const may = useMayRecord();
    const [search, setSearch] = useState('');
    const asked = useDeferredValue(search.trim());
    const machines = useInfiniteQuery({
        queryKey: ['machines', asked],
        placeholderData: keepPreviousData,
        initialPageParam: '',
        queryFn: ({ pageParam }) =>
            data(
                api.GET('/machines', {
                    params: { query: { ...(asked === '' ? {} : { search: asked }), ...(pageParam === '' ? {} : { after: pageParam }) } },
                }),
            ),
        getNextPageParam: (last) => last.next_after,
    });
    const list = machines.data?.pages.flatMap((page) => page.machines) ?? [];
    return (
        <Loaded query={{ ...machines, data: machines.data?.pages[0] } as Parameters<typeof Loaded>[0]['query']}>
            {() => (
                <Page
                    title="Machines"
                    aside={
                        <>
                            <Link to="/kinds">Kinds</Link>
                            <Link to="/boards">Boards</Link>
                            {may && (
                                <ImportButton label="Import a profile" path="/machines" to={(answer) => `/machines/${answer.id ?? ''}`} />
                            )}
                        </>
                    }
                >
                    <div className="max-w-md">
                        <Field
                            label="Search: name, serial, owner, kind"
                            type="search"
                            value={search}
                            onChange={(event) => setSearch(event.target.value)}
                        />
                    </div>
                    <ul className="sheet divide-y divide-line">
                        {list.map((machine) => (
                            <li key={machine.id} className="grid gap-x-6 px-4 py-3 lg:grid-cols-[22rem_1fr]">
                                <span>
                                    <Link to={`/machines/${machine.id}`} className="font-bold">
                                        {machine.name}
                                    </Link>
                                    <span className="block text-sm text-soft">
                                        {[machine.kind, machine.serial, machine.owner].filter((it) => it !== null).join(', ')}
                                    </span>
                                </span>
                                <span className="flex flex-wrap gap-x-6">
                                    {machine.boards.map((board) => (
                                        <Link key={board.id} to={`/boards/${board.id}`}>
                                            {board.name}
                                        </Link>
                                    ))}
                                </span>
                            </li>
                        ))}
                        {list.length === 0 && (
                            <li className="p-4 text-soft">
                                {asked === ''
                                    ? 'No machine yet. Take one in from the bench: its name is enough. A description from elsewhere can be imported.'
                                    : 'None is found.'}
                            </li>
                        )}
                    </ul>
                    {machines.hasNextPage && (
                        <Button disabled={machines.isFetchingNextPage} onClick={() => void machines.fetchNextPage()}>
                            More
                        </Button>
                    )}
                </Page>
            )}
        </Loaded>
    );
}
