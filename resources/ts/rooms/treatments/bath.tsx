import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, data } from '../../api/client';
import { Field, Notice } from '../../ui/controls';
import { number } from '../../ui/number';
import { Select } from '../../ui/select';

const START = { bath_l: '10', volts: '12', amps: '5', minutes: '15', grams_per_litre: '7', ventilation_m3_h: '' };
const FIELDS: [keyof typeof START, string][] = [
    ['bath_l', 'Litres in the vessel'],
    ['volts', 'Volts'],
    ['amps', 'Amperes'],
    ['minutes', 'Minutes'],
    ['grams_per_litre', 'Grams of soda a litre'],
    ['ventilation_m3_h', 'Fresh air, m3 an hour'],
];

/** The sums of a bath as it stands: hydrogen, fresh air, warmth; computed by the server from what is typed. */
export function Bath() {
    const [typed, setTyped] = useState(START);
    const asked = useDeferredValue(typed);
    const sums = useQuery({
        queryKey: ['bath', asked],
        retry: false,
        queryFn: () =>
            data(
                api.POST('/compute/{room}/{verb}', {
                    params: { path: { room: 'treatments', verb: 'electrolysis' } },
                    body: {
                        part: { metal: 'steel' },
                        anode: 'carbon',
                        electrolyte: 'sodium_carbonate',
                        ...Object.fromEntries(
                            Object.entries(asked)
                                .filter(([, value]) => value.trim() !== '')
                                .map(([name, value]) => [name, number(value)]),
                        ),
                    },
                }),
            ),
    });
    const found = sums.data as { verdict: string; reasons: string[] } | undefined;
    return (
        <details className="mt-3">
            <summary className="min-h-11 cursor-pointer py-2 font-bold">The sums of the bath</summary>
            <div className="flex flex-wrap items-end gap-3">
                {FIELDS.map(([name, label]) => (
                    <Field
                        key={name}
                        label={label}
                        inputMode="decimal"
                        size={8}
                        value={typed[name]}
                        onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
                    />
                ))}
            </div>
            {sums.error !== null && <Notice tone="bad">{sums.error.message}</Notice>}
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

/** How much of a stock and how much water; by mass. */
export function Dilute({ substances }: { substances: [string, string][] }) {
    const [substance, setSubstance] = useState(substances[0]?.[0] ?? '');
    const [typed, setTyped] = useState(DILUTION);
    const asked = useDeferredValue({ substance, ...typed });
    const sums = useQuery({
        queryKey: ['dilute', asked],
        retry: false,
        queryFn: () =>
            data(
                api.POST('/compute/{room}/{verb}', {
                    params: { path: { room: 'treatments', verb: 'dilute' } },
                    body: {
                        substance: asked.substance,
                        stock_pct: number(asked.stock_pct),
                        want_pct: number(asked.want_pct),
                        total_g: number(asked.total_g),
                    },
                }),
            ),
    });
    const found = sums.data as { reasons: string[] } | undefined;
    return (
        <details className="mt-3">
            <summary className="min-h-11 cursor-pointer py-2 font-bold">A stock made weaker</summary>
            <div className="flex flex-wrap items-end gap-3">
                <Select label="Of" value={substance} options={substances} onChange={setSubstance} />
                {(
                    [
                        ['stock_pct', 'The bottle says, % by mass'],
                        ['want_pct', 'Wanted, % by mass'],
                        ['total_g', 'Grams wanted'],
                    ] as const
                ).map(([name, label]) => (
                    <Field
                        key={name}
                        label={label}
                        inputMode="decimal"
                        size={8}
                        value={typed[name]}
                        onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
                    />
                ))}
            </div>
            {sums.error !== null && <Notice tone="bad">{sums.error.message}</Notice>}
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
