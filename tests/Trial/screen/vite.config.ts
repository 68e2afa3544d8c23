import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The front end as it is, with the list of rooms exchanged for one that has the trial room in it, and a page of its own to open it from. */
export default defineConfig({
    root: here('.'),
    base: '/build/trial/',
    logLevel: 'warn',
    plugins: [
        react(),
        tailwindcss(),
        {
            name: 'trial-list',
            enforce: 'pre',
            resolveId: (source, from) =>
                source === './rooms' && /resources\/ts\/(main|shell)\.tsx$/.test(from ?? '') ? here('./rooms.ts') : null,
        },
    ],
    build: { target: 'es2022', outDir: here('../../../public/build/trial'), emptyOutDir: true, assetsInlineLimit: 0 },
});
