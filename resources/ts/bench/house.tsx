import { createContext, createElement, use, type ComponentProps, type ComponentType } from 'react';
import { Boundary } from '../ui/boundary';
import type { Parts, Room } from './room';

interface House {
    rooms: readonly Room[];
    parts: Promise<{ room: string; parts: Parts }[]>;
}

/** Fetches what the rooms put on the pages of the hall, all at once. */
export const openHouse = (rooms: readonly Room[]): House => ({
    rooms,
    parts: Promise.all(rooms.map(async (room) => ({ room: room.name, parts: (await room.parts?.()) ?? {} }))),
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
        const Its = brought.parts[part] as ComponentType<object> | undefined;
        if (Its === undefined || (only !== undefined && only !== brought.room)) return null;
        return (
            <Boundary key={brought.room} room={brought.room}>
                {createElement(Its, props)}
            </Boundary>
        );
    });
}
