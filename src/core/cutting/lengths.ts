import { boxOfPoints, type Point } from '../geometry/index.ts';
import { type ClothSaid } from './cloths.ts';
import { APART, type Cloth, type Flaw, type FurtherLength } from './nesting/cloth.ts';
import { type Lying } from './nesting/lying.ts';

/** A length of cloth as it lies in the cupboard. Lengths in mm. */
export interface Length {
  /** Which cloth of the stash it is. */
  id: string;
  width: number;
  length: number;
  outline: readonly Point[];
  flaws: readonly Flaw[];
}

type Several = Pick<ClothSaid, 'stash' | 'width' | 'owned' | 'outline' | 'flaws' | 'more'>;

/** What is on a length of cloth, seen with its other side up: from side to side the other way about, across its width, mm. */
export function fromBehind<L extends Pick<Length, 'width' | 'outline' | 'flaws'>>(l: L): L {
  const outline = l.outline.map((p): Point => ({ x: l.width - p.x, y: p.y })).reverse();
  const flaws = l.flaws.map((f): Flaw => ({ ...f, x0: l.width - f.x1, x1: l.width - f.x0 }));
  return { ...l, outline, flaws };
}

/**
 * Several lengths on the table as one cloth, one behind another, the widest first: pieces are laid on all of them in one search. They are
 * known by their right side: with the other one up they are seen from behind.
 */
export function behindEachOther(lengths: readonly Length[], otherSideUp = false): Several {
  const [first, ...rest] = lengths.map((l) => (otherSideUp ? fromBehind(l) : l)).sort((a, b) => b.width - a.width);
  if (!first) return { stash: '', width: 0, owned: 0, outline: [], flaws: [], more: [] };
  let end = first.length;
  const more = rest.map(({ id, width, length, outline, flaws }): FurtherLength => {
    const from = end + APART;
    end = from + length;
    return { stash: id, from, width, length, outline: [...outline], flaws: [...flaws] };
  });
  const { id, width, outline, flaws } = first;
  return { stash: id, width, owned: end, outline: [...outline], flaws: [...flaws], more };
}

/** How long the first length of a cloth is: up to where the next begins. */
export const firstLength = (cloth: Pick<ClothSaid, 'owned' | 'more'>): number =>
  cloth.more[0] ? cloth.more[0].from - APART : cloth.owned;

/** The lengths a cloth is laid on. */
export const lengthsOf = (cloth: ClothSaid): Length[] => [
  { id: cloth.stash, width: cloth.width, length: firstLength(cloth), outline: cloth.outline, flaws: cloth.flaws },
  ...cloth.more.map(({ stash, from: _, ...l }) => ({ id: stash, ...l })),
];

/** One length of a cloth: as a cloth of its own, where it begins on the table, and what lies on it, seen from its own cut end. */
export interface OnLength {
  id: string;
  cloth: Cloth;
  from: number;
  length: number;
  lying: Lying[];
}

/** On which length of a cloth a cut lies, from 0: on the one its middle is on. */
export function lengthUnder({ more }: Pick<Cloth, 'more'>, ring: Point[]): number {
  const { minY, maxY } = boxOfPoints(ring);
  return more.filter((m) => m.from <= (minY + maxY) / 2).length;
}

/** Each length of a cloth with what lies on it. */
export function onLengths(cloth: ClothSaid, lying: readonly Lying[]): OnLength[] {
  const begins = [0, ...cloth.more.map((m) => m.from)];
  return lengthsOf(cloth).map(({ id, width, length, outline, flaws }, i) => {
    const from = begins[i] as number;
    const down = (ring: Point[]): Point[] => ring.map((p) => ({ x: p.x, y: p.y - from }));
    const mine = lying
      .filter((q) => lengthUnder(cloth, q.ring) === i)
      .map((q): Lying => ({ ...q, y: q.y - from, ring: down(q.ring), place: (ring) => down(q.place(ring)) }));
    return { id, cloth: { ...cloth, width, outline, flaws, more: [] }, from, length, lying: mine };
  });
}
