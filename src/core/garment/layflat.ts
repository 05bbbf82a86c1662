import {
  type Affine,
  apply,
  compose,
  directionAlong,
  distance,
  type Path,
  pathLength,
  pointAlong,
  rotation,
  translation,
  turn,
} from '../geometry/index.ts';

/** A panel laid on to its neighbour: the motion, and how far the seam lines lie apart within the band, mm. */
export interface Laid {
  motion: Affine;
  misfit: number;
}

/** Steps in which the misfit is looked at, mm. */
const STEP = 5;

/**
 * The rigid motion that lays a panel's joined stretch on to its neighbour's, best at one end of the seam. `seam` is the
 * neighbour's stretch, `own` the panel's, both run from the end they are laid best at; `band` is how far along them from there
 * the fit matters, mm. The motion turns and shifts and never mirrors. Misfit: the largest distance, within the band, between
 * places as far along either seam line from that end.
 */
export function layFlat(seam: Path, own: Path, band = 0): Laid {
  const [ls, lo] = [pathLength(seam), pathLength(own)];
  // A hair along, where a corner's rounding no longer tells.
  const near = Math.min(ls, lo, Math.max(1, band / 2));
  const chord = (p: Path, at: number) => {
    const [a, b] = [pointAlong(p, 0), pointAlong(p, at)];
    return distance(a, b) > 1e-9 ? { x: b.x - a.x, y: b.y - a.y } : directionAlong(p, 0);
  };
  const angle = turn(chord(own, near), chord(seam, near));
  const turned = rotation(angle);
  const from = apply(turned, pointAlong(own, 0));
  const to = pointAlong(seam, 0);
  const motion = compose(translation(to.x - from.x, to.y - from.y), turned);
  const reach = Math.min(band, ls, lo);
  let misfit = 0;
  for (let at = 0; at <= reach + 1e-9; at += STEP)
    misfit = Math.max(misfit, distance(pointAlong(seam, at), apply(motion, pointAlong(own, at))));
  return { motion, misfit };
}
