import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Part } from '../../ui/controls';
import { number } from '../../ui/number';
import { dayAndClock } from '../../ui/when';

const local = (at: Date): string => new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 19);
const instant = (typed: string): string => {
    const at = new Date(typed);
    return Number.isNaN(at.getTime()) ? typed : at.toISOString();
};

/** Set the clock, leave it, look again: the test starts here and is judged when it is read. */
export function Clock({ page, may }: { page: Schemas['BatteryPage']; may: boolean }) {
    const [days, setDays] = useState('7');
    const [error, setError] = useState<string>();
    const start = () => {
        const now = new Date();
        const due = new Date(now.getTime() + Number(days) * 86_400_000);
        void record(
            page.job.id,
            { kind: 'clock', data: { set_at: now.toISOString(), ...(Number.isNaN(due.getTime()) ? {} : { due_at: due.toISOString() }) } },
            'clock set',
        ).then((sent) => setError(sent.state === 'refused' ? sent.refusal.message : undefined));
    };
    return (
        <Part title="Does the clock keep its time">
            {page.tests.map((test) => (
                <Read key={test.id} job={page.job.id} test={test} may={may} />
            ))}
            {page.tests.length === 0 && may && (
                <div className="flex flex-wrap items-end gap-3">
                    <div className="w-40">
                        <Field
                            label="Look again in, days"
                            inputMode="decimal"
                            value={days}
                            error={error}
                            onChange={(event) => setDays(event.target.value)}
                        />
                    </div>
                    <Button look="main" onClick={start}>
                        The clock is set now
                    </Button>
                </div>
            )}
            <ul className="mt-2 flex flex-col gap-1">
                {page.read.map((line) => (
                    <li key={line}>{line}</li>
                ))}
            </ul>
        </Part>
    );
}

function Read({ job, test, may }: { job: string; test: Schemas['OpenItemCard']; may: boolean }) {
    const [read, setRead] = useState(() => local(new Date()));
    const [off, setOff] = useState('');
    const [faults, setFaults] = useState<Schemas['Fault'][]>([]);
    const at = (pointer: string) => faults.find((fault) => fault.pointer === pointer)?.detail;
    return (
        <form
            className="grid items-end gap-3 sm:grid-cols-[1fr_9rem_auto]"
            onSubmit={(event) => {
                event.preventDefault();
                void record(
                    job,
                    {
                        kind: 'clock_read',
                        data: { test: test.id, checked_at: new Date().toISOString(), clock_read: instant(read), power_off_h: number(off) },
                    },
                    'clock read',
                ).then((sent) => setFaults(sent.state === 'refused' ? sent.refusal.faults : []));
            }}
        >
            <p className="sm:col-span-3">
                Set {dayAndClock(test.since)}
                {test.due !== null && `, to be read ${dayAndClock(test.due)}`}
                {test.is_due && <span className="font-bold text-out">: its time has come</span>}
            </p>
            {may && (
                <>
                    <Field
                        label="The clock shows"
                        type="datetime-local"
                        step="1"
                        value={read}
                        error={at('/data/clock_read') ?? at('/data/checked_at') ?? at('/data/test')}
                        onChange={(event) => setRead(event.target.value)}
                    />
                    <Field
                        label="Hours without power"
                        inputMode="decimal"
                        value={off}
                        error={at('/data/power_off_h')}
                        onChange={(event) => setOff(event.target.value)}
                    />
                    <Button type="submit" look="main">
                        Read
                    </Button>
                </>
            )}
        </form>
    );
}
