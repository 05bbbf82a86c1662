import { directionAlong, offsetPath, type Path, pathLength, startDirection, stretch, turn } from '../geometry/index.ts';
import { landing } from './land.ts';

/** Steps in which the beginning of the straight run above a rounded corner is looked for, mm. */
const STEP = 5;
/** The edge's radius has to be so many times the distance, so that its parallel does not come to a point. */
const SPARE = 1.2;
/** A line meets the hem at this angle at least, else it runs along a rounded corner (radians). */
const LEAST_ANGLE = (50 * Math.PI) / 180;

/** Whether an edge bends so tightly between `from` and `to` mm that nothing runs parallel to it at `d` mm inside. */
function tight(edge: Path, from: number, to: number, d: number): boolean {
  for (let s = from; s < to; s += STEP) {
    const [a, b] = [directionAlong(edge, s), directionAlong(edge, Math.min(to, s + STEP))];
    if (Math.abs(turn(a, b)) * SPARE > STEP / Math.max(1, Math.abs(d))) return true;
  }
  return false;
}

/**
 * The parallel to a front edge at an offset of `d` mm (signs as in offsetPath), from its lower end up. Where the lower
 * corner is rounded, nothing runs parallel to it and down to the hem: there the parallel is taken of the run above the
 * rounding, to be ruled straight on to the hem. Common practice. `edge` runs upward from the hem.
 */
export function parallelToFront(edge: Path, hem: Path, d: number): Path {
  const whole = offsetPath(edge, d);
  const length = pathLength(edge);
  if (!hem.length) return whole;
  for (let s = 0; s < length * 0.6; s += STEP) {
    if (tight(edge, s, Math.min(length, s + 2 * Math.abs(d)), d)) continue;
    const path = s === 0 ? whole : offsetPath(stretch(edge, s, length), d);
    const low = landing(path, hem, 'start');
    if (!low) continue;
    const angle = Math.abs(turn(startDirection(path), directionAlong(hem, low.onEdge)));
    if (Math.min(angle, Math.PI - angle) >= LEAST_ANGLE) return path;
  }
  return whole;
}
