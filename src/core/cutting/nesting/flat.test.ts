import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../../test/runs.ts';
import { insideRing, type Point } from '../../geometry/index.ts';
import { depth, flat, least } from './flat.ts';
import { Nearby } from './nearby.ts';

/** A ring with hollows, anticlockwise for y up, about the origin. */
const RING = fc.array(fc.integer({ min: 20, max: 200 }), { minLength: 5, maxLength: 14 }).map((far) =>
  far.map((r, i): Point => {
    const turn = (2 * Math.PI * i) / far.length;
    return { x: r * Math.cos(turn), y: r * Math.sin(turn) };
  }),
);
const at = fc.integer({ min: -210, max: 210 });

/** The least way from a point to an edge, by hand. */
function toEdges(p: Point, ring: readonly Point[]): number {
  const to = ring.map((a, i) => {
    const b = ring[(i + 1) % ring.length] as Point;
    const n = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
    const t = Math.min(1, Math.max(0, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / n));
    return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
  });
  return Math.min(...to);
}

test('how deep a place lies within a ring is the same looked at alone, near a place and by hand; seen roughly it is never more', () => {
  const near = new Nearby();
  const square = [0, 1, 2, 3].map((k) => ({ x: k % 3 ? 10 : 0, y: k > 1 ? 10 : 0 }));
  expect([depth(3, 5, flat(square)), depth(11, 5, flat(square))]).toEqual([3, 0]);
  fc.assert(
    fc.property(RING, at, at, at, at, fc.integer({ min: 1, max: 90 }), (ring, x, y, dx, dy, reach) => {
      const f = flat(ring);
      // Level with a corner, but for how numbers are rounded, as pieces are that touch: neither within by mistake nor without.
      for (const [k, c] of ring.entries()) {
        const level = { x: x / 2, y: c.y + 0.1 * dy + k - (0.1 * dy + k) };
        expect(depth(level.x, level.y, f)).toBeCloseTo(insideRing(ring, level) ? toEdges(level, ring) : 0, 6);
      }
      near.clear();
      near.add(f, x + dx, y + dy, dx, dy, reach);
      for (let k = 0; k < 12; k++) {
        const [far, turn] = [(reach * ((5 * k) % 12)) / 12, 2.4 * k];
        const p = { x: x + far * Math.cos(turn), y: y + far * Math.sin(turn) };
        const deep = insideRing(ring, p) ? toEdges(p, ring) : 0;
        expect(depth(p.x, p.y, f)).toBeCloseTo(deep, 6);
        expect(near.depth(p.x + dx, p.y + dy, 0, near.size)).toBeCloseTo(deep, 6);
        expect(least(p.x, p.y, f)).toBeLessThanOrEqual(deep + 1e-9);
      }
    }),
    runs(200),
  );
});
