import { useQuery } from '@tanstack/react-query';
import { useState, type PointerEvent } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { record, type Sent } from '../../api/outbox';
import { moveSpot, spotOf, type Spot } from '../../bench/spot';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { number, percent } from '../../ui/number';
import { Select } from '../../ui/select';
import { dayAndClock } from '../../ui/when';
import { BeforeAndAfter, Curve } from './brightening';

type Kind = 'places' | 'reference' | 'grey';
const KINDS: [Kind, string][] = [
    ['places', 'on the part'],
    ['reference', 'reference patch'],
    ['grey', 'grey card'],
];
/** Colours measured on a photo: the places are said here, everything else is read from the stored picture by the server. */
export function Colour({ page, may }: { page: Schemas['TreatmentsPage']; may: boolean }) {
    const photos = useQuery({
        queryKey: ['photos', page.job_id],
        queryFn: () => data(api.GET('/jobs/{job}/photos', { params: { path: { job: page.job_id } } })),
    });
    const [chosen, setChosen] = useState('');
    const list = photos.data ?? [];
    const photo = list.find((it) => it.id === chosen);
    return (
        <Part title="Colour, measured on a photo">
            {page.colours.map((it) => (
                <section key={it.part} className="mb-3">
                    <h3 className="font-bold">{it.part}</h3>
                    <ol>
                        {it.readings.map((one) => (
                            <li key={one.entry} className="tabular-nums">
                                <span className="text-sm text-soft">{dayAndClock(one.at)}</span> {one.says}
                            </li>
                        ))}
                    </ol>
                    <p className="text-sm text-soft">{it.readings.at(-1)?.reasons[0]}</p>
                    <BeforeAndAfter part={it} />
                    <Curve part={it} />
                    <p>{it.says}.</p>
                </section>
            ))}
            {page.colours.length > 0 && (
                <p className="text-sm text-soft">A camera is no colorimeter: only patches of one picture are compared with each other.</p>
            )}
            {list.length === 0 && (
                <p className="text-soft">
                    Take a photo of the job that holds the part, a reference patch that saw no light, and a grey card; then tap the three.
                </p>
            )}
            {may && list.length > 0 && (
                <Select
                    label="Photo with part, reference patch and grey card"
                    value={chosen}
                    options={[['', 'choose'], ...list.map((it): [string, string] => [it.id, it.caption || (it.of ?? dayAndClock(it.at))])]}
                    onChange={setChosen}
                />
            )}
            {may && photo !== undefined && <Spots key={photo.id} job={page.job_id} photo={photo} onDone={() => setChosen('')} />}
        </Part>
    );
}

function Spots({ job, photo, onDone }: { job: string; photo: Schemas['PhotoCard']; onDone: () => void }) {
    const [kind, setKind] = useState<Kind>('places');
    const [at, setAt] = useState<Spot>({ x: 0.5, y: 0.5 });
    const [spots, setSpots] = useState<{ kind: Kind; at: Spot }[]>([]);
    const [part, setPart] = useState('');
    const [hours, setHours] = useState('');
    const [radius, setRadius] = useState('2');
    const [sent, setSent] = useState<Sent | null>(null);
    const of = (which: Kind) => spots.filter((it) => it.kind === which).map((it) => it.at);
    const put = (spot: Spot) => {
        setSpots([...spots.filter((it) => kind === 'places' || it.kind !== kind), { kind, at: spot }]);
        setKind(kind === 'places' ? 'reference' : 'grey');
    };
    const tap = (event: PointerEvent<HTMLDivElement>) => {
        const spot = spotOf(event);
        setAt(spot);
        put(spot);
    };
    const send = async () => {
        const [reference] = of('reference');
        const [grey] = of('grey');
        if (reference === undefined || grey === undefined) return;
        const answer = await record(
            job,
            {
                kind: 'colour',
                data: {
                    photo: photo.id,
                    part,
                    places: of('places'),
                    reference,
                    grey,
                    radius: percent(radius),
                    ...(hours.trim() === '' ? {} : { hours: number(hours) }),
                },
            },
            `colour of ${part}`,
        );
        setSent(answer);
        if (answer.state !== 'refused') onDone();
    };
    const ready = part.trim() !== '' && KINDS.every(([it]) => of(it).length > 0);
    return (
        <div className="mt-3 grid gap-3">
            <fieldset className="flex flex-wrap gap-4">
                <legend className="text-sm font-bold">The next tap is</legend>
                {KINDS.map(([value, words]) => (
                    <label key={value} className="flex min-h-11 items-center gap-2">
                        <input type="radio" name="spot" checked={kind === value} onChange={() => setKind(value)} />
                        {words} ({of(value).length})
                    </label>
                ))}
                <Button look="quiet" onClick={() => setSpots([])}>
                    Tap again
                </Button>
            </fieldset>
            <div
                tabIndex={0}
                role="application"
                aria-label="Photo: the arrow keys move the spot, Enter takes it"
                className="relative max-w-3xl touch-manipulation"
                onPointerDown={tap}
                onKeyDown={(event) => moveSpot(event, at, setAt, put)}
            >
                <img src={photo.url} alt={photo.caption || 'the part, the reference patch and the grey card'} className="block w-full" />
                {spots.map((it, i) => (
                    <Ring key={i} at={it.at} radius={radius} words={it.kind === 'places' ? 'P' : it.kind === 'reference' ? 'R' : 'G'} />
                ))}
                <Ring at={at} radius={radius} words="+" />
            </div>
            <div className="flex flex-wrap items-end gap-3">
                <Field label="The part, by name" placeholder="case top" value={part} onChange={(event) => setPart(event.target.value)} />
                <Field
                    label="Hours of brightening so far"
                    inputMode="decimal"
                    size={6}
                    value={hours}
                    onChange={(event) => setHours(event.target.value)}
                />
                <Field
                    label="Radius, % of the width"
                    inputMode="decimal"
                    size={6}
                    value={radius}
                    onChange={(event) => setRadius(event.target.value)}
                />
                <Button look="main" disabled={!ready} onClick={() => void send()}>
                    Read the colours
                </Button>
            </div>
            {sent?.state === 'refused' && (
                <Notice tone="bad" live>
                    {sent.refusal.message}
                </Notice>
            )}
        </div>
    );
}

function Ring({ at, radius, words }: { at: Spot; radius: string; words: string }) {
    return (
        <span
            aria-hidden="true"
            className="absolute grid -translate-1/2 place-items-center rounded-full border-2 border-accent bg-raised/60 text-xs font-bold text-ink"
            style={{ left: `${at.x * 100}%`, top: `${at.y * 100}%`, width: `calc(2 * ${radius}%)`, minWidth: '1.25rem', aspectRatio: '1' }}
        >
            {words}
        </span>
    );
}
