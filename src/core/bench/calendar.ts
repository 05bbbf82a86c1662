import { type GarmentModel, type PlanStep } from '../plan/index.ts';
import { daysBetween } from './days.ts';
import {
  BY_DAY,
  dropsAtHem,
  OPTIONAL,
  safeToLeave,
  WAIT_MINUTES,
  type Wait,
  waitAfter,
  waitBefore,
} from './leaving.ts';
import { type BenchLog } from './log.ts';
import { type Estimate, estimateOf, minutesFor, type Pace } from './pace.ts';
import { doneIn, stepsLeft } from './progress.ts';
import {
  type Done,
  layBackward,
  layForward,
  type Ready,
  type Sitting,
  type Slot,
  slotsOf,
  type Work,
} from './sittings.ts';
import { soonerOrder } from './sooner.ts';
import { type Week } from './week.ts';

/** Washing and drying the cloth before anything is cut: no step of the plan, but a day of the calendar. */
export const WASH = 'wash';
/** Loading, hanging up, ironing flat, minutes. Own figure. */
const WASH_MINUTES = 20;

/** What the calendar is made of. */
export interface Asked {
  steps: readonly PlanStep[];
  making: GarmentModel;
  log: BenchLog;
  pace: Pace;
  week: Week;
  /** The day it is where she sits, and how late, minutes after midnight. */
  today: string;
  clock: number;
  /** The day it is wanted for; null for none. */
  by: string | null;
  /** Minutes of each day that other projects take. */
  busy: Readonly<Record<string, number>>;
  /** When a step was done, in minutes from midnight of today; below 0 for before. */
  since: (at: string) => number;
}

/** What would bring it there in time, and by how much it helps, minutes. */
export type Way =
  | { how: 'leave'; steps: string[]; minutes: number; enough: boolean }
  | { how: 'day'; day: string; minutes: number; enough: boolean }
  | { how: 'longer'; minutes: number; sittings: number; enough: true }
  | { how: 'order'; steps: string[]; day: string; enough: boolean }
  | { how: 'later'; day: string; enough: true };

export interface Calendar {
  today: string;
  by: string | null;
  /** What is left, as long as it probably takes. */
  left: Estimate;
  /** Sittings from today on, and as late as they can be for the day wanted. */
  sittings: Sitting[];
  latest: Sitting[];
  /** The day it is done; null where two years are not enough, or there are no hours. */
  done: string | null;
  /** So many minutes of work are left when the day wanted is over; 0 where it is in time. */
  behind: number;
  /** So many minutes of the time until then are not needed; 0 where it is not in time. */
  spare: number;
  ways: Way[];
  /** Works that need more than the longest sitting, where they had to be parted. */
  parted: string[];
  /** Why a work has to wait, by its id. */
  waits: Record<string, Wait>;
  /** No sitting is by daylight, though something asks for it. */
  noDaylight: boolean;
}

/** The steps that are left as works: as long as they probably take, with what they wait for. */
export function worksOf({ steps, making, log, pace }: Pick<Asked, 'steps' | 'making' | 'log' | 'pace'>): {
  works: Work[];
  waits: Record<string, Wait>;
} {
  const drops = dropsAtHem(making.parts);
  const left = stepsLeft(steps, log);
  const safe = safeToLeave(left);
  const waits: Record<string, Wait> = {};
  const works = left.map((s, i): Work => {
    const [before, after] = [waitBefore(s, drops), waitAfter(s)];
    if (before) waits[s.id] = before;
    return {
      id: s.id,
      minutes: minutesFor(pace, s),
      after: before === 'washed' ? [...s.needs, WASH] : s.needs,
      waitBefore: before ? WAIT_MINUTES[before] : 0,
      waitAfter: after ? WAIT_MINUTES[after] : 0,
      held: !safe[i],
      byDay: BY_DAY.has(s.code),
    };
  });
  const wash = works.find((w) => waits[w.id] === 'washed');
  if (!wash) return { works, waits };
  const begin = { id: WASH, minutes: WASH_MINUTES, after: [], waitBefore: 0, waitAfter: 0, held: false, byDay: false };
  return { works: [begin, ...works], waits };
}

/** When steps that are done let others begin. */
function pastOf({ steps, log, since }: Asked, first: string, today: string): Ready {
  const shift = daysBetween(first, today) * 24 * 60;
  const done = doneIn(log);
  const codes = new Map(steps.map((s) => [s.id, s]));
  return new Map(
    log.steps.flatMap((l): [string, number][] => {
      const s = codes.get(l.id);
      const wait = s && waitAfter(s);
      return done.has(l.id) ? [[l.id, since(l.at) + shift + (wait ? WAIT_MINUTES[wait] : 0)]] : [];
    }),
  );
}

const sum = (list: readonly { minutes: number }[]): number => list.reduce((t, x) => t + x.minutes, 0);

/** What is not done by the end of a day, minutes. */
function undoneBy(sittings: readonly Sitting[], over: readonly Done[], by: string): number {
  return sum(sittings.filter((s) => s.day > by).flatMap((s) => s.done)) + sum(over);
}

/** Sittings from today on and back from the day wanted, what is short or to spare, and what would help. */
export function calendarOf(asked: Asked): Calendar {
  const { steps, log, pace, week, today, by, busy, clock } = asked;
  const { works, waits } = worksOf(asked);
  const slots = slotsOf(week, today, { busy, clock });
  const past = pastOf(asked, slots[0]?.day ?? today, today);
  const { sittings, over } = layForward(works, slots, past);
  const until = by === null ? [] : slots.filter((s) => s.day <= by);
  const behind = by === null ? 0 : undoneBy(sittings, over, by);
  const late = by === null || behind > 0 ? null : layBackward(works, until);
  const done = over.length || !works.length ? null : (sittings.at(-1)?.day ?? null);
  const base = { asked, works, slots, past, behind, done };
  return {
    ...{ today, by, left: estimateOf(pace, stepsLeft(steps, log)) },
    ...{ sittings, latest: late?.over.length ? [] : (late?.sittings ?? []), done, behind },
    spare: by === null || behind > 0 ? 0 : Math.max(0, sum(until) - sum(works)),
    ways: behind > 0 ? waysOf(base) : soonerWay(base),
    parted: works.flatMap((w) => (sittings.some((s) => s.done.some((d) => d.id === w.id && d.goesOn)) ? [w.id] : [])),
    waits,
    noDaylight: works.some((w) => w.byDay) && slots.length > 0 && !slots.some((s) => s.light),
  };
}

interface Base {
  asked: Asked;
  works: Work[];
  slots: Slot[];
  past: Ready;
  behind: number;
  done: string | null;
}

/** Another order that is done on an earlier day. */
function soonerWay({ asked, works, slots, past, done }: Base): Way[] {
  // As far as the given order goes is as far as a sooner one can need.
  const near = done === null ? slots : slots.filter((s) => s.day <= done);
  const order = works.length ? soonerOrder(works, near, past) : null;
  const last = order && layForward(order, near, past);
  const day = last?.sittings.at(-1)?.day;
  if (!order || !day || (done !== null && day >= done)) return [];
  const in_time = asked.by === null || day <= asked.by;
  return [{ how: 'order', steps: order.flatMap((w) => (w.id === WASH ? [] : [w.id])), day, enough: in_time }];
}

/** What would help where the time is too short, each tried: leaving out, another day, longer sittings, another order, a later day. */
function waysOf(b: Base): Way[] {
  const { asked, works, slots, past, behind, done } = b;
  const by = asked.by as string;
  const undone = (list: readonly Work[], time: readonly Slot[]): number => {
    const laid = layForward(list, time, past);
    return undoneBy(laid.sittings, laid.over, by);
  };
  const out: Way[] = [];
  const kinds = new Map(asked.steps.map((s) => [s.id, s.code]));
  const optional = works.filter((w) => OPTIONAL.has(kinds.get(w.id) ?? ''));
  const without = works.filter((w) => !optional.includes(w));
  if (optional.length) {
    const left = undone(without, slots);
    if (left < behind)
      out.push({ how: 'leave', steps: optional.map((w) => w.id), minutes: behind - left, enough: left === 0 });
  }
  const more = moreDay(b);
  if (more) out.push(more);
  const longer = longerSittings(b, (time) => undone(works, time));
  if (longer) out.push(longer);
  out.push(...soonerWay(b).filter((w) => w.how === 'order' && w.enough));
  if (done !== null) out.push({ how: 'later', day: done, enough: true });
  return out;
}

/** The minutes of a usual sitting: the middle one of a week. */
function usualMinutes(week: Week): number {
  const list = week.days
    .map((d) => d.minutes)
    .filter((m) => m > 0)
    .sort((x, y) => x - y);
  return list[list.length >> 1] ?? 120;
}

/** A day before the one wanted on which nothing is sewn yet: the one that helps most, the last of those that help alike. */
function moreDay({ asked, works, past, behind }: Base): Way | null {
  const { week, today, busy, clock } = asked;
  const by = asked.by as string;
  const minutes = Math.max(usualMinutes(week), Math.ceil(behind / 15) * 15);
  const free = Math.min(daysBetween(today, by), 27);
  let best: { day: string; helps: number } | null = null;
  const has = new Set(slotsOf(week, today, { busy, clock, days: free + 1 }).map((s) => s.day));
  const all = slotsOf({ ...week, days: week.days.map((d) => ({ ...d, minutes: Math.max(d.minutes, 1) })) }, today, {
    days: free + 1,
  });
  for (const { day } of all) {
    if (has.has(day) || day > by || busy[day]) continue;
    const with_ = { ...week, except: [...week.except.filter((e) => e.id !== day), { id: day, minutes }] };
    const laid = layForward(works, slotsOf(with_, today, { busy, clock }), past);
    const helps = behind - undoneBy(laid.sittings, laid.over, by);
    if (helps > 0 && (!best || helps >= best.helps)) best = { day, helps };
  }
  return best && { how: 'day', day: best.day, minutes, enough: best.helps >= behind };
}

/** By how much every sitting until then would have to be longer, in quarters of an hour; null where three hours are not enough. */
function longerSittings({ asked, slots }: Base, undone: (time: Slot[]) => number): Way | null {
  const by = asked.by as string;
  const sittings = slots.filter((s) => s.day <= by).length;
  for (let minutes = 15; minutes <= 180 && sittings; minutes += 15)
    if (undone(slots.map((s) => (s.day <= by ? { ...s, minutes: s.minutes + minutes } : s))) === 0)
      return { how: 'longer', minutes, sittings, enough: true };
  return null;
}
