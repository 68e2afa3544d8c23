import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';

/*
 * The shell of the application for a browser without network. The server is always asked first: what it said last is shown only when it
 * cannot be reached, and says when that was. Scripts, styles and fonts have their content in their names and are kept for good.
 */

const SHELL = 'ash-bench-shell';
const FILES = 'ash-bench-files';
const KNOWN = 'ash-bench-known';
/** Answers that are kept; the oldest go. */
const MOST = 400;
/** Screens have no dot in their address; what is downloaded, printed or looked at by itself is none of them. */
const NO_SCREEN = [/\./, /^\/(?:api|build|photos|sheets|sanctum|up)(?:\/|$)/, /\/report\//];

const worker = self as unknown as {
    addEventListener(type: 'install' | 'activate', listener: (event: { waitUntil(done: Promise<unknown>): void }) => void): void;
    skipWaiting(): Promise<void>;
    clients: { claim(): Promise<void> };
};

const whole = { cacheWillUpdate: ({ response }: { response: Response }) => Promise.resolve(response.status === 200 ? response : null) };

async function files(): Promise<string[]> {
    const manifest = (await (await fetch('/build/manifest.json')).json()) as Record<
        string,
        { file: string; css?: string[]; assets?: string[] }
    >;
    return [...new Set(Object.values(manifest).flatMap((it) => [it.file, ...(it.css ?? []), ...(it.assets ?? [])]))].map(
        (it) => `/build/${it}`,
    );
}

worker.addEventListener('install', (event) => {
    event.waitUntil(
        (async () => {
            const [cache, shell] = await Promise.all([caches.open(FILES), caches.open(SHELL)]);
            await Promise.all([cache.addAll([...(await files()), '/mark.svg']), shell.add('/')]);
            await worker.skipWaiting();
        })(),
    );
});

worker.addEventListener('activate', (event) => {
    event.waitUntil(
        (async () => {
            const now = new Set([...(await files()), '/mark.svg']);
            const cache = await caches.open(FILES);
            for (const request of await cache.keys()) if (!now.has(new URL(request.url).pathname)) await cache.delete(request);
            await worker.clients.claim();
        })(),
    );
});

registerRoute(
    ({ url }) => url.pathname.startsWith('/build/') || url.pathname === '/mark.svg',
    new CacheFirst({ cacheName: FILES, plugins: [whole] }),
);

registerRoute(
    new NavigationRoute(new NetworkFirst({ cacheName: SHELL, plugins: [whole, { cacheKeyWillBeUsed: () => Promise.resolve('/') }] }), {
        denylist: NO_SCREEN,
    }),
);

registerRoute(
    ({ url, request }) => url.pathname.startsWith('/api/') && request.method === 'GET' && !url.pathname.endsWith('/pulse'),
    new NetworkFirst({
        cacheName: KNOWN,
        plugins: [
            whole,
            {
                cachedResponseWillBeUsed: ({ cachedResponse }) => {
                    if (!cachedResponse) return Promise.resolve(null);
                    const headers = new Headers(cachedResponse.headers);
                    headers.set('X-Known-At', cachedResponse.headers.get('Date') ?? '');
                    return Promise.resolve(new Response(cachedResponse.body, { status: 200, headers }));
                },
                cacheDidUpdate: async () => {
                    const cache = await caches.open(KNOWN);
                    const keys = await cache.keys();
                    for (const old of keys.slice(0, Math.max(0, keys.length - MOST))) await cache.delete(old);
                },
            },
        ],
    }),
);
