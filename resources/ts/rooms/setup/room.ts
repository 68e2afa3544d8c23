import type { Room } from '../../bench/room';

export const setup: Room = {
    name: 'setup',
    routes: [
        { path: 'jobs/:id/setup', lazy: async () => ({ Component: (await import('./setup')).Setup }) },
        { path: 'jobs/:id/disks', lazy: async () => ({ Component: (await import('./disks')).Disks }) },
    ],
    doors: [
        { path: 'setup', words: 'Setup', key: 'u', does: 'jumpers, switches, cables: who holds what, what clashes' },
        { path: 'disks', words: 'Disks', key: 'd', does: 'drives and the ways that were tried, disks copied' },
    ],
    touched: ['setup', 'disks'],
};
