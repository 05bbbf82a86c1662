import { type ClothSaid } from './cloths.ts';
import { fromBehind, lengthUnder } from './lengths.ts';
import { foldLies, type Placed, type Print } from './nesting/cloth.ts';
import { type Lying } from './nesting/lying.ts';

/**
 * A cloth turned over on the table, each length of it from side to side, its cut end where it was, and the lay on it: nothing is cut otherwise,
 * it is only seen from behind. One that is folded lengthwise is folded anew from its other side: what lay on two layers still does, what
 * was cut from one is to be laid anew.
 */
export function turnedOver(cloth: ClothSaid, lying: readonly Lying[]): { cloth: ClothSaid; placed: Placed[] } {
  const otherSideUp = !cloth.otherSideUp;
  const over = fromBehind(cloth);
  if (foldLies(cloth))
    return { cloth: { ...cloth, outline: over.outline, otherSideUp }, placed: lying.map((q) => placedOf(q)) };
  const wide = [cloth.width, ...cloth.more.map((m) => m.width)];
  return {
    cloth: { ...over, otherSideUp, more: cloth.more.map(fromBehind), print: printBehind(cloth.print, cloth.width) },
    placed: lying.map((q) => overIn(q, wide[lengthUnder(cloth, q.ring)] as number)),
  };
}

const placedOf = ({ piece, copy, turn, mirrored, x, y, pinned }: Placed): Placed => ({
  ...{ piece, copy, turn, mirrored, x, y },
  ...(pinned !== undefined && { pinned }),
});

const overIn = (q: Lying, wide: number): Placed => ({
  ...placedOf(q),
  mirrored: !q.mirrored,
  turn: (360 - q.turn) % 360,
  x: wide - Math.max(...q.ring.map((p) => p.x)),
});

const printBehind = ({ across, fromSide, ...p }: Print, width: number): Print => ({
  ...p,
  across,
  fromSide: across > 0 ? (((width - fromSide) % across) + across) % across : fromSide,
});
