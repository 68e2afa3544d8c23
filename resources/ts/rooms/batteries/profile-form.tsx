import { inner, put, text, type OnProfile } from '../../bench/profile-form';
import { figure, type Doc } from '../../bench/profile-lines';
import { Field, Part } from '../../ui/controls';

export function BatteryOfProfile({ doc, onChange }: OnProfile) {
    return (
        <BatteryForm
            battery={inner(doc['battery'])}
            onChange={(battery) => onChange(put(doc, 'battery', Object.keys(battery).length === 0 ? undefined : battery))}
        />
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
