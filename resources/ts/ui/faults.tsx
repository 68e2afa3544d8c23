import type { Fault } from '../api/client';
import { Notice } from './controls';

/** A document that was refused: every place of it, and what is wrong there. */
export function Faults({ faults }: { faults: Fault[] }) {
    return (
        <Notice tone="bad" live>
            <p className="font-bold">Refused; nothing was changed.</p>
            <ul>
                {faults.map((fault) => (
                    <li key={`${fault.pointer} ${fault.detail}`}>
                        {fault.pointer !== '' && <code className="figure-number">{fault.pointer}</code>} {fault.detail}
                    </li>
                ))}
            </ul>
        </Notice>
    );
}
