import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Notice } from '../../ui/controls';

const STAGE =
    'min-h-11 flex-1 border-b-4 border-transparent px-2 text-sm whitespace-nowrap enabled:hover:bg-accent-wash ' +
    'aria-[current=step]:border-accent aria-[current=step]:bg-accent-wash aria-[current=step]:font-bold';

/** The order of work as a strip at the top edge. Any stage can be opened at any time; closed gates stand on it as words. */
export function Stages({ page, may }: { page: Schemas['JobPage']; may: boolean }) {
    const [refused, setRefused] = useState<string | null>(null);
    const open = async (stage: Schemas['StageCard']) => {
        const sent = await record(page.job.id, { kind: 'stage', data: { to: stage.stage } }, `stage ${stage.words}`);
        setRefused(sent.state === 'refused' ? sent.refusal.message : null);
    };
    return (
        <nav aria-label="Stages">
            <ol className="sheet flex overflow-x-auto">
                {page.stages.map((stage) => (
                    <li key={stage.stage} className="flex flex-1 items-stretch not-first:border-l not-first:border-line">
                        {stage.gates.length > 0 && (
                            <span
                                role="img"
                                aria-label={`Closed: gate ${stage.gates.join(', gate ')}`}
                                className="flex items-center gap-1 border-r-4 border-double border-out bg-out-wash px-2 font-bold text-out"
                            >
                                {stage.gates.map((gate) => (
                                    <span key={gate}>{gate}</span>
                                ))}
                            </span>
                        )}
                        <button
                            type="button"
                            disabled={!may || stage.current}
                            aria-current={stage.current ? 'step' : undefined}
                            title={`needed here: ${stage.needs}`}
                            onClick={() => void open(stage)}
                            className={STAGE}
                        >
                            {stage.words}
                            {stage.opened && !stage.current && (
                                <span className="text-soft" aria-label="was open">
                                    {' '}
                                    ·
                                </span>
                            )}
                        </button>
                    </li>
                ))}
            </ol>
            {refused !== null && (
                <div className="mt-2">
                    <Notice tone="bad" live>
                        {refused}.
                    </Notice>
                </div>
            )}
        </nav>
    );
}
