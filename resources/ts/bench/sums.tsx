import { useQuery } from '@tanstack/react-query';
import { api, data } from '../api/client';
import { Field } from '../ui/controls';

/** A sum of a room, computed by the server from what is typed; nothing is asked before it is ready. */
export function useSums(room: string, verb: string, body: Record<string, unknown>, ready = true) {
    const asked = useQuery({
        queryKey: ['sums', room, verb, body],
        enabled: ready,
        retry: false,
        queryFn: () => data(api.POST('/compute/{room}/{verb}', { params: { path: { room, verb } }, body })),
    });
    return { found: ready ? (asked.data as unknown) : undefined, problem: ready ? (asked.error?.message ?? null) : null };
}

/** The figures that a sum is made of, in a row. */
export function Figures<K extends string>({
    fields,
    typed,
    set,
}: {
    fields: readonly (readonly [name: K, label: string])[];
    typed: Record<K, string>;
    set: (name: K, value: string) => void;
}) {
    return fields.map(([name, label]) => (
        <Field
            key={name}
            label={label}
            inputMode="decimal"
            size={8}
            value={typed[name]}
            onChange={(event) => set(name, event.target.value)}
        />
    ));
}
