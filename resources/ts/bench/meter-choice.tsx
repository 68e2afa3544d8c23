import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, words } from '../api/client';
import { useMayRecord } from '../ui/session';
import { chooseFor, chosenOf } from './once-a-run';

/** The choice that reads no meter: values are typed, and judged as from a hand-held one. */
export const TYPED = 'typed';

/**
 * The meter of a run: chosen once for it. Where typed figures are laid to it none is preset, so that no figure is laid to a meter
 * that was not read; where it is only asked the first one stands ready.
 */
export function useMeters(run: string, ready = false) {
    const meters = useQuery({ queryKey: ['meters'], queryFn: () => data(api.GET('/meters')) });
    const [kept, keep] = useState(() => chosenOf(run, 'meter'));
    const active = meters.data?.filter((meter) => meter.active) ?? [];
    const options = [...active.map((meter) => ({ value: meter.id, words: meter.name })), { value: TYPED, words: 'Typed, hand-held meter' }];
    const chosen = options.find((it) => it.value === kept)?.value ?? (ready ? (options[0]?.value ?? TYPED) : null);
    return {
        options,
        chosen,
        meter: active.find((meter) => meter.id === chosen) ?? null,
        standin: active.find((meter) => meter.id === chosen && meter.standin)?.id ?? null,
        choose: (meter: string) => {
            chooseFor(run, 'meter', meter);
            keep(meter);
        },
    };
}

export function MeterChoice({ meters }: { meters: ReturnType<typeof useMeters> }) {
    const may = useMayRecord();
    return (
        <>
            <select
                aria-label="Meter"
                className="w-auto"
                value={meters.chosen ?? ''}
                onChange={(event) => meters.choose(event.target.value)}
            >
                {meters.chosen === null && <option value="">choose the meter</option>}
                {meters.options.map((it) => (
                    <option key={it.value} value={it.value}>
                        {it.words}
                    </option>
                ))}
            </select>
            {may && meters.standin !== null && <SceneChoice meter={meters.standin} />}
        </>
    );
}

/** Which simulated board the stand-in is connected to. */
function SceneChoice({ meter }: { meter: string }) {
    const scene = useQuery({
        queryKey: ['scene', meter],
        queryFn: () => data(api.GET('/meters/{meter}/scene', { params: { path: { meter } } })),
        retry: false,
    });
    const change = useMutation({
        mutationFn: (next: string) => data(api.PUT('/meters/{meter}/scene', { params: { path: { meter } }, body: { scene: next } })),
        onSuccess: () => void scene.refetch(),
    });
    if (scene.data === undefined) return scene.error === null ? null : <span className="text-sm text-out">{words(scene.error)}</span>;
    return (
        <select
            aria-label="Simulated board"
            className="w-auto"
            value={scene.data.scene}
            onChange={(event) => change.mutate(event.target.value)}
        >
            {scene.data.scenes.map((it) => (
                <option key={it} value={it}>
                    {it}
                </option>
            ))}
        </select>
    );
}
