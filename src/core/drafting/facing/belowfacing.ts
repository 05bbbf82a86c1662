import {
  endOf,
  line,
  nearestOn,
  offsetPath,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  startOf,
  stretch,
} from '../../geometry/index.ts';
import { type Edge, type Piece, type Role, takesOf } from '../../pattern/index.ts';
import { cutRun, run, withParents } from '../shape/oriented.ts';
import { between, landing } from '../shape/trimtoedge.ts';

/**
 * The parallel to a run of edges at `width` inside, as it lies once darts are sewn: each stretch between two darts has its
 * own parallel, which ends on their lines; between a dart's lines it goes straight across. A dart that ends within the
 * width has no lines there, and the stretches beside it run together.
 */
function alongDarts(piece: Piece, edges: Edge[], width: number): Path {
  const whole = edges.flatMap((e) => e.path);
  let before = 0;
  const takes = takesOf(piece);
  const darts = edges.flatMap((e) => {
    const at = before;
    before += pathLength(e.path);
    return takes.filter((t) => t.edge === e.id && t.apex).map((t) => ({ ...t, from: t.from + at, to: t.to + at }));
  });
  const legs = darts
    .sort((x, y) => x.from - y.from)
    .flatMap(({ from, to, apex }) => {
      const leg = (at: number): Path => [line(pointAlong(whole, at), apex as Point)];
      return apex && nearestOn(whole, apex).distance > width + 1
        ? [{ from, to, first: leg(from), second: leg(to) }]
        : [];
    });
  if (!legs.length) return offsetPath(whole, -width);
  const out: Path = [];
  let start = 0;
  let foot: Path | null = null;
  for (const leg of [...legs, null]) {
    const part = stretch(whole, start, leg?.from ?? before);
    const path = offsetPath(part, -width);
    const low = foot ? landing(path, foot, 'start') : null;
    const high = leg ? landing(path, leg.first, 'end') : null;
    const drawn = between(path, low?.onPath ?? 0, high?.onPath ?? pathLength(path));
    if (out.length) out.push(line(endOf(out), startOf(drawn)));
    out.push(...drawn);
    start = leg?.to ?? before;
    foot = leg?.second ?? null;
  }
  return out;
}

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
  const path = alongDarts(piece, edges, width);
  const low = landing(path, before.path, 'start');
  const high = landing(path, after.path, 'end');
  if (!low || !high) return null;
  const edge: Edge = {
    ...(edges[0] as Edge),
    id: 'facing-line',
    role: 'facing-line',
    path: between(path, low.onPath, high.onPath),
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
