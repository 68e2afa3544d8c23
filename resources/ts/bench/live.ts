import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, data } from '../api/client';
import { useRooms } from './house';

/** How often another screen of the same job is asked for, while this one is looked at; the answer is one number. */
const EVERY_MS = 1500;

/** What is written on one screen of a job appears on the others: when its number moves, what they show is asked again. */
export function useLive(job: string): void {
    const client = useQueryClient();
    const rooms = useRooms();
    const seen = useRef<number | null>(null);
    const pulse = useQuery({
        queryKey: ['pulse', job],
        queryFn: () => data(api.GET('/jobs/{job}/pulse', { params: { path: { job } } })),
        refetchInterval: EVERY_MS,
        retry: false,
    });
    const version = pulse.data?.version;
    useEffect(() => {
        if (version === undefined || seen.current === version) return;
        const first = seen.current === null;
        seen.current = version;
        if (first) return;
        void client.invalidateQueries({ queryKey: ['job', job] });
        for (const key of rooms.flatMap((room) => room.touched)) void client.invalidateQueries({ queryKey: [key] });
    }, [client, job, rooms, version]);
}
