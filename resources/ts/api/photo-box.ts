import { createStore, delMany, entries, set } from 'idb-keyval';
import { useSyncExternalStore } from 'react';
import { api, data, Refusal, Unreachable, type Schemas } from './client';

/** A picture on its way into the record: kept by this browser until the server has it. Its identifiers are made here, so it is stored once. */
export interface WaitingPhoto {
    id: string;
    entry: string;
    at: string;
    job: string;
    person: string;
    caption: string;
    of: string;
    phase: string;
    name: string;
    file: Blob;
    refused?: string;
}

const RETRY_MS = 3000;
const store = createStore('ash-bench', 'photos');
const listeners = new Set<() => void>();
let waiting: WaitingPhoto[] = [];
let person = '';
let timer: number | undefined;
let whenTaken: (job: string, photos: Schemas['PhotoCard'][]) => void = () => undefined;

async function load(): Promise<void> {
    waiting = (await entries<string, WaitingPhoto>(store)).map(([, it]) => it).sort((a, b) => (a.id < b.id ? -1 : 1));
    listeners.forEach((listener) => listener());
}

async function send(it: WaitingPhoto): Promise<'taken' | 'waits' | Refusal> {
    const form = new FormData();
    for (const field of ['id', 'entry', 'at', 'caption', 'of', 'phase'] as const) if (it[field] !== '') form.set(field, it[field]);
    form.set('file', it.file, it.name);
    try {
        const photos = await data(
            api.POST('/jobs/{job}/photos', {
                params: { path: { job: it.job } },
                body: form as never,
                bodySerializer: (body: unknown) => body as FormData,
            }),
        );
        whenTaken(it.job, photos);
        return 'taken';
    } catch (problem) {
        if (problem instanceof Unreachable || (problem instanceof Refusal && [401, 419, 429, 500].includes(problem.status))) return 'waits';
        if (problem instanceof Refusal) return problem;
        throw problem;
    }
}

/** Sends what waits, oldest first, from one tab at a time. */
export async function flushPhotos(): Promise<void> {
    await navigator.locks.request('ash-bench.photos', { ifAvailable: true }, async (lock) => {
        if (lock === null) return;
        for (const it of waiting.filter((one) => one.person === person && one.refused === undefined)) {
            const sent = await send(it);
            if (sent === 'waits') {
                window.clearTimeout(timer);
                timer = window.setTimeout(() => void flushPhotos(), RETRY_MS);
                return;
            }
            if (sent === 'taken') await delMany([it.id], store);
            else await set(it.id, { ...it, refused: sent.message }, store);
            await load();
        }
    });
}

/** Keeps a picture, then tries to send it. */
export async function takePhoto(photo: Omit<WaitingPhoto, 'person'>): Promise<'taken' | 'waits' | Refusal> {
    const it = { ...photo, person };
    await set(it.id, it, store);
    const sent = await send(it);
    if (sent !== 'waits') await delMany([it.id], store);
    await load();
    if (sent === 'waits') timer = window.setTimeout(() => void flushPhotos(), RETRY_MS);
    return sent;
}

export async function discardPhoto(id: string): Promise<void> {
    await delMany([id], store);
    await load();
}

export function openPhotoBox(who: string, taken: typeof whenTaken): void {
    person = who;
    whenTaken = taken;
    void load().then(flushPhotos);
}

function subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
}

export const useWaitingPhotos = (): WaitingPhoto[] => useSyncExternalStore(subscribe, () => waiting);

window.addEventListener('online', () => void flushPhotos());
