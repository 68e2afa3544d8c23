import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, data } from '../../api/client';
import { Part } from '../../ui/controls';
import { clock } from '../../ui/when';

const AGAIN_MS = 60_000;

/** What the hands do now and then, around what runs; the server plans it. */
export function FitsNow() {
    const plan = useQuery({ queryKey: ['fits-now'], refetchInterval: AGAIN_MS, queryFn: () => data(api.GET('/fits-now', {})) });
    const steps = plan.data?.steps ?? [];
    if (steps.length === 0) return null;
    return (
        <Part title="What fits now">
            <ol className="divide-y divide-line">
                {steps.map((it) => (
                    <li key={`${it.job_id} ${it.text}`} className="grid grid-cols-[5rem_minmax(0,1fr)] gap-x-3 py-2">
                        <span className="font-bold tabular-nums">{it.now ? 'now' : clock(it.at)}</span>
                        <span>
                            {it.text}{' '}
                            <span className="text-sm text-soft">
                                <Link to={`/jobs/${it.job_id}`}>{it.job_label}</Link>, {it.minutes}
                                {it.because !== null && `; ${it.because}`}
                            </span>
                        </span>
                    </li>
                ))}
            </ol>
            <p className="mt-2 text-sm text-soft">One pair of hands, each vessel once. {plan.data?.reasons.join('; ')}.</p>
        </Part>
    );
}
