import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, data } from '../../api/client';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { ImportButton } from './import';

export function Machines() {
    const may = useMayRecord();
    const machines = useQuery({ queryKey: ['machines'], queryFn: () => data(api.GET('/machines')) });
    return (
        <Loaded query={machines}>
            {(list) => (
                <Page
                    title="Machines"
                    aside={
                        <>
                            <Link to="/kinds">Kinds</Link>
                            {may && (
                                <ImportButton label="Import a profile" path="/machines" to={(answer) => `/machines/${answer.id ?? ''}`} />
                            )}
                        </>
                    }
                >
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
                                No machine yet. Take one in from the bench: its name is enough. A description from elsewhere can be
                                imported.
                            </li>
                        )}
                    </ul>
                </Page>
            )}
        </Loaded>
    );
}
