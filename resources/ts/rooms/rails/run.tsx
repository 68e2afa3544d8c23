import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { ulid } from 'ulid';
import { api, data, words, type Schemas } from '../../api/client';
import { record, useUnsent } from '../../api/outbox';
import { take } from '../../api/take';
import { ProbeRun, type ProbePoint, type Typed } from '../../bench/probe-run';
import { setTones, sound, tonesOn } from '../../bench/tones';
import { placeOf } from '../../bench/verdict';
import { Choice } from '../../ui/choice';
import { Button, Cautions } from '../../ui/controls';
import { KeyHelp } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { BandDialog } from './band';
import { Causes, PowerOn } from './causes';
import { MeterChoice, TYPED, useMeters } from '../../bench/meter-choice';
import { PathWalk } from './path-walk';

type Load = Schemas['TakeBody']['load'];
type What = Schemas['TakeBody']['what'];

export function RailRun() {
    const { id = '' } = useParams();
    const [load, setLoad] = useState<Load>('working');
    const run = useQuery({
        queryKey: ['run', id, load],
        placeholderData: (before) => before,
        queryFn: () => data(api.GET('/rail-runs/{run}', { params: { path: { run: id }, query: { load } } })),
    });
    return <Loaded query={run}>{(page) => <RunSheet key={id} page={page} load={load} setLoad={setLoad} />}</Loaded>;
}

const FIELDS: Record<What, { label: string; unit: string; second: string | null }> = {
    volts: { label: 'Volts', unit: 'V', second: 'Ripple, mVpp' },
    ohms: { label: 'Ohms to ground, power off', unit: 'Ω', second: null },
};

function point(step: Schemas['StepCard'], unsent: string | null): ProbePoint {
    const reading = step.reading;
    return {
        key: step.key,
        name: step.rail,
        place: step.test_point,
        where: step.where,
        limits: `${step.band} band ${step.limits}${step.band === 'tight' ? `, wide ${step.wide}` : `, because ${step.band_reason ?? ''}`}`,
        strip: step.strip,
        value: reading?.says ?? null,
        verdict: reading?.verdict ?? null,
        words: reading?.verdict_words ?? '',
        reasons: reading === null ? [] : [...reading.reasons, `${reading.meter}, ${reading.author}`],
        previous: step.previous,
        aside: step.protects.length > 0 ? `protects the chips on ${step.protects.join(' and ')}` : null,
        unsent,
    };
}

function RunSheet({ page, load, setLoad }: { page: Schemas['RailRunPage']; load: Load; setLoad: (load: Load) => void }) {
    const may = useMayRecord();
    const client = useQueryClient();
    const navigate = useNavigate();
    const meters = useMeters();
    const unsent = useUnsent(page.job_id);
    const [what, setWhat] = useState<What>('volts');
    const [chosen, setChosen] = useState<string | null>(null);
    const [correcting, setCorrecting] = useState(false);
    const [last, setLast] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const [band, setBand] = useState(false);
    const [tones, switchTones] = useState(tonesOn);

    const waiting = (key: string) => unsent.find((it) => it.run === page.id && it.step === `${key}|${load}`)?.says ?? null;
    const points = page.steps.map((step) => point(step, waiting(step.key)));
    const advised = points.find((it) => it.key === page.live?.key);
    const unread = points.find((it) => it.value === null && it.unsent === null);
    const live = points.find((it) => it.key === chosen) ?? (advised?.unsent === null ? advised : undefined) ?? unread ?? points.at(-1);
    const step = page.steps.find((it) => it.key === live?.key);
    if (live === undefined || step === undefined) return <p className="p-6">The profile of this machine lists no rails.</p>;

    const settle = (next: Schemas['RailRunPage'], key: string) => {
        client.setQueryData(['run', page.id, load], next);
        void client.invalidateQueries({ queryKey: ['job', page.job_id] });
        sound(placeOf(next.steps.find((it) => it.key === key)?.reading?.verdict ?? null));
        setLast(key);
        setChosen(null);
        setCorrecting(false);
    };
    const readMeter = async () => {
        if (busy) return;
        setBusy(true);
        setProblem(null);
        try {
            const corrects = correcting && step.reading !== null ? { corrects: step.reading.entry_id } : {};
            const taken = await take(page.id, {
                meter: meters.chosen,
                rail: step.rail,
                test_point: step.test_point,
                load,
                what,
                ...corrects,
            });
            if (taken.state === 'reading') settle(taken.run, step.key);
            if (taken.words !== '') setProblem(taken.words);
        } catch (caught) {
            setProblem(`${words(caught)}: no reading was taken. Press again.`);
        } finally {
            setBusy(false);
        }
    };
    const write = async (typed: Typed) => {
        setProblem(null);
        const figures =
            what === 'ohms'
                ? { ohms_to_ground: typed.value }
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
                    ...(meters.chosen === TYPED ? {} : { meter: meters.chosen }),
                    ...figures,
                },
                ...(correcting && step.reading !== null ? { corrects: step.reading.entry_id } : {}),
            },
            `${typed.value} ${FIELDS[what].unit}`,
            { run: page.id, step: `${step.key}|${load}` },
        );
        if (sent.state === 'refused') {
            setProblem(`${typed.value}: ${sent.refusal.message}`);
            return;
        }
        if (sent.state === 'unsent') {
            setChosen(points[points.findIndex((it) => it.key === step.key) + 1]?.key ?? step.key);
            setLast(null);
            return;
        }
        // It is in the record; when the page cannot be read again just now, it will be when the server answers.
        try {
            settle(await data(api.GET('/rail-runs/{run}', { params: { path: { run: page.id }, query: { load } } })), step.key);
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
    const cycle = <T,>(all: readonly T[], now: T): T | undefined => all[(all.indexOf(now) + 1) % all.length];
    const loads = page.loads.map((it) => ({ value: it.value as Load, words: it.words }));
    const letters = {
        l: () =>
            setLoad(
                cycle(
                    loads.map((it) => it.value),
                    load,
                ) ?? load,
            ),
        o: () => setWhat(what === 'volts' ? 'ohms' : 'volts'),
        b: () => may && setBand(true),
        m: () =>
            meters.choose(
                cycle(
                    meters.options.map((it) => it.value),
                    meters.chosen,
                ) ?? meters.chosen,
            ),
        t: () => {
            setTones(!tones);
            switchTones(!tones);
        },
        j: () => void navigate(`/jobs/${page.job_id}`),
        a: repeat,
    };
    return (
        <Page
            title="Rail run"
            over={
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
            }
            aside={
                <Settings
                    load={load}
                    loads={loads}
                    setLoad={setLoad}
                    meters={meters}
                    tones={tones}
                    onTones={letters.t}
                    onAgain={may ? repeat : null}
                />
            }
        >
            <PowerOn page={page} />
            <ProbeRun
                points={points}
                live={live}
                why={chosen === null ? (page.live?.why ?? 'every supply output is read at this load') : null}
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
                onTake={may && meters.chosen !== TYPED ? () => void readMeter() : null}
                onRecord={(typed) => void write(typed)}
                onEscape={() => {
                    setChosen(null);
                    setCorrecting(false);
                }}
                letters={letters}
            >
                {page.paths.map((path) => (
                    <PathWalk key={path.rail} path={path} />
                ))}
                <Causes causes={page.causes} />
                <Cautions words={page.cautions} />
            </ProbeRun>
            {band && <BandDialog job={page.job_id} step={step} onClose={() => setBand(false)} />}
        </Page>
    );
}

/** What holds for the whole run, and the keys. */
function Settings({
    load,
    loads,
    setLoad,
    meters,
    tones,
    onTones,
    onAgain,
}: {
    load: Load;
    loads: { value: Load; words: string }[];
    setLoad: (load: Load) => void;
    meters: ReturnType<typeof useMeters>;
    tones: boolean;
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
                    ['l', 'load state'],
                    ['o', 'ohms to ground or volts'],
                    ['m', 'meter or typed'],
                    ['b', 'band of the live rail'],
                    ['t', 'tones'],
                    ['a', 'again: a new run compared with this one'],
                    ['j', 'back to the job'],
                ]}
            />
            <Choice label="Load" value={load} options={loads} onChange={setLoad} />
            <MeterChoice meters={meters} />
            <Button aria-pressed={tones} onClick={onTones}>
                Tones {tones ? 'on' : 'off'}
            </Button>
            {onAgain !== null && <Button onClick={onAgain}>Again</Button>}
        </>
    );
}
