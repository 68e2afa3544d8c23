import type { Room } from '../../bench/room';

export const batteries: Room = {
    name: 'batteries',
    routes: [{ path: 'jobs/:id/battery', lazy: async () => ({ Component: (await import('./battery')).Battery }) }],
    doors: [{ path: 'battery', words: 'Battery and clock', key: 'b' }],
    touched: ['battery'],
    parts: async () => {
        const [calendar, form] = await Promise.all([import('./calendar'), import('./profile-form')]);
        return { DueAction: calendar.Calendar, ProfileForm: form.BatteryOfProfile };
    },
};
