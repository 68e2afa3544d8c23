import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import type uPlot from 'uplot';
import { api, data, words, type Schemas } from '../../api/client';
import { colour } from '../../bench/light-watch';
import { Plot, type Drawing } from '../../bench/plot';
import { Verdict } from '../../bench/verdict';
import { Notice } from '../../ui/controls';
import { dayAndClock } from '../../ui/when';

export function Series({ board, rail, testPoint }: { board: string; rail: string; testPoint: string }) {
    const series = useQuery({
        queryKey: ['series', board, rail, testPoint],
        queryFn: () => data(api.GET('/boards/{board}/series', { params: { path: { board }, query: { rail, test_point: testPoint } } })),
    });
    if (series.data === undefined)
        return series.error === null ? <p className="text-soft">Loading</p> : <Notice tone="bad">{words(series.error)}</Notice>;
    return (
        <div className="grid gap-4 lg:grid-cols-[1fr_24rem]">
            <Readings series={series.data} />
            <table className="w-full self-start text-sm">
                <caption className="sr-only">
                    Readings of {rail} at {testPoint}, latest first
                </caption>
                <thead>
                    <tr>
                        <th scope="col">When</th>
                        <th scope="col">Reading</th>
                    </tr>
                </thead>
                <tbody>
                    {[...series.data.points]
                        .reverse()
                        .slice(0, 8)
                        .map((point) => (
                            <tr key={point.at} className="border-t border-line">
                                <td className="py-0.5">{dayAndClock(point.at)}</td>
                                <td>
                                    <Verdict verdict={point.verdict} words={point.says} size={12} />
                                </td>
                            </tr>
                        ))}
                </tbody>
            </table>
        </div>
    );
}

/** Limits are two dashed lines, readings are marks without a line between visits. */
function Readings({ series }: { series: Schemas['SeriesPage'] }) {
    const draw = useCallback(
        (library: typeof uPlot): Drawing => {
            const at = series.points.map((point) => Date.parse(point.at) / 1000);
            const limit = (volts: number | null) => at.map(() => volts);
            const line = { stroke: colour('--accent'), width: 1.5, dash: [6, 5], points: { show: false } };
            return {
                scales: {
                    x: { range: (_, from, to) => [from - (to - from) * 0.04 - 3600, to + (to - from) * 0.04 + 3600] },
                    y: { range: (_, low, high) => library.rangeNum(low, high, 0.15, true) },
                },
                axes: [{}, { size: 64, values: (_, ticks) => ticks.map((tick) => `${tick} V`) }],
                series: [
                    {},
                    { stroke: colour('--ink'), width: 0, points: { show: true, size: 9, fill: colour('--ink') } },
                    { ...line, label: 'low' },
                    { ...line, label: 'high' },
                ],
                data: [at, series.points.map((point) => point.volts), limit(series.low), limit(series.high)],
            };
        },
        [series],
    );
    return (
        <Plot
            draw={draw}
            height={240}
            label={[
                `${series.points.length} readings of ${series.rail} at ${series.test_point}; `,
                `limits ${series.low ?? ''} V to ${series.high ?? ''} V. The latest are in the table.`,
            ].join('')}
        />
    );
}
