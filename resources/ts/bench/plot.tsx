import 'uplot/dist/uPlot.min.css';
import { useEffect, useRef } from 'react';
import type uPlot from 'uplot';
import { colour, useLight } from './light-watch';

/** What a room says of its plot: everything but its size and the look of the axes, which are the bench's. */
export interface Drawing {
    scales: uPlot.Scales;
    axes: [uPlot.Axis, uPlot.Axis];
    series: uPlot.Series[];
    data: uPlot.AlignedData;
}

/**
 * Drawn by a plotting library, which is fetched with the first plot. `draw` gets the library and is asked again when the light changes,
 * because a canvas takes no colours from the style sheet; it must stay the same function as long as the figures do.
 */
export function Plot({ draw, height, label }: { draw: (library: typeof uPlot) => Drawing; height: number; label: string }) {
    const place = useRef<HTMLDivElement>(null);
    const light = useLight();
    useEffect(() => {
        const element = place.current;
        let gone = false;
        let clear = (): void => undefined;
        void import('uplot').then(({ default: library }) => {
            if (element === null || gone) return;
            const { axes, data, ...what } = draw(library);
            const axis = {
                stroke: colour('--soft'),
                grid: { stroke: colour('--line'), width: 1 },
                ticks: { stroke: colour('--line'), width: 1 },
                font: '12px B612',
            };
            const plot = new library(
                {
                    ...what,
                    width: element.clientWidth,
                    height,
                    legend: { show: false },
                    cursor: { show: false },
                    axes: axes.map((own) => ({ ...axis, ...own })),
                },
                data,
                element,
            );
            const resize = new ResizeObserver(() => plot.setSize({ width: element.clientWidth, height }));
            resize.observe(element);
            clear = () => {
                resize.disconnect();
                plot.destroy();
            };
        });
        return () => {
            gone = true;
            clear();
        };
    }, [draw, height, light]);
    return <div ref={place} role="img" aria-label={label} style={{ minHeight: height }} />;
}
