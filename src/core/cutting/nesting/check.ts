import { around, type Box, boxOfPoints, intersection, ringsArea } from '../../geometry/index.ts';
import { type CutLine, type Piece } from '../../pattern/index.ts';
import { type Cloth, doubleTo, foldLies, type Lay, usable, wideOf } from './cloth.ts';
import { lost } from './lost.ts';
import { type Lying, lyingOf } from './lying.ts';
import { foldsAtOrigin, isCutSingly, isFaceDown, isOver } from './parts.ts';
import { liesOnScallops, scallopTurns } from './scallops.ts';

/** How exactly a lay is looked at, mm, and what two pieces may share at most, mm². */
const [OFF, SHARED] = [0.05, 1];

/** What is wrong with a lay. */
export type LayFault =
  | { code: 'off-cloth'; piece: string; copy: number }
  | { code: 'too-close'; piece: string; copy: number; other: string; area: number }
  | { code: 'against-nap'; piece: string; copy: number }
  | { code: 'off-grain'; piece: string; copy: number; off: number }
  | { code: 'on-flaw'; piece: string; copy: number }
  | { code: 'off-fold'; piece: string; copy: number }
  | { code: 'off-scallops'; piece: string; copy: number }
  | { code: 'off-layers'; piece: string; copy: number }
  | { code: 'cut-twice'; piece: string }
  | { code: 'miscounted'; piece: string; cut: number; meant: number }
  | { code: 'not-a-pair'; piece: string }
  | { code: 'wrong-face'; piece: string; copy: number }
  | { code: 'off-print'; piece: string; other: string; off: number }
  | { code: 'off-line'; piece: string; copy: number; off: number }
  | { code: 'unknown'; piece: string };

/**
 * Looks a lay over without knowing how it was made, also one that was laid by hand: from the pieces and their cut lines themselves.
 * Pieces that two layers would cut wrongly are cut elsewhere.
 */
export function layFaults(lay: Lay, pieces: Piece[], cutLines: ReadonlyMap<string, CutLine>): LayFault[] {
  const { cloth } = lay;
  const lying = lyingOf(cloth, lay.placed, pieces, cutLines);
  const known = new Set(lying.map((q) => q.piece));
  const folded = lying.filter((q) => foldLies(cloth) && q.shape.cut.onFold);
  const [hemmed, grained] = [true, false].map((on) => lying.filter((q) => liesOnScallops(q.shape, cloth) === on)) as [
    Lying[],
    Lying[],
  ];
  const faults: LayFault[] = [
    ...lay.placed.filter((q) => !known.has(q.piece)).map(({ piece }) => ({ code: 'unknown' as const, piece })),
    ...folded.filter((q) => !foldsAt(q)).map(({ piece, copy }) => ({ code: 'off-fold' as const, piece, copy })),
  ];
  return [
    ...faults,
    ...lying
      .filter((q) => layersUnder(q, cloth) === null)
      .map(({ piece, copy }) => ({ code: 'off-layers' as const, piece, copy })),
    ...lying
      .filter((q) => hasFace(q.shape) && layersUnder(q, cloth) === 1 && q.mirrored !== isFaceDown(q.shape, cloth))
      .map(({ piece, copy }) => ({ code: 'wrong-face' as const, piece, copy })),
    ...lying.filter((q) => !isOn(q, lay)).map(({ piece, copy }) => ({ code: 'off-cloth' as const, piece, copy })),
    ...hemmed
      .filter((q) => !hemsAt(q, cloth))
      .map(({ piece, copy }) => ({ code: 'off-scallops' as const, piece, copy })),
    ...grained
      .filter((q) => cloth.oneWay && isOver(q.turn))
      .map(({ piece, copy }) => ({ code: 'against-nap' as const, piece, copy })),
    ...grained
      .map((q) => ({ q, off: offGrain(q.turn) }))
      .filter(({ off }) => off > cloth.tilt + OFF_GRAIN)
      .map(({ q: { piece, copy }, off }) => ({ code: 'off-grain' as const, piece, copy, off })),
    ...lying.filter((q) => onFlaw(q, cloth)).map(({ piece, copy }) => ({ code: 'on-flaw' as const, piece, copy })),
    ...closeOnes(lying, cloth),
    ...pieces.filter((p) => cutLines.has(p.id)).flatMap((p) => miscounted(p, lying, cloth)),
  ];
}

/** Whether it matters which way its pattern faces: half of a pair lies either way, and both halves of one drawn whole are alike. */
const hasFace = ({ cut }: Piece): boolean => !cut.pair && !cut.onFold;

/** So much off the grain counts for nothing, degrees: less than 2 mm on a metre. */
const OFF_GRAIN = 0.1;

/** How far its grain lies from that of the cloth, degrees: 0 to 90. */
function offGrain(turn: number): number {
  const over = ((turn % 180) + 180) % 180;
  return Math.min(over, 180 - over);
}

/** Whether its fold lies on that of the cloth. */
const foldsAt = (q: Lying): boolean =>
  Math.abs(q.x) < OFF && foldsAtOrigin(q.shape, (ring) => q.place(ring).map((p) => ({ ...p, x: p.x - q.x })));

/** Whether its hem lies on a finished edge of the lace. */
const hemsAt = (q: Lying, cloth: Cloth): boolean =>
  scallopTurns(q.shape, cloth).some(({ turn, left }) => {
    const xs = q.ring.map((p) => p.x);
    return q.turn === turn && Math.abs(left ? Math.min(...xs) : Math.max(...xs) - wideOf(cloth)) < OFF;
  });

function isOn({ ring, shape }: Lying, { cloth, length }: Lay): boolean {
  // Its own edge is used where the hem lies on it.
  const [from, to] = liesOnScallops(shape, cloth) ? [0, wideOf(cloth)] : usable(cloth);
  return ring.every(
    (p) => p.x > from - OFF && p.x < to + OFF && p.y > cloth.end - OFF && p.y < length - cloth.end + OFF,
  );
}

/** Whether it touches a place that is not to be used. */
function onFlaw(q: Lying, cloth: Cloth): boolean {
  const not = lost(cloth);
  const ring = not.length ? around([q.ring], cloth.gap - OFF) : [];
  return not.some((r) => ringsArea(intersection(ring, [r])) > SHARED);
}

/** Whether boxes come so near that a closer look is worth it. */
const near = (p: Box, q: Box, gap: number): boolean =>
  p.minX < q.maxX + gap && q.minX < p.maxX + gap && p.minY < q.maxY + gap && q.minY < p.maxY + gap;

/** Pieces that share cloth, or do not keep the distance. */
function closeOnes(lying: Lying[], cloth: Cloth): LayFault[] {
  const wide = lying.map((q) => around([q.ring], cloth.gap - OFF));
  const boxes = lying.map((q) => boxOfPoints(q.ring));
  return lying.flatMap((q, i) =>
    lying.flatMap((r, j): LayFault[] => {
      if (j <= i || !near(boxes[i] as Box, boxes[j] as Box, cloth.gap)) return [];
      const area = ringsArea(intersection(wide[i] ?? [], [r.ring]));
      return area > SHARED ? [{ code: 'too-close', piece: q.piece, copy: q.copy, other: r.piece, area }] : [];
    }),
  );
}

/** How many layers lie under it; null where it lies over where the upper one ends, or within what is kept free there. */
function layersUnder({ ring }: Lying, cloth: Cloth): 1 | 2 | null {
  const to = doubleTo(cloth);
  if (cloth.lies !== 'partly') return to > 0 ? 2 : 1;
  if (ring.every((p) => p.x > to - OFF)) return 1;
  return ring.every((p) => p.x < to - cloth.selvedge + OFF) ? 2 : null;
}

/** Whether as many come out of the cloth as are meant, half of a pair mirrored. */
function miscounted(p: Piece, lying: Lying[], cloth: Cloth): LayFault[] {
  const mine = lying.filter((q) => q.piece === p.id);
  if (isCutSingly(p, cloth)) return mine.length ? [{ code: 'cut-twice', piece: p.id }] : [];
  const double = mine.filter((q) => layersUnder(q, cloth) === 2);
  if (double.length && !p.cut.pair && !p.cut.onFold) return [{ code: 'cut-twice', piece: p.id }];
  const cut = mine.length + (p.cut.pair ? double.length : 0);
  if (cut !== p.cut.count || new Set(mine.map((q) => q.copy)).size !== mine.length)
    return [{ code: 'miscounted', piece: p.id, cut, meant: p.cut.count }];
  const single = mine.filter((q) => !double.includes(q));
  const over = single.filter((q) => q.mirrored).length;
  return p.cut.pair && over * 2 !== single.length ? [{ code: 'not-a-pair', piece: p.id }] : [];
}
