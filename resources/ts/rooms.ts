import type { Room } from './bench/room';
import { batteries } from './rooms/batteries/room';
import { capacitors } from './rooms/capacitors/room';
import { corrosion } from './rooms/corrosion/room';
import { instruments } from './rooms/instruments/room';
import { isolation } from './rooms/isolation/room';
import { logbook } from './rooms/logbook/room';
import { memory } from './rooms/memory/room';
import { people } from './rooms/people/room';
import { rails } from './rooms/rails/room';
import { report } from './rooms/report/room';
import { setup } from './rooms/setup/room';
import { shelf } from './rooms/shelf/room';
import { treatments } from './rooms/treatments/room';

/** The rooms, in the order in which the hall shows what they bring. */
export const ROOMS: readonly Room[] = [
    logbook,
    rails,
    report,
    batteries,
    corrosion,
    shelf,
    memory,
    capacitors,
    isolation,
    setup,
    treatments,
    instruments,
    people,
];
