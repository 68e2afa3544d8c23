import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Part } from '../../ui/controls';
import { day } from '../../ui/when';

/** Where a board has been, or what went in and out of a machine. */
export function Moves({ title, moves, named = true }: { title: string; moves: Schemas['BoardMoveCard'][]; named?: boolean }) {
    if (moves.length === 0) return null;
    return (
        <Part title={title}>
            <ul className="flex flex-col gap-1">
                {moves.map((move) => (
                    <li key={`${move.at} ${move.board_id}`}>
                        <span className="text-sm text-soft">{day(move.at)}</span>{' '}
                        {named && (
                            <>
                                <Link to={`/boards/${move.board_id}`}>{move.board}</Link>:{' '}
                            </>
                        )}
                        from {move.from} into {move.into}
                        {move.lent && ', lent as a known-good one'}
                        <span className="text-sm text-soft">
                            , {move.author}, <Link to={`/jobs/${move.job_id}`}>the job</Link>
                        </span>
                    </li>
                ))}
            </ul>
        </Part>
    );
}
