import type { Room } from '../../bench/room';

export const isolation: Room = {
    name: 'isolation',
    routes: [{ path: 'jobs/:id/find', lazy: async () => ({ Component: (await import('./find')).Find }) }],
    doors: [{ path: 'find', words: 'Find it', key: 'f', does: 'suspects, the next test, swaps' }],
    touched: ['isolation', 'history'],
    parts: async () => ({ Searched: (await import('./history')).History }),
};
