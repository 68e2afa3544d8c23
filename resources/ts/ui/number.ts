/**
 * What was typed, as a number when it is one. What is none goes to the server as it stands, which says so at its field: so the type
 * promises to the compiler what the server has still to check.
 */
export function number(typed: string): number {
    const value = Number(typed.replace(',', '.'));
    return typed.trim() !== '' && Number.isFinite(value) ? value : (typed as unknown as number);
}

const shifted = (typed: string, factor: number): number => {
    const value: unknown = number(typed);
    return typeof value === 'number' ? value * factor : (value as number);
};

/** A percentage as it is typed, as a share; units are turned into SI here and nowhere else on this floor. */
export const percent = (typed: string): number => shifted(typed, 0.01);

/** Nanoseconds as they are typed, in seconds. */
export const nanoseconds = (typed: string): number => shifted(typed, 1e-9);

/** The fields of a form that were filled in. */
export const filled = <K extends string, N extends K = never>(
    values: Record<K, string>,
    numeric: readonly N[] = [],
): { [F in K]?: F extends N ? number : string } =>
    Object.fromEntries(
        Object.entries<string>(values)
            .filter(([, value]) => value.trim() !== '')
            .map(([name, value]) => [name, (numeric as readonly string[]).includes(name) ? number(value) : value.trim()]),
    ) as { [F in K]?: F extends N ? number : string };
