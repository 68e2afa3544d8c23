import type { Schemas } from '../../api/client';
import { Brought } from '../../bench/house';
import type { OnJob } from '../../bench/room';

/** The head of the bench sheet, read downwards: what is known, what is suspected and why, what to do next. */
export function Head({ sheet, on }: { sheet: Schemas['SheetCard']; on: OnJob }) {
    const ranked = sheet.suspected.some((it) => it.weighed);
    return (
        <section aria-label="Where the job stands" className="sheet grid lg:grid-cols-[1fr_1fr_1.15fr] lg:divide-x lg:divide-line">
            <div className="p-4">
                <h2 className="mb-1 border-l-4 border-wood pl-2">Known</h2>
                {sheet.known.length === 0 ? <p className="text-soft">Nothing measured yet.</p> : <Lines lines={sheet.known} />}
            </div>
            <div className="p-4">
                <h2 className="mb-1 border-l-4 border-wood pl-2">Suspected</h2>
                {sheet.suspected.length === 0 && <p className="text-soft">No cause is named by the readings.</p>}
                <ul className="flex flex-col gap-2">
                    {sheet.suspected.map((suspect) => (
                        <li key={suspect.text} className={suspect.under ? 'ml-3 border-l-2 border-line pl-2' : ''}>
                            <p>
                                {suspect.percent != null && <span className="mr-2 font-bold tabular-nums">{suspect.percent}</span>}
                                {suspect.text}
                            </p>
                            <p className="text-sm text-soft">
                                because {suspect.why}
                                {ranked && !suspect.weighed && !suspect.under && ' (not weighed against the symptom)'}
                            </p>
                        </li>
                    ))}
                </ul>
            </div>
            <div className="rounded-r-md bg-accent-wash p-4">
                <h2 className="mb-1 border-l-4 border-accent pl-2">Next</h2>
                <p className="text-xl leading-snug">{sheet.next.text}</p>
                <p className="mt-1 text-sm">{sheet.next.why}</p>
                {on.job.state === 'open' && <Brought part="JobNext" only={sheet.next.room} {...on} />}
                {on.job.state === 'open' && (sheet.then.length > 0 || sheet.waits.length > 0) && (
                    <div className="mt-3 flex flex-col gap-3 border-t border-line pt-2">
                        <Steps title="Then" steps={sheet.then} />
                        <Steps title="Waits" steps={sheet.waits} />
                    </div>
                )}
            </div>
        </section>
    );
}

/** What can be done besides, best first; what waits stands beside it, not instead of it. */
function Steps({ title, steps }: { title: string; steps: Schemas['NextCard'][] }) {
    if (steps.length === 0) return null;
    return (
        <section aria-label={title}>
            <h3 className="text-sm font-bold">{title}</h3>
            <ol className="flex flex-col gap-1">
                {steps.map((step) => (
                    <li key={step.text}>
                        {step.text}
                        {step.minutes !== null && <span className="figure-number"> {step.minutes} min</span>}
                        <span className="block text-sm text-soft">{step.why}</span>
                    </li>
                ))}
            </ol>
        </section>
    );
}

export function Lines({ lines }: { lines: string[] }) {
    return (
        <ul className="flex flex-col gap-0.5">
            {lines.map((line) => (
                <li key={line}>{line}</li>
            ))}
        </ul>
    );
}
