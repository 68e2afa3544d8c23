import { useState } from 'react';
import { type Schemas } from '../../api/client';
import { Button, Field, Notice } from '../../ui/controls';
import { type useSend } from '../../ui/form';
import { filled } from '../../ui/number';
import { choices, Select } from '../../ui/select';

const EMPTY = {
    sku: '',
    name: '',
    kind: '',
    marked_f: '',
    rated_v: '',
    quantity: '',
    low_at: '',
    place: '',
    source: '',
    donor_board: '',
    came_on: '',
    esr_ohm: '',
    hours: '',
    temperature_c: '',
    diameter_mm: '',
    height_mm: '',
    pitch_mm: '',
    safety_class: '',
    tolerance_minus_pct: '',
    tolerance_plus_pct: '',
};
export type Written = typeof EMPTY;
const TEXTS: readonly (keyof Written)[] = ['sku', 'name', 'kind', 'place', 'source', 'donor_board', 'came_on', 'safety_class'];
const NUMBERS = (Object.keys(EMPTY) as (keyof Written)[]).filter((name) => !TEXTS.includes(name));

/** The fields that were filled in; of an item that is there already only what changed, with nothing for what was emptied. */
export function partBody(now: Written, before: Written | null): Record<string, unknown> {
    if (before === null) return filled(now, NUMBERS);
    const changed = Object.entries(now).filter(([name, value]) => value !== before[name as keyof Written]);
    const emptied = changed.filter(([, value]) => value.trim() === '').map(([name]) => [name, null]);
    return { ...(Object.fromEntries(emptied) as Record<string, unknown>), ...filled(Object.fromEntries(changed) as Written, NUMBERS) };
}

export function usePart(fields: Partial<Written>) {
    const before = { ...EMPTY, ...fields };
    const [now, set] = useState(before);
    return { before, now, set };
}

/** What a part on the shelf is: one form for a new one and for one that is there. */
export function PartForm({
    part,
    tested,
    onTested,
    send,
    kinds,
    boards,
    fresh,
}: {
    part: ReturnType<typeof usePart>;
    tested: boolean;
    onTested: (tested: boolean) => void;
    send: ReturnType<typeof useSend>;
    kinds: Schemas['ChoiceCard'][];
    boards: Schemas['ChoiceCard'][];
    fresh: boolean;
}) {
    const { now, set } = part;
    const field = (name: keyof Written, label: string, placeholder = '') => (
        <Field
            label={label}
            placeholder={placeholder}
            value={now[name]}
            error={send.at(`/${name}`)}
            onChange={(event) => set({ ...now, [name]: event.target.value })}
        />
    );
    const pick = (name: 'kind' | 'donor_board' | 'safety_class', label: string, options: [string, string][]) => (
        <Select
            label={label}
            value={now[name]}
            options={options}
            error={send.at(`/${name}`)}
            onChange={(value) => set({ ...now, [name]: value })}
        />
    );
    return (
        <>
            <form
                className="grid items-end gap-3 sm:grid-cols-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    void send.submit();
                }}
            >
                {field('sku', 'Number', 'AL-100-25')}
                {field('name', 'Name', 'from value and kind')}
                {pick('kind', 'Capacitor kind', choices(kinds, 'no capacitor'))}
                {fresh && field('quantity', 'Quantity')}
                {field('place', 'Place', 'drawer 12')}
                {field('source', 'Source')}
                {field('low_at', 'Low at')}
                {field('came_on', 'Came on', 'today')}
                {pick('donor_board', 'Taken off board', choices(boards, 'none'))}
                {now.kind !== '' && (
                    <>
                        {field('marked_f', 'Value, F', '100u')}
                        {field('rated_v', 'Volts')}
                        {field('tolerance_minus_pct', 'Tolerance, − %')}
                        {field('tolerance_plus_pct', 'Tolerance, + %')}
                        {field('diameter_mm', 'Diameter, mm')}
                        {field('height_mm', 'Height, mm')}
                        {field('pitch_mm', 'Pitch, mm')}
                        {field('hours', 'Hours')}
                        {field('temperature_c', 'At °C')}
                        {field('esr_ohm', 'ESR, Ω')}
                        {pick(
                            'safety_class',
                            'Safety class',
                            ['', 'X1', 'X2', 'Y1', 'Y2'].map((it): [string, string] => [it, it === '' ? 'none' : it]),
                        )}
                    </>
                )}
                <label className="flex min-h-11 items-center gap-2">
                    <input type="checkbox" checked={tested} onChange={(event) => onTested(event.target.checked)} />
                    Tested
                </label>
                <Button type="submit" look="main" disabled={send.busy}>
                    {fresh ? 'On the shelf' : 'Keep'}
                </Button>
            </form>
            {(send.problem ?? send.refusal) !== null && <Notice tone="bad">{send.problem ?? send.refusal?.message}</Notice>}
        </>
    );
}
