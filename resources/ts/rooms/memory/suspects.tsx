import type { Schemas } from '../../api/client';

/** Who is suspected, what speaks for and against it, and what to do. */
export function Suspects({ located }: { located: Schemas['LocatedCard'] }) {
    return (
        <div className="flex flex-col gap-2">
            {located.errors === 0 && <p className="text-lg">No error in it.</p>}
            <ol className="divide-y divide-line" aria-label="Suspects">
                {located.suspects.map((it) => (
                    <li key={it.rank} className="grid gap-x-4 py-2 sm:grid-cols-[6rem_1fr]">
                        <p className={`figure-number text-2xl font-bold ${it.rank === 1 ? 'text-out' : 'text-soft'}`}>{it.percent}</p>
                        <div>
                            <p className="text-lg font-bold">
                                {it.called}{' '}
                                {!it.called.startsWith(it.kind_words) && (
                                    <span className="text-sm font-normal text-soft">{it.kind_words}</span>
                                )}
                            </p>
                            <p>{it.text}</p>
                            <p className="text-sm">Explains {it.explains}.</p>
                            <p className="text-sm">Against it: {it.against}.</p>
                            {it.rank === 1 && <p className="mt-1 border-l-4 border-accent pl-2 font-bold">{it.action}</p>}
                            {it.rank !== 1 && <p className="text-sm text-soft">{it.action}</p>}
                        </div>
                    </li>
                ))}
            </ol>
            <ul className="text-sm text-soft">
                {located.reasons.map((reason) => (
                    <li key={reason}>{reason}</li>
                ))}
                {located.unexplained > 0 && <li>{located.unexplained} mapped errors are not explained by the first suspect</li>}
            </ul>
        </div>
    );
}
