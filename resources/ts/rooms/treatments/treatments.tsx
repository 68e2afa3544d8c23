import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { record, type Sent } from '../../api/outbox';
import { useLive } from '../../bench/live';
import { Figures } from '../../bench/sums';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { KeyHelp } from '../../ui/keys';
import { filled } from '../../ui/number';
import { Loaded, Page } from '../../ui/page';
import { choices, Select } from '../../ui/select';
import { useMayRecord } from '../../ui/session';
import { clock } from '../../ui/when';
import { Bath, Dilute } from './bath';
import { Colour } from './colour';

type TreatmentsPage = Schemas['TreatmentsPage'];
type Damage = Schemas['DataTreatment']['damage'];
type Material = Schemas['DataTreatment']['material'];
type Flag = NonNullable<Schemas['DataTreatment']['flags']>[number];

const VESSEL = { litres: '', volts: '', amps: '', stock_pct: '', air_m3_h: '' };
const VESSEL_FIELDS = [
    ['litres', 'Litres'],
    ['volts', 'Supply, volts'],
    ['amps', 'Its limit, amperes'],
    ['stock_pct', 'Bottle, % by mass'],
    ['air_m3_h', 'Fresh air, m3/h'],
] as const;
const VESSEL_NUMBERS = VESSEL_FIELDS.map(([name]) => name);

/** Parts under treatment: what is wrong with them, the means side by side, and the steps with what runs. */
export function Treatments() {
    const { id = '' } = useParams();
    const page = useQuery({
        queryKey: ['treatments', id],
        queryFn: () => data(api.GET('/jobs/{job}/treatments', { params: { path: { job: id } } })),
    });
    return <Loaded query={page}>{(it) => <Sheet page={it} />}</Loaded>;
}

function Sheet({ page }: { page: TreatmentsPage }) {
    useLive(page.job_id);
    const may = useMayRecord() && page.open;
    return (
        <Page
            title="Treatments"
            over={
                <Link to={`/jobs/${page.job_id}`}>
                    {page.job_label}, {page.job_title}
                </Link>
            }
            aside={
                <>
                    <Link to="/running">What runs on the bench</Link> <KeyHelp keys={[]} />
                </>
            }
        >
            {page.treatments.length === 0 && (
                <p className="text-soft">
                    No part of this job is under treatment. Say what is wrong with one and what it is made of; the means stand side by side.
                </p>
            )}
            {page.treatments.map((it) => (
                <UnderWay key={it.id} page={page} treatment={it} may={may} />
            ))}
            {may && <Another page={page} />}
            <Dilute substances={choices(page.dilutable)} />
            <Colour page={page} may={may} />
        </Page>
    );
}

const STATES = { done: 'done', running: 'runs', next: 'next', later: '' } as const;

function UnderWay({ page, treatment, may }: { page: TreatmentsPage; treatment: Schemas['TreatmentCard']; may: boolean }) {
    const [vessel, setVessel] = useState('');
    const [closed, setClosed] = useState(false);
    const [sent, setSent] = useState<Sent | null>(null);
    const begin = async (step: Schemas['TreatmentStepCard']) => {
        const where = vessel.trim() === '' ? {} : { vessel: vessel.trim(), closed };
        setSent(await record(page.job_id, { kind: 'treatment_step', data: { treatment: treatment.id, step: step.n, ...where } }, step.do));
    };
    const end = async (begun: string, what: string) =>
        setSent(await record(page.job_id, { kind: 'treatment_done', data: { begun } }, what));
    const list = `vessels-${treatment.id}`;
    return (
        <Part title={treatment.words}>
            <ol className="divide-y divide-line">
                {treatment.steps.map((step) => (
                    <li
                        key={step.n}
                        className={`grid grid-cols-[4.5rem_minmax(0,1fr)] gap-x-3 py-2 ${step.state === 'next' ? 'border-l-4 border-accent pl-2' : ''}`}
                    >
                        <span className={`font-bold ${step.state === 'running' ? 'text-close' : step.state === 'done' ? 'text-in' : ''}`}>
                            {step.n} {STATES[step.state as keyof typeof STATES]}
                        </span>
                        <span>
                            <span className={step.state === 'next' ? 'text-lg font-bold' : step.state === 'later' ? 'text-soft' : ''}>
                                {step.do}
                            </span>{' '}
                            <span className="text-sm text-soft">
                                {step.minutes} min, {step.hands ? 'by hand' : 'runs alone'}
                                {step.vessel !== null && `, in ${step.vessel}`}
                                {step.state === 'running' && step.due !== null && `, until ${clock(step.due)}`}
                            </span>
                            {step.amounts.map((it) => (
                                <span key={it} className="block font-bold tabular-nums first-letter:uppercase">
                                    {it}
                                </span>
                            ))}
                            {step.caution !== null && step.state !== 'done' && (
                                <span className="block text-sm font-bold text-out">Caution: {step.caution}</span>
                            )}
                            {may && step.state === 'next' && (
                                <span className="mt-1 flex flex-wrap items-end gap-3">
                                    <Field
                                        label={`Vessel or place of ${treatment.part}`}
                                        placeholder="bath 1"
                                        list={list}
                                        value={vessel}
                                        onChange={(event) => setVessel(event.target.value)}
                                    />
                                    <label className="flex min-h-11 items-center gap-2">
                                        <input type="checkbox" checked={closed} onChange={(event) => setClosed(event.target.checked)} />
                                        it is shut
                                    </label>
                                    <Button look="main" onClick={() => void begin(step)}>
                                        Begin step {step.n}
                                    </Button>
                                </span>
                            )}
                            {may && step.state === 'running' && step.begun !== null && (
                                <span className="mt-1 block">
                                    <Button onClick={() => void end(step.begun ?? '', step.do)}>Done, step {step.n}</Button>
                                </span>
                            )}
                        </span>
                    </li>
                ))}
            </ol>
            <datalist id={list}>
                {page.vessels.map((it) => (
                    <option key={it} value={it} />
                ))}
            </datalist>
            {sent?.state === 'refused' && (
                <Notice tone="bad" live>
                    {sent.refusal.message}
                </Notice>
            )}
            <p className="mt-2 text-sm text-soft">
                By hand {treatment.hands} min, waiting {treatment.waiting} min, as the plan has it.
            </p>
            {treatment.bath && <Bath />}
        </Part>
    );
}

function Another({ page }: { page: TreatmentsPage }) {
    const [part, setPart] = useState('');
    const [damage, setDamage] = useState('');
    const [material, setMaterial] = useState('');
    const [flags, setFlags] = useState<string[]>([]);
    const [vessel, setVessel] = useState(VESSEL);
    const [sent, setSent] = useState<Sent | null>(null);
    const means = useQuery({
        queryKey: ['treatments', 'choices', damage, material, flags],
        enabled: damage !== '' && material !== '',
        queryFn: () =>
            data(
                api.GET('/treatments/choices', {
                    params: { query: { damage, material, ...(flags.length === 0 ? {} : { flags: flags.join(',') }) } },
                }),
            ),
    });
    const take = async (it: Schemas['MeansCard']) => {
        const answer = await record(
            page.job_id,
            {
                kind: 'treatment',
                data: {
                    part,
                    damage: damage as Damage,
                    material: material as Material,
                    means: it.id,
                    ...(flags.length === 0 ? {} : { flags: flags as Flag[] }),
                    ...(vessel.litres.trim() === ''
                        ? {}
                        : { vessel: filled(vessel, VESSEL_NUMBERS) as NonNullable<Schemas['DataTreatment']['vessel']> }),
                },
            },
            `${part}: ${it.words}`,
        );
        setSent(answer);
        if (answer.state !== 'refused') {
            setPart('');
            setDamage('');
            setMaterial('');
            setFlags([]);
            setVessel(VESSEL);
        }
    };
    return (
        <Part title="A part to treat">
            <div className="flex flex-wrap items-end gap-3">
                <Field label="The part" placeholder="slot brackets" value={part} onChange={(event) => setPart(event.target.value)} />
                <Select label="What is wrong" value={damage} options={choices(page.damages, 'choose')} onChange={setDamage} />
                <Select label="Made of" value={material} options={choices(page.materials, 'choose')} onChange={setMaterial} />
            </div>
            <fieldset className="flex flex-wrap gap-x-5">
                <legend className="sr-only">What else is to be known of it</legend>
                {page.flags.map((it) => (
                    <label key={it.value} className="flex min-h-11 items-center gap-2">
                        <input
                            type="checkbox"
                            checked={flags.includes(it.value)}
                            onChange={(event) =>
                                setFlags(event.target.checked ? [...flags, it.value] : flags.filter((one) => one !== it.value))
                            }
                        />
                        {it.words}
                    </label>
                ))}
            </fieldset>
            <fieldset className="mt-2 flex flex-wrap items-end gap-3">
                <legend className="text-sm font-bold">The vessel at hand, so that the plan says how much; may stay empty</legend>
                <Figures fields={VESSEL_FIELDS} typed={vessel} set={(name, value) => setVessel({ ...vessel, [name]: value })} />
            </fieldset>
            <p className="mt-2 text-sm text-soft">Data sheets, local rules and licensed practice come before what stands here.</p>
            {means.data !== undefined && (
                <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Means side by side">
                    <table className="mt-2 text-left">
                        <thead>
                            <tr className="text-sm text-soft">
                                {['Means', 'Suits', 'Reaches', 'Risk', 'By the clock', 'Why', ''].map((it) => (
                                    <th key={it} scope="col" className="pr-5">
                                        {it}
                                    </th>
                                ))}
                            </tr>
                        </thead>
                        <tbody>
                            {means.data.choices.map((it) => (
                                <tr key={it.id} className="border-t border-line">
                                    <th scope="row" className="py-1 pr-5">
                                        {it.words}
                                    </th>
                                    <td
                                        className={`pr-5 font-bold ${it.verdict === 'no' ? 'text-out' : it.verdict === 'fits' ? 'text-in' : 'text-close'}`}
                                    >
                                        {it.verdict_words}
                                    </td>
                                    <td className="pr-5">{it.reach}</td>
                                    <td className="pr-5 tabular-nums">{it.risk} of 3</td>
                                    <td className="pr-5 tabular-nums">{it.minutes} min</td>
                                    <td className="pr-5 text-sm">{it.reasons.join('; ')}</td>
                                    <td>
                                        {it.verdict !== 'no' && (
                                            <Button
                                                disabled={part.trim() === ''}
                                                aria-label={`Take ${it.words}`}
                                                onClick={() => void take(it)}
                                            >
                                                Take it
                                            </Button>
                                        )}
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                </div>
            )}
            {sent?.state === 'refused' && (
                <Notice tone="bad" live>
                    {sent.refusal.message}
                </Notice>
            )}
        </Part>
    );
}
