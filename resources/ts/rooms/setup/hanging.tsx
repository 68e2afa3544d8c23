import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Say } from '../../bench/say';
import { Button, Notice, Part } from '../../ui/controls';

type Cable = Schemas['CableCard'];

/** What hangs on a cable, drawn in the order in which it hangs, with its ends and its twist; what is wrong is named, and what mends it. */
export function Hanging({
    title,
    kind,
    cable,
    job,
    may,
    label,
    example,
}: {
    title: string;
    kind: 'chain' | 'cable';
    cable: Cable | null;
    job: string;
    may: boolean;
    label: string;
    example: string;
}) {
    const done = async (it: Cable) => {
        await record(job, { kind, data: it.mended as never }, `${title}: ${it.moves.join(', ')}`);
    };
    return (
        <>
            {cable !== null && (
                <Part
                    title={title}
                    aside={may && cable.moves.length > 0 && <Button onClick={() => void done(cable)}>Done, {title}</Button>}
                >
                    <div className="overflow-x-auto" role="group" aria-label={`${title}, in cable order`} tabIndex={0}>
                        <ol className="flex w-max items-center py-2">
                            {cable.devices.map((it, i) => (
                                <li key={it.name} className="flex items-center">
                                    {i > 0 && <Wire twist={it.twist} />}
                                    <Device device={it} first={i === 0} />
                                </li>
                            ))}
                        </ol>
                    </div>
                    {cable.problems.length === 0 ? (
                        <Notice tone="good">Nothing is wrong with it.</Notice>
                    ) : (
                        <Notice tone="bad">
                            <ul>
                                {cable.problems.map((it) => (
                                    <li key={it}>{it}</li>
                                ))}
                            </ul>
                        </Notice>
                    )}
                    {cable.moves.length > 0 && (
                        <ol className="mt-2 text-lg font-bold">
                            {cable.moves.map((it) => (
                                <li key={it}>{it}</li>
                            ))}
                        </ol>
                    )}
                </Part>
            )}
            {may && (
                <Say
                    job={job}
                    title={cable === null ? title : `${title}, as it hangs now`}
                    word={`${kind} `}
                    label={label}
                    example={example}
                />
            )}
        </>
    );
}

/** The cable between two devices; where some of its wires cross, it is drawn so. */
function Wire({ twist }: { twist: boolean }) {
    return (
        <svg width={48} height={28} aria-hidden="true">
            <path d={twist ? 'M0 8 C24 8 24 20 48 20' : 'M0 8 H48'} fill="none" stroke="var(--ink)" strokeWidth={2} />
            <path d="M0 14 H48" fill="none" stroke="var(--soft)" strokeWidth={2} />
            <path d={twist ? 'M0 20 C24 20 24 8 48 8' : 'M0 20 H48'} fill="none" stroke="var(--ink)" strokeWidth={2} />
        </svg>
    );
}

/** A device in its place; a terminator sits on the side where the cable goes on. */
function Device({ device, first }: { device: Schemas['HangingCard']; first: boolean }) {
    return (
        <span className={`relative rounded border-2 px-4 py-1 ${device.wrong ? 'border-out bg-out-wash' : 'border-ink bg-raised'}`}>
            {device.ends && (
                <span
                    aria-hidden="true"
                    className={`absolute top-1/2 h-10 w-2 -translate-y-1/2 rounded bg-wood ${first ? '-left-1.5' : '-right-1.5'}`}
                />
            )}
            <span className="block font-bold">{device.name}</span>
            <span className="block text-sm tabular-nums">
                {device.twist && 'behind the twist, '}
                {device.stands}
            </span>
            {device.marks !== '' && <span className="block text-sm">{device.marks}</span>}
        </span>
    );
}
