import { crossings } from './intersect.ts';
import { offsetPath } from './offset.ts';
import { endOf, extend, nearestOn, type Path, pathLength, startOf, stretch } from './path.ts';
import { type Cubic, cubic } from './segment.ts';
import { add, cross, type Point, scale, sub, turn, unit } from './vector.ts';

/** Cubics along a circle round `centre` from `from` to `to` (both on it), the short way; ends are met exactly. */
export function arcBetween(centre: Point, from: Point, to: Point): Cubic[] {
  const v0 = sub(from, centre);
  const angle = turn(v0, sub(to, centre));
  const parts = Math.max(1, Math.ceil(Math.abs(angle) / (Math.PI / 4)));
  const step = angle / parts;
  const k = (4 / 3) * Math.tan(step / 4);
  const at = (i: number): Point => {
    const c = Math.cos(step * i);
    const s = Math.sin(step * i);
    return { x: v0.x * c - v0.y * s, y: v0.x * s + v0.y * c };
  };
  const side = (v: Point): Point => ({ x: -v.y, y: v.x });
  const out = Array.from({ length: parts }, (_, i) => {
    const a = at(i);
    const b = at(i + 1);
    return cubic(
      add(centre, a),
      add(centre, add(a, scale(side(a), k))),
      add(centre, sub(b, scale(side(b), k))),
      add(centre, b),
    );
  });
  (out[0] as Cubic).a = from;
  (out[parts - 1] as Cubic).b = to;
  return out;
}

/**
 * Rounds the corner where the end of `a` crosses the start of `b` with a circle of `radius` mm that touches both.
 * A `radius` under half a millimetre leaves the sharp corner. Null when the two do not cross or the circle finds no room.
 */
export function fillet(a: Path, b: Path, radius: number): { path: Path; corner: Point } | null {
  const longA = extend(a, 0, pathLength(a) + 500);
  const longB = extend(b, pathLength(b) + 500, 0);
  const corner = crossings(longA, longB)[0];
  if (!corner) return null;
  const toCornerA = stretch(longA, 0, corner.atA);
  const fromCornerB = stretch(longB, corner.atB, pathLength(longB));
  if (radius < 0.5) return { path: [...toCornerA, ...fromCornerB], corner: corner.point };
  const before = unit(sub(corner.point, startOf(toCornerA)));
  const after = unit(sub(endOf(fromCornerB), corner.point));
  // Turning clockwise on screen, the circle lies to the right of travel: the negative offset side.
  const side = cross(before, after) > 0 ? -radius : radius;
  const centre = crossings(offsetPath(toCornerA, side), offsetPath(fromCornerB, side))[0];
  if (!centre) return null;
  const onA = nearestOn(toCornerA, centre.point);
  const onB = nearestOn(fromCornerB, centre.point);
  const misses = (d: number): boolean => Math.abs(d - radius) > 0.05;
  if (misses(onA.distance) || misses(onB.distance)) return null;
  // A circle that reaches the far end of a side would swallow it.
  if (onA.at < 1 || onB.at > pathLength(fromCornerB) - 1) return null;
  const head = stretch(toCornerA, 0, onA.at);
  const tail = stretch(fromCornerB, onB.at, pathLength(fromCornerB));
  return { path: [...head, ...arcBetween(centre.point, endOf(head), startOf(tail)), ...tail], corner: corner.point };
}
