import { type FindingCode } from '../findingcodes.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { type Loosening, loosenings } from './loosen.ts';
import { possible, possibleFor } from './possible.ts';
import {
  blocksOf,
  freeGaps,
  NEAR,
  PARTS,
  type Part,
  POINTS,
  type Problem,
  type Score,
  scoreOf,
  totalOf,
  widthOf,
} from './problem.ts';
import { search } from './search.ts';

/** One way to set the buttons. */
export interface Placement {
  /** Button centres, mm from the top of the closing line. */
  at: number[];
  gaps: number[];
  score: Score;
  total: number;
  /** What it is the best at: all together, one part of the score, another number; or it is the next best that differs. */
  by: 'all' | 'count' | 'next' | Part;
}

/** Two answers are not the same when they differ in number, or one button lies so far off, mm. */
export const APART = 20;
/** An answer offers something when a part of its score is better by so many points. */
const GAIN = 0.2;
/** A next best answer so many points worse than the best is of no use. */
const WORSE = 100;
/** How much more one part counts where an answer is asked for that is good at it. */
const EMPHASIS = 5;
/** No more buttons than this are placed. */
export const MOST_BUTTONS = 40;

/** Number of buttons nearest to a wished gap over a span; at least two when the span is not zero. */
export const countForGap = (span: number, gap: number): number => Math.max(2, Math.round(span / gap) + 1);

/** How many buttons there is room for at the least gap; at least one. */
function mostThatFit(p: Problem): number {
  const reach = p.last.at + p.last.give - p.first.at + p.first.give + NEAR;
  const need = (n: number): number => {
    const blocks = blocksOf(p, n);
    return blocks.reduce((s, b) => s + widthOf(b), 0) + (blocks.length - 1) * p.gap.least;
  };
  let n = 1;
  while (n < MOST_BUTTONS && need(n + 1) <= reach) n++;
  return n;
}

/** The longest first gap below the wished one that goes, a whole number of mm; 0 for none. */
function shorterHead(p: Problem, own: number): number {
  const goes = (to: number): boolean =>
    possible({ ...p, head: to, step: p.fine ?? p.step, gap: { ...p.gap, least: Math.max(own, to) } });
  let [lo, hi] = [Math.ceil(own), Math.floor(p.head ?? 0)];
  if (!goes(lo)) return 0;
  while (hi - lo > 1) {
    const middle = Math.floor((lo + hi) / 2);
    if (goes(middle)) lo = middle;
    else hi = middle;
  }
  return lo;
}

/** The most up to `fit` that can be placed with zones, levels and steps as they are; 0 for none. */
function trueMost(p: Problem, fit: number): number {
  for (let n = fit; n >= 1; n--) if (possibleFor({ ...p, count: { ...p.count, least: n, most: n } }, n)) return n;
  return 0;
}

/** What is wrong with the figures themselves, before anything is searched. */
function faults(p: Problem): Finding | null {
  const span = p.last.at - p.first.at;
  const { least, most: greatest } = p.count;
  if (
    !Number.isInteger(least) ||
    !Number.isInteger(greatest) ||
    least < 1 ||
    greatest < least ||
    greatest > MOST_BUTTONS
  )
    return stop('button-count-bad', undefined, {
      count: least < 1 || !Number.isInteger(least) ? least : greatest,
      most: MOST_BUTTONS,
    });
  if (greatest > 1 && span < -NEAR)
    return stop('no-room-for-buttons', undefined, { first: p.first.at, last: p.last.at });
  const fit = mostThatFit(p);
  if (least > fit && !p.pins.length) {
    // A first gap that is to be the shortest, and leaves no room for the others: it is what has to give.
    const own = p.gap.own ?? p.gap.least;
    if (p.head !== null && p.head > own && mostThatFit({ ...p, head: null, gap: { ...p.gap, least: own } }) >= least) {
      const longest = shorterHead(p, own);
      if (longest) return stop('first-gap-too-long', undefined, { gap: p.head, most: longest });
    }
    const most = trueMost({ ...p, step: p.fine ?? p.step }, fit);
    if (most > 0) return stop('too-many-buttons', undefined, { count: least, most, least: p.gap.least });
  }
  const covering = p.zones.find(
    (z) => z.from < p.first.at - p.first.give + NEAR && z.to > p.last.at + p.last.give - NEAR,
  );
  if (covering)
    return stop('zone-covers-line', undefined, { zone: covering.code, from: covering.from, to: covering.to });
  return null;
}

const LOOSEN_CODES: Record<Loosening['what'], FindingCode> = {
  count: 'loosen-count',
  zone: 'loosen-zone',
  'gap-least': 'loosen-gap-least',
  'gap-most': 'loosen-gap-most',
  first: 'loosen-first',
  last: 'loosen-last',
  level: 'loosen-level',
  pin: 'loosen-pin',
  head: 'loosen-head',
  group: 'loosen-group',
};

/** A constraint to let go, as a finding that the interface offers as a cure. */
const told = (l: Loosening): Finding => ({
  code: LOOSEN_CODES[l.what],
  severity: 'note',
  data: { index: l.index, name: l.code, from: l.from, to: l.to },
});

/** Whether all gaps that are to be alike are. */
function allAlike(p: Problem, at: number[]): boolean {
  const free = freeGaps(p, at);
  return free.every((g) => Math.abs(g - (free[0] as number)) < NEAR);
}

function placementOf(p: Problem, at: number[], by: Placement['by']): Placement {
  const plain = scoreOf(p, at);
  const score = allAlike(p, at) ? plain : { ...plain, even: plain.even + POINTS.unlike };
  return { at, gaps: at.slice(1).map((x, i) => x - (at[i] as number)), score, total: totalOf(score), by };
}

const apart = (a: number[], b: number[]): boolean =>
  a.length !== b.length || a.some((x, i) => Math.abs(x - (b[i] as number)) >= APART - NEAR);

/** Places for an end, the wished one first. */
function endsOf(e: Problem['first'], step: number): number[] {
  const out = [e.at];
  for (let i = 1; i * step <= e.give + NEAR; i++) out.push(e.at + i * step, e.at - i * step);
  return out;
}

/** No garment's closing has more places for so many buttons: beyond, fine steps are looked at only where nothing else goes. */
const MOST_WORK = 30_000;
const isShort = (p: Problem): boolean =>
  ((p.last.at + p.last.give - p.first.at + p.first.give) / p.step) * p.count.most <= MOST_WORK;

const offCost = (v: number): number => (v / POINTS.off) ** 2;

/**
 * The best placement whose gaps are all alike, as far as the ends may give: for every first place all gaps of whole steps
 * that end where the last may. Null where there is none, or gaps are not meant to be alike.
 */
function alike(p: Problem): number[] | null {
  if (p.head !== null || p.group) return null;
  let best: { at: number[]; cost: number } | null = null;
  const dear = (first: number, last: number): boolean =>
    best !== null && p.weights.wish * (offCost(first - p.first.at) + offCost(last - p.last.at)) >= best.cost;
  for (let n = Math.max(2, p.count.least); n <= p.count.most; n++)
    for (const first of endsOf(p.first, p.step)) {
      const [lo, hi] = [p.last.at - p.last.give, p.last.at + p.last.give].map((x) => (x - first) / (n - 1)) as [
        number,
        number,
      ];
      for (let k = Math.ceil(Math.max(lo, p.gap.least) / p.step - 1e-6); k * p.step <= hi + NEAR; k++) {
        const gap = k * p.step;
        if (gap > p.gap.most + NEAR || dear(first, first + (n - 1) * gap)) continue;
        const at = Array.from({ length: n }, (_, i) => first + i * gap);
        if (p.pins.some((q) => Math.abs((at[q.index] ?? Number.NaN) - q.at) > NEAR || q.index >= n)) continue;
        const cost = totalOf(scoreOf(p, at), p.weights);
        if (cost < (best?.cost ?? Number.POSITIVE_INFINITY)) best = { at, cost };
      }
    }
  return best?.at ?? null;
}

/**
 * The best over all whole steps, fine ones too. Gaps not all alike cost half a point more: the best that are alike is
 * looked for by itself, and of the others only what would be cheaper by that.
 */
function bestOf(p: Problem, by: Placement['by']): Placement | null {
  const finest: Problem = { ...p, step: p.fine ?? p.step };
  const coarse = search(p);
  const even = alike(finest);
  const ways = [coarse?.at, even].flatMap((at) => (at ? [placementOf(p, at, by)] : []));
  const cheapest = (): Placement | undefined => [...ways].sort((a, b) => a.total - b.total)[0];
  const so = cheapest();
  const budget = so ? so.total - POINTS.unlike : undefined;
  if (finest.step !== p.step && (budget === undefined || budget > 0) && (!so || isShort(finest))) {
    const found = search(finest, [], 0, budget);
    if (found) ways.push(placementOf(p, found.at, by));
  }
  return cheapest() ?? null;
}

/** Answers that are each the best where one part of the score counts for more, and so have something for them. */
function emphasised(p: Problem, best: Placement): Placement[] {
  return PARTS.filter((k) => best.score[k] >= GAIN).flatMap((k): Placement[] => {
    const found = search({ ...p, weights: { ...p.weights, [k]: EMPHASIS } });
    const made = found && placementOf(p, found.at, k);
    return made && made.score[k] <= best.score[k] - GAIN ? [made] : [];
  });
}

/**
 * The three best distinct placements, best first; the first is proved the best over all allowed places. The others are
 * the best where one part of the score counts five times as much, or where the number of buttons is another; where
 * there are none such, the next best that differ. Refused with the figure that is wrong, or with each constraint that
 * would have to give way and by how little.
 */
export function place(p: Problem): Result<Placement[]> {
  const fault = faults(p);
  if (fault) return refuse(fault);
  const best = bestOf(p, 'all');
  if (!best) {
    const ways = loosenings(p);
    const code = ways.length ? 'no-placement' : 'no-placement-at-all';
    return refuse(stop(code, undefined, { count: p.count.least }), ...ways.map(told));
  }
  const answers = [best];
  const take = (more: Placement[]): void => {
    for (const m of more.sort((a, b) => a.total - b.total))
      if (answers.length < 3 && answers.every((a) => apart(a.at, m.at))) answers.push(m);
  };
  const other: Placement[] = [];
  for (let n = Math.max(1, p.count.least - 1); n <= Math.min(MOST_BUTTONS, p.count.most + 1); n++) {
    const asked = n >= p.count.least && n <= p.count.most;
    // One more or fewer than asked is only worth showing where it frees a level or a place to be kept clear.
    const pinched = best.score.level + best.score.clear;
    if (n === best.at.length || (!asked && (pinched < GAIN || p.pins.some((q) => q.sewn)))) continue;
    const made = bestOf({ ...p, count: { ...p.count, least: n, most: n } }, 'count');
    if (made && (asked || made.score.level + made.score.clear <= pinched - GAIN)) other.push(made);
  }
  take([...other, ...emphasised(p, best)]);
  while (answers.length < 3) {
    const next = search(
      p,
      answers.map((a) => a.at),
      APART,
      best.total + WORSE,
    );
    if (!next) break;
    answers.push(placementOf(p, next.at, 'next'));
  }
  return ok(answers);
}

let last: { key: string; placed: Result<Placement[]> } | null = null;

/** `place`, kept for as long as the same is asked: while other sliders move, buttons are not placed anew. */
export function placeAgain(p: Problem): Result<Placement[]> {
  const key = JSON.stringify(p);
  if (last?.key !== key) last = { key, placed: place(p) };
  return last.placed;
}
