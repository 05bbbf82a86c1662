import { flatten } from '../../geometry/index.ts';
import { type CutLine, cutLine, type Edge, type Piece } from '../../pattern/index.ts';
import { type Cloth, type Placed, wideOf } from './cloth.ts';
import { type Steps } from './steps.ts';
import { upright } from './upright.ts';

/** A hem that strays less from a line square to the grain lies on the finished edge of a lace, mm. Own figure. */
const STRAIGHT = 3;

export const isHem = (e: Edge): boolean => (e.role === 'hem' || e.role === 'wrist') && !e.onFold;

/** How far the hem of a piece strays from a line square to its grain, mm, and whether it lies at the lower end of that; null where it has none. */
function hemOf(p: Piece): { bend: number; low: boolean } | null {
  const hems = p.ring.filter(isHem);
  if (!hems.length) return null;
  const { up } = upright(p);
  const rise = (e: Edge): number[] => flatten(e.path).map((q) => up(q).y);
  const heights = hems.flatMap(rise);
  const [least, most] = [Math.min(...heights), Math.max(...heights)];
  const all = p.ring.flatMap(rise);
  return { bend: most - least, low: least + most < Math.min(...all) + Math.max(...all) };
}

export const isScalloped = (c: Cloth): boolean => c.scallops !== 'none' && c.lies === 'single';

/** Whether a piece is laid with its hem on the finished edge of a lace: its grain across the cloth, and no allowance at the hem. Common practice. */
export const liesOnScallops = (p: Piece, c: Cloth): boolean =>
  isScalloped(c) && (hemOf(p)?.bend ?? Number.POSITIVE_INFINITY) <= STRAIGHT;

/** Pieces whose hem bends too much to lie on the finished edge, and by how much, mm. */
export const bentHems = (pieces: readonly Piece[], c: Cloth): { piece: Piece; bend: number }[] =>
  isScalloped(c)
    ? pieces.flatMap((piece) => {
        const bend = hemOf(piece)?.bend ?? 0;
        return bend > STRAIGHT ? [{ piece, bend }] : [];
      })
    : [];

/** The cut line of a piece on a cloth: along its hem line where that is the edge of the lace itself. */
export const cutOn = (p: Piece, cut: CutLine, c: Cloth): CutLine =>
  liesOnScallops(p, c) ? cutLine(p.ring.map((e) => (isHem(e) ? { ...e, allowance: 0 } : e))) : cut;

type Turned = Pick<Placed, 'turn'>;

/** The turns that bring the hem of a piece to a finished edge, and whether that is the left one; none where it bends. */
export function scallopTurns(p: Piece, c: Cloth): (Turned & { left: boolean })[] {
  if (!liesOnScallops(p, c)) return [];
  const left = { turn: hemOf(p)?.low ? 270 : 90, left: true };
  const right = { turn: hemOf(p)?.low ? 90 : 270, left: false };
  return c.scallops === 'both' ? [left, right] : [left];
}

/** Where across the cloth it lies then: nowhere else. */
export const onScallops = (left: boolean, wide: number, c: Cloth): { onX: Steps } => ({
  onX: { from: left ? 0 : wideOf(c) - wide, step: 10 * wideOf(c) },
});
