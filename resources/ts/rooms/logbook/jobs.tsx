import { useInfiniteQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { api, data } from '../../api/client';
import { Choice } from '../../ui/choice';
import { Button, Notice } from '../../ui/controls';
import { Page } from '../../ui/page';
import { day, minutes } from '../../ui/when';

type State = 'all' | 'open' | 'parked' | 'closed';
const STATES = (['all', 'open', 'parked', 'closed'] as const).map((value) => ({
    value,
    words: value.charAt(0).toUpperCase() + value.slice(1),
}));

export function Jobs() {
    const [params, setParams] = useSearchParams();
    const state = STATES.find((it) => it.value === params.get('state'))?.value ?? 'all';
    const jobs = useInfiniteQuery({
        queryKey: ['jobs', state],
        initialPageParam: '',
        queryFn: ({ pageParam }) =>
            data(
                api.GET('/jobs', {
                    params: { query: { ...(state === 'all' ? {} : { state }), ...(pageParam === '' ? {} : { before: pageParam }) } },
                }),
            ),
        getNextPageParam: (last) => last.next_before,
    });
    const rows = jobs.data?.pages.flatMap((page) => page.jobs) ?? [];
    return (
        <Page
            title="Jobs"
            aside={
                <Choice<State>
                    label="State"
                    value={state}
                    options={STATES}
                    onChange={(next) => setParams(next === 'all' ? {} : { state: next })}
                />
            }
        >
            {jobs.error !== null && (
                <Notice tone="bad" live>
                    {jobs.error.message}
                </Notice>
            )}
            <div className="sheet overflow-x-auto">
                <table className="w-full">
                    <thead>
                        <tr className="border-b border-line [&>th]:px-4 [&>th]:py-2">
                            <th scope="col">Job</th>
                            <th scope="col">Machine and board</th>
                            <th scope="col">Owner</th>
                            <th scope="col">Where it stands</th>
                            <th scope="col">Taken in</th>
                            <th scope="col">Time</th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((job) => (
                            <tr key={job.id} className="border-b border-line align-top [&>td]:px-4 [&>td]:py-2">
                                <td>
                                    <Link to={`/jobs/${job.id}`}>{job.title}</Link>
                                    <span className="block text-sm text-soft">{job.label}</span>
                                </td>
                                <td>
                                    {job.machine}
                                    <span className="block text-sm">
                                        <Link to={`/boards/${job.board_id}`}>{job.board}</Link>
                                    </span>
                                </td>
                                <td>{job.owner}</td>
                                <td>{job.outcome_words ?? job.stage_words}</td>
                                <td className="whitespace-nowrap">{day(job.opened_at)}</td>
                                <td className="whitespace-nowrap">{minutes(job.minutes)}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
                {jobs.isPending && <p className="p-4 text-soft">Loading</p>}
                {jobs.isSuccess && rows.length === 0 && <p className="p-4 text-soft">No job in this state.</p>}
            </div>
            {jobs.hasNextPage && (
                <div>
                    <Button disabled={jobs.isFetchingNextPage} onClick={() => void jobs.fetchNextPage()}>
                        Earlier jobs
                    </Button>
                </div>
            )}
        </Page>
    );
}
