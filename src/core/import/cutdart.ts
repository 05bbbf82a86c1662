import {
  distance,
  endDirection,
  endOf,
  line,
  type Path,
  type Point,
  partAtCorners,
  pathLength,
  startDirection,
  startOf,
  turn,
} from '../geometry/index.ts';

/** A dart's lines are at least so long (mm) and open at most so far (radians): a lapel's notch is shorter and wider. */
const LEAST_LEG = 45;
const WIDEST = (42 * Math.PI) / 180;
/** Its mouth is at least so wide, mm. */
const LEAST_MOUTH = 4;
/** Its two lines differ by no more than this, mm, or this share. */
const UNLIKE = 5;
const UNLIKE_SHARE = 0.08;

const straight = (p: Path): boolean => distance(startOf(p), endOf(p)) > 0.98 * pathLength(p);

/** Whether two edges that follow each other run into a piece and out again as the lines of a dart do. Clockwise on screen. */
function isCutDart(before: Path, one: Path, two: Path, after: Path): boolean {
  const [a, b] = [pathLength(one), pathLength(two)];
  if (Math.min(a, b) < LEAST_LEG || Math.abs(a - b) > Math.max(UNLIKE, UNLIKE_SHARE * a)) return false;
  if (!straight(one) || !straight(two)) return false;
  const mouth = distance(startOf(one), endOf(two));
  if (mouth < LEAST_MOUTH || 2 * Math.asin(Math.min(1, mouth / (a + b))) > WIDEST) return false;
  // Into the piece at both feet, back on itself at the point.
  const into = turn(endDirection(before), startDirection(one));
  const out = turn(endDirection(two), startDirection(after));
  const point = turn(endDirection(one), startDirection(two));
  return into > 0.5 && out > 0.5 && point < -(Math.PI - WIDEST - 0.1);
}

/**
 * An outline with the darts that are cut into it taken out as lines: each a V of two like lines from the edge to a point
 * inside. The mouth is drawn straight across, so that the edge runs on over it; `feet` are its ends, which are no corners.
 */
export function takeCutDarts(outline: Path): { path: Path; darts: Path[]; feet: Point[] } {
  const parts = partAtCorners(outline);
  const n = parts.length;
  const darts: Path[] = [];
  const feet: Point[] = [];
  const gone = new Set<number>();
  const mouths = new Map<number, Path>();
  for (let i = 0; n >= 5 && i < n; i++) {
    const at = (k: number): Path => parts[(i + k + n) % n] as Path;
    const [one, two] = [at(0), at(1)];
    if (gone.has(i) || gone.has((i + 1) % n) || !isCutDart(at(-1), one, two, at(2))) continue;
    darts.push([...one, ...two]);
    feet.push(startOf(one), endOf(two));
    mouths.set(i, [line(startOf(one), endOf(two))]);
    gone.add(i).add((i + 1) % n);
  }
  if (!darts.length) return { path: outline, darts, feet };
  const path = parts.flatMap((p, i) => mouths.get(i) ?? (gone.has(i) ? [] : p));
  return { path, darts, feet };
}
