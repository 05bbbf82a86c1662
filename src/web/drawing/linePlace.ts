import { type Closure } from '../../core/closure/index.ts';
import {
  addScaled,
  directionAlong,
  extend,
  nearestOn,
  outward,
  type Point,
  pathLength,
  pointAlong,
} from '../../core/geometry/index.ts';

/** How far the line is carried on beyond both ends: over the stand, and on to a skirt. */
const BEYOND = 1500;

/** A place of the closing line in the drawing: the point, the way down, and the one towards the front edge. */
export function linePlace(c: Closure, at: number): { p: Point; down: Point; edge: Point } {
  const s = Math.min(pathLength(c.line), Math.max(0, at));
  const down = directionAlong(c.line, s);
  const n = outward(down);
  return { p: addScaled(pointAlong(c.line, s), down, at - s), down, edge: { x: n.x * c.side, y: n.y * c.side } };
}

/** How far down the line a point of the drawing lies, mm. */
export const alongOf = (c: Closure, p: Point): number => nearestOn(extend(c.line, BEYOND, BEYOND), p).at - BEYOND;
