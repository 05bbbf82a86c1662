import { type Point, triangles } from '../../geometry/index.ts';

const cross = (o: Point, a: Point, b: Point): number => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);

/** Turns either way by less are taken for straight, mm². */
const STRAIGHT = 1e-6;

const keyOf = (a: Point, b: Point): string => `${a.x},${a.y};${b.x},${b.y}`;
/** Whether a ring, anticlockwise for y up, turns one way only. */
export const isConvex = (r: readonly Point[]): boolean =>
  r.every((p, i) => cross(r[(i + r.length - 1) % r.length] as Point, p, r[(i + 1) % r.length] as Point) > -STRAIGHT);

const anticlockwise = (r: Point[]): Point[] => {
  const [a, b, c] = r as [Point, Point, Point];
  return cross(a, b, c) < 0 ? [...r].reverse() : r;
};

/** Two rings that share the edge from r[i] to the next as one. */
function across(r: Point[], i: number, s: Point[], j: number): Point[] {
  const from = (ring: Point[], k: number): Point[] => [...ring.slice(k), ...ring.slice(0, k)];
  return [...from(r, i + 1).slice(0, -1), ...from(s, j + 1).slice(0, -1)];
}

/**
 * Convex parts of a ring, anticlockwise for y up: its triangles, put together across the edges they share as long as what comes of it
 * is convex (Hertel and Mehlhorn 1983: at most four times as many as need be; from memory).
 */
export function convexParts(ring: Point[]): Point[][] {
  const parts = new Set(triangles(ring).map(anticlockwise));
  const owner = new Map<string, Point[]>();
  const own = (r: Point[]): void => {
    for (const [i, p] of r.entries()) owner.set(keyOf(p, r[(i + 1) % r.length] as Point), r);
  };
  for (const t of parts) own(t);
  for (const [key, of] of [...owner]) {
    const [a, b] = key.split(';') as [string, string];
    const [r, s] = [owner.get(key), owner.get(`${b};${a}`)];
    if (!of || !r || !s || r === s || !parts.has(r) || !parts.has(s)) continue;
    const at = (ring_: Point[], words: string): number => ring_.findIndex((p) => `${p.x},${p.y}` === words);
    const one = across(r, at(r, a), s, at(s, b));
    if (!isConvex(one)) continue;
    parts.delete(r);
    parts.delete(s);
    parts.add(one);
    own(one);
  }
  return [...parts];
}

const lowest = (r: Point[]): number =>
  r.reduce((k, p, i) => {
    const q = r[k] as Point;
    return p.y < q.y || (p.y === q.y && p.x < q.x) ? i : k;
  }, 0);

/** The Minkowski sum of two convex rings, anticlockwise: their edges put together by their direction. */
export function convexSum(a: Point[], b: Point[]): Point[] {
  let [i, j] = [0, 0];
  const [s, t] = [lowest(a), lowest(b)];
  const at = (r: Point[], from: number, k: number): Point => r[(from + k) % r.length] as Point;
  const out: Point[] = [];
  while (i < a.length || j < b.length) {
    const [p, q] = [at(a, s, i), at(b, t, j)];
    out.push({ x: p.x + q.x, y: p.y + q.y });
    const [u, v] = [at(a, s, i + 1), at(b, t, j + 1)];
    const turn = (u.x - p.x) * (v.y - q.y) - (u.y - p.y) * (v.x - q.x);
    if (j >= b.length || (i < a.length && turn > 0)) i += 1;
    else if (i >= a.length || turn < 0) j += 1;
    else {
      i += 1;
      j += 1;
    }
  }
  return out;
}

/** Points of a hull that stand out from its edges by less are left out, mm. */
const OUT = 1e-3;

/** The convex hull of points, anticlockwise for y up (Andrew 1979, the monotone chain), without what hardly is a corner. */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (all: Point[]): Point[] => {
    const out: Point[] = [];
    for (const p of all) {
      while (out.length > 1 && cross(out[out.length - 2] as Point, out[out.length - 1] as Point, p) <= 0) out.pop();
      out.push(p);
    }
    return out.slice(0, -1);
  };
  const hull = [...half(sorted), ...half(sorted.reverse())];
  for (let i = 0; i < hull.length && hull.length > 3; ) {
    const [a, p, b] = [hull[(i + hull.length - 1) % hull.length], hull[i], hull[(i + 1) % hull.length]] as [
      Point,
      Point,
      Point,
    ];
    if (cross(a, p, b) <= OUT * Math.hypot(b.x - a.x, b.y - a.y)) hull.splice(i, 1);
    else i += 1;
  }
  return hull;
}
