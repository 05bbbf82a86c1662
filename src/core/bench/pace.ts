import { type StepLog } from './log.ts';

/** One step that was timed: its kind, where, the handbook's minutes for it and the sewist's own. */
export type Timed = Pick<StepLog, 'code' | 'station' | 'planned'> & { minutes: number };

/** How a sewist's minutes stand to the handbook's; learnt from what she timed. */
export interface Pace {
  /** How many steps it is learnt from. */
  count: number;
  /** Her minutes for one of the handbook's: overall, by station, and by kind of step. */
  all: number;
  stations: Record<string, number>;
  codes: Record<string, number>;
  /** How many were timed at each station. */
  counts: Record<string, number>;
  /** By how much the mean lies above the median: now and then a step drags on. */
  drag: number;
  /** How far single steps scatter about that: a standard deviation of logarithms. */
  scatter: number;
}

/** What is thought before anything is timed, as so many steps: of a sewist, of a station, of a kind. Own figures. */
const PRIOR = { all: 3, station: 3, code: 4 };
/** How far single steps scatter, and sewists differ, before anything is known: standard deviations of logarithms. Own figures. */
const SCATTER = 0.4;
const SEWISTS = 0.35;
const STATIONS = 0.25;
/** One step counts for at most so many times its median, and so many without any drag are thought before. Own figures. */
const DRAG = { most: 3, prior: 10 };
/** Beyond ten times the handbook's minutes, or a tenth, the timer was forgotten. Own figure. */
const FORGOTTEN = 10;
/** Eight of ten lie within so many standard deviations of a normal distribution. */
const EIGHT_OF_TEN = 1.2816;

/** What was timed of these steps. */
export const timedOf = (steps: readonly StepLog[]): Timed[] =>
  steps.flatMap((l) => {
    const minutes = l.minutes ?? 0;
    const known = l.state === 'done' && l.planned > 0 && minutes > 0;
    const ratio = known ? minutes / l.planned : 0;
    return known && ratio < FORGOTTEN && ratio > 1 / FORGOTTEN
      ? [{ code: l.code, station: l.station, planned: l.planned, minutes }]
      : [];
  });

function median(list: readonly number[]): number {
  const sorted = [...list].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 ? (sorted[mid] as number) : ((sorted[mid - 1] as number) + (sorted[mid] as number)) / 2;
}

/** The middle of what was seen, `weight` times what was thought before among it. */
const drawn = (seen: readonly number[], thought: number, weight: number): number =>
  median([...seen, ...Array<number>(weight).fill(thought)]);

function grouped<T>(list: readonly T[], key: (x: T) => string): Map<string, T[]> {
  const out = new Map<string, T[]>();
  for (const x of list) out.set(key(x), [...(out.get(key(x)) ?? []), x]);
  return out;
}

/**
 * The pace of what was timed: medians of the ratios to the handbook's minutes, so that a phone call in the middle of a seam
 * does not count, each drawn towards the wider group it belongs to: a kind of step to its station, a station to all.
 */
export function paceOf(timed: readonly Timed[]): Pace {
  const log = (t: Timed): number => Math.log(t.minutes / t.planned);
  const all = drawn(timed.map(log), 0, PRIOR.all);
  const stations = new Map(
    [...grouped(timed, (t) => t.station)].map(([at, list]) => [at, drawn(list.map(log), all, PRIOR.station)]),
  );
  const codes = [...grouped(timed, (t) => t.code)].map(([code, list]): [string, number] => {
    const wider = stations.get(list[0]?.station ?? '') ?? all;
    return [code, drawn(list.map(log), wider, PRIOR.code)];
  });
  const by = new Map(codes);
  // 1.4826 times the median distance is the standard deviation of a normal distribution.
  const rest = timed.map((t) => log(t) - (by.get(t.code) ?? all));
  const off = rest.map((r) => Math.abs(r) * 1.4826);
  const n = timed.length;
  const drag = rest.reduce((t, r) => t + Math.min(DRAG.most, Math.exp(r)), DRAG.prior) / (n + DRAG.prior);
  return {
    count: n,
    all: Math.exp(all),
    stations: Object.fromEntries([...stations].map(([k, v]) => [k, Math.exp(v)])),
    codes: Object.fromEntries(codes.map(([k, v]) => [k, Math.exp(v)])),
    counts: Object.fromEntries([...grouped(timed, (t) => t.station)].map(([k, list]) => [k, list.length])),
    drag: Math.max(1, drag),
    scatter: drawn(off, SCATTER, 6),
  };
}

/** Minutes that a step probably takes her. */
export function minutesFor(p: Pace, s: { code: string; station: string; minutes: number }): number {
  const ratio = p.codes[s.code] ?? p.stations[s.station] ?? p.all;
  return s.minutes * ratio * p.drag;
}

/** What a piece of work probably takes, minutes, and between what eight of ten would lie. */
export interface Estimate {
  minutes: number;
  low: number;
  high: number;
}

/** What steps take together: each scatters by itself, and all of them as far as the pace is not sure. */
export function estimateOf(p: Pace, steps: readonly { code: string; station: string; minutes: number }[]): Estimate {
  const each = steps.map((s) => minutesFor(p, s));
  const minutes = each.reduce((t, m) => t + m, 0);
  if (!minutes) return { minutes: 0, low: 0, high: 0 };
  const alone = each.reduce((t, m) => t + m * m, 0) * (Math.exp(p.scatter ** 2) - 1);
  const known = (n: number, prior: number): number => prior / (prior + n);
  const whole = SEWISTS ** 2 * known(p.count, PRIOR.all);
  const stations = [...grouped(steps, (s) => s.station)].reduce((t, [at, list]) => {
    const share = list.reduce((m, s) => m + minutesFor(p, s), 0) / minutes;
    return t + share ** 2 * STATIONS ** 2 * known(p.counts[at] ?? 0, PRIOR.station);
  }, 0);
  const spread = Math.sqrt(alone / minutes ** 2 + whole + stations);
  return { minutes, low: minutes * Math.exp(-EIGHT_OF_TEN * spread), high: minutes * Math.exp(EIGHT_OF_TEN * spread) };
}
