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
  /** At both ends of the edge, and the edge that lies beyond each; of an edge that is gone, how far in the new one lies there. */
  ends: { mm: number; beside: Role }[];
  /** Where to write it: the middle of the edge on the derived cut line; of an edge that is gone, on the shell's. */
  at: Point;
}

/** Less than this is not worth a chalk line (mm). */
const SAME = 0.4;
/** Places along an edge that are measured; the first and the last are its ends, just clear of the corners. */
const PLACES = [0.01, 0.12, 0.3, 0.5, 0.7, 0.88, 0.99];

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

/** Places along all parts of an edge in the order in which they lie along it, and how far each lies beyond the shell's. */
function measured(e: Edge, parts: Edge[]): number[] {
  const cut = extend(offsetPath(e.path, e.allowance), REACH, REACH);
  return parts
    .flatMap((d) =>
      PLACES.map((k) => ({ along: nearestOn(e.path, pointAlong(d.path, pathLength(d.path) * k)).at, d, k })),
    )
    .sort((a, b) => a.along - b.along)
    .map(({ d, k }) => beyond(cut, cutPlace(d, k)));
}

/** How far inside an edge's seam line the new edges of the derived piece lie, at a share of its length, mm; infinite without any. */
function inward(made: Piece, e: Edge, share: number): number {
  const at = pointAlong(e.path, pathLength(e.path) * share);
  const fresh = made.ring.filter((d) => d.role === 'facing-line');
  return Math.min(...fresh.map((d) => nearestOn(extend(d.path, REACH, REACH), at).distance));
}

/** The change sheet of a derived piece: the shell's pattern once, with what to add and to cut off along each edge. */
export function changeSheet(shell: Piece, made: Piece): Change[] {
  const n = shell.ring.length;
  return shell.ring.map((e, i): Change => {
    const parts = made.ring.filter((d) => d.from?.piece === shell.id && d.from.edge === e.id && d.role === e.role);
    const own = { edge: e.id, role: e.role, onFold: e.onFold };
    const beside = (k: number): Role => (shell.ring[(i + n + k) % n] as Edge).role;
    if (!parts.length) {
      const [from, to] = [0, 1].map((k) => inward(made, e, k));
      const ends = [
        { mm: from as number, beside: beside(-1) },
        { mm: to as number, beside: beside(1) },
      ].filter((x) => Number.isFinite(x.mm));
      return { ...own, kind: 'away', least: 0, most: 0, ends, at: cutPlace(e, 0.5) };
    }
    const off = measured(e, parts);
    const [least, most] = [Math.min(...off), Math.max(...off)];
    const longest = parts.reduce((m, d) => (pathLength(d.path) > pathLength(m.path) ? d : m));
    const ends = [
      { mm: off[0] as number, beside: beside(-1) },
      { mm: off[off.length - 1] as number, beside: beside(1) },
    ];
    return { ...own, kind: kindOf(least, most), least, most, ends, at: cutPlace(longest, 0.5) };
  });
}
