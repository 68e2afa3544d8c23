import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Part } from '../../ui/controls';
import { filled } from '../../ui/number';
import { choices, Select } from '../../ui/select';

const EMPTY = {
    ref: '',
    place: '',
    marking: '',
    kind: '',
    marked_f: '',
    rated_v: '',
    rail: '',
    row: '',
    diameter_mm: '',
    height_mm: '',
    pitch_mm: '',
    position: '',
    pin: '',
    asked: '',
    tolerance_minus_pct: '',
    tolerance_plus_pct: '',
};
const SIZES = ['diameter_mm', 'height_mm', 'pitch_mm', 'marked_f', 'rated_v', 'tolerance_minus_pct', 'tolerance_plus_pct'] as const;

const isField = (name: string): name is keyof typeof EMPTY => name in EMPTY;

/** What was written down before, as the form shows it. */
const written = (found: Record<string, unknown>): Partial<typeof EMPTY> =>
    Object.fromEntries(
        Object.entries(found)
            .filter(([name, value]) => isField(name) && (typeof value === 'string' || typeof value === 'number'))
            .map(([name, value]) => [name, String(value)]),
    );

/** And what the form has no field for: it stays as it is. */
const kept = (found: Record<string, unknown>): Record<string, unknown> =>
    Object.fromEntries(Object.entries(found).filter(([name]) => !isField(name)));

/** What nobody knows waits with a question; what it may be is a guess and is called one. */
export function Waiting({ page, onAnew }: { page: Schemas['CapacitorPage']; onAnew: ((cap: Schemas['CapCard']) => void) | null }) {
    const unknown = page.caps.filter((cap) => !cap.known);
    if (unknown.length === 0) return null;
    return (
        <Part title="Not known: these wait">
            <ul className="divide-y divide-line">
                {unknown.map((cap) => (
                    <li key={cap.key} className="py-2">
                        <div className="flex flex-wrap items-center justify-between gap-3">
                            <p className="font-bold">{cap.key}</p>
                            {onAnew !== null && (
                                <Button aria-label={`Say what it is: ${cap.key}`} onClick={() => onAnew(cap)}>
                                    Say what it is
                                </Button>
                            )}
                        </div>
                        {cap.waiting !== null && <p>Waits: {cap.waiting}</p>}
                        {cap.guess !== null && <p className="font-bold text-close">{cap.guess}. Not a value: measure a sibling, or ask.</p>}
                        {cap.siblings.length > 0 && <p className="text-sm text-soft">Like it: {cap.siblings.join('; ')}</p>}
                    </li>
                ))}
            </ul>
        </Part>
    );
}

/** A part met while walking over the board: its marking is read as it is typed; without one it gets a place and waits. */
export function Found({ page, anew, onDone }: { page: Schemas['CapacitorPage']; anew: Schemas['CapCard'] | null; onDone: () => void }) {
    const [values, setValues] = useState(() => ({ ...EMPTY, ...written(anew?.found ?? {}) }));
    const [faults, setFaults] = useState<Schemas['Fault'][]>([]);
    const decoded = useQuery({
        queryKey: ['decode', values.marking, values.kind],
        enabled: values.marking.trim() !== '',
        retry: false,
        queryFn: () =>
            data(
                api.POST('/capacitors/decode', {
                    body: {
                        marking: values.marking,
                        ...(values.kind === '' ? {} : { kind: values.kind as NonNullable<Schemas['DecodeBody']['kind']> }),
                    },
                }),
            ),
    });
    const photos = useQuery({
        queryKey: ['photos', page.job.id],
        queryFn: () => data(api.GET('/jobs/{job}/photos', { params: { path: { job: page.job.id } } })),
    });
    const pins = (photos.data ?? []).flatMap((photo) =>
        photo.pins.map((pin): [string, string] => [pin.id, `pin ${pin.number}: ${pin.text}`]),
    );
    const set = (name: keyof typeof EMPTY) => (event: { target: { value: string } }) =>
        setValues({ ...values, [name]: event.target.value });
    const put = (name: keyof typeof EMPTY) => (value: string) => setValues({ ...values, [name]: value });
    const at = (name: string) => faults.find((fault) => fault.pointer === `/data/${name}`)?.detail;
    const use = (reading: Schemas['DecodedCard']) =>
        setValues({
            ...values,
            marked_f: String(reading.marked_f),
            rated_v: reading.rated_v === null ? values.rated_v : String(reading.rated_v),
            tolerance_minus_pct: reading.minus_pct === null ? '' : String(reading.minus_pct),
            tolerance_plus_pct: reading.plus_pct === null ? '' : String(reading.plus_pct),
        });
    const add = () =>
        void record(
            page.job.id,
            {
                kind: 'capacitor',
                stage: 'repair',
                ...(anew?.entry_id == null ? {} : { corrects: anew.entry_id }),
                data: { ...kept(anew?.found ?? {}), ...filled(values, SIZES) } as Schemas['DataCapacitor'],
            },
            `capacitor ${values.ref === '' ? values.place : values.ref}`,
        ).then((sent) => {
            setFaults(sent.state === 'refused' ? sent.refusal.faults : []);
            if (sent.state === 'refused') return;
            setValues({ ...EMPTY, rail: values.rail, row: values.row });
            onDone();
        });
    const whole = faults.find((fault) => fault.pointer === '/data')?.detail;
    return (
        <Part
            title={anew === null ? 'Found while walking over the board' : `What it is: ${anew.key}`}
            aside={
                anew !== null && (
                    <Button look="quiet" onClick={onDone}>
                        Leave it
                    </Button>
                )
            }
        >
            <form
                className="grid items-end gap-3 sm:grid-cols-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    add();
                }}
            >
                <Field label="Designator" placeholder="C12" value={values.ref} error={at('ref') ?? whole} onChange={set('ref')} />
                <div className="sm:col-span-2">
                    <Field
                        label="Or its place"
                        placeholder="grey can beside relay K2"
                        value={values.place}
                        error={at('place')}
                        onChange={set('place')}
                    />
                </div>
                <Field label="Marking" placeholder="2A103J" value={values.marking} error={at('marking')} onChange={set('marking')} />
                <Select
                    label="Kind"
                    value={values.kind}
                    options={choices(page.kinds, 'not known')}
                    error={at('kind')}
                    onChange={put('kind')}
                />
                <Select
                    label="Rail"
                    value={values.rail}
                    options={[['', 'none'], ...page.rails.map((it): [string, string] => [it, it])]}
                    error={at('rail')}
                    onChange={put('rail')}
                />
                {values.marking.trim() !== '' && decoded.data !== undefined && (
                    <div className="sm:col-span-3" role="status" aria-label="What the marking means">
                        {decoded.data.length === 0 ? (
                            <p className="font-bold text-close">This cannot be read as a marking. It is kept as it stands.</p>
                        ) : (
                            <>
                                {decoded.data.length > 1 && <p>It may mean either: choose.</p>}
                                <div className="flex flex-wrap gap-2">
                                    {decoded.data.map((reading) => (
                                        <Button key={`${reading.says} ${reading.scheme}`} onClick={() => use(reading)}>
                                            {reading.says}
                                            <span className="text-sm text-soft">
                                                {reading.scheme.replaceAll('_', ' ')}, {reading.series ?? 'no preferred value'}
                                            </span>
                                        </Button>
                                    ))}
                                </div>
                            </>
                        )}
                    </div>
                )}
                <Field label="Value, F" placeholder="47u" value={values.marked_f} error={at('marked_f')} onChange={set('marked_f')} />
                <Field label="Volts" placeholder="25" value={values.rated_v} error={at('rated_v')} onChange={set('rated_v')} />
                <Select
                    label="It is a"
                    value={values.position}
                    options={choices(page.positions, 'not known')}
                    error={at('position')}
                    onChange={put('position')}
                />
                <Field
                    label="Diameter, mm"
                    inputMode="decimal"
                    value={values.diameter_mm}
                    error={at('diameter_mm')}
                    onChange={set('diameter_mm')}
                />
                <Field
                    label="Height, mm"
                    inputMode="decimal"
                    value={values.height_mm}
                    error={at('height_mm')}
                    onChange={set('height_mm')}
                />
                <Field label="Pitch, mm" inputMode="decimal" value={values.pitch_mm} error={at('pitch_mm')} onChange={set('pitch_mm')} />
                <Field label="Row" value={values.row} error={at('row')} onChange={set('row')} />
                {pins.length > 0 && (
                    <Select
                        label="Pin on a photo"
                        value={values.pin}
                        options={[['', 'none'], ...pins]}
                        error={at('pin')}
                        onChange={put('pin')}
                    />
                )}
                <Field label="Asked of" value={values.asked} error={at('asked')} onChange={set('asked')} />
                <Button type="submit" look="main">
                    {anew === null ? 'Put it on the list' : 'Write it down anew'}
                </Button>
            </form>
        </Part>
    );
}
