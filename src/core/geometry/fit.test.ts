import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { addScaled, distance, handleLengths, type Point, pointAt, type Sample, withHandles } from './index.ts';

const turn = (a: number): Point => ({ x: Math.cos(a), y: Math.sin(a) });
const A = { x: 0, y: 0 };
const curves = fc.record({
  b: fc.record({ x: fc.integer({ min: 40, max: 900 }), y: fc.integer({ min: -400, max: 400 }) }),
  ta: fc.double({ min: -1.2, max: 1.2, noNaN: true }).map(turn),
  tb: fc.double({ min: Math.PI - 1.2, max: Math.PI + 1.2, noNaN: true }).map(turn),
  la: fc.integer({ min: 10, max: 500 }),
  lb: fc.integer({ min: 10, max: 500 }),
});
const places = [0.2, 0.35, 0.5, 0.65, 0.8];

describe('handles by least squares', () => {
  test('samples taken from a cubic give back its own handles', () => {
    fc.assert(
      fc.property(curves, ({ b, ta, tb, la, lb }) => {
        const curve = withHandles(A, b, ta, tb, [la, lb]);
        const [ha, hb] = handleLengths(
          A,
          b,
          ta,
          tb,
          places.map((t) => ({ t, p: pointAt(curve, t) })),
        );
        expect(Math.abs(ha - la)).toBeLessThan(1e-6);
        expect(Math.abs(hb - lb)).toBeLessThan(1e-6);
      }),
      runs(200),
    );
  });

  test('no other lengths lie nearer to disturbed samples', () => {
    const noise = fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: 10, maxLength: 10 });
    fc.assert(
      fc.property(curves, noise, ({ b, ta, tb, la, lb }, n) => {
        const curve = withHandles(A, b, ta, tb, [la, lb]);
        const samples: Sample[] = places.map((t, i) => ({
          t,
          p: addScaled(pointAt(curve, t), { x: n[i] as number, y: n[i + 5] as number }, 1),
        }));
        const miss = (l: [number, number]): number => {
          const c = withHandles(A, b, ta, tb, l);
          return samples.reduce((sum, s) => sum + distance(pointAt(c, s.t), s.p) ** 2, 0);
        };
        const [ha, hb] = handleLengths(A, b, ta, tb, samples);
        const best = miss([ha, hb]);
        for (const [da, db] of [
          [1, 0],
          [-1, 0],
          [0, 1],
          [0, -1],
          [1, -1],
          [-1, 1],
        ] as const)
          expect(miss([ha + da, hb + db])).toBeGreaterThanOrEqual(best - 1e-7);
      }),
      runs(100),
    );
  });

  test('without samples each handle is a third of the chord', () => {
    expect(handleLengths(A, { x: 30, y: 40 }, turn(0.5), turn(3), [])).toEqual([50 / 3, 50 / 3]);
  });
});
