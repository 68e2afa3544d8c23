import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useBoardAtHand } from '../../api/at-hand';
import { api, data, type Schemas } from '../../api/client';
import { TonesSwitch } from '../../bench/tones-switch';
import { Cautions, LinkButton } from '../../ui/controls';
import { KeyHelp, useKeys } from '../../ui/keys';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { Photos } from '../../bench/photos';
import { MeterChoice, useMeters } from '../../bench/meter-choice';
import { Found, Waiting } from './found';
import { Policies } from './policy';
import { Run } from './run';
import { useLive } from '../../bench/live';
import { Say } from '../../bench/say';

type Cap = Schemas['CapCard'];

export function Capacitors() {
    const { id = '' } = useParams();
    const board = useBoardAtHand(id);
    const page = useQuery({
        queryKey: ['capacitors', id, board],
        queryFn: () =>
            data(api.GET('/jobs/{job}/capacitors', { params: { path: { job: id }, query: board === undefined ? {} : { board } } })),
    });
    return <Loaded query={page}>{(it) => <CapacitorSheet page={it} />}</Loaded>;
}

function CapacitorSheet({ page }: { page: Schemas['CapacitorPage'] }) {
    useLive(page.job.id);
    const navigate = useNavigate();
    const job = page.job.id;
    const may = useMayRecord() && page.job.state === 'open';
    const meters = useMeters('capacitors', true);
    const known = page.caps.filter((cap) => cap.known);
    const openSubstitutes = (key: string) => void navigate(`/jobs/${job}/substitutes?cap=${encodeURIComponent(key)}`);
    const [anew, setAnew] = useState<Cap | null>(null);
    const form = useRef<HTMLDivElement>(null);
    const sayAnew = (cap: Cap) => {
        setAnew(cap);
        window.requestAnimationFrame(() => form.current?.querySelector<HTMLElement>('input')?.focus());
    };
    useKeys({ j: () => void navigate(`/jobs/${job}`) });
    return (
        <Page
            live
            title="Capacitors"
            over={
                <Link to={`/jobs/${job}`}>
                    {page.job.label}, {page.job.title}
                </Link>
            }
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['Space', 'read the meter at the live part: farads, and its losses when the meter knows them'],
                            ['a', 'read leakage in amperes: rated voltage on, two minutes'],
                            ['digits, Enter', 'type capacitance, Tab to ESR; - for ESR alone'],
                            ...page.looks.map((look): [string, string] => [look.key, look.words]),
                            ['i', 'in circuit, or lifted'],
                            ['w', 'record the looks alone'],
                            ['s', 'substitutes from the shelf'],
                            ['↑ ↓, Backspace', 'choose the live part, step back'],
                            ['j', 'back to the job'],
                        ]}
                    />
                    <MeterChoice meters={meters} />
                    <TonesSwitch />
                    <LinkButton to="/shelf">Shelf</LinkButton>
                </>
            }
        >
            {may && (
                <div className={known.length > 0 ? 'max-sm:order-last' : ''}>
                    <Say
                        job={job}
                        title={page.caps.length === 0 ? 'No capacitor of this board is known: walk over it' : 'Walk over the board'}
                        label="Designator, value, volts, rail, looks"
                        example="C12 1000u 16V +12 bulged"
                        offered={page.offered ?? ''}
                        same={page.same}
                    />
                </div>
            )}
            {page.caps.length === 0 && !may && <p className="sheet p-6">No capacitor of this board is known.</p>}
            {known.length > 0 && (
                <Run page={page} known={known} may={may} meters={meters} onSubstitutes={openSubstitutes} onAnew={sayAnew} />
            )}
            <Waiting page={page} onAnew={may ? sayAnew : null} />
            <div className="grid items-start gap-3 lg:grid-cols-2">
                <Policies page={page} may={may} onSubstitutes={openSubstitutes} />
                {may && (
                    <div ref={form}>
                        <Found key={anew?.entry_id ?? 'new'} page={page} anew={anew} onDone={() => setAnew(null)} />
                    </div>
                )}
            </div>
            <Photos job={job} may={may} />
            <Cautions words={page.cautions} />
        </Page>
    );
}
