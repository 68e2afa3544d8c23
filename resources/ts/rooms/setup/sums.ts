import { useQuery } from '@tanstack/react-query';
import { api, data } from '../../api/client';

/** A sum of the room, computed by the server from what is typed. */
export function useSums(verb: string, body: Record<string, unknown>, ready: boolean) {
    const asked = useQuery({
        queryKey: ['setup-sums', verb, body],
        enabled: ready,
        retry: false,
        queryFn: () => data(api.POST('/compute/{room}/{verb}', { params: { path: { room: 'setup', verb } }, body })),
    });
    return { found: ready ? (asked.data as unknown) : undefined, problem: ready ? (asked.error?.message ?? null) : null };
}
