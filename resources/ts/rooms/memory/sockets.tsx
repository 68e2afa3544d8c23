import { type CSSProperties, useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';

const W = 1240;
const LABEL = 96;
const CELL = 136;
const CHIP = 66;
const ROW = 88;

/** Sockets that are drawn at once; of more, those in view. */
const MANY = 256;

const TONES = ['var(--soft)', 'var(--soft)', 'var(--close)', 'var(--close)', 'var(--out)'];

/**
 * The sockets as they lie on the board. Suspicion is told three times: a probability in words, four blocks at the foot of the chip of
 * which more are filled the surer it is, with a pointer above from the third on, and a colour. With banks only these are drawn.
 */
export function SocketMap({ sockets, banks }: { sockets: Schemas['SocketsCard']; banks?: string[] }) {
    const rows = banks === undefined ? sockets.rows : sockets.rows.filter((row) => banks.includes(row.bank));
    const across = Math.max(...rows.map((row) => row.places.length), 1);
    const cell = Math.min(CELL, (W - LABEL) / across);
    const width = LABEL + cell * across;
    const style = { minWidth: `${across * 40}px`, maxWidth: `${width}px` };
    const many = rows.length * across > MANY;
    return (
        <figure className="overflow-x-auto">
            {many ? (
                <div role="img" aria-label={sockets.says}>
                    {rows.map((row, y) => (
                        <RowInView key={y} row={row} cell={cell} width={width} style={style} />
                    ))}
                </div>
            ) : (
                <svg
                    viewBox={`0 0 ${width} ${rows.length * ROW + 4}`}
                    className="block w-full"
                    style={style}
                    role="img"
                    aria-label={sockets.says}
                >
                    {rows.map((row, y) => (
                        <g key={y} transform={`translate(0 ${y * ROW})`}>
                            <SocketRow row={row} cell={cell} />
                        </g>
                    ))}
                </svg>
            )}
            {sockets.beside.length > 0 && <figcaption className="mt-1 text-sm">Beside the chips: {sockets.beside.join('; ')}</figcaption>}
        </figure>
    );
}

type Row = Schemas['SocketsCard']['rows'][number];

/** A row of a large memory, drawn when it comes near the screen. */
function RowInView({ row, cell, width, style }: { row: Row; cell: number; width: number; style: CSSProperties }) {
    const place = useRef<SVGSVGElement>(null);
    const [near, setNear] = useState(false);
    useEffect(() => {
        const watch = new IntersectionObserver((seen) => seen.some((it) => it.isIntersecting) && setNear(true), { rootMargin: '400px' });
        if (place.current !== null) watch.observe(place.current);
        return () => watch.disconnect();
    }, []);
    return (
        <svg ref={place} viewBox={`0 0 ${width} ${ROW}`} className="block w-full" style={style} aria-hidden="true">
            {near && <SocketRow row={row} cell={cell} />}
        </svg>
    );
}

function SocketRow({ row, cell }: { row: Row; cell: number }) {
    return (
        <>
            <text x="2" y="40" fontSize="17" fontWeight="700" fill="var(--ink)">
                Bank {row.bank}
            </text>
            <text x="2" y="58" fontSize="11" fill="var(--soft)">
                {row.range}
            </text>
            {!row.tested && (
                <text x="2" y="74" fontSize="12" fontWeight="700" fill="var(--ink)">
                    not tested
                </text>
            )}
            {row.places.map((place, x) => (
                <g key={x} transform={`translate(${LABEL + x * cell} 0)`}>
                    {place.socket !== null && <Chip socket={place.socket} width={cell - 8} tested={row.tested} />}
                </g>
            ))}
        </>
    );
}

function Chip({ socket, width, tested }: { socket: Schemas['SocketCard']; width: number; tested: boolean }) {
    const tone = TONES[socket.level] ?? 'var(--soft)';
    const middle = width / 2;
    const roomy = width > 90;
    const big = roomy ? 27 : socket.ref.length * 12.5 < width ? 20 : 15;
    const small = roomy ? 13 : 11;
    return (
        <>
            {socket.level >= 3 && <path d={`M${middle - 9} 0h18l-9 13z`} fill={tone} />}
            {[0.2, 0.4, 0.6, 0.8].map((at) => (
                <path key={at} d={`M${width * at} 14v${CHIP + 4}`} stroke="var(--line)" strokeWidth="3" />
            ))}
            <rect
                x="0"
                y="16"
                width={width}
                height={CHIP}
                rx="4"
                fill={socket.level >= 4 ? 'var(--out-wash)' : socket.level >= 2 ? 'var(--close-wash)' : 'var(--raised)'}
                stroke={socket.level === 0 ? 'var(--soft)' : tone}
                strokeWidth={socket.level >= 3 ? 3 : 1}
                strokeDasharray={tested ? undefined : '4 4'}
            />
            <path d={`M0 ${16 + CHIP / 2 - 6}a6 6 0 0 1 0 12`} fill="none" stroke="var(--soft)" />
            <text x={middle} y={roomy ? 40 : 37} fontSize={big} fontWeight="700" textAnchor="middle" fill="var(--ink)">
                {socket.ref}
            </text>
            <text x={middle} y={roomy ? 55 : 51} fontSize={small} textAnchor="middle" fill="var(--soft)">
                {socket.bits}
            </text>
            {socket.suspicion !== '' ? (
                <text x={middle} y={roomy ? 71 : 67} fontSize={roomy ? 18 : 15} fontWeight="700" textAnchor="middle" fill={tone}>
                    {socket.suspicion}
                </text>
            ) : (
                socket.date_code !== null && (
                    <text
                        x={middle}
                        y={roomy ? 71 : 66}
                        fontSize={small}
                        textAnchor="middle"
                        fontWeight={socket.younger === null ? 400 : 700}
                        fill={socket.younger === null ? 'var(--soft)' : 'var(--ink)'}
                    >
                        {socket.date_code}
                        {socket.younger !== null && ' later'}
                    </text>
                )
            )}
            {[1, 2, 3, 4].map((block) => (
                <rect
                    key={block}
                    x={4 + ((width - 8) * (block - 1)) / 4}
                    y={CHIP + 6}
                    width={(width - 8) / 4 - 2}
                    height="8"
                    fill={block <= socket.level ? tone : 'none'}
                    stroke={socket.level === 0 ? 'none' : tone}
                />
            ))}
        </>
    );
}
