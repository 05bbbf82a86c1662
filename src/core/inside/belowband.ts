import { offsetPath, pathLength } from '../geometry/index.ts';
import { type Edge, type Piece, type Role } from '../pattern/index.ts';
import { between, landing } from './land.ts';
import { cutRun, run, withParents } from './oriented.ts';

/**
 * What a facing along one run of edges leaves of a piece for its lining; its own edge there is the facing line. Width on the
 * seam line, mm. Null when nothing is left.
 */
export function belowBand(piece: Piece, role: Role, width: number, seam: number): Edge[] | null {
  const ring = withParents(piece);
  const n = ring.length;
  const first = ring.findIndex((e, i) => e.role === role && ring[(i + n - 1) % n]?.role !== role);
  if (first < 0) return null;
  const turned = [...ring.slice(first), ...ring.slice(0, first)];
  const edges = run(turned, role);
  const [after, before] = [turned[edges.length] as Edge, turned[n - 1] as Edge];
  const line = offsetPath(
    edges.flatMap((e) => e.path),
    -width,
  );
  const low = landing(line, before.path, 'start');
  const high = landing(line, after.path, 'end');
  if (!low || !high) return null;
  const edge: Edge = {
    ...(edges[0] as Edge),
    id: 'facing-line',
    role: 'facing-line',
    path: between(line, low.onPath, high.onPath),
    allowance: seam,
    corner: 'mitred',
    onFold: false,
  };
  const rest = turned.slice(edges.length + 1, n - 1);
  // Where the same edge lies at both ends it is shortened at both.
  if (after === before) return [edge, ...cutRun([after], high.onEdge, low.onEdge)];
  return [edge, ...cutRun([after], high.onEdge, pathLength(after.path)), ...rest, ...cutRun([before], 0, low.onEdge)];
}

/** A facing whose inner edge a lining is sewn to: it is the facing line, with a seam's allowance. */
export const metByLining = (facing: Piece, seam: number): Piece => ({
  ...facing,
  ring: facing.ring.map((e) => (e.role === 'inner' ? { ...e, role: 'facing-line' as const, allowance: seam } : e)),
  reasons: facing.reasons.filter((r) => !r.rule.startsWith('finish-')),
});

/** A facing whose raw inner edge the lining's hem is sewn to. */
export const rawEdged = (facing: Piece): Piece => ({
  ...facing,
  ring: facing.ring.map((e) => (e.role === 'inner' ? { ...e, allowance: 0 } : e)),
  reasons: facing.reasons.filter((r) => !r.rule.startsWith('finish-')),
});
