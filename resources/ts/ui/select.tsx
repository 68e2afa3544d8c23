import { Field } from './controls';

interface Card {
    value: string;
    words: string;
}

/** A labelled choice from a list. */
export function Select<T extends string>({
    label,
    value,
    options,
    error,
    onChange,
}: {
    label: string;
    value: T;
    options: readonly (readonly [value: T, says: string])[];
    error?: string | undefined;
    onChange: (next: T) => void;
}) {
    return (
        <Field label={label} error={error}>
            {(ids) => (
                <select {...ids} value={value} onChange={(event) => onChange(event.target.value as T)}>
                    {options.map(([it, says]) => (
                        <option key={it} value={it}>
                            {says}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
}

/** A list of the server's as choices; the server lists the cases of one of its enums, which the caller names as T. */
export function choices<T extends string = string>(cards: readonly Card[]): [T, string][];
export function choices<T extends string = string>(cards: readonly Card[], none: string): [T | '', string][];
export function choices<T extends string = string>(cards: readonly Card[], none?: string): [T | '', string][] {
    return [...(none === undefined ? [] : [['', none] as [T | '', string]]), ...cards.map((it): [T, string] => [it.value as T, it.words])];
}
