/** The four places a reading can have against its limits: shape first, then lightness, then hue. */
const PLACES = {
    in: { dot: 13, tone: 'text-in', wash: 'bg-in-wash', filled: true },
    in_close: { dot: 18, tone: 'text-close', wash: 'bg-close-wash', filled: true },
    out_close: { dot: 26, tone: 'text-close', wash: 'bg-close-wash', filled: false },
    out: { dot: 31, tone: 'text-out', wash: 'bg-out-wash', filled: false },
} as const;

export type Place = keyof typeof PLACES;

export const placeOf = (verdict: string | null): Place | null => (verdict !== null && verdict in PLACES ? (verdict as Place) : null);
export const toneOf = (verdict: string | null): string => PLACES[placeOf(verdict) ?? 'in'].tone;
export const washOf = (verdict: string | null): string => (placeOf(verdict) === null ? 'bg-raised' : PLACES[placeOf(verdict) ?? 'in'].wash);

/** Two uprights are the limits; the mark between or beyond them is the reading. Good is a filled disc, bad a cross. */
export function VerdictMark({ verdict, size = 22 }: { verdict: string | null; size?: number }) {
    const place = placeOf(verdict);
    if (place === null) return null;
    const { dot, tone, filled } = PLACES[place];
    return (
        <svg viewBox="0 0 36 20" width={(size * 36) / 20} height={size} className={`flex-none ${tone}`} aria-hidden="true">
            <path d="M4 2v16M22 2v16" stroke="currentColor" strokeWidth="2.5" strokeLinecap="round" opacity="0.75" />
            {filled ? (
                <circle cx={dot} cy="10" r="4" fill="currentColor" />
            ) : (
                <path
                    d={`M${dot - 3.5} 6.5l7 7m0-7l-7 7`}
                    stroke="currentColor"
                    strokeWidth={place === 'out' ? 3.2 : 2}
                    strokeLinecap="round"
                />
            )}
        </svg>
    );
}

export function Verdict({ verdict, words, size = 18 }: { verdict: string | null; words: string; size?: number }) {
    return (
        <span className={`inline-flex items-center gap-1.5 font-bold ${placeOf(verdict) === null ? 'text-soft' : toneOf(verdict)}`}>
            <VerdictMark verdict={verdict} size={size} />
            {words}
        </span>
    );
}
