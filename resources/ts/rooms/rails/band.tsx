import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field } from '../../ui/controls';
import { Sheet } from '../../ui/keys';

/** Two schools: hold the supply's own band, or accept the wide one. The bench chooses per rail, and the reason is kept. */
export function BandDialog({ job, step, onClose }: { job: string; step: Schemas['StepCard']; onClose: () => void }) {
    const [reason, setReason] = useState('');
    const [error, setError] = useState<string>();
    const other = step.band === 'tight' ? 'wide' : 'tight';
    const beside =
        step.band === 'tight'
            ? `The wide band is ${step.wide}: much early logic and memory accepts it, drives and TTL do not.`
            : 'The tight band is the one of the profile.';
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title={`Band of ${step.rail}`} about={`Judged by the ${step.band} band, ${step.limits}. ${beside}`}>
                <form
                    className="flex flex-col gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        const text = `judge ${step.rail} by the ${other} band`;
                        void record(job, { kind: 'decision', text, data: { reason, rail: step.rail, band: other } }, text).then((sent) => {
                            if (sent.state === 'refused') setError(sent.refusal.message);
                            else onClose();
                        });
                    }}
                >
                    <Field
                        label={`Judge ${step.rail} by the ${other} band, because`}
                        autoFocus
                        required
                        value={reason}
                        error={error}
                        onChange={(event) => setReason(event.target.value)}
                    />
                    <div>
                        <Button type="submit" look="main">
                            Use the {other} band
                        </Button>
                    </div>
                </form>
            </Sheet>
        </Dialog.Root>
    );
}
