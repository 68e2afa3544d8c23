import type { Room } from '../../../resources/ts/bench/room';

/** The trial room on this floor: a screen, a place in the head of every page, a door with a key, and a part of a job's page. */
export const trial: Room = {
    name: 'trial',
    routes: [{ path: 'jobs/:id/smells', lazy: async () => ({ Component: (await import('./smells')).Smells }) }],
    navigation: [{ to: '/jobs/none/smells', words: 'Noses' }],
    doors: [{ path: 'smells', words: 'Smells of the board', key: 'z', does: 'what the board smells of' }],
    keys: [['q', 'sniff again']],
    touched: ['smells'],
    parts: () => import('./smells'),
};
