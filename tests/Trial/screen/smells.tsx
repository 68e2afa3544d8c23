import { useParams } from 'react-router';
import type { OnJob } from '../../../resources/ts/bench/room';

/** The screen: what it shows is of no matter, that it stands at its address is. */
export function Smells() {
    return <h1>Smells on record for {useParams()['id']}</h1>;
}

export function JobPart({ job, may }: OnJob) {
    return (
        <section aria-label="Smells">
            The trial room knows {job.label} and {may ? 'may' : 'may not'} write
        </section>
    );
}
