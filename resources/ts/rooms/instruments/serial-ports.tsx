import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';

type Port = Schemas['SerialPortCard'];

/** Serial lines that an adapter carries over the network: a memory tester's console comes in here. */
export function SerialPorts({ lead }: { lead: boolean }) {
    const [editing, setEditing] = useState<Port | 'new' | null>(null);
    const ports = useQuery({ queryKey: ['serial-ports'], queryFn: () => data(api.GET('/serial-ports')) });
    return (
        <Part title="Serial ports" aside={lead && <Button onClick={() => setEditing('new')}>Add a serial port</Button>}>
            {editing !== null && (
                <PortForm
                    key={editing === 'new' ? 'new' : editing.id}
                    port={editing === 'new' ? null : editing}
                    onClose={() => setEditing(null)}
                />
            )}
            <ul className="divide-y divide-line">
                {(ports.data ?? []).map((port) => (
                    <li key={port.id} className="flex flex-wrap items-center justify-between gap-4 py-2">
                        <span>
                            <span className="font-bold">{port.name}</span>
                            {!port.active && <span className="text-soft">, put away</span>}
                            <span className="block text-sm text-soft">
                                {port.host} port {port.port}
                                {port.standin && '; simulated, ships with the application'}
                            </span>
                        </span>
                        {lead && (
                            <Button aria-label={`Change ${port.name}`} onClick={() => setEditing(port)}>
                                Change
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
        </Part>
    );
}

function PortForm({ port, onClose }: { port: Port | null; onClose: () => void }) {
    const client = useQueryClient();
    const [values, setValues] = useState({ name: port?.name ?? '', host: port?.host ?? '', port: String(port?.port ?? '') });
    const [active, setActive] = useState(port?.active ?? true);
    const typed = Number(values.port);
    const body = {
        name: values.name,
        host: values.host,
        // What is no number is sent as it was typed, so that the answer names the field.
        port: values.port.trim() !== '' && Number.isFinite(typed) ? typed : (values.port as unknown as number),
        active,
    };
    const send = useSend(
        () =>
            port === null
                ? data(api.POST('/serial-ports', { body }))
                : data(api.PUT('/serial-ports/{port}', { params: { path: { port: port.id } }, body })),
        () => {
            void client.invalidateQueries({ queryKey: ['serial-ports'] });
            onClose();
        },
    );
    const set = (name: keyof typeof values) => (event: { target: { value: string } }) =>
        setValues({ ...values, [name]: event.target.value });
    return (
        <form
            className="mb-3 grid items-end gap-3 sm:grid-cols-[2fr_1fr_6rem_auto_auto_auto]"
            onSubmit={(event) => {
                event.preventDefault();
                void send.submit();
            }}
        >
            <Field label="Name" value={values.name} error={send.at('/name')} onChange={set('name')} />
            <Field label="Address" placeholder="192.168.1.30" value={values.host} error={send.at('/host')} onChange={set('host')} />
            <Field label="Port" inputMode="numeric" value={values.port} error={send.at('/port')} onChange={set('port')} />
            <label className="flex min-h-11 items-center gap-2">
                <input type="checkbox" checked={active} onChange={(event) => setActive(event.target.checked)} />
                In use
            </label>
            <Button type="submit" look="main" disabled={send.busy}>
                Keep
            </Button>
            <Button onClick={onClose}>Leave it</Button>
            {send.problem !== null && <Notice tone="bad">{send.problem}</Notice>}
        </form>
    );
}
