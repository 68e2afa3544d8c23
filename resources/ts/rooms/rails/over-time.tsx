import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { Part } from '../../ui/controls';

const Series = lazy(async () => ({ default: (await import('./series')).Series }));

/** One test point over the years. */
export function OverTime({ board: id }: { board: string }) {
    const places = useQuery({
        queryKey: ['rail-places', id],
        queryFn: () => data(api.GET('/boards/{board}/rail-places', { params: { path: { board: id } } })),
    }).data;
    return places === undefined ? null : <Places id={id} places={places} />;
}

function Places({ id, places }: { id: string; places: Schemas['PlacePoint'][] }) {
    const most = places.reduce<Schemas['PlacePoint'] | undefined>(
        (best, it) => (best === undefined || it.readings > best.readings ? it : best),
        undefined,
    );
    const [chosen, choose] = useState('');
    const place = places.find((it) => `${it.rail}|${it.test_point}` === chosen) ?? most;
    if (place === undefined) return null;
    return (
        <Part
            title="One test point over time"
            aside={
                <select
                    aria-label="Test point"
                    className="w-auto"
                    value={`${place.rail}|${place.test_point}`}
                    onChange={(event) => choose(event.target.value)}
                >
                    {places.map((it) => (
                        <option key={`${it.rail}|${it.test_point}`} value={`${it.rail}|${it.test_point}`}>
                            {it.rail}, {it.test_point} ({it.readings})
                        </option>
                    ))}
                </select>
            }
        >
            <Suspense fallback={<p className="text-soft">Loading</p>}>
                <Series board={id} rail={place.rail} testPoint={place.test_point} />
            </Suspense>
        </Part>
    );
}
