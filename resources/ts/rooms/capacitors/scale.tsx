import type { Schemas } from '../../api/client';

/** Old and new from the side and from above, in millimetres: the dashed line is the height that is free, the dots are the holes. */
export function Scale({ page, item }: { page: Schemas['SubstitutePage']; item: Schemas['ShelfCard'] }) {
    const old = { diameter: page.diameter_mm, height: page.height_mm, pitch: page.pitch_mm };
    const next = { diameter: item.diameter_mm, height: item.height_mm, pitch: item.pitch_mm };
    const wide = Math.max(old.diameter ?? 0, next.diameter ?? 0, old.pitch ?? 0, next.pitch ?? 0, 10);
    const tall = Math.max(old.height ?? 0, next.height ?? 0, page.clearance_mm ?? 0, 10);
    const column = wide + 12;
    const top = tall + 10;
    return (
        <svg
            viewBox={`0 0 ${column * 2 + 6} ${top + wide + 14}`}
            className="w-full max-w-72"
            role="img"
            aria-label={`Old: ${says(old)}. New: ${says(next)}.${page.clearance_mm === null ? '' : ` ${page.clearance_mm} mm are free above it.`}`}
        >
            {page.clearance_mm !== null && (
                <>
                    <path
                        d={`M0 ${top - page.clearance_mm}H${column * 2 + 6}`}
                        stroke="var(--out)"
                        strokeWidth="0.6"
                        strokeDasharray="2 1.5"
                    />
                    <text x={column * 2 + 5} y={top - page.clearance_mm - 1} fontSize="3" textAnchor="end" fill="var(--out)">
                        {page.clearance_mm} mm free
                    </text>
                </>
            )}
            <path d={`M0 ${top}H${column * 2 + 6}`} stroke="var(--wood)" strokeWidth="1.6" />
            <One at={column / 2} top={top} wide={wide} part={old} name="old" />
            <One at={column * 1.5 + 4} top={top} wide={wide} part={next} holes={old.pitch} name="new" />
        </svg>
    );
}

interface Size {
    diameter: number | null;
    height: number | null;
    pitch: number | null;
}

const says = (it: Size): string =>
    [
        it.diameter === null ? 'diameter not known' : `${it.diameter} mm across`,
        it.height === null ? 'height not known' : `${it.height} mm high`,
        it.pitch === null ? 'pitch not known' : `pitch ${it.pitch} mm`,
    ].join(', ');

function One({
    at,
    top,
    wide,
    part,
    holes,
    name,
}: {
    at: number;
    top: number;
    wide: number;
    part: Size;
    holes?: number | null;
    name: string;
}) {
    const middle = top + 5 + wide / 2;
    const width = part.diameter ?? 8;
    const height = part.height ?? 10;
    const dash = (known: unknown) => (known === null ? '1.5 1' : undefined);
    return (
        <g>
            <rect
                x={at - width / 2}
                y={top - height}
                width={width}
                height={height}
                rx="1.2"
                fill="var(--accent-wash)"
                stroke="var(--ink)"
                strokeWidth="0.5"
                strokeDasharray={dash(part.height)}
            />
            <text x={at} y={top - 2} fontSize="3.4" fontWeight="700" textAnchor="middle" fill="var(--ink)">
                {name}
            </text>
            <circle
                cx={at}
                cy={middle}
                r={width / 2}
                fill="var(--accent-wash)"
                stroke="var(--ink)"
                strokeWidth="0.5"
                strokeDasharray={dash(part.diameter)}
            />
            {(holes ?? part.pitch) !== null &&
                [-1, 1].map((side) => (
                    <circle
                        key={side}
                        cx={at + (side * (holes ?? part.pitch ?? 0)) / 2}
                        cy={middle}
                        r="0.9"
                        fill="none"
                        stroke="var(--wood-deep)"
                        strokeWidth="0.5"
                    />
                ))}
            {part.pitch !== null &&
                [-1, 1].map((side) => <circle key={side} cx={at + (side * (part.pitch ?? 0)) / 2} cy={middle} r="0.5" fill="var(--ink)" />)}
            <text x={at} y={top + wide + 11} fontSize="3" textAnchor="middle" fill="var(--soft)">
                {part.diameter === null ? '?' : part.diameter} x {part.height === null ? '?' : part.height}, pitch{' '}
                {part.pitch === null ? '?' : part.pitch}
            </text>
        </g>
    );
}
