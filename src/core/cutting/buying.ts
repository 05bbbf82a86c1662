import { type Buy, type Closure, shoppingList } from '../closure/index.ts';
import { type Surface } from '../garment/index.ts';
import { pathLength } from '../geometry/index.ts';
import { type WalkedSeam } from '../pattern/index.ts';
import { type LengthUnit } from '../units.ts';
import { type ClothSaid, type CuttingChoice } from './cloths.ts';
import { areaOf, type Cuttable } from './cutlist.ts';
import { standingOf } from './standing.ts';

/** What a garment takes, one thing each. Lengths in mm. */
export type ToBuy = { key: string; have: boolean } & (
  | {
      what: 'cloth';
      cloth: ClothSaid;
      /** What the lay takes; where nothing is laid yet, guessed from the pieces' areas. */
      needs: number;
      guessed: boolean;
      /** As it is cut off the bolt, beyond what is there. */
      buy: number;
      /** In the sewist's money; 0 where no price is said. */
      cost: number;
    }
  | { what: 'zip'; length: number }
  | { what: 'thread'; of: 'shell' | 'lining'; seams: number; buy: number }
  | { what: 'notion'; notion: Buy }
);

/** Cloth is sold by 10 cm, or by eighths of a yard: common practice. */
const STEP: Record<LengthUnit, number> = { mm: 100, in: 914.4 / 8 };

/** The least that can be bought of a length of cloth, mm. */
export const buyLength = (length: number, units: LengthUnit): number =>
  Math.ceil(length / STEP[units] - 1e-9) * STEP[units];

/** Which share of a cloth pieces fill before anything is laid. Own figure, of lays that were made. */
const FILLED = 0.7;
/** Thread a lockstitch takes of each mm of seam, both threads together (handbook figure from memory), and what is lost at ends. */
const [TAKES, LOST] = [2.8, 1.3];
/** Times a seam is sewn over: itself, and its edges made neat with a zigzag, which takes as much on each. Rough, own figure. */
const PASSES = 3;
/** Thread is sold on reels of so much, mm: common practice. */
const REEL = 100_000;

interface Made extends Cuttable {
  surface: Surface;
  seams: readonly WalkedSeam[];
  closure: { ok: true; value: Closure } | { ok: false } | null;
}

function clothLine(choice: CuttingChoice, cloth: ClothSaid, made: Made, units: LengthUnit): ToBuy[] {
  const { mine, lying, needs: laid } = standingOf(choice, cloth, made);
  if (!mine.length) return [];
  const area = mine.reduce((t, p) => t + (areaOf(p, made) ?? 0) * p.cut.count, 0);
  const guessed = !lying.length;
  const needs = guessed ? area / (FILLED * cloth.width) + cloth.recut : laid;
  const buy = cloth.owned >= needs ? 0 : buyLength(needs - cloth.owned, units);
  const key = `cloth ${cloth.id}`;
  return [{ key, have: false, what: 'cloth', cloth, needs, guessed, buy, cost: (buy * cloth.price) / 1000 }];
}

/** Thread of one colour, from the lengths of the seams: rough. */
function threadLine(of: 'shell' | 'lining', seams: number): ToBuy[] {
  const thread = seams * TAKES * LOST * PASSES;
  const buy = Math.ceil(thread / REEL) * REEL;
  return seams > 0 ? [{ key: `thread ${of}`, have: false, what: 'thread', of, seams, buy }] : [];
}

/** All that a garment takes, to be bought or to be had: cloths, thread, zip, and what closes it. */
export function toBuy(choice: CuttingChoice, made: Made, zip: number, units: LengthUnit): ToBuy[] {
  const chain = (edges: Surface['joins'][number]['a']): number => edges.reduce((t, e) => t + pathLength(e.path), 0);
  const shell = made.surface.joins.reduce((t, j) => t + chain(j.a), 0);
  // Seams inside are walked for one half of the body.
  const inside = made.seams.filter((s) => s.group === 'inside').reduce((t, s) => t + 2 * s.lengthAMm, 0);
  const notions = made.closure?.ok ? shoppingList(made.closure.value) : [];
  const all: ToBuy[] = [
    ...choice.cloths.flatMap((c) => clothLine(choice, c, made, units)),
    ...threadLine('shell', shell),
    ...threadLine('lining', inside),
    ...(zip > 0 ? [{ key: `zip ${zip}`, have: false, what: 'zip' as const, length: zip }] : []),
    ...notions.map((n) => ({ key: `${n.what} ${n.size}`, have: false, what: 'notion' as const, notion: n })),
  ];
  return all.map((b) => ({ ...b, have: choice.have.includes(b.key) || (b.what === 'cloth' && b.buy === 0) }));
}
