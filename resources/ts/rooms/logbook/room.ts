import type { Room } from '../../bench/room';

/** The hall's own screens. Those that show what rooms bring load the rooms' parts with themselves. */
export const logbook: Room = {
    name: 'logbook',
    routes: [
        { index: true, lazy: async () => ({ Component: (await import('./bench')).Bench }) },
        { path: 'jobs', lazy: async () => ({ Component: (await import('./jobs')).Jobs }) },
        { path: 'jobs/:id', lazy: async () => ({ Component: (await import('./job')).Job }) },
        { path: 'jobs/:id/strip', lazy: async () => ({ Component: (await import('./strip')).StripDown }) },
        { path: 'running', lazy: async () => ({ Component: (await import('./running')).Running }) },
        { path: 'search', lazy: async () => ({ Component: (await import('./search')).Search }) },
        { path: 'boards', lazy: async () => ({ Component: (await import('./boards')).Boards }) },
        { path: 'boards/:id', lazy: async () => ({ Component: (await import('./board')).BoardRecord }) },
        { path: 'machines', lazy: async () => ({ Component: (await import('./machines')).Machines }) },
        { path: 'kinds', lazy: async () => ({ Component: (await import('./kinds')).Kinds }) },
        { path: 'kinds/:id', lazy: async () => ({ Component: (await import('./kinds')).Kind }) },
        { path: 'machines/:id', lazy: async () => ({ Component: (await import('./machine')).Machine }) },
    ],
    navigation: [
        { to: '/', words: 'Bench' },
        { to: '/jobs', words: 'Jobs' },
        { to: '/machines', words: 'Machines' },
        { to: '/running', words: 'Running' },
        { to: '/search', words: 'Search' },
    ],
    doors: [{ path: 'strip', words: 'Strip-down and rebuild', key: 's' }],
    touched: ['running', 'strip', 'photos', 'bench', 'jobs', 'kind', 'kinds', 'boards', 'machine'],
};
