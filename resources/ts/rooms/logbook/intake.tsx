import { useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useState } from 'react';
import { useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { api, data, Refusal, type Schemas } from '../../api/client';
import { Button, Field, Notice } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { Sheet } from '../../ui/keys';

/** What somebody said otherwise than the line was understood. */
interface Corrected {
    machine?: string;
    kind?: string;
    name?: string;
    serial?: string;
    board?: string;
    owner?: string;
    symptom?: string;
    title?: string;
    alone?: boolean;
}

const said = (text: string | null | undefined): string | undefined =>
    text === null || text === undefined || text.trim() === '' ? undefined : text.trim();

/** Taking a machine in with one line: known or not, only a name is needed. Everything it makes is made by one request. */
export function Intake({ onClose }: { onClose: () => void }) {
    const navigate = useNavigate();
    const [id] = useState(() => ulid());
    const [line, setLine] = useState('');
    const [corrected, correct] = useState<Corrected>({});
    const asked = useDeferredValue(line.trim());
    const understood = useQuery({
        queryKey: ['intake', asked],
        enabled: asked !== '',
        placeholderData: (before) => before,
        queryFn: () => data(api.POST('/intake/read', { body: { line: asked } })),
    });
    const it = asked === '' ? undefined : understood.data;
    const name = corrected.name ?? it?.machine ?? '';
    const chosen = corrected.machine ?? (corrected.name === undefined && corrected.kind === undefined ? (it?.meant ?? '') : '');
    const machine = it?.machines.find((one) => one.id === chosen);
    const value = (field: 'serial' | 'owner' | 'symptom') => corrected[field] ?? it?.[field] ?? '';
    const form = useSend(
        async () => {
            // Enter comes faster than the answer about the line: it is asked again, for what stands in it now.
            const now = await data(api.POST('/intake/read', { body: { line: line.trim() } }));
            const of = corrected.machine ?? (corrected.name === undefined && corrected.kind === undefined ? now.meant : null);
            if (now.ambiguous && of === null && corrected.kind === undefined && corrected.name === undefined) {
                throw new Refusal(422, [{ pointer: '/name', detail: 'several are called so: choose which one it is' }]);
            }
            const part = (field: 'serial' | 'owner' | 'symptom', text: string | undefined) => (text === undefined ? {} : { [field]: text });
            return data(
                api.POST('/intake', {
                    body: {
                        id,
                        at: new Date().toISOString(),
                        ...(of === null || of === '' ? { name: corrected.name ?? now.machine } : { machine: of }),
                        ...(corrected.kind === undefined ? {} : { kind: corrected.kind }),
                        ...((corrected.alone ?? now.alone) && (of === null || of === '') ? { alone: true } : {}),
                        ...(corrected.board === undefined ? {} : { board: corrected.board }),
                        ...(said(corrected.title) === undefined ? {} : { title: said(corrected.title) ?? '' }),
                        ...part('serial', said(corrected.serial ?? now.serial)),
                        ...part('owner', said(corrected.owner ?? now.owner)),
                        ...part('symptom', said(corrected.symptom ?? now.symptom)),
                    },
                }),
            );
        },
        (job) => void navigate(`/jobs/${job.id}`),
    );
    const elsewhere = form.problem ?? form.at('') ?? form.at('/line');
    const known = it === undefined ? [] : it.machines;
    const kinds = it === undefined ? [] : it.kinds;
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title="Take in" about="Each board keeps its own record for life; this visit is one job. Only a name is needed.">
                <form
                    className="grid gap-3 sm:grid-cols-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (line.trim() !== '') void form.submit();
                    }}
                >
                    <div className="sm:col-span-2">
                        <Field
                            label="What comes in, from whom, and what it does"
                            placeholder="Knot 12 lab computer, from the instrument group, dead after a week off"
                            autoFocus
                            required
                            autoComplete="off"
                            value={line}
                            error={form.at('/name')}
                            onChange={(event) => {
                                setLine(event.target.value);
                                correct({});
                            }}
                        />
                    </div>
                    {it !== undefined && (
                        <>
                            <fieldset className="sm:col-span-2">
                                <legend className="text-sm font-bold">It is</legend>
                                <Which
                                    label={`new here: ${name}`}
                                    on={chosen === '' && corrected.kind === undefined}
                                    onChoose={() => correct({ ...corrected, machine: '', name })}
                                />
                                {kinds.map((kind) => (
                                    <Which
                                        key={kind.id}
                                        label={`another ${kind.name} (${kind.machines} known)`}
                                        on={corrected.kind === kind.id}
                                        onChoose={() => correct({ ...corrected, machine: '', kind: kind.id, name })}
                                    />
                                ))}
                                {known.map((one) => (
                                    <Which
                                        key={one.id}
                                        label={[one.name, one.serial, one.owner].filter((of) => of !== null).join(', ')}
                                        on={chosen === one.id}
                                        onChoose={() => {
                                            const now: Corrected = { ...corrected, machine: one.id };
                                            delete now.kind;
                                            delete now.name;
                                            correct(now);
                                        }}
                                    />
                                ))}
                                {machine === undefined && (
                                    <label className="flex min-h-11 items-center gap-3">
                                        <input
                                            type="checkbox"
                                            checked={corrected.alone ?? it.alone}
                                            onChange={(event) => correct({ ...corrected, alone: event.target.checked })}
                                        />
                                        a board that came alone, without its machine
                                    </label>
                                )}
                            </fieldset>
                            {machine !== undefined && machine.boards.length > 1 && (
                                <Field label="Board" error={form.at('/board')}>
                                    {(ids) => (
                                        <select
                                            {...ids}
                                            value={corrected.board ?? machine.boards[0]?.id}
                                            onChange={(event) => correct({ ...corrected, board: event.target.value })}
                                        >
                                            {machine.boards.map((board) => (
                                                <option key={board.id} value={board.id}>
                                                    {board.name} {board.serial}
                                                </option>
                                            ))}
                                        </select>
                                    )}
                                </Field>
                            )}
                            {machine === undefined && (
                                <Text
                                    label="Serial"
                                    value={value('serial')}
                                    error={form.at('/serial')}
                                    set={(serial) => correct({ ...corrected, serial })}
                                />
                            )}
                            <Text
                                label="Owner"
                                value={value('owner')}
                                error={form.at('/owner')}
                                set={(owner) => correct({ ...corrected, owner })}
                            />
                            <Text
                                label="In a few words"
                                value={corrected.title ?? value('symptom')}
                                error={form.at('/title')}
                                set={(title) => correct({ ...corrected, title })}
                            />
                            <div className="sm:col-span-2">
                                <Field label="Symptom, as it was told">
                                    {(ids) => (
                                        <textarea
                                            {...ids}
                                            value={value('symptom')}
                                            onChange={(event) => correct({ ...corrected, symptom: event.target.value })}
                                        />
                                    )}
                                </Field>
                            </div>
                        </>
                    )}
                    {elsewhere !== undefined && (
                        <div className="sm:col-span-2">
                            <Notice tone="bad" live>
                                {elsewhere}
                            </Notice>
                        </div>
                    )}
                    <div className="sm:col-span-2">
                        <Button type="submit" look="main" disabled={form.busy}>
                            Take in <kbd>Enter</kbd>
                        </Button>
                    </div>
                </form>
            </Sheet>
        </Dialog.Root>
    );
}

function Which({ label, on, onChoose }: { label: string; on: boolean; onChoose: () => void }) {
    return (
        <label className="flex min-h-11 items-center gap-3">
            <input type="radio" name="which" checked={on} onChange={onChoose} />
            {label}
        </label>
    );
}

function Text({
    label,
    value,
    error,
    set,
}: {
    label: string;
    value: string;
    error: string | undefined;
    set: (value: Exclude<Schemas['TakeInBody']['owner'], null | undefined>) => void;
}) {
    return <Field label={label} value={value} error={error} onChange={(event) => set(event.target.value)} />;
}
