import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Notice, Part } from '../../ui/controls';
import { choices, Select } from '../../ui/select';

/** What was done at the live part: leg, pad, trace, and how round it sits. */
export function Rework({ page, cap }: { page: Schemas['CapacitorPage']; cap: Schemas['CapCard'] }) {
    const [done, setDone] = useState<Schemas['DataRework']['done']>('leg_lifted');
    const [polarity, setPolarity] = useState<'' | 'plus' | 'minus'>('');
    const [trace, setTrace] = useState('');
    const [problem, setProblem] = useState<string | null>(null);
    const fitted = done === 'fitted' || done === 'refitted';
    const keep = () =>
        void record(
            page.job.id,
            {
                kind: 'rework',
                stage: 'repair',
                data: {
                    cap: cap.key,
                    done,
                    ...(fitted && polarity !== '' ? { polarity } : {}),
                    ...(done === 'trace_repaired' && trace !== '' ? { continuity: trace } : {}),
                },
            },
            `${cap.key}: ${done}`,
        ).then((sent) => setProblem(sent.state === 'refused' ? sent.refusal.message : null));
    return (
        <Part title={`Rework at ${cap.key}`}>
            <div className="flex flex-wrap items-end gap-3">
                <div className="w-52">
                    <Select label="Done" value={done} options={choices<Schemas['DataRework']['done']>(page.rework)} onChange={setDone} />
                </div>
                {fitted && cap.polarised && (
                    <div className="w-52">
                        <Select
                            label="Its stripe sits at"
                            value={polarity}
                            options={[
                                ['', 'not looked at'],
                                ['plus', 'the board’s plus'],
                                ['minus', 'the board’s minus'],
                            ]}
                            onChange={setPolarity}
                        />
                    </div>
                )}
                {done === 'trace_repaired' && page.traces.length > 0 && (
                    <div className="w-64">
                        <Select label="Continuity of" value={trace} options={choices(page.traces, 'none')} onChange={setTrace} />
                    </div>
                )}
                <Button onClick={keep}>Write it down</Button>
            </div>
            {problem !== null && (
                <div className="mt-2">
                    <Notice tone="bad" live>
                        {problem}
                    </Notice>
                </div>
            )}
            {cap.rework.length > 0 && <p className="mt-2 text-sm">So far: {cap.rework.join(', ')}.</p>}
        </Part>
    );
}
