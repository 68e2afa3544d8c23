import { useDeferredValue, useState } from 'react';
import { Figures, useSums } from '../../bench/sums';
import { Notice, Part } from '../../ui/controls';
import { filled } from '../../ui/number';

const NONE = { cylinders: '', heads: '', sectors: '', label_mb: '' };
const FIELDS = [
    ['cylinders', 'Cylinders'],
    ['heads', 'Heads'],
    ['sectors', 'Sectors a track'],
    ['label_mb', 'Sold as, MB'],
] as const;

/** A fixed disk off its label: how large it is both ways, and what old limits hide of it. */
export function Drive() {
    const [typed, setTyped] = useState(NONE);
    const asked = useDeferredValue(typed);
    const ready = [asked.cylinders, asked.heads, asked.sectors].every((it) => it.trim() !== '');
    const sums = useSums('setup', 'geometry', filled(asked, ['cylinders', 'heads', 'sectors', 'label_mb']), ready);
    const found = sums.found as { reasons: string[] } | undefined;
    return (
        <Part title="A drive, off its label">
            <div className="flex flex-wrap items-end gap-3">
                <Figures fields={FIELDS} typed={typed} set={(name, value) => setTyped({ ...typed, [name]: value })} />
            </div>
            {sums.problem !== null && <Notice tone="bad">{sums.problem}</Notice>}
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
