import type { Schemas } from '../../api/client';
import { Part } from '../../ui/controls';

const STATES: Partial<Record<string, { words: string; tone: string }>> = {
    good: { words: 'good', tone: 'text-in' },
    dead: { words: 'dead', tone: 'text-out' },
    next: { words: 'probe here next', tone: 'text-accent font-bold' },
};

/** The rail drawn as it runs, from the supply outwards: where the voltage still is, where it is gone, and where to probe next. */
export function PathWalk({ path }: { path: Schemas['PathCard'] }) {
    return (
        <Part title={`Along ${path.rail}`}>
            <ol className="flex items-start overflow-x-auto">
                {path.points.map((point, i) => {
                    const state = STATES[point.state];
                    return (
                        <li key={point.name} className={`min-w-24 flex-1 text-center text-sm ${state?.tone ?? 'text-soft'}`}>
                            <svg viewBox="0 0 100 24" preserveAspectRatio="none" className="block h-6 w-full" aria-hidden="true">
                                <path
                                    d={`M${i === 0 ? 50 : 0} 12H${i === path.points.length - 1 ? 50 : 100}`}
                                    stroke="currentColor"
                                    strokeWidth="3"
                                    strokeDasharray={point.state === 'good' ? undefined : '6 5'}
                                    vectorEffect="non-scaling-stroke"
                                />
                                {point.state === 'good' && <rect x="42" y="3" width="16" height="18" fill="currentColor" />}
                                {point.state === 'dead' && (
                                    <path
                                        d="M44 4l12 16m0-16l-12 16"
                                        stroke="currentColor"
                                        strokeWidth="4"
                                        vectorEffect="non-scaling-stroke"
                                    />
                                )}
                                {point.state === 'next' && <path d="M50 22l-9-18h18z" fill="currentColor" />}
                                {point.state === 'unknown' && (
                                    <rect
                                        x="44"
                                        y="5"
                                        width="12"
                                        height="14"
                                        fill="var(--sheet)"
                                        stroke="currentColor"
                                        strokeWidth="2"
                                        vectorEffect="non-scaling-stroke"
                                    />
                                )}
                            </svg>
                            <span className="block">{point.name}</span>
                            <span className="block">{state?.words ?? 'not read'}</span>
                        </li>
                    );
                })}
            </ol>
            <p className="mt-1">
                {path.fault_between !== null && <span className="font-bold">Lost between {path.fault_between}. </span>}
                {path.next_point !== null && `At most ${path.worst_case_probes} more ${path.worst_case_probes === 1 ? 'probe' : 'probes'}.`}
            </p>
            {path.fault_between === null && path.reasons.map((reason) => <p key={reason}>{reason}</p>)}
        </Part>
    );
}
