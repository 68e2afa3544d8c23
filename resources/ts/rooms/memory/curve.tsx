import 'uplot/dist/uPlot.min.css';
import { useEffect, useRef } from 'react';
import uPlot from 'uplot';
import type { Schemas } from '../../api/client';
import { colour, useLight } from '../../bench/light-watch';

// The library's number for a logarithmic scale: its enumeration exists in the types only.
// eslint-disable-next-line @typescript-eslint/no-unsafe-enum-assignment
const LOGARITHMIC: uPlot.Scale = { distr: 3 };

const SHARE = new Intl.NumberFormat('en-GB', { style: 'percent', maximumSignificantDigits: 2 });

/** The bound on the failure rate against the number of passes: a mark where the soak stands, a dashed line for the wished bound. */
export function Curve({ soak }: { soak: Schemas['SoakCard'] }) {
    const place = useRef<HTMLDivElement>(null);
    const light = useLight();
    useEffect(() => {
        const element = place.current;
        if (element === null) return;
        const axis = {
            stroke: colour('--soft'),
            grid: { stroke: colour('--line'), width: 1 },
            ticks: { stroke: colour('--line'), width: 1 },
            font: '12px B612',
        };
        const plot = new uPlot(
            {
                width: element.clientWidth,
                height: 300,
                legend: { show: false },
                cursor: { show: false },
                scales: { x: { time: false }, y: LOGARITHMIC },
                axes: [
                    { ...axis, label: 'passes', labelFont: '12px B612', labelSize: 20 },
                    {
                        ...axis,
                        size: 64,
                        values: (_, ticks) => ticks.map((tick: number | null) => (tick === null ? '' : SHARE.format(tick))),
                    },
                ],
                series: [
                    {},
                    { stroke: colour('--accent'), width: 3, points: { show: false } },
                    { stroke: colour('--ink'), width: 0, points: { show: true, size: 14, fill: colour('--ink') } },
                    { stroke: colour('--soft'), width: 1.5, dash: [6, 5], points: { show: false } },
                ],
            },
            [
                soak.curve.map((point) => point.passes),
                soak.curve.map((point) => point.upper),
                soak.curve.map((point) => (point.here ? point.upper : null)),
                soak.curve.map(() => soak.target),
            ],
            element,
        );
        const resize = new ResizeObserver(() => plot.setSize({ width: element.clientWidth, height: 300 }));
        resize.observe(element);
        return () => {
            resize.disconnect();
            plot.destroy();
        };
    }, [soak, light]);
    return <div ref={place} role="img" aria-label={`Bound on the failure rate against passes. At ${soak.passes} passes: ${soak.bound}.`} />;
}
