import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { among, runs } from '../../test/runs.ts';
import { EQUAL_WEIGHTS, type Problem, scoreOf, totalOf } from './problem.ts';
import { search } from './search.ts';

// Problems as large as a coat's cannot be tried whole; what must hold of their best answers can.
const mm = (min: number, max: number) => fc.integer({ min, max });
const large: fc.Arbitrary<Problem> = fc
  .record({
    length: mm(300, 1100),
    n: mm(4, 12),
    give: fc.constantFrom(0, 5, 10),
    step: fc.constantFrom(1, 5, 3.175),
    zones: fc.array(fc.tuple(mm(60, 900), mm(10, 80), fc.constantFrom(5, 15)), { maxLength: 3 }),
    levels: fc.array(fc.tuple(mm(80, 700), fc.constantFrom(1, 2)), { maxLength: 2 }),
    wish: fc.constantFrom(null, 85),
    school: fc.constantFrom('equal' as const, 'equal' as const, 'head' as const, 'pairs' as const),
  })
  .map(
    (r): Problem => ({
      first: { at: 20, give: 0 },
      last: { at: 20 + r.length, give: r.give },
      count: { least: r.n, most: r.n, wish: null },
      gap: { least: 22, most: 1e4, wish: r.wish },
      step: r.step,
      round: r.step * 2,
      head: r.school === 'head' ? 70 : null,
      group: r.school === 'pairs' ? { size: 2, inner: 30 } : null,
      zones: r.zones.map(([at, wide, margin], i) => ({ code: `z${i}`, from: at, to: at + wide, margin })),
      levels: r.levels.map(([at, weight], i) => ({ code: `l${i}`, at, give: null, weight })),
      pins: [],
      weights: EQUAL_WEIGHTS,
    }),
  );
const run = runs(75);
const costOf = (p: Problem): number => search(p)?.cost ?? Number.POSITIVE_INFINITY;

describe('the best of large problems', () => {
  test('its places keep every clearance, gap and end, and cost what the score says', () => {
    let found = 0;
    fc.assert(
      fc.property(large, (p) => {
        const best = search(p);
        if (!best) return;
        found += 1;
        const { at } = best;
        expect(at).toHaveLength(p.count.least);
        expect(at[0]).toBeCloseTo(20, 9);
        expect(Math.abs((at[at.length - 1] as number) - p.last.at)).toBeLessThanOrEqual(p.last.give + 1e-6);
        for (const x of at) for (const z of p.zones) expect(x > z.from + 1e-5 && x < z.to - 1e-5).toBe(false);
        const inner = p.head !== null ? [0] : p.group ? at.map((_, i) => i).filter((i) => i % 2 === 0) : [];
        at.slice(1).forEach((x, i) => {
          const gap = x - (at[i] as number);
          if (inner.includes(i)) expect(gap).toBeCloseTo(p.head ?? 30, 9);
          else expect(gap).toBeGreaterThanOrEqual(p.gap.least - 1e-6);
        });
        expect(totalOf(scoreOf(p, at))).toBeCloseTo(best.cost, 6);
      }),
      run,
    );
    expect(found).toBeGreaterThan(among(60));
  });

  test('one wish more never makes it cheaper, one less never dearer; what is found to be best stays so when it is held', () => {
    fc.assert(
      fc.property(large, (p) => {
        const best = search(p);
        if (!best) return;
        if (p.zones.length) expect(costOf({ ...p, zones: p.zones.slice(1) })).toBeLessThanOrEqual(best.cost + 1e-9);
        if (p.levels.length) expect(costOf({ ...p, levels: p.levels.slice(1) })).toBeLessThanOrEqual(best.cost + 1e-9);
        expect(costOf({ ...p, last: { ...p.last, give: p.last.give + 5 } })).toBeLessThanOrEqual(best.cost + 1e-9);
        const index = Math.floor(best.at.length / 2);
        const held = search({ ...p, pins: [{ index, at: best.at[index] as number }] });
        expect(held?.cost).toBeCloseTo(best.cost, 6);
        // No button moved by hand, the rest spaced anew, does better.
        const moved = (best.at[index] as number) + 3 * p.step;
        expect(costOf({ ...p, pins: [{ index, at: moved }] })).toBeGreaterThanOrEqual(best.cost - 1e-9);
      }),
      runs(50),
    );
  });

  test('moved along the line with all that bears on it, the answer moves too', () => {
    fc.assert(
      fc.property(large, mm(1, 400), (p, d) => {
        const shifted: Problem = {
          ...p,
          first: { ...p.first, at: p.first.at + d },
          last: { ...p.last, at: p.last.at + d },
          zones: p.zones.map((z) => ({ ...z, from: z.from + d, to: z.to + d })),
          levels: p.levels.map((l) => ({ ...l, at: l.at + d })),
        };
        const [a, b] = [search(p), search(shifted)];
        if (!a) expect(b).toBeNull();
        else expect(b?.cost).toBeCloseTo(a.cost, 6);
      }),
      runs(50),
    );
  });

  test('turned upside down, with both ends exact, it costs the same but for what the order of the gaps counts', () => {
    fc.assert(
      fc.property(large, (given) => {
        const steps = Math.round((given.last.at - 20) / given.step);
        const last = 20 + steps * given.step;
        const p: Problem = { ...given, head: null, group: null, last: { at: last, give: 0 } };
        const turn = (x: number): number => 20 + last - x;
        const turned: Problem = {
          ...p,
          zones: p.zones.map((z) => ({ ...z, from: turn(z.to), to: turn(z.from) })),
          levels: p.levels.map((l) => ({ ...l, at: turn(l.at) })),
        };
        const [a, b] = [search(p), search(turned)];
        if (!a || !b) return expect(b).toBe(a);
        // A thousandth for each millimetre off the equal gap and each gap below: read either way round, it is less than this.
        const order = (at: number[]): number => {
          const gaps = at.slice(1).map((x, i) => x - (at[i] as number));
          const equal = (last - 20) / Math.max(1, gaps.length);
          return gaps.reduce((s, g) => s + 0.001 * gaps.length * Math.abs(g - equal), 0);
        };
        return expect(Math.abs(a.cost - b.cost)).toBeLessThanOrEqual(Math.max(order(a.at), order(b.at)) + 1e-6);
      }),
      runs(50),
    );
  });
});
