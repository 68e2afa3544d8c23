import { Button } from '../../ui/controls';
import { number } from '../../ui/number';
import { Said, without, type Change, type Document } from './symptom';

type Rows = Record<string, Record<string, number>>;

/** One figure of the rows; a row that is empty goes. */
const withOne = (rows: Rows, cause: string, outcome: string, typed: string): Rows => {
    const row = rows[cause] ?? {};
    const next = typed.trim() === '' ? without(row, outcome) : { ...row, [outcome]: number(typed) };
    return Object.keys(next).length === 0 ? without(rows, cause) : { ...rows, [cause]: next };
};

/** A test of the library, and how likely each of its outcomes is for each cause. */
export function TestOf({ document, at, change, lead }: { document: Document; at: number; change: Change; lead: boolean }) {
    const test = document.tests[at];
    if (test === undefined) return null;
    const put = (more: Partial<typeof test>) => change((it) => (it.tests[at] = { ...test, ...more }));
    return (
        <details className="border-t border-line py-2">
            <summary className="min-h-11 cursor-pointer py-2">
                <span className="font-bold">{test.id.replaceAll('_', ' ')}</span>{' '}
                <span className="text-soft">
                    {test.minutes} min; {test.outcomes.map((it) => it.replaceAll('_', ' ')).join(' / ')}
                </span>
            </summary>
            <div className="flex flex-wrap items-end gap-3 pb-2">
                <Said label="Minutes" short lead={lead} value={`${test.minutes}`} set={(typed) => put({ minutes: number(typed) })} />
                <Said label="How it is made" lead={lead} value={test.how ?? ''} set={(how) => put({ how: how === '' ? null : how })} />
                <Said
                    label="Danger"
                    lead={lead}
                    value={test.danger ?? ''}
                    set={(danger) => put({ danger: danger === '' ? null : danger })}
                />
                <Said
                    label="Needs"
                    lead={lead}
                    value={(test.needs ?? []).join(', ')}
                    set={(typed) =>
                        put({
                            needs: typed
                                .split(',')
                                .map((it) => it.trim())
                                .filter((it) => it !== ''),
                        })
                    }
                />
                {lead && (
                    <Button look="quiet" aria-label={`Take out ${test.id}`} onClick={() => change((it) => it.tests.splice(at, 1))}>
                        Take out
                    </Button>
                )}
            </div>
            {(test.from ?? []).length > 0 && <p className="pb-2 text-sm text-soft">Answered by what rooms find.</p>}
            <div className="overflow-x-auto">
                <table className="text-left">
                    <caption className="text-left text-sm text-soft">
                        How likely each outcome is; a cause with no row has all of them alike.
                    </caption>
                    <thead>
                        <tr>
                            <th scope="col">Cause</th>
                            {test.outcomes.map((it) => (
                                <th key={it} scope="col" className="px-2">
                                    {it.replaceAll('_', ' ')}
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {document.causes.map((cause) => (
                            <tr key={cause.id} className="border-t border-line">
                                <th scope="row" className="pr-3 font-normal">
                                    {cause.id.replaceAll('_', ' ')}
                                </th>
                                {test.outcomes.map((outcome) => (
                                    <td key={outcome} className="px-2 py-0.5 tabular-nums">
                                        <Likely
                                            label={`${cause.id}: ${outcome}`}
                                            lead={lead}
                                            value={test.likelihood[cause.id]?.[outcome]}
                                            set={(typed) => put({ likelihood: withOne(test.likelihood, cause.id, outcome, typed) })}
                                        />
                                    </td>
                                ))}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </details>
    );
}

function Likely({ label, value, lead, set }: { label: string; value: number | undefined; lead: boolean; set: (typed: string) => void }) {
    if (!lead) return <>{value}</>;
    return (
        <input aria-label={label} inputMode="decimal" size={5} defaultValue={value ?? ''} onChange={(event) => set(event.target.value)} />
    );
}
