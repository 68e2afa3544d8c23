import type { OnJob } from '../../bench/room';
import { LinkButton } from '../../ui/controls';

export function ToTheMemory({ job }: OnJob) {
    return (
        <p className="mt-3">
            <LinkButton look="main" to={`/jobs/${job.id}/memory`}>
                To the memory
            </LinkButton>
        </p>
    );
}
