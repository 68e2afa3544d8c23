import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, words } from '../api/client';
import { useMayRecord } from '../ui/session';
import { keepText, readText } from '../api/storage';

/** The choice that reads no meter: values are typed, and judged as from a hand-held one. */
export const TYPED = 'typed';
const KEY = 'ash-bench.meter';

export function useMeters() {
    const meters = useQuery({ queryKey: ['meters'], queryFn: () => data(api.GET('/meters')) });
    const [kept, keep] = useState(() => readText(KEY));
    const active = meters.data?.filter((meter) => meter.active) ?? [];
    const options = [...active.map((meter) => ({ value: meter.id, words: meter.name })), { value: TYPED, words: 'Typed, hand-held meter' }];
    const chosen = options.find((it) => it.value === kept)?.value ?? options[0]?.value ?? TYPED;
    return {
        options,
        chosen,
        meter: active.find((meter) => meter.id === chosen) ?? null,
        standin: active.find((meter) => meter.id === chosen && meter.standin)?.id ?? null,
        choose: (meter: string) => {
            keepText(KEY, meter);
            keep(meter);
        },
    };
}

export function MeterChoice({ meters }: { meters: ReturnType<typeof useMeters> }) {
    const may = useMayRecord();
    return (
        <>
            <select aria-label="Meter" className="w-auto" value={meters.chosen} onChange={(event) => meters.choose(event.target.value)}>
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
