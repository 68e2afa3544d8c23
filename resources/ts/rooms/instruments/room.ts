import type { Room } from '../../bench/room';

export const instruments: Room = {
    name: 'instruments',
    routes: [{ path: 'meters', lazy: async () => ({ Component: (await import('./meters')).Meters }) }],
    navigation: [{ to: '/meters', words: 'Meters' }],
    touched: [],
};
