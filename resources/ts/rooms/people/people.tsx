import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { Loaded, Page } from '../../ui/page';

type Person = Schemas['PersonCard'];

const ROLES = { lead: 'lead: everything', technician: 'technician: the record', viewer: 'viewer: reads only' } as const;

export function People() {
    const [editing, setEditing] = useState<Person | 'new' | null>(null);
    const people = useQuery({ queryKey: ['people'], queryFn: () => data(api.GET('/people')) });
    return (
        <Loaded query={people}>
            {(list) => (
                <Page title="People" aside={<Button onClick={() => setEditing('new')}>Add someone</Button>}>
                    {editing !== null && (
                        <PersonForm
                            key={editing === 'new' ? 'new' : editing.id}
                            person={editing === 'new' ? null : editing}
                            onClose={() => setEditing(null)}
                        />
                    )}
                    <ul className="sheet divide-y divide-line">
                        {list.map((person) => (
                            <li key={person.id} className="flex flex-wrap items-center justify-between gap-4 px-4 py-2">
                                <span>
                                    <span className="font-bold">{person.name}</span>, {person.role}
                                    {!person.active && <span className="text-soft">, may not sign in</span>}
                                    <span className="block text-sm text-soft">{person.email}</span>
                                </span>
                                <Button aria-label={`Change ${person.name}`} onClick={() => setEditing(person)}>
                                    Change
                                </Button>
                            </li>
                        ))}
                    </ul>
                </Page>
            )}
        </Loaded>
    );
}

function PersonForm({ person, onClose }: { person: Person | null; onClose: () => void }) {
    const client = useQueryClient();
    const [name, setName] = useState(person?.name ?? '');
    const [email, setEmail] = useState(person?.email ?? '');
    const [role, setRole] = useState<keyof typeof ROLES>(person?.role ?? 'technician');
    const [password, setPassword] = useState('');
    const [active, setActive] = useState(person?.active ?? true);
    const body = { name, email, role, active, ...(password === '' ? {} : { password }) };
    const form = useSend(
        () =>
            data<Person>(
                person === null
                    ? api.POST('/people', { body })
                    : api.PUT('/people/{person}', { params: { path: { person: person.id } }, body }),
            ),
        () => {
            void client.invalidateQueries({ queryKey: ['people'] });
            onClose();
        },
    );
    return (
        <Part title={person === null ? 'Someone new' : `Change ${person.name}`}>
            <form
                className="grid gap-3 lg:grid-cols-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    void form.submit();
                }}
            >
                <Field label="Name" value={name} error={form.at('/name')} onChange={(event) => setName(event.target.value)} />
                <Field label="E-mail" value={email} error={form.at('/email')} onChange={(event) => setEmail(event.target.value)} />
                <Field label="Role" error={form.at('/role')}>
                    {(ids) => (
                        <select {...ids} value={role} onChange={(event) => setRole(event.target.value as keyof typeof ROLES)}>
                            {Object.entries(ROLES).map(([value, says]) => (
                                <option key={value} value={value}>
                                    {says}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
                <Field
                    label="Password"
                    type="password"
                    autoComplete="new-password"
                    hint={person === null ? '12 characters or more' : 'left empty it stays as it is'}
                    value={password}
                    error={form.at('/password')}
                    onChange={(event) => setPassword(event.target.value)}
                />
                <label className="flex min-h-11 items-center gap-3">
                    <input type="checkbox" checked={active} onChange={(event) => setActive(event.target.checked)} />
                    May sign in
                </label>
                {(form.problem ?? form.at('')) !== undefined && <Notice tone="bad">{form.problem ?? form.at('')}</Notice>}
                <div className="flex gap-2 lg:col-span-2">
                    <Button type="submit" look="main" disabled={form.busy}>
                        Save
                    </Button>
                    <Button onClick={onClose}>Leave it</Button>
                </div>
            </form>
        </Part>
    );
}
