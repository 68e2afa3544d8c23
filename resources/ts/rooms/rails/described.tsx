import { useQuery } from '@tanstack/react-query';
import { api, data, type Schemas } from '../../api/client';
import { Part } from '../../ui/controls';

const useDescribed = (machine: string) =>
    useQuery({
        queryKey: ['machine', machine, 'rails'],
        queryFn: () => data(api.GET('/machines/{machine}/rails', { params: { path: { machine } } })),
    }).data;

/** The rails that a machine's kind describes. */
export function Rails({ machine }: { machine: string }) {
    return <Table rails={useDescribed(machine)?.rails ?? []} />;
}

/** What is fitted against what the supply's label promises. */
export function Loads({ machine }: { machine: string }) {
    const page = useDescribed(machine);
    if (page === undefined) return null;
    return (
        <Part title="Load against the supply's own label">
            {page.budget.length === 0 ? (
                <p className="text-soft">The profile states no supply.</p>
            ) : (
                <ul>
                    {page.budget.map((rail) => (
                        <li
                            key={rail.rail}
                            className={rail.verdict === 'over' ? 'font-bold text-out' : rail.verdict === 'ok' ? '' : 'font-bold text-close'}
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
    );
}

function Table({ rails }: { rails: Schemas['RailCard'][] }) {
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
