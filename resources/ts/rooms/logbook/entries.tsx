import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { useUnsent } from '../../api/outbox';
import { VerdictMark } from '../../bench/verdict';
import { Part } from '../../ui/controls';
import { clock, day } from '../../ui/when';
import { Correct } from './correct';
import { Overrule } from './overrule';

type Entry = Schemas['EntryCard'];

/** Entries in time order, day by day. A corrected one stays, struck through, with the one that corrects it. */
export function Entries({ page, may }: { page: Schemas['JobPage']; may: boolean }) {
    const [correcting, setCorrecting] = useState<Entry | null>(null);
    const [overruling, setOverruling] = useState<Entry | null>(null);
    const unsent = useUnsent(page.job.id);
    return (
        <Part title="Entries" aside={page.entries.length > 12 && <a href="#latest">To the latest</a>}>
            {page.entries.length === 0 && <p className="text-soft">No entry yet. The symptom comes first, in the owner's words.</p>}
            <EntryDays entries={page.entries} onCorrect={may ? setCorrecting : null} onOverrule={may ? setOverruling : null} />
            {unsent.length > 0 && (
                <ul className="mt-2 border-l-4 border-close pl-3">
                    {unsent.map((it) => (
                        <li key={it.id}>
                            <span className="font-bold text-close">unsent</span> {it.says}
                        </li>
                    ))}
                </ul>
            )}
            <span id="latest" />
            {overruling !== null && <Overrule entry={overruling} onClose={() => setOverruling(null)} />}
            {correcting !== null && <Correct entry={correcting} onClose={() => setCorrecting(null)} />}
        </Part>
    );
}

type Act = ((entry: Entry) => void) | null;

export function EntryDays({ entries, onCorrect, onOverrule = null }: { entries: Entry[]; onCorrect: Act; onOverrule?: Act }) {
    const days = Map.groupBy(entries, (entry) => day(entry.at));
    return [...days].map(([name, list]) => (
        <section key={name} className="grid gap-x-4 border-t border-line py-1.5 first-of-type:border-t-0 lg:grid-cols-[7.5rem_1fr]">
            <h3 className="text-sm font-bold text-soft lg:pt-1">{name}</h3>
            <ol>
                {list.map((entry) => (
                    <Row key={entry.id} entry={entry} onCorrect={onCorrect} onOverrule={onOverrule} />
                ))}
            </ol>
        </section>
    ));
}

const EDGES: Partial<Record<string, string>> = {
    hazard: 'text-out',
    waiting: 'text-close',
    gate: 'text-out',
    outcome: 'text-accent',
    part: 'text-accent',
};

function Row({ entry, onCorrect, onOverrule }: { entry: Entry; onCorrect: Act; onOverrule: Act }) {
    const later = entry.corrected_by !== null;
    return (
        <li id={entry.id} className="group grid grid-cols-[3.4rem_1fr] items-baseline sm:grid-cols-[3.4rem_8.5rem_1fr_auto] gap-x-3 py-0.5">
            <span className="text-sm text-soft">{clock(entry.at)}</span>
            <span className={`text-sm font-bold ${EDGES[entry.kind] ?? ''}`}>{entry.kind_words}</span>
            <span className="col-start-2 min-w-0 sm:col-start-3">
                <span className={later ? 'text-soft line-through' : ''}>
                    {entry.says}{' '}
                    {entry.verdict !== null && (
                        <span className="inline-block align-middle">
                            <VerdictMark verdict={entry.verdict} size={13} />
                        </span>
                    )}
                </span>
                {entry.overruled !== null && (
                    <span className="block border-l-4 border-close pl-2">
                        Overruled by {entry.overruled.by}: <span className="font-bold">{entry.overruled.says}</span>, because{' '}
                        {entry.overruled.reason}
                    </span>
                )}
                {later && <span className="text-sm text-soft"> corrected later</span>}
                {entry.corrects_id !== null && <span className="text-sm text-soft"> corrects an earlier entry</span>}
            </span>
            <span className="col-start-2 text-sm whitespace-nowrap text-soft sm:col-start-4">
                {entry.minutes > 0 && `${entry.minutes} min, `}
                {entry.author}
                {onOverrule !== null && !later && entry.verdict !== null && (
                    <button
                        type="button"
                        className="ml-2 min-h-6 text-accent underline"
                        aria-label={`Overrule: ${entry.says}`}
                        onClick={() => onOverrule(entry)}
                    >
                        overrule
                    </button>
                )}
                {onCorrect !== null && !later && entry.kind !== 'withdrawn' && (
                    <button
                        type="button"
                        className="ml-2 min-h-6 text-accent underline"
                        aria-label={`Correct: ${entry.says}`}
                        onClick={() => onCorrect(entry)}
                    >
                        correct
                    </button>
                )}
            </span>
        </li>
    );
}
