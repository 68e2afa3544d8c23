import type { Schemas } from '../../api/client';
import { Choice } from '../../ui/choice';
import { Field } from '../../ui/controls';
import { number } from '../../ui/number';

type Said = NonNullable<Schemas['DataMemory']['condition']>;

export interface Condition {
    warmth: 'none' | NonNullable<Said['warmth']>;
    minutes_on: string;
    pause_min: string;
    known_good: string;
}
export const NO_CONDITION: Condition = { warmth: 'none', minutes_on: '', pause_min: '', known_good: '' };

export const conditionOf = (it: Condition): Said => ({
    ...(it.warmth === 'none' ? {} : { warmth: it.warmth }),
    ...(it.minutes_on.trim() === '' ? {} : { minutes_on: number(it.minutes_on) }),
    ...(it.pause_min.trim() === '' ? {} : { pause_min: number(it.pause_min) }),
    ...(it.known_good.trim() === '' ? {} : { known_good: it.known_good }),
});

/** Under what the test ran: without it two runs cannot be compared. */
export function ConditionFields({
    condition,
    onChange,
    faults,
}: {
    condition: Condition;
    onChange: (next: Condition) => void;
    faults: Schemas['Fault'][];
}) {
    const at = (name: string) => faults.find((fault) => fault.pointer === `/data/condition/${name}`)?.detail;
    return (
        <div className="flex flex-wrap items-end gap-3">
            <div className="flex flex-col gap-1">
                <span className="text-sm font-bold">The board is</span>
                <Choice
                    label="The board is"
                    value={condition.warmth}
                    options={[
                        { value: 'none', words: 'Not noted' },
                        { value: 'cold', words: 'Cold' },
                        { value: 'warm', words: 'Warm' },
                    ]}
                    onChange={(warmth) => onChange({ ...condition, warmth })}
                />
            </div>
            <div className="w-36">
                <Field
                    label="Minutes since on"
                    inputMode="decimal"
                    value={condition.minutes_on}
                    error={at('minutes_on')}
                    onChange={(event) => onChange({ ...condition, minutes_on: event.target.value })}
                />
            </div>
            <div className="w-36">
                <Field
                    label="After a pause, min"
                    inputMode="decimal"
                    value={condition.pause_min}
                    error={at('pause_min')}
                    onChange={(event) => onChange({ ...condition, pause_min: event.target.value })}
                />
            </div>
            <div className="min-w-52 flex-1">
                <Field
                    label="Known-good part fitted"
                    value={condition.known_good}
                    error={at('known_good')}
                    onChange={(event) => onChange({ ...condition, known_good: event.target.value })}
                />
            </div>
        </div>
    );
}
