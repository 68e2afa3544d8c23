import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, data, Refusal, words, type Schemas } from '../../api/client';
import { record, useUnsent } from '../../api/outbox';
import { askOnce } from '../../api/take';
import { ProbeRun, type ProbePoint, type Typed } from '../../bench/probe-run';
import { Strip } from '../../bench/strip';
import { TonesSwitch } from '../../bench/tones-switch';
import { sound } from '../../bench/tones';
import { placeOf } from '../../bench/verdict';
import { Choice } from '../../ui/choice';
import { Button, Cautions, Field, LinkButton, Notice } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { filled } from '../../ui/number';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { Photos } from '../logbook/photos';
import { MeterChoice, TYPED, useMeters } from '../rails/meter-choice';
import { Found, Waiting } from './found';
import { Policies } from './policy';
import { Rework } from './rework';

type Cap = Schemas['CapCard'];

/** Which shape a verdict of this room is drawn with. */
const SHAPES: Partial<Record<string, string>> = { keep: 'in', watch: 'in_close', replace: 'out' };
const shapeOf = (verdict: string | null): string | null => (verdict === null ? null : (SHAPES[verdict] ?? null));
const LEADS = 'ash-bench.esr-leads';

export function Capacitors() {
    const { id = '' } = useParams();
    const page = useQuery({
        queryKey: ['capacitors', id],
        queryFn: () => data(api.GET('/jobs/{job}/capacitors', { params: { path: { job: id } } })),
    });
    return <Loaded query={page}>{(it) => <CapacitorSheet page={it} />}</Loaded>;
}

const point = (cap: Cap, unsent: string | null): ProbePoint => ({
    key: cap.key,
    name: cap.ref ?? '?',
    place: cap.ref === null ? cap.key : [cap.words, cap.place].filter((it) => it !== '').join(', '),
    where: null,
    limits: cap.limits,
    strip: cap.strip,
    value: cap.value,
    verdict: cap.replaced === null ? shapeOf(cap.verdict) : null,
    words: cap.replaced !== null ? 'replaced' : cap.verdict === null ? '' : `${cap.verdict}${cap.proven ? '' : ', unproven'}`,
    reasons: cap.reasons,
    previous: cap.previous,
    aside: cap.replaced !== null ? `replaced by ${cap.replaced}` : cap.previous === null ? null : `before: ${cap.previous}`,
    unsent,
});

function CapacitorSheet({ page }: { page: Schemas['CapacitorPage'] }) {
    const navigate = useNavigate();
    const job = page.job.id;
    const may = useMayRecord() && page.job.state === 'open';
    const meters = useMeters();
    const known = page.caps.filter((cap) => cap.known);
    const openSubstitutes = (key: string) => void navigate(`/jobs/${job}/substitutes?cap=${encodeURIComponent(key)}`);
    const [anew, setAnew] = useState<Cap | null>(null);
    const form = useRef<HTMLDivElement>(null);
    const sayAnew = (cap: Cap) => {
        setAnew(cap);
        window.requestAnimationFrame(() => form.current?.querySelector<HTMLElement>('input')?.focus());
    };
    useKeys({ j: () => void navigate(`/jobs/${job}`) });
    return (
        <Page
            title="Capacitors"
            over={
                <Link to={`/jobs/${job}`}>
                    {page.job.label}, {page.job.title}
                </Link>
            }
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['Space', 'read the meter at the live part: farads, and its losses when the meter knows them'],
                            ['a', 'read leakage in amperes: rated voltage on, two minutes'],
                            ['digits, Enter', 'type capacitance, Tab to ESR; - for ESR alone'],
                            ...page.looks.map((look): [string, string] => [look.key, look.words]),
                            ['i', 'in circuit, or lifted'],
                            ['w', 'record the looks alone'],
                            ['s', 'substitutes from the shelf'],
                            ['↑ ↓, Backspace', 'choose the live part, step back'],
                            ['j', 'back to the job'],
                        ]}
                    />
                    <MeterChoice meters={meters} />
                    <TonesSwitch />
                    <LinkButton to="/shelf">Shelf</LinkButton>
                </>
            }
        >
            {page.caps.length === 0 && (
                <p className="sheet p-6">The profile lists no capacitor of this board. Add them as you walk over it.</p>
            )}
            {known.length > 0 && (
                <Run page={page} known={known} may={may} meters={meters} onSubstitutes={openSubstitutes} onAnew={sayAnew} />
            )}
            <Waiting page={page} onAnew={may ? sayAnew : null} />
            <div className="grid items-start gap-3 lg:grid-cols-2">
                <Policies page={page} may={may} onSubstitutes={openSubstitutes} />
                {may && (
                    <div ref={form}>
                        <Found key={anew?.entry_id ?? 'new'} page={page} anew={anew} onDone={() => setAnew(null)} />
                    </div>
                )}
            </div>
            <Photos job={job} may={may} />
            <Cautions words={page.cautions} />
        </Page>
    );
}

const doubtful = (refusal: Refusal): boolean => refusal.at('/data/capacitance_f')?.includes('sure') === true;
const NOTHING = { tan_delta: '', frequency_hz: '', leakage_a: '' };

function Run({
    page,
    known,
    may,
    meters,
    onSubstitutes,
    onAnew,
}: {
    page: Schemas['CapacitorPage'];
    known: Cap[];
    may: boolean;
    meters: ReturnType<typeof useMeters>;
    onSubstitutes: (key: string) => void;
    onAnew: (cap: Cap) => void;
}) {
    const client = useQueryClient();
    const job = page.job.id;
    const run = `capacitors ${job}`;
    const unsent = useUnsent(job);
    const [chosen, setChosen] = useState<string | null>(null);
    const [last, setLast] = useState<string | null>(null);
    const [looks, setLooks] = useState<string[]>([]);
    const [inCircuit, setInCircuit] = useState(true);
    const [leads, setLeads] = useState(() => localStorage.getItem(LEADS) ?? '');
    const [also, setAlso] = useState(NOTHING);
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const [doubt, setDoubt] = useState<(() => void) | null>(null);
    const meter = meters.chosen;
    const waiting = (key: string) => unsent.find((it) => it.run === run && it.step === key)?.says ?? null;
    const points = known.map((cap) => point(cap, waiting(cap.key)));
    const live =
        points.find((it) => it.key === chosen) ??
        points.find((it) => it.key === page.live) ??
        points.find((it) => it.value === null) ??
        points[0];
    const cap = known.find((it) => it.key === live?.key);
    if (live === undefined || cap === undefined) return null;
    const keepLeads = (ohm: string) => {
        setLeads(ohm);
        localStorage.setItem(LEADS, ohm);
    };
    const readBefore = chosen !== null && cap.reading_id !== null;

    const done = async (key: string) => {
        setLooks([]);
        setAlso(NOTHING);
        setDoubt(null);
        setProblem(null);
        setLast(key);
        setChosen(null);
        await client.invalidateQueries({ queryKey: ['capacitors', job] });
        const now = client.getQueryData<Schemas['CapacitorPage']>(['capacitors', job])?.caps.find((it) => it.key === key);
        sound(placeOf(shapeOf(now?.verdict ?? null)));
    };
    const beside = { in_circuit: inCircuit, ...(looks.length === 0 ? {} : { visual: looks }) };
    const extra = (esr: string) => ({
        ...(esr.trim() === '' ? {} : { esr_ohm: esr, ...(leads.trim() === '' ? {} : { lead_ohm: leads }) }),
        ...filled(also, ['tan_delta']),
    });
    const send = (body: Record<string, unknown>) => {
        setBusy(true);
        void record(
            job,
            { kind: 'cap_reading', stage: 'repair', data: body },
            `${live.name}: ${typeof body['capacitance_f'] === 'string' ? body['capacitance_f'] : 'looks'}`,
            {
                run,
                step: live.key,
            },
        ).then(async (sent) => {
            setBusy(false);
            if (sent.state === 'refused') {
                setProblem(sent.refusal.message);
                setDoubt(doubtful(sent.refusal) ? () => () => send({ ...body, sure: true }) : null);
            } else await done(live.key);
        });
    };
    const typed = (it: Typed) =>
        send({ cap: live.key, ...beside, ...(it.value.trim() === '-' ? {} : { capacitance_f: it.value }), ...extra(it.second) });
    const take = (what: 'part' | 'leakage' | 'leads', sure = false) => {
        setBusy(true);
        setProblem(null);
        const key = live.key;
        const at =
            what === 'leads' ? {} : { cap: key, ...beside, ...(leads.trim() === '' ? {} : { lead_ohm: leads }), ...(sure ? { sure } : {}) };
        askOnce([run, what, key].join('\n'), (id) =>
            data(
                api.POST('/jobs/{job}/capacitors/take', {
                    params: { path: { job } },
                    body: { id, at: new Date().toISOString(), meter, what, ...at },
                }),
            ),
        ).then(
            async (answer) => {
                setBusy(false);
                if (answer.state !== 'reading') setProblem(answer.words);
                else if (what === 'leads') keepLeads(String(answer.lead_ohm ?? ''));
                else await done(key);
            },
            (caught: unknown) => {
                setBusy(false);
                setProblem(words(caught));
                setDoubt(caught instanceof Refusal && doubtful(caught) ? () => () => take(what, true) : null);
            },
        );
    };
    const toggle = (look: string) => setLooks(looks.includes(look) ? looks.filter((it) => it !== look) : [...looks, look]);
    const alone = () => looks.length > 0 && send({ cap: live.key, ...beside, ...extra('') });
    const letters: Record<string, () => void> = {
        ...Object.fromEntries(page.looks.map((look) => [look.key, () => toggle(look.value)])),
        i: () => setInCircuit(!inCircuit),
        ...(may && meter !== TYPED ? { a: () => take('leakage') } : {}),
        w: alone,
        s: () => onSubstitutes(live.key),
    };
    const step = (by: number) => {
        const next = points[points.findIndex((it) => it.key === live.key) + by];
        if (next !== undefined) setChosen(next.key);
    };
    const just = points.find((it) => it.key === last) ?? null;
    return (
        <ProbeRun
            points={points}
            live={live}
            why={readBefore ? 'read before' : null}
            last={just}
            busy={busy}
            problem={problem}
            correcting={false}
            field={{ label: 'Capacitance', unit: 'F', second: 'ESR, Ω' }}
            onLive={setChosen}
            onBack={() => step(-1)}
            onTake={may && meter !== TYPED ? () => take('part') : null}
            onRecord={(it) => may && typed(it)}
            onEscape={() => {
                setChosen(null);
                setLooks([]);
                setProblem(null);
            }}
            letters={letters}
        >
            {doubt !== null && (
                <Notice tone="care">
                    <Button onClick={doubt}>I am sure: record it as it reads</Button>
                </Notice>
            )}
            <section aria-label="Beside the reading" className="sheet flex flex-col gap-3 p-4">
                <div className="flex flex-wrap items-center gap-3">
                    <Choice
                        label="Where it is measured"
                        value={inCircuit ? 'in' : 'out'}
                        options={[
                            { value: 'in', words: 'In circuit' },
                            { value: 'out', words: 'Lifted' },
                        ]}
                        onChange={(next) => setInCircuit(next === 'in')}
                    />
                    <kbd>i</kbd>
                    {inCircuit && <span className="text-sm">A good reading proves nothing in circuit.</span>}
                </div>
                <div role="group" aria-label="Looks" className="flex flex-wrap gap-2">
                    {page.looks.map((look) => (
                        <Button
                            key={look.value}
                            look={looks.includes(look.value) ? 'main' : 'plain'}
                            aria-pressed={looks.includes(look.value)}
                            onClick={() => toggle(look.value)}
                        >
                            {look.words} <kbd>{look.key}</kbd>
                        </Button>
                    ))}
                    {looks.length > 0 && (
                        <Button onClick={alone}>
                            Record the looks alone <kbd>w</kbd>
                        </Button>
                    )}
                </div>
                <div className="grid gap-3 sm:grid-cols-4">
                    <Field
                        label="Leads, Ω"
                        hint="probes together"
                        inputMode="decimal"
                        value={leads}
                        onChange={(event) => keepLeads(event.target.value)}
                    />
                    <Field
                        label="Tan delta"
                        inputMode="decimal"
                        value={also.tan_delta}
                        onChange={(event) => setAlso({ ...also, tan_delta: event.target.value })}
                    />
                    <Field
                        label="At, Hz"
                        inputMode="decimal"
                        value={also.frequency_hz}
                        onChange={(event) => setAlso({ ...also, frequency_hz: event.target.value })}
                    />
                    <Field
                        label="Leakage, A"
                        value={also.leakage_a}
                        onChange={(event) => setAlso({ ...also, leakage_a: event.target.value })}
                    />
                </div>
                {may && meter !== TYPED && (
                    <div className="flex flex-wrap gap-2">
                        {meters.meter !== null && meters.meter.esr_query !== null && (
                            <Button disabled={busy} onClick={() => take('leads')}>
                                Probes together: read the leads
                            </Button>
                        )}
                        <Button disabled={busy} onClick={() => take('leakage')}>
                            Read leakage <kbd>a</kbd>
                        </Button>
                    </div>
                )}
                {cap.esr !== null && cap.esr_strip !== null && (
                    <div className="grid grid-cols-[9rem_1fr] items-center gap-3 text-sm">
                        <span>ESR last {cap.esr}</span>
                        <Strip strip={cap.esr_strip} verdict={shapeOf(cap.verdict)} height={22} label={`ESR of ${cap.key}: ${cap.esr}`} />
                    </div>
                )}
                <p className="flex flex-wrap gap-2">
                    <LinkButton to={`/jobs/${job}/substitutes?cap=${encodeURIComponent(cap.key)}`}>
                        Substitutes for {cap.key} <kbd>s</kbd>
                    </LinkButton>
                    {may && cap.entry_id !== null && <Button onClick={() => onAnew(cap)}>Say anew what {cap.key} is</Button>}
                </p>
            </section>
            {may && <Rework page={page} cap={cap} />}
        </ProbeRun>
    );
}
