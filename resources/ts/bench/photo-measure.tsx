import { useState } from 'react';
import { api, data } from '../api/client';
import { Button, Field, Notice } from '../ui/controls';
import { useSend } from '../ui/form';
import { number } from '../ui/number';

export interface Place {
    x: number;
    y: number;
}

const ASKED = ['one end of a length that you know', 'its other end', 'the first place', 'the second place'];

/** How far two places lie apart, by a length in the picture that is known. Places are tapped, or moved to with the arrow keys. */
export function PhotoMeasure({ photo, taps, clear }: { photo: string; taps: Place[]; clear: () => void }) {
    const [known, setKnown] = useState('');
    const [says, setSays] = useState<string | null>(null);
    const form = useSend(
        () => data(api.POST('/photos/{photo}/distance', { params: { path: { photo } }, body: { taps, known_mm: number(known) } })),
        (answer) => setSays(answer.says),
    );
    const asked = ASKED[taps.length];
    const wrong = form.at('/taps') ?? form.problem;
    return (
        <div className="mt-2 flex flex-wrap items-end gap-3" role="group" aria-label="Measure on the photo">
            <p role="status" className="w-full">
                {asked !== undefined
                    ? `Tap ${asked}, or move the spot with the arrow keys and press Enter.`
                    : (says ?? 'Say how long the known length is.')}
            </p>
            <div className="w-48">
                <Field
                    label="Known length, mm"
                    value={known}
                    error={form.at('/known_mm')}
                    inputMode="decimal"
                    onChange={(event) => setKnown(event.target.value)}
                />
            </div>
            <Button disabled={asked !== undefined || known.trim() === '' || form.busy} onClick={() => void form.submit()}>
                How far
            </Button>
            <Button
                look="quiet"
                onClick={() => {
                    clear();
                    setSays(null);
                }}
            >
                Tap again
            </Button>
            {wrong !== null && <Notice tone="bad">{wrong}</Notice>}
        </div>
    );
}
