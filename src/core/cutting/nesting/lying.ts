import { boxRing, difference, type Point, ringsArea } from '../../geometry/index.ts';
import { type CutLine, type Piece } from '../../pattern/index.ts';
import { FLATTEN } from '../../tolerance.ts';
import { type Cloth, type Placed, wideOf } from './cloth.ts';
import { noCloth } from './lost.ts';
import { chords, laying } from './parts.ts';
import { cutOn } from './scallops.ts';

/** A cut of a piece as it lies: its cut line in chords, on the cloth. */
export interface Lying extends Placed {
  ring: Point[];
  shape: Piece;
  /** Takes any ring of the piece to where it lies. */
  place: (ring: Point[]) => Point[];
}

/** Where the cuts lie, by the pieces and cut lines themselves; what is no piece any more is left out. */
export function lyingOf(
  cloth: Cloth,
  placed: readonly Placed[],
  pieces: readonly Piece[],
  cutLines: ReadonlyMap<string, CutLine>,
): Lying[] {
  const known = new Map(pieces.map((p) => [p.id, p]));
  return placed.flatMap((q): Lying[] => {
    const shape = known.get(q.piece);
    const drawn = cutLines.get(q.piece);
    if (!shape || !drawn) return [];
    const cut = cutOn(shape, drawn, cloth);
    const corner = laying(shape, cut, cloth, q);
    const place = (ring: Point[]): Point[] => corner(ring).map((p) => ({ x: p.x + q.x, y: p.y + q.y }));
    return [{ ...q, ring: place(chords(cut, FLATTEN)), shape, place }];
  });
}

/** So much of the cloth they take, from its cut end to the end that is kept free above them, mm. */
export const laidLength = (cloth: Cloth, lying: readonly Lying[]): number =>
  Math.max(cloth.end, ...lying.map((q) => Math.max(...q.ring.map((p) => p.y)))) + cloth.end;

/** Which share of the cloth is in the pieces, 0 to 1; of a folded one, of what lies on top. */
export function density(cloth: Cloth, lying: readonly Lying[]): number {
  const net = lying.reduce((t, q) => t + ringsArea([q.ring]), 0);
  const box = boxRing({ minX: 0, maxX: wideOf(cloth), minY: 0, maxY: laidLength(cloth, lying) });
  return net / ringsArea(difference([box], noCloth(cloth)));
}
