import {
  directionsEvery,
  distance,
  endOf,
  type Path,
  type Point,
  pathLength,
  size,
  startOf,
  stretch,
  sub,
  turn,
} from '../geometry/index.ts';
import { type Role } from './types.ts';

/** A corner is round where a line turns as tightly as this or tighter, mm of radius. Own figure: a saucer's. */
const WIDEST = 95;
/** It turns outward by so much in all, radians: from half a right angle to well past one. */
const LEAST_TURN = Math.PI / 4;
const MOST_TURN = Math.PI * 0.75;
/** On both sides of it the edge goes on for so long, mm, nearly straight. */
const FLANK = 60;
const STRAIGHT = Math.PI / 22;
/** Steps the line is walked in, mm, and over how much of it the tightness is taken. */
const STEP = 2;
const WINDOW = 12;

/** A stretch of an edge, from and to in mm along it. */
interface Arc {
  from: number;
  to: number;
}

/** Sums up to each place, so that the sum between any two is a difference. */
function runningSums(of: number[]): number[] {
  const out = [0];
  for (const v of of) out.push((out.at(-1) as number) + v);
  return out;
}

/** No line turns more than the polygon of its ends and handles does, radians. */
function mostTurn(path: Path): number {
  const corners = path.flatMap((s) => (s.k === 'L' ? [s.a, s.b] : [s.a, s.c, s.d, s.b]));
  const ways = corners
    .slice(1)
    .map((p, i) => sub(p, corners[i] as Point))
    .filter((d) => size(d) > 1e-9);
  return ways.slice(1).reduce((sum, d, i) => sum + Math.abs(turn(ways[i] as Point, d)), 0);
}

/** The round corners of one edge: where it turns tightly and outward between two nearly straight stretches. */
function arcsOf(path: Path): Arc[] {
  if (mostTurn(path) <= LEAST_TURN) return [];
  const length = pathLength(path);
  // A ring without any corner stays one edge.
  if (length < 2 * FLANK + WINDOW || distance(startOf(path), endOf(path)) < 1e-6) return [];
  const way = directionsEvery(path, STEP);
  const turns = way.slice(1).map((d, i) => turn(way[i] as (typeof way)[number], d));
  const half = WINDOW / STEP / 2;
  // Positive outward of a ring that runs clockwise on screen.
  const [outward, either] = [runningSums(turns), runningSums(turns.map(Math.abs))];
  const between = (sums: number[], a: number, b: number): number => (sums[b] as number) - (sums[a] as number);
  const tight = turns.map((_, i) => {
    const [a, b] = [Math.max(0, i - half), Math.min(turns.length, i + half)];
    return between(outward, a, b) > ((b - a) * STEP) / WIDEST;
  });
  const out: Arc[] = [];
  for (let i = 0; i < tight.length; i++) {
    if (!tight[i]) continue;
    let k = i;
    while (k < tight.length && tight[k]) k++;
    const all = between(outward, i, k);
    const [before, after] = [i - FLANK / STEP, k + FLANK / STEP];
    const straight = (a: number, b: number): boolean => between(either, a, b) < STRAIGHT;
    if (all > LEAST_TURN && all < MOST_TURN && before >= 0 && after <= turns.length)
      if (straight(before, i) && straight(k, after)) out.push({ from: i * STEP, to: k * STEP });
    i = k;
  }
  return out;
}

/** How far off the place found a joint of the drawing may lie to be taken for the arc's own end, mm. */
const NEAR_JOINT = 12;

/** The joint between two segments nearest to a place, or the place itself where none is near. */
function toJoint(path: Path, at: number): number {
  let sum = 0;
  let best = { at, off: NEAR_JOINT };
  for (const s of path.slice(0, -1)) {
    sum += pathLength([s]);
    if (Math.abs(sum - at) < best.off) best = { at: sum, off: Math.abs(sum - at) };
  }
  return best.at;
}

/** An edge with round corners: the stretches between them, and the arcs, one fewer. */
export interface Rounded {
  flanks: Path[];
  arcs: Path[];
}

/** An edge parted at its round corners. One without any is a single flank. */
export function partRound(path: Path): Rounded {
  const ends = arcsOf(path).flatMap((a) => [toJoint(path, a.from), toJoint(path, a.to)]);
  if (!ends.length) return { flanks: [path], arcs: [] };
  const at = [0, ...ends, pathLength(path)];
  const parts = at.slice(1).map((to, i) => stretch(path, at[i] as number, to));
  // Parts meet exactly.
  for (let i = 1; i < parts.length; i++) {
    const part = parts[i] as Path;
    part[0] = { ...(part[0] as Path[number]), a: endOf(parts[i - 1] as Path) };
  }
  return { flanks: parts.filter((_, i) => i % 2 === 0), arcs: parts.filter((_, i) => i % 2 === 1) };
}

/** The edge's flanks again, each arc with the one before it where `before(i)`, else with the one after it. */
export function withArcs({ flanks, arcs }: Rounded, before: (i: number) => boolean): Path[] {
  return flanks.map((f, i) => [
    ...(i > 0 && !before(i - 1) ? (arcs[i - 1] as Path) : []),
    ...f,
    ...(i < arcs.length && before(i) ? (arcs[i] as Path) : []),
  ]);
}

/** A round corner goes with the longer of its flanks. */
export const longerBefore =
  (r: Rounded) =>
  (i: number): boolean =>
    pathLength(r.flanks[i] as Path) >= pathLength(r.flanks[i + 1] as Path);

/** Edges that run on round a corner, the first of two before the other. Common practice. */
const ROUND: readonly Role[] = ['front-edge', 'collar-outer', 'stand-top', 'hem'];

/** Edges, their roles, and which of the edges that were parted each is of. */
export interface Settled {
  paths: Path[];
  roles: Role[];
  of: number[];
}

/**
 * Edges with the roles of their flanks: where both of a round corner are of one role, they are one edge; else the corner
 * goes with the one that runs on round it.
 */
export function settled(parted: Rounded[], flankRoles: Role[]): Settled {
  const paths: Path[] = [];
  const roles: Role[] = [];
  const of: number[] = [];
  let next = 0;
  for (const [k, r] of parted.entries()) {
    const own = r.flanks.map(() => flankRoles[next++] ?? 'plain');
    const rank = (i: number): number => (ROUND.indexOf(own[i] as Role) + ROUND.length + 1) % (ROUND.length + 1);
    const before = (i: number): boolean => (rank(i) === rank(i + 1) ? longerBefore(r)(i) : rank(i) < rank(i + 1));
    for (const [i, path] of withArcs(r, before).entries()) {
      if (i > 0 && own[i] === own[i - 1]) paths.push([...(paths.pop() as Path), ...path]);
      else {
        paths.push(path);
        roles.push(own[i] as Role);
        of.push(k);
      }
    }
  }
  return { paths, roles, of };
}
