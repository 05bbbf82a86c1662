import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { among, runs, SEED } from '../../test/runs.ts';
import { type Loosening, loosenings } from './loosen.ts';
import { APART, place } from './placement.ts';
import { EQUAL_WEIGHTS, type Problem, type Score, scoreOf, totalOf } from './problem.ts';
import { search } from './search.ts';

const problem = (part: Partial<Problem> = {}): Problem => ({
  first: { at: 20, give: 0 },
  last: { at: 520, give: 0 },
  count: { least: 6, most: 6, wish: null },
  gap: { least: 20, most: 400, wish: null },
  step: 5,
  round: 5,
  head: null,
  group: null,
  zones: [],
  levels: [],
  pins: [],
  weights: EQUAL_WEIGHTS,
  ...part,
});
const best = (part: Partial<Problem>) => {
  const r = place(problem(part));
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value[0] as NonNullable<(typeof r.value)[0]>;
};

const FAR = 8;

/**
 * Every placement that the words of the problem allow, one after another, and the least cost of those that are far
 * enough from the given answers. Written from the words alone: no blocks, no bands, no sums over neighbours.
 */
function tried(p: Problem, answers: number[][]): number {
  let least = Number.POSITIVE_INFINITY;
  const price = (at: number[], gaps: { free: boolean; g: number }[]): number => {
    const n = at.length;
    const free = gaps.filter((x) => x.free).map((x) => x.g);
    const mean = free.reduce((a, b) => a + b, 0) / Math.max(1, free.length);
    const w = p.weights;
    let cost = w.even * free.reduce((s, g) => s + ((g - mean) / 4) ** 2, 0);
    // A thousandth for every millimetre off the gap that all would have, the last button where it is wished or held.
    const rows = p.head !== null ? (n > 2 ? 1 : 2) : (p.group?.size ?? 1);
    const inLast = (i: number): boolean => (p.head !== null && n > 2 ? i === n - 1 : i >= n - 1 - ((n - 1) % rows));
    const end = n > 1 && (p.pins.some((q) => inLast(q.index)) || p.last.give === 0) ? (at[n - 1] as number) : p.last.at;
    const tied = gaps.filter((x) => !x.free).reduce((s, x) => s + x.g, 0);
    const ideal = (end - (at[0] as number) - tied) / Math.max(1, free.length);
    free.forEach((g, i) => {
      cost += w.even * 0.001 * (free.length - 1 - i) * Math.abs(g - ideal);
    });
    cost += w.round * free.filter((g) => Math.abs(g / p.round - Math.round(g / p.round)) > 1e-5).length * 0.05;
    for (const l of p.levels) {
      const away = Math.min(...at.map((x) => Math.abs(x - l.at)));
      if (l.give !== null && away > l.give + 1e-6) return Number.POSITIVE_INFINITY;
      cost += w.level * l.weight * (away / 10) ** 2;
    }
    for (const z of p.zones)
      for (const x of at) {
        if (x > z.from + 1e-6 && x < z.to - 1e-6) return Number.POSITIVE_INFINITY;
        const away = Math.max(0, z.from - x, x - z.to);
        if (away < z.margin) cost += w.clear * 2 * (1 - away / z.margin) ** 2;
      }
    cost += w.wish * (((at[0] as number) - p.first.at) / 10) ** 2;
    if (n > 1) cost += w.wish * (((at[n - 1] as number) - p.last.at) / 10) ** 2;
    if (p.count.wish !== null) cost += w.wish * 3 * Math.abs(n - p.count.wish);
    if (p.gap.wish !== null && free.length) cost += w.wish * ((mean - p.gap.wish) / 10) ** 2;
    return cost;
  };
  const size = p.group?.size ?? 1;
  for (let n = p.count.least; n <= p.count.most; n++) {
    const rivals = answers.filter((a) => a.length === n);
    // A gap is fixed inside the first pair or a group; else it may be any multiple of the step.
    const fixed = (i: number): number | null => {
      if (p.head !== null) return i === 1 ? p.head : null;
      return p.group && i % size !== 0 ? p.group.inner : null;
    };
    const pinned = (i: number): number | undefined => p.pins.find((q) => q.index === i)?.at;
    // What holds the last button of a group holds the whole group.
    const held = (i: number): number | undefined => {
      const inner = p.head ?? p.group?.inner ?? 0;
      const end = Math.min(n - 1, p.head !== null ? Math.max(1, i) : p.group ? i + size - 1 - (i % size) : i);
      const last = n > 1 && end === n - 1 && p.last.give === 0 ? p.last.at - (end - i) * inner : undefined;
      return pinned(i) ?? last;
    };
    const go = (at: number[], gaps: { free: boolean; g: number }[]): void => {
      const i = at.length;
      const before = at[i - 1] as number;
      if (i === n) {
        if (n > 1 && pinned(n - 1) === undefined && Math.abs(before - p.last.at) > p.last.give + 1e-6) return;
        const far = rivals.every((r) => r.some((x, k) => Math.abs(x - (at[k] as number)) >= FAR - 1e-6));
        if (far) least = Math.min(least, price(at, gaps));
        return;
      }
      const inner = fixed(i);
      const here = i === n - 1 || inner === null ? held(i) : pinned(i);
      const rest = (n - 1 - i) * (p.head === null && p.group ? 0 : p.gap.least);
      const room = Math.max(p.last.at + p.last.give, ...p.pins.map((q) => q.at)) + 1e-6;
      const next = inner !== null ? [before + inner] : here !== undefined ? [here] : [];
      if (inner === null && here === undefined)
        for (let x = before + Math.ceil(p.gap.least / p.step - 1e-9) * p.step; x + rest <= room; x += p.step)
          next.push(x);
      for (const x of next) {
        if (here !== undefined && Math.abs(x - here) > 1e-6) continue;
        const g = x - before;
        if (inner === null && (g < p.gap.least - 1e-6 || g > p.gap.most + 1e-6)) continue;
        go([...at, x], [...gaps, { free: inner === null, g }]);
      }
    };
    const start = pinned(0);
    if (start !== undefined) go([start], []);
    else if (held(0) !== undefined) {
      if (Math.abs((held(0) as number) - p.first.at) <= p.first.give + 1e-6) go([held(0) as number], []);
    } else
      for (let k = -Math.floor(p.first.give / p.step + 1e-9); k * p.step <= p.first.give + 1e-6; k++)
        go([p.first.at + k * p.step], []);
  }
  return least;
}

const whole = (min: number, max: number) => fc.integer({ min, max });
/** Small enough to try everything: a line of up to 40 steps and five buttons. */
const small: fc.Arbitrary<Problem> = fc
  .record({
    step: fc.constantFrom(5, 10, 3.175, 12.7, 1.5),
    steps: whole(4, 9),
    odd: fc.constantFrom(0, 0, 1.7, -2.3),
    least: whole(1, 5),
    more: whole(0, 1),
    wish: fc.option(whole(2, 5), { nil: null }),
    gapWish: fc.option(whole(15, 120), { nil: null }),
    gapLeast: fc.constantFrom(1, 2, 3),
    gapMost: fc.constantFrom(6, 12, 100),
    gives: fc.tuple(whole(0, 1), whole(0, 2)),
    zones: fc.array(fc.tuple(whole(0, 9), whole(0, 3), fc.constantFrom(5, 20)), { maxLength: 2 }),
    levels: fc.array(fc.tuple(whole(-2, 11), fc.constantFrom(null, null, 0, 10, 30), fc.constantFrom(0.5, 2)), {
      maxLength: 2,
    }),
    school: fc.constantFrom('equal' as const, 'equal' as const, 'head' as const, 'pairs' as const, 'threes' as const),
    loud: fc.option(
      fc.constantFrom('even' as const, 'level' as const, 'clear' as const, 'round' as const, 'wish' as const),
      { nil: null },
    ),
    pin: fc.option(fc.tuple(whole(0, 4), whole(0, 10), fc.constantFrom(0, 1.3)), { nil: null, freq: 3 }),
  })
  .map((r): Problem => {
    const top = 17;
    const length = r.steps * r.step + r.odd;
    return problem({
      first: { at: top, give: r.gives[0] * r.step },
      last: { at: top + length, give: r.gives[1] * r.step },
      count: { least: r.least, most: Math.min(5, r.least + r.more), wish: r.wish },
      gap: { least: r.gapLeast * r.step, most: r.gapMost * r.step, wish: r.gapWish },
      step: r.step,
      weights: { ...EQUAL_WEIGHTS, ...(r.loud && { [r.loud]: 5 }) } as Score,
      round: r.step === 5 ? 10 : r.step * 2,
      head: r.school === 'head' ? 2 * r.step + 1 : null,
      group:
        r.school === 'pairs' || r.school === 'threes'
          ? { size: r.school === 'pairs' ? 2 : 3, inner: 2 * r.step }
          : null,
      zones: r.zones.map(([a, w, margin], i) => ({
        code: `z${i}`,
        from: top + a * r.step - 1,
        to: top + (a + w) * r.step,
        margin,
      })),
      levels: r.levels.map(([a, give, weight], i) => ({ code: `l${i}`, at: top + a * r.step + 2, give, weight })),
      pins:
        r.pin && r.school === 'equal' && r.pin[0] < r.least
          ? [{ index: r.pin[0], at: top + r.pin[1] * r.step + r.pin[2] }]
          : [],
    });
  });

test('the best, the next that differs, and the best of another weighing: what trying everything finds, over 6,000 problems', () => {
  const seen = { answers: 0, refused: 0, next: 0 };
  fc.assert(
    fc.property(small, (p) => {
      const found = search(p);
      const least = tried(p, []);
      if (!found) {
        seen.refused += 1;
        expect([p, least]).toEqual([p, Number.POSITIVE_INFINITY]);
        if (seen.refused % 8 === 0) expect(place(p).ok).toBe(false);
        return;
      }
      seen.answers += 1;
      expect(found.cost).toBeCloseTo(least, 6);
      expect(totalOf(scoreOf(p, found.at), p.weights)).toBeCloseTo(least, 6);
      const next = search(p, [found.at], FAR);
      if (next) seen.next += 1;
      expect(next?.cost ?? Number.POSITIVE_INFINITY).toBeCloseTo(tried(p, [found.at]), 6);
    }),
    runs(6000),
  );
  expect(seen.answers).toBeGreaterThan(among(2400));
  expect(seen.refused).toBeGreaterThan(among(300));
  expect(seen.next).toBeGreaterThan(among(1000));
});

/** The problem with one constraint let go to `to`. */
function loosened(p: Problem, l: Loosening, to: number): Problem {
  const zone = p.zones[l.index];
  const middle = zone ? (zone.from + zone.to) / 2 : 0;
  switch (l.what) {
    case 'count':
      return { ...p, count: { ...p.count, least: to, most: to } };
    case 'zone':
      return {
        ...p,
        zones: p.zones.map((z, i) => (i === l.index ? { ...z, from: middle - to / 2, to: middle + to / 2 } : z)),
      };
    case 'gap-least':
      return { ...p, gap: { ...p.gap, least: to } };
    case 'gap-most':
      return { ...p, gap: { ...p.gap, most: to } };
    case 'first':
    case 'last':
      return { ...p, [l.what]: { ...p[l.what], give: to } };
    case 'level':
      return { ...p, levels: p.levels.map((x, i) => (i === l.index ? { ...x, give: to } : x)) };
    case 'pin':
      return { ...p, pins: p.pins.filter((q) => q.index !== l.index) };
    case 'head':
      return to ? { ...p, head: to, gap: { ...p.gap, least: Math.max(p.gap.least, to) } } : { ...p, head: null };
    case 'group':
      return { ...p, group: null };
  }
}

test('what is told to let go makes room, and 1 mm less of it does not', () => {
  const seen = new Set<string>();
  fc.assert(
    fc.property(small, (p) => {
      if (search(p)) return;
      for (const l of loosenings(p)) {
        seen.add(l.what);
        expect(search(loosened(p, l, l.to))).not.toBeNull();
        // A whole step may hang on less than a millimetre; the figure is told in whole ones.
        const back = l.from > l.to ? l.to + 1.001 : l.to - 1.001;
        const tighter = l.from > l.to ? back < l.from : back > l.from;
        if (!['pin', 'head', 'group', 'count'].includes(l.what) && tighter)
          expect(search(loosened(p, l, back))).toBeNull();
        if (l.what === 'count' && l.to + 1 < l.from) expect(search(loosened(p, l, l.to + 1))).toBeNull();
      }
    }),
    { ...runs(1500), seed: SEED + 1 },
  );
  expect([...seen].sort()).toEqual([
    'count',
    'first',
    'gap-least',
    'gap-most',
    'group',
    'head',
    'last',
    'level',
    'pin',
    'zone',
  ]);
});

describe('schools of spacing', () => {
  test('first gap shorter (common practice): 70 from the stand’s hole, then 90 centre to centre: 70 + 6 × 90', () => {
    const a = best({
      first: { at: 0, give: 0 },
      last: { at: 610, give: 0 },
      count: { least: 8, most: 8, wish: null },
      head: 70,
    });
    expect(a.at).toEqual([0, 70, 160, 250, 340, 430, 520, 610]);
    expect(a.total).toBe(0);
  });

  test('in inches: 2 1/2" then 3 1/2" (common practice), on eighths', () => {
    const inch = 25.4;
    const a = best({
      first: { at: 0, give: 0 },
      last: { at: (2.5 + 6 * 3.5) * inch, give: 0 },
      count: { least: 8, most: 8, wish: null },
      head: 2.5 * inch,
      step: inch / 8,
      round: inch / 4,
    });
    a.gaps.forEach((g, i) => {
      expect(g / inch).toBeCloseTo(i ? 3.5 : 2.5, 9);
    });
  });

  test('equal gaps: (last − first)/(n − 1); a placket of 612 for seven or eight comes out round and even', () => {
    expect(best({}).at).toEqual([20, 120, 220, 320, 420, 520]);
    const r = place(
      problem({ first: { at: 20, give: 0 }, last: { at: 552, give: 10 }, count: { least: 7, most: 8, wish: null } }),
    );
    if (!r.ok) throw new Error();
    expect(new Set(r.value.map((v) => v.at.length))).toEqual(new Set([7, 8]));
    expect(new Set(r.value[0]?.gaps).size).toBe(1);
  });

  test('groups stay together, a pinned button drags its group, and the rest is evened out about them', () => {
    const a = best({ count: { least: 6, most: 6, wish: null }, group: { size: 2, inner: 30 } });
    expect(a.gaps.filter((_, i) => i % 2 === 0)).toEqual([30, 30, 30]);
    expect(a.gaps[1]).toBe(205);
    const b = best({
      count: { least: 6, most: 6, wish: null },
      group: { size: 2, inner: 30 },
      pins: [{ index: 3, at: 333 }],
    });
    expect(b.at.slice(2, 4)).toEqual([303, 333]);
  });

  test('a level that must have a button gets one; a belt stays clear; both are told from one that only wishes', () => {
    const belt = { code: 'belt', from: 300, to: 365, margin: 10 };
    const level = { code: 'bust', at: 233, give: 0, weight: 1 };
    const a = best({ step: 1, zones: [belt], levels: [level], count: { least: 7, most: 7, wish: null } });
    expect(a.at).toContain(233);
    expect(a.at.some((x) => x > 300 && x < 365)).toBe(false);
    expect(best({ levels: [{ ...level, give: null }] }).score.level).toBeGreaterThan(0);
  });

  test('what cannot be is refused with its figures', () => {
    const codes = (part: Partial<Problem>) => {
      const r = place(problem(part));
      return r.ok ? [] : r.findings.map((f) => f.code);
    };
    expect(codes({ last: { at: 10, give: 0 } })).toEqual(['no-room-for-buttons']);
    expect(codes({ count: { least: 0, most: 3, wish: null } })).toEqual(['button-count-bad']);
    expect(codes({ count: { least: 30, most: 30, wish: null } })).toEqual(['too-many-buttons']);
    expect(codes({ zones: [{ code: 'belt', from: 0, to: 600, margin: 0 }] })).toEqual(['zone-covers-line']);
    expect(codes({ zones: [{ code: 'belt', from: 10, to: 30, margin: 0 }] })[0]).toBe('no-placement');
    expect(codes({ zones: [{ code: 'belt', from: 10, to: 30, margin: 0 }] })).toContain('loosen-zone');
  });

  test('three answers that differ, each with something the better ones lack, or told to be only the next best', () => {
    const r = place(
      problem({ count: { least: 6, most: 7, wish: null }, levels: [{ code: 'bust', at: 255, give: null, weight: 2 }] }),
    );
    if (!r.ok) throw new Error();
    expect(r.value).toHaveLength(3);
    r.value.slice(1).forEach((v, i) => {
      const before = r.value.slice(0, i + 1);
      for (const b of before)
        expect(
          v.at.length !== b.at.length || v.at.some((x, k) => Math.abs(x - (b.at[k] as number)) >= APART - 1e-6),
        ).toBe(true);
      const first = r.value[0] as (typeof r.value)[0];
      if (v.by !== 'next' && v.by !== 'count')
        expect(v.score[v.by as 'level']).toBeLessThan(first.score[v.by as 'level']);
    });
  });
});
