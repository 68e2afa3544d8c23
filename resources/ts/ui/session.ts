import { useQuery } from '@tanstack/react-query';
import { createContext, useContext } from 'react';
import { api, data, Refusal, type Schemas } from '../api/client';

export type Person = Schemas['PersonCard'];

/** Who is signed in, or null when nobody is. */
export function useSession() {
    return useQuery({
        queryKey: ['session'],
        staleTime: 60_000,
        queryFn: async (): Promise<Person | null> => {
            try {
                return await data(api.GET('/session'));
            } catch (problem) {
                if (problem instanceof Refusal && problem.status === 401) return null;
                throw problem;
            }
        },
    });
}

export const PersonContext = createContext<Person | null>(null);

export function usePerson(): Person {
    const person = useContext(PersonContext);
    if (person === null) throw new Error('nobody is signed in');
    return person;
}

/** What the role shows; what it may do is decided by the server. */
export const useMayRecord = (): boolean => usePerson().role !== 'viewer';
export const useIsLead = (): boolean => usePerson().role === 'lead';
