import { ulid } from 'ulid';
import { useSyncExternalStore } from 'react';
import { isRecord, keepText, parsed, readText } from './storage';
import { boardAtHand } from './at-hand';
import { api, data, Refusal, Unreachable, type Schemas } from './client';

type ByKind = Schemas['EntryDataByKind'];
type Said = Pick<Schemas['EntryBody'], 'stage' | 'text' | 'minutes' | 'corrects' | 'board'>;

/** What is written down: an entry of a kind with that kind's data, or a line that the server reads. */
export type Written = Said & ({ line: string } | { [K in keyof ByKind]: { kind: K; data?: ByKind[K] } }[keyof ByKind]);

/** An entry whose kind and fields the server named: it checks them again as they come back. */
export const anew = (kind: string, data: Record<string, unknown>, said: Said = {}): Written => ({ ...said, kind, data }) as Written;

/**
 * Entries on their way into the record. Each is written to the browser's storage before it is sent and stays there
 * until the server has acknowledged it. Its identifier is made here, so sending it twice stores it once.
 */
export interface Unsent {
    id: string;
    job: string;
    person: string;
    says: string;
    body: Schemas['EntryBody'];
    /** the run and the step that a reading belongs to */
    run?: string;
    step?: string;
    /** why the server would not take it; such an entry is shown until someone throws it away */
    refused?: string;
}

export type Sent = ({ state: 'stored' } & Schemas['EntryStored']) | { state: 'unsent' } | { state: 'refused'; refusal: Refusal };

const KEY = 'ash-bench.unsent';
const RETRY_MS = 2000;
const listeners = new Set<() => void>();
let person = '';
let seen = '';
let held: Unsent[] = [];
let shown: Unsent[] = [];
let shownFor = '';
/** First attempts that are on their way: they are kept like the others and only shown when they do not arrive. */
const onTheWay = new Set<string>();
let timer: number | undefined;
let whenSent: (job: string) => void = () => undefined;

const isUnsent = (it: unknown): it is Unsent =>
    isRecord(it) &&
    ['id', 'job', 'person', 'says'].every((name) => typeof it[name] === 'string') &&
    ['run', 'step', 'refused'].every((name) => it[name] === undefined || typeof it[name] === 'string') &&
    isRecord(it['body']);

function read(): Unsent[] {
    const text = readText(KEY) ?? '[]';
    if (text !== seen) {
        seen = text;
        const list = parsed(text, Array.isArray) as unknown[] | null;
        held = (list ?? []).filter(isUnsent);
        // What this program cannot send is not thrown away: it stays beside, for whoever looks for it.
        if (list === null || held.length !== list.length) keepText(`${KEY}.unread`, text);
    }
    return held;
}

function visible(): Unsent[] {
    const entries = read();
    const key = `${seen} ${[...onTheWay].join(' ')}`;
    if (key !== shownFor) {
        shownFor = key;
        shown = entries.filter((entry) => !onTheWay.has(entry.id));
    }
    return shown;
}

function write(change: (entries: Unsent[]) => Unsent[]): void {
    keepText(KEY, JSON.stringify(change(read())));
    listeners.forEach((listener) => listener());
}

const drop = (id: string) => write((entries) => entries.filter((entry) => entry.id !== id));

async function send(entry: Unsent): Promise<Sent> {
    try {
        const stored = await data(api.POST('/jobs/{job}/entries', { params: { path: { job: entry.job } }, body: entry.body }));
        drop(entry.id);
        return { state: 'stored', ...stored };
    } catch (problem) {
        if (problem instanceof Unreachable || (problem instanceof Refusal && [401, 419, 429, 500].includes(problem.status)))
            return { state: 'unsent' };
        if (problem instanceof Refusal) return { state: 'refused', refusal: problem };
        throw problem;
    }
}

function later(): void {
    window.clearTimeout(timer);
    timer = window.setTimeout(() => void flush(), RETRY_MS);
}

/** Sends what is kept, oldest first, one at a time and from one tab at a time. */
export async function flush(): Promise<void> {
    await navigator.locks.request('ash-bench.outbox', { ifAvailable: true }, async (lock) => {
        if (lock === null) return later();
        for (const entry of read().filter((it) => it.refused === undefined && it.person === person)) {
            const sent = await send(entry);
            if (sent.state === 'unsent') return later();
            if (sent.state === 'refused') {
                const refused = sent.refusal.message;
                write((entries) => entries.map((it) => (it.id === entry.id ? { ...it, refused } : it)));
            }
            whenSent(entry.job);
        }
    });
}

/** Takes the entry into the outbox, then tries to send it. */
export async function record(job: string, body: Written, says: string, step?: { run: string; step: string }): Promise<Sent> {
    const id = ulid();
    // What corrects an entry is about that entry's board.
    const board = body.corrects === undefined ? boardAtHand(job) : undefined;
    const about = board === undefined ? {} : { board };
    const entry: Unsent = { id, job, person, says, body: { ...about, ...body, id, at: new Date().toISOString() }, ...step };
    onTheWay.add(id);
    write((entries) => [...entries, entry]);
    const sent = await send(entry).finally(() => {
        onTheWay.delete(id);
        listeners.forEach((listener) => listener());
    });
    if (sent.state === 'unsent') later();
    if (sent.state === 'refused') drop(id);
    if (sent.state === 'stored') whenSent(job);
    return sent;
}

export const discard = drop;

/** Who is signed in: entries that another person left in this browser wait for that person. */
export function openOutbox(who: string, sent: (job: string) => void): void {
    person = who;
    whenSent = sent;
    void flush();
}

function subscribe(listener: () => void): () => void {
    listeners.add(listener);
    window.addEventListener('storage', listener);
    return () => {
        listeners.delete(listener);
        window.removeEventListener('storage', listener);
    };
}

export function useUnsent(job?: string): Unsent[] {
    const all = useSyncExternalStore(subscribe, visible);
    return job === undefined ? all : all.filter((entry) => entry.job === job);
}

window.addEventListener('online', () => void flush());
