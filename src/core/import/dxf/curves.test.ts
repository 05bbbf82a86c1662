import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../../test/runs.ts';
import { distance, type Point, pathLength, pointAt } from '../../geometry/index.ts';
import { splinePath } from './curves.ts';

describe('splines', () => {
  test('a spline is the curve itself: a clamped cubic without inner knots is its Bézier curve', () => {
    const c: Point[] = [
      [0, 0],
      [0, 300],
      [400, 300],
      [400, 0],
    ].map(([x, y]) => ({ x: x as number, y: y as number }));
    const path = splinePath({ degree: 3, knots: [0, 0, 0, 0, 1, 1, 1, 1], points: c, weights: [] }, 0.002);
    expect(path).toEqual([{ k: 'C', a: c[0], c: c[1], d: c[2], b: c[3] }]);
  });

  test('inner knots: the pieces agree with de Boor’s recursion at every parameter', () => {
    const deBoor = (p: number, u: number, knots: number[], points: Point[]): Point => {
      const n = (i: number, k: number): number => {
        if (k === 0) return u >= (knots[i] as number) && u < (knots[i + 1] as number) ? 1 : 0;
        const [a, b] = [
          (knots[i + k] as number) - (knots[i] as number),
          (knots[i + k + 1] as number) - (knots[i + 1] as number),
        ];
        return (
          (a ? ((u - (knots[i] as number)) / a) * n(i, k - 1) : 0) +
          (b ? (((knots[i + k + 1] as number) - u) / b) * n(i + 1, k - 1) : 0)
        );
      };
      return points.reduce((s, q, i) => ({ x: s.x + q.x * n(i, p), y: s.y + q.y * n(i, p) }), { x: 0, y: 0 });
    };
    fc.assert(
      fc.property(
        fc.constantFrom(2, 3),
        fc.array(fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 })), {
          minLength: 5,
          maxLength: 9,
        }),
        (p, raw) => {
          const points = raw.map(([x, y]) => ({ x, y }));
          const spans = points.length - p;
          const knots = [
            ...Array(p).fill(0),
            ...Array.from({ length: spans + 1 }, (_, i) => i),
            ...Array(p).fill(spans),
          ];
          const path = splinePath({ degree: p, knots, points, weights: [] }, 0.002);
          expect(path).toHaveLength(spans);
          path.forEach((s, i) => {
            for (const t of [0, 0.3, 0.77])
              expect(distance(pointAt(s, t), deBoor(p, i + t, knots, points))).toBeLessThan(1e-9);
          });
        },
      ),
      runs(40),
    );
  });

  test('a rational spline: the quarter circle with weights 1, √½, 1 (textbook, from memory)', () => {
    const path = splinePath(
      {
        degree: 2,
        knots: [0, 0, 0, 1, 1, 1],
        points: [
          { x: 300, y: 0 },
          { x: 300, y: 300 },
          { x: 0, y: 300 },
        ],
        weights: [1, Math.SQRT1_2, 1],
      },
      0.002,
    );
    for (const s of path)
      for (const t of [0, 0.21, 0.5, 0.83, 1]) expect(Math.hypot(pointAt(s, t).x, pointAt(s, t).y)).toBeCloseTo(300, 2);
    expect(pathLength(path)).toBeCloseTo((Math.PI / 2) * 300, 1);
  });
});
