import { type Decisions } from '../../document/project.ts';
import {
  directionAlong,
  endOf,
  line,
  mapPath,
  meet,
  offsetPath,
  outward,
  type Path,
  pathLength,
  pointAlong,
  reflection,
  startDirection,
  startOf,
  stretch,
} from '../../geometry/index.ts';
import { type Edge, type Piece, type Role, rolesMissing, runsOf } from '../../pattern/index.ts';
import { because, ok, type Reason, type Result, refuse, stop } from '../../result.ts';
import { cutRun, run } from '../shape/oriented.ts';
import { between, landing } from '../shape/trimtoedge.ts';
import { cutBack } from './hem.ts';

/** The lining of a back with a vent: the half whose shell laps over, and the half that lies under it. */
export interface VentHalves {
  over: { ring: Edge[]; reason: Reason };
  under: { ring: Edge[]; reason: Reason };
}

/** Figures of a drawn vent, mm: width of its extension to the seam line and to the cut edge, and its seams. */
export interface VentFigures {
  net: number;
  toCut: number;
  /** How far inside the centre-back line the lining's seam line lies on the half that folds back. */
  inside: number;
  /** How far inside the underlap's turned edge the lining's seam line lies. */
  beside: number;
}

export const hasVent = (piece: Piece): boolean => piece.ring.some((e) => e.role === 'vent' || e.role === 'vent-top');

/** How a back's vent is drawn; null where the piece has none that can be used. */
export function ventFigures(piece: Piece, v: Decisions['lining']['vent']): VentFigures | null {
  const long = runsOf(piece.ring, 'vent')[0]?.flatMap((e) => e.path);
  const [centre] = run(piece.ring, 'centre-back');
  const allowance = run(piece.ring, 'vent')[0]?.allowance ?? 0;
  const top = runsOf(piece.ring, 'vent-top')[0]?.flatMap((e) => e.path);
  if (!long || !centre || !top) return null;
  const ends = [startOf(centre.path), endOf(centre.path)];
  const foot = ends.find((q) => [startOf(top), endOf(top)].some((t) => Math.hypot(t.x - q.x, t.y - q.y) < 0.02));
  if (!foot) return null;
  const atStart = foot === ends[0];
  const length = pathLength(centre.path);
  const n = outward(directionAlong(centre.path, atStart ? 0 : length));
  const middle = pointAlong(long, pathLength(long) / 2);
  const net = Math.abs((middle.x - foot.x) * n.x + (middle.y - foot.y) * n.y);
  const beside = allowance - v.shellSeam;
  return { net, toCut: net + allowance, inside: net + beside, beside };
}

const lacks = (piece: Piece, roles: Role[]): Result<never> => refuse(rolesMissing(piece, roles));

/**
 * Both halves of a lining beside a vent, from the lining's ring in walk order (… hem, vent, vent-top, centre back …).
 * On the half that laps over, the shell's extension of width E to its cut edge folds back along the centre-back line; joined
 * to its raw edge with s1 on the shell and s2 on the lining, the lining is cut back by R = 2E − s1 − s2 and its cut edge
 * lies E − s1 − s2 inside the centre-back line. The underlap's edge is turned in by its allowance A, and the same formula
 * holds with A. Both end at the vent's upper edge. Derived. Refuses a vent without a centre-back seam.
 */
export function ventHalves(
  ring: Edge[],
  sign: 1 | -1,
  piece: Piece,
  v: Decisions['lining']['vent'],
): Result<VentHalves> {
  const [hem, long, top, centre] = (['hem', 'vent', 'vent-top', 'centre-back'] as const).map((role) => run(ring, role));
  if (!centre?.length || centre.some((e) => e.onFold))
    return refuse(stop('vent-without-seam', { piece: piece.id }, { name: piece.name }));
  const figures = ventFigures(piece, v);
  const [edge] = long ?? [];
  if (!hem?.length || !edge || !top?.length || !figures)
    return lacks(piece, ['hem', 'vent', 'vent-top', 'centre-back']);
  const centrePath = centre.flatMap((e) => e.path);
  const fold = reflection(startOf(centrePath), startDirection(centrePath));
  const drawn = (long ?? []).flatMap((e) => e.path);
  const upper = top.flatMap((e) => e.path);
  const folded = mapPath(offsetPath(drawn, sign * figures.beside), fold);
  const over = withVent(ring, hem, folded, mapPath(upper, fold), v.liningSeam);
  const under = withVent(ring, hem, offsetPath(drawn, -sign * figures.beside), upper, v.liningSeam);
  if (!over || !under)
    return refuse(stop('vent-too-wide', { piece: piece.id }, { name: piece.name, width: figures.toCut }));
  const { shellSeam: s1, liningSeam: s2 } = v;
  const E = figures.toCut;
  const A = edge.allowance;
  return ok({
    over: {
      ring: over,
      reason: because('vent-over', 'derived', cutBack(E, s1, s2), { E, s1, s2, inside: E - s1 - s2 }),
    },
    under: { ring: under, reason: because('vent-under', 'derived', cutBack(A, s1, s2), { A, s1, s2 }) },
  });
}

/** The ring with its vent redrawn: the long edge from the hem up, then the upper edge to the centre back. */
function withVent(ring: Edge[], hem: Edge[], long: Path, top: Path, seam: number): Edge[] | null {
  const low = landing(
    long,
    hem.flatMap((e) => e.path),
    'start',
  );
  if (!low) return null;
  const m = meet(between(long, low.onPath, pathLength(long)), top, 60);
  if (!m.met) return null;
  const cut = cutRun(hem, 0, low.onEdge);
  if (!cut.length) return null;
  const put = (role: 'vent' | 'vent-top', path: Path): Edge => {
    const was = run(ring, role)[0] as Edge;
    return { ...was, path, allowance: seam, corner: 'mitred' };
  };
  let done = false;
  return ring.flatMap((e): Edge[] => {
    if (e.role === 'hem') return cut.filter((c) => c.id === e.id);
    if (e.role === 'vent-top') return e === run(ring, 'vent-top')[0] ? [put('vent-top', m.b)] : [];
    if (e.role !== 'vent') return [e];
    if (done) return [];
    done = true;
    return [put('vent', [...m.a, ...m.between])];
  });
}

/** A lining's pleat that does not go down to the hem runs out to the centre back over so much, mm. Common practice. */
export const RUN_OUT = 150;

/**
 * The centre back of a lining let out by `half` a pleat from the neck down, running out to the centre back below: `from` is
 * where it begins to, mm above the lower end of the seam. The ring stays as it is where the seam is too short for that.
 */
export function pleatRunsOut(ring: Edge[], half: number, sign: 1 | -1, from = RUN_OUT): Edge[] {
  const i = ring.findIndex((e) => e.role === 'centre-back');
  const edge = ring[i];
  const n = ring.length;
  const next = ring[(i + 1) % n];
  if (!edge || !next || half <= 0) return ring;
  const length = pathLength(edge.path);
  if (length < RUN_OUT + 50) return ring;
  const at = Math.max(RUN_OUT, Math.min(from, length - 50));
  const letOut = offsetPath(stretch(edge.path, at, length), sign * half);
  const m = meet(letOut, next.path, half * 6 + 10);
  const below = at - RUN_OUT > 1e-6 ? stretch(edge.path, 0, at - RUN_OUT) : [];
  const foot = below.length ? endOf(below) : startOf(edge.path);
  const path = [...below, line(foot, startOf(m.a)), ...m.a, ...m.between];
  return ring.map((e, k) => (k === i ? { ...e, path } : k === (i + 1) % n ? { ...e, path: m.b } : e));
}
