import { type PlanStep } from '../plan/index.ts';

/** What two lengths that are to be sewn together are to each other, and what is done about it. */
export const MATCHES = ['alike', 'ease', 'meant', 'unpick'] as const;
export type Match = (typeof MATCHES)[number];

export interface Judged {
  match: Match;
  /** How much longer the first is than the second, mm, beyond the ease that is meant. */
  over: number;
  /** How much both together are longer than the plan has them, mm on the mean; 0 where it says nothing. */
  against: number;
  /** Seams that cross it: their allowances may be where the difference comes from; and how much each would be off, mm. */
  crossings: number;
  each: number;
}

/** Walked seams pass up to 1.5 mm (1/16"): common practice. */
const PASSES = 1.5;
/** What a woven edge eases in without a tuck: two in a hundred of its length. Own figure, from common practice of 1 to 2 %. */
const EASES = 0.02;

/**
 * What lengths measured before sewing say: the longer side of the step first, as the plan has `a` and `b`. One value alone is
 * held against the plan. `crossings`: seams already sewn across the edge, each with two allowances.
 */
export function judge(s: PlanStep, values: readonly number[], crossings: number): Judged {
  const planned = [s.data.a, s.data.b].filter((v): v is number => v !== undefined).slice(0, values.length);
  const [x = 0, y] = values;
  const [a, b] = planned;
  const meant = a !== undefined && b !== undefined ? a - b : 0;
  const against = planned.length ? mean(values.slice(0, planned.length)) - mean(planned) : 0;
  const over = y === undefined ? against : x - y - meant;
  const off = Math.abs(over);
  const fits: Match = Math.abs(meant) > PASSES ? 'meant' : 'alike';
  const match = off <= PASSES ? fits : off <= EASES * mean(values) ? 'ease' : 'unpick';
  return { match, over, against, crossings, each: crossings ? off / (2 * crossings) : 0 };
}

const mean = (list: readonly number[]): number => list.reduce((t, v) => t + v, 0) / Math.max(1, list.length);
