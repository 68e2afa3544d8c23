import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { Faults } from '../../ui/faults';
import { useSend } from '../../ui/form';
import { Loaded, Page } from '../../ui/page';
import { useIsLead } from '../../ui/session';

export interface Saving {
    why: string;
    normalise: boolean;
    /** the revision that was edited */
    over?: number;
}

/** The one door of what changes the library: a file, or what the screen makes of one symptom. */
export const save = (text: string, { why, normalise, over }: Saving) =>
    data(
        api.POST('/library', {
            params: { query: { why, ...(normalise ? { normalise: '1' } : {}), ...(over === undefined ? {} : { over }) } },
            body: text as never,
            bodySerializer: (body: unknown) => body as string,
            headers: { 'Content-Type': 'application/json' },
        }),
    );

export const asFile = (symptom: Schemas['LibraryDocument']): string =>
    JSON.stringify({ format: 'ash-bench/symptom-library/1', symptoms: [symptom] });

/** Symptoms, with what is known to cause them. */
export function Library() {
    const library = useQuery({ queryKey: ['library'], queryFn: () => data(api.GET('/library', {})) });
    const lead = useIsLead();
    return (
        <Loaded query={library}>
            {(rows) => (
                <Page title="Library of symptoms" aside={<a href="/symptom-library.json">As a file</a>}>
                    <p className="text-soft">
                        Weights and likelihoods are bench estimates; what this shop&apos;s closed jobs turned out to be is counted beside
                        them.
                    </p>
                    <ul className="sheet divide-y divide-line">
                        {rows.map((it) => (
                            <li key={it.id} className="px-4 py-2">
                                <Link to={`/library/${it.id}`} className="font-bold">
                                    {it.name}
                                </Link>{' '}
                                <span className="text-sm text-soft">
                                    {it.causes} causes, {it.tests} tests
                                    {it.revision !== 0 && `, revision ${it.revision} of this shop`}
                                </span>
                            </li>
                        ))}
                    </ul>
                    {lead && <Added />}
                    {lead && <FromFile />}
                </Page>
            )}
        </Loaded>
    );
}

/** A symptom that the library does not know. */
function Added() {
    const navigate = useNavigate();
    const client = useQueryClient();
    const [name, setName] = useState('');
    const [cause, setCause] = useState('');
    const form = useSend(
        () => {
            const symptom = {
                id: plain(name),
                name,
                first: 'What is seen first.',
                causes: [{ id: plain(cause), weight: 1, shows: cause }],
                tests: [],
            };
            return save(asFile(symptom), { why: 'a new symptom', normalise: false, over: 0 });
        },
        () => {
            void client.invalidateQueries({ queryKey: ['library'] });
            void navigate(`/library/${plain(name)}`);
        },
    );
    return (
        <Part title="A symptom that is not here">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void form.submit();
                }}
            >
                <Field label="What it does" placeholder="Screen rolls" value={name} onChange={(event) => setName(event.target.value)} />
                <Field
                    label="One cause of it"
                    placeholder="sync separator"
                    value={cause}
                    onChange={(event) => setCause(event.target.value)}
                />
                <Button type="submit" disabled={form.busy || plain(name) === '' || plain(cause) === ''}>
                    Begin it
                </Button>
            </form>
            <Refused form={form} />
        </Part>
    );
}

/** A file of symptoms. */
function FromFile() {
    const client = useQueryClient();
    const [file, setFile] = useState<File | null>(null);
    const [why, setWhy] = useState('');
    const [normalise, setNormalise] = useState(false);
    const [done, setDone] = useState<Schemas['LibraryChanged'] | null>(null);
    const form = useSend(
        async () => save(await (file?.text() ?? Promise.resolve('')), { why, normalise }),
        (changed) => {
            setDone(changed);
            void client.invalidateQueries();
        },
    );
    return (
        <Part title="From a file">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    setDone(null);
                    void form.submit();
                }}
            >
                <Field label="Library file">
                    {(on) => (
                        <input
                            {...on}
                            type="file"
                            accept="application/json,.json"
                            onChange={(event) => setFile(event.target.files?.[0] ?? null)}
                        />
                    )}
                </Field>
                <Field label="Why" value={why} onChange={(event) => setWhy(event.target.value)} error={form.at('/why')} />
                <Normalise value={normalise} set={setNormalise} />
                <Button type="submit" disabled={form.busy || file === null}>
                    Take it in
                </Button>
            </form>
            <Refused form={form} />
            {done !== null && (
                <Notice tone="good" live>
                    {done.changed.length === 0 ? 'Nothing changed: all of it stands so already.' : `Changed: ${done.changed.join(', ')}.`}
                    {done.evened.length !== 0 && ` Made to sum to one: ${done.evened.join(', ')}.`}
                </Notice>
            )}
        </Part>
    );
}

export function Normalise({ value, set }: { value: boolean; set: (next: boolean) => void }) {
    return (
        <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" checked={value} onChange={(event) => set(event.target.checked)} />
            rows that do not sum to one are made to
        </label>
    );
}

export function Refused({ form }: { form: ReturnType<typeof useSend> }) {
    return (
        <>
            {form.refusal !== null && <Faults faults={form.refusal.faults} />}
            {form.problem !== null && (
                <Notice tone="bad" live>
                    {form.problem}
                </Notice>
            )}
        </>
    );
}

/** Words as an identifier. */
export const plain = (words: string): string =>
    words
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '_')
        .replace(/^_|_$/g, '')
        .slice(0, 60);
