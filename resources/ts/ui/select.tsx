import { Field } from './controls';

/** A labelled choice from a list. */
export function Select({
    label,
    value,
    options,
    error,
    onChange,
}: {
    label: string;
    value: string;
    options: readonly (readonly [value: string, says: string])[];
    error?: string | undefined;
    onChange: (next: string) => void;
}) {
    return (
        <Field label={label} error={error}>
            {(ids) => (
                <select {...ids} value={value} onChange={(event) => onChange(event.target.value)}>
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

export const choices = (cards: readonly { value: string; words: string }[], none?: string): [string, string][] => [
    ...(none === undefined ? [] : ([['', none]] as [string, string][])),
    ...cards.map((it): [string, string] => [it.value, it.words]),
];
