import { useState } from 'react';
import { ulid } from 'ulid';
import { api, data, Refusal, words as said, type Schemas } from '../../api/client';
import { Button, Notice } from '../../ui/controls';
import { Select } from '../../ui/select';

type Role = Schemas['LineRoleCard'];
type Sort = Schemas['LineSortCard'];

/** A line that nobody understood: what kind of line it is, what its words say, and what that makes of the whole text, before it is kept. */
export function Teach({
    source,
    line,
    sorts,
    onTaught,
    onLeave,
}: {
    source: Schemas['SourceCard'];
    line: Schemas['ReadLine'];
    sorts: Sort[];
    onTaught: (next: Schemas['SourceCard']) => void;
    onLeave: () => void;
}) {
    const [sort, setSort] = useState<Sort['value']>(sorts[0]?.value ?? 'error');
    const [marks, setMarks] = useState<{ word: number; role: Role['value'] }[]>([]);
    const [word, setWord] = useState<number | null>(null);
    const [tried, setTried] = useState<Schemas['TaughtCard'] | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [id] = useState(ulid);
    const roles = sorts.find((it) => it.value === sort)?.roles ?? [];
    const mark = (at: number, role: Role['value'] | null) => {
        setTried(null);
        // A word has one meaning, and a meaning one word.
        setMarks((now) => {
            const others = now.filter((it) => it.word !== at && it.role !== role);
            return role === null ? others : [...others, { word: at, role }];
        });
    };
    const send = (keep: boolean, tester: boolean) => {
        setProblem(null);
        const body = {
            line: line.text,
            sort,
            marks,
            ...(keep ? { id, tester } : {}),
        };
        void data(api.POST('/memory-sources/{source}/lines', { params: { path: { source: source.id } }, body })).then(
            (answer) => (keep ? onTaught(answer.source) : setTried(answer)),
            (caught: unknown) => setProblem(caught instanceof Refusal ? caught.message : said(caught)),
        );
    };
    return (
        <section aria-label={`Teach line ${line.line}`} className="flex flex-col gap-3 rounded border border-line bg-raised p-3">
            <Select
                label="This line is"
                value={sort}
                options={sorts.map((it) => [it.value, it.words] as const)}
                onChange={(next) => {
                    setSort(next);
                    setMarks([]);
                    setTried(null);
                }}
            />
            <div role="group" aria-label="Words of the line" className="flex flex-wrap gap-2">
                {line.words.map((it, at) => {
                    const role = roles.find((one) => one.value === marks.find((mark) => mark.word === at)?.role);
                    return (
                        <button
                            key={`${at} ${it}`}
                            type="button"
                            aria-pressed={word === at}
                            className={`min-h-11 rounded border px-2 text-left ${role === undefined ? 'border-line' : 'border-accent bg-accent-wash'}`}
                            onFocus={() => setWord(at)}
                            onClick={() => setWord(at)}
                            onKeyDown={(event) => {
                                const by = roles.find((one) => one.key === event.key);
                                if (by !== undefined) mark(at, by.value);
                                else if (event.key === 'Backspace') mark(at, null);
                                else return;
                                event.preventDefault();
                                event.stopPropagation();
                            }}
                        >
                            <span className="figure-number">{it}</span>
                            {role !== undefined && <span className="block text-sm">{role.words}</span>}
                        </button>
                    );
                })}
            </div>
            {roles.length > 0 && (
                <div role="group" aria-label="What the chosen word says" className="flex flex-wrap items-center gap-2">
                    <span className="text-sm text-soft">
                        {word === null ? 'Choose a word, then say what it is:' : `"${line.words[word] ?? ''}" is`}
                    </span>
                    {roles.map((role) => (
                        <Button key={role.value} disabled={word === null} onClick={() => word !== null && mark(word, role.value)}>
                            {role.words} <kbd>{role.key}</kbd>
                        </Button>
                    ))}
                </div>
            )}
            {problem !== null && (
                <Notice tone="bad" live>
                    {problem}
                </Notice>
            )}
            {tried !== null && (
                <div role="status" aria-label="What it makes of the text">
                    <p>
                        Looks for: <span className="figure-number">{tried.pattern}</span>
                    </p>
                    <p>
                        It fits {tried.lines} lines. {tried.says}.
                    </p>
                    <ol tabIndex={0} aria-label="Lines that it fits" className="figure-number max-h-32 overflow-auto text-sm">
                        {tried.fits.map((it, at) => (
                            <li key={`${at} ${it}`}>{it}</li>
                        ))}
                    </ol>
                </div>
            )}
            <div className="flex flex-wrap gap-3">
                <Button look={tried === null ? 'main' : 'plain'} onClick={() => send(false, false)}>
                    Try it on the text
                </Button>
                {tried !== null && (
                    <>
                        <Button look="main" onClick={() => send(true, false)}>
                            Keep it with this machine
                        </Button>
                        {source.kind === 'capture' && <Button onClick={() => send(true, true)}>Keep it with the tester</Button>}
                    </>
                )}
                <Button onClick={onLeave}>Leave it</Button>
            </div>
        </section>
    );
}
