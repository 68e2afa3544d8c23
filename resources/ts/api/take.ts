import { ulid } from 'ulid';
import { isRecord, keepText, parsed, readText } from './storage';
import { api, data, type Schemas } from './client';

/*
 * Asking the server to read the meter. When the answer is lost the reading may or may not be in the record, and the
 * probe may have moved since: so nothing is asked again by itself, and the next press at the same point uses the same
 * identifier. If the first one arrived it is found; if not it is taken now. Never twice.
 */
const KEY = 'ash-bench.asked';

const ofThisTab = () => sessionStorage;

const isAsked = (value: unknown): value is Partial<Record<string, string>> =>
    isRecord(value) && Object.values(value).every((id) => typeof id === 'string');

const asked = (): Partial<Record<string, string>> => parsed(readText(KEY, ofThisTab), isAsked) ?? {};

function remember(place: string, id: string | undefined): void {
    keepText(KEY, JSON.stringify({ ...asked(), [place]: id }), ofThisTab);
}

/** Asks with the identifier that an unanswered press at the same place used, or with a new one. */
export async function askOnce<T>(place: string, ask: (id: string) => Promise<T>): Promise<T> {
    const id = asked()[place] ?? ulid();
    remember(place, id);
    const answer = await ask(id);
    remember(place, undefined);
    return answer;
}

export function take(run: string, what: Omit<Schemas['TakeBody'], 'id' | 'at'>): Promise<Schemas['TakenCard']> {
    const place = [run, what.rail, what.test_point, what.load, what.what].join('\n');
    return askOnce(place, (id) =>
        data(api.POST('/rail-runs/{run}/take', { params: { path: { run } }, body: { ...what, id, at: new Date().toISOString() } })),
    );
}
