import { lazy } from 'react';
import type { Room } from '../../bench/room';

/** Fetched with the list of what runs, not with the shell. */
const FitsNow = lazy(async () => ({ default: (await import('./fits-now')).FitsNow }));

export const treatments: Room = {
    name: 'treatments',
    routes: [{ path: 'jobs/:id/treatments', lazy: async () => ({ Component: (await import('./treatments')).Treatments }) }],
    doors: [{ path: 'treatments', words: 'Treatments', key: 't', does: 'rust, dirt, yellowing, broken plastic: means, steps, what runs' }],
    touched: ['treatments', 'fits-now'],
    parts: () => Promise.resolve({ RunningPart: FitsNow }),
};
