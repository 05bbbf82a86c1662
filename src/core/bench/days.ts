import { addDays, differenceInCalendarDays, formatISO, getISODay, isValid, parseISO } from 'date-fns';

// Days as they stand on a calendar, `YYYY-MM-DD`: no clock and no time zone in them, so that neither changes what day it is.

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Whether it is a day there is: no 30 February. */
export const isDay = (day: string): boolean => DAY.test(day) && isValid(parseISO(day));

/** So many days later; earlier below 0. */
export const dayAfter = (day: string, by: number): string =>
  formatISO(addDays(parseISO(day), by), { representation: 'date' });

/** Days from one to the other; below 0 where the second is earlier. */
export const daysBetween = (from: string, to: string): number => differenceInCalendarDays(parseISO(to), parseISO(from));

/** 0 for Monday to 6 for Sunday. */
export const weekday = (day: string): number => getISODay(parseISO(day)) - 1;
