import type { Room } from '../../bench/room';

export const report: Room = {
    name: 'report',
    routes: [{ path: 'jobs/:id/report', lazy: async () => ({ Component: (await import('./report')).Report }) }],
    doors: [{ path: 'report', words: 'Report', key: 'p', does: 'report', beside: true }],
    touched: [],
};
