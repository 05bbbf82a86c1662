import {
  directionAlong,
  extend,
  nearestOn,
  offsetPath,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
} from '../geometry/index.ts';
import { type Edge, type Piece, type Role } from '../pattern/index.ts';

/**
 * What to change at one edge of the shell's pattern to cut a derived piece from it, measured between the two cut lines, mm:
 * positive is added outside the shell's cut line, negative cut off inside it. `away`: nothing of this edge is left.
 */
export interface Change {
  /** Shell edge. */
  edge: string;
  role: Role;
  onFold: boolean;
  kind: 'same' | 'off' | 'add' | 'varies' | 'away';
  least: number;
  most: number;
  /** Where to write it: the middle of the edge on the derived cut line; of an edge that is gone, on the shell's. */
  at: Point;
}

/** Less than this is not worth a chalk line (mm). */
const SAME = 0.4;
/** Places along an edge that are measured, clear of its corners. */
const PLACES = [0.12, 0.3, 0.5, 0.7, 0.88];

/** A place on an edge's cut line: straight out by its allowance. Rings run clockwise on screen. */
function cutPlace(e: Edge, share: number): Point {
  const at = pathLength(e.path) * share;
  const p = pointAlong(e.path, at);
  const n = outward(directionAlong(e.path, at));
  return { x: p.x + n.x * e.allowance, y: p.y + n.y * e.allowance };
}

function kindOf(least: number, most: number): Change['kind'] {
  if (Math.max(Math.abs(least), Math.abs(most)) < SAME) return 'same';
  if (least > -SAME && most > SAME) return 'add';
  return most < SAME && least < -SAME ? 'off' : 'varies';
}

/** How far a place lies outside (+) or inside (−) an edge's own cut line, carried on straight at both ends, mm. */
function beyond(cut: Path, q: Point): number {
  const hit = nearestOn(cut, q);
  const n = outward(directionAlong(cut, hit.at));
  return (q.x - hit.point.x) * n.x + (q.y - hit.point.y) * n.y;
}

/** How far a cut edge is carried on to measure from it (mm). */
const REACH = 150;

/** The change sheet of a derived piece: the shell's pattern once, with what to add and to cut off along each edge. */
export function changeSheet(shell: Piece, made: Piece): Change[] {
  return shell.ring.map((e): Change => {
    const parts = made.ring.filter((d) => d.from?.piece === shell.id && d.from.edge === e.id && d.role === e.role);
    const own = { edge: e.id, role: e.role, onFold: e.onFold };
    if (!parts.length) return { ...own, kind: 'away', least: 0, most: 0, at: cutPlace(e, 0.5) };
    const cut = extend(offsetPath(e.path, e.allowance), REACH, REACH);
    const off = parts.flatMap((d) => PLACES.map((k) => beyond(cut, cutPlace(d, k))));
    const [least, most] = [Math.min(...off), Math.max(...off)];
    const longest = parts.reduce((m, d) => (pathLength(d.path) > pathLength(m.path) ? d : m));
    return { ...own, kind: kindOf(least, most), least, most, at: cutPlace(longest, 0.5) };
  });
}
