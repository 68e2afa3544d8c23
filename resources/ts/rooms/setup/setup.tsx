import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { record, type Sent } from '../../api/outbox';
import { useLive } from '../../bench/live';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { KeyHelp } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { Block } from './block';
import { Chain } from './chain';
import { Drive } from './drive';

type SetupPage = Schemas['SetupPage'];
type Setting = Schemas['SettingCard'];

/** All numbers of a machine on one page: what is set where, what clashes, and the fewest moves that keep all apart. */
export function Setup() {
    const { id = '' } = useParams();
    const page = useQuery({
        queryKey: ['setup', id],
        queryFn: () => data(api.GET('/jobs/{job}/setup', { params: { path: { job: id } } })),
    });
    return <Loaded query={page}>{(it) => <Sheet page={it} />}</Loaded>;
}

/** A setting as it stands now, or after a move. */
const stands = (it: Setting, at: number) => ({
    kind: 'setting' as const,
    data: {
        device: it.device,
        block: it.block,
        takes: it.takes as Schemas['DataSetting']['takes'],
        options: it.options.map(({ value, pins }) => (pins === null ? { value } : { value, pins })),
        at,
        ...(it.length === null ? {} : { length: it.length }),
    },
});

function Sheet({ page }: { page: SetupPage }) {
    useLive(page.job_id);
    const may = useMayRecord() && page.open;
    const devices = Map.groupBy(page.settings, (it) => it.device);
    return (
        <Page
            title="Setup"
            over={
                <Link to={`/jobs/${page.job_id}`}>
                    {page.job_label}, {page.job_title}
                </Link>
            }
            aside={<KeyHelp keys={[]} />}
        >
            {page.settings.length === 0 && (
                <p className="text-soft">
                    Nothing is written down yet. Name a card or a drive and say one of its blocks as it is printed, with a star where it
                    stands.
                </p>
            )}
            {may && <Another page={page} />}
            {page.clashes.length > 0 && (
                <Notice tone="bad">
                    <ul className="font-bold">
                        {page.clashes.map((it) => (
                            <li key={it}>{it}</li>
                        ))}
                    </ul>
                </Notice>
            )}
            {page.settings.length > 0 && page.clashes.length === 0 && <Notice tone="good">Nothing clashes.</Notice>}
            {page.clashes.length > 0 && <p>{page.reasons.join('; ')}.</p>}
            {page.plans.map((plan, i) => (
                <Plan key={i} plan={plan} number={i + 1} job={page.job_id} may={may} />
            ))}
            {page.held.length > 0 && (
                <Part title="Who holds what">
                    <ul className="grid gap-3 lg:grid-cols-2">
                        {page.held.map((it) => (
                            <li key={it.words}>
                                <h3 className="font-bold">{it.words}</h3>
                                <ul className="tabular-nums">
                                    {it.held.map((one) => (
                                        <li key={one}>{one}</li>
                                    ))}
                                </ul>
                                {it.free.length > 0 && <p className="text-sm text-soft">nobody holds {it.free.join(', ')}</p>}
                            </li>
                        ))}
                    </ul>
                </Part>
            )}
            {[...devices].map(([device, settings]) => (
                <Part key={device} title={device}>
                    <div className="flex flex-wrap gap-6">
                        {settings.map((it) => (
                            <Block key={it.block} setting={it} />
                        ))}
                    </div>
                </Part>
            ))}
            <Chain />
            <Drive />
        </Page>
    );
}

function Another({ page }: { page: SetupPage }) {
    const [device, setDevice] = useState('');
    const [said, setSaid] = useState('');
    const [sent, setSent] = useState<Sent | null>(null);
    const send = async () => {
        const answer = await record(page.job_id, { line: `setting ${device.trim()}: ${said.trim()}` }, `${device}: ${said}`);
        setSent(answer);
        if (answer.state !== 'refused') setSaid('');
    };
    return (
        <Part title="A setting, as it is seen">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void send();
                }}
            >
                <Field label="Card or drive" placeholder="serial card" value={device} onChange={(event) => setDevice(event.target.value)} />
                <Field
                    label="Its block, what it sets, the ways; a star where it stands"
                    placeholder={page.example}
                    size={44}
                    value={said}
                    onChange={(event) => setSaid(event.target.value)}
                />
                <Button type="submit" look="main" disabled={device.trim() === '' || said.trim() === ''}>
                    Keep it
                </Button>
            </form>
            {sent?.state === 'refused' && (
                <Notice tone="bad" live>
                    {sent.refusal.message}
                </Notice>
            )}
        </Part>
    );
}

function Plan({ plan, number, job, may }: { plan: Schemas['SetupPlan']; number: number; job: string; may: boolean }) {
    const done = async () => {
        for (const it of plan.moves) await record(job, stands(it.setting, it.to), it.words);
    };
    return (
        <Part title={`Way ${number}`} aside={may && <Button onClick={() => void done()}>Done, way {number}</Button>}>
            <ol>
                {plan.moves.map((it) => (
                    <li key={it.words} className="flex flex-wrap items-center gap-4">
                        <span className="text-lg font-bold">{it.words}</span>
                        <Block setting={it.setting} to={it.to} />
                    </li>
                ))}
            </ol>
        </Part>
    );
}
