import {
  flatten,
  largestGap,
  nearestOn,
  type Path,
  pathLength,
  pointAlong,
  selfCrossing,
} from '../../geometry/index.ts';
import { allEdges, cutRings, type Edge, outlineOf, type Piece, ringsOf } from '../../pattern/index.ts';
import { FLATTEN, WELD } from '../../tolerance.ts';
import { type Computed } from '../compute.ts';
import { type Check } from './check.ts';

/** What is wrong with one outline: how far it is open (mm), or that it crosses itself, which counts as 1. */
function faultOf(path: Path): number {
  const gap = largestGap(path, true);
  if (!(gap <= WELD)) return Number.isFinite(gap) ? gap : 1;
  return selfCrossing(flatten(path, FLATTEN).slice(0, -1)) ? 1 : 0;
}

/** Seam line and cut line of every piece, shell and drafted, are one closed ring each that does not cross itself. */
export function outlines(c: Computed): Check {
  const found = c.pieces.map((p) => {
    const cut = c.cutLines.get(p.id);
    const drawn = [...ringsOf(p).map(outlineOf), ...(cut ? cutRings(cut) : [])];
    return { piece: p.id, value: Math.max(...drawn.map(faultOf), cut ? 0 : 1) };
  });
  return {
    code: 'outline',
    looked: found.length,
    faults: found.filter((f) => f.value > 0),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}

/** An interfacing's edge may stray so far from its distance to the seam line (mm). */
const INSET_OFF = 0.1;
const PLACES = [0.05, 0.3, 0.5, 0.7, 0.95];

/** How far inside (+) or outside (−) its piece's seam line an interfacing says that it ends, mm; null where it is whole. */
const meantOf = (p: Piece): number | null => p.reasons.find((r) => r.rule.startsWith('trim-'))?.value ?? null;

const places = (e: Edge): { x: number; y: number }[] => PLACES.map((k) => pointAlong(e.path, pathLength(e.path) * k));

/**
 * Every interfacing ends as far from the seam line of what it stiffens as it says: nowhere nearer, and along each edge that
 * both have, as far. Folds and edges that lie free are not trimmed.
 */
export function insets(c: Computed): Check {
  const found = c.inside.flatMap((p) => {
    const under = [...c.joined, ...c.pieces].find((q) => q.id === p.stiffens);
    const meant = meantOf(p);
    if (!under || meant === null || p.reasons.some((r) => r.rule === 'trim-whole')) return [];
    // Where its own edge goes through an opening, that is told apart.
    const held = (p.openings ? allEdges(under) : under.ring).filter((e) => !e.onFold && e.role !== 'inner');
    // As one path, so that what lies far off is passed over by its box.
    const path = held.flatMap((e) => e.path);
    const own = allEdges(p).filter((e) => held.some((h) => h.id === e.id.split('~')[0]));
    const nearest = (q: { x: number; y: number }): number => nearestOn(path, q).distance;
    return own.map((e) => {
      const far = Math.min(Math.abs(meant), meant < 0 ? (held.find((h) => h.id === e.id)?.allowance ?? 0) : meant);
      const off = places(e).map(nearest);
      // A corner, or a hollow tighter than the trim, lies farther; nothing lies nearer, and the edge's best place is true.
      return {
        piece: p.id,
        edge: e.id,
        value: Math.max(far - Math.min(...off), Math.min(...off.map((d) => Math.abs(d - far)))),
      };
    });
  });
  return {
    code: 'inset',
    looked: found.length,
    faults: found.filter((f) => f.value > INSET_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}
