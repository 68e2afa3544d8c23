import { createContext, createElement, use, type ComponentProps, type ComponentType } from 'react';
import { Boundary, Broken } from '../ui/boundary';
import type { Parts, Room } from './room';

interface Fetched {
    room: string;
    parts: Parts;
    /** why they could not be fetched */
    problem: unknown;
}

interface House {
    rooms: readonly Room[];
    parts: Promise<Fetched[]>;
}

/** Where a room whose parts could not be fetched says so: once on a page. */
const SAYS_SO: readonly (keyof Parts)[] = ['JobPart', 'MachinePart', 'BoardPart'];

async function fetched(room: Room): Promise<Fetched> {
    try {
        return { room: room.name, parts: (await room.parts?.()) ?? {}, problem: null };
    } catch (problem) {
        return { room: room.name, parts: {}, problem: problem ?? 'nothing was said' };
    }
}

/** Fetches what the rooms put on the pages of the hall, all at once. */
export const openHouse = (rooms: readonly Room[]): House => ({
    rooms,
    parts: Promise.all(rooms.map(fetched)),
});

export const HouseContext = createContext<House>({ rooms: [], parts: Promise.resolve([]) });

export const useRooms = (): readonly Room[] => use(HouseContext).rooms;

/** What the rooms bring to one place of a page; `only` of the room with that name. A part that fails leaves the others standing. */
export function Brought<K extends keyof Parts>({
    part,
    only,
    ...props
}: { part: K; only?: string | null } & ComponentProps<NonNullable<Parts[K]>>) {
    return use(use(HouseContext).parts).map((brought) => {
        if (brought.problem !== null && SAYS_SO.includes(part))
            return <Broken key={brought.room} room={brought.room} problem={brought.problem} />;
        const Its = brought.parts[part] as ComponentType<object> | undefined;
        if (Its === undefined || (only !== undefined && only !== brought.room)) return null;
        return (
            <Boundary key={brought.room} room={brought.room}>
                {createElement(Its, props)}
            </Boundary>
        );
    });
}
