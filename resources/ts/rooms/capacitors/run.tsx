import { boardAtHand } from '../../api/at-hand';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, Refusal, words, type Schemas } from '../../api/client';
import { record, useUnsent } from '../../api/outbox';
import { askOnce } from '../../api/take';
import { ProbeRun, type ProbePoint, type Typed } from '../../bench/probe-run';
import { sound } from '../../bench/tones';
import { placeOf } from '../../bench/verdict';
import { Button, Notice } from '../../ui/controls';
import { TYPED, type useMeters } from '../../bench/meter-choice';
import { Beside, shapeOf, useBeside } from './beside';
import { Rework } from './rework';

type Cap = Schemas['CapCard'];

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

/** A value a thousand times off may be a slip of the unit: the answer asks for a word that one is sure. */
const doubtful = (refusal: Refusal): boolean => refusal.at('/data/capacitance_f')?.includes('sure') === true;

/** The capacitor run: the probe run over the parts that are known. */
export function Run({
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
    const beside = useBeside();
    const [chosen, setChosen] = useState<string | null>(null);
    const [last, setLast] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const [doubt, setDoubt] = useState<(() => void) | null>(null);
    const waiting = (key: string) => unsent.find((it) => it.run === run && it.step === key)?.says ?? null;
    const points = known.map((cap) => point(cap, waiting(cap.key)));
    const live =
        points.find((it) => it.key === chosen) ??
        points.find((it) => it.key === page.live) ??
        points.find((it) => it.value === null) ??
        points[0];
    const cap = known.find((it) => it.key === live?.key);
    if (live === undefined || cap === undefined) return null;
    const meter = meters.chosen ?? TYPED;
    const reads = may && meter !== TYPED;

    /** Another part becomes live: what was seen on this one is not said of that one. */
    const choose = (key: string | null) => {
        setChosen(key);
        beside.clear();
        setDoubt(null);
        setProblem(null);
    };
    const done = async (key: string) => {
        choose(null);
        setLast(key);
        await client.invalidateQueries({ queryKey: ['capacitors', job] });
        const now = client.getQueryData<Schemas['CapacitorPage']>(['capacitors', job])?.caps.find((it) => it.key === key);
        sound(placeOf(shapeOf(now?.verdict ?? null)));
    };
    const send = (body: Schemas['DataCapReading']) => {
        setBusy(true);
        const says = `${live.name}: ${body.capacitance_f ?? 'looks'}`;
        void record(job, { kind: 'cap_reading', stage: 'repair', data: body }, says, { run, step: live.key }).then(async (sent) => {
            setBusy(false);
            if (sent.state === 'refused') {
                setProblem(sent.refusal.message);
                setDoubt(doubtful(sent.refusal) ? () => () => send({ ...body, sure: true }) : null);
            } else await done(live.key);
        });
    };
    const typed = (it: Typed) =>
        send({ cap: live.key, ...beside.typed(it.second), ...(it.value.trim() === '-' ? {} : { capacitance_f: it.value }) });
    const take = (what: 'part' | 'leakage' | 'leads', sure = false) => {
        setBusy(true);
        setProblem(null);
        const key = live.key;
        const board = boardAtHand(job);
        const at = what === 'leads' ? {} : { cap: key, ...beside.ofMeter, ...(sure ? { sure } : {}) };
        askOnce([run, what, key].join('\n'), (id) =>
            data(
                api.POST('/jobs/{job}/capacitors/take', {
                    params: { path: { job } },
                    body: { id, at: new Date().toISOString(), meter, what, ...at, ...(board === undefined ? {} : { board }) },
                }),
            ),
        ).then(
            async (answer) => {
                setBusy(false);
                if (answer.state !== 'reading') setProblem(answer.words);
                else if (what === 'leads') beside.keepLeads(String(answer.lead_ohm ?? ''));
                else await done(key);
            },
            (caught: unknown) => {
                setBusy(false);
                setProblem(words(caught));
                setDoubt(caught instanceof Refusal && doubtful(caught) ? () => () => take(what, true) : null);
            },
        );
    };
    const alone = () => beside.looks.length > 0 && send({ cap: live.key, ...beside.typed('') });
    const letters: Record<string, () => void> = {
        ...Object.fromEntries(page.looks.map((look) => [look.key, () => beside.toggle(look.value)])),
        i: beside.turn,
        ...(reads ? { a: () => take('leakage') } : {}),
        w: alone,
        s: () => onSubstitutes(live.key),
    };
    return (
        <ProbeRun
            points={points}
            live={live}
            why={chosen !== null && cap.reading_id !== null ? 'read before' : null}
            last={points.find((it) => it.key === last) ?? null}
            busy={busy}
            problem={problem}
            correcting={false}
            field={{ label: 'Capacitance', unit: 'F', second: 'ESR, Ω' }}
            onLive={choose}
            onBack={() => choose(points[points.findIndex((it) => it.key === live.key) - 1]?.key ?? live.key)}
            onTake={reads ? () => take('part') : null}
            onRecord={(it) => may && typed(it)}
            onEscape={() => choose(null)}
            letters={letters}
        >
            {doubt !== null && (
                <Notice tone="care">
                    <Button onClick={doubt}>I am sure: record it as it reads</Button>
                </Notice>
            )}
            <Beside page={page} cap={cap} beside={beside} onAlone={alone} onAnew={may ? onAnew : null}>
                {reads && (
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
            </Beside>
            {may && <Rework page={page} cap={cap} />}
        </ProbeRun>
    );
}
