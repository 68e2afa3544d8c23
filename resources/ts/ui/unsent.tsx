import { Link } from 'react-router';
import { discard, flush, useUnsent } from '../api/outbox';
import { Button } from './controls';
import { clock } from './when';

/** What is kept in this browser and not yet in the record; there is nothing to see while there is nothing kept. */
export function UnsentBar() {
    const unsent = useUnsent();
    if (unsent.length === 0) return null;
    return (
        <section aria-label="Unsent entries" className="border-b border-close bg-close-wash" role="status">
            <div className="mx-auto flex max-w-[86rem] flex-wrap items-start gap-3 px-5 py-2">
                <div className="min-w-0 flex-1">
                    <p className="font-bold">
                        {unsent.length} unsent, kept in this browser.{' '}
                        {unsent.some((it) => it.refused !== undefined) ? 'Some were refused.' : 'Sent again by itself.'}
                    </p>
                    <ul className="text-sm">
                        {unsent.slice(0, 6).map((it) => (
                            <li key={it.id} className="flex flex-wrap items-center gap-x-3">
                                <span>
                                    {clock(it.body.at)} <Link to={`/jobs/${it.job}`}>{it.says}</Link>
                                </span>
                                {it.refused !== undefined && (
                                    <>
                                        <span className="font-bold text-out">refused: {it.refused}</span>
                                        <Button look="quiet" onClick={() => discard(it.id)}>
                                            Throw away
                                        </Button>
                                    </>
                                )}
                            </li>
                        ))}
                        {unsent.length > 6 && <li>and {unsent.length - 6} more</li>}
                    </ul>
                </div>
                <Button onClick={() => void flush()}>Send now</Button>
            </div>
        </section>
    );
}
