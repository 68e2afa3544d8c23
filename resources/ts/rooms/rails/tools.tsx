import { useMutation } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { api, data, Refusal, words, type Schemas } from '../../api/client';
import { Button, Field, Notice } from '../../ui/controls';

type Told = Schemas['ToldCard'];

/** A small computation beside the probes: what is typed, and what the core says of it. Nothing of it is kept. */
function Tool({
    title,
    ask,
    children,
}: {
    title: string;
    ask: () => Promise<Told>;
    children: (error: (field: string) => string | undefined) => ReactNode;
}) {
    const asked = useMutation({ mutationFn: ask });
    const refused = asked.error instanceof Refusal ? asked.error : null;
    const known = (field: string) => refused?.at(`/${field}`);
    return (
        <details className="sheet p-4">
            <summary className="min-h-11 cursor-pointer content-center font-bold">{title}</summary>
            <form
                className="mt-2 flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    asked.mutate();
                }}
            >
                {children(known)}
                <Button type="submit">Work it out</Button>
            </form>
            <div role="status" className="mt-2">
                {asked.isSuccess && (
                    <Notice tone={asked.data.tone}>
                        <span className="text-lg font-bold">{asked.data.says}</span>
                        {asked.data.reasons.map((reason) => (
                            <p key={reason}>{reason}</p>
                        ))}
                    </Notice>
                )}
                {asked.error !== null && <Notice tone="bad">{words(asked.error)}</Notice>}
            </div>
        </details>
    );
}

/** Where a supply is opened: how long a capacitor needs through a resistor, and whether the resistor may do it. */
export function Discharge() {
    const [said, say] = useState({ capacitance: '', start: '', resistor: '', rated: '' });
    const field = (name: keyof typeof said, label: string, error: string | undefined) => (
        <div className="w-40">
            <Field label={label} error={error} value={said[name]} onChange={(event) => say({ ...said, [name]: event.target.value })} />
        </div>
    );
    const ask = () => {
        const { rated, ...given } = said;
        return data(api.GET('/rails/discharge', { params: { query: { ...given, ...(rated.trim() === '' ? {} : { rated }) } } }));
    };
    return (
        <Tool title="Discharge a capacitor before the supply is touched" ask={ask}>
            {(error) => (
                <>
                    {field('capacitance', 'Capacitance, F', error('capacitance'))}
                    {field('start', 'It may hold, V', error('start'))}
                    {field('resistor', 'Through, Ω', error('resistor'))}
                    {field('rated', 'Resistor stands, V', error('rated'))}
                </>
            )}
        </Tool>
    );
}

/** Volts at any pin, as a level of its family. */
export function LogicLevel() {
    const [said, say] = useState<{ family: 'ttl' | 'cmos'; supply: string; volts: string }>({ family: 'ttl', supply: '5', volts: '' });
    return (
        <Tool title="Logic level at a pin" ask={() => data(api.GET('/rails/level', { params: { query: said } }))}>
            {(error) => (
                <>
                    <Field label="Family">
                        {(ids) => (
                            <select
                                {...ids}
                                value={said.family}
                                onChange={(event) => say({ ...said, family: event.target.value === 'cmos' ? 'cmos' : 'ttl' })}
                            >
                                <option value="ttl">TTL</option>
                                <option value="cmos">CMOS</option>
                            </select>
                        )}
                    </Field>
                    <div className="w-32">
                        <Field
                            label="Its supply, V"
                            error={error('supply')}
                            value={said.supply}
                            onChange={(event) => say({ ...said, supply: event.target.value })}
                        />
                    </div>
                    <div className="w-32">
                        <Field
                            label="At the pin, V"
                            error={error('volts')}
                            value={said.volts}
                            onChange={(event) => say({ ...said, volts: event.target.value })}
                        />
                    </div>
                </>
            )}
        </Tool>
    );
}
