import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field } from '../../ui/controls';

/** The gates that are not open, and why. Some people take the leap: then the reason goes into the record and the report. */
export function Gates({ page, may }: { page: Schemas['JobPage']; may: boolean }) {
    const gates = page.sheet.gates.filter((gate) => gate.level !== 'ok');
    if (gates.length === 0 || page.job.state !== 'open') return null;
    return (
        <section aria-label="Gates" className="flex flex-col gap-2">
            {gates.map((gate) => (
                <div key={gate.gate} className="sheet border-l-4 border-l-out px-4 py-2">
                    <div className="flex flex-wrap items-baseline justify-between gap-x-6">
                        <p>
                            <span className="font-bold text-out">{gate.words}</span>: power is not advised.{' '}
                            {gate.why.slice(0, 3).join('; ')}
                            {gate.why.length > 3 && `; and ${gate.why.length - 3} more`}
                        </p>
                        {gate.passed_because !== null && <p className="font-bold">Went on all the same, because {gate.passed_because}</p>}
                    </div>
                    {may && gate.closed && <Leap job={page.job.id} gate={gate} />}
                </div>
            ))}
        </section>
    );
}

function Leap({ job, gate }: { job: string; gate: Schemas['GateCard'] }) {
    const [open, setOpen] = useState(false);
    const [reason, setReason] = useState('');
    const [error, setError] = useState<string>();
    if (!open) {
        return (
            <Button look="quiet" onClick={() => setOpen(true)}>
                Go on anyway
            </Button>
        );
    }
    return (
        <form
            className="mt-1 flex flex-wrap items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                void record(job, { kind: 'gate', data: { gate: gate.gate, reason } }, `went on past ${gate.words}`).then((sent) => {
                    if (sent.state === 'refused') setError(sent.refusal.message);
                    else setOpen(false);
                });
            }}
        >
            <div className="min-w-80 flex-1">
                <Field
                    label={`Reason to go on past ${gate.words.toLowerCase()}`}
                    hint="It stays in the record and is printed on the report."
                    autoFocus
                    required
                    value={reason}
                    error={error}
                    onChange={(event) => setReason(event.target.value)}
                />
            </div>
            <Button type="submit" look="stop">
                Record and go on
            </Button>
            <Button look="quiet" onClick={() => setOpen(false)}>
                Leave it closed
            </Button>
        </form>
    );
}
