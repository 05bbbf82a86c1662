import {
  apply,
  crossings,
  extend,
  insideRing,
  mapPath,
  type Path,
  pathLength,
  pointAlong,
  reversePath,
} from '../../geometry/index.ts';
import { clockwise, type Edge, flatRing, outlineOf, type Piece, reverseRing } from '../../pattern/index.ts';
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
 * left for its lining, in the piece's own plane. *Covered*: all of it lies under the facing; *clear*: none of it.
 */
export function cutAcross(laid: Laid, part: Laid['parts'][number], whole: Split): Across {
  const { piece, motion } = part;
  const drawn = whole.lining.find((e) => e.role === 'facing-line') as Edge;
  const ring = clockwise(withParents(piece));
  const outline = outlineOf(ring);
  const own = mapPath(drawn.path, undone(motion));
  const found = throughPiece(extend(own, REACH, REACH), outline, flatRing(ring));
  if (!found) return coversAll(laid, part, whole) ? { kind: 'covered' } : { kind: 'clear' };
  const { path, from, to } = found;
  // Run as it is walked, the lining lies to the right of its line; turned over, to the left.
  const over = motion.a * motion.d - motion.b * motion.c < 0;
  const right = (whole.oriented.sign === 1) !== over;
  const edge: Edge = { ...drawn, path, ...(drawn.from && { from: ownFrom(piece, drawn, ring) }) };
  const back: Edge = { ...edge, path: reversePath(path) };
  const [ahead, behind] = [stretchOf(ring, to, from), stretchOf(ring, from, to)];
  const lining = right ? [edge, ...ahead] : [back, ...behind];
  const facing = right ? [back, ...behind] : [edge, ...ahead];
  // In the order in which it is walked, the facing line first.
  const walked = (r: Edge[]): Edge[] => {
    const turned = reverseRing(r);
    return right ? r : [turned[turned.length - 1] as Edge, ...turned.slice(0, -1)];
  };
  const sign = right ? 1 : -1;
  return {
    kind: 'parted',
    split: {
      ...whole,
      oriented: { piece, ring: right ? ring : reverseRing(ring), sign },
      facing: walked(facing),
      lining: walked(lining),
    },
  };
}

const ownFrom = (piece: Piece, drawn: Edge, ring: Edge[]) => {
  const of = drawn.from;
  const same = ring.find((e) => e.id === of?.edge) ?? (ring[0] as Edge);
  return { piece: piece.id, edge: same.id, start: 0, end: pathLength(same.path) };
};

/** The longest stretch of a line that lies within a piece, and where along the outline it comes in and goes out, mm. */
function throughPiece(long: Path, outline: Path, ring: ReturnType<typeof flatRing>) {
  const hits = crossings(long, outline);
  let best: { path: Path; from: number; to: number } | null = null;
  hits.slice(1).forEach((hit, i) => {
    const before = hits[i] as (typeof hits)[number];
    const length = hit.atA - before.atA;
    if (length < LEAST || (best && length <= pathLength(best.path))) return;
    if (!insideRing(ring, pointAlong(long, (hit.atA + before.atA) / 2))) return;
    best = { path: cutPath(long, before.atA, hit.atA), from: before.atB, to: hit.atB };
  });
  return best as { path: Path; from: number; to: number } | null;
}

const cutPath = (path: Path, from: number, to: number): Path =>
  cutRun([{ id: '', role: 'inner', path, allowance: 0, corner: 'mitred', onFold: false }], from, to).flatMap(
    (e) => e.path,
  );

/** The edges from one place along the outline round to another. */
function stretchOf(ring: Edge[], from: number, to: number): Edge[] {
  const all = ring.reduce((t, e) => t + pathLength(e.path), 0);
  return to > from ? cutRun(ring, from, to) : [...cutRun(ring, from, all), ...cutRun(ring, 0, to)];
}

/** Whether a piece lies wholly under the facing. */
function coversAll({ piece: whole }: Laid, { piece, motion }: Laid['parts'][number], s: Split): boolean {
  const facing = flatRing(clockwise(s.facing));
  const middles = piece.ring.map((e) => apply(motion, pointAlong(e.path, pathLength(e.path) / 2)));
  const centre = middles.reduce((t, p) => ({ x: t.x + p.x / middles.length, y: t.y + p.y / middles.length }), {
    x: 0,
    y: 0,
  });
  return whole.ring.length > 0 && insideRing(facing, centre);
}
