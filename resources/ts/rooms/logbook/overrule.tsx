import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice } from '../../ui/controls';
import { Sheet } from '../../ui/keys';

/** A person judges otherwise than the product did: with a reason, and both stay. */
export function Overrule({ entry, onClose }: { entry: Schemas['EntryCard']; onClose: () => void }) {
    const [says, setSays] = useState('');
    const [reason, setReason] = useState('');
    const [error, setError] = useState<string | null>(null);
    const send = async () => {
        const sent = await record(entry.job_id, { kind: 'overruled', data: { of: entry.id, says, reason } }, `overruled: ${says}`);
        if (sent.state === 'refused') setError(sent.refusal.message);
        else onClose();
    };
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title="Overrule a verdict" about={entry.says}>
                <form
                    className="flex flex-col gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        void send();
                    }}
                >
                    <Field label="My verdict" autoFocus required value={says} onChange={(event) => setSays(event.target.value)} />
                    <Field label="Because" required value={reason} onChange={(event) => setReason(event.target.value)} />
                    {error !== null && (
                        <Notice tone="bad" live>
                            {error}
                        </Notice>
                    )}
                    <div>
                        <Button type="submit" look="main">
                            Overrule
                        </Button>
                    </div>
                </form>
            </Sheet>
        </Dialog.Root>
    );
}
