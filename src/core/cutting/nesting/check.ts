import { around, intersection, type Point, ringsArea } from '../../geometry/index.ts';
import { type CutLine, type Piece } from '../../pattern/index.ts';
import { FLATTEN } from '../../tolerance.ts';
import { type Cloth, type Lay, type Placed, usable } from './cloth.ts';
import { chords, foldsAtOrigin, laying } from './parts.ts';

/** How exactly a lay is looked at, mm, and what two pieces may share at most, mm². */
const [OFF, SHARED] = [0.05, 1];

/** What is wrong with a lay. */
export type LayFault =
  | { code: 'off-cloth'; piece: string; copy: number }
  | { code: 'too-close'; piece: string; copy: number; other: string; area: number }
  | { code: 'against-nap'; piece: string; copy: number }
  | { code: 'off-fold'; piece: string; copy: number }
  | { code: 'cut-twice'; piece: string }
  | { code: 'miscounted'; piece: string; cut: number; meant: number }
  | { code: 'not-a-pair'; piece: string }
  | { code: 'unknown'; piece: string };

interface Lying extends Placed {
  ring: Point[];
  shape: Piece;
}

/**
 * Looks a lay over without knowing how it was made, also one that was laid by hand: from the pieces and their cut lines themselves. `single`:
 * pieces that are cut elsewhere.
 */
export function layFaults(
  lay: Lay,
  pieces: Piece[],
  cutLines: ReadonlyMap<string, CutLine>,
  single: readonly string[] = [],
): LayFault[] {
  const { cloth } = lay;
  const faults: LayFault[] = [];
  const lying = lay.placed.flatMap((q): Lying[] => {
    const shape = pieces.find((p) => p.id === q.piece);
    const cut = cutLines.get(q.piece);
    if (!shape || !cut) {
      faults.push({ code: 'unknown', piece: q.piece });
      return [];
    }
    const opened = shape.cut.onFold && cloth.lies === 'single';
    const place = laying(shape, cut, opened, q);
    const ring = place(chords(cut, FLATTEN)).map((p) => ({ x: p.x + q.x, y: p.y + q.y }));
    const folded = cloth.lies === 'folded' && shape.cut.onFold;
    if (folded && !(foldsAtOrigin(shape, place) && Math.abs(q.x) < OFF))
      faults.push({ code: 'off-fold', piece: q.piece, copy: q.copy });
    return [{ ...q, ring, shape }];
  });
  return [
    ...faults,
    ...lying.filter((q) => !isOn(q.ring, lay)).map(({ piece, copy }) => ({ code: 'off-cloth' as const, piece, copy })),
    ...lying
      .filter((q) => cloth.oneWay && q.turned)
      .map(({ piece, copy }) => ({ code: 'against-nap' as const, piece, copy })),
    ...closeOnes(lying, cloth),
    ...pieces.filter((p) => cutLines.has(p.id) && !single.includes(p.id)).flatMap((p) => miscounted(p, lying, cloth)),
  ];
}

function isOn(ring: Point[], { cloth, length }: Lay): boolean {
  const [from, to] = usable(cloth);
  return ring.every(
    (p) => p.x > from - OFF && p.x < to + OFF && p.y > cloth.end - OFF && p.y < length - cloth.end + OFF,
  );
}

/** Pieces that share cloth, or do not keep the distance. */
function closeOnes(lying: Lying[], cloth: Cloth): LayFault[] {
  const wide = lying.map((q) => around([q.ring], cloth.gap - OFF));
  return lying.flatMap((q, i) =>
    lying.slice(i + 1).flatMap((r): LayFault[] => {
      const area = ringsArea(intersection(wide[i] ?? [], [r.ring]));
      return area > SHARED ? [{ code: 'too-close', piece: q.piece, copy: q.copy, other: r.piece, area }] : [];
    }),
  );
}

/** Whether as many come out of the cloth as are meant, half of a pair mirrored. */
function miscounted(p: Piece, lying: Lying[], cloth: Cloth): LayFault[] {
  const mine = lying.filter((q) => q.piece === p.id);
  const folded = cloth.lies === 'folded';
  if (folded && mine.length && !p.cut.pair && !p.cut.onFold) return [{ code: 'cut-twice', piece: p.id }];
  const cut = mine.length * (folded && p.cut.pair ? 2 : 1);
  if (cut !== p.cut.count || new Set(mine.map((q) => q.copy)).size !== mine.length)
    return [{ code: 'miscounted', piece: p.id, cut, meant: p.cut.count }];
  const over = mine.filter((q) => q.mirrored).length;
  return p.cut.pair && !folded && over * 2 !== mine.length ? [{ code: 'not-a-pair', piece: p.id }] : [];
}
