import type { ComponentType } from 'react';
import type { RouteObject } from 'react-router';
import type { Schemas } from '../api/client';
import type { OnProfile } from './profile-form';

/** What is shown of a job while one of its rooms is asked for its part. */
export interface OnJob {
    job: Schemas['JobCard'];
    /** entries may be written: the job is open and the person may record */
    may: boolean;
}

/** What a room puts on the pages of the hall. The hall places the parts; what they show is the room's own. */
export interface Parts {
    /** beside the title of a job, with the key it listens to */
    JobAction?: ComponentType<OnJob>;
    /** the way to the work, under a next step of this room */
    JobNext?: ComponentType<OnJob>;
    /** a part of a job's page */
    JobPart?: ComponentType<OnJob>;
    /** across the page of a machine */
    MachineTop?: ComponentType<{ machine: string }>;
    /** among the parts of a machine's page */
    MachinePart?: ComponentType<{ machine: string }>;
    /** its fields in the form of a machine's description */
    ProfileForm?: ComponentType<OnProfile>;
    /** a part of a board's page */
    BoardPart?: ComponentType<{ board: string }>;
    /** below what was searched for in all records */
    Searched?: ComponentType;
    /** below the list of what runs */
    RunningPart?: ComponentType;
    /** beside the list of what has its time */
    DueAction?: ComponentType;
}

/** A door from a job to the room's screen about it. */
export interface Door {
    /** after the job's address */
    path: string;
    words: string;
    key: string;
    /** what the list of keys says of it; the words themselves when it says nothing else */
    does?: string;
    /** stands beside the title instead of among the rooms */
    beside?: true;
}

/** A capability on this floor. The shell and the hall know rooms by this contract only, and walk the list of them (rooms.ts). */
export interface Room {
    /** the same on every floor: a next step says which room it belongs to */
    name: string;
    routes: RouteObject[];
    /** where the room stands in the head of every page */
    navigation?: { to: string; words: string; lead?: true }[];
    doors?: Door[];
    /** what a machine's page links to */
    machineLinks?: { path: string; words: string }[];
    /** what a job's page links to, beside its title */
    jobLinks?: { to: (job: string) => string; words: string }[];
    /** what a board's page links to */
    boardLinks?: { to: (board: string) => string; words: string }[];
    /** keys that the room's parts of a job's page listen to */
    keys?: [key: string, does: string][];
    /** what its parts of a job's page will ask: asked at once, beside the job itself */
    asksOfJob?: (job: string) => { queryKey: string[]; queryFn: () => Promise<unknown> }[];
    /** first keys of the queries whose answers an entry may change */
    touched: string[];
    /** loaded with the pages of the hall */
    parts?: () => Promise<Parts>;
}
