import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { useLive } from '../../bench/live';
import { Say } from '../../bench/say';
import { Notice, Part } from '../../ui/controls';
import { KeyHelp } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { dayAndClock } from '../../ui/when';
import { Drive } from './drive';
import { GoTogether, LettersThatComeOut } from './media';

type DisksPage = Schemas['DisksPage'];

/** Drives off their labels with every way that was tried, and the disks that were copied, one after the other. */
export function Disks() {
    const { id = '' } = useParams();
    const page = useQuery({
        queryKey: ['disks', id],
        queryFn: () => data(api.GET('/jobs/{job}/disks', { params: { path: { job: id } } })),
    });
    return <Loaded query={page}>{(it) => <Bench page={it} />}</Loaded>;
}

function Bench({ page }: { page: DisksPage }) {
    useLive(page.job_id);
    const may = useMayRecord() && page.open;
    const job = page.job_id;
    return (
        <Page
            title="Drives and disks"
            over={
                <Link to={`/jobs/${job}`}>
                    {page.job_label}, {page.job_title}
                </Link>
            }
            aside={<KeyHelp keys={[]} />}
        >
            {page.damaging.map((it) => (
                <Notice key={it.entry_id} tone="bad">
                    <span className="font-bold">{it.words}.</span> No disk goes into it before both heads are clean and a scratch disk has
                    come out unharmed.
                </Notice>
            ))}
            {may && page.damaging.length > 0 && (
                <Say
                    job={job}
                    title="With a scratch disk"
                    word="proven "
                    label="The drive, then: cleaned, passed"
                    example={`${page.damaging[0]?.drive ?? 'drive A'}: cleaned, passed`}
                />
            )}
            {page.drives.map((it) => (
                <Attempts key={it.name} drive={it} />
            ))}
            {may && (
                <>
                    <Drive job={job} types={page.drive_types} />
                    <Say
                        job={job}
                        title="A way that was tried"
                        word="attempt "
                        label="The drive: how; works, in part, sounds bad or nothing; MB counted, kB/s, bad sectors"
                        example="disc 1: its own controller, works, 20.1 MB, 180 kB/s, 3 bad"
                    />
                </>
            )}
            <Copies page={page} />
            {may && (
                <>
                    <Say
                        job={job}
                        title="A disk, copied"
                        word="copied "
                        label="What is written on it: image in which drive, tries, bad sectors, cleaned, aside"
                        example="SYS 3: sys3.img in drive A, 2 tries, 5 bad, aside"
                    />
                    <p className="text-sm text-soft">
                        Image first, then let the drive rest. One that sounds bad is read once, early. One that scratches stops at once.
                    </p>
                    <Say
                        job={job}
                        title="A drive that scratches"
                        word="damages "
                        label="Which; of the bench, when other jobs use it too; what was seen"
                        example="drive A of the bench: a ring on side 0"
                    />
                </>
            )}
            <GoTogether formats={page.formats} />
            <LettersThatComeOut />
        </Page>
    );
}

const COPIED = ['Disk', 'Image', 'Drive', 'Tries', 'Bad sectors', 'And'];
const COLUMNS = ['When', 'How', 'Came of it', 'MB counted', 'kB/s', 'Bad sectors'];

/** A table that scrolls by itself on a narrow screen. */
function Rows({ label, columns, children }: { label: string; columns: string[]; children: ReactNode }) {
    return (
        <div className="overflow-x-auto" role="group" aria-label={label} tabIndex={0}>
            <table className="mt-2 text-left tabular-nums">
                <thead>
                    <tr>
                        {columns.map((it) => (
                            <th key={it} scope="col" className="pr-6 text-sm">
                                {it}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>{children}</tbody>
            </table>
        </div>
    );
}

function Attempts({ drive }: { drive: Schemas['DriveCard'] }) {
    return (
        <Part title={drive.name}>
            {drive.says !== null && <p className="font-bold">{drive.says}</p>}
            <ul>
                {drive.reasons.map((it) => (
                    <li key={it}>{it}</li>
                ))}
            </ul>
            {drive.tries.length > 0 && (
                <Rows label={`Ways of getting at ${drive.name}`} columns={COLUMNS}>
                    {drive.tries.map((it) => (
                        <tr key={it.entry_id} className={it.best ? 'font-bold' : ''}>
                            <td className="pr-6">{dayAndClock(it.at)}</td>
                            <th scope="row" className="pr-6 text-base text-ink">
                                {it.way}
                                {it.best && ', best so far'}
                            </th>
                            <td className="pr-6">{it.outcome_words}</td>
                            <td className="pr-6">{it.mb}</td>
                            <td className="pr-6">{it.kb_s}</td>
                            <td>{it.bad}</td>
                        </tr>
                    ))}
                </Rows>
            )}
        </Part>
    );
}

function Copies({ page }: { page: DisksPage }) {
    return (
        <Part title="Copied on this job">
            <p>{page.session ?? 'No disk yet.'}</p>
            {page.copies.length > 0 && (
                <Rows label="Disks, in the order in which they were copied" columns={COPIED}>
                    {page.copies.map((it) => (
                        <tr key={it.entry_id} className={it.bad > 0 ? 'bg-close-wash' : ''}>
                            <th scope="row" className="pr-6 text-base text-ink">
                                {it.disk}
                            </th>
                            <td className="pr-6">{it.image}</td>
                            <td className="pr-6">{it.drive}</td>
                            <td className="pr-6">{it.tries}</td>
                            <td className="pr-6">{it.bad}</td>
                            <td>{[it.cleaned && 'drive cleaned before', it.aside && 'set aside'].filter(Boolean).join(', ')}</td>
                        </tr>
                    ))}
                </Rows>
            )}
        </Part>
    );
}
