import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { Suspense, useDeferredValue, useEffect, useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import { api, data } from '../../api/client';
import { Brought } from '../../bench/house';
import { Button, Field, Part } from '../../ui/controls';
import { Page } from '../../ui/page';
import { day } from '../../ui/when';

/** Everything that was ever written down: words, designators, values, chip numbers; machines by name, serial, owner. */
export function Search() {
    const [params, setParams] = useSearchParams();
    const said = params.get('for') ?? '';
    const asked = useDeferredValue(said.trim());
    const input = useRef<HTMLInputElement>(null);
    useEffect(() => input.current?.focus(), []);
    const found = useInfiniteQuery({
        queryKey: ['search', asked],
        enabled: asked !== '',
        placeholderData: keepPreviousData,
        initialPageParam: 0,
        queryFn: ({ pageParam }) =>
            data(api.GET('/search', { params: { query: { for: asked, ...(pageParam === 0 ? {} : { before: pageParam }) } } })),
        getNextPageParam: (last) => last.before,
    });
    const pages = asked === '' ? [] : (found.data?.pages ?? []);
    const jobs = pages.flatMap((page) => page.jobs);
    const machines = pages[0]?.machines ?? [];
    return (
        <Page title="Search">
            <div className="max-w-2xl">
                <Field
                    label="Words, designators, values, a serial, an owner"
                    hint="All words must be in the record of one job: C12 bulged, 4116, +5 weak"
                >
                    {(on) => (
                        <input
                            {...on}
                            ref={input}
                            type="search"
                            value={said}
                            onChange={(event) => setParams(event.target.value === '' ? {} : { for: event.target.value }, { replace: true })}
                        />
                    )}
                </Field>
            </div>
            {pages[0]?.whole === false && (
                <p className="text-soft">The record is still being read: what is older may be missing for some minutes.</p>
            )}
            <p role="status" className="sr-only">
                {asked === '' || found.isFetching ? '' : `${jobs.length} jobs, ${machines.length} machines`}
            </p>
            {asked !== '' && !found.isFetching && jobs.length === 0 && machines.length === 0 && (
                <p className="text-soft">Nothing in the records holds all of that. Fewer words find more.</p>
            )}
            {machines.length > 0 && (
                <Part title="Machines">
                    <ul>
                        {machines.map((it) => (
                            <li key={it.id}>
                                <Link to={`/machines/${it.id}`} className="font-bold">
                                    {it.name}
                                </Link>{' '}
                                <span className="text-soft">{[it.kind, it.serial, it.owner].filter((one) => one !== null).join(', ')}</span>
                            </li>
                        ))}
                    </ul>
                </Part>
            )}
            {jobs.length > 0 && (
                <Part title="Jobs">
                    <ol className="divide-y divide-line">
                        {jobs.map(({ job, entries }) => (
                            <li key={job.id} className="py-2">
                                <Link to={`/jobs/${job.id}`} className="font-bold">
                                    {job.label}, {job.title}
                                </Link>{' '}
                                <span className="text-soft">
                                    {job.machine}
                                    {job.outcome_words !== null && `, ${job.outcome_words}`}
                                </span>
                                <ul className="text-sm">
                                    {entries.map((it) => (
                                        <li key={it.id}>
                                            <Link to={`/jobs/${job.id}#${it.id}`}>{day(it.at)}</Link> {it.says}
                                        </li>
                                    ))}
                                </ul>
                            </li>
                        ))}
                    </ol>
                    {found.hasNextPage && (
                        <Button onClick={() => void found.fetchNextPage()} disabled={found.isFetchingNextPage}>
                            Older jobs
                        </Button>
                    )}
                </Part>
            )}
            <Suspense>
                <Brought part="Searched" />
            </Suspense>
        </Page>
    );
}
