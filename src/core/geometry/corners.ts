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
