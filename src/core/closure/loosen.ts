import { possible } from './possible.ts';
import { type Problem } from './problem.ts';
import { search } from './search.ts';

/** One constraint that, let go by so much, makes room; the others stay. Lengths in mm, counts plain. */
export interface Loosening {
  what: 'count' | 'zone' | 'gap-least' | 'gap-most' | 'first' | 'last' | 'level' | 'pin' | 'head' | 'group';
  /** Which zone, level or pin. */
  index: number;
  /** Its own name: of the zone or level. */
  code: string;
  from: number;
  to: number;
}

/** Least whole number of millimetres t in 1…most at which `eased(t)` has an answer; null when not even the most helps. */
function least(most: number, eased: (t: number) => Problem): number | null {
  let [lo, hi] = [0, Math.floor(most)];
  if (hi < 1 || !possible(eased(hi))) return null;
  while (hi - lo > 1) {
    const t = Math.floor((lo + hi) / 2);
    if (possible(eased(t))) hi = t;
    else lo = t;
  }
  return hi;
}

/** How far about the wished first gap another is looked for, mm. */
const HEAD_ABOUT = 120;

/** The first gap nearest to the wished one that goes; 0 where only one like the others does; null where none. */
function nearestHead(p: Problem, head: number, span: number): number | null {
  const own = p.gap.own ?? p.gap.least;
  const goes = (to: number): boolean =>
    to >= 1 && possible({ ...p, head: to, gap: { ...p.gap, least: Math.max(own, to) } });
  const most = Math.min(HEAD_ABOUT, span);
  for (let t = 5; t <= most; t += 5)
    for (const way of [-1, 1])
      if (goes(head + way * t))
        for (let near = t - 4; near <= t; near++) if (goes(head + way * near)) return head + way * near;
  return possible({ ...p, head: null, gap: { ...p.gap, least: own } }) ? 0 : null;
}

const put = <T>(list: T[], i: number, v: T): T[] => list.map((x, k) => (k === i ? v : x));

/**
 * For a problem without an answer: each single constraint that would have to give way, and by how little. Letting one go
 * further never takes an answer away, so the least is found by halving.
 */
export function loosenings(asked: Problem): Loosening[] {
  const p: Problem = { ...asked, step: asked.fine ?? asked.step };
  const out: Loosening[] = [];
  const say = (what: Loosening['what'], index: number, code: string, from: number, to: number | null): void => {
    if (to !== null) out.push({ what, index, code, from, to });
  };
  const plus = (from: number, t: number | null): number | null => (t === null ? null : from + t);
  const span = Math.max(1, p.last.at + p.last.give - p.first.at + p.first.give);
  // Fewer than half of the buttons is no advice, but another closing.
  for (let n = p.count.least - 1; n >= Math.max(1, Math.ceil(p.count.least / 2)); n--)
    if (possible({ ...p, count: { ...p.count, least: n, most: n } })) {
      say('count', 0, '', p.count.least, n);
      break;
    }
  p.zones.forEach((z, i) => {
    const narrower = (t: number): Problem => ({
      ...p,
      zones: put(p.zones, i, { ...z, from: z.from + t / 2, to: z.to - t / 2 }),
    });
    const t = least(Math.ceil(z.to - z.from), narrower);
    say('zone', i, z.code, z.to - z.from, t === null ? null : Math.max(0, z.to - z.from - t));
  });
  const gapLeast = least(p.gap.least - 1, (t) => ({ ...p, gap: { ...p.gap, least: p.gap.least - t } }));
  say('gap-least', 0, '', p.gap.least, gapLeast === null ? null : p.gap.least - gapLeast);
  const gapMost = least(span, (t) => ({ ...p, gap: { ...p.gap, most: p.gap.most + t } }));
  if (Number.isFinite(p.gap.most)) say('gap-most', 0, '', p.gap.most, plus(p.gap.most, gapMost));
  for (const end of ['first', 'last'] as const) {
    const t = least(span, (v) => ({ ...p, [end]: { ...p[end], give: p[end].give + v } }));
    say(end, 0, '', p[end].give, plus(p[end].give, t));
  }
  p.levels.forEach((l, i) => {
    const { give } = l;
    if (give === null) return;
    const t = least(span, (v) => ({ ...p, levels: put(p.levels, i, { ...l, give: give + v }) }));
    say('level', i, l.code, give, plus(give, t));
  });
  p.pins.forEach((q, i) => {
    if (q.sewn) return;
    const pins = p.pins.filter((_, k) => k !== i);
    if (!possible({ ...p, pins })) return;
    // Where the button would go is told in the steps that are wished; fine ones only where nothing else goes.
    const found = search({ ...asked, pins }) ?? search({ ...p, pins });
    say('pin', q.index, '', q.at, found?.at[q.index] ?? null);
  });
  if (p.head !== null) say('head', 0, '', p.head, nearestHead(p, p.head, span));
  if (p.group && possible({ ...p, group: null })) say('group', 0, '', p.group.size, 1);
  return out;
}
