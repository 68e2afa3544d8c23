import { useEffect, useEffectEvent, useRef, useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { Strip } from './strip';
import { Verdict, VerdictMark, washOf } from './verdict';

/** One point of a run, as any room hands it in: every word and figure in it was computed by the server. */
export interface ProbePoint {
    key: string;
    name: string;
    place: string;
    where: string | null;
    limits: string;
    /** null where no band is drawn for what is read */
    strip: Schemas['StripCard'] | null;
    value: string | null;
    verdict: string | null;
    words: string;
    reasons: string[];
    previous: string | null;
    aside: string | null;
    unsent: string | null;
}

export interface Typed {
    value: string;
    second: string;
}

/**
 * The probe run: a list of test points with exactly one live point, shown very large. Space (or a foot switch that
 * sends it) reads the meter; digits go straight to the live point and Enter records them; Backspace steps back.
 */
export function ProbeRun(props: {
    points: ProbePoint[];
    live: ProbePoint;
    why: string | null;
    last: ProbePoint | null;
    busy: boolean;
    problem: string | null;
    correcting: boolean;
    field: { label: string; unit: string; second: string | null };
    onLive: (key: string) => void;
    onBack: () => void;
    onTake: (() => void) | null;
    onRecord: (typed: Typed) => void;
    onEscape: () => void;
    letters: Record<string, () => void>;
    /** what must be said before anything is read: it stands where the live point will */
    asked?: ReactNode;
    children?: ReactNode;
}) {
    return (
        <div className="grid items-start gap-3 lg:grid-cols-[27rem_1fr]">
            <Points points={props.points} live={props.live} onLive={props.onLive} />
            <div className="flex min-w-0 flex-col gap-3">
                {props.asked ?? <Live {...props} />}
                {props.last !== null && <JustRead point={props.last} />}
                {props.children}
            </div>
        </div>
    );
}

function Points({ points, live, onLive }: { points: ProbePoint[]; live: ProbePoint; onLive: (key: string) => void }) {
    return (
        <ol className="sheet order-last divide-y divide-line overflow-hidden lg:order-none" aria-label="Test points">
            {points.map((point) => (
                <li
                    key={point.key}
                    className={point.key === live.key ? 'border-l-8 border-accent bg-accent-wash' : 'border-l-8 border-transparent'}
                >
                    <button
                        type="button"
                        aria-current={point.key === live.key ? 'true' : undefined}
                        onClick={() => onLive(point.key)}
                        className="grid min-h-11 w-full grid-cols-[4.4rem_1fr_auto] items-center gap-x-2 px-2 py-1 text-left"
                    >
                        <span className="font-bold">{point.name}</span>
                        <span className="min-w-0">
                            <span className="block truncate text-sm">{point.place}</span>
                            {point.strip !== null && (
                                <Strip
                                    strip={point.strip}
                                    verdict={point.verdict}
                                    height={12}
                                    label={`${point.name} ${point.place}: ${point.value ?? 'not read'} ${point.words}`}
                                />
                            )}
                        </span>
                        <span className="w-28 text-right">
                            {point.unsent !== null ? (
                                <span className="font-bold text-close">
                                    {point.unsent} <span className="block text-xs">unsent</span>
                                </span>
                            ) : point.value === null ? (
                                <span className="text-sm text-soft">not read</span>
                            ) : (
                                <>
                                    <span className="figure-number block">{point.value}</span>
                                    <span className="flex justify-end text-sm">
                                        <Verdict verdict={point.verdict} words={point.words} size={13} />
                                    </span>
                                </>
                            )}
                        </span>
                    </button>
                </li>
            ))}
        </ol>
    );
}

function Live({
    live,
    why,
    busy,
    problem,
    correcting,
    field,
    onLive,
    onBack,
    onTake,
    onRecord,
    onEscape,
    letters,
    points,
}: Parameters<typeof ProbeRun>[0]) {
    const [typed, setTyped] = useState<Typed>({ value: '', second: '' });
    const first = useRef<HTMLInputElement>(null);
    const second = useRef<HTMLInputElement>(null);
    useEffect(() => {
        first.current?.focus({ preventScroll: true });
    }, [live.key, busy]);
    const move = (by: number) => {
        const next = points[points.findIndex((point) => point.key === live.key) + by];
        if (next !== undefined) onLive(next.key);
    };
    const commands: Record<string, () => void> = {
        ' ': () => onTake?.(),
        Backspace: onBack,
        ArrowUp: () => move(-1),
        ArrowDown: () => move(1),
        Escape: onEscape,
        ...letters,
    };
    const heard = useEffectEvent((event: KeyboardEvent) => {
        if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || document.querySelector('[role=dialog]') !== null)
            return;
        const target = event.target;
        const elsewhere = target instanceof HTMLElement && target !== first.current && target !== document.body;
        if (elsewhere) return;
        const command = commands[event.key];
        if (typed.value === '' && command !== undefined) {
            event.preventDefault();
            if (!event.repeat || event.key.startsWith('Arrow')) command();
        } else if (target === document.body && event.key.length === 1) {
            first.current?.focus();
        }
    });
    useEffect(() => {
        const listener = (event: KeyboardEvent) => heard(event);
        window.addEventListener('keydown', listener);
        return () => window.removeEventListener('keydown', listener);
    }, []);
    const record = () => {
        if (typed.value.trim() === '') return;
        onRecord(typed);
        setTyped({ value: '', second: '' });
        first.current?.focus();
    };
    return (
        <section aria-label="Live point" className="sheet border-l-8 border-l-accent p-4">
            <div className="flex flex-wrap items-baseline justify-between gap-x-6">
                <p className="text-5xl font-bold" data-live={live.key}>
                    {live.name}
                </p>
                <p className="text-2xl">
                    {live.place}
                    {live.where !== null && <span className="block text-base text-soft">{live.where}</span>}
                </p>
            </div>
            <p className="mt-1 text-sm text-soft">
                {live.limits}
                {live.aside !== null && `; ${live.aside}`}
                {why !== null && `; ${why}`}
            </p>
            <form
                className="mt-2 flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    record();
                }}
            >
                <label className="min-w-44 flex-1">
                    <span className="mb-1.5 block text-sm font-bold">
                        {field.label}
                        {correcting && <span className="text-close">, corrects {live.value}</span>}
                    </span>
                    <span className="flex items-center gap-2">
                        <input
                            ref={first}
                            value={typed.value}
                            data-commands=""
                            inputMode="decimal"
                            autoComplete="off"
                            aria-label={`${field.label} at ${live.name} ${live.place}`}
                            onChange={(event) => setTyped({ ...typed, value: event.target.value })}
                            onKeyDown={(event) => event.key === 'Escape' && setTyped({ value: '', second: '' })}
                            className="figure-number h-20 text-6xl"
                        />
                        <span className="text-4xl">{field.unit}</span>
                    </span>
                </label>
                {field.second !== null && (
                    <label className="w-36">
                        <span className="block text-sm font-bold">{field.second}</span>
                        <input
                            ref={second}
                            value={typed.second}
                            inputMode="decimal"
                            autoComplete="off"
                            onChange={(event) => setTyped({ ...typed, second: event.target.value })}
                            className="figure-number h-12 text-2xl"
                        />
                    </label>
                )}
                <button type="submit" className="min-h-12 rounded border border-soft bg-raised px-4 hover:bg-accent-wash">
                    Record <kbd>Enter</kbd>
                </button>
                {onTake !== null && (
                    <button
                        type="button"
                        disabled={busy}
                        onClick={onTake}
                        className="min-h-12 rounded border border-accent bg-accent px-4 text-accent-ink disabled:opacity-60"
                    >
                        Read the meter <kbd>Space</kbd>
                    </button>
                )}
            </form>
            <p role="status" className="min-h-6 pt-1 font-bold">
                {problem !== null ? <span className="text-out">{problem}</span> : busy ? <span className="text-soft">reading</span> : null}
            </p>
        </section>
    );
}

/** The verdict of the last reading stays beside the next live point: word, shape, colour, and the number that decided it. */
function JustRead({ point }: { point: ProbePoint }) {
    return (
        <section aria-label="Just read" role="status" className={`sheet px-4 py-3 ${washOf(point.verdict)}`}>
            <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
                <p className="figure-number text-4xl font-bold">{point.value}</p>
                <p className="flex items-center gap-2 text-4xl">
                    <VerdictMark verdict={point.verdict} size={36} />
                    <span className="font-bold">{point.words}</span>
                </p>
                <p className="text-sm">
                    {point.name}, {point.place}
                    {point.previous !== null && <span className="block">before: {point.previous}</span>}
                </p>
            </div>
            {point.strip !== null && (
                <div className="mt-1">
                    <Strip
                        strip={point.strip}
                        verdict={point.verdict}
                        height={34}
                        label={`${point.name} ${point.place}: ${point.value ?? ''} ${point.words}`}
                    />
                </div>
            )}
            {point.reasons.map((reason) => (
                <p key={reason} className="text-sm">
                    {reason}
                </p>
            ))}
        </section>
    );
}
