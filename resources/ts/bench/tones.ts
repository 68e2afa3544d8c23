import { keepText, readText } from '../api/storage';
import type { Place } from './verdict';

/** Hertz and lengths: in is one high tone, close two middle ones, out one long low one, so that eyes can stay on the probe. */
const TONES: Record<Place, [hertz: number, seconds: number][]> = {
    in: [[880, 0.09]],
    in_close: [
        [660, 0.08],
        [880, 0.08],
    ],
    out_close: [
        [660, 0.08],
        [440, 0.12],
    ],
    out: [[220, 0.35]],
};
const KEY = 'ash-bench.tones';
let audio: AudioContext | undefined;

export const tonesOn = (): boolean => readText(KEY) === 'on';
export const setTones = (on: boolean): void => keepText(KEY, on ? 'on' : 'off');

export function sound(place: Place | null): void {
    if (place === null || !tonesOn()) return;
    audio ??= new AudioContext();
    let at = audio.currentTime;
    for (const [hertz, seconds] of TONES[place]) {
        const tone = audio.createOscillator();
        const level = audio.createGain();
        tone.frequency.value = hertz;
        level.gain.value = 0.12;
        tone.connect(level).connect(audio.destination);
        tone.start(at);
        tone.stop(at + seconds);
        at += seconds + 0.05;
    }
}
