import { useCallback } from 'react';
import type { Schemas } from '../../api/client';
import { colour } from '../../bench/light-watch';
import { Plot, type Drawing } from '../../bench/plot';
import { dayAndClock } from '../../ui/when';

type Part = Schemas['PartColours'];

/** A part as its first picture shows it and as its last one does, with the figures of both. */
export function BeforeAndAfter({ part }: { part: Part }) {
    const first = part.readings[0];
    const last = part.readings.at(-1);
    if (first === undefined || last === undefined || first === last) return null;
    return (
        <div className="my-2">
            <ul className="grid gap-3 sm:grid-cols-2">
                {(
                    [
                        ['Before', first],
                        ['Now', last],
                    ] as const
                ).map(([words, it]) => (
                    <li key={words}>
                        <img src={`${it.picture}/thumbnail`} alt={`${part.part}, ${words.toLowerCase()}`} className="w-full rounded" />
                        <p className="font-bold tabular-nums">
                            {words}: {it.delta_words} from the reference{it.yellowness !== null && `, yellowness ${it.yellowness}`}
                        </p>
                        <p className="text-sm text-soft">{dayAndClock(it.at)}</p>
                    </li>
                ))}
            </ul>
            <p className="text-lg font-bold tabular-nums">
                {part.progress !== null && <>{part.progress} of the difference is gone. </>}
                {part.change !== null && <>The first place has changed by {part.change}.</>}
            </p>
        </div>
    );
}

/** The difference from the reference over the hours, the curve that was fitted, and how sure it is. */
export function Curve({ part }: { part: Part }) {
    const draw = useCallback((): Drawing => {
        const read = part.readings.flatMap((it) => (it.hours === null ? [] : [[it.hours, it.delta] as const]));
        const at = [...new Set([...part.curve.map((it) => it.hours), ...read.map(([hours]) => hours)])].sort((a, b) => a - b);
        const fitted = new Map(part.curve.map((it) => [it.hours, it]));
        const seen = new Map(read);
        const line = { width: 2, spanGaps: true, points: { show: false } };
        return {
            scales: { x: { time: false } },
            axes: [{ values: (_, ticks) => ticks.map((it) => `${it} h`) }, { size: 48, label: 'from the reference' }],
            series: [
                {},
                { stroke: colour('--ink'), width: 0, points: { show: true, size: 9, fill: colour('--ink') } },
                { ...line, stroke: colour('--accent') },
                { ...line, stroke: colour('--soft'), dash: [4, 4] },
                { ...line, stroke: colour('--soft'), dash: [4, 4] },
                { ...line, stroke: colour('--in'), dash: [2, 4] },
            ],
            data: [
                at,
                at.map((it) => seen.get(it) ?? null),
                at.map((it) => fitted.get(it)?.delta ?? null),
                at.map((it) => fitted.get(it)?.low ?? null),
                at.map((it) => fitted.get(it)?.high ?? null),
                at.map(() => part.tolerance),
            ],
        };
    }, [part]);
    if (part.curve.length === 0) return null;
    return (
        <Plot
            draw={draw}
            height={240}
            label={`Difference of ${part.part} from the reference over the hours of brightening: ${part.says}.`}
        />
    );
}
