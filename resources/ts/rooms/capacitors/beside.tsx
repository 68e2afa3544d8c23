import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Strip } from '../../bench/strip';
import { Choice } from '../../ui/choice';
import { Button, Field, LinkButton } from '../../ui/controls';
import { filled } from '../../ui/number';
import { keepText, readText } from '../../api/storage';

type Look = NonNullable<Schemas['DataCapReading']['visual']>[number];
type Cap = Schemas['CapCard'];

/** Which shape a verdict of this room is drawn with. */
type Verdict = NonNullable<Schemas['CapCard']['verdict']>;
const SHAPES: Record<Verdict, string> = { keep: 'in', watch: 'in_close', replace: 'out' };
export const shapeOf = (verdict: Verdict | null): string | null => (verdict === null ? null : SHAPES[verdict]);

const LEADS = 'ash-bench.esr-leads';
const NOTHING = { tan_delta: '', frequency_hz: '', leakage_a: '' };

/** What goes with a reading: where the part is, how it looks, what else was measured. The leads and the place outlast a reading. */
export function useBeside() {
    const [looks, setLooks] = useState<Look[]>([]);
    const [inCircuit, setInCircuit] = useState(true);
    const [leads, setLeads] = useState(() => readText(LEADS) ?? '');
    const [also, setAlso] = useState(NOTHING);
    const lead = leads.trim() === '' ? {} : { lead_ohm: leads };
    return {
        looks,
        inCircuit,
        leads,
        also,
        setAlso,
        toggle: (look: Look) => setLooks(looks.includes(look) ? looks.filter((it) => it !== look) : [...looks, look]),
        turn: () => setInCircuit(!inCircuit),
        keepLeads: (ohm: string) => {
            setLeads(ohm);
            keepText(LEADS, ohm);
        },
        clear: () => {
            setLooks([]);
            setAlso(NOTHING);
        },
        /** With a reading of the meter. */
        ofMeter: { in_circuit: inCircuit, ...(looks.length === 0 ? {} : { visual: looks }), ...lead },
        /** With one that is typed. */
        typed: (esr: string) => ({
            in_circuit: inCircuit,
            ...(looks.length === 0 ? {} : { visual: looks }),
            ...(esr.trim() === '' ? {} : { esr_ohm: esr, ...lead }),
            ...filled(also, ['tan_delta']),
        }),
    };
}

export function Beside({
    page,
    cap,
    beside,
    children,
    onAlone,
    onAnew,
}: {
    page: Schemas['CapacitorPage'];
    cap: Cap;
    beside: ReturnType<typeof useBeside>;
    children: React.ReactNode;
    onAlone: () => void;
    onAnew: ((cap: Cap) => void) | null;
}) {
    const { looks, also, setAlso } = beside;
    const more = (name: keyof typeof also, label: string) => (
        <Field
            label={label}
            inputMode={name === 'leakage_a' ? 'text' : 'decimal'}
            value={also[name]}
            onChange={(event) => setAlso({ ...also, [name]: event.target.value })}
        />
    );
    return (
        <section aria-label="Beside the reading" className="sheet flex flex-col gap-3 p-4">
            <div className="flex flex-wrap items-center gap-3">
                <Choice
                    label="Where it is measured"
                    value={beside.inCircuit ? 'in' : 'out'}
                    options={[
                        { value: 'in', words: 'In circuit' },
                        { value: 'out', words: 'Lifted' },
                    ]}
                    onChange={(next) => (next === 'in') !== beside.inCircuit && beside.turn()}
                />
                <kbd>i</kbd>
                {beside.inCircuit && <span className="text-sm">A good reading proves nothing in circuit.</span>}
            </div>
            <div role="group" aria-label="Looks" className="flex flex-wrap gap-2">
                {page.looks.map((look) => (
                    <Button
                        key={look.value}
                        look={looks.includes(look.value) ? 'main' : 'plain'}
                        aria-pressed={looks.includes(look.value)}
                        onClick={() => beside.toggle(look.value)}
                    >
                        {look.words} <kbd>{look.key}</kbd>
                    </Button>
                ))}
                {looks.length > 0 && (
                    <Button onClick={onAlone}>
                        Record the looks alone <kbd>w</kbd>
                    </Button>
                )}
            </div>
            <div className="grid gap-3 sm:grid-cols-4">
                <Field
                    label="Leads, Ω"
                    hint="probes together"
                    inputMode="decimal"
                    value={beside.leads}
                    onChange={(event) => beside.keepLeads(event.target.value)}
                />
                {more('tan_delta', 'Tan delta')}
                {more('frequency_hz', 'At, Hz')}
                {more('leakage_a', 'Leakage, A')}
            </div>
            {children}
            {cap.esr !== null && cap.esr_strip !== null && (
                <div className="grid grid-cols-[9rem_1fr] items-center gap-3 text-sm">
                    <span>ESR last {cap.esr}</span>
                    <Strip strip={cap.esr_strip} verdict={shapeOf(cap.verdict)} height={22} label={`ESR of ${cap.key}: ${cap.esr}`} />
                </div>
            )}
            <p className="flex flex-wrap gap-2">
                <LinkButton to={`/jobs/${page.job.id}/substitutes?cap=${encodeURIComponent(cap.key)}`}>
                    Substitutes for {cap.key} <kbd>s</kbd>
                </LinkButton>
                {onAnew !== null && cap.entry_id !== null && <Button onClick={() => onAnew(cap)}>Say anew what {cap.key} is</Button>}
            </p>
        </section>
    );
}
