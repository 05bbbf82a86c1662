import { FLATTEN, SAME_POINT } from '../tolerance.ts';
import {
  type Box,
  directionAt,
  flatParameters,
  hullBox,
  line,
  mapSegment,
  nearestParameter,
  parameterAtLength,
  pointAt,
  reverseSegment,
  type Segment,
  segmentBox,
  segmentLength,
  splitSegment,
  sweptArea,
} from './segment.ts';
import { type Affine, addScaled, distance, type Point } from './vector.ts';

/** Joined segments, each starting where the one before ends. Never empty. */
export type Path = Segment[];

const first = (p: Path): Segment => p[0] as Segment;
const last = (p: Path): Segment => p[p.length - 1] as Segment;

export const startOf = (p: Path): Point => first(p).a;
export const endOf = (p: Path): Point => last(p).b;
export const startDirection = (p: Path): Point => directionAt(first(p), 0);
export const endDirection = (p: Path): Point => directionAt(last(p), 1);
export const pathLength = (p: Path): number => p.reduce((sum, s) => sum + segmentLength(s), 0);
export const reversePath = (p: Path): Path => p.map(reverseSegment).reverse();
export const mapPath = (p: Path, m: Affine): Path => p.map((s) => mapSegment(s, m));

/** Whether a path is no longer than its chord, to a tenth of a millimetre. */
export const isStraight = (p: Path): boolean => pathLength(p) - distance(startOf(p), endOf(p)) < 0.1;

/** Straight path through the points, without steps shorter than the same-point tolerance. */
export function polyline(points: Point[]): Path {
  const out: Path = [];
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1] as Point;
    const b = points[i] as Point;
    if (distance(a, b) > SAME_POINT) out.push(line(a, b));
  }
  return out.length ? out : [line(points[0] as Point, points[points.length - 1] as Point)];
}

/** Signed area in mm² of a closed path; positive when it runs clockwise on screen. */
export const signedArea = (p: Path): number => p.reduce((sum, s) => sum + sweptArea(s), 0) / 2;

export function boxOf(p: Path): Box {
  const box = { ...segmentBox(first(p)) };
  for (const s of p) {
    const b = segmentBox(s);
    if (b.minX < box.minX) box.minX = b.minX;
    if (b.minY < box.minY) box.minY = b.minY;
    if (b.maxX > box.maxX) box.maxX = b.maxX;
    if (b.maxY > box.maxY) box.maxY = b.maxY;
  }
  return box;
}

/** The box of points. */
export function boxOfPoints(points: readonly Point[]): Box {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) };
}

/** A box as a ring, anticlockwise for y up. */
export const boxRing = (b: Box): Point[] => [
  { x: b.minX, y: b.minY },
  { x: b.maxX, y: b.minY },
  { x: b.maxX, y: b.maxY },
  { x: b.minX, y: b.maxY },
];

export const joinBoxes = (a: Box, b: Box): Box => ({
  minX: Math.min(a.minX, b.minX),
  minY: Math.min(a.minY, b.minY),
  maxX: Math.max(a.maxX, b.maxX),
  maxY: Math.max(a.maxY, b.maxY),
});

/** Chord points, first to last, within `tolerance` mm of the path. */
export function flatten(p: Path, tolerance = FLATTEN): Point[] {
  const out: Point[] = [startOf(p)];
  for (const s of p) for (const t of flatParameters(s, tolerance)) out.push(pointAt(s, t));
  return out;
}

/** Where on the path the arc length from its start is `at` mm; clamped to the ends. */
export function locate(p: Path, at: number): { index: number; t: number } {
  let rest = at;
  for (let i = 0; i < p.length; i++) {
    const l = segmentLength(p[i] as Segment);
    if (rest <= l || i === p.length - 1) return { index: i, t: parameterAtLength(p[i] as Segment, rest) };
    rest -= l;
  }
  return { index: 0, t: 0 };
}

export function pointAlong(p: Path, at: number): Point {
  const { index, t } = locate(p, at);
  return pointAt(p[index] as Segment, t);
}

export function directionAlong(p: Path, at: number): Point {
  const { index, t } = locate(p, at);
  return directionAt(p[index] as Segment, t);
}

/** Directions at every `step` mm from the start, the path walked once: curves by chords a step long, fit for looking at bends. */
export function directionsEvery(p: Path, step: number): Point[] {
  const out: Point[] = [];
  let before = 0;
  for (const s of p) {
    const length = segmentLength(s);
    const chords = s.k === 'L' ? 1 : Math.max(8, Math.ceil(length / step));
    const points = Array.from({ length: chords + 1 }, (_, i) => pointAt(s, i / chords));
    const lengths = points.slice(1).map((q, i) => distance(points[i] as Point, q));
    // Chords are shorter than the curve: stretched evenly to its length.
    const stretched = length / (lengths.reduce((t, v) => t + v, 0) || 1);
    let at = before;
    lengths.forEach((chord, i) => {
      const l = chord * stretched;
      const last = i === chords - 1;
      for (let next = out.length * step; last ? next <= before + length : next <= at + l; next = out.length * step)
        out.push(directionAt(s, (i + (l > 0 ? Math.min(1, (next - at) / l) : 0)) / chords));
      at += l;
    });
    before += length;
  }
  return out;
}

/**
 * The stretch from `from` to `to` mm along the path, both clamped to it; curves stay curves.
 * An empty stretch gives one line of no length at that place.
 */
export function stretch(p: Path, from: number, to: number): Path {
  const a = locate(p, from);
  const b = locate(p, to);
  const out: Path = [];
  for (let i = a.index; i <= b.index; i++) {
    let s = p[i] as Segment;
    const t1 = i === b.index ? b.t : 1;
    const t0 = i === a.index ? a.t : 0;
    if (t1 <= t0) continue;
    if (t1 < 1) s = splitSegment(s, t1)[0];
    if (t0 > 0) s = splitSegment(s, t0 / t1)[1];
    if (segmentLength(s) > SAME_POINT) out.push(s);
  }
  const here = pointAlong(p, from);
  return out.length ? out : [line(here, here)];
}

/** Nearest place on the path to `q`: arc length from the start, the point and its distance (mm). */
export function nearestOn(p: Path, q: Point): { at: number; point: Point; distance: number } {
  let best = { index: 0, t: 0, point: startOf(p), distance: Number.POSITIVE_INFINITY };
  for (let index = 0; index < p.length; index++) {
    const s = p[index] as Segment;
    if (boxDistance(hullBox(s), q) >= best.distance) continue;
    const t = nearestParameter(s, q);
    const point = pointAt(s, t);
    const d = distance(point, q);
    if (d < best.distance) best = { index, t, point, distance: d };
  }
  const at = pathLength(p.slice(0, best.index)) + segmentLength(p[best.index] as Segment, 0, best.t);
  return { at, point: best.point, distance: best.distance };
}

/** Distance from a point to a box, 0 inside. */
function boxDistance(b: Box, q: Point): number {
  const dx = Math.max(b.minX - q.x, 0, q.x - b.maxX);
  const dy = Math.max(b.minY - q.y, 0, q.y - b.maxY);
  return Math.sqrt(dx * dx + dy * dy);
}

/** The path with straight runs of `length` mm added along its end tangents. */
export function extend(p: Path, before: number, after: number): Path {
  const out = [...p];
  if (before > 0) out.unshift(line(addScaled(startOf(p), startDirection(p), -before), startOf(p)));
  if (after > 0) out.push(line(endOf(p), addScaled(endOf(p), endDirection(p), after)));
  return out;
}

/** Joins paths end to start. A step between them larger than the same-point tolerance becomes a line. */
export function joinPaths(...paths: Path[]): Path {
  const out: Path = [];
  for (const p of paths) {
    const prev = out[out.length - 1];
    if (prev && distance(prev.b, startOf(p)) > SAME_POINT) out.push(line(prev.b, startOf(p)));
    out.push(...p);
  }
  return out;
}

/** The path without segments of no length; one is kept when nothing else is left. */
export function withoutEmpty(p: Path): Path {
  const kept = p.filter((s) => segmentLength(s) > SAME_POINT);
  return kept.length ? kept : p.slice(0, 1);
}
