import { lazy } from 'react';
import type { Room } from '../../bench/room';

/** Fetched with the search, not with the shell. */
const History = lazy(async () => ({ default: (await import('./history')).History }));

export const isolation: Room = {
    name: 'isolation',
    routes: [
        { path: 'jobs/:id/find', lazy: async () => ({ Component: (await import('./find')).Find }) },
        { path: 'library', lazy: async () => ({ Component: (await import('./library')).Library }) },
        { path: 'library/:symptom', lazy: async () => ({ Component: (await import('./symptom')).Symptom }) },
    ],
    doors: [{ path: 'find', words: 'Find it', key: 'f', does: 'suspects, the next test, swaps' }],
    touched: ['isolation', 'history', 'library'],
    parts: () => Promise.resolve({ Searched: History }),
};
