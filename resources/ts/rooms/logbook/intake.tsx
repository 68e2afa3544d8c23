import { useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { api, data } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { Sheet } from '../../ui/keys';

/** Taking a machine in: whose it is, which board, and the symptom as it was told. The job and its first entry are made here. */
export function Intake({ onClose }: { onClose: () => void }) {
    const navigate = useNavigate();
    const machines = useQuery({ queryKey: ['machines'], queryFn: () => data(api.GET('/machines')) });
    const [id] = useState(() => ulid());
    const [machine, setMachine] = useState('');
    const [board, setBoard] = useState('');
    const [owner, setOwner] = useState('');
    const [title, setTitle] = useState('');
    const [symptom, setSymptom] = useState('');
    const boards = machines.data?.find((it) => it.id === machine)?.boards ?? [];
    const form = useSend(
        async () => {
            const job = await data(api.POST('/jobs', { body: { id, machine, board, owner, title, at: new Date().toISOString() } }));
            if (symptom.trim() !== '') await record(job.id, { kind: 'symptom', text: symptom }, `symptom ${symptom}`);
            return job;
        },
        (job) => void navigate(`/jobs/${job.id}`),
    );
    const elsewhere = form.problem ?? form.at('');
    return (
        <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
            <Sheet title="Take in" about="Each board keeps its own record for life; this visit is one job.">
                <form
                    className="grid gap-3 sm:grid-cols-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        void form.submit();
                    }}
                >
                    <Field label="Machine" error={form.at('/machine')}>
                        {(ids) => (
                            <select
                                {...ids}
                                autoFocus
                                required
                                value={machine}
                                onChange={(event) => {
                                    setMachine(event.target.value);
                                    setBoard(machines.data?.find((it) => it.id === event.target.value)?.boards[0]?.id ?? '');
                                }}
                            >
                                <option value="">Choose a machine</option>
                                {machines.data?.map((it) => (
                                    <option key={it.id} value={it.id}>
                                        {it.name}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                    <Field label="Board" error={form.at('/board')}>
                        {(ids) => (
                            <select {...ids} required value={board} onChange={(event) => setBoard(event.target.value)}>
                                {boards.map((it) => (
                                    <option key={it.id} value={it.id}>
                                        {it.name} {it.serial}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                    <Field
                        label="Owner"
                        required
                        value={owner}
                        error={form.at('/owner')}
                        onChange={(event) => setOwner(event.target.value)}
                    />
                    <Field
                        label="In a few words"
                        required
                        value={title}
                        error={form.at('/title')}
                        onChange={(event) => setTitle(event.target.value)}
                    />
                    <div className="sm:col-span-2">
                        <Field
                            label="Symptom, as it was told"
                            hint="In the owner's words: what it should do, what it does, what was tried before."
                        >
                            {(ids) => <textarea {...ids} value={symptom} onChange={(event) => setSymptom(event.target.value)} />}
                        </Field>
                    </div>
                    {elsewhere !== undefined && (
                        <div className="sm:col-span-2">
                            <Notice tone="bad" live>
                                {elsewhere}
                            </Notice>
                        </div>
                    )}
                    <div className="sm:col-span-2">
                        <Button type="submit" look="main" disabled={form.busy}>
                            Take in
                        </Button>
                    </div>
                </form>
            </Sheet>
        </Dialog.Root>
    );
}
