import {
  apply,
  crossings,
  endOf,
  extend,
  insideRing,
  mapPath,
  nearestOn,
  type Path,
  pathLength,
  pointAlong,
  reversePath,
  startOf,
  stretch,
} from '../../geometry/index.ts';
import { clockwise, type Edge, type From, flatRing, outlineOf, type Piece, reverseRing } from '../../pattern/index.ts';
import { type Laid, undone } from './laytogether.ts';
import { cutRun, type Split, withParents } from './oriented.ts';

/** How far a facing line is carried on to come out of a piece that was laid with a small misfit, mm. */
const REACH = 3;
/** A line shorter than this on a piece does not part it, mm. */
const LEAST = 1;

/** What the facing line of pieces laid together does to one of them. */
export type Across = { kind: 'parted'; split: Split } | { kind: 'covered' } | { kind: 'clear' };

/**
 * One of several pieces laid together, parted along the line that was drawn across them all: the facing's share and what is
 * left for its lining, in the piece's own plane. The line may come through it more than once. *Covered*: all of it lies
 * under the facing; *clear*: none of it.
 */
export function cutAcross(laid: Laid, part: Laid['parts'][number], whole: Split): Across {
  const { piece, motion } = part;
  const drawn = whole.lining.find((e) => e.role === 'facing-line') as Edge;
  const ring = clockwise(withParents(piece));
  const own = extend(mapPath(drawn.path, undone(motion)), REACH, REACH);
  const ways = throughPiece(own, outlineOf(ring), flatRing(ring));
  if (!ways.length) return coversAll(laid, part, whole) ? { kind: 'covered' } : { kind: 'clear' };
  // Run as it is walked, the lining lies to the right of its line; turned over, to the left.
  const right = (whole.oriented.sign === 1) !== motion.a * motion.d - motion.b * motion.c < 0;
  let lining = ring;
  const facings: Edge[][] = [];
  for (const [k, path] of ways.entries()) {
    const edge: Edge = { ...drawn, id: k ? `${drawn.id}-${k + 1}` : drawn.id, path };
    const made = parted(lining, { ...edge, from: ownFrom(piece, drawn, ring) }, right);
    if (!made) continue;
    lining = made.lining;
    facings.push(made.facing);
  }
  const [facing, ...more] = facings;
  if (!facing) return { kind: 'clear' };
  // In the order in which the whole is walked, the facing line first.
  const walked = (r: Edge[]): Edge[] => {
    if (right) return r;
    const turned = reverseRing(r);
    return [turned[turned.length - 1] as Edge, ...turned.slice(0, -1)];
  };
  const oriented = { piece, ring: right ? ring : reverseRing(ring), sign: right ? (1 as const) : (-1 as const) };
  const rings = { facing: walked(facing), lining: walked(lining), more: more.map(walked) };
  // The share of one panel lies on it as it is drawn.
  const { open: _, ...ends } = whole;
  return { kind: 'parted', split: { ...ends, oriented, ...rings } };
}

/** A ring, clockwise, parted along an edge that goes through it; what lies to the right of the edge, or the left, is lining. */
function parted(ring: Edge[], edge: Edge, right: boolean): { facing: Edge[]; lining: Edge[] } | null {
  const outline = outlineOf(ring);
  const [from, to] = [nearestOn(outline, startOf(edge.path)).at, nearestOn(outline, endOf(edge.path)).at];
  const back: Edge = { ...edge, path: reversePath(edge.path) };
  const [ahead, behind] = [stretchOf(ring, to, from), stretchOf(ring, from, to)];
  if (!ahead.length || !behind.length) return null;
  return right
    ? { lining: [edge, ...ahead], facing: [back, ...behind] }
    : { lining: [back, ...behind], facing: [edge, ...ahead] };
}

/** Every cut edge has a name of its own: one that is cut at both its ends is there twice. */
function stretchOf(ring: Edge[], from: number, to: number): Edge[] {
  const all = ring.reduce((t, e) => t + pathLength(e.path), 0);
  const edges = to > from ? cutRun(ring, from, to) : [...cutRun(ring, from, all), ...cutRun(ring, 0, to)];
  return edges.map((e, i) => (edges.findIndex((x) => x.id === e.id) < i ? { ...e, id: `${e.id}'` } : e));
}

const ownFrom = (piece: Piece, drawn: Edge, ring: Edge[]): From => {
  const same = ring.find((e) => e.id === drawn.from?.edge) ?? (ring[0] as Edge);
  return { piece: piece.id, edge: same.id, start: 0, end: pathLength(same.path) };
};

/** The stretches of a line that lie within a piece, in the order in which it comes to them. */
function throughPiece(long: Path, outline: Path, ring: ReturnType<typeof flatRing>): Path[] {
  const hits = crossings(long, outline);
  return hits.slice(1).flatMap((hit, i) => {
    const from = (hits[i] as (typeof hits)[number]).atA;
    const inside = hit.atA - from >= LEAST && insideRing(ring, pointAlong(long, (hit.atA + from) / 2));
    return inside ? [stretch(long, from, hit.atA)] : [];
  });
}

/** Whether a piece lies wholly under the facing. */
function coversAll({ piece: whole }: Laid, { piece, motion }: Laid['parts'][number], s: Split): boolean {
  const facing = flatRing(clockwise(s.open ?? s.facing));
  const middles = piece.ring.map((e) => apply(motion, pointAlong(e.path, pathLength(e.path) / 2)));
  const centre = middles.reduce((t, p) => ({ x: t.x + p.x / middles.length, y: t.y + p.y / middles.length }), {
    x: 0,
    y: 0,
  });
  return whole.ring.length > 0 && insideRing(facing, centre);
}
