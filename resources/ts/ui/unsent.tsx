import { Link } from 'react-router';
import { useKnownSince } from '../api/known';
import { discard, flush, useUnsent } from '../api/outbox';
import { discardPhoto, useWaitingPhotos } from '../api/photo-box';
import { Button } from './controls';
import { clock } from './when';

/** The server is away and this browser shows what it knew. */
function Known() {
    const since = useKnownSince();
    if (since === null) return null;
    const at = new Date(since);
    return (
        <p role="status" className="border-b border-close bg-close-wash px-5 py-2 text-center">
            <span className="font-bold">The server cannot be reached.</span> What is shown is what this browser knew
            {Number.isNaN(at.getTime()) ? '' : ` at ${clock(at.toISOString())}`}; what you record is kept and sent later.
        </p>
    );
}

/** Pictures that wait for the server. */
function Pictures() {
    const photos = useWaitingPhotos();
    if (photos.length === 0) return null;
    return (
        <section aria-label="Unsent photos" role="status" className="border-b border-close bg-close-wash px-5 py-2">
            <p className="font-bold">
                {photos.length === 1 ? 'One photo is' : `${photos.length} photos are`} unsent, kept in this browser.
            </p>
            <ul className="text-sm">
                {photos.map((it) => (
                    <li key={it.id} className="flex flex-wrap items-center gap-x-3">
                        {clock(it.at)} {it.caption || it.of || it.name}
                        {it.refused !== undefined && (
                            <>
                                <span className="font-bold text-out">refused: {it.refused}</span>
                                <Button look="quiet" onClick={() => void discardPhoto(it.id)}>
                                    Throw away
                                </Button>
                            </>
                        )}
                    </li>
                ))}
            </ul>
        </section>
    );
}

/** What is kept in this browser and not yet in the record; there is nothing to see while there is nothing kept. */
export function UnsentBar() {
    return (
        <>
            <Known />
            <Pictures />
            <Entries />
        </>
    );
}

function Entries() {
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
