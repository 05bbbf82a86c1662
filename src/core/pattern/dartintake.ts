import { type ShellPiece } from '../document/project.ts';
import {
  type Box,
  boxesTouch,
  boxOf,
  crossings,
  distance,
  endOf,
  lerp,
  nearestOn,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  polyline,
  startOf,
} from '../geometry/index.ts';
import { type Kept, remembered } from '../remember.ts';
import { ok, type Result, refuse, stop } from '../result.ts';
import { gatheredBy, gathersOf } from './gathers.ts';
import { type Edge, type InternalLine, type Piece } from './types.ts';

/** What a dart or pleat takes out of an edge when it is sewn or laid: the stretch between its two lines. */
export interface Take {
  edge: string;
  kind: 'dart' | 'pleat';
  /** Along the edge's seam line from its start, mm. */
  from: number;
  to: number;
  /** Both sewn lines of a dart, from the edge to its point, mm; of a pleat not known. */
  legs: [number, number] | null;
  /** The dart's point; null for a pleat. */
  apex: Point | null;
}

/** A dart or pleat narrower or shorter than this is none (mm). */
const LEAST = 2;

const PLEAT = { legs: null, apex: null };

/** How near a drawn line's end has to lie to the edge to end on it (mm). */
const ON = 1.5;

/** Two feet nearer than this are one (mm). */
const SAME_FOOT = 0.1;

/** Where a line drawn inside meets an edge: along the edge and along the line itself, mm. */
interface Foot {
  at: number;
  along: number;
}

/** Feet of a line on an edge: where it crosses it, or ends on it. A line drawn to the cut edge crosses the seam line. */
function feetOf(line: Path, edge: Edge): Foot[] {
  const found: Foot[] = [];
  // Where a line ends on a corner of the edge, both segments there are met: one foot.
  for (const c of crossings(edge.path, line))
    if (found.every((f) => Math.abs(f.at - c.atA) > SAME_FOOT)) found.push({ at: c.atA, along: c.atB });
  for (const [p, along] of [
    [startOf(line), 0],
    [endOf(line), pathLength(line)],
  ] as const) {
    const hit = nearestOn(edge.path, p);
    if (hit.distance <= ON && found.every((f) => Math.abs(f.at - hit.at) > 2 * ON)) found.push({ at: hit.at, along });
  }
  return found.sort((a, b) => a.at - b.at);
}

/** A dart's point, the corner farthest from the edge, and the lengths of both its lines from their feet to it. */
function dartOf(line: Path, edge: Edge, feet: [Foot, Foot]): Pick<Take, 'legs' | 'apex'> {
  const far = line.map((s) => s.b).map((q) => ({ q, d: nearestOn(edge.path, q).distance }));
  const apex = far.reduce((m, x) => (x.d > m.d ? x : m));
  const at = nearestOn(line, apex.q).at;
  return { apex: apex.q, legs: [Math.abs(at - feet[0].along), Math.abs(at - feet[1].along)] };
}

/**
 * All darts and pleats that begin at an edge of the piece. A dart is one line from the edge to its point and back; a pleat
 * is such a line too, or two lines of their own beside each other. Fish-eye darts inside the piece take nothing from an
 * edge. Common practice: what is taken out does not count when seams are walked.
 */
export const takesOf = (piece: Pick<Piece, 'ring' | 'lines'>): Take[] =>
  remembered(known, piece.ring, piece.lines, () => findTakes(piece));

/** Rings and lines are never changed in place once they belong to a piece, and every seam of it asks again. */
const known: Kept<Edge[], Take[]> = new WeakMap();

function findTakes(piece: Pick<Piece, 'ring' | 'lines'>): Take[] {
  const out: Take[] = [];
  const lines = piece.lines.filter((l) => l.kind === 'dart' || l.kind === 'pleat');
  const boxes = lines.map((l) => boxOf(l.path));
  for (const edge of lines.length ? piece.ring : []) {
    const singles: number[] = [];
    const own = boxOf(edge.path);
    for (const [i, l] of lines.entries()) {
      if (!boxesTouch(own, boxes[i] as Box, ON)) continue;
      const [one, two, ...more] = feetOf(l.path, edge);
      if (one && two && !more.length) {
        const dart = l.kind === 'dart' ? dartOf(l.path, edge, [one, two]) : PLEAT;
        const kind = l.kind === 'dart' ? l.kind : 'pleat';
        out.push({ edge: edge.id, kind, from: one.at, to: two.at, ...dart });
      } else if (one && !two && l.kind === 'pleat') singles.push(one.at);
    }
    singles.sort((x, y) => x - y);
    for (let i = 0; i + 1 < singles.length; i += 2)
      out.push({ edge: edge.id, kind: 'pleat', from: singles[i] as number, to: singles[i + 1] as number, ...PLEAT });
  }
  return out;
}

/** How much of each edge darts, pleats and gathers take out, mm, by edge id; edges without are left out. */
export function takenOf(piece: Pick<Piece, 'ring' | 'lines'>): Map<string, number> {
  const out = new Map<string, number>();
  const take = (edge: string, mm: number): unknown => out.set(edge, (out.get(edge) ?? 0) + mm);
  for (const t of takesOf(piece)) take(t.edge, t.to - t.from);
  for (const g of gathersOf(piece)) take(g.edge, gatheredBy(g));
  return out;
}

/** A dart or pleat laid on a drawn edge by hand, mm: where its middle lies along the edge, how wide and how long. */
export interface Laid {
  kind: 'dart' | 'pleat';
  at: number;
  width: number;
  length: number;
}

/**
 * The line of a dart (to its point and back) or of a pleat (in, across and back) laid square to the edge, into the piece.
 * Refused where it does not lie on the edge, or has no width or length.
 */
export function laidLine(edge: { path: Path }, laid: Laid): Result<InternalLine> {
  const whole = pathLength(edge.path);
  const [from, to] = [laid.at - laid.width / 2, laid.at + laid.width / 2];
  if (!(laid.width >= LEAST && laid.length >= LEAST && from >= 0 && to <= whole))
    return refuse(stop('take-off-edge', undefined, { at: laid.at, width: laid.width, edge: whole, least: LEAST }));
  const [a, b] = [pointAlong(edge.path, from), pointAlong(edge.path, to)];
  const l = distance(a, b) || 1;
  // Outlines run clockwise on screen: the piece lies to the right of travel.
  const into = (p: Point): Point => ({
    x: p.x - ((b.y - a.y) / l) * laid.length,
    y: p.y + ((b.x - a.x) / l) * laid.length,
  });
  const corners = laid.kind === 'dart' ? [a, into(lerp(a, b, 0.5)), b] : [a, into(a), into(b), b];
  return ok({ kind: laid.kind, path: polyline(corners) });
}

/** The piece with one line more, or with one taken away. */
export const addLine = (p: ShellPiece, line: InternalLine): ShellPiece => ({ ...p, lines: [...p.lines, line] });
export const dropLine = (p: ShellPiece, index: number): ShellPiece => ({
  ...p,
  lines: p.lines.filter((_, i) => i !== index),
});

/**
 * A dart from two places at an edge and its point, as they were clicked: both feet are set onto the nearest edge, which
 * has to be the same. A pleat needs no point and reaches `depth` mm into the piece.
 */
export function clickedLine(p: ShellPiece, kind: Laid['kind'], clicks: Point[], depth: number): Result<InternalLine> {
  const [one, two, apex] = clicks;
  if (!one || !two || (kind === 'dart' && !apex)) throw new Error('two feet, and for a dart its point');
  const nearest = (q: Point) =>
    p.ring
      .map((edge) => ({ edge, hit: nearestOn(edge.path, q) }))
      .reduce((best, x) => (x.hit.distance < best.hit.distance ? x : best));
  const [first, second] = [nearest(one), nearest(two)];
  if (first.edge !== second.edge) return refuse(stop('feet-on-two-edges', { piece: p.id }, { name: p.name }));
  const [from, to] = [first.hit.at, second.hit.at].sort((x, y) => x - y) as [number, number];
  const laid = laidLine(first.edge, { kind, at: (from + to) / 2, width: to - from, length: depth });
  if (!laid.ok || !apex || kind === 'pleat') return laid;
  return ok({ kind, path: polyline([pointAlong(first.edge.path, from), apex, pointAlong(first.edge.path, to)]) });
}
