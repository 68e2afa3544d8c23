import { Tabs } from 'radix-ui';
import { useEffect, useRef, useState, type ReactNode, type RefObject } from 'react';
import { ulid } from 'ulid';
import { api, data, Refusal, words, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useKeys } from '../../ui/keys';
import { choices, Select } from '../../ui/select';
import { ConditionFields, conditionOf, NO_CONDITION } from './condition';
import { SourceReport } from './source';
import { TesterChoice } from './testers';

type Radix = Schemas['MemoryMapCard']['radix'];

/** A test's errors come in: typed or pasted, from a file, or live. Nothing is in the record until it is kept. */
export function Intake({
    page,
    map,
    source,
    onSource,
    onKept,
}: {
    page: Schemas['MemoryPage'];
    map: Schemas['MemoryMapCard'];
    source: Schemas['SourceCard'] | undefined;
    onSource: (id: string | null, card?: Schemas['SourceCard']) => void;
    onKept: () => void;
}) {
    const [tab, setTab] = useState(page.listening === null ? 'text' : 'tester');
    const [text, setText] = useState('');
    const [pattern, setPattern] = useState<Schemas['SourceCard']['pattern']>('none');
    const [radix, setRadix] = useState(String(map.radix));
    const [tested, setTested] = useState(map.banks);
    const [port, setPort] = useState(page.ports[0]?.id ?? '');
    const [condition, setCondition] = useState(NO_CONDITION);
    const [faults, setFaults] = useState<Schemas['Fault'][]>([]);
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const area = useRef<HTMLTextAreaElement>(null);
    const settings = {
        radix: Number(radix) as Radix,
        pattern,
        tested,
    };
    // What is typed is read one text after the other: an answer to an earlier one must not come after that to a later one.
    const typed = useRef<string | null>(null);
    const reading = useRef(false);
    const wanted = useRef(false);
    const latest = useRef(() => {});
    const ask = (answer: Promise<Schemas['SourceCard']>): Promise<void> => {
        setBusy(true);
        setProblem(null);
        return answer.then(
            (card) => {
                typed.current = card.kind === 'text' ? card.id : null;
                onSource(card.id, card);
                setBusy(false);
            },
            (caught: unknown) => {
                setProblem(caught instanceof Refusal ? caught.message : words(caught));
                setBusy(false);
            },
        );
    };
    const read = () => {
        const now = area.current?.value ?? text;
        if (now.trim() === '') return;
        wanted.current = reading.current;
        if (reading.current) return;
        reading.current = true;
        const body = { ...settings, text: now };
        void ask(
            typed.current === null
                ? data(
                      api.POST('/jobs/{job}/memory-sources', {
                          params: { path: { job: page.job.id } },
                          body: { ...body, id: ulid(), map: map.key },
                      }),
                  )
                : data(api.PUT('/memory-sources/{source}', { params: { path: { source: typed.current } }, body })),
        ).then(() => {
            reading.current = false;
            if (wanted.current) latest.current();
        });
    };
    useEffect(() => {
        latest.current = read;
    });
    const leave = () => {
        typed.current = null;
        onSource(null);
    };
    const file = (chosen: File | undefined) => {
        if (chosen === undefined) return;
        if (chosen.size > page.most_file) return setProblem('The file is too long to be taken. Split it, or hand in the first part.');
        const form = new FormData();
        form.append('id', ulid());
        form.append('map', map.key);
        form.append('radix', radix);
        form.append('pattern', pattern);
        form.append('tested', tested.join(','));
        form.append('file', chosen);
        void ask(
            data(
                api.POST('/jobs/{job}/memory-sources/csv', {
                    params: { path: { job: page.job.id } },
                    body: form as unknown as Schemas['MemoryCsvBody'],
                    bodySerializer: (body) => body as unknown as FormData,
                }),
            ),
        );
    };
    const listen = () => {
        if (source?.active === true)
            return void ask(data(api.POST('/memory-sources/{source}/stop', { params: { path: { source: source.id } } })));
        setTab('tester');
        void ask(
            data(
                api.POST('/jobs/{job}/captures', {
                    params: { path: { job: page.job.id } },
                    body: { ...settings, id: ulid(), map: map.key, port },
                }),
            ),
        );
    };
    const keep = () => {
        if (source === undefined || source.active) return;
        if (reading.current) return setProblem('It is being read: keep it when that is done.');
        void record(
            page.job.id,
            { kind: 'memory', minutes: 0, data: { source: source.id, condition: conditionOf(condition) } },
            `memory test: ${source.located.errors} errors`,
        ).then((sent) => {
            setFaults(sent.state === 'refused' ? sent.refusal.faults : []);
            if (sent.state === 'refused') return setProblem(sent.refusal.message);
            setText('');
            leave();
            onKept();
        });
    };
    useKeys({
        t: () => {
            setTab('text');
            window.setTimeout(() => area.current?.focus());
        },
        m: () => page.ports.length > 0 && listen(),
        k: keep,
    });
    return (
        <Part title="What the test says">
            <div className="flex flex-col gap-3">
                <Settings
                    page={page}
                    banks={map.banks}
                    pattern={pattern}
                    setPattern={setPattern}
                    radix={radix}
                    setRadix={setRadix}
                    tested={tested}
                    setTested={setTested}
                />
                <WaysIn
                    page={page}
                    tab={tab}
                    setTab={setTab}
                    listening={source?.active === true}
                    busy={busy}
                    port={port}
                    setPort={setPort}
                    onFile={file}
                    onListen={listen}
                >
                    <TextIn
                        text={text}
                        setText={setText}
                        most={page.most_text}
                        area={area}
                        read={read}
                        busy={busy}
                        setProblem={setProblem}
                    />
                </WaysIn>
                {problem !== null && (
                    <Notice tone="bad" live>
                        {problem}
                    </Notice>
                )}
                {source !== undefined && (
                    <>
                        <SourceReport
                            source={source}
                            may
                            sorts={page.line_sorts}
                            onChange={(next) => {
                                setRadix(String(next.radix));
                                onSource(next.id, next);
                            }}
                        />
                        <ConditionFields condition={condition} onChange={setCondition} faults={faults} />
                        <div className="flex flex-wrap gap-3">
                            <Button look="main" disabled={source.active || busy} onClick={keep}>
                                Keep this run <kbd>k</kbd>
                            </Button>
                            <Button disabled={source.active} onClick={leave}>
                                Throw it away
                            </Button>
                        </div>
                    </>
                )}
            </div>
        </Part>
    );
}

/** How what comes in is to be read. */
function Settings({
    page,
    banks,
    pattern,
    setPattern,
    radix,
    setRadix,
    tested,
    setTested,
}: {
    page: Schemas['MemoryPage'];
    banks: string[];
    pattern: Schemas['SourceCard']['pattern'];
    setPattern: (pattern: Schemas['SourceCard']['pattern']) => void;
    radix: string;
    setRadix: (radix: string) => void;
    tested: string[];
    setTested: (tested: string[]) => void;
}) {
    return (
        <div className="flex flex-wrap items-end gap-3">
            <Select
                label="Pattern"
                value={pattern}
                options={choices<Schemas['SourceCard']['pattern']>(page.patterns)}
                onChange={setPattern}
            />
            <Select label="Numbers are" value={radix} options={choices(page.radices)} onChange={setRadix} />
            <fieldset className="flex flex-wrap items-center gap-3">
                <legend className="text-sm font-bold">Banks tested</legend>
                {banks.map((bank) => (
                    <label key={bank} className="flex min-h-11 items-center gap-1.5">
                        <input
                            type="checkbox"
                            checked={tested.includes(bank)}
                            onChange={(event) =>
                                setTested(banks.filter((it) => (it === bank ? event.target.checked : tested.includes(it))))
                            }
                        />
                        {bank}
                    </label>
                ))}
            </fieldset>
        </div>
    );
}

/** Typed or pasted, from a file, or live. */
function WaysIn({
    page,
    tab,
    setTab,
    listening,
    busy,
    port,
    setPort,
    onFile,
    onListen,
    children,
}: {
    page: Schemas['MemoryPage'];
    tab: string;
    setTab: (tab: string) => void;
    listening: boolean;
    busy: boolean;
    port: string;
    setPort: (port: string) => void;
    onFile: (chosen: File | undefined) => void;
    onListen: () => void;
    children: ReactNode;
}) {
    return (
        <Tabs.Root value={tab} onValueChange={setTab}>
            <Tabs.List aria-label="Where it comes from" className="flex border-b border-line">
                {[
                    ['text', 'Type or paste'],
                    ['file', 'CSV file'],
                    ['tester', 'From the tester'],
                ].map(([value, says]) => (
                    <Tabs.Trigger
                        key={value}
                        value={value ?? ''}
                        className="min-h-11 border-b-4 border-transparent px-3 data-[state=active]:border-accent data-[state=active]:font-bold"
                    >
                        {says}
                    </Tabs.Trigger>
                ))}
            </Tabs.List>
            <Tabs.Content value="text" className="pt-3">
                {children}
            </Tabs.Content>
            <Tabs.Content value="file" className="pt-3">
                <Field label="CSV with a header row: address, expected, actual; or address, xor; or bank, bit; or ref">
                    {(ids) => (
                        <input
                            {...ids}
                            type="file"
                            accept=".csv,text/csv,text/plain"
                            aria-label="CSV file"
                            onChange={(event) => {
                                onFile(event.target.files?.[0]);
                                event.target.value = '';
                            }}
                        />
                    )}
                </Field>
                {busy && <p className="pt-1 text-soft">reading the file</p>}
            </Tabs.Content>
            <Tabs.Content value="tester" className="pt-3">
                {page.ports.length === 0 ? (
                    <p>No serial port is set up. A lead adds one under Meters.</p>
                ) : (
                    <div className="flex flex-wrap items-center gap-3">
                        <TesterChoice ports={page.ports} chosen={port} onChoose={setPort} />
                        <Button look="main" disabled={busy} onClick={onListen}>
                            {listening ? 'Stop listening' : 'Listen'} <kbd>m</kbd>
                        </Button>
                    </div>
                )}
            </Tabs.Content>
        </Tabs.Root>
    );
}

/** Enter reads at once, so that errors can be typed one after the other; Shift and Enter only begin a new line. */
function TextIn({
    text,
    setText,
    most,
    area,
    read,
    busy,
    setProblem,
}: {
    text: string;
    setText: (text: string) => void;
    most: number;
    area: RefObject<HTMLTextAreaElement | null>;
    read: () => void;
    busy: boolean;
    setProblem: (problem: string | null) => void;
}) {
    const tooLong = 'That is too long to paste. Hand it in as a file.';
    return (
        <div className="flex flex-col gap-2">
            <Field label="Address, expected, actual; or the chip that the test names; one a line">
                {(ids) => (
                    <textarea
                        {...ids}
                        ref={area}
                        value={text}
                        spellCheck={false}
                        className="figure-number"
                        placeholder={'1A3F 55 51\nU32'}
                        onPaste={(event) => {
                            if (event.clipboardData.getData('text').length <= most) return;
                            event.preventDefault();
                            setProblem(tooLong);
                        }}
                        onChange={(event) => setText(event.target.value)}
                        onKeyDown={(event) => {
                            if (event.key === 'Enter' && !event.shiftKey) read();
                        }}
                    />
                )}
            </Field>
            <div>
                <Button look="main" disabled={busy} onClick={read}>
                    Read it <kbd>Enter</kbd>
                </Button>
            </div>
        </div>
    );
}
