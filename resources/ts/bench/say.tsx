import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, data, type Schemas } from '../api/client';
import { record } from '../api/outbox';
import { Button, Field, Part } from '../ui/controls';

/** What a line on a job would become, asked as it is typed. */
export function useLinePreview(job: string, line: string) {
    const typed = useDeferredValue(line.trim());
    const preview = useQuery({
        queryKey: ['line', job, typed],
        enabled: typed !== '',
        staleTime: 5000,
        retry: false,
        placeholderData: (before) => before,
        queryFn: () => data(api.POST('/logbook/line', { body: { line: typed, job } })),
    });
    return typed === '' ? undefined : preview.data;
}

/** What the server understood, in words, with its doubt. */
export function Understood({ preview }: { preview: Schemas['LinePreview'] }) {
    return (
        <>
            <span className="font-bold">{preview.kind_words}</span>: {preview.says}
            {preview.minutes > 0 && <span className="text-soft">, {preview.minutes} min</span>}
            {preview.doubt !== null && <span className="block text-close">Kept as an observation: {preview.doubt}</span>}
        </>
    );
}

/** How the line may go on, offered by the browser's own list. */
export function GoesOn({ id, preview }: { id: string; preview: Schemas['LinePreview'] | undefined }) {
    return (
        <datalist id={id}>
            {preview?.goes_on.map((it) => (
                <option key={it} value={it} />
            ))}
        </datalist>
    );
}

/** A room's own things said in one line, without the word that the job's line would begin with. */
export function Say({
    job,
    title,
    label,
    example,
    word = '',
    offered = '',
    same = null,
}: {
    job: string;
    title: string;
    label: string;
    example: string;
    /** what the job's line begins with */
    word?: string;
    /** what stands in the field before anything is typed */
    offered?: string;
    /** the line that the key = fills in */
    same?: string | null;
}) {
    const [line, setLine] = useState<string | null>(null);
    const [refused, setRefused] = useState<string | undefined>(undefined);
    const said = line ?? offered;
    const whole = `${word}${said}`;
    const preview = useLinePreview(job, said.trim() === '' || said === offered ? '' : whole);
    const keep = async () => {
        if (said.trim() === '' || said === offered) return;
        const sent = await record(job, { line: whole.trim() }, whole);
        setRefused(sent.state === 'refused' ? sent.refusal.message : undefined);
        if (sent.state !== 'refused') setLine(null);
    };
    return (
        <Part title={title}>
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void keep();
                }}
            >
                <div className="min-w-64 flex-1">
                    <Field
                        label={label}
                        placeholder={example}
                        autoComplete="off"
                        list={`goes-on-${title}`}
                        value={said}
                        error={refused}
                        onChange={(event) => setLine(event.target.value)}
                        onKeyDown={(event) => {
                            if (event.key !== '=' || same === null || said.trim() !== offered.trim()) return;
                            event.preventDefault();
                            setLine(same);
                        }}
                    />
                    <GoesOn id={`goes-on-${title}`} preview={preview} />
                </div>
                <Button type="submit" look="main">
                    Keep <kbd>Enter</kbd>
                </Button>
            </form>
            <p role="status" className="mt-2 min-h-6 text-sm">
                {preview !== undefined ? (
                    <Understood preview={preview} />
                ) : (
                    same !== null && (
                        <span className="text-soft">
                            <kbd>=</kbd> {same}
                        </span>
                    )
                )}
            </p>
        </Part>
    );
}
