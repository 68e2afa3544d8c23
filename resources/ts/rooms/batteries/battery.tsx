import { useBoardAtHand } from '../../api/at-hand';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Say } from '../../bench/say';
import { Button, Cautions, Field, Part } from '../../ui/controls';
import { filled } from '../../ui/number';
import { Loaded, Page } from '../../ui/page';
import { choices, Select } from '../../ui/select';
import { useMayRecord } from '../../ui/session';
import { Clock } from './clock';
import { Options } from './options';
import { useLive } from '../../bench/live';

export function Battery() {
    const { id = '' } = useParams();
    const board = useBoardAtHand(id);
    const battery = useQuery({
        queryKey: ['battery', id, board],
        queryFn: () => data(api.GET('/jobs/{job}/battery', { params: { path: { job: id }, query: board === undefined ? {} : { board } } })),
    });
    return <Loaded query={battery}>{(page) => <BatterySheet page={page} />}</Loaded>;
}

function BatterySheet({ page }: { page: Schemas['BatteryPage'] }) {
    useLive(page.job.id);
    const may = useMayRecord() && page.job.state === 'open';
    return (
        <Page
            title="Battery and clock"
            over={
                <Link to={`/jobs/${page.job.id}`}>
                    {page.job.label}, {page.job.title}
                </Link>
            }
        >
            <div className="grid gap-3 lg:grid-cols-2">
                <Part title="As it was found">
                    {page.notes.length === 0 && <p className="text-soft">Nothing is recorded of this board's battery.</p>}
                    <ul className="flex flex-col gap-1">
                        {page.notes.map((note) => (
                            <li key={note}>{note}</li>
                        ))}
                    </ul>
                    {page.positive_towards !== null && (
                        <p className="mt-2 font-bold">Positive end towards {page.positive_towards}: what is fitted must agree with it.</p>
                    )}
                    {may && <Found page={page} />}
                </Part>
                <Clock page={page} may={may} />
                {may && (
                    <Say
                        job={page.job.id}
                        title="It charges by itself"
                        word="runs "
                        label="How long until the next look, and what: never left without one"
                        example="14 h charging of the pack at a tenth of its capacity in tray"
                    />
                )}
            </div>
            <Options page={page} may={may} />
            <Cautions words={page.cautions} />
        </Page>
    );
}

type Note = Schemas['DataBattery'];

function Found({ page }: { page: Schemas['BatteryPage'] }) {
    const empty = { cells: '', where: '', positive_towards: '', volts: '' };
    const [state, setState] = useState<Note['state']>('leaking');
    const [chemistry, setChemistry] = useState<NonNullable<Note['chemistry']> | ''>('');
    const [values, setValues] = useState(empty);
    const [faults, setFaults] = useState<Schemas['Fault'][]>([]);
    const at = (pointer: string) => faults.find((fault) => fault.pointer === pointer)?.detail;
    const field = (name: keyof typeof empty, label: string, hint?: string) => (
        <Field
            label={label}
            {...(hint === undefined ? {} : { hint })}
            value={values[name]}
            error={at(`/data/${name}`)}
            onChange={(event) => setValues({ ...values, [name]: event.target.value })}
        />
    );
    return (
        <form
            className="mt-3 grid gap-3 sm:grid-cols-3"
            onSubmit={(event) => {
                event.preventDefault();
                void record(
                    page.job.id,
                    {
                        kind: 'battery',
                        stage: 'battery',
                        data: { state, ...(chemistry === '' ? {} : { chemistry }), ...filled(values, ['cells']) },
                    },
                    `battery ${state}`,
                ).then((sent) => {
                    setFaults(sent.state === 'refused' ? sent.refusal.faults : []);
                    if (sent.state === 'refused') return;
                    setValues(empty);
                    setChemistry('');
                });
            }}
        >
            <Select label="State" value={state} options={choices<Note['state']>(page.states)} onChange={setState} />
            <Select
                label="Kind"
                value={chemistry}
                options={choices<NonNullable<Note['chemistry']>>(page.chemistries, 'not said')}
                error={at('/data/chemistry')}
                onChange={setChemistry}
            />
            {field('cells', 'Cells')}
            {field('where', 'Where it sits')}
            {field('positive_towards', 'Positive end towards')}
            {field('volts', 'Volts of the pack')}
            <div className="sm:col-span-3">
                <Button type="submit" look="main">
                    Write it down
                </Button>
            </div>
        </form>
    );
}
