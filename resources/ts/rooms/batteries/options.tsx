import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, data, Refusal, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice, Part } from '../../ui/controls';

type Option = Schemas['OptionCard'];

const NUMBERS: [name: keyof Schemas['BoardNumbers'], label: string][] = [
    ['retention_min_v', 'Board keeps its memory from, V'],
    ['retention_max_v', 'and stands up to, V'],
    ['standby_a', 'Standby current, A'],
    ['supply_v', 'Charges from, V'],
    ['series_ohm', 'through, ohm'],
    ['diode_drop_v', 'Lost in a diode, V'],
];
const TONES: Record<Option['verdict'], string> = { fits: 'text-in', fits_with_rework: 'text-close', no: 'text-out' };

/** The four schools side by side for this board's numbers. Changing one asks the server at once. */
export function Options({ page, may }: { page: Schemas['BatteryPage']; may: boolean }) {
    const [numbers, setNumbers] = useState(page.board);
    const [circuit, setCircuit] = useState('');
    const [fitting, setFitting] = useState<Option | null>(null);
    const asked = useDeferredValue(numbers);
    // Nobody has looked whether a guessed circuit charges: both are reckoned, and both are shown.
    const guessed = circuit !== '' || (page.source?.startsWith('family:') ?? false);
    const both = guessed && asked.supply_v === '' && asked.series_ohm === '';
    const as = useOptions(page.job.id, asked, true);
    const charged = useOptions(page.job.id, { ...asked, supply_v: page.charging.supply_v, series_ohm: page.charging.series_ohm }, both);
    const refusal = as.error instanceof Refusal ? as.error : null;
    const choose = (id: string) => {
        setCircuit(id);
        const of = page.circuits.find((it) => it.id === id);
        if (of?.numbers === null || of === undefined) return;
        setNumbers(of.numbers);
        if (may) void record(page.job.id, { kind: 'clock_kind', data: { circuit: of.id } }, `clock circuit: ${of.id}`);
    };
    const chosen = page.circuits.find((it) => it.id === circuit);
    return (
        <Part title="What to fit">
            {page.source !== null && <p className="mb-2 text-sm text-soft">{page.source}</p>}
            {(page.board.retention_min_v === '' || guessed) && (
                <div className="mb-3 max-w-2xl">
                    <Field
                        label="Which clock circuit is it?"
                        hint={chosen?.typical ?? 'its figures are filled in, and marked as those of a family'}
                    >
                        {(ids) => (
                            <select {...ids} value={circuit} onChange={(event) => choose(event.target.value)}>
                                <option value="">not known</option>
                                {page.circuits.map((it) => (
                                    <option key={it.id} value={it.id}>
                                        {it.id}: {it.typical}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                </div>
            )}
            <div className="grid gap-3 sm:grid-cols-3 lg:grid-cols-6">
                {NUMBERS.map(([name, label]) => (
                    <Field
                        key={name}
                        label={label}
                        inputMode="decimal"
                        value={numbers[name]}
                        error={refusal?.at(`/${name}`) ?? refusal?.at(`/charge/${name}`)}
                        onChange={(event) => setNumbers({ ...numbers, [name]: event.target.value })}
                    />
                ))}
            </div>
            {as.data === undefined && (
                <p className="mt-2 text-soft">Give the limits and the standby current: from the sheet of the clock chip, or measured.</p>
            )}
            {both && as.data !== undefined && (
                <p className="mt-2 font-bold text-close">
                    Look for a diode and a resistor from +5 to the plus of the cell: until then both are reckoned.
                </p>
            )}
            {both && <h3 className="mt-3 font-bold">If it does not charge</h3>}
            <Schools options={as.data} onFit={may ? setFitting : null} />
            {both && (
                <>
                    <h3 className="mt-4 font-bold">
                        If it charges from {page.charging.supply_v} V through {page.charging.series_ohm} Ω
                    </h3>
                    <Schools options={charged.data} onFit={may ? setFitting : null} />
                </>
            )}
            {fitting !== null && <Fit page={page} option={fitting} onClose={() => setFitting(null)} />}
        </Part>
    );
}

function useOptions(job: string, numbers: Schemas['BoardNumbers'], wanted: boolean) {
    return useQuery({
        queryKey: ['battery-options', job, numbers],
        enabled: wanted && numbers.retention_min_v !== '' && numbers.retention_max_v !== '' && numbers.standby_a !== '',
        retry: false,
        placeholderData: (before) => before,
        queryFn: () => data(api.POST('/jobs/{job}/battery-options', { params: { path: { job } }, body: numbers })),
    });
}

function Schools({ options, onFit }: { options: Option[] | undefined; onFit: ((option: Option) => void) | null }) {
    const best = options?.find((it) => it.recommended);
    const schools = Map.groupBy(options ?? [], (it) => it.school);
    return (
        <>
            {best !== undefined && <p className="mt-3 font-bold text-accent">Recommended: {best.because}.</p>}
            <div className="mt-3 grid items-start gap-3 lg:grid-cols-4">
                {[...schools].map(([school, list]) => (
                    <section key={school} aria-label={school} className="flex flex-col gap-2">
                        <h3 className="border-b-2 border-wood text-sm font-bold">{school}</h3>
                        {list.map((it) => (
                            <Card key={it.id} option={it} onFit={onFit !== null && it.verdict !== 'no' ? () => onFit(it) : null} />
                        ))}
                    </section>
                ))}
            </div>
        </>
    );
}

function Card({ option, onFit }: { option: Option; onFit: (() => void) | null }) {
    return (
        <article
            data-option={option.id}
            className={`rounded border p-2 ${option.recommended ? 'border-2 border-accent bg-accent-wash' : 'border-line bg-raised'}`}
        >
            <p className="font-bold">{option.words}</p>
            <p className={`text-sm font-bold ${TONES[option.verdict]}`}>
                {option.verdict_words}
                {option.recommended && <span className="text-accent">, recommended</span>}
                {option.leaks && <span className="text-out">, leaks on the board</span>}
            </p>
            {option.span !== null && <Span span={option.span} label={`${option.words}: ${option.volts ?? ''}`} />}
            <p className="text-sm">
                {[option.volts, option.years, option.charge === null ? null : `charged with ${option.charge}`]
                    .filter((it) => it !== null && it !== '')
                    .join(', ')}
            </p>
            {option.needs.length > 0 && <p className="text-sm">needs {option.needs.join(', ')}</p>}
            <details className="text-sm">
                <summary>why</summary>
                {option.reasons.map((reason) => (
                    <p key={reason}>{reason}</p>
                ))}
            </details>
            {onFit !== null && (
                <Button look="quiet" aria-label={`Fit it: ${option.words}`} onClick={onFit}>
                    Fit it
                </Button>
            )}
        </article>
    );
}

/** From the end of its life to fresh, against what the board keeps and stands. */
function Span({ span, label }: { span: Schemas['SpanCard']; label: string }) {
    const x = (share: number) => share * 200;
    return (
        <svg viewBox="0 0 200 22" className="my-1 h-5 w-full" preserveAspectRatio="none" role="img" aria-label={label}>
            <path d="M0 11H200" stroke="var(--line)" strokeWidth="2" />
            <rect
                x={x(span.low)}
                width={x(span.high) - x(span.low)}
                y="3"
                height="16"
                fill="var(--accent-wash)"
                stroke="var(--accent)"
                strokeWidth="1.5"
                vectorEffect="non-scaling-stroke"
            />
            <rect x={x(span.end)} width={Math.max(2, x(span.fresh) - x(span.end))} y="8" height="6" fill="var(--ink)" />
        </svg>
    );
}

/** Polarity is asked for and must agree with the record, or is overridden with a reason. */
function Fit({ page, option, onClose }: { page: Schemas['BatteryPage']; option: Option; onClose: () => void }) {
    const [positive, setPositive] = useState('');
    const [volts, setVolts] = useState('');
    const [override, setOverride] = useState('');
    const [blocked, setBlocked] = useState(false);
    const [faults, setFaults] = useState<Schemas['Fault'][]>([]);
    const at = (pointer: string) => faults.find((fault) => fault.pointer === pointer)?.detail;
    const send = async () => {
        const sent = await record(
            page.job.id,
            {
                kind: 'battery',
                stage: 'battery',
                data: {
                    state: 'fitted',
                    option: option.id,
                    recheck_at: option.recheck_at,
                    ...(positive.trim() === '' ? {} : { positive_towards: positive }),
                    ...(volts.trim() === '' ? {} : { volts }),
                    ...(override.trim() === '' ? {} : { override }),
                    ...(blocked ? { blocked } : {}),
                },
            },
            `fitted: ${option.words}`,
        );
        if (sent.state === 'refused') setFaults(sent.refusal.faults);
        else onClose();
    };
    const elsewhere = faults.find((fault) => !['/data/positive_towards', '/data/volts', '/data/override'].includes(fault.pointer))?.detail;
    return (
        <form
            className="sheet mt-3 grid gap-3 border-2 border-accent p-4 lg:grid-cols-3"
            onSubmit={(event) => {
                event.preventDefault();
                void send();
            }}
        >
            <h3 className="font-bold lg:col-span-3">Fit: {option.words}</h3>
            <Field
                label="Positive end towards"
                autoFocus
                value={positive}
                error={at('/data/positive_towards')}
                onChange={(event) => setPositive(event.target.value)}
            />
            <Field
                label="Volts at the board after fitting"
                value={volts}
                error={at('/data/volts')}
                onChange={(event) => setVolts(event.target.value)}
            />
            <Field
                label="If it differs from the record: why it is right"
                value={override}
                error={at('/data/override')}
                onChange={(event) => setOverride(event.target.value)}
            />
            {option.confirm !== null && (
                <label className="flex min-h-11 items-center gap-3 lg:col-span-3">
                    <input type="checkbox" checked={blocked} onChange={(event) => setBlocked(event.target.checked)} />I have seen it:{' '}
                    {option.confirm}
                </label>
            )}
            {elsewhere !== undefined && <Notice tone="bad">{elsewhere}</Notice>}
            <div className="flex gap-2 lg:col-span-3">
                <Button type="submit" look="main">
                    It is fitted
                </Button>
                <Button onClick={onClose}>Leave it</Button>
            </div>
        </form>
    );
}
