import { SEARCH_CHORD } from '../tolerance.ts';
import { type Path } from './path.ts';
import { type Box, derivativeAt, flatParameters, hullBox, pointAt, type Segment, segmentLength } from './segment.ts';
import { cross, distance, type Point, sub } from './vector.ts';

/** A crossing of two paths: arc length from the start of each (mm) and the point. */
export interface Crossing {
  atA: number;
  atB: number;
  point: Point;
}

export const boxesTouch = (a: Box, b: Box, slack = 0): boolean =>
  a.minX <= b.maxX + slack && b.minX <= a.maxX + slack && a.minY <= b.maxY + slack && b.minY <= a.maxY + slack;

/** Crossing of two chords as parameters 0..1 on each, with a hair of slack at the ends; null when parallel or apart. */
export function chordsCross(p: Point, p2: Point, q: Point, q2: Point, slack = 1e-9): { t: number; u: number } | null {
  const r = sub(p2, p);
  const s = sub(q2, q);
  const d = cross(r, s);
  if (Math.abs(d) < 1e-14) return null;
  const w = sub(q, p);
  const t = cross(w, s) / d;
  const u = cross(w, r) / d;
  return t >= -slack && t <= 1 + slack && u >= -slack && u <= 1 + slack ? { t, u } : null;
}

interface Chord {
  a: Point;
  b: Point;
  t0: number;
  t1: number;
}

function chords(s: Segment): Chord[] {
  let t0 = 0;
  let a = s.a;
  return flatParameters(s, SEARCH_CHORD).map((t1) => {
    const b = pointAt(s, t1);
    const c = { a, b, t0, t1 };
    t0 = t1;
    a = b;
    return c;
  });
}

/** Whether the boxes of two chords lie apart by more than rounding. */
const apart = (p: Point, p2: Point, q: Point, q2: Point): boolean =>
  Math.max(p.x, p2.x) < Math.min(q.x, q2.x) - 1e-4 ||
  Math.max(q.x, q2.x) < Math.min(p.x, p2.x) - 1e-4 ||
  Math.max(p.y, p2.y) < Math.min(q.y, q2.y) - 1e-4 ||
  Math.max(q.y, q2.y) < Math.min(p.y, p2.y) - 1e-4;

/** Newton on both parameters; returns them clamped to 0..1. */
function refine(a: Segment, b: Segment, t: number, u: number): { t: number; u: number } {
  for (let i = 0; i < 8; i++) {
    const gap = sub(pointAt(b, u), pointAt(a, t));
    const da = derivativeAt(a, t);
    const db = derivativeAt(b, u);
    const det = cross(da, db);
    if (Math.abs(det) < 1e-12) break;
    const dt = cross(gap, db) / det;
    const du = cross(gap, da) / det;
    t = Math.min(1, Math.max(0, t + dt));
    u = Math.min(1, Math.max(0, u + du));
    if (Math.abs(dt) + Math.abs(du) < 1e-13) break;
  }
  return { t, u };
}

/** Crossings of two segments as parameters on each. Overlapping collinear lines give none. */
export function segmentCrossings(a: Segment, b: Segment): { t: number; u: number }[] {
  const out: { t: number; u: number }[] = [];
  const chordsB = chords(b);
  for (const ca of chords(a)) {
    for (const cb of chordsB) {
      if (apart(ca.a, ca.b, cb.a, cb.b)) continue;
      const hit = chordsCross(ca.a, ca.b, cb.a, cb.b, 1e-6);
      if (!hit) continue;
      const found = refine(a, b, ca.t0 + hit.t * (ca.t1 - ca.t0), cb.t0 + hit.u * (cb.t1 - cb.t0));
      if (out.every((o) => Math.abs(o.t - found.t) > 1e-7 || Math.abs(o.u - found.u) > 1e-7)) out.push(found);
    }
  }
  return out;
}

/** Every crossing of two paths, in order along the first; none where either is empty. */
export function crossings(a: Path, b: Path): Crossing[] {
  const found: { i: number; t: number; j: number; u: number; point: Point }[] = [];
  if (!a.length || !b.length) return [];
  const boxesB = b.map(hullBox);
  const allB = boxesB.reduce(around);
  for (let i = 0; i < a.length; i++) {
    const sa = a[i] as Segment;
    const boxA = hullBox(sa);
    if (!boxesTouch(boxA, allB, 1e-6)) continue;
    for (let j = 0; j < b.length; j++) {
      if (!boxesTouch(boxA, boxesB[j] as Box, 1e-6)) continue;
      for (const { t, u } of segmentCrossings(sa, b[j] as Segment)) {
        const point = pointAt(sa, t);
        if (found.every((o) => distance(o.point, point) > 1e-6)) found.push({ i, t, j, u, point });
      }
    }
  }
  // Arc lengths are measured for what was found only.
  return found
    .map((f) => ({ atA: lengthTo(a, f.i, f.t), atB: lengthTo(b, f.j, f.u), point: f.point }))
    .sort((x, y) => x.atA - y.atA);
}

const around = (a: Box, b: Box): Box => ({
  minX: Math.min(a.minX, b.minX),
  minY: Math.min(a.minY, b.minY),
  maxX: Math.max(a.maxX, b.maxX),
  maxY: Math.max(a.maxY, b.maxY),
});

/** Arc length from the path's start to parameter `t` of its segment `index`. */
function lengthTo(path: Path, index: number, t: number): number {
  let sum = 0;
  for (let i = 0; i < index; i++) sum += segmentLength(path[i] as Segment);
  return sum + segmentLength(path[index] as Segment, 0, t);
}

/**
 * First place where a closed chain of chord points crosses itself, or null. Neighbouring chords share a point and
 * do not count; a sweep along x keeps the pairs few.
 */
export function selfCrossing(points: Point[]): Point | null {
  const n = points.length;
  const list = points
    .map((p, i) => {
      const q = points[(i + 1) % n] as Point;
      return {
        i,
        p,
        q,
        lo: Math.min(p.x, q.x),
        hi: Math.max(p.x, q.x),
        top: Math.min(p.y, q.y),
        low: Math.max(p.y, q.y),
      };
    })
    .sort((a, b) => a.lo - b.lo);
  for (let i = 0; i < list.length; i++) {
    const a = list[i] as (typeof list)[number];
    for (let j = i + 1; j < list.length; j++) {
      const b = list[j] as (typeof list)[number];
      if (b.lo > a.hi) break;
      if (a.top > b.low || b.top > a.low) continue;
      const gap = Math.abs(a.i - b.i);
      if (gap <= 1 || gap === n - 1) continue;
      const hit = chordsCross(a.p, a.q, b.p, b.q, 0);
      if (hit) return { x: a.p.x + (a.q.x - a.p.x) * hit.t, y: a.p.y + (a.q.y - a.p.y) * hit.t };
    }
  }
  return null;
}

/** Whether `q` lies inside the closed chain of points (even-odd rule). */
export function insideRing(points: Point[], q: Point): boolean {
  let inside = false;
  for (let i = 0, j = points.length - 1; i < points.length; j = i++) {
    const a = points[i] as Point;
    const b = points[j] as Point;
    if (a.y > q.y !== b.y > q.y && q.x < ((b.x - a.x) * (q.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}
