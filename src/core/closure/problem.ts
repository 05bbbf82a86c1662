/** A stretch of the closing line where no button centre may lie, mm from the top of the line. */
export interface Zone {
  code: string;
  from: number;
  to: number;
  /** So far outside it a centre should stay if it can, mm; nearer ones cost. */
  margin: number;
}

/** A height that wants a button: bust, waist, break point. */
export interface Level {
  code: string;
  at: number;
  /** The nearest button may be so far off, mm; null when it is only a wish. */
  give: number | null;
  weight: number;
}

/** Where the first or last centre is wished, and how far it may move either way, mm. */
export interface End {
  at: number;
  give: number;
}

/** A button that stays where it is: dragged there, or its hole is sewn or cut. Index from 0 at the top. */
export interface Pin {
  index: number;
  at: number;
  /** Its hole is sewn or cut: nothing moves it. */
  sewn?: boolean;
}

/** All that decides where the buttons of one line go. Lengths in mm from the top of the line. */
export interface Problem {
  first: End;
  last: End;
  count: { least: number; most: number; wish: number | null };
  /** Between two centres: least and most that may be, and what is wished. */
  gap: {
    least: number;
    most: number;
    wish: number | null;
    /** The least there may be for buttons and holes alone, where a first gap of its own asks for more. */
    own?: number;
  };
  /** Gaps are whole multiples of this; those that are multiples of `round` too are liked better. */
  step: number;
  round: number;
  /** Steps that gaps may take where they come out alike by them, or nothing else goes; `step` where it is left out. */
  fine?: number;
  /** First gap, exact; null where it is one like the others. */
  head: number | null;
  /** Buttons in groups: how many in each, and how far apart in it. */
  group: { size: number; inner: number } | null;
  zones: Zone[];
  levels: Level[];
  pins: Pin[];
  /** What each part of the score counts for, 1 as a rule; none below 1. */
  weights: Score;
}

export const PARTS = ['even', 'level', 'clear', 'round', 'wish'] as const;
export type Part = (typeof PARTS)[number];
/** What each part of the score costs, in points; the less the better. */
export type Score = Record<Part, number>;
export const EQUAL_WEIGHTS: Score = { even: 1, level: 1, clear: 1, round: 1, wish: 1 };

/**
 * Points. Gaps that are not all alike cost a half at once, and a thousandth for every millimetre off and every gap that
 * follows: unlike ones go together to the lower end, where they show least. A gap 4 mm off the others costs one, an end or a level 10 mm off one: uneven gaps are seen first; a button at
 * the very rim of a zone two; a gap off the round figures a twentieth; a button more or less than wished three, so that it
 * is given up only for something one sees. Our own weights: no book gives any.
 */
export const POINTS = { even: 4, unlike: 0.5, order: 0.001, off: 10, rim: 2, odd: 0.05, count: 3 } as const;

/** Slack of comparisons along the line, mm. */
export const NEAR = 1e-6;

const square = (v: number): number => (v / POINTS.off) ** 2;

/** Cost of a centre near zones; infinite inside one. */
export function clearCost(zones: Zone[], x: number): number {
  let sum = 0;
  for (const z of zones) {
    if (x > z.from + NEAR && x < z.to - NEAR) return Number.POSITIVE_INFINITY;
    const away = x <= z.from + NEAR ? z.from - x : x - z.to;
    if (away < z.margin) sum += POINTS.rim * ((z.margin - Math.max(0, away)) / z.margin) ** 2;
  }
  return sum;
}

/** The same of one button: where a hole is sewn already, nothing can be kept clear any more. */
export const zoneCost = (p: Problem, x: number): number =>
  p.pins.some((q) => q.sewn && Math.abs(q.at - x) < NEAR) ? 0 : clearCost(p.zones, x);

/** The gap that all would have, were the last button where it is wished or held; `n` buttons, the first at `first`. */
export function idealGap(p: Problem, n: number, first: number): number {
  const blocks = blocksOf(p, n);
  const end = blocks[blocks.length - 1] as Block;
  const last = end.pin === null ? p.last.at : end.pin + widthOf(end);
  const widths = blocks.reduce((s, b) => s + widthOf(b), 0);
  return (last - first - widths) / Math.max(1, blocks.length - 1);
}

/** What it costs that a free gap is off the ideal one with so many free gaps below it. */
export const orderCost = (gap: number, ideal: number, below: number): number =>
  POINTS.order * below * Math.abs(gap - ideal);

/** Cost of the nearest button being so far from a level; infinite beyond what it may give. */
export const levelCost = (l: Level, away: number): number =>
  l.give !== null && away > l.give + NEAR ? Number.POSITIVE_INFINITY : l.weight * square(away);

/** Cost of the levels from one button (included) to the next (not). */
export function between(levels: Level[], a: number, b: number): number {
  let sum = 0;
  for (const l of levels) if (l.at >= a && l.at < b) sum += levelCost(l, Math.min(l.at - a, b - l.at));
  return sum;
}

/** Cost of the levels above the first button and at or below the last. */
export function outside(levels: Level[], first: number, last: number): number {
  let sum = 0;
  for (const l of levels) {
    if (l.at < first) sum += levelCost(l, first - l.at);
    else if (l.at >= last) sum += levelCost(l, l.at - last);
  }
  return sum;
}

export const roundCost = (p: Problem, gap: number): number =>
  Math.abs(gap - Math.round(gap / p.round) * p.round) < 1e-4 ? 0 : POINTS.odd;

/** Cost of ends, number and mean gap being other than wished; `mean` of the free gaps, NaN when there are none. */
export function wishCost(p: Problem, n: number, first: number, last: number, mean: number): number {
  const ends = square(first - p.first.at) + (n > 1 ? square(last - p.last.at) : 0);
  const number = p.count.wish === null ? 0 : POINTS.count * Math.abs(n - p.count.wish);
  const gap = p.gap.wish === null || Number.isNaN(mean) ? 0 : square(mean - p.gap.wish);
  return ends + number + gap;
}

/** Buttons that move together: the first two with a fixed first gap, or a group. */
export interface Block {
  /** Index of its first button. */
  from: number;
  /** Places of its buttons from that one, mm. */
  offsets: number[];
  /** Where its first button is held; null when it may move. */
  pin: number | null;
}

/** The rigid blocks of `n` buttons. A block whose pins contradict its own distances falls into single buttons. */
export function blocksOf(p: Problem, n: number): Block[] {
  const sizes: number[] = [];
  const size = p.group?.size ?? 1;
  if (p.head !== null && n > 1) sizes.push(2);
  for (let left = n - (sizes[0] ?? 0); left > 0; left -= size) sizes.push(Math.min(size, left));
  const inner = p.head ?? p.group?.inner ?? 0;
  let from = 0;
  return sizes.flatMap((m): Block[] => {
    const start = from;
    from += m;
    const offsets = Array.from({ length: m }, (_, i) => i * inner);
    const pins = p.pins.filter((q) => q.index >= start && q.index < from);
    const leads = pins.map((q) => q.at - (offsets[q.index - start] as number));
    if (leads.every((l) => Math.abs(l - (leads[0] as number)) < NEAR))
      return [{ from: start, offsets, pin: leads[0] ?? null }];
    return offsets.map((_, i) => ({
      from: start + i,
      offsets: [0],
      pin: pins.find((q) => q.index === start + i)?.at ?? null,
    }));
  });
}

/** A last button that may not move at all is held like a pin, whether whole steps lead to it or not. */
export const held = (p: Problem, n: number): Problem =>
  n > 1 && p.last.give === 0 && !p.pins.some((q) => q.index === n - 1)
    ? { ...p, pins: [...p.pins, { index: n - 1, at: p.last.at }] }
    : p;

export const widthOf = (b: Block): number => b.offsets[b.offsets.length - 1] as number;

/** The gaps that are to be alike: not those within a group, nor a first one of its own. */
export const freeGaps = (p: Problem, at: number[]): number[] =>
  blocksOf(p, at.length)
    .slice(1)
    .map((b) => (at[b.from] as number) - (at[b.from - 1] as number));

/** The score of buttons at given places, part by part; the places are taken as they are. */
export function scoreOf(p: Problem, at: number[]): Score {
  const n = at.length;
  const free = freeGaps(p, at);
  const mean = free.reduce((a, b) => a + b, 0) / free.length;
  const [first, last] = [at[0] as number, at[n - 1] as number];
  const sum = (of: number[]): number => of.reduce((a, b) => a + b, 0);
  const ideal = idealGap(held(p, n), n, first);
  return {
    even: sum(free.map((g, i) => ((g - mean) / POINTS.even) ** 2 + orderCost(g, ideal, free.length - 1 - i))),
    level: sum(at.slice(1).map((x, i) => between(p.levels, at[i] as number, x))) + outside(p.levels, first, last),
    clear: sum(at.map((x) => zoneCost(p, x))),
    round: sum(free.map((g) => roundCost(p, g))),
    wish: wishCost(p, n, first, last, mean),
  };
}

export const totalOf = (s: Score, weights: Score = EQUAL_WEIGHTS): number =>
  PARTS.reduce((sum, k) => sum + s[k] * weights[k], 0);
