import type { KeyboardEvent } from 'react';

/** A place on a picture, in shares of its width and height. */
export interface Spot {
    x: number;
    y: number;
}

const STEP = 0.01;
const FAR = 5;
const MOVES: Record<string, Spot> = {
    ArrowLeft: { x: -STEP, y: 0 },
    ArrowRight: { x: STEP, y: 0 },
    ArrowUp: { x: 0, y: -STEP },
    ArrowDown: { x: 0, y: STEP },
};

const inside = (share: number): number => Math.max(0, Math.min(1, share));

/** Where a pointer is on the element that listens. */
export const spotOf = (event: { clientX: number; clientY: number; currentTarget: Element }): Spot => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: inside((event.clientX - box.left) / box.width), y: inside((event.clientY - box.top) / box.height) };
};

/** The arrow keys move a spot, with Shift farther; Enter takes it. */
export function moveSpot(event: KeyboardEvent, spot: Spot, move: (to: Spot) => void, take: (it: Spot) => void): void {
    const by = MOVES[event.key];
    if (by === undefined && event.key !== 'Enter') return;
    event.preventDefault();
    const far = event.shiftKey ? FAR : 1;
    if (by === undefined) take(spot);
    else move({ x: inside(spot.x + by.x * far), y: inside(spot.y + by.y * far) });
}
