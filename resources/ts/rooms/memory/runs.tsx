import type { Schemas } from '../../api/client';
import { Part } from '../../ui/controls';
import { dayAndClock } from '../../ui/when';
import { SocketMap } from './sockets';

/** The kept runs: one is shown on the sockets, another may be set beside it. */
export function Runs({
    page,
    against,
    onShow,
    onAgainst,
}: {
    page: Schemas['MemoryPage'];
    against: string | null;
    onShow: (id: string) => void;
    onAgainst: (id: string | null) => void;
}) {
    if (page.runs.length === 0) return null;
    return (
        <Part title="Runs that are kept">
            <table className="w-full">
                <caption className="sr-only">Memory tests of this job, latest first</caption>
                <thead>
                    <tr className="border-b border-line [&>th]:px-2">
                        <th scope="col">When</th>
                        <th scope="col">Condition</th>
                        <th scope="col">Errors</th>
                        <th scope="col">Suspect</th>
                        <th scope="col">Shown</th>
                        <th scope="col">Beside it</th>
                    </tr>
                </thead>
                <tbody>
                    {page.runs.map((run) => (
                        <tr key={run.id} className="border-b border-line [&>td]:px-2 [&>td]:py-1">
                            <td>
                                {dayAndClock(run.at)} <span className="text-sm text-soft">{run.author}</span>
                            </td>
                            <td>
                                {run.condition}
                                {run.cut !== null && <span className="block text-sm font-bold text-close">not whole: {run.cut}</span>}
                            </td>
                            <td className="figure-number">{run.not_read ? 'not read' : run.errors}</td>
                            <td>{run.top}</td>
                            <td>
                                <input
                                    type="radio"
                                    name="shown"
                                    aria-label={`Show the run of ${dayAndClock(run.at)}`}
                                    checked={page.run?.id === run.id}
                                    onChange={() => onShow(run.id)}
                                />
                            </td>
                            <td>
                                <input
                                    type="checkbox"
                                    aria-label={`Compare with the run of ${dayAndClock(run.at)}`}
                                    disabled={page.run?.id === run.id}
                                    checked={against === run.id}
                                    onChange={(event) => onAgainst(event.target.checked ? run.id : null)}
                                />
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {page.comparison !== null && page.run !== null && page.against !== null && (
                <Compared first={page.against} second={page.run} comparison={page.comparison} />
            )}
        </Part>
    );
}

function Compared({
    first,
    second,
    comparison,
}: {
    first: Schemas['MemoryRunCard'];
    second: Schemas['MemoryRunCard'];
    comparison: Schemas['ComparisonCard'];
}) {
    // Banks without an error in either run tell nothing here.
    const banks = [...new Set(comparison.rows.map((row) => row.bank))];
    return (
        <section aria-label="Side by side" className="mt-3 flex flex-col gap-3">
            <ul>
                {comparison.says.map((line) => (
                    <li key={line} className="text-lg">
                        {line}
                    </li>
                ))}
            </ul>
            <div className={`grid gap-4 ${Math.max(...first.sockets.rows.map((row) => row.places.length)) > 9 ? '' : 'lg:grid-cols-2'}`}>
                {[first, second].map((run, i) => (
                    <div key={run.id}>
                        <h3 className="font-bold">
                            {i === 0 ? 'First' : 'Second'}: {run.condition}{' '}
                            <span className="text-sm font-normal text-soft">
                                {dayAndClock(run.at)}, {run.errors} errors
                            </span>
                        </h3>
                        <SocketMap sockets={run.sockets} {...(banks.length === 0 ? {} : { banks })} />
                    </div>
                ))}
            </div>
            {comparison.rows.length > 0 && (
                <table>
                    <caption className="sr-only">Errors by bit in both runs</caption>
                    <thead>
                        <tr className="border-b border-line [&>th]:px-2">
                            <th scope="col">Chip</th>
                            <th scope="col">Bank, bit</th>
                            <th scope="col">First</th>
                            <th scope="col">Second</th>
                            <th scope="col">So</th>
                        </tr>
                    </thead>
                    <tbody>
                        {comparison.rows.map((row) => (
                            <tr key={`${row.bank} ${row.bit}`} className="border-b border-line [&>td]:px-2 [&>td]:py-0.5">
                                <td className="font-bold">{row.ref}</td>
                                <td>
                                    {row.bank}, {row.bit}
                                </td>
                                <td className="figure-number">{row.one}</td>
                                <td className="figure-number">{row.other}</td>
                                <td>{row.words}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
        </section>
    );
}
