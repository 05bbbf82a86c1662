import { type Decisions } from '../../document/project.ts';
import {
  add,
  crossings,
  cubic,
  directionAlong,
  distance,
  endDirection,
  endOf,
  extend,
  meet,
  offsetBetween,
  outward,
  type Path,
  pathLength,
  pointAlong,
  scale,
  stretch,
} from '../../geometry/index.ts';
import { type Edge, type Piece } from '../../pattern/index.ts';
import { besideNeck, run, runPath } from '../shape/oriented.ts';
import { parallelToFront } from './frontline.ts';

/** How far a drawn roll line is carried on to look for the front edge, mm. */
const REACH = 80;

/**
 * Where the lapel begins to turn, mm along the front edge from the hem: where the drawn roll line meets it, else `breakAt`
 * below its upper end.
 */
export function breakPoint(piece: Piece, edge: Path, breakAt: number): number {
  const length = pathLength(edge);
  const roll = piece.lines.find((l) => l.kind === 'roll-line');
  const hits = roll ? crossings(extend(roll.path, REACH, REACH), edge).map((h) => h.atB) : [];
  const lowest = hits.length ? Math.min(...hits) : length - breakAt;
  return Math.min(length - 10, Math.max(10, lowest));
}

/**
 * The inner line of a facing that turns back with a lapel or shawl: parallel to the front edge at `width` up to the break
 * point, then on in one curve to `shoulder` mm along the shoulder seam, which it meets square. Edges in walk order,
 * outward being `sign` times an offset; null where it finds no room.
 */
export function lapelLine(
  ring: Edge[],
  sign: 1 | -1,
  width: number,
  shoulder: number,
  breakAt: number,
): { path: Path; onShoulder: number } | null {
  const low = parallelToFront(stretch(runPath(ring, 'front-edge'), 0, breakAt), runPath(ring, 'hem'), -sign * width);
  const seam = runPath(ring, besideNeck(ring));
  if (!low.length || shoulder > pathLength(seam)) return null;
  const [from, to] = [endOf(low), pointAlong(seam, shoulder)];
  const inward = scale(outward(directionAlong(seam, shoulder)), -sign);
  const third = distance(from, to) / 3;
  const curve = cubic(from, add(from, scale(endDirection(low), third)), add(to, scale(inward, third)), to);
  return { path: [...low, curve], onShoulder: shoulder };
}

/**
 * The edge of a lapel's facing drawn out by the turn of cloth, from nothing at the break point to `out` mm at its upper
 * end: it is the side that shows, and lies over the shell's. Handbook rule from memory.
 */
export function drawnOut(facing: Edge[], sign: 1 | -1, breakAt: number, out: number): Edge[] {
  const edges = run(facing, 'front-edge');
  const first = edges[0];
  const next = facing[facing.indexOf(edges[edges.length - 1] as Edge) + 1];
  if (!first || !next || out <= 0) return facing;
  const whole = edges.flatMap((e) => e.path);
  const upper = offsetBetween(stretch(whole, breakAt, pathLength(whole)), 0, sign * out);
  const m = meet(upper, next.path, out * 6 + 10);
  const edge: Edge = { ...first, path: [...stretch(whole, 0, breakAt), ...m.a, ...m.between] };
  // In its own place: what lies before it in the ring (a rounded corner, the hem) stays before it.
  return facing.flatMap((e) => {
    if (e === first) return [edge];
    if (e.role === 'front-edge') return [];
    return [e === next ? { ...e, path: m.b } : e];
  });
}

/** Where the break point of this front lies, for the choices made; null when nothing turns back. */
export const turnsBackAt = (piece: Piece, ring: Edge[], f: Decisions['facing']): number | null =>
  f.kind === 'lapel' && run(ring, 'front-edge').length
    ? breakPoint(piece, runPath(ring, 'front-edge'), f.breakAt)
    : null;
