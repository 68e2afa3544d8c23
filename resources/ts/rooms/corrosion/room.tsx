import { Navigate, useParams } from 'react-router';
import type { Room } from '../../bench/room';

/** The address that older links carry. */
function Moved() {
    const { id = '' } = useParams();
    return <Navigate to={`/jobs/${id}/corrosion`} replace />;
}

export const corrosion: Room = {
    name: 'corrosion',
    routes: [
        { path: 'jobs/:id/corrosion', lazy: async () => ({ Component: (await import('./corrosion')).Corrosion }) },
        { path: 'jobs/:id/leaks', element: <Moved /> },
    ],
    doors: [{ path: 'corrosion', words: 'Leaks and continuity', key: 'l' }],
    touched: ['corrosion'],
};
