import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, data, Refusal, words, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { number } from '../../ui/number';
import { Names } from './names';
import { SocketMap } from './sockets';

interface Memory {
    key: string;
    name: string;
    board?: string;
    chip?: string;
    map: unknown;
    [more: string]: unknown;
}
interface Profile {
    memories?: Memory[];
    boards: { key: string; name: string }[];
    [more: string]: unknown;
}

export function MapEdit() {
    const { id = '' } = useParams();
    const machine = useQuery({
        queryKey: ['machine', id],
        queryFn: () => data(api.GET('/machines/{machine}', { params: { path: { machine: id } } })),
    });
    return <Loaded query={machine}>{(page) => <MapSheet key={page.revision} page={page} />}</Loaded>;
}

function MapSheet({ page }: { page: Schemas['MachinePage'] }) {
    const profile = JSON.parse(page.profile) as Profile;
    const client = useQueryClient();
    const navigate = useNavigate();
    const may = useMayRecord();
    const [problem, setProblem] = useState<string | null>(null);
    const memories = profile.memories ?? [];
    const save = (next: Memory[]) =>
        fetchProfile(page, { ...profile, memories: next }).then(
            (saved) => {
                client.setQueryData(['machine', page.machine.id], saved);
                setProblem(null);
                return true;
            },
            (caught: unknown) => {
                setProblem(caught instanceof Refusal ? caught.faults.map((it) => `${it.pointer} ${it.detail}`).join('; ') : words(caught));
                return false;
            },
        );
    return (
        <Page
            title={`Memory of ${page.machine.name}`}
            over={<Link to={`/machines/${page.machine.id}`}>{page.machine.kind}</Link>}
            aside={<Button onClick={() => void navigate(`/machines/${page.machine.id}`)}>Back to the machine</Button>}
        >
            {problem !== null && (
                <Notice tone="bad" live>
                    {problem}
                </Notice>
            )}
            {memories.map((memory) => (
                <Kept
                    key={memory.key}
                    memory={memory}
                    may={may}
                    onSave={(next) => save(memories.map((it) => (it.key === memory.key ? next : it)))}
                    onRemove={() => save(memories.filter((it) => it.key !== memory.key))}
                />
            ))}
            {may && <Maker boards={profile.boards} taken={memories.map((it) => it.key)} onSave={(memory) => save([...memories, memory])} />}
        </Page>
    );
}

const fetchProfile = (page: Schemas['MachinePage'], profile: Profile) =>
    data(
        api.PUT('/machines/{machine}/profile', {
            params: { path: { machine: page.machine.id } },
            headers: { 'If-Match': `"${page.revision}"` },
            body: profile,
        }),
    );

function useDraft(memory: Memory | null) {
    return useQuery({
        queryKey: ['map-check', memory],
        enabled: memory !== null,
        retry: false,
        queryFn: () => data(api.POST('/memory/check', { body: memory as unknown as Record<string, unknown> })),
    });
}

function Kept({
    memory,
    may,
    onSave,
    onRemove,
}: {
    memory: Memory;
    may: boolean;
    onSave: (next: Memory) => Promise<boolean>;
    onRemove: () => Promise<boolean>;
}) {
    const [json, setJson] = useState<string | null>(null);
    const [bad, setBad] = useState<string | null>(null);
    const [removing, setRemoving] = useState(false);
    const [naming, setNaming] = useState(false);
    const draft = useDraft(may ? memory : null);
    const put = () => {
        try {
            void onSave(JSON.parse(json ?? '') as Memory);
            setBad(null);
        } catch {
            setBad('This is no JSON: look for a missing comma, quote or bracket.');
        }
    };
    return (
        <Part
            title={memory.name}
            aside={
                may && (
                    <div className="flex gap-2">
                        <Button aria-pressed={naming} onClick={() => setNaming(!naming)}>
                            Names on the board
                        </Button>
                        <Button onClick={() => setJson(json === null ? JSON.stringify(memory, null, 2) : null)}>
                            {json === null ? 'Edit as JSON' : 'Leave it as it is'}
                        </Button>
                        <Button look="stop" onClick={() => (removing ? void onRemove() : setRemoving(true))}>
                            {removing ? 'Yes, take the map out' : 'Take out'}
                        </Button>
                    </div>
                )
            }
        >
            <Drawn draft={draft.data} problem={draft.error} />
            {naming && <Names map={memory.map} onSave={(map) => void onSave({ ...memory, map }).then((kept) => setNaming(!kept))} />}
            {json !== null && (
                <div className="mt-3 flex flex-col gap-2">
                    <Field label="The memory as JSON" error={bad ?? undefined}>
                        {(ids) => (
                            <textarea
                                {...ids}
                                rows={18}
                                spellCheck={false}
                                className="figure-number text-sm"
                                value={json}
                                onChange={(event) => setJson(event.target.value)}
                            />
                        )}
                    </Field>
                    <div>
                        <Button look="main" onClick={put}>
                            Check and keep
                        </Button>
                    </div>
                </div>
            )}
        </Part>
    );
}

function Drawn({ draft, problem }: { draft: Schemas['MapDraft'] | undefined; problem: unknown }) {
    return (
        <>
            {problem instanceof Refusal && (
                <Notice tone="bad">
                    {problem.faults.map((it) => (
                        <p key={it.pointer}>
                            <span className="figure-number">{it.pointer}</span> {it.detail}
                        </p>
                    ))}
                </Notice>
            )}
            {draft !== undefined && (
                <>
                    <p className="mb-1 text-sm text-soft">{draft.words}</p>
                    <SocketMap sockets={draft.sockets} />
                    {draft.bias !== null && <Notice tone="care">{draft.bias}</Notice>}
                    {draft.findings.map((finding) => (
                        <Notice key={finding} tone="care">
                            {finding}
                        </Notice>
                    ))}
                </>
            )}
        </>
    );
}

interface Row {
    name: string;
    start: string;
    words: string;
    first: string;
    bit_0: string;
    parity: boolean;
}

/** Rows of chips numbered along the board: the usual map in a minute. */
function Maker({ boards, taken, onSave }: { boards: Profile['boards']; taken: string[]; onSave: (memory: Memory) => Promise<boolean> }) {
    const tables = useQuery({ queryKey: ['memory-tables'], staleTime: Infinity, queryFn: () => data(api.GET('/memory/tables')) });
    const [head, setHead] = useState({
        name: 'Main memory',
        board: boards[0]?.key ?? '',
        chip: '4116',
        word_bits: '8',
        radix: '16',
        technology: 'dram',
    });
    const [rows, setRows] = useState<Row[]>([{ name: '0', start: '0', words: '', first: 'U30', bit_0: 'first', parity: false }]);
    const body = {
        name: head.name,
        rows: {
            radix: Number(head.radix),
            word_bits: number(head.word_bits),
            ...(head.chip === '' ? { technology: head.technology } : { chip: head.chip }),
            rows: rows.map((row) => ({
                name: row.name,
                start: row.start,
                first: row.first,
                bit_0: row.bit_0,
                parity: row.parity,
                ...(row.words.trim() === '' ? {} : { words: number(row.words) }),
            })),
        },
    };
    const draft = useQuery({ queryKey: ['map-rows', body], retry: false, queryFn: () => data(api.POST('/memory/rows', { body })) });
    const set = (name: keyof typeof head) => (event: { target: { value: string } }) => setHead({ ...head, [name]: event.target.value });
    const change = (i: number, next: Partial<Row>) => setRows(rows.map((row, at) => (at === i ? { ...row, ...next } : row)));
    const key = head.name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '');
    const free = taken.includes(key) ? `${key}-${taken.length + 1}` : key;
    return (
        <Part title="A new map from rows of chips">
            <div className="flex flex-col gap-3">
                <div className="grid gap-3 sm:grid-cols-5">
                    <Field label="Name" value={head.name} onChange={set('name')} />
                    <Select
                        label="On the board"
                        value={head.board}
                        options={boards.map((it) => [it.key, it.name])}
                        onChange={set('board')}
                    />
                    <Select
                        label="Chip"
                        value={head.chip}
                        options={[...(tables.data?.chips ?? []).map((it): [string, string] => [it.type, it.type]), ['', 'another']]}
                        onChange={set('chip')}
                    />
                    <Field label="Word, bits" inputMode="numeric" value={head.word_bits} onChange={set('word_bits')} />
                    <Select
                        label="Addresses in"
                        value={head.radix}
                        options={(tables.data?.radices ?? []).map((it) => [it.value, it.words])}
                        onChange={set('radix')}
                    />
                    {head.chip === '' && (
                        <Select
                            label="Technology"
                            value={head.technology}
                            options={(tables.data?.technologies ?? []).map((it) => [it.value, it.words])}
                            onChange={set('technology')}
                        />
                    )}
                </div>
                {rows.map((row, i) => (
                    <div key={i} className="grid items-end gap-3 border-t border-line pt-2 sm:grid-cols-[1fr_1fr_1fr_1fr_1.2fr_auto_auto]">
                        <Field label="Bank" value={row.name} onChange={(event) => change(i, { name: event.target.value })} />
                        <Field label="Starts at" value={row.start} onChange={(event) => change(i, { start: event.target.value })} />
                        <Field
                            label="Words"
                            placeholder={head.chip === '' ? '' : 'from the chip'}
                            value={row.words}
                            onChange={(event) => change(i, { words: event.target.value })}
                        />
                        <Field label="First chip" value={row.first} onChange={(event) => change(i, { first: event.target.value })} />
                        <Select
                            label="Bit 0 is at the"
                            value={row.bit_0}
                            options={[
                                ['first', 'first chip'],
                                ['last', 'last chip'],
                            ]}
                            onChange={(event) => change(i, { bit_0: event.target.value })}
                        />
                        <label className="flex min-h-11 items-center gap-2">
                            <input type="checkbox" checked={row.parity} onChange={(event) => change(i, { parity: event.target.checked })} />
                            Parity
                        </label>
                        <Button disabled={rows.length === 1} onClick={() => setRows(rows.filter((_, at) => at !== i))}>
                            Take out
                        </Button>
                    </div>
                ))}
                <div className="flex gap-3">
                    <Button
                        onClick={() => setRows([...rows, { ...(rows.at(-1) as Row), name: String(rows.length), first: '', start: '' }])}
                    >
                        Another row
                    </Button>
                    <Button
                        look="main"
                        disabled={draft.data === undefined}
                        onClick={() =>
                            void onSave({
                                key: free,
                                name: head.name,
                                ...(head.board === '' ? {} : { board: head.board }),
                                ...(head.chip === '' ? {} : { chip: head.chip }),
                                map: JSON.parse(draft.data?.map ?? 'null') as unknown,
                            })
                        }
                    >
                        Keep the map
                    </Button>
                </div>
                <Drawn draft={draft.data} problem={draft.error} />
            </div>
        </Part>
    );
}

function Select({
    label,
    value,
    options,
    onChange,
}: {
    label: string;
    value: string;
    options: [value: string, says: string][];
    onChange: (event: { target: { value: string } }) => void;
}) {
    return (
        <Field label={label}>
            {(ids) => (
                <select {...ids} value={value} onChange={onChange}>
                    {options.map(([it, says]) => (
                        <option key={it} value={it}>
                            {says}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
}
