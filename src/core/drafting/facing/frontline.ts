import {
  directionAlong,
  directionsEvery,
  offsetPath,
  type Path,
  type Point,
  pathLength,
  startDirection,
  stretch,
  turn,
} from '../../geometry/index.ts';
import { landing } from '../shape/trimtoedge.ts';

/** Steps in which the beginning of the straight run above a rounded corner is looked for, mm. */
const STEP = 5;
/** No corner is rounded higher up than this, mm: beyond it nothing is looked for, however long the edge. */
const HIGHEST = 600;
/** The edge's radius has to be so many times the distance, so that its parallel does not come to a point. */
const SPARE = 1.2;
/** A line meets the hem at this angle at least, else it runs along a rounded corner (radians). */
const LEAST_ANGLE = (50 * Math.PI) / 180;

/** For each STEP of an edge, whether it bends so tightly there that nothing runs parallel to it at `d` mm inside. */
function tightSteps(edge: Path, d: number): boolean[] {
  const way = directionsEvery(edge, STEP);
  return way.slice(1).map((b, i) => Math.abs(turn(way[i] as Point, b)) * SPARE > STEP / Math.max(1, Math.abs(d)));
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
  const tight = tightSteps(edge, d);
  const ahead = Math.ceil((2 * Math.abs(d)) / STEP);
  for (let i = 0; i * STEP < Math.min(HIGHEST, length * 0.6); i++) {
    if (tight.slice(i, i + ahead).includes(true)) continue;
    const s = i * STEP;
    const path = s === 0 ? whole : offsetPath(stretch(edge, s, length), d);
    const low = landing(path, hem, 'start');
    if (!low) continue;
    const angle = Math.abs(turn(startDirection(path), directionAlong(hem, low.onEdge)));
    if (Math.min(angle, Math.PI - angle) >= LEAST_ANGLE) return path;
  }
  return whole;
}
