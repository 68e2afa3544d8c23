import { useState } from 'react';
import { Refusal, words } from '../api/client';

/** A form's way to the server: what is wrong comes back by field, and the rest in one line. */
export function useSend<T>(send: () => Promise<T>, done: (result: T) => void) {
    const [refusal, setRefusal] = useState<Refusal | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const submit = async () => {
        setBusy(true);
        setRefusal(null);
        setProblem(null);
        try {
            done(await send());
        } catch (caught) {
            if (caught instanceof Refusal) setRefusal(caught);
            else setProblem(words(caught));
        } finally {
            setBusy(false);
        }
    };
    return { submit, busy, problem, refusal, at: (pointer: string) => refusal?.at(pointer) };
}
