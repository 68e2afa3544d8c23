import { api, data } from '../../api/client';

/** The rail runs of a job, latest first. */
export const runsOf = (job: string) => ({
    queryKey: ['rail-runs', job],
    queryFn: () => data(api.GET('/jobs/{job}/rail-runs', { params: { path: { job } } })),
});
