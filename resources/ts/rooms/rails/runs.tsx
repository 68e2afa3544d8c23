import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { boardAtHand } from '../../api/at-hand';
import { api, data, words } from '../../api/client';
import type { OnJob } from '../../bench/room';
import { Button, Notice, Part } from '../../ui/controls';
import { useKeys } from '../../ui/keys';
import { dayAndClock } from '../../ui/when';
import { runsOf } from './asks';

/** A new run, which repeats the last one of the job when there is one. */
function useStartRun({ job, may }: OnJob) {
    const client = useQueryClient();
    const navigate = useNavigate();
    const runs = useQuery(runsOf(job.id)).data;
    const [problem, setProblem] = useState<string | null>(null);
    const start = async () => {
        try {
            const known = await client.query({ ...runsOf(job.id), staleTime: 'static' });
            if (!may) return;
            const id = ulid();
            const repeats = known.runs[0]?.id;
            const board = boardAtHand(job.id);
            await data(
                api.POST('/jobs/{job}/rail-runs', {
                    params: { path: { job: job.id } },
                    body: { id, ...(repeats === undefined ? {} : { repeats }), ...(board === undefined ? {} : { board }) },
                }),
            );
            void client.invalidateQueries({ queryKey: ['rail-runs', job.id] });
            void navigate(`/rail-runs/${id}`);
        } catch (caught) {
            setProblem(words(caught));
        }
    };
    return { start: () => void start(), problem, can: may && runs !== undefined, repeats: (runs?.runs.length ?? 0) > 0 };
}

export function StartRun(on: OnJob) {
    const run = useStartRun(on);
    useKeys({ r: run.start });
    if (!run.can) return null;
    return (
        <>
            <Button look="main" onClick={run.start}>
                {run.repeats ? 'Repeat the rail run' : 'Rail run'} <kbd>r</kbd>
            </Button>
            <Problem says={run.problem} />
        </>
    );
}

export function ToTheRails(on: OnJob) {
    const run = useStartRun(on);
    if (!run.can) return null;
    return (
        <>
            <Button look="main" className="mt-3" onClick={run.start}>
                To the rails
            </Button>
            <Problem says={run.problem} />
        </>
    );
}

function Problem({ says }: { says: string | null }) {
    return says === null ? null : (
        <Notice tone="bad" live>
            {says}
        </Notice>
    );
}

export function Runs({ job }: OnJob) {
    const runs = useQuery(runsOf(job.id)).data?.runs ?? [];
    if (runs.length === 0) return null;
    return (
        <Part title="Rail runs">
            <ul className="flex flex-wrap gap-x-8 gap-y-1">
                {runs.map((run) => (
                    <li key={run.id}>
                        <Link to={`/rail-runs/${run.id}`}>{dayAndClock(run.started_at)}</Link>{' '}
                        <span className="text-sm text-soft">
                            {run.readings} readings, {run.author}
                            {run.repeats_id !== null && ', a repeat'}
                        </span>
                    </li>
                ))}
            </ul>
        </Part>
    );
}
