import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { number } from '../../ui/number';
import { Loaded, Page } from '../../ui/page';
import { useIsLead } from '../../ui/session';
import { dayAndClock } from '../../ui/when';
import { asFile, Normalise, plain, Refused, save } from './library';
import { TestOf } from './test-of';

export type Document = Schemas['LibraryDocument'];
/** All of it but one. */
export const without = <T,>(all: Record<string, T>, gone: string): Record<string, T> =>
    Object.fromEntries(Object.entries(all).filter(([name]) => name !== gone));
export type Change = (change: (to: Document) => void) => void;

/** A symptom of the library: its causes, its tests, how likely each outcome is; a lead changes it here. */
export function Symptom() {
    const { symptom = '' } = useParams();
    const [params] = useSearchParams();
    const revision = params.get('revision');
    const page = useQuery({
        queryKey: ['library', symptom, revision],
        placeholderData: keepPreviousData,
        queryFn: () =>
            data(
                api.GET('/library/{symptom}', {
                    params: { path: { symptom }, query: revision === null ? {} : { revision: number(revision) } },
                }),
            ),
    });
    return <Loaded query={page}>{(it) => <Sheet key={`${it.document.id} ${it.shown} ${it.revision}`} page={it} />}</Loaded>;
}

function Sheet({ page }: { page: Schemas['LibraryPage'] }) {
    const lead = useIsLead();
    const [document, setDocument] = useState(page.document);
    const change: Change = (make) =>
        setDocument((was) => {
            const next = structuredClone(was);
            make(next);
            return next;
        });
    return (
        <Page title={document.name} over={<Link to="/library">Library of symptoms</Link>}>
            {page.shown !== page.revision && (
                <Notice tone="care">
                    As of revision {page.shown}; revision {page.revision} stands.{' '}
                    <Link to={`/library/${document.id}`}>The one that stands</Link>
                </Notice>
            )}
            <Part title="What is seen">
                <div className="grid gap-3 lg:grid-cols-2">
                    <Said label="Name" value={document.name} lead={lead} set={(name) => change((it) => (it.name = name))} />
                    <Said label="Look first" value={document.first} lead={lead} set={(first) => change((it) => (it.first = first))} />
                </div>
            </Part>
            <Causes document={document} change={change} lead={lead} />
            <Part title="Tests">
                {document.tests.map((test, at) => (
                    <TestOf key={test.id} document={document} at={at} change={change} lead={lead} />
                ))}
                {lead && <AnotherTest change={change} />}
            </Part>
            {lead && <Keep document={document} page={page} />}
            <Part title="Revisions">
                <ol>
                    {page.revisions.map((it) => (
                        <li key={it.revision}>
                            <Link to={`/library/${document.id}?revision=${it.revision}`}>{it.revision}</Link>: {it.why}{' '}
                            <span className="text-soft">
                                ({it.author}, {dayAndClock(it.at)})
                            </span>
                        </li>
                    ))}
                    <li>
                        <Link to={`/library/${document.id}?revision=0`}>0</Link>: as it ships
                    </li>
                </ol>
            </Part>
        </Page>
    );
}

/** A field for a lead, words for everybody else. What is typed is kept by the browser: a figure is none while it is half typed. */
export function Said({
    label,
    value,
    lead,
    set,
    short,
}: {
    label: string;
    value: string;
    lead: boolean;
    set: (next: string) => void;
    short?: true;
}) {
    if (lead) return <Field label={label} defaultValue={value} size={short ? 10 : 40} onChange={(event) => set(event.target.value)} />;
    return (
        <p>
            <span className="text-sm font-bold">{label}</span>
            <br />
            {value}
        </p>
    );
}

function Causes({ document, change, lead }: { document: Document; change: Change; lead: boolean }) {
    const [another, setAnother] = useState('');
    return (
        <Part title="Causes">
            <ul className="divide-y divide-line">
                {document.causes.map((cause, at) => (
                    <li key={cause.id} className="flex flex-wrap items-end gap-3 py-2">
                        <span className="w-48 self-center font-bold">{cause.id.replaceAll('_', ' ')}</span>
                        <Said
                            label={`Weight of ${cause.id}`}
                            short
                            lead={lead}
                            value={`${cause.weight}`}
                            set={(typed) => change((it) => (it.causes[at] = { ...cause, weight: number(typed) }))}
                        />
                        <Said
                            label="Part"
                            short
                            lead={lead}
                            value={cause.part ?? ''}
                            set={(typed) => change((it) => (it.causes[at] = { ...cause, part: typed === '' ? null : typed }))}
                        />
                        <Said
                            label="How it shows"
                            lead={lead}
                            value={cause.shows}
                            set={(shows) => change((it) => (it.causes[at] = { ...cause, shows }))}
                        />
                        {lead && (
                            <Button
                                look="quiet"
                                aria-label={`Take out ${cause.id}`}
                                onClick={() =>
                                    change((it) => {
                                        it.causes.splice(at, 1);
                                        it.tests.forEach((test) => (test.likelihood = without(test.likelihood, cause.id)));
                                    })
                                }
                            >
                                Take out
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {lead && (
                <form
                    className="mt-2 flex flex-wrap items-end gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        change((it) => it.causes.push({ id: plain(another), weight: 1, shows: another }));
                        setAnother('');
                    }}
                >
                    <Field label="Another cause" value={another} onChange={(event) => setAnother(event.target.value)} />
                    <Button type="submit" disabled={plain(another) === ''}>
                        Add it
                    </Button>
                </form>
            )}
        </Part>
    );
}

function AnotherTest({ change }: { change: Change }) {
    const [name, setName] = useState('');
    const [outcomes, setOutcomes] = useState('');
    const named = outcomes
        .split(',')
        .map(plain)
        .filter((it) => it !== '');
    return (
        <form
            className="mt-3 flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                change((it) => it.tests.push({ id: plain(name), minutes: 5, outcomes: named, needs: [], likelihood: {} }));
                setName('');
                setOutcomes('');
            }}
        >
            <Field label="Another test" placeholder="reseat the card" value={name} onChange={(event) => setName(event.target.value)} />
            <Field label="Its outcomes" placeholder="cured, same" value={outcomes} onChange={(event) => setOutcomes(event.target.value)} />
            <Button type="submit" disabled={plain(name) === '' || named.length === 0}>
                Add it
            </Button>
        </form>
    );
}

function Keep({ document, page }: { document: Document; page: Schemas['LibraryPage'] }) {
    const client = useQueryClient();
    const [, setParams] = useSearchParams();
    const [why, setWhy] = useState(page.shown === page.revision ? '' : `back to revision ${page.shown}`);
    const [normalise, setNormalise] = useState(false);
    const form = useSend(
        () => save(asFile(document), { why, normalise, over: page.revision }),
        () => {
            setParams({}, { replace: true });
            void client.invalidateQueries();
        },
    );
    return (
        <Part title="Keep it">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void form.submit();
                }}
            >
                <Field label="Why" value={why} size={40} onChange={(event) => setWhy(event.target.value)} error={form.at('/why')} />
                <Normalise value={normalise} set={setNormalise} />
                <Button type="submit" look="main" disabled={form.busy}>
                    Keep as a revision
                </Button>
            </form>
            <Refused form={form} />
        </Part>
    );
}
