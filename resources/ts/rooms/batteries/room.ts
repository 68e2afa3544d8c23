import type { Room } from '../../bench/room';

export const batteries: Room = {
    name: 'batteries',
    routes: [{ path: 'jobs/:id/battery', lazy: async () => ({ Component: (await import('./battery')).Battery }) }],
    doors: [{ path: 'battery', words: 'Battery and clock', key: 'b' }],
    touched: ['battery'],
    parts: async () => ({ DueAction: (await import('./calendar')).Calendar }),
};
