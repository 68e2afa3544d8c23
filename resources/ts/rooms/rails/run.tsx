import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { ulid } from 'ulid';
import { api, data, Refusal, words, type Schemas } from '../../api/client';
import { record, useUnsent } from '../../api/outbox';
import { take } from '../../api/take';
import { ProbeRun, type ProbePoint, type Typed } from '../../bench/probe-run';
import { setTones, sound, tonesOn } from '../../bench/tones';
import { placeOf } from '../../bench/verdict';
import { Button, Cautions, Notice } from '../../ui/controls';
import { KeyHelp } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { BandDialog } from './band';
import { Causes, PowerOn } from './causes';
import { MeterChoice, TYPED, useMeters } from '../../bench/meter-choice';
import { chooseFor, chosenOf } from '../../bench/once-a-run';
import { FirstRails, NamePoint } from './first-use';
import { GoodBoard, LeadsAsked, Once } from './once';
import { PathWalk } from './path-walk';
import { Discharge, LogicLevel } from './tools';
import { useLive } from '../../bench/live';

type Load = Schemas['TakeBody']['load'];
type What = Schemas['TakeBody']['what'];

/** What is read, and with what on the supply: volts at a load, or ohms to ground with the power off. */
interface Way {
    what: What;
    load: Load;
}

const LOADS: readonly string[] = ['none', 'partial', 'working'] satisfies Load[];
/** While nobody has said what hangs on the supply the points stand as they would under a working load. */
const NOT_SAID: Way = { what: 'volts', load: 'working' };

const isLoad = (it: string | null): it is Load => it !== null && LOADS.includes(it);

const wayOf = (kept: string | null): Way | null =>
    kept === 'ohms' ? { what: 'ohms', load: 'none' } : isLoad(kept) ? { what: 'volts', load: kept } : null;

export function RailRun() {
    const { id = '' } = useParams();
    return <OneRun key={id} id={id} />;
}

function OneRun({ id }: { id: string }) {
    const [chosen, choose] = useState(() => wayOf(chosenOf(id, 'way')));
    const asked = chosen === null ? {} : { load: chosen.load, what: chosen.what };
    const run = useQuery({
        queryKey: ['run', id, asked],
        placeholderData: (before) => before,
        queryFn: () => data(api.GET('/rail-runs/{run}', { params: { path: { run: id }, query: asked } })),
    });
    return (
        <Loaded query={run}>
            {(page) => (
                <RunSheet
                    page={page}
                    way={chosen ?? wayOf(page.load)}
                    setWay={(way) => {
                        chooseFor(id, 'way', way);
                        choose(wayOf(way));
                    }}
                />
            )}
        </Loaded>
    );
}

const FIELDS: Record<What, { label: string; unit: string; second: string | null }> = {
    volts: { label: 'Volts', unit: 'V', second: 'Ripple, mVpp' },
    ohms: { label: 'Ohms to ground, power off', unit: 'Ω', second: null },
};

const DONE: Record<What, string> = {
    volts: 'every supply output is read at this load',
    ohms: 'every rail was read to ground',
};

/** What is said once, before the first reading: it goes into the record with every figure. */
function RunSheet({ page, way, setWay }: { page: Schemas['RailRunPage']; way: Way | null; setWay: (way: string) => void }) {
    useLive(page.job_id);
    const meters = useMeters(page.id);
    const [leads, setLeads] = useState(() => chosenOf(page.id, 'leads'));
    const [asking, ask] = useState<'way' | 'meter' | 'leads' | null>(null);
    const question =
        asking ?? (way === null ? 'way' : meters.chosen === null ? 'meter' : way.what === 'ohms' && leads === null ? 'leads' : null);
    const may = useMayRecord();
    const keep = (change: () => void) => {
        change();
        ask(null);
    };
    const asked =
        !may || question === null ? null : question === 'way' ? (
            <Once
                says="What hangs on the supply?"
                options={[...page.loads, { value: 'ohms', words: 'nothing, power off: ohms to ground' }]}
                onChoose={(value) => keep(() => setWay(value))}
            />
        ) : question === 'meter' ? (
            <Once says="Which meter do you read?" options={meters.options} onChoose={(value) => keep(() => meters.choose(value))} />
        ) : (
            <LeadsAsked
                onSaid={(ohms) =>
                    keep(() => {
                        chooseFor(page.id, 'leads', ohms);
                        setLeads(ohms);
                    })
                }
            />
        );
    return (
        <Reading
            page={page}
            way={way ?? NOT_SAID}
            setWay={setWay}
            meters={meters}
            meter={meters.chosen ?? TYPED}
            leads={leads ?? ''}
            ask={ask}
            asked={asked}
        />
    );
}

function Over({ page }: { page: Schemas['RailRunPage'] }) {
    return (
        <>
            <Link to={`/jobs/${page.job_id}`}>
                {page.job_label}, {page.job_title}
            </Link>
            . {page.machine}, {page.board.toLowerCase()}
            {page.repeats_id !== null && (
                <>
                    , repeats <Link to={`/rail-runs/${page.repeats_id}`}>the run before</Link>
                </>
            )}
        </>
    );
}

function point(step: Schemas['StepCard'], unsent: string | null, what: What): ProbePoint {
    const reading = step.reading;
    return {
        key: step.key,
        name: step.rail,
        place: step.test_point,
        where: step.where,
        limits:
            what === 'ohms'
                ? step.ohms_good === null
                    ? 'no good board was measured yet'
                    : `a good board has ${step.ohms_good}`
                : `${step.band} band ${step.limits}${step.band === 'tight' ? `, wide ${step.wide}` : `, because ${step.band_reason ?? ''}`}`,
        strip: what === 'ohms' ? null : step.strip,
        value: reading?.says ?? null,
        verdict: reading?.verdict ?? null,
        words: reading?.verdict_words ?? '',
        reasons:
            reading === null
                ? []
                : [...(reading.today === null ? [] : [reading.today]), ...reading.reasons, `${reading.meter}, ${reading.author}`],
        previous: step.previous,
        aside:
            [step.protects.length > 0 ? `protects the chips on ${step.protects.join(' and ')}` : '', step.source ?? '']
                .filter((it) => it !== '')
                .join('; ') || null,
        unsent,
    };
}

function Reading({
    page,
    way,
    setWay,
    meters,
    meter,
    leads,
    ask,
    asked,
}: {
    page: Schemas['RailRunPage'];
    way: Way;
    setWay: (way: string) => void;
    meters: ReturnType<typeof useMeters>;
    meter: string;
    leads: string;
    ask: (what: 'way' | 'meter' | 'leads') => void;
    asked: ReactNode;
}) {
    const { what, load } = way;
    const may = useMayRecord();
    const client = useQueryClient();
    const navigate = useNavigate();
    const unsent = useUnsent(page.job_id);
    const [chosen, setChosen] = useState<string | null>(null);
    const [correcting, setCorrecting] = useState(false);
    const [last, setLast] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const [doubt, setDoubt] = useState<(() => void) | null>(null);
    const [changed, setChanged] = useState(false);
    const [naming, setNaming] = useState(false);
    const [band, setBand] = useState(false);
    const [tones, switchTones] = useState(tonesOn);

    const waiting = (key: string) => unsent.find((it) => it.run === page.id && it.step === `${key}|${what}|${load}`)?.says ?? null;
    const points = page.steps.map((step) => point(step, waiting(step.key), what));
    const advised = points.find((it) => it.key === page.live?.key);
    const unread = points.find((it) => it.value === null && it.unsent === null);
    const live = points.find((it) => it.key === chosen) ?? (advised?.unsent === null ? advised : undefined) ?? unread ?? points.at(-1);
    const step = page.steps.find((it) => it.key === live?.key);
    if (live === undefined || step === undefined) {
        return (
            <Page title="Rail run" over={<Over page={page} />}>
                {may ? (
                    <FirstRails page={page} onSaid={() => void client.invalidateQueries({ queryKey: ['run'] })} />
                ) : (
                    <p className="sheet p-6">Nobody has said yet what this supply gives.</p>
                )}
                <Cautions words={page.cautions} />
            </Page>
        );
    }

    const settle = (next: Schemas['RailRunPage'], key: string) => {
        client.setQueryData(['run', page.id, { load, what }], next);
        void client.invalidateQueries({ queryKey: ['job', page.job_id] });
        sound(placeOf(next.steps.find((it) => it.key === key)?.reading?.verdict ?? null));
        setLast(key);
        setChosen(null);
        setCorrecting(false);
        setChanged(false);
    };
    /** A reading that is asked back: nothing was kept, and the same is sent again by whoever is sure. */
    const refused = (refusal: Refusal, again: () => void) => {
        setProblem(refusal.at('/data/sure') ?? refusal.message);
        setDoubt(refusal.at('/data/sure') === undefined ? null : () => again);
    };
    const readMeter = async (sure = false) => {
        if (busy) return;
        setBusy(true);
        setProblem(null);
        setDoubt(null);
        try {
            const corrects = correcting && step.reading !== null ? { corrects: step.reading.entry_id } : {};
            const taken = await take(page.id, {
                meter,
                rail: step.rail,
                test_point: step.test_point,
                load,
                what,
                ...corrects,
                ...(sure ? { sure } : {}),
                ...(changed ? { changed } : {}),
                ...(what === 'ohms' ? { lead_ohm: leads } : {}),
            });
            if (taken.state === 'reading') settle(taken.run, step.key);
            if (taken.words !== '') setProblem(taken.words);
        } catch (caught) {
            if (caught instanceof Refusal) refused(caught, () => void readMeter(true));
            else setProblem(`${words(caught)}: no reading was taken. Press again.`);
        } finally {
            setBusy(false);
        }
    };
    const write = async (typed: Typed, sure = false) => {
        setProblem(null);
        setDoubt(null);
        const figures =
            what === 'ohms'
                ? { ohms_to_ground: typed.value, lead_ohm: leads }
                : { volts: typed.value, ...(typed.second.trim() === '' ? {} : { ripple_mvpp: typed.second }) };
        const sent = await record(
            page.job_id,
            {
                kind: 'reading',
                stage: 'supply',
                data: {
                    run: page.id,
                    rail: step.rail,
                    test_point: step.test_point,
                    load,
                    ...(meter === TYPED ? {} : { meter }),
                    ...figures,
                    ...(changed ? { changed } : {}),
                    ...(sure ? { sure } : {}),
                },
                ...(correcting && step.reading !== null ? { corrects: step.reading.entry_id } : {}),
            },
            `${typed.value} ${FIELDS[what].unit}`,
            { run: page.id, step: `${step.key}|${what}|${load}` },
        );
        if (sent.state === 'refused') {
            refused(sent.refusal, () => void write(typed, true));
            return;
        }
        if (sent.state === 'unsent') {
            setChosen(points[points.findIndex((it) => it.key === step.key) + 1]?.key ?? step.key);
            setLast(null);
            return;
        }
        // It is in the record; when the page cannot be read again just now, it will be when the server answers.
        try {
            settle(await data(api.GET('/rail-runs/{run}', { params: { path: { run: page.id }, query: { load, what } } })), step.key);
        } catch {
            void client.invalidateQueries({ queryKey: ['run'] });
        }
    };
    const back = () => {
        const at = points.findIndex((it) => it.key === live.key);
        const target = last !== null && chosen === null ? last : points[at - 1]?.key;
        if (target === undefined) return;
        setChosen(target);
        setCorrecting(page.steps.find((it) => it.key === target)?.reading !== null);
    };
    const repeat = () => {
        const id = ulid();
        void data(api.POST('/jobs/{job}/rail-runs', { params: { path: { job: page.job_id } }, body: { id, repeats: page.id } })).then(
            () => void navigate(`/rail-runs/${id}`),
            (caught: unknown) => setProblem(words(caught)),
        );
    };
    const drop = () => {
        setDoubt(null);
        setProblem(null);
    };
    const letters: Record<string, () => void> = {
        l: () => ask('way'),
        o: () => setWay(what === 'volts' ? 'ohms' : (page.load ?? 'working')),
        b: () => may && setBand(true),
        m: () => ask('meter'),
        x: () => setChanged(!changed),
        n: () => may && setNaming(true),
        t: () => {
            setTones(!tones);
            switchTones(!tones);
        },
        j: () => void navigate(`/jobs/${page.job_id}`),
        ...(doubt === null ? {} : { y: doubt }),
        ...(what === 'ohms' ? { z: () => ask('leads') } : {}),
    };
    return (
        <Page
            live
            title="Rail run"
            over={<Over page={page} />}
            aside={
                <Settings
                    way={what === 'ohms' ? `power off, leads ${leads} Ω` : (page.loads.find((it) => it.value === load)?.words ?? load)}
                    meters={meters}
                    tones={tones}
                    onWay={() => ask('way')}
                    onTones={() => letters['t']?.()}
                    onAgain={may ? repeat : null}
                />
            }
        >
            <PowerOn page={page} />
            <ProbeRun
                points={points}
                live={live}
                why={
                    changed
                        ? 'after a change: earlier readings of this rail are left out'
                        : chosen === null
                          ? (page.live?.why ?? DONE[what])
                          : null
                }
                last={points.find((it) => it.key === last && it.value !== null) ?? null}
                busy={busy}
                problem={problem}
                correcting={correcting}
                field={FIELDS[what]}
                onLive={(key) => {
                    setChosen(key);
                    setCorrecting(false);
                }}
                onBack={back}
                onTake={may && meter !== TYPED ? () => void readMeter() : null}
                onRecord={(typed) => void write(typed)}
                onEscape={() => {
                    setChosen(null);
                    setCorrecting(false);
                    drop();
                }}
                letters={letters}
                asked={
                    asked ??
                    (naming ? (
                        <NamePoint
                            page={page}
                            rail={step.rail}
                            onLeave={() => setNaming(false)}
                            onNamed={(key) => {
                                setNaming(false);
                                setChosen(key);
                                void client.invalidateQueries({ queryKey: ['run'] });
                            }}
                        />
                    ) : undefined)
                }
            >
                {doubt !== null && (
                    <div className="flex flex-wrap gap-2">
                        <Button look="main" onClick={doubt}>
                            It stands <kbd>y</kbd>
                        </Button>
                        <Button onClick={drop}>
                            Read it again <kbd>Esc</kbd>
                        </Button>
                    </div>
                )}
                {page.shorts.map((says) => (
                    <Notice key={says} tone="bad">
                        {says}
                    </Notice>
                ))}
                {what === 'ohms' && may && page.has_ohms && page.shorts.length === 0 && <GoodBoard page={page} />}
                {page.paths.map((path) => (
                    <PathWalk key={path.rail} path={path} />
                ))}
                <Causes causes={page.causes} />
                <Cautions words={page.cautions} />
                <Discharge />
                <LogicLevel />
            </ProbeRun>
            {band && <BandDialog job={page.job_id} step={step} onClose={() => setBand(false)} />}
        </Page>
    );
}

/** What is held for the whole run, and the keys. */
function Settings({
    way,
    meters,
    tones,
    onWay,
    onTones,
    onAgain,
}: {
    way: string;
    meters: ReturnType<typeof useMeters>;
    tones: boolean;
    onWay: () => void;
    onTones: () => void;
    onAgain: (() => void) | null;
}) {
    return (
        <>
            <KeyHelp
                keys={[
                    ['Space', 'read the meter at the live point'],
                    ['digits, Enter', 'type a reading and record it'],
                    ['Tab', 'to the ripple'],
                    ['Backspace', 'step back; the next reading there corrects the last'],
                    ['↑ ↓', 'choose the live point'],
                    ['y', 'a reading that was asked back stands'],
                    ['n', 'name the place where the probe is'],
                    ['x', 'something on this rail was changed before this reading'],
                    ['l', 'another load'],
                    ['o', 'ohms to ground or volts'],
                    ['z', 'what the leads read'],
                    ['m', 'another meter'],
                    ['b', 'band of the live rail'],
                    ['t', 'tones'],
                    ['j', 'back to the job'],
                ]}
            />
            <Button onClick={onWay}>
                {way} <kbd>l</kbd>
            </Button>
            <MeterChoice meters={meters} />
            <Button aria-pressed={tones} onClick={onTones}>
                Tones {tones ? 'on' : 'off'}
            </Button>
            {onAgain !== null && <Button onClick={onAgain}>Again</Button>}
        </>
    );
}
