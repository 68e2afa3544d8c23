import type { Room } from '../../bench/room';

export const setup: Room = {
    name: 'setup',
    routes: [{ path: 'jobs/:id/setup', lazy: async () => ({ Component: (await import('./setup')).Setup }) }],
    doors: [{ path: 'setup', words: 'Setup', key: 'u', does: 'jumpers, switches: who holds what, what clashes' }],
    touched: ['setup'],
};
