import type { Schemas } from '../api/client';
import { placeOf, toneOf } from './verdict';

const W = 400;

/**
 * A tolerance strip: band, guard zones at both ends, tick for the reading, ghost tick for the one before, the other
 * school's band as an outline behind. All places come from the server as shares of the width.
 */
export function Strip({
    strip,
    verdict,
    height = 26,
    label,
}: {
    strip: Schemas['StripCard'];
    verdict: string | null;
    height?: number;
    label: string;
}) {
    const x = (share: number) => share * W;
    const zone = (from: number, to: number) => ({ x: x(from), width: Math.max(0, x(to) - x(from)) });
    return (
        <svg viewBox={`0 0 ${W} 40`} height={height} preserveAspectRatio="none" className="w-full" role="img" aria-label={label}>
            <path d={`M0 20H${W}`} stroke="var(--line)" strokeWidth="2" />
            {strip.wide_low !== null && strip.wide_high !== null && (
                <rect
                    {...zone(Math.min(strip.wide_low, strip.wide_high), Math.max(strip.wide_low, strip.wide_high))}
                    y="13"
                    height="14"
                    fill="none"
                    stroke="var(--soft)"
                    strokeWidth="1.5"
                    strokeDasharray="5 4"
                    vectorEffect="non-scaling-stroke"
                />
            )}
            <rect
                {...zone(strip.low, strip.high)}
                y="9"
                height="22"
                fill="var(--accent-wash)"
                stroke="var(--accent)"
                strokeWidth="1.5"
                vectorEffect="non-scaling-stroke"
            />
            <rect {...zone(strip.low, strip.low + strip.guard)} y="9" height="22" fill="var(--close)" opacity="0.45" />
            <rect {...zone(strip.high - strip.guard, strip.high)} y="9" height="22" fill="var(--close)" opacity="0.45" />
            <path
                d={`M${x(strip.nominal)} 9v22`}
                stroke="var(--accent)"
                strokeWidth="1.5"
                strokeDasharray="2 3"
                vectorEffect="non-scaling-stroke"
            />
            {strip.ghost !== null && (
                <path
                    d={`M${x(strip.ghost)} 4v32`}
                    stroke="var(--soft)"
                    strokeWidth="3"
                    strokeDasharray="4 3"
                    vectorEffect="non-scaling-stroke"
                />
            )}
            {strip.tick !== null && (
                <path
                    d={
                        strip.beyond
                            ? `M${x(strip.tick) + (strip.tick < 0.5 ? 9 : -9)} 3L${x(strip.tick)} 20l${strip.tick < 0.5 ? 9 : -9} 17`
                            : `M${x(strip.tick)} 1v38`
                    }
                    fill="none"
                    stroke="currentColor"
                    className={placeOf(verdict) === null ? 'text-ink' : toneOf(verdict)}
                    strokeWidth="5"
                    vectorEffect="non-scaling-stroke"
                />
            )}
        </svg>
    );
}
