import { useCallback } from 'react';
import type uPlot from 'uplot';
import type { Schemas } from '../../api/client';
import { colour } from '../../bench/light-watch';
import { Plot, type Drawing } from '../../bench/plot';

// The library's number for a logarithmic scale: its enumeration exists in the types only.
// eslint-disable-next-line @typescript-eslint/no-unsafe-enum-assignment
const LOGARITHMIC: uPlot.Scale = { distr: 3 };

const SHARE = new Intl.NumberFormat('en-GB', { style: 'percent', maximumSignificantDigits: 2 });

/** The bound on the failure rate against the number of passes: a mark where the soak stands, a dashed line for the wished bound. */
export function Curve({ soak }: { soak: Schemas['SoakCard'] }) {
    const draw = useCallback(
        (): Drawing => ({
            scales: { x: { time: false }, y: LOGARITHMIC },
            axes: [
                { label: 'passes', labelFont: '12px B612', labelSize: 20 },
                { size: 64, values: (_, ticks) => ticks.map((tick: number | null) => (tick === null ? '' : SHARE.format(tick))) },
            ],
            series: [
                {},
                { stroke: colour('--accent'), width: 3, points: { show: false } },
                { stroke: colour('--ink'), width: 0, points: { show: true, size: 14, fill: colour('--ink') } },
                { stroke: colour('--soft'), width: 1.5, dash: [6, 5], points: { show: false } },
            ],
            data: [
                soak.curve.map((point) => point.passes),
                soak.curve.map((point) => point.upper),
                soak.curve.map((point) => (point.here ? point.upper : null)),
                soak.curve.map(() => soak.target),
            ],
        }),
        [soak],
    );
    return <Plot draw={draw} height={300} label={`Bound on the failure rate against passes. At ${soak.passes} passes: ${soak.bound}.`} />;
}
