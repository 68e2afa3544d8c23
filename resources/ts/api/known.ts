import { useSyncExternalStore } from 'react';

/** When the server last said what is shown, while it cannot be reached: the shell's worker answers with what this browser knew. */
let since: string | null = null;
const listeners = new Set<() => void>();

export function heard(response: Response): void {
    const now = response.headers.get('X-Known-At');
    if (now === since || (now !== null && since !== null)) return;
    since = now;
    listeners.forEach((listener) => listener());
}

function subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
}

export const useKnownSince = (): string | null => useSyncExternalStore(subscribe, () => since);

/** The shell's worker is wanted where a browser allows one: over https, or on the machine itself. */
export function openShell(): void {
    if ('serviceWorker' in navigator && window.isSecureContext)
        void navigator.serviceWorker.register('/shell-worker.js').catch(() => undefined);
}

/** Whoever signs out leaves nothing behind that the next one could read without the network. */
export async function forgetKnown(): Promise<void> {
    if ('caches' in window) await caches.delete('ash-bench-known');
}
