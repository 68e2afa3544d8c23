import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, data, type Schemas } from '../../api/client';
import { sound } from '../../bench/tones';
import { type Place } from '../../bench/verdict';
import { Button, Notice } from '../../ui/controls';
import { Teach } from './teach';

/** How often the screen looks at a capture: four times a second, whatever the tester's pace. */
const LOOK_MS = 250;

export function useSource(id: string | null) {
    return useQuery({
        queryKey: ['memory-source', id],
        enabled: id !== null,
        queryFn: () => data(api.GET('/memory-sources/{source}', { params: { path: { source: id ?? '' } } })),
        refetchInterval: (query) => (query.state.data?.active === true ? LOOK_MS : false),
        // The tone must come while another window is looked at.
        refetchIntervalInBackground: true,
    });
}

const ENDS: Partial<Record<string, Place>> = { silent: 'out_close', lost: 'out_close', stopped: 'in' };

/** A tone when an error appears and when a run ends or falls silent, so that the technician can work on something else. */
export function useTones(source: Schemas['SourceCard'] | undefined): void {
    const before = useRef<{ id: string; errors: number; state: string } | null>(null);
    useEffect(() => {
        if (source === undefined) return;
        const then = before.current;
        before.current = { id: source.id, errors: source.located.errors, state: source.state };
        if (then?.id !== source.id) {
            if (source.active && source.located.errors > 0) sound('out');
            return;
        }
        if (source.located.errors > 0 && then.errors === 0) sound('out');
        else if (source.state !== then.state) sound(ENDS[source.state] ?? null);
    }, [source]);
}

export function SourceReport({
    source,
    onChange,
    may,
    sorts = [],
}: {
    source: Schemas['SourceCard'];
    onChange: (next: Schemas['SourceCard']) => void;
    may: boolean;
    sorts?: Schemas['LineSortCard'][];
}) {
    const client = useQueryClient();
    const [teaching, setTeaching] = useState<number | null>(null);
    const line = source.left.find((it) => it.line === teaching);
    const taught = (next: Schemas['SourceCard']) => {
        client.setQueryData(['memory-source', source.id], next);
        setTeaching(null);
        onChange(next);
    };
    const again = (radix: Schemas['MemoryMapCard']['radix']) =>
        void data(api.PUT('/memory-sources/{source}', { params: { path: { source: source.id } }, body: { radix } })).then((next) => {
            client.setQueryData(['memory-source', source.id], next);
            onChange(next);
        });
    return (
        <div className="flex flex-col gap-2">
            <p role={source.active ? 'note' : 'status'} aria-label="What was read">
                <span className="font-bold">{source.words}</span>
                {source.why !== null && `: ${source.why}`}. {source.lines} lines, {source.recognised} recognised, {source.left_over} left
                over. {source.located.errors} errors
                {source.passes > 0 && `, ${source.passes} passes, ${source.failed_passes} of them with errors`}.
            </p>
            {source.advice !== null && (
                <Notice tone="care">
                    {source.advice}{' '}
                    {may && !source.active && source.better_radix !== null && (
                        <Button onClick={() => again(source.better_radix ?? 16)}>Read it in radix {source.better_radix}</Button>
                    )}
                </Notice>
            )}
            {source.not_read && (
                <Notice tone="care" live>
                    Not read: {source.left_over} lines were not understood, so this is no clean test. Teach the reader what they say.
                </Notice>
            )}
            {source.located.unmapped > 0 && (
                <Notice tone="care">
                    {source.located.unmapped} errors lie in no bank that was tested. They are counted, and put nowhere.
                </Notice>
            )}
            {source.tail.length > 0 && (
                <pre
                    aria-label="Console"
                    tabIndex={0}
                    className="figure-number overflow-x-auto rounded border border-line bg-raised p-2 text-sm"
                >
                    {source.tail.join('\n')}
                </pre>
            )}
            {(source.shown.length > 0 || source.left.length > 0) && !source.active && (
                <div className="grid gap-3 sm:grid-cols-2">
                    <Lines title="Recognised" rows={source.shown} />
                    <Lines title="Left over" rows={source.left} {...(may && sorts.length > 0 ? { onTeach: setTeaching } : {})} />
                </div>
            )}
            {line !== undefined && !source.active && (
                <Teach key={line.line} source={source} line={line} sorts={sorts} onTaught={taught} onLeave={() => setTeaching(null)} />
            )}
        </div>
    );
}

function Lines({ title, rows, onTeach }: { title: string; rows: Schemas['ReadLine'][]; onTeach?: (line: number) => void }) {
    if (rows.length === 0) return null;
    return (
        <section aria-label={title}>
            <h3 className="text-sm font-bold">{title}</h3>
            <ol tabIndex={0} aria-label={`${title}, line by line`} className="max-h-40 overflow-auto text-sm">
                {rows.map((row) => (
                    <li key={row.line} className="border-b border-line py-0.5">
                        <span className="figure-number">{row.text}</span>
                        <span className="block text-soft">
                            line {row.line}: {row.says}
                        </span>
                        {onTeach !== undefined && (
                            <Button onClick={() => onTeach(row.line)} aria-label={`Teach line ${row.line}`}>
                                Teach it
                            </Button>
                        )}
                    </li>
                ))}
            </ol>
        </section>
    );
}
