import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { ulid } from 'ulid';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useIsLead } from '../../ui/session';
import { day } from '../../ui/when';

/** The report as it is printed: the same page for the screen, the printer, the PDF and the owner. */
export function Report() {
    const { id = '' } = useParams();
    const frame = useRef<HTMLIFrameElement>(null);
    const lead = useIsLead();
    const job = useQuery({ queryKey: ['job', id], queryFn: () => data(api.GET('/jobs/{job}', { params: { path: { job: id } } })) });
    const print = () => frame.current?.contentWindow?.print();
    useKeys({ p: print });
    return (
        <Loaded query={job}>
            {(page) => (
                <Page
                    title={`Report of ${page.job.label}`}
                    over={<Link to={`/jobs/${id}`}>{page.job.title}</Link>}
                    aside={
                        <>
                            <KeyHelp keys={[['p', 'print']]} />
                            <Button look="main" onClick={print}>
                                Print <kbd>p</kbd>
                            </Button>
                            <Pdf job={id} />
                        </>
                    }
                >
                    <PdfProgress job={id} />
                    {lead && <OwnerLinks job={id} />}
                    <iframe
                        ref={frame}
                        title={`Report of ${page.job.label}`}
                        src={`/jobs/${id}/report/sheet`}
                        className="sheet h-[70vh] w-full bg-white"
                        onLoad={(event) => {
                            const body = event.currentTarget.contentDocument?.documentElement;
                            if (body !== undefined) event.currentTarget.style.height = `${body.scrollHeight + 24}px`;
                        }}
                    />
                </Page>
            )}
        </Loaded>
    );
}

const usePaper = (job: string) =>
    useQuery({
        queryKey: ['paper', job],
        queryFn: () => data(api.GET('/jobs/{job}/paper', { params: { path: { job } } })),
        refetchInterval: ({ state }) => (state.data?.state === 'waiting' || state.data?.state === 'making' ? 1000 : false),
    });

/** A short report opens at once; a long one opens a page that waits for it. */
function Pdf({ job }: { job: string }) {
    const client = useQueryClient();
    return (
        <a
            href={`/jobs/${job}/report.pdf`}
            target="_blank"
            rel="noreferrer"
            className="inline-flex min-h-11 items-center px-2"
            onClick={() => setTimeout(() => void client.invalidateQueries({ queryKey: ['paper', job] }), 700)}
        >
            PDF
        </a>
    );
}

/** How far a long report is, and the notice when it is there. */
function PdfProgress({ job }: { job: string }) {
    const { data: paper } = usePaper(job);
    const going = paper?.state === 'waiting' || paper?.state === 'making';
    return (
        <div role="status">
            {paper !== undefined && paper.says !== '' && (
                <p className="my-2 flex flex-wrap items-center gap-3">
                    <span>{paper.says}</span>
                    {going && (
                        <progress className="h-4 w-64 accent-accent" max={paper.total} value={paper.done} aria-label="lines on paper" />
                    )}
                    {paper.state === 'there' && (
                        <a href={`/jobs/${job}/report.pdf`} target="_blank" rel="noreferrer" className="inline-flex min-h-11 items-center">
                            Open the PDF
                        </a>
                    )}
                </p>
            )}
        </div>
    );
}

/** Signed, expiring, read-only: one report for one owner. */
function OwnerLinks({ job }: { job: string }) {
    const client = useQueryClient();
    const [days, setDays] = useState('14');
    const [id, setId] = useState(ulid);
    const key = ['links', job];
    const links = useQuery({ queryKey: key, queryFn: () => data(api.GET('/jobs/{job}/report-links', { params: { path: { job } } })) });
    const form = useSend(
        () => data(api.POST('/jobs/{job}/report-links', { params: { path: { job } }, body: { id, days: Number(days) } })),
        () => {
            setId(ulid());
            void client.invalidateQueries({ queryKey: key });
        },
    );
    const revoke = (link: Schemas['LinkCard']) =>
        void data(api.DELETE('/report-links/{link}', { params: { path: { link: link.id } } })).then(() =>
            client.invalidateQueries({ queryKey: key }),
        );
    const open = links.data?.filter((link) => link.open) ?? [];
    return (
        <Part title="Link for the owner">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void form.submit();
                }}
            >
                <div className="w-32">
                    <Field
                        label="Days it is open"
                        inputMode="numeric"
                        value={days}
                        error={form.at('/days') ?? form.problem ?? undefined}
                        onChange={(event) => setDays(event.target.value)}
                    />
                </div>
                <Button type="submit">Make a link</Button>
            </form>
            <ul className="mt-2">
                {open.map((link) => (
                    <li key={link.id} className="flex items-center gap-3">
                        <a href={link.url} className="min-w-0 flex-1 truncate">
                            {link.url}
                        </a>
                        <span className="text-sm whitespace-nowrap text-soft">
                            until {day(link.expires_at)}, {link.author}
                        </span>
                        <Button look="stop" onClick={() => revoke(link)}>
                            Take back
                        </Button>
                    </li>
                ))}
            </ul>
        </Part>
    );
}
