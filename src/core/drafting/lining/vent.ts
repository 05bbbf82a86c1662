import { type Decisions } from '../../document/project.ts';
import {
  directionAlong,
  distance,
  endOf,
  line,
  mapPath,
  meet,
  offsetPath,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  reflection,
  startDirection,
  startOf,
  stretch,
} from '../../geometry/index.ts';
import { type Edge, type Piece, type Role, reverseRing, rolesMissing, runsOf } from '../../pattern/index.ts';
import { because, ok, type Reason, type Result, refuse, stop } from '../../result.ts';
import { beside, cutRun, run } from '../shape/oriented.ts';
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

const CENTRES: ReadonlySet<Role> = new Set<Role>(['centre-back', 'centre-front']);

/** The seam that a vent is the open end of: what its upper edge comes to beside the vent itself; null for no vent. */
export const ventSeam = (piece: Piece): Role | null => beside(piece.ring, 'vent-top').find((r) => r !== 'vent') ?? null;

/** At a centre a piece's own two halves lap over each other; at any other seam it laps over its neighbour, or lies under it. */
export const ventsAtCentre = (piece: Piece): boolean => CENTRES.has(ventSeam(piece) ?? 'centre-back');

const isBack = (piece: Piece): boolean =>
  piece.kind.includes('back') || piece.ring.some((e) => e.role === 'centre-back');

/** Whether the piece laps over its neighbour at a vent between them. */
export const lapsOver = (piece: Piece, v: Decisions['lining']['vent']): boolean => (v.lap === 'back') === isBack(piece);

export const hasVent = (piece: Piece): boolean => piece.ring.some((e) => e.role === 'vent' || e.role === 'vent-top');

/** How a back's vent is drawn; null where the piece has none that can be used. */
export function ventFigures(piece: Piece, v: Decisions['lining']['vent']): VentFigures | null {
  const long = runsOf(piece.ring, 'vent')[0]?.flatMap((e) => e.path);
  const seam = ventSeam(piece);
  const allowance = run(piece.ring, 'vent')[0]?.allowance ?? 0;
  const top = runsOf(piece.ring, 'vent-top')[0]?.flatMap((e) => e.path);
  if (!long || !seam || !top) return null;
  const meets = (q: Point): boolean => [startOf(top), endOf(top)].some((t) => distance(t, q) < 0.02);
  const centre = run(piece.ring, seam).find((e) => meets(startOf(e.path)) || meets(endOf(e.path)));
  if (!centre) return null;
  const ends = [startOf(centre.path), endOf(centre.path)];
  const foot = ends.find(meets) as Point;
  const atStart = foot === ends[0];
  const length = pathLength(centre.path);
  const n = outward(directionAlong(centre.path, atStart ? 0 : length));
  const middle = pointAlong(long, pathLength(long) / 2);
  const net = Math.abs((middle.x - foot.x) * n.x + (middle.y - foot.y) * n.y);
  const beside = allowance - v.shellSeam;
  return { net, toCut: net + allowance, inside: net + beside, beside };
}

/**
 * How far the extensions of vents fold back, mm to their cut edge, by the piece that has one; 0 on a piece that lies under
 * its neighbour.
 */
export const ventFolds = (pieces: Piece[], v: Decisions['lining']['vent']): Record<string, number> =>
  Object.fromEntries(
    pieces.flatMap((p) => {
      const figures = p.material === 'shell' && hasVent(p) ? ventFigures(p, v) : null;
      return figures ? [[p.id, ventsAtCentre(p) || lapsOver(p, v) ? figures.toCut : 0]] : [];
    }),
  );

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
  const seam = ventSeam(piece);
  const [hem, long, top] = (['hem', 'vent', 'vent-top'] as const).map((role) => run(ring, role));
  const centre = seam ? run(ring, seam) : [];
  if (!top?.length) return lacks(piece, ['hem', 'vent', 'vent-top']);
  if (!centre.length || centre.some((e) => e.onFold))
    return refuse(stop('vent-without-seam', { piece: piece.id }, { name: piece.name }));
  if (runsOf(ring, 'vent').length > 1) return refuse(stop('vents-two', { piece: piece.id }, { name: piece.name }));
  const figures = ventFigures(piece, v);
  const [edge] = long ?? [];
  if (!hem?.length || !edge || !top?.length || !figures) return lacks(piece, ['hem', 'vent', 'vent-top']);
  // The seam goes on from the vent's upper edge.
  const above = ring[(ring.indexOf(top?.at(-1) as Edge) + 1) % ring.length] as Edge;
  const centrePath = above.path;
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

/**
 * A lining's ring beside a vent at a side or panel seam, of which each piece has one lap, alike on left and right: cut back
 * as the half that laps over at a centre, or as the one that lies under. The ring may be walked either way.
 */
export function besideSideVent(
  ring: Edge[],
  sign: 1 | -1,
  piece: Piece,
  v: Decisions['lining']['vent'],
): Result<{ ring: Edge[]; reason: Reason }> {
  const n = ring.length;
  const at = ring.findIndex((e) => e.role === 'vent');
  // As at a centre back it is walked from the hem up.
  const up = ring[(at + n - 1) % n]?.role !== 'vent-top';
  const made = ventHalves(up ? ring : reverseRing(ring), up ? sign : sign === 1 ? -1 : 1, piece, v);
  if (!made.ok) return made;
  const half = made.value[lapsOver(piece, v) ? 'over' : 'under'];
  return ok(up ? half : { ...half, ring: reverseRing(half.ring) });
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
