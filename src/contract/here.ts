import { formatISO } from 'date-fns';

/** The day it is, and how late, minutes after midnight, on the clock of the place. */
export const here = (now: Date): { today: string; clock: number } => ({
  today: formatISO(now, { representation: 'date' }),
  clock: now.getHours() * 60 + now.getMinutes(),
});
