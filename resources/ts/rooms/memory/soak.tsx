import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { ulid } from 'ulid';
import { api, data, Refusal, words, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { TonesSwitch } from '../../bench/tones-switch';
import { Say } from '../../bench/say';
import { Button, Cautions, Field, LinkButton, Notice, Part } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { number, percent } from '../../ui/number';
import { ConditionFields, conditionOf, NO_CONDITION } from './condition';
import { Curve } from './curve';
import { useSource, useTones } from './source';
import { TesterChoice } from './testers';

export function SoakRoom() {
    const { id = '' } = useParams();
    const soak = useQuery({ queryKey: ['soak', id], queryFn: () => data(api.GET('/jobs/{job}/soak', { params: { path: { job: id } } })) });
    return <Loaded query={soak}>{(page) => <SoakSheet page={page} />}</Loaded>;
}

/** The count that is typed or comes from the tester, what it says, and keeping it. */
function useCount(page: Schemas['SoakPage'], may: boolean) {
    const client = useQueryClient();
    const [looking, setLooking] = useState<string | null>(page.listening?.id ?? null);
    const source = useSource(looking);
    useTones(source.data);
    const live = looking === null ? undefined : source.data;
    const [map, setMap] = useState(page.maps[0]?.key ?? '');
    const [port, setPort] = useState(page.ports[0]?.id ?? '');
    const [typed, setTyped] = useState({ passes: '', errors: '0', seconds: '', confidence: '95', target: '1' });
    const [condition, setCondition] = useState(NO_CONDITION);
    const [faults, setFaults] = useState<Schemas['Fault'][]>([]);
    const [problem, setProblem] = useState<string | null>(null);
    const counted =
        live === undefined ? null : { passes: live.passes, errors: live.failed_passes, seconds_per_pass: live.seconds_per_pass };
    const wished = {
        confidence: percent(typed.confidence),
        ...(typed.target.trim() === '' ? {} : { target_rate: percent(typed.target) }),
    };
    const pace =
        counted === null
            ? typed.seconds.trim() === ''
                ? {}
                : { seconds_per_pass: number(typed.seconds) }
            : counted.seconds_per_pass === null
              ? {}
              : { seconds_per_pass: counted.seconds_per_pass };
    const ask = { passes: counted?.passes ?? number(typed.passes), errors: counted?.errors ?? number(typed.errors), ...wished, ...pace };
    const there = counted === null ? typed.passes.trim() !== '' : counted.passes > 0;
    const bound = useQuery({
        queryKey: ['soak-bound', ask],
        enabled: there && may,
        retry: false,
        placeholderData: keepPreviousData,
        queryFn: () => data(api.POST('/memory/soak', { body: ask })),
    });
    const at = (field: string) => {
        const fault = (name: string) =>
            (bound.error instanceof Refusal ? bound.error.at(`/${name}`) : undefined) ??
            faults.find((it) => it.pointer === `/data/${name}`)?.detail;
        return fault(field);
    };
    const set = (field: keyof typeof typed) => (event: { target: { value: string } }) =>
        setTyped({ ...typed, [field]: event.target.value });
    const listen = () => {
        const answer =
            live?.active === true
                ? data(api.POST('/memory-sources/{source}/stop', { params: { path: { source: live.id } } }))
                : data(api.POST('/jobs/{job}/captures', { params: { path: { job: page.job.id } }, body: { id: ulid(), map, port } }));
        answer.then(
            (card) => {
                client.setQueryData(['memory-source', card.id], card);
                setLooking(card.id);
                setProblem(null);
            },
            (caught: unknown) => setProblem(words(caught)),
        );
    };
    const keep = () => {
        if (live?.active === true || !there) return;
        const counts =
            live === undefined ? { passes: number(typed.passes), errors: number(typed.errors), ...pace } : { source: live.id, ...pace };
        void record(
            page.job.id,
            { kind: 'soak', data: { ...counts, ...wished, condition: conditionOf(condition) } },
            `soak: ${ask.passes} passes`,
        ).then((sent) => {
            setFaults(sent.state === 'refused' ? sent.refusal.faults : []);
            setProblem(sent.state === 'refused' ? sent.refusal.message : null);
            if (sent.state === 'refused') return;
            setLooking(null);
            setTyped({ ...typed, passes: '', errors: '0' });
        });
    };
    const shown = there && bound.data !== undefined ? bound.data : null;
    const form = { map, setMap, port, setPort, typed, set, at, condition, setCondition, faults, problem };
    return { ...form, live, there, shown, listen, keep, forget: () => setLooking(null) };
}

function SoakSheet({ page }: { page: Schemas['SoakPage'] }) {
    const navigate = useNavigate();
    const may = useMayRecord() && page.job.state === 'open';
    const count = useCount(page, may);
    useKeys({
        m: () => may && page.ports.length > 0 && page.maps.length > 0 && count.listen(),
        k: count.keep,
        b: () => void navigate(`/jobs/${page.job.id}/memory`),
        j: () => void navigate(`/jobs/${page.job.id}`),
    });
    return (
        <Page
            title="Soak"
            over={
                <Link to={`/jobs/${page.job.id}`}>
                    {page.job.label}, {page.job.title}
                </Link>
            }
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['m', 'count the passes of the tester, or stop'],
                            ['k', 'keep the soak'],
                            ['b', 'which chip is it'],
                            ['j', 'back to the job'],
                        ]}
                    />
                    <TonesSwitch />
                    <LinkButton to={`/jobs/${page.job.id}/memory`}>
                        Which chip <kbd>b</kbd>
                    </LinkButton>
                </>
            }
        >
            <div className="grid items-start gap-3 lg:grid-cols-[1fr_1.2fr]">
                {may && <Passes page={page} count={count} />}
                <div className="flex flex-col gap-3">
                    {count.shown !== null && <Bound soak={count.shown} />}
                    {may && (
                        <Say
                            job={page.job.id}
                            title="It soaks by itself"
                            word="runs "
                            label="How long until the next look, and what: the bench's list of what runs then has it"
                            example="8 h memory soak of bank 0, warm in oven"
                        />
                    )}
                    <Part title="Soaks that are kept">
                        {page.kept.length === 0 ? (
                            <p className="text-soft">None yet. A cure is believed after the same test has passed for long enough.</p>
                        ) : (
                            <ul className="flex flex-col gap-1">
                                {page.kept.map((line) => (
                                    <li key={line}>{line}</li>
                                ))}
                            </ul>
                        )}
                    </Part>
                </div>
            </div>
            <Cautions words={page.cautions} />
        </Page>
    );
}

function Passes({ page, count }: { page: Schemas['SoakPage']; count: ReturnType<typeof useCount> }) {
    const { map, setMap, port, setPort, typed, set, at, condition, setCondition, faults, problem, live, there } = count;
    return (
        <Part title="Passes">
            <div className="flex flex-col gap-3">
                {page.ports.length > 0 && page.maps.length > 0 && (
                    <div className="flex flex-wrap items-center gap-3">
                        {page.maps.length > 1 && (
                            <select aria-label="Memory" className="w-auto" value={map} onChange={(event) => setMap(event.target.value)}>
                                {page.maps.map((it) => (
                                    <option key={it.key} value={it.key}>
                                        {it.name}
                                    </option>
                                ))}
                            </select>
                        )}
                        <TesterChoice ports={page.ports} chosen={port} onChoose={setPort} />
                        <Button look="main" onClick={count.listen}>
                            {live?.active === true ? 'Stop' : 'Count live'} <kbd>m</kbd>
                        </Button>
                    </div>
                )}
                {live !== undefined && (
                    <div role={live.active ? 'note' : 'status'} aria-label="Counted" className="grid grid-cols-2 gap-3">
                        <Big says="passes" value={live.passes} />
                        <Big says="with errors" value={live.failed_passes} bad={live.failed_passes > 0} />
                        <p className="col-span-2">
                            {live.words}
                            {live.why !== null && `: ${live.why}`}
                            {live.located.suspects[0] !== undefined && (
                                <span className="font-bold text-out">. Errors point at {live.located.suspects[0].called}</span>
                            )}
                        </p>
                        {!live.active && (
                            <p className="col-span-2">
                                <Button onClick={count.forget}>Throw the count away</Button>
                            </p>
                        )}
                    </div>
                )}
                {live === undefined && (
                    <div className="grid gap-3 sm:grid-cols-3">
                        <Field label="Passes" inputMode="numeric" value={typed.passes} error={at('passes')} onChange={set('passes')} />
                        <Field
                            label="Of them with errors"
                            inputMode="numeric"
                            value={typed.errors}
                            error={at('errors')}
                            onChange={set('errors')}
                        />
                        <Field
                            label="Seconds a pass"
                            inputMode="decimal"
                            value={typed.seconds}
                            error={at('seconds_per_pass')}
                            onChange={set('seconds')}
                        />
                    </div>
                )}
                <div className="grid gap-3 sm:grid-cols-3">
                    <Field
                        label="Wished bound, %"
                        inputMode="decimal"
                        value={typed.target}
                        error={at('target_rate')}
                        onChange={set('target')}
                    />
                    <Field
                        label="Confidence, %"
                        inputMode="decimal"
                        value={typed.confidence}
                        error={at('confidence')}
                        onChange={set('confidence')}
                    />
                </div>
                <ConditionFields condition={condition} onChange={setCondition} faults={faults} />
                {problem !== null && (
                    <Notice tone="bad" live>
                        {problem}
                    </Notice>
                )}
                <div>
                    <Button look="main" disabled={live?.active === true || !there} onClick={count.keep}>
                        Keep this soak <kbd>k</kbd>
                    </Button>
                </div>
            </div>
        </Part>
    );
}

function Big({ says, value, bad = false }: { says: string; value: number; bad?: boolean }) {
    return (
        <p className={bad ? 'text-out' : ''}>
            <span className="figure-number block text-6xl font-bold">{value}</span>
            {says}
        </p>
    );
}

function Bound({ soak }: { soak: Schemas['SoakCard'] }) {
    return (
        <Part title="What the passes say">
            <p className="text-2xl font-bold">{soak.bound}</p>
            <ul>
                {soak.reasons.map((reason) => (
                    <li key={reason}>{reason}</li>
                ))}
            </ul>
            {soak.time_left !== null && soak.passes_left !== null && soak.passes_left > 0 && (
                <p className="text-lg">
                    Time left to the wished bound: <span className="font-bold">{soak.time_left}</span>
                </p>
            )}
            <Curve soak={soak} />
            <h3 className="mt-2 text-sm font-bold">What more would buy</h3>
            <ul className="grid gap-x-6 text-sm sm:grid-cols-2">
                {soak.gains.map((gain) => (
                    <li key={gain.says}>{gain.says}</li>
                ))}
            </ul>
        </Part>
    );
}
