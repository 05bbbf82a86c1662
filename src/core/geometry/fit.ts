import { cubic, type Segment } from './segment.ts';
import { add, distance, dot, type Point, scale, sub } from './vector.ts';

/** A place the curve shall pass near: its parameter `t`, 0..1, and the point, mm. */
export interface Sample {
  t: number;
  p: Point;
}

/**
 * Lengths of the two handles, mm, of the cubic from `a` to `b` that lies nearest to the samples. `ta` and `tb` are unit
 * vectors from each end along its handle, so `tb` looks back into the curve. A third of the chord where the samples
 * say nothing. Lengths may come out negative: the caller says what then.
 * Least squares with given end directions (Schneider, Graphics Gems, 1990; from memory).
 */
export function handleLengths(a: Point, b: Point, ta: Point, tb: Point, samples: Sample[]): [number, number] {
  let [m11, m12, m22, r1, r2] = [0, 0, 0, 0, 0];
  for (const { t, p } of samples) {
    const u = 1 - t;
    const [wa, wb] = [3 * u * u * t, 3 * u * t * t];
    const [va, vb] = [scale(ta, wa), scale(tb, wb)];
    const gap = sub(p, add(scale(a, u * u * u + wa), scale(b, wb + t * t * t)));
    m11 += dot(va, va);
    m12 += dot(va, vb);
    m22 += dot(vb, vb);
    r1 += dot(va, gap);
    r2 += dot(vb, gap);
  }
  const det = m11 * m22 - m12 * m12;
  const third = distance(a, b) / 3;
  return det > 1e-12 ? [(r1 * m22 - r2 * m12) / det, (r2 * m11 - r1 * m12) / det] : [third, third];
}

/** The cubic from `a` to `b` with the given handle directions (as in `handleLengths`) and lengths, mm. */
export const withHandles = (a: Point, b: Point, ta: Point, tb: Point, [la, lb]: [number, number]): Segment =>
  cubic(a, add(a, scale(ta, la)), add(b, scale(tb, lb)), b);
