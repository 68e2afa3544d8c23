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
import { applyLight } from './ui/light';
import { Shell } from './shell';

applyLight();

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
        children: [
            { index: true, lazy: async () => ({ Component: (await import('./rooms/logbook/bench')).Bench }) },
            { path: 'jobs', lazy: async () => ({ Component: (await import('./rooms/logbook/jobs')).Jobs }) },
            { path: 'jobs/:id', lazy: async () => ({ Component: (await import('./rooms/logbook/job')).Job }) },
            { path: 'jobs/:id/battery', lazy: async () => ({ Component: (await import('./rooms/batteries/battery')).Battery }) },
            { path: 'jobs/:id/leaks', lazy: async () => ({ Component: (await import('./rooms/corrosion/leaks')).Leaks }) },
            { path: 'jobs/:id/capacitors', lazy: async () => ({ Component: (await import('./rooms/capacitors/capacitors')).Capacitors }) },
            {
                path: 'jobs/:id/substitutes',
                lazy: async () => ({ Component: (await import('./rooms/capacitors/substitutes')).Substitutes }),
            },
            { path: 'shelf', lazy: async () => ({ Component: (await import('./rooms/shelf/shelf')).Shelf }) },
            { path: 'shelf/:id', lazy: async () => ({ Component: (await import('./rooms/shelf/item')).ShelfItem }) },
            { path: 'shopping', lazy: async () => ({ Component: (await import('./rooms/shelf/shopping')).Shopping }) },
            { path: 'labels', lazy: async () => ({ Component: (await import('./rooms/shelf/labels')).Labels }) },
            { path: 'jobs/:id/memory', lazy: async () => ({ Component: (await import('./rooms/memory/memory')).Memory }) },
            { path: 'jobs/:id/soak', lazy: async () => ({ Component: (await import('./rooms/memory/soak')).SoakRoom }) },
            { path: 'memory', lazy: async () => ({ Component: (await import('./rooms/memory/tables')).Tables }) },
            { path: 'machines/:id/memory', lazy: async () => ({ Component: (await import('./rooms/memory/map-edit')).MapEdit }) },
            { path: 'jobs/:id/strip', lazy: async () => ({ Component: (await import('./rooms/logbook/strip')).StripDown }) },
            { path: 'jobs/:id/report', lazy: async () => ({ Component: (await import('./rooms/report/report')).Report }) },
            { path: 'rail-runs/:id', lazy: async () => ({ Component: (await import('./rooms/rails/run')).RailRun }) },
            { path: 'boards/:id', lazy: async () => ({ Component: (await import('./rooms/logbook/board')).BoardRecord }) },
            { path: 'machines', lazy: async () => ({ Component: (await import('./rooms/logbook/machines')).Machines }) },
            { path: 'machines/:id', lazy: async () => ({ Component: (await import('./rooms/logbook/machine')).Machine }) },
            { path: 'meters', lazy: async () => ({ Component: (await import('./rooms/instruments/meters')).Meters }) },
            { path: 'people', lazy: async () => ({ Component: (await import('./rooms/people/people')).People }) },
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
