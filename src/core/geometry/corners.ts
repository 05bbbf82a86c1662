import { CORNER_ANGLE } from '../tolerance.ts';
import { endDirection, type Path, startDirection } from './path.ts';
import { distance, type Point, turn } from './vector.ts';

/**
 * Parts a closed path at its corners (turns sharper than CORNER_ANGLE), but for those places that are known to be
 * none. A ring without any stays one edge.
 */
export function partAtCorners(path: Path, smooth: Point[] = []): Path[] {
  const n = path.length;
  const sharp = (i: number): boolean => {
    const here = (path[i] as Path[number]).a;
    if (smooth.some((q) => distance(q, here) < 1e-6)) return false;
    const before = endDirection([path[(i + n - 1) % n] as Path[number]]);
    const after = startDirection([path[i] as Path[number]]);
    return Math.abs(turn(before, after)) > CORNER_ANGLE;
  };
  const starts = Array.from({ length: n }, (_, i) => i).filter(sharp);
  if (!starts.length) return [path];
  return starts.map((s, k) => {
    const next = starts[(k + 1) % starts.length] as number;
    const count = (next - s + n) % n || n;
    return Array.from({ length: count }, (_, i) => path[(s + i) % n] as Path[number]);
  });
}

/** Whether a path turns sharply, by more than CORNER_ANGLE, where another goes on from it. */
export const meetAtCorner = (path: Path, next: Path): boolean =>
  Math.abs(turn(endDirection(path), startDirection(next))) > CORNER_ANGLE;

/** How many corners an open path has between its ends. */
export const cornersAlong = (path: Path): number =>
  path.slice(1).filter((s, i) => meetAtCorner([path[i] as Path[number]], [s])).length;

/** A turn of a ring of points by more is a corner, where a tape is laid from one to the next, degrees. Own figure. */
const BEND = 20;

/** A stretch of a ring from corner to corner: how long, and a point about its middle. */
export interface Run {
  length: number;
  middle: Point;
}

/** What lies between the corners of a ring of points; nothing where it has none. */
export function cornerRuns(points: readonly Point[]): Run[] {
  const ring = points.filter((p, i) => i === 0 || distance(p, points[i - 1] as Point) > 1e-6);
  if (ring.length > 1 && distance(ring[0] as Point, ring.at(-1) as Point) < 1e-6) ring.pop();
  const n = ring.length;
  const at = (i: number): Point => ring[(i + n) % n] as Point;
  const heading = (i: number): number => Math.atan2(at(i + 1).y - at(i).y, at(i + 1).x - at(i).x);
  const turns = (i: number): number => {
    const by = ((heading(i) - heading(i - 1)) * 180) / Math.PI;
    return Math.abs(((by + 540) % 360) - 180);
  };
  const corners = ring.flatMap((_, i) => (turns(i) > BEND ? [i] : []));
  return corners.map((from, k) => {
    const to = k + 1 < corners.length ? (corners[k + 1] as number) : (corners[0] as number) + n;
    let length = 0;
    for (let i = from; i < to; i++) length += distance(at(i), at(i + 1));
    return { length, middle: at(Math.round((from + to) / 2)) };
  });
}
