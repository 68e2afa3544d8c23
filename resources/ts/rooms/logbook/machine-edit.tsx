import { Tabs } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { api, data, Refusal, words, type Fault, type Schemas } from '../../api/client';
import { Button, Field, Part } from '../../ui/controls';
import { Page } from '../../ui/page';
import { Faults } from './import';
import { boardLines, connectorLines, figure, listLines, loadLines, noteLines, pointLines, supplyLines, type Doc } from './profile-lines';

/**
 * The profile on screen: its usual parts as a form, or the whole document as JSON. Both change one document; what is in
 * it and not in the form stays. Whether it is right is for the server to say.
 */
export function MachineEdit({
    page,
    onClose,
    onSaved,
}: {
    page: Schemas['MachinePage'];
    onClose: () => void;
    onSaved: (page: Schemas['MachinePage']) => void;
}) {
    const [text, setText] = useState(page.profile);
    const [tab, setTab] = useState('form');
    const [faults, setFaults] = useState<Fault[]>([]);
    const parsed = parse(text);
    const save = async () => {
        setFaults([]);
        try {
            onSaved(
                await data(
                    api.PUT('/machines/{machine}/profile', {
                        params: { path: { machine: page.machine.id } },
                        body: text as never,
                        bodySerializer: (body: unknown) => body as string,
                        headers: { 'Content-Type': 'application/json', 'If-Match': `"${page.revision}"` },
                    }),
                ),
            );
        } catch (problem) {
            setFaults(problem instanceof Refusal ? problem.faults : [{ pointer: '', detail: words(problem) }]);
        }
    };
    return (
        <Page
            title={`Profile of ${page.machine.name}`}
            over={`revision ${page.revision}; every revision is kept`}
            aside={
                <>
                    <Button look="main" onClick={() => void save()}>
                        Save
                    </Button>
                    <Button onClick={onClose}>Leave without saving</Button>
                </>
            }
        >
            {faults.length > 0 && <Faults faults={faults} />}
            <Tabs.Root value={parsed === null ? 'json' : tab} onValueChange={setTab}>
                <Tabs.List aria-label="Ways to edit" className="mb-2 flex gap-1">
                    {[
                        ['form', 'Form'],
                        ['json', 'Whole document (JSON)'],
                    ].map(([value = '', name]) => (
                        <Tabs.Trigger
                            key={value}
                            value={value}
                            className="min-h-11 border-b-4 border-transparent px-3 data-[state=active]:border-accent data-[state=active]:font-bold"
                        >
                            {name}
                        </Tabs.Trigger>
                    ))}
                </Tabs.List>
                <Tabs.Content value="form">
                    {parsed !== null && <ProfileForm doc={parsed} onChange={(doc) => setText(`${JSON.stringify(doc, null, 2)}\n`)} />}
                </Tabs.Content>
                <Tabs.Content value="json">
                    <textarea
                        aria-label="Profile as JSON"
                        spellCheck={false}
                        className="figure-number min-h-[60vh] text-sm"
                        value={text}
                        onChange={(event) => setText(event.target.value)}
                    />
                    {parsed === null && <p className="font-bold text-out">This is not a JSON document yet.</p>}
                </Tabs.Content>
            </Tabs.Root>
        </Page>
    );
}

function parse(text: string): Doc | null {
    try {
        const doc: unknown = JSON.parse(text);
        return typeof doc === 'object' && doc !== null ? (doc as Doc) : null;
    } catch {
        return null;
    }
}

const text = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');
const list = (value: unknown): Doc[] => (Array.isArray(value) ? (value as Doc[]) : []);
const inner = (value: unknown): Doc => (typeof value === 'object' && value !== null ? (value as Doc) : {});

/** The document with one field set, or without it when there is nothing in it. */
function put(doc: Doc, field: string, value: unknown): Doc {
    const empty = value === '' || value === undefined || (Array.isArray(value) && value.length === 0);
    return empty ? Object.fromEntries(Object.entries(doc).filter(([name]) => name !== field)) : { ...doc, [field]: value };
}

function ProfileForm({ doc, onChange }: { doc: Doc; onChange: (doc: Doc) => void }) {
    const supply = inner(doc['supply']);
    const rails = list(doc['rails']);
    const set = (field: string, value: unknown) => onChange(put(doc, field, value));
    return (
        <div className="flex flex-col gap-3">
            <div className="grid gap-3 lg:grid-cols-2">
                <Field label="Name" value={text(doc['name'])} onChange={(event) => onChange({ ...doc, name: event.target.value })} />
                <Field label="Kind" value={text(doc['kind'])} onChange={(event) => onChange({ ...doc, kind: event.target.value })} />
            </div>
            <Lines
                label="Boards"
                hint="one a line: key | name | serial"
                codec={boardLines}
                value={doc['boards']}
                onChange={(boards) => onChange({ ...doc, boards })}
            />
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
            <Lines
                label="Connectors"
                hint="name | which way round it sits"
                codec={connectorLines}
                value={doc['connectors']}
                onChange={(it) => set('connectors', it)}
            />
            <BatteryForm
                battery={inner(doc['battery'])}
                onChange={(battery) => set('battery', Object.keys(battery).length === 0 ? undefined : battery)}
            />
            <Lines
                label="Sources that proved wrong"
                hint="source | what is wrong in it"
                codec={noteLines}
                value={doc['source_notes']}
                onChange={(it) => set('source_notes', it)}
            />
            <Lines
                label="Cautions"
                hint="mains, stored_charge, picture_tube, static, chemicals, solder, old_supply: one a line"
                codec={listLines}
                value={doc['cautions']}
                onChange={(it) => set('cautions', it)}
            />
        </div>
    );
}

/** What the clock or settings memory wants of its battery. */
function BatteryForm({ battery, onChange }: { battery: Doc; onChange: (battery: Doc) => void }) {
    const charge = inner(battery['charge']);
    const field = (name: string, label: string) => (
        <Field label={label} value={text(battery[name])} onChange={(event) => onChange(put(battery, name, figure(event.target.value)))} />
    );
    const charging = (name: string, label: string) => (
        <Field
            label={label}
            value={text(charge[name])}
            onChange={(event) => {
                const next = put(charge, name, figure(event.target.value));
                onChange(put(battery, 'charge', Object.keys(next).length === 0 ? undefined : next));
            }}
        />
    );
    return (
        <Part title="Battery">
            <div className="grid gap-3 sm:grid-cols-3 lg:grid-cols-6">
                {field('retention_min_v', 'Keeps its memory from, V')}
                {field('retention_max_v', 'Stands up to, V')}
                {field('standby_a', 'Standby current, A')}
                {charging('supply_v', 'Charges from, V')}
                {charging('series_ohm', 'Through, ohm')}
                {field('diode_drop_v', 'Lost in a diode, V')}
            </div>
        </Part>
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

function Check({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }): ReactNode {
    return (
        <label className="flex min-h-11 items-center gap-3">
            <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} />
            {label}
        </label>
    );
}

/** A list as lines of text: kept as it is typed, handed on as the list it stands for. */
function Lines({
    label,
    hint,
    codec,
    value,
    onChange,
}: {
    label: string;
    hint: string;
    codec: { write: (value: unknown) => string; read: (text: string) => unknown[] };
    value: unknown;
    onChange: (value: unknown[]) => void;
}) {
    const [typed, setTyped] = useState(() => codec.write(value));
    return (
        <Field label={label} hint={hint}>
            {(ids) => (
                <textarea
                    {...ids}
                    className="figure-number text-sm"
                    value={typed}
                    onChange={(event) => {
                        setTyped(event.target.value);
                        onChange(codec.read(event.target.value));
                    }}
                />
            )}
        </Field>
    );
}
