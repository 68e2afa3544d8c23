import type { Room } from '../../bench/room';

export const treatments: Room = {
    name: 'treatments',
    routes: [{ path: 'jobs/:id/treatments', lazy: async () => ({ Component: (await import('./treatments')).Treatments }) }],
    doors: [{ path: 'treatments', words: 'Treatments', key: 't', does: 'rust, dirt, yellowing, broken plastic: means, steps, what runs' }],
    touched: ['treatments'],
};
