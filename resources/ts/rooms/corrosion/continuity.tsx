import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, words, type Schemas } from '../../api/client';
import { record, useUnsent } from '../../api/outbox';
import { askOnce } from '../../api/take';
import { ProbeRun, type ProbePoint, type Typed } from '../../bench/probe-run';
import { sound } from '../../bench/tones';
import { placeOf } from '../../bench/verdict';
import { TYPED } from '../../bench/meter-choice';
import { number } from '../../ui/number';
import { isRecord, keepText, parsed, readText } from '../../api/storage';

/** Which shape a verdict of this room is drawn with. */
const SHAPES: Record<NonNullable<Schemas['PlaceCard']['verdict']>, string> = { sound: 'in', thin: 'out_close', open: 'out' };
const LEADS = 'leads';
const KEY = 'ash-bench.lead-ohms';
const EMPTY: Schemas['StripCard'] = {
    low: 0,
    high: 0,
    guard: 0,
    nominal: 0,
    tick: null,
    beyond: false,
    ghost: null,
    wide_low: null,
    wide_high: null,
};

interface Leads {
    ohms: number;
    says: string;
}

const isLeads = (it: unknown): it is Leads => isRecord(it) && typeof it['ohms'] === 'number' && typeof it['says'] === 'string';

/** The probe run in ohms: the leads are zeroed first and kept, then every place that the leak touched, worst first. */
export function ContinuityRun({ page, meter, may }: { page: Schemas['CorrosionPage']; meter: string; may: boolean }) {
    const client = useQueryClient();
    const unsent = useUnsent(page.job.id);
    const [leads, setLeads] = useState<Leads | null>(() => parsed(readText(KEY), isLeads));
    const [chosen, setChosen] = useState<string | null>(null);
    const [last, setLast] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const zero: ProbePoint = {
        key: LEADS,
        name: 'Leads',
        place: 'probes together',
        where: null,
        limits: 'measured first and taken off every reading',
        strip: EMPTY,
        value: leads?.says ?? null,
        verdict: null,
        words: leads === null ? '' : 'kept',
        reasons: [],
        previous: null,
        aside: null,
        unsent: null,
    };
    const points = [
        zero,
        ...page.places
            .filter((it) => page.carrying.includes(it.id))
            .map((it): ProbePoint => ({
                key: it.id,
                name: `Grade ${it.grade}`,
                place: it.place,
                where: null,
                limits: it.limits,
                strip: it.strip,
                value: it.value,
                verdict: it.verdict === null ? null : SHAPES[it.verdict],
                words: it.verdict ?? '',
                reasons: it.reasons,
                previous: null,
                aside: null,
                unsent: unsent.find((entry) => entry.step === it.id)?.says ?? null,
            })),
    ];
    const live =
        points.find((it) => it.key === chosen) ??
        (leads === null ? zero : (points.find((it) => it.value === null && it.unsent === null) ?? points.at(-1) ?? zero));
    const keepLeads = (kept: Leads) => {
        keepText(KEY, JSON.stringify(kept));
        setLeads(kept);
        setChosen(null);
    };
    const settle = async (key: string) => {
        setLast(key);
        setChosen(null);
        await client.refetchQueries({ queryKey: ['corrosion', page.job.id] });
        const read = client
            .getQueriesData<Schemas['CorrosionPage']>({ queryKey: ['corrosion', page.job.id] })
            .at(-1)?.[1]
            ?.places.find((it) => it.id === key);
        sound(placeOf(read?.verdict == null ? null : SHAPES[read.verdict]));
    };
    const readMeter = async () => {
        if (busy) return;
        setBusy(true);
        setProblem(null);
        const place = live.key === LEADS ? null : live.key;
        try {
            const taken = await askOnce([page.job.id, live.key, 'ohms'].join('\n'), (id) =>
                data(
                    api.POST('/jobs/{job}/continuity/take', {
                        params: { path: { job: page.job.id } },
                        body: { id, at: new Date().toISOString(), meter, place, lead_ohm: leads?.ohms ?? 0 },
                    }),
                ),
            );
            if (taken.state !== 'reading' || (place !== null && taken.words !== '')) setProblem(taken.words);
            if (taken.state === 'reading' && place === null && taken.ohms !== null) keepLeads({ ohms: taken.ohms, says: taken.words });
            if (taken.state === 'reading' && place !== null) await settle(place);
        } catch (caught) {
            setProblem(`${words(caught)}: no reading was taken. Press again.`);
        } finally {
            setBusy(false);
        }
    };
    const write = async (value: string) => {
        setProblem(null);
        if (live.key === LEADS) {
            const ohms: unknown = number(value);
            if (typeof ohms === 'number') keepLeads({ ohms, says: `${ohms} Ω` });
            else setProblem(`${value}: write the leads in ohms, such as 0.15`);
            return;
        }
        const sent = await record(
            page.job.id,
            {
                kind: 'continuity',
                stage: 'battery',
                data: { place: live.key, measured_ohm: value, lead_ohm: leads?.ohms ?? 0, ...(meter === TYPED ? {} : { meter }) },
            },
            `${live.place}: ${value} Ω`,
            { run: page.job.id, step: live.key },
        );
        if (sent.state === 'refused') setProblem(`${value}: ${sent.refusal.message}`);
        else await settle(live.key);
    };
    const at = points.indexOf(live);
    return (
        <ProbeRun
            points={points}
            live={live}
            why={chosen === null ? 'worst first' : null}
            last={points.find((it) => it.key === last && it.value !== null) ?? null}
            busy={busy}
            problem={problem}
            correcting={false}
            field={{ label: 'Ohms', unit: 'Ω', second: null }}
            onLive={setChosen}
            onBack={() => setChosen(last ?? points[at - 1]?.key ?? null)}
            onTake={may && meter !== TYPED ? () => void readMeter() : null}
            onRecord={(typed: Typed) => void (may ? write(typed.value) : undefined)}
            onEscape={() => setChosen(null)}
            letters={{ x: () => void (live.key === LEADS ? undefined : write('open')), z: () => setChosen(LEADS) }}
        />
    );
}
