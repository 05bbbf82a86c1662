import { meet, offsetPath, pathLength, stretch } from '../../geometry/index.ts';
import { type Edge, type Piece, type Role, reverseRing } from '../../pattern/index.ts';

/**
 * A shell ring turned so that the run of `first` comes first and the run of `second` follows, its edges knowing
 * themselves as parents. `sign` is +1 when that is clockwise on screen, −1 when the ring had to be run backwards: an
 * outward offset in walk order is `sign · distance`.
 */
export interface Oriented {
  piece: Piece;
  ring: Edge[];
  sign: 1 | -1;
}

/** The ring with every edge knowing itself as its parent. */
export const withParents = (piece: Piece): Edge[] =>
  piece.ring.map((e) => ({ ...e, from: { piece: piece.id, edge: e.id, start: 0, end: pathLength(e.path) } }));

function turnTo(ring: Edge[], first: Role, second: Role): Edge[] | null {
  const n = ring.length;
  const at = ring.findIndex((e, i) => e.role === first && ring[(i + 1) % n]?.role === second);
  if (at < 0) return null;
  let start = at;
  for (let k = 0; k < n && ring[(start + n - 1) % n]?.role === first; k++) start = (start + n - 1) % n;
  return [...ring.slice(start), ...ring.slice(0, start)];
}

/** Null when the two roles do not lie next to each other on the piece. */
export function orient(piece: Piece, first: Role, second: Role): Oriented | null {
  const ring = withParents(piece);
  const forward = turnTo(ring, first, second);
  if (forward) return { piece, ring: forward, sign: 1 };
  const back = turnTo(reverseRing(ring), first, second);
  return back ? { piece, ring: back, sign: -1 } : null;
}

/** Edges of one role in ring order. */
export const run = (ring: Edge[], role: Role): Edge[] => ring.filter((e) => e.role === role);
export const runPath = (ring: Edge[], role: Role) => run(ring, role).flatMap((e) => e.path);
export const runLength = (ring: Edge[], role: Role): number =>
  run(ring, role).reduce((s, e) => s + pathLength(e.path), 0);

/** The stretch from `s0` to `s1` mm along a run of edges, each remaining edge knowing its part of the parent. */
export function cutRun(edges: Edge[], s0: number, s1: number): Edge[] {
  const out: Edge[] = [];
  let before = 0;
  for (const e of edges) {
    const length = pathLength(e.path);
    const a = Math.max(0, s0 - before);
    const b = Math.min(length, s1 - before);
    before += length;
    if (b - a < 1e-6) continue;
    const whole = a < 1e-6 && b > length - 1e-6;
    const f = e.from;
    const along = (x: number): number => (f ? f.start + ((f.end - f.start) * x) / length : 0);
    out.push({
      ...e,
      path: whole ? e.path : stretch(e.path, a, b),
      ...(f && { from: { ...f, start: along(a), end: along(b) } }),
    });
  }
  return out;
}

/**
 * The run of `role` moved outward by `d` mm (inward when negative), its neighbours trimmed or carried on straight to
 * meet it. `sign` as in Oriented.
 */
export function moveRun(ring: Edge[], role: Role, d: number, sign: 1 | -1): Edge[] {
  if (d === 0) return ring;
  const n = ring.length;
  const paths = ring.map((e) => (e.role === role ? offsetPath(e.path, sign * d) : e.path));
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    if (ring[i]?.role !== role && ring[j]?.role !== role) continue;
    const m = meet(paths[i] as Edge['path'], paths[j] as Edge['path'], Math.abs(d) * 6 + 10);
    paths[i] = [...m.a, ...m.between];
    paths[j] = m.b;
  }
  return ring.map((e, i) => ({ ...e, path: paths[i] as Edge['path'] }));
}

/** A shell piece parted along its facing line; both rings in walk order, sharing the line exactly. */
export interface Split {
  oriented: Oriented;
  facing: Edge[];
  lining: Edge[];
  /** The facing's share as it lies on the drawn piece, where its own is traced with darts and pleats closed, and how many. */
  open?: Edge[];
  closed?: number;
  /** Further shares of a facing that comes through the piece more than once. */
  more?: Edge[][];
  /** Distance along the hem (or centre back) and the shoulder at which the facing line ends, mm. */
  ends: { first: number; shoulder: number };
  cornerRadius: number;
}

/** What neckline facings end on: the shoulder, or the raglan seam of a piece without one. */
export const besideNeck = (ring: Edge[]): Role => (ring.some((e) => e.role === 'shoulder') ? 'shoulder' : 'armhole');

/** What lies beside the runs of a role, round the ring. */
export const beside = (ring: Edge[], role: Role): Role[] =>
  ring.flatMap((e, i) => {
    const next = ring[(i + 1) % ring.length] as Edge;
    if (e.role === role && next.role !== role) return [next.role];
    return e.role !== role && next.role === role ? [e.role] : [];
  });

/** A ring turned to begin with a run of edges, and all that follows it. */
export interface RunAndRest {
  run: Edge[];
  rest: Edge[];
}

/** The first run of edges of a kind round a ring; null where there is none, or nothing else. */
export function runAndRest(ring: Edge[], is: (e: Edge) => boolean): RunAndRest | null {
  const n = ring.length;
  const first = ring.findIndex((e, i) => is(e) && !is(ring[(i + n - 1) % n] as Edge));
  if (first < 0) return null;
  const turned = [...ring.slice(first), ...ring.slice(0, first)];
  const count = turned.findIndex((e) => !is(e));
  return { run: turned.slice(0, count), rest: turned.slice(count) };
}
