import type { Schemas } from '../../api/client';

const ROW = 30;
const PIN = 26;
const LEFT = 14;

/** Which pins of a row a cap joins: "1-2" is the first and the second. */
const pair = (pins: string | null): [number, number] | null => {
    const m = /^(\d+)-(\d+)$/.exec(pins ?? '');
    return m === null ? null : [Number(m[1]), Number(m[2])];
};

/**
 * A jumper block as it looks on the board: one row of pins for each way to stand, the cap over the pair that is joined; where it goes is
 * drawn as an empty cap. What is no jumper is a row of levers. To be held beside the board.
 */
export function Block({ setting, to }: { setting: Schemas['SettingCard']; to?: number }) {
    const pairs = setting.options.map((it) => pair(it.pins));
    const pins = Math.max(3, ...pairs.flatMap((it) => it ?? []));
    const words = `${setting.says}${to === undefined ? '' : `, to move to ${setting.options[to]?.words ?? ''}`}`;
    return (
        <figure>
            <figcaption className="text-sm">
                <span className="font-bold">{setting.block}</span> {setting.takes_words}
            </figcaption>
            <svg width={LEFT + pins * PIN + 120} height={setting.options.length * ROW + 8} role="img" aria-label={words} tabIndex={0}>
                {setting.options.map((option, row) => {
                    const joined = pairs[row] ?? null;
                    const y = row * ROW + ROW / 2 + 2;
                    const now = row === setting.at;
                    const next = row === to;
                    return (
                        <g key={option.value}>
                            {joined === null ? (
                                <>
                                    <rect x={LEFT} y={y - 9} width={44} height={18} rx={3} fill="none" stroke="var(--ink)" />
                                    {(now || next) && (
                                        <rect
                                            x={LEFT + (now ? 23 : 3)}
                                            y={y - 7}
                                            width={18}
                                            height={14}
                                            fill={now ? 'var(--ink)' : 'none'}
                                            stroke="var(--accent)"
                                            strokeDasharray={now ? undefined : '3 2'}
                                        />
                                    )}
                                </>
                            ) : (
                                <>
                                    {Array.from({ length: pins }, (_, i) => (
                                        <rect key={i} x={LEFT + i * PIN} y={y - 4} width={8} height={8} fill="var(--soft)" />
                                    ))}
                                    {(now || next) && (
                                        <rect
                                            x={LEFT + (joined[0] - 1) * PIN - 6}
                                            y={y - 10}
                                            width={(joined[1] - joined[0]) * PIN + 20}
                                            height={20}
                                            rx={4}
                                            fill={now ? 'var(--ink)' : 'none'}
                                            stroke={next ? 'var(--accent)' : 'var(--ink)'}
                                            strokeWidth={next ? 3 : 1}
                                            strokeDasharray={next ? '4 3' : undefined}
                                        />
                                    )}
                                </>
                            )}
                            <text x={LEFT + pins * PIN + 8} y={y + 5} fontSize={15} fontWeight={now ? 700 : 400} fill="var(--ink)">
                                {option.words}
                                {now ? ' now' : next ? ' then' : ''}
                            </text>
                        </g>
                    );
                })}
            </svg>
        </figure>
    );
}
