import { ToggleGroup } from 'radix-ui';

const ONE =
    'min-h-11 border-b-4 border-transparent px-3 not-first:border-l not-first:border-l-line ' +
    'data-[state=on]:border-b-accent data-[state=on]:bg-accent-wash data-[state=on]:font-bold';

/** One of a few, shown side by side: the chosen one carries a bar as well as the colour. */
export function Choice<T extends string>({
    label,
    value,
    options,
    onChange,
}: {
    label: string;
    value: T;
    options: readonly { value: T; words: string }[];
    onChange: (value: T) => void;
}) {
    return (
        <ToggleGroup.Root
            type="single"
            aria-label={label}
            value={value}
            onValueChange={(next) => next !== '' && onChange(next as T)}
            className="inline-flex overflow-hidden rounded border border-soft bg-raised"
        >
            {options.map((option) => (
                <ToggleGroup.Item key={option.value} value={option.value} className={ONE}>
                    {option.words}
                </ToggleGroup.Item>
            ))}
        </ToggleGroup.Root>
    );
}
