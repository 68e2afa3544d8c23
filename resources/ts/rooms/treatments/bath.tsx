import { useDeferredValue, useState } from 'react';
import { Figures, useSums } from '../../bench/sums';
import { Notice } from '../../ui/controls';
import { filled, number } from '../../ui/number';
import { Select } from '../../ui/select';

const START = { bath_l: '10', volts: '12', amps: '5', minutes: '15', grams_per_litre: '7', ventilation_m3_h: '' };
const FIELDS = [
    ['bath_l', 'Litres in the vessel'],
    ['volts', 'Volts'],
    ['amps', 'Amperes'],
    ['minutes', 'Minutes'],
    ['grams_per_litre', 'Grams of soda a litre'],
    ['ventilation_m3_h', 'Fresh air, m3 an hour'],
] as const;
const NUMBERS = FIELDS.map(([name]) => name);

/** The sums of a bath as it stands: hydrogen, fresh air, warmth; computed by the server from what is typed. */
export function Bath() {
    const [typed, setTyped] = useState(START);
    const asked = useDeferredValue(typed);
    const sums = useSums('treatments', 'electrolysis', {
        part: { metal: 'steel' },
        anode: 'carbon',
        electrolyte: 'sodium_carbonate',
        ...filled(asked, NUMBERS),
    });
    const found = sums.found as { verdict: string; reasons: string[] } | undefined;
    return (
        <details className="mt-3">
            <summary className="min-h-11 cursor-pointer py-2 font-bold">The sums of the bath</summary>
            <p className="text-sm text-soft">For steel without plating, a carbon anode and washing soda.</p>
            <div className="flex flex-wrap items-end gap-3">
                <Figures fields={FIELDS} typed={typed} set={(name, value) => setTyped({ ...typed, [name]: value })} />
            </div>
            {sums.problem !== null && <Notice tone="bad">{sums.problem}</Notice>}
            {found !== undefined && (
                <Notice tone={found.verdict === 'no' ? 'bad' : found.verdict === 'care' ? 'care' : 'good'}>
                    <span className="font-bold">{found.verdict}</span>
                    <ul>
                        {found.reasons.map((it) => (
                            <li key={it}>{it}</li>
                        ))}
                    </ul>
                </Notice>
            )}
        </details>
    );
}

const DILUTION = { stock_pct: '35', want_pct: '12', total_g: '500' };
const PARTS = [
    ['stock_pct', 'The bottle says, % by mass'],
    ['want_pct', 'Wanted, % by mass'],
    ['total_g', 'Grams wanted'],
] as const;

/** How much of a stock and how much water; by mass. */
export function Dilute({ substances }: { substances: [string, string][] }) {
    const [substance, setSubstance] = useState(substances[0]?.[0] ?? '');
    const [typed, setTyped] = useState(DILUTION);
    const asked = useDeferredValue({ substance, ...typed });
    const sums = useSums('treatments', 'dilute', {
        substance: asked.substance,
        stock_pct: number(asked.stock_pct),
        want_pct: number(asked.want_pct),
        total_g: number(asked.total_g),
    });
    const found = sums.found as { reasons: string[] } | undefined;
    return (
        <details className="mt-3">
            <summary className="min-h-11 cursor-pointer py-2 font-bold">A stock made weaker</summary>
            <div className="flex flex-wrap items-end gap-3">
                <Select label="Of" value={substance} options={substances} onChange={setSubstance} />
                <Figures fields={PARTS} typed={typed} set={(name, value) => setTyped({ ...typed, [name]: value })} />
            </div>
            {sums.problem !== null && <Notice tone="bad">{sums.problem}</Notice>}
            {found !== undefined && (
                <ul className="mt-2">
                    {found.reasons.map((it) => (
                        <li key={it}>{it}</li>
                    ))}
                </ul>
            )}
        </details>
    );
}
