import type { UseQueryResult } from '@tanstack/react-query';
import { useEffect, type ReactNode } from 'react';
import { Refusal, Unreachable, words } from '../api/client';
import { Button, Notice } from './controls';

/**
 * Heading, what stands beside it, and the page's name in the browser's title. Where the work is a live point, what stands beside the heading
 * goes to the end on a narrow screen.
 */
export function Page({
    title,
    over,
    aside,
    live = false,
    children,
}: {
    title: string;
    over?: ReactNode;
    aside?: ReactNode;
    live?: boolean;
    children: ReactNode;
}) {
    useEffect(() => {
        document.title = `${title} · Ash Bench`;
    }, [title]);
    return (
        <div className="mx-auto flex max-w-[86rem] flex-col gap-3 px-5 py-4">
            <div className={`flex flex-wrap items-end justify-between gap-3 ${live ? 'max-sm:contents' : ''}`}>
                <div>
                    {over !== undefined && <p className="text-sm text-soft">{over}</p>}
                    <h1>{title}</h1>
                </div>
                <div className={`flex flex-wrap items-center gap-2 ${live ? 'max-sm:order-last' : ''}`}>{aside}</div>
            </div>
            {children}
        </div>
    );
}

/** Loading, failed, away or there: each state is designed, and data that is there stays while the server is away. */
export function Loaded<T>({ query, children }: { query: UseQueryResult<T>; children: (data: T) => ReactNode }) {
    const { data, error } = query;
    if (data !== undefined) {
        return (
            <>
                {error instanceof Unreachable && (
                    <div className="mx-auto w-full max-w-[86rem] px-5 pt-3">
                        <Notice tone="care">
                            The server cannot be reached. This is what it said last; what you add is kept and sent later.
                        </Notice>
                    </div>
                )}
                {children(data)}
            </>
        );
    }
    if (error === null) return <p className="px-5 py-8 text-soft">Loading</p>;
    return (
        <div className="mx-auto flex max-w-3xl flex-col items-start gap-3 px-5 py-8">
            <Notice tone="bad" live>
                {error instanceof Refusal && error.status === 404
                    ? 'There is nothing at this address.'
                    : `This cannot be shown: ${words(error)}.`}
            </Notice>
            <Button onClick={() => void query.refetch()}>Try again</Button>
        </div>
    );
}
