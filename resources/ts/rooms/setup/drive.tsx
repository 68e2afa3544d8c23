import { useDeferredValue, useState } from 'react';
import { record, type Sent } from '../../api/outbox';
import { Figures, useSums } from '../../bench/sums';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { filled } from '../../ui/number';

const NONE = { cylinders: '', heads: '', sectors: '', label_mb: '' };
const FIELDS = [
    ['cylinders', 'Cylinders'],
    ['heads', 'Heads'],
    ['sectors', 'Sectors a track'],
    ['label_mb', 'Sold as, MB'],
] as const;

/** A fixed disk off its label: how large it is both ways, and what old limits hide of it; kept with a name. */
export function Drive({ job, types }: { job: string; types: number }) {
    const [typed, setTyped] = useState(NONE);
    const [name, setName] = useState('');
    const [sent, setSent] = useState<Sent | null>(null);
    const asked = useDeferredValue(typed);
    const ready = [asked.cylinders, asked.heads, asked.sectors].every((it) => it.trim() !== '');
    const sums = useSums('setup', 'geometry', filled(asked, ['cylinders', 'heads', 'sectors', 'label_mb']), ready);
    const found = sums.found as { reasons: string[] } | undefined;
    const keep = async () => {
        const figures = filled(typed, ['cylinders', 'heads', 'sectors', 'label_mb']);
        const answer = await record(job, { kind: 'drive', data: { name: name.trim(), ...figures } as never }, name);
        setSent(answer);
        if (answer.state === 'refused') return;
        setTyped(NONE);
        setName('');
    };
    return (
        <Part title="A drive, off its label">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void keep();
                }}
            >
                <Field label="Its name" placeholder="disc 1" size={12} value={name} onChange={(event) => setName(event.target.value)} />
                <Figures fields={FIELDS} typed={typed} set={(field, value) => setTyped({ ...typed, [field]: value })} />
                <Button type="submit" look="main" disabled={name.trim() === '' || !ready}>
                    Keep the drive
                </Button>
            </form>
            {types > 0 && (
                <p className="text-sm text-soft">The table of this kind of machine has {types} types: the one that fits is said.</p>
            )}
            {sums.problem !== null && <Notice tone="bad">{sums.problem}</Notice>}
            {sent?.state === 'refused' && (
                <Notice tone="bad" live>
                    {sent.refusal.message}
                </Notice>
            )}
            {found !== undefined && (
                <ul className="mt-2">
                    {found.reasons.map((it) => (
                        <li key={it}>{it}</li>
                    ))}
                </ul>
            )}
        </Part>
    );
}
