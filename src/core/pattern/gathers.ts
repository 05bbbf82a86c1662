import {
  endOf,
  nearestOn,
  offsetPath,
  type Path,
  pathLength,
  pointAlong,
  startOf,
  stretch,
} from '../geometry/index.ts';
import { ok, type Result, refuse, stop } from '../result.ts';
import { type Edge, type InternalLine, type Notch, type Piece } from './types.ts';

/** Gathers from mark to mark along an edge, mm on its seam line. */
export interface Gather {
  edge: string;
  from: number;
  to: number;
  /** How many times as long as it is sewn, 1 and more. */
  ratio: number;
}

/** The line that says so is drawn so far inside the edge, and found again within so much, mm. */
const INSIDE = 4;
const FOUND = 12;
/** A shorter stretch is not gathered, mm. */
const LEAST = 10;
/** More than this is no gather any more but a ruffle cut too long. Own figure. */
const MOST_RATIO = 6;

/** The line of gathers along an edge of the piece. Refused off the edge, shorter than 10 mm, or with a ratio out of 1 … 6. */
export function gatherLine(edge: Pick<Edge, 'path'>, g: Omit<Gather, 'edge'>): Result<InternalLine> {
  const whole = pathLength(edge.path);
  const fits = g.from >= -0.01 && g.to <= whole + 0.01 && g.to - g.from >= LEAST;
  if (!fits || !(g.ratio >= 1 && g.ratio <= MOST_RATIO))
    return refuse(
      stop('gathers-off-edge', undefined, { from: g.from, to: g.to, edge: whole, least: LEAST, ratio: g.ratio }),
    );
  const path: Path = offsetPath(stretch(edge.path, Math.max(0, g.from), Math.min(whole, g.to)), -INSIDE);
  return ok({ kind: 'gather', path, ratio: g.ratio });
}

/** All gathers of a piece: each line belongs to the edge that its middle lies nearest to. */
export function gathersOf(piece: Pick<Piece, 'ring' | 'lines'>): Gather[] {
  return piece.lines.flatMap((l): Gather[] => {
    if (l.kind !== 'gather' || !l.ratio) return [];
    const middle = pointAlong(l.path, pathLength(l.path) / 2);
    const near = piece.ring.map((edge) => ({ edge, off: nearestOn(edge.path, middle).distance }));
    const best = near.reduce((m, x) => (x.off < m.off ? x : m));
    if (best.off > FOUND) return [];
    const [from, to] = [startOf(l.path), endOf(l.path)]
      .map((q) => nearestOn(best.edge.path, q).at)
      .sort((x, y) => x - y) as [number, number];
    return to - from < LEAST ? [] : [{ edge: best.edge.id, from, to, ratio: l.ratio }];
  });
}

/** How much shorter gathers make their stretch, mm. */
export const gatheredBy = (g: Gather): number => (g.to - g.from) * (1 - 1 / g.ratio);

/** Both ends and the quarters of gathers, as shares of their stretch: what is matched to the same on the other side. Common practice. */
export const QUARTERS = [0, 0.25, 0.5, 0.75, 1] as const;

/** Notches at the ends and the quarters of every gather on the gathered edge. */
export const gatherNotches = (gathers: Gather[]): Notch[] =>
  gathers.flatMap((g) =>
    QUARTERS.map((k): Notch => ({ edge: g.edge, at: g.from + (g.to - g.from) * k, kind: 'single' })),
  );
