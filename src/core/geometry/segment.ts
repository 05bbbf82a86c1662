import { LENGTH_RELATIVE } from '../tolerance.ts';
import { type Affine, add, apply, cross, distance, dot, lerp, type Point, scale, size, sub, unit } from './vector.ts';

/** A straight stretch from `a` to `b`. Plain data, so that it crosses to a worker. */
export interface Line {
  k: 'L';
  a: Point;
  b: Point;
}

/** A cubic Bézier from `a` to `b` with handles `c` (at a) and `d` (at b). */
export interface Cubic {
  k: 'C';
  a: Point;
  c: Point;
  d: Point;
  b: Point;
}

export type Segment = Line | Cubic;

export const line = (a: Point, b: Point): Line => ({ k: 'L', a, b });
export const cubic = (a: Point, c: Point, d: Point, b: Point): Cubic => ({ k: 'C', a, c, d, b });

/** Point at parameter t in 0..1. */
export function pointAt(s: Segment, t: number): Point {
  if (s.k === 'L') return lerp(s.a, s.b, t);
  const u = 1 - t;
  const w0 = u * u * u;
  const w1 = 3 * u * u * t;
  const w2 = 3 * u * t * t;
  const w3 = t * t * t;
  return { x: w0 * s.a.x + w1 * s.c.x + w2 * s.d.x + w3 * s.b.x, y: w0 * s.a.y + w1 * s.c.y + w2 * s.d.y + w3 * s.b.y };
}

/** Derivative by the parameter (mm per unit of t). */
export function derivativeAt(s: Segment, t: number): Point {
  if (s.k === 'L') return sub(s.b, s.a);
  const u = 1 - t;
  const w0 = 3 * u * u;
  const w1 = 6 * u * t;
  const w2 = 3 * t * t;
  return {
    x: w0 * (s.c.x - s.a.x) + w1 * (s.d.x - s.c.x) + w2 * (s.b.x - s.d.x),
    y: w0 * (s.c.y - s.a.y) + w1 * (s.d.y - s.c.y) + w2 * (s.b.y - s.d.y),
  };
}

/** Unit travel direction at t. A handle that lies on its end point is stepped over, so the direction is never lost. */
export function directionAt(s: Segment, t: number): Point {
  if (s.k === 'L') return unit(sub(s.b, s.a));
  const d = derivativeAt(s, t);
  if (size(d) > 1e-7) return unit(d);
  if (t <= 0.5) {
    const far = [s.c, s.d, s.b].find((p) => distance(p, s.a) > 1e-7);
    return far && t < 1e-6 ? unit(sub(far, s.a)) : unit(sub(pointAt(s, t + 1e-4), pointAt(s, t)));
  }
  const far = [s.d, s.c, s.a].find((p) => distance(p, s.b) > 1e-7);
  return far && t > 1 - 1e-6 ? unit(sub(s.b, far)) : unit(sub(pointAt(s, t), pointAt(s, t - 1e-4)));
}

/** Signed curvature at t in 1/mm; positive when the path bends clockwise on screen. */
export function curvatureAt(s: Segment, t: number): number {
  if (s.k === 'L') return 0;
  const d1 = derivativeAt(s, t);
  const u = 1 - t;
  const d2 = add(scale(sub(add(s.d, s.a), scale(s.c, 2)), 6 * u), scale(sub(add(s.b, s.c), scale(s.d, 2)), 6 * t));
  const speed = size(d1);
  return speed < 1e-9 ? 0 : cross(d1, d2) / speed ** 3;
}

/** Both halves of the segment parted at t (de Casteljau). */
export function splitSegment(s: Segment, t: number): [Segment, Segment] {
  if (s.k === 'L') {
    const m = lerp(s.a, s.b, t);
    return [line(s.a, m), line(m, s.b)];
  }
  const ac = lerp(s.a, s.c, t);
  const cd = lerp(s.c, s.d, t);
  const db = lerp(s.d, s.b, t);
  const l = lerp(ac, cd, t);
  const r = lerp(cd, db, t);
  const m = lerp(l, r, t);
  return [cubic(s.a, ac, l, m), cubic(m, r, db, s.b)];
}

export const reverseSegment = (s: Segment): Segment => (s.k === 'L' ? line(s.b, s.a) : cubic(s.b, s.d, s.c, s.a));

export const mapSegment = (s: Segment, m: Affine): Segment =>
  s.k === 'L' ? line(apply(m, s.a), apply(m, s.b)) : cubic(apply(m, s.a), apply(m, s.c), apply(m, s.d), apply(m, s.b));

/** Gauss–Legendre nodes and weights on −1..1 (Abramowitz & Stegun, table 25.4): 10 points, and 6 to check them by. */
const TEN = rule(
  [0.1488743389816312, 0.4333953941292472, 0.6794095682990244, 0.8650633666889845, 0.9739065285171717],
  [0.2955242247147529, 0.2692667193099963, 0.219086362515982, 0.1494513491505806, 0.0666713443086881],
);
const SIX = rule(
  [0.2386191860831969, 0.6612093864662645, 0.9324695142031521],
  [0.467913934572691, 0.3607615730481386, 0.1713244923791704],
);

interface Rule {
  nodes: Float64Array;
  weights: Float64Array;
}

function rule(nodes: number[], weights: number[]): Rule {
  return { nodes: Float64Array.from(nodes), weights: Float64Array.from(weights) };
}

/** Integral of the speed by one rule; the derivative as a polynomial, for this is computed more often than all else. */
function gauss(s: Cubic, t0: number, t1: number, r: Rule): number {
  const { a, b, c, d } = s;
  const [x0, y0] = [3 * (c.x - a.x), 3 * (c.y - a.y)];
  const [x1, y1] = [6 * (a.x - 2 * c.x + d.x), 6 * (a.y - 2 * c.y + d.y)];
  const [x2, y2] = [3 * (b.x - a.x + 3 * (c.x - d.x)), 3 * (b.y - a.y + 3 * (c.y - d.y))];
  const mid = (t0 + t1) / 2;
  const half = (t1 - t0) / 2;
  const { nodes, weights } = r;
  let sum = 0;
  for (let i = 0; i < nodes.length; i++) {
    const dt = half * (nodes[i] as number);
    const p = mid - dt;
    const q = mid + dt;
    const px = x0 + p * (x1 + p * x2);
    const py = y0 + p * (y1 + p * y2);
    const qx = x0 + q * (x1 + q * x2);
    const qy = y0 + q * (y1 + q * y2);
    sum += (weights[i] as number) * (Math.sqrt(px * px + py * py) + Math.sqrt(qx * qx + qy * qy));
  }
  return sum * half;
}

/** Size of the derivative, written out without objects. */
function speedAt(s: Cubic, t: number): number {
  const u = 1 - t;
  const w0 = 3 * u * u;
  const w1 = 6 * u * t;
  const w2 = 3 * t * t;
  const x = w0 * (s.c.x - s.a.x) + w1 * (s.d.x - s.c.x) + w2 * (s.b.x - s.d.x);
  const y = w0 * (s.c.y - s.a.y) + w1 * (s.d.y - s.c.y) + w2 * (s.b.y - s.d.y);
  return Math.sqrt(x * x + y * y);
}

/**
 * Where two rules of an analytic function's integral differ by ε, the better one errs by about ε^(20/12): a difference of
 * 2e-6 leaves less than the 1e-9 asked for.
 */
const CHECK = LENGTH_RELATIVE ** 0.6 / 2;

function gentle(s: Cubic, t0: number, t1: number, depth: number): number {
  const fine = gauss(s, t0, t1, TEN);
  const check = gauss(s, t0, t1, SIX);
  if (depth <= 0 || Math.abs(fine - check) <= CHECK * Math.abs(fine) + 1e-11) return fine;
  const m = (t0 + t1) / 2;
  return gentle(s, t0, m, depth - 1) + gentle(s, m, t1, depth - 1);
}

/** Halves until two halves agree with their whole: slower, but not deceived by a cusp. */
function wary(s: Cubic, t0: number, t1: number, whole: number, depth: number): number {
  const m = (t0 + t1) / 2;
  const l = gauss(s, t0, m, TEN);
  const r = gauss(s, m, t1, TEN);
  if (depth <= 0 || Math.abs(l + r - whole) <= LENGTH_RELATIVE * Math.abs(l + r) + 1e-10) return l + r;
  return wary(s, t0, m, l, depth - 1) + wary(s, m, t1, r, depth - 1);
}

/** Both outer handles going along with the middle one, the speed never comes to zero: no cusp. */
function hasNoCusp(s: Cubic): boolean {
  const [vx, vy] = [s.d.x - s.c.x, s.d.y - s.c.y];
  const along = (p: Point, q: Point): number => (q.x - p.x) * vx + (q.y - p.y) * vy;
  return along(s.a, s.c) > 0 && along(s.d, s.b) > 0;
}

const quadrature = (s: Cubic, t0: number, t1: number): number =>
  hasNoCusp(s) ? gentle(s, t0, t1, 14) : wary(s, t0, t1, gauss(s, t0, t1, TEN), 14);

/** Whole lengths already computed. Segments are never changed in place once they are part of a path. */
const known = new WeakMap<Cubic, number>();

/** Arc length in mm from t0 to t1 (0..1), by adaptive Gauss–Legendre quadrature; negative where t1 lies before t0. */
export function segmentLength(s: Segment, t0 = 0, t1 = 1): number {
  if (s.k === 'L') return distance(s.a, s.b) * (t1 - t0);
  if (t1 === t0) return 0;
  if (t0 !== 0 || t1 !== 1) return quadrature(s, t0, t1);
  let length = known.get(s);
  if (length === undefined) {
    length = quadrature(s, 0, 1);
    known.set(s, length);
  }
  return length;
}

/** Parameter at which the arc length from the start is `length` (clamped to the segment). */
export function parameterAtLength(s: Segment, length: number): number {
  const total = segmentLength(s);
  if (length <= 0 || total === 0) return 0;
  if (length >= total) return 1;
  if (s.k === 'L') return length / total;
  let lo = 0;
  let hi = 1;
  let t = length / total;
  let reached = segmentLength(s, 0, t);
  for (let i = 0; i < 60; i++) {
    const miss = reached - length;
    if (Math.abs(miss) < 1e-9) break;
    if (miss > 0) hi = t;
    else lo = t;
    const speed = speedAt(s, t);
    const wished = speed > 1e-9 ? t - miss / speed : Number.NaN;
    const next = wished > lo && wished < hi ? wished : (lo + hi) / 2;
    // Only the step itself is measured: it is short, and one quadrature settles it.
    reached += segmentLength(s, t, next);
    t = next;
  }
  return t;
}

/** Twice the signed area swept from the origin, exact for lines and cubics (Green's theorem); clockwise on screen is positive. */
export function sweptArea(s: Segment): number {
  if (s.k === 'L') return cross(s.a, s.b);
  const { a, c, d, b } = s;
  return (
    (3 / 10) * (2 * cross(a, c) + cross(a, d) + cross(c, d) + cross(c, b) + 2 * cross(d, b)) + (1 / 10) * cross(a, b)
  );
}

/** Parameters in 0..1 at which x or y has an extreme. */
function extremes(s: Cubic): number[] {
  const out: number[] = [];
  for (const key of ['x', 'y'] as const) {
    const p = s.c[key] - s.a[key];
    const q = s.d[key] - s.c[key];
    const r = s.b[key] - s.d[key];
    const a = p - 2 * q + r;
    const b = 2 * (q - p);
    const disc = b * b - 4 * a * p;
    if (Math.abs(a) < 1e-12) {
      if (Math.abs(b) > 1e-12) out.push(-p / b);
    } else if (disc >= 0) {
      // The form that does not lose its digits when a is small against b.
      const q = -(b + Math.sign(b || 1) * Math.sqrt(disc)) / 2;
      out.push(q / a);
      if (q !== 0) out.push(p / q);
    }
  }
  return out.filter((t) => t > 0 && t < 1);
}

export interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** Bounds of the control points: never smaller than the segment, and cheap. */
export function hullBox(s: Segment): Box {
  if (s.k === 'L') {
    return {
      minX: Math.min(s.a.x, s.b.x),
      minY: Math.min(s.a.y, s.b.y),
      maxX: Math.max(s.a.x, s.b.x),
      maxY: Math.max(s.a.y, s.b.y),
    };
  }
  return {
    minX: Math.min(s.a.x, s.b.x, s.c.x, s.d.x),
    minY: Math.min(s.a.y, s.b.y, s.c.y, s.d.y),
    maxX: Math.max(s.a.x, s.b.x, s.c.x, s.d.x),
    maxY: Math.max(s.a.y, s.b.y, s.c.y, s.d.y),
  };
}

/** Whether the box of the control points is that of the two ends alone: no handle reaches out of it. */
const endsHold = (s: Cubic, hull: Box): boolean =>
  hull.minX === Math.min(s.a.x, s.b.x) &&
  hull.maxX === Math.max(s.a.x, s.b.x) &&
  hull.minY === Math.min(s.a.y, s.b.y) &&
  hull.maxY === Math.max(s.a.y, s.b.y);

/** Exact bounds of the segment in mm. */
export function segmentBox(s: Segment): Box {
  const hull = hullBox(s);
  if (s.k === 'L' || endsHold(s, hull)) return hull;
  const points = [s.a, s.b, ...extremes(s).map((t) => pointAt(s, t))];
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  return { minX: Math.min(...xs), minY: Math.min(...ys), maxX: Math.max(...xs), maxY: Math.max(...ys) };
}

/** No curve of a garment needs more chords; one that does comes from a spoilt file. */
const MOST_CHORDS = 2000;

/** Parameters (0 < t ≤ 1) of a chord polygon that stays within `tolerance` mm of the curve. */
export function flatParameters(s: Segment, tolerance: number): number[] {
  if (s.k === 'L') return [1];
  const d1 = size(add(sub(s.a, scale(s.c, 2)), s.d));
  const d2 = size(add(sub(s.c, scale(s.d, 2)), s.b));
  // Wang's bound for a degree-3 curve: n = sqrt(3·2/8 · max|Δ²| / tolerance).
  const n = Math.min(MOST_CHORDS, Math.max(1, Math.ceil(Math.sqrt((0.75 * Math.max(d1, d2)) / tolerance))));
  return Array.from({ length: n }, (_, i) => (i + 1) / n);
}

/** Nearest parameter on the segment to `p`: coarse samples, then Newton on the squared distance. */
export function nearestParameter(s: Segment, p: Point): number {
  if (s.k === 'L') {
    const d = sub(s.b, s.a);
    const l = dot(d, d);
    return l === 0 ? 0 : Math.min(1, Math.max(0, dot(sub(p, s.a), d) / l));
  }
  let best = 0;
  let bestD = Number.POSITIVE_INFINITY;
  for (let i = 0; i <= 16; i++) {
    const d = distance(pointAt(s, i / 16), p);
    if (d < bestD) [best, bestD] = [i / 16, d];
  }
  let lo = Math.max(0, best - 1 / 16);
  let hi = Math.min(1, best + 1 / 16);
  const slope = (t: number) => dot(sub(pointAt(s, t), p), derivativeAt(s, t));
  if (slope(lo) >= 0) return lo;
  if (slope(hi) <= 0) return hi;
  for (let i = 0; i < 60 && hi - lo > 1e-13; i++) {
    const m = (lo + hi) / 2;
    if (slope(m) > 0) hi = m;
    else lo = m;
  }
  return (lo + hi) / 2;
}
