import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { type Loosening, loosenings } from './loosen.ts';
import { blocksOf, NEAR, PARTS, type Part, type Problem, type Score, scoreOf, totalOf, widthOf } from './problem.ts';
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

/** What is wrong with the figures themselves, before anything is searched. */
function faults(p: Problem): Finding | null {
  const span = p.last.at - p.first.at;
  const { least, most } = p.count;
  if (!Number.isInteger(least) || !Number.isInteger(most) || least < 1 || most < least || most > MOST_BUTTONS)
    return stop('button-count-bad', undefined, {
      count: least < 1 || !Number.isInteger(least) ? least : most,
      most: MOST_BUTTONS,
    });
  if (most > 1 && span < -NEAR) return stop('no-room-for-buttons', undefined, { first: p.first.at, last: p.last.at });
  const fit = mostThatFit(p);
  if (least > fit && !p.pins.length)
    return stop('too-many-buttons', undefined, { count: least, most: fit, least: p.gap.least });
  const covering = p.zones.find(
    (z) => z.from < p.first.at - p.first.give + NEAR && z.to > p.last.at + p.last.give - NEAR,
  );
  if (covering)
    return stop('zone-covers-line', undefined, { zone: covering.code, from: covering.from, to: covering.to });
  return null;
}

const LOOSEN_CODES: Record<Loosening['what'], string> = {
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

function placementOf(p: Problem, at: number[], by: Placement['by']): Placement {
  const score = scoreOf(p, at);
  return { at, gaps: at.slice(1).map((x, i) => x - (at[i] as number)), score, total: totalOf(score), by };
}

const apart = (a: number[], b: number[]): boolean =>
  a.length !== b.length || a.some((x, i) => Math.abs(x - (b[i] as number)) >= APART - NEAR);

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
  const first = search(p);
  if (!first) {
    const ways = loosenings(p);
    const code = ways.length ? 'no-placement' : 'no-placement-at-all';
    return refuse(stop(code, undefined, { count: p.count.least }), ...ways.map(told));
  }
  const answers = [placementOf(p, first.at, 'all')];
  const take = (more: Placement[]): void => {
    for (const m of more.sort((a, b) => a.total - b.total))
      if (answers.length < 3 && answers.every((a) => apart(a.at, m.at))) answers.push(m);
  };
  const best = answers[0] as Placement;
  const other: Placement[] = [];
  for (let n = p.count.least; n <= p.count.most; n++) {
    const found = n === first.at.length ? null : search({ ...p, count: { ...p.count, least: n, most: n } });
    if (found) other.push(placementOf(p, found.at, 'count'));
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
