import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Notice, Part } from '../../ui/controls';
import { day } from '../../ui/when';

/** What ends an open item with one press; the others end in their own room. */
const ENDS: Partial<Record<string, { kind: 'undone' | 'arrived'; field: string; words: string }>> = {
    hazard: { kind: 'undone', field: 'hazard', words: 'Undone' },
    waiting: { kind: 'arrived', field: 'waiting', words: 'Arrived' },
};
const NAMES: Partial<Record<string, [words: string, tone: string]>> = {
    hazard: ['Temporary fix', 'text-out'],
    waiting: ['Waiting for', 'text-close'],
    repair: ['To repair', 'text-out'],
    clock: ['Running', 'text-close'],
    recheck: ['Look again', 'text-close'],
};

/** Temporary fixes and what the job waits for, each with the one press that ends it. */
export function OpenItems({ page, may }: { page: Schemas['JobPage']; may: boolean }) {
    const [problem, setProblem] = useState<string | null>(null);
    if (page.open_items.length === 0) return null;
    const end = async (item: Schemas['OpenItemCard']) => {
        const ends = ENDS[item.kind];
        if (ends === undefined) return;
        const { kind, field } = ends;
        const sent = await record(page.job.id, { kind, data: { [field]: item.id } }, `${kind}: ${item.text}`);
        setProblem(sent.state === 'refused' ? sent.refusal.message : null);
    };
    return (
        <Part title="Open on this job">
            <ul className="divide-y divide-line">
                {page.open_items.map((item) => (
                    <li key={item.id} className="flex flex-wrap items-center justify-between gap-3 py-1">
                        <span>
                            <span className={`font-bold ${NAMES[item.kind]?.[1] ?? ''}`}>{NAMES[item.kind]?.[0]}</span> {item.text}
                            {item.asked !== null && `, asked of ${item.asked}`}{' '}
                            <span className="text-sm text-soft">since {day(item.since)}</span>
                        </span>
                        {may && ENDS[item.kind] !== undefined && <Button onClick={() => void end(item)}>{ENDS[item.kind]?.words}</Button>}
                    </li>
                ))}
            </ul>
            {problem !== null && (
                <Notice tone="bad" live>
                    {problem}
                </Notice>
            )}
        </Part>
    );
}
