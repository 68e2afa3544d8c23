import type { Room } from '../../bench/room';

export const shelf: Room = {
    name: 'shelf',
    routes: [
        { path: 'shelf', lazy: async () => ({ Component: (await import('./shelf')).Shelf }) },
        { path: 'shelf/:id', lazy: async () => ({ Component: (await import('./item')).ShelfItem }) },
        { path: 'shopping', lazy: async () => ({ Component: (await import('./shopping')).Shopping }) },
        { path: 'labels', lazy: async () => ({ Component: (await import('./labels')).Labels }) },
    ],
    navigation: [{ to: '/shelf', words: 'Shelf' }],
    boardLinks: [
        { to: (board) => `/shelf?board=${board}`, words: 'Originals kept' },
        { to: (board) => `/labels?boards=${board}`, words: 'Label' },
    ],
    jobLinks: [{ to: (job) => `/labels?jobs=${job}`, words: 'Label' }],
    touched: ['shelf', 'shelf-item', 'shopping'],
};
