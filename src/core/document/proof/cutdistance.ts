import {
  directionAlong,
  endDirection,
  nearestOn,
  outward,
  type Point,
  pathLength,
  pointAlong,
  startDirection,
  turn,
} from '../../geometry/index.ts';
import { cutLine, cutRings, type Edge, ringsOf } from '../../pattern/index.ts';
import { type Computed } from '../compute.ts';
import { type Check } from './check.ts';

/** A cut line may stray so far from its distance to the seam line (mm). */
const CUT_OFF = 0.1;

/** A place straight out from an edge by its allowance: the cut line has to run through it. Rings run clockwise. */
function outside(e: Edge, share: number): Point {
  const at = pathLength(e.path) * share;
  const [p, n] = [pointAlong(e.path, at), outward(directionAlong(e.path, at))];
  return { x: p.x + n.x * e.allowance, y: p.y + n.y * e.allowance };
}

/** Within the allowance of another edge, or of its own beyond a tight hollow, a place is no part of the cut line. */
const isOwn = (ring: Edge[], p: Point): boolean =>
  ring.every((e) => nearestOn(e.path, p).distance > e.allowance - CUT_OFF / 2);

/**
 * How much of an edge's own cut line a corner takes away, mm along the edge: two lines at distances a and b from their
 * edges, which turn by θ, meet (b − a cos θ)/sin θ from the corner; inward of it at a hollow corner, beyond it else.
 */
function takenAt(a: number, b: number, angle: number): number {
  const theta = Math.abs(angle);
  if (theta < 0.05 || theta > Math.PI - 0.05) return 0;
  const meets = (b - a * Math.cos(theta)) / Math.sin(theta);
  return Math.max(0, angle < 0 ? meets : -meets);
}

const PLACES = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9];

/** Shares of an edge at which the cut line is its own: not taken by its corners or by another edge's allowance. */
function ownPlaces(ring: Edge[], i: number): number[] {
  const n = ring.length;
  const [before, e, after] = [ring[(i + n - 1) % n], ring[i], ring[(i + 1) % n]] as [Edge, Edge, Edge];
  const length = pathLength(e.path);
  const from = takenAt(e.allowance, before.allowance, turn(endDirection(before.path), startDirection(e.path))) / length;
  const to = takenAt(e.allowance, after.allowance, turn(endDirection(e.path), startDirection(after.path))) / length;
  const left = 1 - from - to;
  return left <= 0 ? [] : PLACES.map((k) => from + left * k).filter((k) => isOwn(ring, outside(e, k)));
}

/** Every cut line keeps its distance from its seam line, looked at from the middle of each edge. */
export function cutDistances(c: Computed): Check {
  const found = [...c.inside, ...c.recut].flatMap((p) => {
    const cut = c.cutLines.get(p.id) ?? cutLine(p.ring);
    const outline = cutRings(cut).flat();
    return ringsOf(p).flatMap((ring) =>
      ring.flatMap((e, i) => {
        const off = (k: number): number => nearestOn(outline, outside(e, k)).distance;
        // Beside a corner a place can be cut off; the best of three near the middle is its own.
        const value = Math.min(...[0.4, 0.5, 0.6].map(off));
        if (value <= CUT_OFF) return [{ piece: p.id, edge: e.id, value }];
        // A stub between corners, a hollow tighter than the allowance: looked at where the cut line is its own, if anywhere.
        const own = ownPlaces(ring, i).map(off);
        return own.length ? [{ piece: p.id, edge: e.id, value: Math.min(...own) }] : [];
      }),
    );
  });
  return {
    code: 'cut',
    looked: found.length,
    faults: found.filter((f) => f.value > CUT_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}
