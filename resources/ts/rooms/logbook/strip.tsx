import { useQuery } from '@tanstack/react-query';
import { useRef, useState, type KeyboardEvent } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Cautions, Field, Notice, Part } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { Photos } from '../../bench/photos';
import { useMayRecord } from '../../ui/session';
import { useLive } from '../../bench/live';

/** Each item that comes out is one quick line; the same list, reversed and ticked, is how it goes back. */
export function StripDown() {
    const { id = '' } = useParams();
    const strip = useQuery({
        queryKey: ['strip', id],
        queryFn: () => data(api.GET('/jobs/{job}/strip', { params: { path: { job: id } } })),
    });
    return <Loaded query={strip}>{(page) => <Sheet page={page} />}</Loaded>;
}

function Sheet({ page }: { page: Schemas['StripPage'] }) {
    useLive(page.job.id);
    const may = useMayRecord() && page.job.state === 'open';
    const input = useRef<HTMLInputElement>(null);
    useKeys({ '/': () => input.current?.focus() });
    return (
        <Page
            title="Strip-down and rebuild"
            over={
                <Link to={`/jobs/${page.job.id}`}>
                    {page.job.label}, {page.job.title}
                </Link>
            }
            aside={
                <KeyHelp
                    keys={[
                        ['/', 'write what comes out'],
                        ['↑ ↓', 'from item to item of the rebuild list'],
                        ['Enter', 'tick it'],
                    ]}
                />
            }
        >
            {may && <Out job={page.job.id} input={input} />}
            {page.known.length > 0 && (
                <Part title="Known of this machine's connectors">
                    <ul className="grid gap-x-8 lg:grid-cols-2">
                        {page.known.map((it) => (
                            <li key={it}>{it}</li>
                        ))}
                    </ul>
                </Part>
            )}
            <Part title="Rebuild: last out is first in" aside={<Standing page={page} />}>
                <Rows page={page} may={may} />
            </Part>
            <Photos job={page.job.id} may={may} />
            <Cautions words={page.cautions} />
        </Page>
    );
}

function Standing({ page }: { page: Schemas['StripPage'] }) {
    if (page.rows.length === 0) return null;
    return page.open.length === 0 ? (
        <span className="font-bold text-in">all back in, nothing left over</span>
    ) : (
        <span className="font-bold text-close">{page.open.join('; ')}</span>
    );
}

function Out({ job, input }: { job: string; input: React.RefObject<HTMLInputElement | null> }) {
    const [line, setLine] = useState('');
    const [error, setError] = useState<string>();
    return (
        <form
            className="sheet flex flex-wrap items-end gap-3 p-4"
            onSubmit={(event) => {
                event.preventDefault();
                void record(job, { line: `out ${line}` }, `out ${line}`).then((sent) => {
                    setError(sent.state === 'refused' ? sent.refusal.message : undefined);
                    if (sent.state !== 'refused') setLine('');
                });
            }}
        >
            <div className="flex-1">
                <Field
                    label="What comes out"
                    error={error}
                    hint={
                        'what; fixings; connector and which way round it sits; stuck, broken or missing. ' +
                        'Loose parts: write “loose M3x6 under the board” on the job.'
                    }
                >
                    {(ids) => (
                        <input
                            {...ids}
                            ref={input}
                            value={line}
                            autoComplete="off"
                            placeholder="lid; 6 M4x8, 2 M3x6; J1 black beside black; stuck"
                            onChange={(event) => setLine(event.target.value)}
                        />
                    )}
                </Field>
            </div>
            <Button type="submit" look="main" className="mb-6">
                Taken out
            </Button>
        </form>
    );
}

function Rows({ page, may }: { page: Schemas['StripPage']; may: boolean }) {
    const list = useRef<HTMLOListElement>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const photos = useQuery({
        queryKey: ['photos', page.job.id],
        queryFn: () => data(api.GET('/jobs/{job}/photos', { params: { path: { job: page.job.id } } })),
    });
    const walk = (event: KeyboardEvent) => {
        const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
        if (step === 0) return;
        const buttons = [...(list.current?.querySelectorAll<HTMLButtonElement>('button[data-tick]') ?? [])];
        buttons[buttons.findIndex((it) => it === document.activeElement) + step]?.focus();
        event.preventDefault();
    };
    if (page.rows.length === 0) return <p className="text-soft">Nothing has been taken out on this job.</p>;
    return (
        <>
            <ol ref={list} onKeyDown={walk} className="divide-y divide-line">
                {page.rows.map((row) => (
                    <Row
                        key={row.id}
                        row={row}
                        photo={photos.data?.findLast((it) => it.of === row.what)}
                        may={may}
                        onTick={(fixings) =>
                            void record(
                                page.job.id,
                                { kind: 'rebuilt', data: { item: row.id, ...(fixings.trim() === '' ? { fixings: [] } : { fixings }) } },
                                `back in: ${row.what}`,
                            ).then((sent) => setProblem(sent.state === 'refused' ? sent.refusal.message : null))
                        }
                    />
                ))}
            </ol>
            {problem !== null && (
                <Notice tone="bad" live>
                    {problem}
                </Notice>
            )}
        </>
    );
}

function Row({
    row,
    photo,
    may,
    onTick,
}: {
    row: Schemas['StripRow'];
    photo: Schemas['PhotoCard'] | undefined;
    may: boolean;
    onTick: (fixings: string) => void;
}) {
    const [fixings, setFixings] = useState(row.fixings);
    return (
        <li className="grid items-center gap-x-4 py-1 lg:grid-cols-[1fr_16rem_9rem]">
            <span className={`flex items-center gap-3 ${row.ticked ? 'text-soft' : ''}`}>
                {photo !== undefined && (
                    <img
                        src={photo.thumbnail}
                        alt={`${row.what} as it sat`}
                        className="h-14 w-20 rounded border border-line object-cover"
                    />
                )}
                {row.says}
            </span>
            {row.ticked || !may ? (
                <span />
            ) : (
                <input aria-label={`Fixings used for ${row.what}`} value={fixings} onChange={(event) => setFixings(event.target.value)} />
            )}
            {row.ticked ? (
                <span className="text-right font-bold text-in">back in</span>
            ) : (
                may && (
                    <Button data-tick aria-label={`Back in: ${row.what}`} onClick={() => onTick(fixings)}>
                        Back in
                    </Button>
                )
            )}
        </li>
    );
}
