import { cubic, type Segment } from './segment.ts';
import { add, distance, type Point, scale } from './vector.ts';

/** A place the curve shall pass near: its parameter `t`, 0..1, and the point, mm. */
export interface Sample {
  t: number;
  p: Point;
}

/** The same as rows of numbers, for thousands of them. */
export interface SampleRows {
  t: Float64Array;
  x: Float64Array;
  y: Float64Array;
}

const rowsOf = (samples: Sample[]): SampleRows => ({
  t: Float64Array.from(samples, (s) => s.t),
  x: Float64Array.from(samples, (s) => s.p.x),
  y: Float64Array.from(samples, (s) => s.p.y),
});

/**
 * Lengths of the two handles, mm, of the cubic from `a` to `b` that lies nearest to the samples. `ta` and `tb` are unit
 * vectors from each end along its handle, so `tb` looks back into the curve. A third of the chord where the samples
 * say nothing. Lengths may come out negative: the caller says what then.
 * Least squares with given end directions (Schneider, Graphics Gems, 1990; from memory).
 */
export const handleLengths = (a: Point, b: Point, ta: Point, tb: Point, samples: Sample[]): [number, number] =>
  handlesOfRows(a, b, ta, tb, rowsOf(samples), 0, samples.length);

/** `handleLengths` of the rows `from` up to, not with, `to`. */
export function handlesOfRows(
  a: Point,
  b: Point,
  ta: Point,
  tb: Point,
  rows: SampleRows,
  from: number,
  to: number,
): [number, number] {
  const along = ta.x * tb.x + ta.y * tb.y;
  let [m11, m12, m22, r1, r2] = [0, 0, 0, 0, 0];
  for (let i = from; i < to; i++) {
    const t = rows.t[i] as number;
    const u = 1 - t;
    const wa = 3 * u * u * t;
    const wb = 3 * u * t * t;
    const gx = (rows.x[i] as number) - a.x * (u * u * u + wa) - b.x * (wb + t * t * t);
    const gy = (rows.y[i] as number) - a.y * (u * u * u + wa) - b.y * (wb + t * t * t);
    m11 += wa * wa;
    m12 += wa * wb * along;
    m22 += wb * wb;
    r1 += wa * (ta.x * gx + ta.y * gy);
    r2 += wb * (tb.x * gx + tb.y * gy);
  }
  const det = m11 * m22 - m12 * m12;
  const third = distance(a, b) / 3;
  return det > 1e-12 ? [(r1 * m22 - r2 * m12) / det, (r2 * m11 - r1 * m12) / det] : [third, third];
}

/** The cubic from `a` to `b` with the given handle directions (as in `handleLengths`) and lengths, mm. */
export const withHandles = (a: Point, b: Point, ta: Point, tb: Point, [la, lb]: [number, number]): Segment =>
  cubic(a, add(a, scale(ta, la)), add(b, scale(tb, lb)), b);
