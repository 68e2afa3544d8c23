const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

export const day = (at: string): string => DAY.format(new Date(at));
export const clock = (at: string): string => CLOCK.format(new Date(at));
export const dayAndClock = (at: string): string => `${day(at)}, ${clock(at)}`;

/** Minutes as people say them: 95 is "1 h 35". */
export const minutes = (count: number): string =>
    count < 60 ? `${count} min` : `${Math.floor(count / 60)} h ${String(count % 60).padStart(2, '0')}`;
