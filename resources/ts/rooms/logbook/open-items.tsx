import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { anew, record } from '../../api/outbox';
import { Button, Notice, Part } from '../../ui/controls';
import { day } from '../../ui/when';

/** What the job's entries left open, each with the one press that ends it where one is enough. */
export function OpenItems({ page, may }: { page: Schemas['JobPage']; may: boolean }) {
    const [problem, setProblem] = useState<string | null>(null);
    if (page.open_items.length === 0) return null;
    const end = async (item: Schemas['OpenItemCard']) => {
        if (item.ends === null) return;
        const { kind, field } = item.ends;
        const sent = await record(page.job.id, anew(kind, { [field]: item.id }), `${kind}: ${item.text}`);
        setProblem(sent.state === 'refused' ? sent.refusal.message : null);
    };
    return (
        <Part title="Open on this job">
            <ul className="divide-y divide-line">
                {page.open_items.map((item) => (
                    <li key={item.id} className="flex flex-wrap items-center justify-between gap-3 py-1">
                        <span>
                            <span className={`font-bold ${item.urgent ? 'text-out' : 'text-close'}`}>{item.kind_words}</span> {item.text}
                            {item.asked !== null && `, asked of ${item.asked}`}{' '}
                            <span className="text-sm text-soft">since {day(item.since)}</span>
                        </span>
                        {may && item.ends !== null && <Button onClick={() => void end(item)}>{item.ends.words}</Button>}
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
