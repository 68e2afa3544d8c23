import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, data } from '../../api/client';
import { Part } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';

/** What all open jobs want, grouped by value, with spares. */
export function Shopping() {
    const shopping = useQuery({ queryKey: ['shopping'], queryFn: () => data(api.GET('/shopping')) });
    return (
        <Loaded query={shopping}>
            {(page) => (
                <Page
                    title="Shopping list"
                    over={<Link to="/shelf">Shelf</Link>}
                    aside={
                        <a href="/shopping.csv" download className="inline-flex min-h-11 items-center px-2">
                            As CSV
                        </a>
                    }
                >
                    {page.rows.length === 0 ? (
                        <p className="sheet p-6 text-soft">No open job wants a capacitor.</p>
                    ) : (
                        <div className="sheet overflow-x-auto">
                            <table className="w-full">
                                <caption className="sr-only">What all open jobs want, by value</caption>
                                <thead>
                                    <tr className="border-b border-line [&>th]:px-3 [&>th]:py-2">
                                        <th scope="col">Value</th>
                                        <th scope="col">Wanted</th>
                                        <th scope="col">Spares</th>
                                        <th scope="col">On the shelf</th>
                                        <th scope="col">Buy</th>
                                        <th scope="col">For</th>
                                    </tr>
                                </thead>
                                <tbody>
                                    {page.rows.map((row) => (
                                        <tr
                                            key={`${row.kind} ${row.value} ${row.volts}`}
                                            className="border-b border-line [&>td]:px-3 [&>td]:py-1"
                                        >
                                            <td>
                                                <span className="font-bold">
                                                    {row.value} {row.volts}
                                                </span>{' '}
                                                <span className="text-soft">{row.kind}</span>
                                            </td>
                                            <td className="figure-number">{row.wanted}</td>
                                            <td className="figure-number">{row.spares}</td>
                                            <td className="figure-number">{row.shelf}</td>
                                            <td className="figure-number text-xl font-bold">{row.buy}</td>
                                            <td className="text-sm">{row.jobs.join('; ')}</td>
                                        </tr>
                                    ))}
                                </tbody>
                            </table>
                        </div>
                    )}
                    <Part title="Running low">
                        {page.low.length === 0 ? (
                            <p className="text-soft">Nothing is low.</p>
                        ) : (
                            <ul>
                                {page.low.map((line) => (
                                    <li key={line}>{line}</li>
                                ))}
                            </ul>
                        )}
                    </Part>
                </Page>
            )}
        </Loaded>
    );
}
