import type { Room } from '../../bench/room';

export const people: Room = {
    name: 'people',
    routes: [{ path: 'people', lazy: async () => ({ Component: (await import('./people')).People }) }],
    navigation: [{ to: '/people', words: 'People', lead: true }],
    touched: [],
};
