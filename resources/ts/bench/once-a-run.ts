import { isRecord, keepText, parsed, readText } from '../api/storage';

/** What was chosen once for a run, by the run; the oldest runs are forgotten. */
const KEY = 'ash-bench.once-a-run';
const KEPT = 40;

type Chosen = Record<string, Record<string, string>>;

const isChosen = (it: unknown): it is Chosen => isRecord(it) && Object.values(it).every((of) => isRecord(of));

const all = (): Chosen => parsed(readText(KEY), isChosen) ?? {};

export const chosenOf = (run: string, what: string): string | null => all()[run]?.[what] ?? null;

export function chooseFor(run: string, what: string, value: string): void {
    const { [run]: of, ...others } = all();
    const kept = Object.entries(others).slice(1 - KEPT);
    keepText(KEY, JSON.stringify({ ...Object.fromEntries(kept), [run]: { ...of, [what]: value } }));
}
