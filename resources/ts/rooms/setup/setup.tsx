import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { record, type Sent } from '../../api/outbox';
import { useLive } from '../../bench/live';
import { Say } from '../../bench/say';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { KeyHelp } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { Block } from './block';
import { Hanging } from './hanging';
import { KnownBlocks, Wrong } from './known';
import { stands } from './stands';

type SetupPage = Schemas['SetupPage'];

/** All numbers of a machine on one page: what is set where, what clashes, and the fewest moves that keep all apart. */
export function Setup() {
    const { id = '' } = useParams();
    const page = useQuery({
        queryKey: ['setup', id],
        queryFn: () => data(api.GET('/jobs/{job}/setup', { params: { path: { job: id } } })),
    });
    return <Loaded query={page}>{(it) => <Sheet page={it} />}</Loaded>;
}

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
            {page.settings.length === 0 && page.chain === null && page.cable === null && (
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
            {page.clear && <Notice tone="good">Nothing clashes.</Notice>}
            {page.plans.length > 0 && <p className="first-letter:uppercase">{page.reasons.join('; ')}.</p>}
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
                            <div key={it.block}>
                                <Block setting={it} />
                                <Wrong words={it.wrong} />
                            </div>
                        ))}
                    </div>
                </Part>
            ))}
            <Hanging
                title="SCSI chain"
                kind="chain"
                cable={page.chain}
                job={page.job_id}
                may={may}
                label="In cable order: name, id, and terminated, host or boot where it is so"
                example="host 7 terminated, disc 1 0, scanner 3 terminated"
            />
            <Hanging
                title="Floppy cable"
                kind="cable"
                cable={page.cable}
                job={page.job_id}
                may={may}
                label="Units the machine knows (ready or change): drives along the cable with select; twist, terminated, ready, change"
                example="2 units change: near 1, far 1 twist terminated change"
            />
            <Reports page={page} may={may} />
            {may && <KnownBlocks page={page} />}
            {may && (
                <Say
                    job={page.job_id}
                    title="A source that is wrong"
                    word="wrong "
                    label="The device and its block: what is written; what is so"
                    example="serial card JP3: the leaflet says 1-2 is 4; it is 3"
                />
            )}
        </Page>
    );
}

/** What the machine says of itself, beside what is written down of it. */
function Reports({ page, may }: { page: SetupPage; may: boolean }) {
    return (
        <>
            {page.seen.length > 0 && (
                <Part title="What the machine reports">
                    <ul className="flex flex-col gap-2">
                        {page.seen.map((it) => (
                            <li key={it.says}>
                                <Notice tone={it.agrees ? 'good' : 'bad'}>
                                    <p>{it.says}</p>
                                    {it.agrees ? <p>That is what is written down.</p> : it.differs.map((one) => <p key={one}>{one}</p>)}
                                    {it.means !== '' && <p className="font-bold">{it.means}</p>}
                                </Notice>
                            </li>
                        ))}
                    </ul>
                </Part>
            )}
            {may && (
                <Say
                    job={page.job_id}
                    title="It reports at its start"
                    word="reports "
                    label={`One of ${page.takes.map((it) => it.value).join(', ')}; then what is seen`}
                    example="id: 0, 2, 7"
                />
            )}
        </>
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
                <Field
                    label="Card or drive"
                    placeholder="serial card"
                    list="devices"
                    value={device}
                    onChange={(event) => setDevice(event.target.value)}
                />
                <datalist id="devices">
                    {page.devices.map((it) => (
                        <option key={it} value={it} />
                    ))}
                </datalist>
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
