import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState, type RefObject } from 'react';
import { api, data, Refusal, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button } from '../../ui/controls';

/** One line to add an entry fast. Its leading word picks the kind; what it will become is shown while it is typed. */
export function Line({
    job,
    examples,
    input,
}: {
    job: string;
    examples: Schemas['ExampleCard'][];
    input: RefObject<HTMLInputElement | null>;
}) {
    const [line, setLine] = useState('');
    const [last, setLast] = useState<Schemas['EntryCard'] | null>(null);
    const [refused, setRefused] = useState<string | null>(null);
    const typed = useDeferredValue(line.trim());
    const preview = useQuery({
        queryKey: ['line', typed],
        enabled: typed !== '',
        staleTime: Infinity,
        retry: false,
        placeholderData: (before) => before,
        queryFn: () => data(api.POST('/logbook/line', { body: { line: typed } })),
    });
    const add = async () => {
        if (line.trim() === '') return;
        const sent = await record(job, { line }, line);
        if (sent.state === 'refused') {
            setRefused(sent.refusal.message);
            return;
        }
        setRefused(null);
        setLine('');
        setLast(sent.state === 'stored' ? sent.entry : null);
    };
    const unclear = preview.error instanceof Refusal ? preview.error.message : null;
    return (
        <form
            className="sticky bottom-0 -mx-2 border-t-4 border-wood bg-sheet px-3 pt-2 pb-3 shadow-[0_-6px_18px_rgb(0_0_0/0.12)]"
            onSubmit={(event) => {
                event.preventDefault();
                void add();
            }}
        >
            <div className="flex items-center gap-2">
                <label htmlFor="line" className="font-bold whitespace-nowrap">
                    Line <kbd>/</kbd>
                </label>
                <input
                    id="line"
                    ref={input}
                    value={line}
                    autoComplete="off"
                    aria-describedby="line-says"
                    placeholder={examples[0]?.example}
                    onChange={(event) => setLine(event.target.value)}
                    onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
                />
                <Button type="submit" look="main">
                    Add
                </Button>
            </div>
            <p id="line-says" aria-live="polite" className="mt-1 min-h-6 text-sm">
                {refused !== null ? (
                    <span className="font-bold text-out">{refused}</span>
                ) : typed === '' ? (
                    <Idle last={last} job={job} examples={examples} onUndone={() => setLast(null)} />
                ) : unclear !== null ? (
                    <span className="text-close">{unclear}</span>
                ) : (
                    preview.data !== undefined && (
                        <>
                            <span className="font-bold">{preview.data.kind_words}</span>: {preview.data.says}
                            {preview.data.minutes > 0 && <span className="text-soft">, {preview.data.minutes} min</span>}
                        </>
                    )
                )}
            </p>
        </form>
    );
}

function Idle({
    last,
    job,
    examples,
    onUndone,
}: {
    last: Schemas['EntryCard'] | null;
    job: string;
    examples: Schemas['ExampleCard'][];
    onUndone: () => void;
}) {
    if (last === null)
        return (
            <span className="hidden text-soft sm:inline">
                Leading words: {examples.map((it) => it.word).join(', ')}. Minutes at the end: “20 min”.
            </span>
        );
    const undo = () =>
        void record(job, { kind: 'withdrawn', text: 'undone at once', corrects: last.id }, `withdraw: ${last.says}`).then(onUndone);
    return (
        <span>
            Added: {last.says}{' '}
            <button type="button" className="text-accent underline" onClick={undo}>
                Undo
            </button>
        </span>
    );
}
