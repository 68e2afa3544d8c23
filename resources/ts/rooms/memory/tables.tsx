import { useMutation, useQuery } from '@tanstack/react-query';
import { Fragment, useState } from 'react';
import { api, data, Refusal, words, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { nanoseconds, number } from '../../ui/number';
import { Pins } from './pins';

export function Tables() {
    const tables = useQuery({ queryKey: ['memory-tables'], staleTime: Infinity, queryFn: () => data(api.GET('/memory/tables')) });
    return <Loaded query={tables}>{(page) => <TablesSheet page={page} />}</Loaded>;
}

function TablesSheet({ page }: { page: Schemas['TablesPage'] }) {
    const may = useMayRecord();
    return (
        <Page title="Chips and tests" over="What belongs to no job: may this chip go in, what is missing, what a test is worth">
            {may && <Fit chips={page.chips} />}
            <div className="grid items-start gap-3 lg:grid-cols-[1.4fr_1fr]">
                <Marches page={page} may={may} />
                {may && <Sum />}
            </div>
            <Part title="Chips known here">
                <ul className="grid gap-x-6 text-sm lg:grid-cols-2">
                    {page.chips.map((chip) => (
                        <li key={chip.type}>
                            <span className="font-bold">{chip.type}</span> {chip.words}
                        </li>
                    ))}
                </ul>
                <p className="mt-2 text-sm text-soft">{page.source}</p>
            </Part>
        </Page>
    );
}

const fault = (problem: unknown, pointer: string): string | undefined => (problem instanceof Refusal ? problem.at(pointer) : undefined);

type Chip = Schemas['FitBody']['fitted'];

const toneOf = (verdict: string): string => (verdict === 'drop_in' ? 'text-in' : verdict === 'no' ? 'text-out' : 'text-close');

function Fit({ chips }: { chips: Schemas['ChipCard'][] }) {
    const [values, setValues] = useState<{ fitted: Chip; candidate: Chip; required: string; has: string }>({
        fitted: '4116',
        candidate: '4164',
        required: '',
        has: '',
    });
    const body = {
        fitted: values.fitted,
        candidate: values.candidate,
        ...(values.required.trim() === '' ? {} : { required_access_ns: number(values.required) }),
        ...(values.has.trim() === '' ? {} : { candidate_access_ns: number(values.has) }),
    };
    const fit = useQuery({ queryKey: ['fit', body], retry: false, queryFn: () => data(api.POST('/memory/fit', { body })) });
    const pick = (name: 'fitted' | 'candidate', label: string) => (
        <Field label={label}>
            {(ids) => (
                <select {...ids} value={values[name]} onChange={(event) => setValues({ ...values, [name]: event.target.value as Chip })}>
                    {chips.map((chip) => (
                        <option key={chip.type} value={chip.type}>
                            {chip.type}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
    return (
        <Part title="May this chip go into that socket">
            <div className="grid items-start gap-4 lg:grid-cols-[22rem_1fr]">
                <div className="grid grid-cols-2 gap-3">
                    {pick('fitted', 'The socket is for a')}
                    {pick('candidate', 'The chip is a')}
                    <Field
                        label="Access wanted, ns"
                        inputMode="decimal"
                        value={values.required}
                        error={fault(fit.error, '/required_access_ns')}
                        onChange={(event) => setValues({ ...values, required: event.target.value })}
                    />
                    <Field
                        label="The chip has, ns"
                        inputMode="decimal"
                        value={values.has}
                        error={fault(fit.error, '/candidate_access_ns')}
                        onChange={(event) => setValues({ ...values, has: event.target.value })}
                    />
                    {fit.data !== undefined && (
                        <div className="col-span-2" role="status">
                            <p className={`text-lg font-bold ${toneOf(fit.data.verdict)}`}>{fit.data.words}.</p>
                            <ul className="text-sm">
                                {fit.data.reasons.map((reason) => (
                                    <li key={reason}>{reason}</li>
                                ))}
                            </ul>
                            <p className="mt-1 text-sm text-soft">Check both data sheets before use.</p>
                        </div>
                    )}
                </div>
                {fit.data !== undefined && <Pins fit={fit.data} fitted={values.fitted} candidate={values.candidate} />}
            </div>
        </Part>
    );
}

function Marches({ page, may }: { page: Schemas['TablesPage']; may: boolean }) {
    const [test, setTest] = useState('march-c-');
    const [own, setOwn] = useState('');
    const [size, setSize] = useState({ words: '65536', cycle: '300' });
    const given = own.trim() === '' ? test : own.trim();
    const coverage = useMutation({ mutationFn: (name: string) => data(api.POST('/memory/coverage', { body: { test: name, words: 6 } })) });
    const time = useQuery({
        queryKey: ['march-time', given, size],
        enabled: may,
        retry: false,
        queryFn: () =>
            data(
                api.POST('/memory/time', {
                    body: { test: given, words: number(size.words), cycle_s: nanoseconds(size.cycle) },
                }),
            ),
    });
    return (
        <Part title="March tests">
            <table className="w-full text-sm">
                <caption className="sr-only">March tests and their published coverage</caption>
                <thead>
                    <tr className="border-b border-line [&>th]:px-2">
                        <th scope="col">Test</th>
                        <th scope="col">Operations a word</th>
                        <th scope="col">Published to cover</th>
                    </tr>
                </thead>
                <tbody>
                    {page.tests.map((it) => (
                        <tr key={it.name} className="border-b border-line [&>td]:px-2">
                            <td>
                                <label className="flex min-h-11 items-center gap-2">
                                    <input type="radio" name="march" checked={test === it.name} onChange={() => setTest(it.name)} />
                                    <span>
                                        <span className="font-bold">{it.name}</span>{' '}
                                        <span className="figure-number block text-xs text-soft">
                                            {it.march.split(';').map((element, i) => (
                                                <Fragment key={i}>
                                                    {i > 0 && (
                                                        <>
                                                            ;<wbr />
                                                        </>
                                                    )}
                                                    {element}
                                                </Fragment>
                                            ))}
                                        </span>
                                    </span>
                                </label>
                            </td>
                            <td className="figure-number">{it.operations}</td>
                            <td>{it.covers}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {may && (
                <div className="mt-3 flex flex-col gap-3">
                    <Field
                        label="Or a march of your own"
                        placeholder="{b(w0);u(r0,w1);d(r1,w0)}"
                        className="figure-number"
                        value={own}
                        error={fault(coverage.error, '/test') ?? fault(time.error, '/test')}
                        onChange={(event) => setOwn(event.target.value)}
                    />
                    <div className="flex flex-wrap items-end gap-3">
                        <Button look="main" disabled={coverage.isPending} onClick={() => coverage.mutate(given)}>
                            Try it on 6 words
                        </Button>
                        <div className="w-32">
                            <Field
                                label="Words"
                                inputMode="numeric"
                                value={size.words}
                                error={fault(time.error, '/words')}
                                onChange={(event) => setSize({ ...size, words: event.target.value })}
                            />
                        </div>
                        <div className="w-32">
                            <Field
                                label="Cycle, ns"
                                inputMode="decimal"
                                value={size.cycle}
                                error={fault(time.error, '/cycle_s')}
                                onChange={(event) => setSize({ ...size, cycle: event.target.value })}
                            />
                        </div>
                        {time.data !== undefined && (
                            <p className="pb-2">
                                takes <span className="text-xl font-bold">{time.data.says}</span>
                            </p>
                        )}
                    </div>
                    {coverage.data !== undefined && (
                        <table className="w-full text-sm">
                            <caption className="text-left">
                                {given}: every fault of each class, one at a time, from all zeros and from all ones
                            </caption>
                            <tbody>
                                {coverage.data.rows.map((row) => (
                                    <tr key={row.type} className="border-b border-line [&>td]:px-2">
                                        <th scope="row">{row.type}</th>
                                        <td className="figure-number">
                                            {row.detected} of {row.faults}
                                        </td>
                                        <td className="figure-number font-bold">{row.share}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    )}
                </div>
            )}
        </Part>
    );
}

function Sum() {
    const [text, setText] = useState('bank 0 64\nbank 1 64\nbank 2 64\nbank 3 64');
    const [counted, setCounted] = useState('192');
    const rows = text
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== '');
    const modules = rows.map((line) => {
        const parts = line.split(/\s+/);
        const kib = parts.pop() ?? '';
        return { name: parts.join(' ') || line, kib: number(kib) };
    });
    const sum = useQuery({
        queryKey: ['sum', modules, counted],
        retry: false,
        enabled: rows.length > 0 && counted.trim() !== '',
        queryFn: () => data(api.POST('/memory/sum', { body: { modules, counted_kib: number(counted) } })),
    });
    return (
        <Part title="What is fitted, what is counted">
            <div className="flex flex-col gap-3">
                <Field label="Modules: name and KiB, one a line">
                    {(ids) => <textarea {...ids} rows={5} value={text} onChange={(event) => setText(event.target.value)} />}
                </Field>
                <div className="w-40">
                    <Field
                        label="The machine counts, KiB"
                        inputMode="decimal"
                        value={counted}
                        error={fault(sum.error, '/counted_kib')}
                        onChange={(event) => setCounted(event.target.value)}
                    />
                </div>
                {sum.error !== null && <Notice tone="bad">{words(sum.error)}</Notice>}
                {sum.data !== undefined && (
                    <div role="status">
                        <p className="text-lg font-bold">{sum.data.says}</p>
                        <ul>
                            {sum.data.explanations.map((line) => (
                                <li key={line}>{line}</li>
                            ))}
                        </ul>
                    </div>
                )}
            </div>
        </Part>
    );
}
