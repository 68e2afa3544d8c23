import { useSyncExternalStore } from 'react';
import { isRecord, keepText, parsed, readText } from './storage';

/** The board that the next entries of a job are about, when it is not the job's own: kept by this browser, by job. */
const KEY = 'ash-bench.at-hand';
const listeners = new Set<() => void>();

const all = (): Record<string, unknown> => parsed(readText(KEY) ?? '{}', isRecord) ?? {};

export function boardAtHand(job: string): string | undefined {
    const board = all()[job];
    return typeof board === 'string' ? board : undefined;
}

export function takeInHand(job: string, board: string | undefined): void {
    const others = Object.entries(all()).filter(([of]) => of !== job);
    keepText(KEY, JSON.stringify(Object.fromEntries(board === undefined ? others : [...others, [job, board]])));
    listeners.forEach((listener) => listener());
}

function subscribe(listener: () => void): () => void {
    listeners.add(listener);
    window.addEventListener('storage', listener);
    return () => {
        listeners.delete(listener);
        window.removeEventListener('storage', listener);
    };
}

export const useBoardAtHand = (job: string): string | undefined => useSyncExternalStore(subscribe, () => boardAtHand(job));
