import type { Room } from '../../bench/room';
import { runsOf } from './asks';

export const rails: Room = {
    name: 'rails',
    routes: [{ path: 'rail-runs/:id', lazy: async () => ({ Component: (await import('./run')).RailRun }) }],
    keys: [['r', 'rail run, compared with the last one']],
    asksOfJob: (job) => [runsOf(job)],
    touched: ['run', 'rail-runs', 'rail-places'],
    parts: async () => {
        const [runs, described, overTime, form] = await Promise.all([
            import('./runs'),
            import('./described'),
            import('./over-time'),
            import('./profile-form'),
        ]);
        return {
            JobAction: runs.StartRun,
            JobNext: runs.ToTheRails,
            JobPart: runs.Runs,
            MachineTop: described.Rails,
            MachinePart: described.Loads,
            BoardPart: overTime.OverTime,
            ProfileForm: form.RailsForm,
        };
    },
};
