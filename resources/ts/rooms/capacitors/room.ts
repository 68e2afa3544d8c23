import type { Room } from '../../bench/room';

export const capacitors: Room = {
    name: 'capacitors',
    routes: [
        { path: 'jobs/:id/capacitors', lazy: async () => ({ Component: (await import('./capacitors')).Capacitors }) },
        { path: 'jobs/:id/substitutes', lazy: async () => ({ Component: (await import('./substitutes')).Substitutes }) },
    ],
    doors: [{ path: 'capacitors', words: 'Capacitors', key: 'k' }],
    touched: ['capacitors', 'substitutes'],
};
