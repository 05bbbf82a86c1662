import { type Point, ringsArea } from '../geometry/index.ts';
import { lengthUnder } from './lengths.ts';
import { type Cloth } from './nesting/cloth.ts';
import { type Lying } from './nesting/lying.ts';

/** A cut as it is found on the cloth again: its number in the order of cutting, and where its grainline lies, mm. */
export interface AtTable {
  number: number;
  lying: Lying;
  /** From the left selvedge, or the fold, to the lower and the upper end of the grainline: alike where it lies on the grain. */
  across: readonly [number, number];
  /** From the cut end of the cloth, or of the length of it that it lies on, to both. */
  along: readonly [number, number];
  /** Which length of the cloth that is, from 0. */
  on: number;
}

/** The grainline of a cut as it lies, its lower end first. */
export function grainOf(q: Lying): readonly [Point, Point] {
  const [a, b] = q.place([q.shape.grain.a, q.shape.grain.b]) as [Point, Point];
  return a.y <= b.y ? [a, b] : [b, a];
}

/** All cuts in the order they are cut, the large ones first (common practice: a slip is mended out of what is left). */
export function atTable(lying: readonly Lying[], { more }: Pick<Cloth, 'more'>): AtTable[] {
  return lying
    .map((q) => ({ q, area: ringsArea([q.ring]) }))
    .sort((a, b) => b.area - a.area || a.q.piece.localeCompare(b.q.piece) || a.q.copy - b.q.copy)
    .map(({ q }, i) => {
      const [a, b] = grainOf(q);
      const on = lengthUnder({ more }, q.ring);
      const from = more[on - 1]?.from ?? 0;
      const along = [a.y - from, b.y - from] as const;
      return { number: i + 1, lying: q, across: [a.x, b.x] as const, along, on };
    });
}
