/** What was typed, as a number when it is one; what is no number goes to the server as it stands, which says so at its field. */
export const number = (typed: string): number | string =>
    typed.trim() !== '' && Number.isFinite(Number(typed.replace(',', '.'))) ? Number(typed.replace(',', '.')) : typed;

/** The fields of a form that were filled in. */
export const filled = (values: Record<string, string>, numeric: readonly string[] = []): Record<string, unknown> =>
    Object.fromEntries(
        Object.entries(values)
            .filter(([, value]) => value.trim() !== '')
            .map(([name, value]) => [name, numeric.includes(name) ? number(value) : value.trim()]),
    );
