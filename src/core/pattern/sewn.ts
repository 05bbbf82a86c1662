import { type SewnSaid } from '../document/project.ts';
import { offsetPath, pathLength } from '../geometry/index.ts';
import { allEdges } from './ring.ts';
import { type WalkedSeam } from './seam.ts';
import { type Edge, type Piece } from './types.ts';

/** What comes of sewing a seam otherwise than its allowance says, mm. */
export interface SewnOtherwise {
  /** How far from the cut edge it was to be sewn, and is. */
  allowance: number;
  taken: number;
  /** What each seam gives the garment across it (+) or takes from it (−). */
  across: number;
  /** Both sides as long as they are where it is sewn. */
  lengthA: number;
  lengthB: number;
}

/** French seam: its second pass has to cover the trimmed edges of the first. Usual passes, mm: 1/4" + 3/8" and the like. */
const QUARTER = 6.35;
const THREE_EIGHTHS = 9.525;
export const FRENCH: readonly (readonly [number, number])[] = [
  [QUARTER, THREE_EIGHTHS],
  [THREE_EIGHTHS, QUARTER],
  [QUARTER, QUARTER],
];

/** How far from the cut edges a seam is sewn: in one, or in the two passes of a French seam. */
export const takenBy = (s: Pick<SewnSaid, 'first' | 'second'>): number => s.first + s.second;

/**
 * A seam sewn `taken` mm from its cut edges. Where that is less than the allowance both pieces are larger there by the
 * difference each, so the garment gains it twice across the seam; along the seam its line is d × its turning angle longer or
 * shorter (derived). Edges of unlike allowances are taken by the least of them. Null where the seam's edges are gone.
 */
export function sewnOtherwise(seam: WalkedSeam, pieces: Piece[], taken: number): SewnOtherwise | null {
  const edge = (piece: string, id: string): Edge | undefined =>
    pieces
      .filter((p) => p.id === piece)
      .flatMap(allEdges)
      .find((e) => e.id === id);
  const sides = [...seam.a, ...seam.b].map((s) => edge(s.piece, s.edge));
  if (!sides.length || sides.some((e) => !e)) return null;
  const allowance = Math.min(...sides.map((e) => (e as Edge).allowance));
  const d = allowance - taken;
  // Only the seam line moves: darts and shares keep their part of it.
  const longer = (list: WalkedSeam['a']): number =>
    list.reduce((t, s) => {
      const { path } = edge(s.piece, s.edge) as Edge;
      return t + (pathLength(offsetPath(path, d)) - pathLength(path)) * (s.share ?? 1);
    }, 0);
  return {
    allowance,
    taken,
    across: 2 * d,
    lengthA: seam.lengthAMm + longer(seam.a),
    lengthB: seam.lengthBMm + longer(seam.b),
  };
}
