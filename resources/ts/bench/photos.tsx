import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useRef, useState, type RefObject } from 'react';
import { ulid } from 'ulid';
import { api, data, Refusal, words, type Schemas } from '../api/client';
import { record } from '../api/outbox';
import { takePhoto } from '../api/photo-box';
import { moveSpot, spotOf } from './spot';
import { Button, Field, Notice, Part } from '../ui/controls';
import { Sheet } from '../ui/keys';
import { PhotoMeasure, type Place } from './photo-measure';
import { dayAndClock } from '../ui/when';

type Photo = Schemas['PhotoCard'];

/** Pictures of the job; a pin points at a place that has no designator. */
export function Photos({ job, may }: { job: string; may: boolean }) {
    const input = useRef<HTMLInputElement>(null);
    const camera = useRef<HTMLInputElement>(null);
    const [caption, setCaption] = useState('');
    const [of, setOf] = useState('');
    const [phase, setPhase] = useState('');
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const [shown, setShown] = useState<string | null>(null);
    const photos = useQuery({
        queryKey: ['photos', job],
        queryFn: () => data(api.GET('/jobs/{job}/photos', { params: { path: { job } } })),
    });
    const list = photos.data ?? [];
    if (list.length === 0 && !may) return null;
    const send = async (file: File) => {
        setBusy(true);
        setProblem(null);
        try {
            const sent = await takePhoto({
                id: ulid(),
                entry: ulid(),
                at: new Date().toISOString(),
                job,
                caption,
                of: of.trim(),
                phase: of.trim() === '' ? '' : phase,
                name: file.name,
                file,
            });
            if (sent instanceof Refusal) setProblem(`${file.name} ${words(sent)}`);
            else setCaption('');
        } catch (caught) {
            setProblem(`${file.name} ${words(caught)}`);
        } finally {
            setBusy(false);
        }
    };
    const open = list.find((it) => it.id === shown);
    return (
        <Part title="Photos">
            <Pairs photos={list} onShow={setShown} />
            <Thumbnails photos={list.filter((it) => it.phase === null)} onShow={setShown} />
            {may && (
                <div className="mt-2 flex flex-wrap items-end gap-3">
                    <div className="w-56">
                        <Field
                            label="It shows"
                            value={of}
                            placeholder="the corner by the battery"
                            onChange={(event) => setOf(event.target.value)}
                        />
                    </div>
                    <div className="w-36">
                        <Field label="Before or after">
                            {(ids) => (
                                <select {...ids} value={phase} onChange={(event) => setPhase(event.target.value)}>
                                    <option value="">neither</option>
                                    <option value="before">before</option>
                                    <option value="after">after</option>
                                </select>
                            )}
                        </Field>
                    </div>
                    <div className="w-72">
                        <Field label="Caption of the next photo" value={caption} onChange={(event) => setCaption(event.target.value)} />
                    </div>
                    <PictureInput input={input} label="Photo file" onPicked={(file) => void send(file)} />
                    <PictureInput input={camera} label="Photo from the camera" capture="environment" onPicked={(file) => void send(file)} />
                    <Button look="main" className="pointer-fine:hidden" disabled={busy} onClick={() => camera.current?.click()}>
                        Camera
                    </Button>
                    <Button disabled={busy} onClick={() => input.current?.click()}>
                        {busy ? 'Taking it in' : 'Add a photo'}
                    </Button>
                </div>
            )}
            {problem !== null && (
                <Notice tone="bad" live>
                    {problem}
                </Notice>
            )}
            {open !== undefined && <Look photo={open} job={job} may={may} onClose={() => setShown(null)} />}
        </Part>
    );
}

/** Opened by a button beside it; the same picture can be picked again. */
function PictureInput({
    input,
    label,
    onPicked,
    ...rest
}: {
    input: RefObject<HTMLInputElement | null>;
    label: string;
    capture?: 'environment';
    onPicked: (file: File) => void;
}) {
    return (
        <input
            ref={input}
            type="file"
            accept="image/jpeg,image/png,image/webp"
            aria-label={label}
            className="sr-only"
            tabIndex={-1}
            onChange={(event) => {
                const file = event.target.files?.[0];
                if (file !== undefined) onPicked(file);
                event.target.value = '';
            }}
            {...rest}
        />
    );
}

const said = (photo: Photo): string => photo.caption || (photo.of ?? dayAndClock(photo.at));

/** Before beside after, of the same thing. */
export function Pairs({ photos, onShow }: { photos: Photo[]; onShow: (id: string) => void }) {
    const pairs = Map.groupBy(
        photos.filter((it) => it.phase !== null),
        (it) => it.of ?? '',
    );
    if (pairs.size === 0) return null;
    return (
        <ul className="mb-3 grid gap-4 lg:grid-cols-2">
            {[...pairs].map(([of, list]) => (
                <li key={of}>
                    <h3 className="text-sm font-bold">{of}</h3>
                    <div className="grid grid-cols-2 gap-2">
                        {['before', 'after'].map((phase) => {
                            const photo = list.findLast((it) => it.phase === phase);
                            return (
                                <figure key={phase}>
                                    {photo === undefined ? (
                                        <div className="flex h-40 items-center justify-center rounded border border-dashed border-line text-soft">
                                            no picture yet
                                        </div>
                                    ) : (
                                        <button type="button" className="block w-full" onClick={() => onShow(photo.id)}>
                                            <img
                                                src={photo.thumbnail}
                                                alt={`${of}, ${phase}`}
                                                loading="lazy"
                                                className="h-40 w-full rounded border border-line object-cover"
                                            />
                                        </button>
                                    )}
                                    <figcaption className="text-sm">{phase}</figcaption>
                                </figure>
                            );
                        })}
                    </div>
                </li>
            ))}
        </ul>
    );
}

export function Thumbnails({ photos, onShow }: { photos: Photo[]; onShow: (id: string) => void }) {
    return (
        <ul className="flex flex-wrap gap-3">
            {photos.map((photo) => (
                <li key={photo.id} className="w-44">
                    <button type="button" className="block w-full text-left" onClick={() => onShow(photo.id)}>
                        <img
                            src={photo.thumbnail}
                            alt={said(photo)}
                            loading="lazy"
                            className="h-32 w-full rounded border border-line object-cover"
                        />
                        <span className="block truncate text-sm">{said(photo)}</span>
                    </button>
                    {photo.pins.length > 0 && <span className="text-sm text-soft">{photo.pins.length} pins</span>}
                </li>
            ))}
        </ul>
    );
}

export function Look({ photo, job, may, onClose }: { photo: Photo; job: string; may: boolean; onClose: () => void }) {
    const client = useQueryClient();
    const [at, setAt] = useState<{ x: number; y: number } | null>(null);
    const [text, setText] = useState('');
    const [error, setError] = useState<string>();
    const [taps, setTaps] = useState<Place[] | null>(null);
    const [spot, setSpot] = useState<Place>({ x: 0.5, y: 0.5 });
    const place = (it: Place) => {
        if (taps === null) setAt(it);
        else setTaps((before) => (before === null || before.length >= 4 ? before : [...before, it]));
    };
    const pin = async () => {
        const sent = await record(job, { kind: 'pin', text, data: { photo: photo.id, ...(at ?? spot) } }, `pin: ${text}`);
        if (sent.state === 'refused') {
            setError(sent.refusal.message);
            return;
        }
        setText('');
        setAt(null);
        await client.invalidateQueries({ queryKey: ['photos', job] });
    };
    const mark =
        'absolute flex h-7 w-7 -translate-x-1/2 -translate-y-1/2 items-center justify-center rounded-full border-2 ' +
        'border-raised bg-accent text-sm font-bold text-accent-ink';
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title={said(photo)} about={`${photo.author}, ${dayAndClock(photo.at)}`}>
                <div
                    className="relative"
                    tabIndex={0}
                    role="application"
                    aria-label="The photo: arrow keys move the spot, Enter marks the place"
                    onClick={(event) => place(spotOf(event))}
                    onKeyDown={(event) => moveSpot(event, spot, setSpot, place)}
                >
                    <img src={photo.url} alt={said(photo)} className="w-full" />
                    {photo.pins.map((it) => (
                        <span key={it.number} className={mark} style={{ left: `${it.x * 100}%`, top: `${it.y * 100}%` }}>
                            {it.number}
                        </span>
                    ))}
                    <span
                        aria-hidden="true"
                        className="absolute h-4 w-4 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-accent"
                        style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }}
                    />
                    {(taps ?? []).map((it, i) => (
                        <span
                            key={`${i} ${it.x} ${it.y}`}
                            className={`${mark} opacity-80`}
                            style={{ left: `${it.x * 100}%`, top: `${it.y * 100}%` }}
                        >
                            {'abcd'[i]}
                        </span>
                    ))}
                    {at !== null && <span className={`${mark} opacity-70`} style={{ left: `${at.x * 100}%`, top: `${at.y * 100}%` }} />}
                </div>
                <Button look="quiet" onClick={() => setTaps(taps === null ? [] : null)}>
                    {taps === null ? 'Measure on the photo' : 'No measuring'}
                </Button>
                {taps !== null && <PhotoMeasure photo={photo.id} taps={taps} clear={() => setTaps([])} />}
                <ol className="mt-2">
                    {photo.pins.map((it) => (
                        <li key={it.number}>
                            <span className="font-bold">{it.number}</span> {it.text}
                        </li>
                    ))}
                </ol>
                {may && (
                    <form
                        className="mt-2 flex flex-wrap items-end gap-3"
                        onSubmit={(event) => {
                            event.preventDefault();
                            void pin();
                        }}
                    >
                        <div className="flex-1">
                            <Field
                                label="Pin"
                                error={error}
                                hint={
                                    at === null
                                        ? 'click on the place first; without a click the pin sits in the middle'
                                        : 'the place is marked'
                                }
                                required
                                value={text}
                                placeholder="the burst part left of the second connector"
                                onChange={(event) => setText(event.target.value)}
                            />
                        </div>
                        <Button type="submit" className="mb-6">
                            Set the pin
                        </Button>
                    </form>
                )}
            </Sheet>
        </Dialog.Root>
    );
}
