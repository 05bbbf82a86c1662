import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { coatDocument, coatFigures, piecesOf, SEED } from '../../test/shells.ts';
import { distance, nearestOn, pathLength } from '../geometry/index.ts';
import { type Decisions, usualDecisions } from '../project.ts';
import { buttonhole, countForGap, deriveClosure, lignes, placeButtons, type Wish } from './index.ts';

const wish = (w: Partial<Wish>): Wish => ({
  length: 600,
  top: 20,
  bottom: 80,
  by: 'count',
  count: 6,
  gap: 100,
  clear: null,
  ...w,
});
const placed = (w: Partial<Wish>) => {
  const r = placeButtons(wish(w));
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
};
const refusal = (w: Partial<Wish>) => {
  const r = placeButtons(wish(w));
  return r.ok ? null : r.findings[0];
};

describe('spacing', () => {
  test('equal gaps: (last − first)/(n − 1) (common practice)', () => {
    expect(placed({}).at).toEqual([20, 120, 220, 320, 420, 520]);
    expect(placed({ count: 1 }).at).toEqual([20]);
    expect(placed({ count: 2 }).at).toEqual([20, 520]);
  });

  test('a wished gap gives the nearest number of buttons', () => {
    expect(countForGap(500, 100)).toBe(6);
    expect(countForGap(500, 90)).toBe(7);
    expect(placed({ by: 'gap', gap: 120 }).equalGap).toBe(125);
  });

  test('what cannot be is refused with its numbers', () => {
    expect(refusal({ top: 400, bottom: 300 })?.code).toBe('no-room-for-buttons');
    expect(refusal({ count: 2.5 })?.code).toBe('button-count-bad');
    expect(refusal({ count: 60 })?.data).toEqual({ count: 60, most: 42 });
    expect(refusal({ clear: { from: 0, to: 30 } })?.code).toBe('zone-covers-ends');
  });

  test('a clear waist: no button in it, gaps as even as can be, against a search over a fine grid', () => {
    const cost = (at: number[]): number => {
      const gaps = at.slice(1).map((x, i) => x - (at[i] as number));
      const mean = gaps.reduce((a, b) => a + b, 0) / gaps.length;
      return gaps.reduce((s, g) => s + (g - mean) ** 2, 0);
    };
    /** Least cost of n buttons at whole millimetres, by dynamic programming over places. */
    const search = (first: number, last: number, n: number, zone: { from: number; to: number }): number => {
      const mean = (last - first) / (n - 1);
      const fine = (x: number) => !(x > zone.from && x < zone.to);
      let best = new Map<number, number>([[first, 0]]);
      for (let k = 1; k < n; k++) {
        const next = new Map<number, number>();
        const places =
          k === n - 1 ? [last] : Array.from({ length: last - first - 1 }, (_, i) => first + 1 + i).filter(fine);
        for (const x of places) {
          let least = Number.POSITIVE_INFINITY;
          for (const [y, c] of best) if (y < x) least = Math.min(least, c + (x - y - mean) ** 2);
          if (least < Number.POSITIVE_INFINITY) next.set(x, least);
        }
        best = next;
      }
      return best.get(last) ?? Number.POSITIVE_INFINITY;
    };
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 7 }),
        fc.integer({ min: 120, max: 380 }),
        fc.integer({ min: 20, max: 90 }),
        (n, from, width) => {
          const zone = { from, to: from + width };
          const mine = placed({ length: 520, top: 20, bottom: 60, count: n, clear: zone });
          expect(mine.at[0]).toBe(20);
          expect(mine.at[n - 1]).toBe(460);
          for (const x of mine.at) expect(x > zone.from + 1e-9 && x < zone.to - 1e-9).toBe(false);
          // The grid can come no nearer than its own millimetre allows, and never below the exact optimum.
          const grid = search(20, 460, n, zone);
          expect(cost(mine.at)).toBeLessThanOrEqual(grid + 1e-6);
          expect(grid - cost(mine.at)).toBeLessThan(3 * n);
        },
      ),
      { seed: SEED, numRuns: 12 },
    );
  });
});

describe('buttonhole', () => {
  test('opening = diameter + thickness, two bars of 1.5 more; a ball of 12 mm wants 24', () => {
    expect(buttonhole(23, 4, 'horizontal')).toMatchObject({ opening: 27, overall: 30, outer: 3, inner: 24 });
    expect(buttonhole(12, 12, 'vertical').opening).toBe(24);
  });
  test('40 lignes are one inch (from memory of the button trade)', () => {
    expect(lignes(25.4)).toBe(40);
    expect(lignes(11.43)).toBeCloseTo(18, 9);
  });
});

describe('on the front', () => {
  const derive = (doc: ReturnType<typeof coatDocument>, part: Partial<Decisions['closure']> = {}) => {
    const d = { ...doc.decisions, closure: { ...doc.decisions.closure, ...part } };
    const r = deriveClosure(piecesOf(doc), d);
    if (!r.ok) throw new Error(JSON.stringify(r.findings));
    return r.value;
  };

  test('buttons on centre front, holes start 3 mm past it towards the edge, over random coats', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const doc = coatDocument(figures);
        const c = derive(doc, { count: 5, bottom: 100 });
        expect(c.extension).toBeCloseTo(figures.extension, 3);
        // The drawing is written with four decimals.
        expect(c.lengthMm).toBeCloseTo(figures.length + 12 - figures.frontNeckDepth, 3);
        const front = piecesOf(doc).find((p) => p.kind === 'front');
        const edge = front?.ring.find((e) => e.role === 'front-edge')?.path ?? [];
        for (const b of c.buttons) {
          expect(b.centre.x - (c.line[0]?.a.x ?? 0)).toBeCloseTo(0, 3);
          expect(nearestOn(edge, b.a).distance).toBeCloseTo(figures.extension - 3, 3);
          expect(nearestOn(edge, b.b).distance).toBeCloseTo(figures.extension - 3 + c.hole.opening, 3);
          expect(distance(b.a, b.b)).toBeCloseTo(c.hole.opening, 9);
        }
        expect(c.buttons[0]?.at).toBeCloseTo(doc.decisions.closure.top, 9);
        expect(c.buttons[4]?.at).toBeCloseTo(c.lengthMm - 100, 6);
      }),
      { seed: SEED, numRuns: 20 },
    );
  });

  test('without a drawn centre front it lies the given extension inside the front edge; vertical holes lie along it', () => {
    const doc = coatDocument();
    for (const p of doc.shell?.pieces ?? []) p.lines = [];
    const c = derive(doc, { extension: 20, direction: 'vertical' });
    expect(c.extension).toBeCloseTo(20, 6);
    for (const b of c.buttons) {
      expect(b.a.x).toBeCloseTo(b.b.x, 9);
      expect(b.a.y).toBeLessThan(b.b.y);
    }
    expect(pathLength(c.line)).toBeCloseTo(c.lengthMm, 9);
  });

  test('the belt keeps half its width and 10 mm clear; what is too narrow or too near is told with what would do', () => {
    const doc = coatDocument();
    const belted = derive(doc, { count: 7, waist: { keepClear: true, at: 0, belt: 45 } });
    expect((belted.clear?.to ?? 0) - (belted.clear?.from ?? 0)).toBeCloseTo(45 + 20, 9);
    for (const b of belted.buttons)
      expect(b.at > (belted.clear?.from ?? 0) && b.at < (belted.clear?.to ?? 0)).toBe(false);
    const codes = (part: Partial<Decisions['closure']>) => derive(doc, part).findings.map((f) => f.code);
    expect(codes({})).toEqual([]);
    expect(codes({ diameter: 50, top: 40 })).toEqual(['extension-narrow', 'facing-narrow']);
    expect(codes({ bottom: 60 })).toEqual(['button-near-hem']);
    expect(codes({ top: 5 })).toEqual(['button-near-neck']);
    const refused = deriveClosure([], usualDecisions());
    expect(refused.ok ? null : refused.findings[0]?.code).toBe('piece-missing');
  });
});
