import '@fontsource/b612/latin-400.css';
import '@fontsource/b612/latin-700.css';
import '@fontsource/b612-mono/latin-400.css';
import '@fontsource/b612-mono/latin-700.css';
import '../css/app.css';
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { Refusal, Unreachable } from './api/client';
import { openShell } from './api/known';
import { ROOMS } from './rooms';
import { BrokenScreen } from './ui/boundary';
import { applyLight } from './ui/light';
import { Shell } from './shell';

applyLight();
openShell();

/** The session has ended somewhere else: every screen falls back to the sign-in, and what is unsent stays where it is. */
function ended(problem: Error): void {
    if (problem instanceof Refusal && problem.status === 401) void client.invalidateQueries({ queryKey: ['session'] });
}

const client: QueryClient = new QueryClient({
    queryCache: new QueryCache({ onError: (problem, query) => query.queryKey[0] !== 'session' && ended(problem) }),
    mutationCache: new MutationCache({ onError: ended }),
    defaultOptions: {
        queries: {
            staleTime: 2_000,
            networkMode: 'always',
            retry: (count, problem) => problem instanceof Unreachable && count < 2,
            retryDelay: 600,
        },
        mutations: { networkMode: 'always' },
    },
});

const router = createBrowserRouter([
    {
        path: '/',
        element: <Shell />,
        errorElement: <BrokenScreen room="the shell" />,
        children: [
            ...ROOMS.map((room) => ({ errorElement: <BrokenScreen room={room.name} />, children: room.routes })),
            { path: '*', lazy: async () => ({ Component: (await import('./ui/nothing')).Nothing }) },
        ],
    },
]);

const root = document.getElementById('root');
if (root !== null) {
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={client}>
                <RouterProvider router={router} />
            </QueryClientProvider>
        </StrictMode>,
    );
}
