import { useState, type RefObject } from 'react';
import { type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { GoesOn, Understood, useLinePreview } from '../../bench/say';
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
    const [last, setLast] = useState<Schemas['EntryStored'] | null>(null);
    const [refused, setRefused] = useState<string | null>(null);
    const preview = useLinePreview(job, line);
    const add = async () => {
        if (line.trim() === '') return;
        const sent = await record(job, { line }, line);
        if (sent.state === 'refused') {
            setRefused(sent.refusal.message);
            return;
        }
        setRefused(null);
        setLine('');
        setLast(sent.state === 'stored' ? sent : null);
    };
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
                    list="line-goes-on"
                    onChange={(event) => setLine(event.target.value)}
                    onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
                />
                <GoesOn id="line-goes-on" preview={preview} />
                <Button type="submit" look="main">
                    Add
                </Button>
            </div>
            <p id="line-says" aria-live="polite" className="mt-1 min-h-6 text-sm">
                {refused !== null ? (
                    <span className="font-bold text-out">{refused}</span>
                ) : line.trim() === '' ? (
                    <Idle last={last} job={job} examples={examples} onUndone={() => setLast(null)} />
                ) : (
                    preview !== undefined && <Understood preview={preview} />
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
    last: Schemas['EntryStored'] | null;
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
    const undo = async () => {
        for (const id of [last.also, last.entry.id])
            if (id) await record(job, { kind: 'withdrawn', text: 'undone at once', corrects: id }, `withdraw: ${last.entry.says}`);
        onUndone();
    };
    return (
        <span>
            Added: {last.entry.says}
            {last.doubt ? <span className="text-close"> (as an observation: {last.doubt})</span> : null}{' '}
            <button type="button" className="text-accent underline" onClick={() => void undo()}>
                Undo
            </button>
        </span>
    );
}
