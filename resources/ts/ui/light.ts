import { keepText, readText } from '../api/storage';

export type Light = 'day' | 'lamp';

const KEY = 'ash-bench.light';

export function light(): Light {
    const kept = readText(KEY);
    if (kept === 'day' || kept === 'lamp') return kept;
    return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'lamp' : 'day';
}

export function applyLight(chosen: Light = light()): void {
    document.documentElement.dataset['light'] = chosen;
}

export function chooseLight(chosen: Light): void {
    keepText(KEY, chosen);
    applyLight(chosen);
}
