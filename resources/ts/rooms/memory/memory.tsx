import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useBoardAtHand } from '../../api/at-hand';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { TonesSwitch } from '../../bench/tones-switch';
import { Button, Cautions, Field, LinkButton, Notice, Part } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { CountedAtStart } from './counted';
import { FirstMap } from './first-use';
import { Intake } from './intake';
import { Runs } from './runs';
import { SocketMap } from './sockets';
import { useSource, useTones } from './source';
import { Suspects } from './suspects';
import { useLive } from '../../bench/live';

export function Memory() {
    const { id = '' } = useParams();
    const [query, setQuery] = useSearchParams();
    const chosen = { map: query.get('map') ?? '', run: query.get('run') ?? '', against: query.get('against') ?? '' };
    const board = useBoardAtHand(id);
    const memory = useQuery({
        queryKey: ['memory', id, board, chosen],
        placeholderData: keepPreviousData,
        queryFn: () =>
            data(
                api.GET('/jobs/{job}/memory', {
                    params: { path: { job: id }, query: { ...chosen, ...(board === undefined ? {} : { board }) } },
                }),
            ),
    });
    const choose = (next: Partial<typeof chosen>) =>
        setQuery(
            Object.entries({ ...chosen, ...next }).filter(([, value]) => value !== ''),
            { replace: true },
        );
    return (
        <Loaded query={memory}>
            {(page) => <MemorySheet key={page.map ?? ''} page={page} against={chosen.against} choose={choose} />}
        </Loaded>
    );
}

function MemorySheet({
    page,
    against,
    choose,
}: {
    page: Schemas['MemoryPage'];
    against: string;
    choose: (next: { map?: string; run?: string; against?: string }) => void;
}) {
    useLive(page.job.id);
    const client = useQueryClient();
    const navigate = useNavigate();
    const may = useMayRecord() && page.job.state === 'open';
    const [looking, setLooking] = useState<string | null>(page.listening?.map === page.map ? page.listening.id : null);
    const source = useSource(looking);
    useTones(source.data);
    const [problem, setProblem] = useState<string | null>(null);
    const map = page.maps.find((it) => it.key === page.map);
    const draft = looking === null ? undefined : source.data;
    const swap = page.suggestion ?? { from: '', to: '' };
    const [pair, setPair] = useState<{ from: string; to: string } | null>(null);
    const from = pair?.from ?? swap.from;
    const to = pair?.to ?? swap.to;
    const exchange = () => {
        const run = page.runs[0]?.id;
        if (run === undefined || !may || page.pending !== null || from.trim() === '' || to.trim() === '') return;
        void record(page.job.id, { kind: 'swap', data: { run, from, to } }, `exchanged ${from} and ${to}`).then((sent) => {
            setProblem(sent.state === 'refused' ? sent.refusal.message : null);
            if (sent.state !== 'refused') setPair(null);
        });
    };
    useKeys({ x: exchange, s: () => void navigate(`/jobs/${page.job.id}/soak`), j: () => void navigate(`/jobs/${page.job.id}`) });
    const sockets = draft?.sockets ?? page.run?.sockets ?? page.sockets;
    const located = draft?.located ?? page.run?.located ?? null;
    return (
        <Page
            title="Memory: which chip is it"
            over={
                <>
                    <Link to={`/jobs/${page.job.id}`}>
                        {page.job.label}, {page.job.title}
                    </Link>
                    . {page.board}
                </>
            }
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['t', 'type or paste what the test says'],
                            ['m', 'listen to the tester, or stop'],
                            ['k', 'keep the run'],
                            ['x', 'the exchange was made as suggested'],
                            ['s', 'soak'],
                            ['j', 'back to the job'],
                        ]}
                    />
                    {page.maps.length > 1 && (
                        <select
                            aria-label="Memory"
                            className="w-auto"
                            value={page.map ?? ''}
                            onChange={(event) => choose({ map: event.target.value, run: '', against: '' })}
                        >
                            {page.maps.map((it) => (
                                <option key={it.key} value={it.key}>
                                    {it.name}
                                </option>
                            ))}
                        </select>
                    )}
                    <TonesSwitch />
                    <LinkButton to={`/jobs/${page.job.id}/soak`}>
                        Soak <kbd>s</kbd>
                    </LinkButton>
                </>
            }
        >
            {page.bias !== null && <Notice tone="care">{page.bias}</Notice>}
            {map === undefined || sockets === null ? (
                <FirstMap job={page.job.id} machine={page.job.machine_id} may={may} />
            ) : (
                <>
                    <section aria-label="Socket map" className="sheet border-b-8 border-b-wood p-3">
                        <p className="mb-1 text-sm text-soft">
                            {draft !== undefined
                                ? `${draft.active ? 'Coming in' : 'Read'}, not kept yet`
                                : page.run === null
                                  ? 'No run is kept yet'
                                  : `Run under: ${page.run.condition}`}
                            . {map.name}: {map.words}
                            {page.built !== null && `. Built ${page.built}`}
                        </p>
                        <SocketMap sockets={sockets} />
                    </section>
                    {problem !== null && (
                        <Notice tone="bad" live>
                            {problem}
                        </Notice>
                    )}
                    <div className="grid items-start gap-3 lg:grid-cols-2">
                        <div className="flex flex-col gap-3">
                            <SwapNotice page={page} />
                            {may && page.pending === null && page.runs.length > 0 && (
                                <SwapForm from={from} to={to} onChange={setPair} onExchange={exchange} />
                            )}
                            {located !== null && (
                                <Part title="Suspects">
                                    <Suspects located={located} />
                                </Part>
                            )}
                            {may && <CountedAtStart job={page.job.id} map={map.key} />}
                            {page.maps.length > 0 && may && <DateCodes page={page} map={map.key} />}
                        </div>
                        {may && (
                            <Intake
                                page={page}
                                map={map}
                                source={draft}
                                onSource={(id, card) => {
                                    if (id !== null && card !== undefined) client.setQueryData(['memory-source', id], card);
                                    setLooking(id);
                                }}
                                onKept={() => choose({ run: '' })}
                            />
                        )}
                    </div>
                    <Runs
                        page={page}
                        against={against === '' ? null : against}
                        onShow={(run) => choose({ run, against: against === run ? '' : against })}
                        onAgainst={(run) => choose({ against: run ?? '' })}
                    />
                </>
            )}
            <Cautions words={page.cautions} />
        </Page>
    );
}

/** The exchange: suggested with its prediction, waiting for the run that judges it, or judged. */
function SwapNotice({ page }: { page: Schemas['MemoryPage'] }) {
    if (page.pending !== null)
        return (
            <Notice tone="care">
                <span className="font-bold">
                    {page.pending.from} and {page.pending.to} are exchanged.
                </span>{' '}
                {page.pending.predicts} Run the same test again.
            </Notice>
        );
    return (
        <>
            {page.run?.swap != null && <Notice tone={page.run.swap_verdict === 'confirmed' ? 'good' : 'care'}>{page.run.swap}</Notice>}
            {page.suggestion !== null && (
                <Notice>
                    <span className="font-bold">
                        Exchange {page.suggestion.from} with {page.suggestion.to}.
                    </span>{' '}
                    {page.suggestion.predicts}
                </Notice>
            )}
        </>
    );
}

function SwapForm({
    from,
    to,
    onChange,
    onExchange,
}: {
    from: string;
    to: string;
    onChange: (pair: { from: string; to: string }) => void;
    onExchange: () => void;
}) {
    return (
        <form
            className="sheet flex flex-wrap items-end gap-3 p-4"
            onSubmit={(event) => {
                event.preventDefault();
                onExchange();
            }}
        >
            <div className="w-28">
                <Field label="Chip" value={from} onChange={(event) => onChange({ from: event.target.value, to })} />
            </div>
            <div className="w-28">
                <Field label="exchanged with" value={to} onChange={(event) => onChange({ from, to: event.target.value })} />
            </div>
            <Button type="submit" disabled={from.trim() === '' || to.trim() === ''}>
                They are exchanged <kbd>x</kbd>
            </Button>
            <span className="pb-2 text-sm">Power off first; strap on.</span>
        </form>
    );
}

function DateCodes({ page, map }: { page: Schemas['MemoryPage']; map: string }) {
    const [codes, setCodes] = useState('');
    const [error, setError] = useState<string>();
    return (
        <Part title="Date codes">
            <form
                className="flex items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void record(page.job.id, { kind: 'date_codes', data: { map, codes } }, `date codes: ${codes}`).then((sent) => {
                        setError(sent.state === 'refused' ? sent.refusal.message : undefined);
                        if (sent.state !== 'refused') setCodes('');
                    });
                }}
            >
                <div className="flex-1">
                    <Field
                        label="Chips and their four digits"
                        placeholder="U30-U36 8213, U37 8630"
                        value={codes}
                        error={error}
                        onChange={(event) => setCodes(event.target.value)}
                    />
                </div>
                <Button type="submit">Keep</Button>
            </form>
        </Part>
    );
}
