import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, words, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { Loaded, Page } from '../../ui/page';
import { useIsLead } from '../../ui/session';
import { SerialPorts } from './serial-ports';

type Meter = Schemas['MeterCard'];

export function Meters() {
    const lead = useIsLead();
    const [editing, setEditing] = useState<Meter | 'new' | null>(null);
    const meters = useQuery({ queryKey: ['meters'], queryFn: () => data(api.GET('/meters')) });
    return (
        <Loaded query={meters}>
            {(list) => (
                <Page title="Meters and serial ports" aside={lead && <Button onClick={() => setEditing('new')}>Add a meter</Button>}>
                    {editing !== null && (
                        <MeterForm
                            key={editing === 'new' ? 'new' : editing.id}
                            meter={editing === 'new' ? null : editing}
                            onClose={() => setEditing(null)}
                        />
                    )}
                    <ul className="sheet divide-y divide-line">
                        {list.map((meter) => (
                            <li key={meter.id} className="flex flex-wrap items-center justify-between gap-4 px-4 py-2">
                                <span>
                                    <span className="font-bold">{meter.name}</span>
                                    {!meter.active && <span className="text-soft">, put away</span>}
                                    <span className="block text-sm text-soft">
                                        {meter.host} port {meter.port}; ±({meter.reading_pct} % of reading + {meter.counts} counts of{' '}
                                        {meter.resolution_v} V){losses(meter)}
                                        {meter.standin && '; simulated, ships with the application'}
                                    </span>
                                </span>
                                {lead && (
                                    <span className="flex flex-wrap items-center gap-2">
                                        <Check meter={meter} />
                                        <Button onClick={() => setEditing(meter)}>Change</Button>
                                    </span>
                                )}
                            </li>
                        ))}
                    </ul>
                    <SerialPorts lead={lead} />
                </Page>
            )}
        </Loaded>
    );
}

const losses = (meter: Meter): string =>
    [
        meter.esr_query === null ? '' : `; ESR by ${meter.esr_query}`,
        meter.tan_delta_query === null ? '' : `; tan delta by ${meter.tan_delta_query}`,
    ]
        .join('')
        .concat(meter.loss_hz === null ? '' : ` at ${meter.loss_hz} Hz`);

function Check({ meter }: { meter: Meter }) {
    const [said, setSaid] = useState<string | null>(null);
    const ask = () =>
        void data(api.POST('/meters/{meter}/check', { params: { path: { meter: meter.id } } })).then(
            (answer) => setSaid(answer.state === 'reading' ? `answers: ${answer.words}` : answer.words),
            (problem: unknown) => setSaid(words(problem)),
        );
    return (
        <>
            <span role="status" className="text-sm">
                {said}
            </span>
            <Button aria-label={`Ask who it is: ${meter.name}`} onClick={ask}>
                Ask who it is
            </Button>
        </>
    );
}

/** Numbers are sent as they were typed when they are none, so that the answer names the field. */
const number = (typed: string): number =>
    typed.trim() !== '' && Number.isFinite(Number(typed)) ? Number(typed) : (typed as unknown as number);

function MeterForm({ meter, onClose }: { meter: Meter | null; onClose: () => void }) {
    const client = useQueryClient();
    const [values, setValues] = useState({
        name: meter?.name ?? '',
        host: meter?.host ?? '',
        port: String(meter?.port ?? ''),
        reading_pct: String(meter?.reading_pct ?? ''),
        counts: String(meter?.counts ?? ''),
        resolution_v: String(meter?.resolution_v ?? ''),
        esr_query: meter?.esr_query ?? '',
        tan_delta_query: meter?.tan_delta_query ?? '',
        loss_hz: String(meter?.loss_hz ?? ''),
    });
    const [active, setActive] = useState(meter?.active ?? true);
    const body = {
        ...values,
        port: number(values.port),
        reading_pct: number(values.reading_pct),
        counts: number(values.counts),
        resolution_v: number(values.resolution_v),
        loss_hz: values.loss_hz.trim() === '' ? null : number(values.loss_hz),
        active,
    };
    const form = useSend(
        () =>
            data<Meter>(
                meter === null
                    ? api.POST('/meters', { body })
                    : api.PUT('/meters/{meter}', { params: { path: { meter: meter.id } }, body }),
            ),
        () => {
            void client.invalidateQueries({ queryKey: ['meters'] });
            onClose();
        },
    );
    const field = (name: keyof typeof values, label: string, hint?: string) => (
        <Field
            label={label}
            {...(hint === undefined ? {} : { hint })}
            value={values[name]}
            error={form.at(`/${name}`)}
            onChange={(event) => setValues({ ...values, [name]: event.target.value })}
        />
    );
    return (
        <Part title={meter === null ? 'A new meter' : `Change ${meter.name}`}>
            <form
                className="grid gap-3 lg:grid-cols-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void form.submit();
                }}
            >
                {field('name', 'Name')}
                {field('host', 'Address', 'loopback or private IP address')}
                {field('port', 'Port', '5025 is usual for raw sockets')}
                {field('reading_pct', 'Accuracy, % of reading')}
                {field('counts', 'Accuracy, counts')}
                {field('resolution_v', 'Volts a count')}
                {field('esr_query', 'ESR is asked with', 'a query from its manual; empty: it cannot')}
                {field('tan_delta_query', 'Tan delta is asked with', 'a query from its manual; empty: it cannot')}
                {field('loss_hz', 'Both at, Hz', 'empty: not known')}
                <label className="flex min-h-11 items-center gap-3">
                    <input type="checkbox" checked={active} onChange={(event) => setActive(event.target.checked)} />
                    In use
                </label>
                {(form.problem ?? form.at('')) !== undefined && <Notice tone="bad">{form.problem ?? form.at('')}</Notice>}
                <div className="flex gap-2 lg:col-span-3">
                    <Button type="submit" look="main" disabled={form.busy}>
                        Save
                    </Button>
                    <Button onClick={onClose}>Leave it</Button>
                </div>
            </form>
        </Part>
    );
}
