/*
 * What the browser keeps. It may be switched off, full, of an older version of this program or written by somebody else: so it is read
 * as a stranger's, and what cannot be kept is used for as long as the page stands.
 */
const standing = new Map<string, string>();

/** The text under a key, or null. */
export function readText(key: string, storage: () => Storage = () => localStorage): string | null {
    try {
        return storage().getItem(key) ?? standing.get(key) ?? null;
    } catch {
        return standing.get(key) ?? null;
    }
}

export function keepText(key: string, text: string, storage: () => Storage = () => localStorage): void {
    try {
        storage().setItem(key, text);
        standing.delete(key);
    } catch {
        standing.set(key, text);
    }
}

/** What was kept as JSON; null when it is no JSON or not what it should be. */
export function parsed<T>(text: string | null, isIt: (value: unknown) => value is T): T | null {
    if (text === null) return null;
    try {
        const value: unknown = JSON.parse(text);
        return isIt(value) ? value : null;
    } catch {
        return null;
    }
}

export const isRecord = (value: unknown): value is Record<string, unknown> =>
    typeof value === 'object' && value !== null && !Array.isArray(value);
