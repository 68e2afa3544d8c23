import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

/**
 * A room is one chunk; its line in the list (room.ts) and what that asks (asks.ts) stay with the shell. The hall, rooms/logbook, is not:
 * it is fetched a screen at a time, so that the first page stays small.
 */
const OF_ROOM = /\/resources\/ts\/rooms\/(?!logbook\/)([a-z]+)\/(?!(?:room|asks)\.tsx?$)/;
const room = (id: string): string | null => OF_ROOM.exec(id)?.[1] ?? null;

export default defineConfig({
    plugins: [laravel({ input: ['resources/ts/main.tsx', 'resources/ts/shell-worker.ts'], refresh: false }), react(), tailwindcss()],
    build: {
        target: 'es2022',
        assetsInlineLimit: 0,
        rolldownOptions: { output: { codeSplitting: { includeDependenciesRecursively: false, groups: [{ name: room, test: OF_ROOM }] } } },
    },
});
