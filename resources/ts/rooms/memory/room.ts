import type { Room } from '../../bench/room';

export const memory: Room = {
    name: 'memory',
    routes: [
        { path: 'jobs/:id/memory', lazy: async () => ({ Component: (await import('./memory')).Memory }) },
        { path: 'jobs/:id/soak', lazy: async () => ({ Component: (await import('./soak')).SoakRoom }) },
        { path: 'memory', lazy: async () => ({ Component: (await import('./tables')).Tables }) },
        { path: 'machines/:id/memory', lazy: async () => ({ Component: (await import('./map-edit')).MapEdit }) },
    ],
    navigation: [{ to: '/memory', words: 'Chips' }],
    doors: [{ path: 'memory', words: 'Memory', key: 'm' }],
    machineLinks: [{ path: 'memory', words: 'Memory maps' }],
    touched: ['memory', 'soak'],
    parts: async () => ({ JobNext: (await import('./next')).ToTheMemory }),
};
