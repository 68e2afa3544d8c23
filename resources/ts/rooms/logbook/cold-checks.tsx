import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Part } from '../../ui/controls';
import { dayAndClock } from '../../ui/when';

type Check = Schemas['ColdCheckCard'];

/** What is looked at with the power off: ticks, each with who made it and when. */
export function ColdChecks({ page, may }: { page: Schemas['JobPage']; may: boolean }) {
    return (
        <Part title="Cold checks">
            <ul className="grid gap-x-6 gap-y-1 md:grid-cols-2">
                {page.cold_checks.map((check) => (
                    <Tick key={check.check} job={page.job.id} check={check} may={may} />
                ))}
            </ul>
        </Part>
    );
}

function Tick({ job, check, may }: { job: string; check: Check; may: boolean }) {
    const [wrong, setWrong] = useState<string | null>(null);
    const made = check.entry_id !== null;
    const tick = () =>
        void (made
            ? record(job, { kind: 'withdrawn', text: 'ticked by mistake', corrects: check.entry_id ?? '' }, `untick ${check.check}`)
            : record(job, { kind: 'cold_check', data: { check: check.check } }, `cold check ${check.check}`));
    const say = () => {
        if (wrong === null || wrong.trim() === '') return;
        void record(job, { kind: 'cold_check', data: { check: check.check, wrong } }, `cold check ${check.check}: ${wrong}`);
        setWrong(null);
    };
    return (
        <li className="min-h-11">
            <div className="flex flex-wrap items-center gap-x-3">
                <label className="flex min-h-11 flex-1 items-center gap-3">
                    <input type="checkbox" checked={made && check.wrong === null} disabled={!may} onChange={tick} />
                    <span>
                        {check.words}
                        {made && (
                            <span className={`block text-sm ${check.wrong === null ? 'text-soft' : 'font-bold text-out'}`}>
                                {check.wrong !== null && `not so: ${check.wrong}. `}
                                {check.author}, {dayAndClock(check.at ?? '')}
                            </span>
                        )}
                    </span>
                </label>
                {may && wrong === null && (
                    <Button look="quiet" aria-label={`Not so: ${check.words}`} onClick={() => setWrong('')}>
                        not so
                    </Button>
                )}
            </div>
            {wrong !== null && (
                <form
                    className="flex items-end gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        say();
                    }}
                >
                    <div className="flex-1">
                        <Field label="What is wrong" autoFocus value={wrong} onChange={(event) => setWrong(event.target.value)} />
                    </div>
                    <Button type="submit">Keep</Button>
                </form>
            )}
        </li>
    );
}
