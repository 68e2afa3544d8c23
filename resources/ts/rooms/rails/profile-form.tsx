import { Check, inner, Lines, list, put, text, type OnProfile } from '../../bench/profile-form';
import { figure, listLines, loadLines, pointLines, supplyLines, type Doc } from '../../bench/profile-lines';
import { Button, Field, Part } from '../../ui/controls';

/** The rails of a description, and the supply's label with what hangs on it. */
export function RailsForm({ doc, onChange }: OnProfile) {
    const supply = inner(doc['supply']);
    const rails = list(doc['rails']);
    const set = (field: string, value: unknown) => onChange(put(doc, field, value));
    return (
        <>
            {rails.map((rail, i) => (
                <RailForm
                    key={i}
                    rail={rail}
                    onChange={(changed) => onChange({ ...doc, rails: rails.map((it, k) => (k === i ? changed : it)) })}
                    onRemove={() => onChange({ ...doc, rails: rails.filter((_, k) => k !== i) })}
                />
            ))}
            <div>
                <Button onClick={() => onChange({ ...doc, rails: [...rails, { name: '', nominal_v: '' }] })}>Add a rail</Button>
            </div>
            <Part title="Supply label and loads">
                <div className="grid gap-3 lg:grid-cols-3">
                    <Field
                        label="Label"
                        value={text(supply['label'])}
                        onChange={(event) => set('supply', put(supply, 'label', event.target.value))}
                    />
                    <Field
                        label="Supply's own rating, W"
                        value={text(supply['rating_w'])}
                        onChange={(event) => set('supply', put(supply, 'rating_w', figure(event.target.value)))}
                    />
                    <Field
                        label="Case label, W"
                        value={text(supply['case_label_w'])}
                        onChange={(event) => set('supply', put(supply, 'case_label_w', figure(event.target.value)))}
                    />
                    <Lines
                        label="Outputs"
                        hint="rail | nominal V | most A | least A"
                        codec={supplyLines}
                        value={supply['rails']}
                        onChange={(it) => set('supply', put(supply, 'rails', it))}
                    />
                    <Lines
                        label="Loads"
                        hint="name | rail = A | rail = A"
                        codec={loadLines}
                        value={supply['loads']}
                        onChange={(it) => set('supply', put(supply, 'loads', it))}
                    />
                </div>
            </Part>
        </>
    );
}

function RailForm({ rail, onChange, onRemove }: { rail: Doc; onChange: (rail: Doc) => void; onRemove: () => void }) {
    const tolerance = inner(rail['tolerance']);
    const limits = inner(rail['limits_v']);
    const set = (field: string, value: unknown) => onChange(put(rail, field, value));
    const pair = (field: string, of: Doc, part: string, value: string) => {
        const next = put(of, part, figure(value));
        set(field, Object.keys(next).length === 0 ? undefined : next);
    };
    return (
        <Part title={`Rail ${text(rail['name'])}`} aside={<Button look="stop" onClick={onRemove}>{`Remove ${text(rail['name'])}`}</Button>}>
            <div className="grid gap-3 sm:grid-cols-3 lg:grid-cols-7">
                <Field label="Name" value={text(rail['name'])} onChange={(event) => onChange({ ...rail, name: event.target.value })} />
                <Field
                    label="Nominal, V"
                    value={text(rail['nominal_v'])}
                    onChange={(event) => onChange({ ...rail, nominal_v: figure(event.target.value) })}
                />
                <Field
                    label="Minus, %"
                    value={text(tolerance['minus_pct'])}
                    onChange={(event) => pair('tolerance', tolerance, 'minus_pct', event.target.value)}
                />
                <Field
                    label="Plus, %"
                    value={text(tolerance['plus_pct'])}
                    onChange={(event) => pair('tolerance', tolerance, 'plus_pct', event.target.value)}
                />
                <Field
                    label="or low, V"
                    value={text(limits['low'])}
                    onChange={(event) => pair('limits_v', limits, 'low', event.target.value)}
                />
                <Field
                    label="and high, V"
                    value={text(limits['high'])}
                    onChange={(event) => pair('limits_v', limits, 'high', event.target.value)}
                />
                <Field
                    label="Ripple, mVpp"
                    value={text(rail['ripple_max_mvpp'])}
                    onChange={(event) => set('ripple_max_mvpp', figure(event.target.value))}
                />
            </div>
            <div className="mt-3 grid gap-3 lg:grid-cols-[1fr_1fr_2fr]">
                <div>
                    <Check
                        label="Proves nothing without load"
                        on={rail['needs_load'] !== false}
                        onChange={(on) => set('needs_load', on ? undefined : false)}
                    />
                    <Check
                        label="On before the supply is switched on"
                        on={rail['standby'] === true}
                        onChange={(on) => set('standby', on ? true : undefined)}
                    />
                    <Check
                        label="Alternating (volts RMS)"
                        on={rail['kind'] === 'ac'}
                        onChange={(on) => set('kind', on ? 'ac' : undefined)}
                    />
                    <Field
                        label="A good board to ground, Ω"
                        value={text(rail['ohms_good'])}
                        onChange={(event) => set('ohms_good', figure(event.target.value))}
                    />
                    <Check
                        label="Optional: may stay unmeasured"
                        on={rail['optional'] === true}
                        onChange={(on) => set('optional', on ? true : undefined)}
                    />
                    <Lines
                        label="Protects the chips on"
                        hint="rail names, one a line"
                        codec={listLines}
                        value={rail['protects']}
                        onChange={(it) => set('protects', it)}
                    />
                </div>
                <Lines label="Feeds" hint="chips, one a line" codec={listLines} value={rail['feeds']} onChange={(it) => set('feeds', it)} />
                <Lines
                    label="Test points, supply outwards"
                    hint="name | supply, board, chip or nothing | where | weight"
                    codec={pointLines}
                    value={rail['test_points']}
                    onChange={(it) => set('test_points', it)}
                />
            </div>
        </Part>
    );
}
