import type { Schemas } from '../../api/client';

const STEP = 30;
const TONES: Partial<Record<string, string>> = {
    hazard: 'var(--out)',
    conflict: 'var(--close)',
    same: 'var(--soft)',
    unknown: 'var(--soft)',
};

/** The socket from above, pin by pin: outside what the board brings, inside what the chip has there. A dangerous pin is a barred, thick one. */
export function Pins({ fit, fitted, candidate }: { fit: Schemas['FitCard']; fitted: string; candidate: string }) {
    const rows = fit.pins.filter((pin) => pin.side === 'left').length;
    const bad = fit.pins.filter((pin) => pin.says !== null);
    const says = bad.length === 0 ? 'no pin in conflict that is known' : bad.map((pin) => `pin ${pin.pin} ${pin.says ?? ''}`).join(', ');
    return (
        <figure>
            <svg viewBox={`-70 0 820 ${rows * STEP + 34}`} className="w-full max-w-3xl" role="img" aria-label={`${fit.package}: ${says}`}>
                <text x="180" y="14" fontSize="12" textAnchor="end" fill="var(--soft)">
                    the board brings ({fitted})
                </text>
                <text x="340" y="14" fontSize="12" textAnchor="middle" fill="var(--soft)">
                    the chip has ({candidate})
                </text>
                <rect x="230" y="22" width="220" height={rows * STEP + 4} rx="6" fill="var(--raised)" stroke="var(--soft)" />
                <path d="M322 22a18 12 0 0 0 36 0" fill="var(--sheet)" stroke="var(--soft)" />
                {fit.pins.map((pin) => {
                    const left = pin.side === 'left';
                    const y = 24 + STEP / 2 + STEP * (left ? pin.pin - 1 : rows * 2 - pin.pin);
                    const tone = TONES[pin.meets] ?? 'var(--soft)';
                    const anchor = left ? 'end' : 'start';
                    const strong = pin.says !== null;
                    return (
                        <g key={pin.pin}>
                            <path
                                d={`M${left ? 230 : 450} ${y}h${left ? -38 : 38}`}
                                stroke={tone}
                                strokeWidth={pin.meets === 'hazard' ? 8 : strong ? 5 : 2}
                            />
                            {pin.meets === 'hazard' && (
                                <path d={`M${(left ? 211 : 469) - 7} ${y - 10}l14 20m0 -20l-14 20`} stroke="var(--out)" strokeWidth="3" />
                            )}
                            <text x={left ? 218 : 462} y={y - 5} fontSize="10" textAnchor={anchor} fill="var(--soft)">
                                {pin.meets === 'hazard' ? '' : pin.pin}
                            </text>
                            <text
                                x={left ? 184 : 496}
                                y={y + 5}
                                fontSize="15"
                                textAnchor={anchor}
                                fontWeight={strong ? 700 : 400}
                                fill={strong ? tone : 'var(--ink)'}
                            >
                                {left && strong && `${pin.pin} `}
                                {pin.fitted ?? ''}
                                {!left && strong && ` ${pin.pin}`}
                            </text>
                            <text
                                x={left ? 240 : 440}
                                y={y + 5}
                                fontSize="15"
                                textAnchor={left ? 'start' : 'end'}
                                fontWeight={strong ? 700 : 400}
                                fill={strong ? tone : 'var(--ink)'}
                            >
                                {pin.candidate ?? ''}
                            </text>
                            {strong && (
                                <text x={left ? -66 : 746} y={y + 4} fontSize="12" textAnchor={left ? 'start' : 'end'} fill={tone}>
                                    {pin.says}
                                </text>
                            )}
                        </g>
                    );
                })}
            </svg>
            <figcaption className="text-sm text-soft">Pins without words are not in the catalogue: look at the sheets.</figcaption>
        </figure>
    );
}
