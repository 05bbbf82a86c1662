import { type Material, type Piece } from '../pattern/types.ts';
import { type Fibre } from './care.ts';
import { type Meet } from './meets.ts';
import { type Cloth, type ClothSort, type Placed } from './nesting/cloth.ts';

/** A cloth as the sewist says it: what she calls it, what is cut from it, how much of it there is. Lengths in mm. */
export interface ClothSaid extends Cloth {
  id: string;
  name: string;
  /** Pieces of these materials are cut from it, if nothing else is said of them. */
  takes: Material[];
  /** So much of it is there; 0 where it is still to be bought. */
  owned: number;
  /** So much of it is kept at its end, to cut a piece anew that went wrong. */
  recut: number;
  /** Which cloth of the stash it is; none where it is not from there. */
  stash: string;
  sort: ClothSort;
  fibre: Fibre;
  /** What a metre of it costs, in the sewist's own money; 0 where that is not said. */
  price: number;
  /** At which seams its print meets; `centre`: and lies on the centre lines. */
  meet: Meet[];
  centre: boolean;
}

/** A lay that is kept: it is the sewist's choice, since she cuts by it. Looked over by the checker before it is believed. */
export interface LaySaid {
  cloth: string;
  placed: Placed[];
}

/** What is cut from what, and how it lies. */
export interface CuttingChoice {
  cloths: ClothSaid[];
  /** Pieces that go to another cloth than their material does. */
  moved: { piece: string; cloth: string }[];
  lays: LaySaid[];
  /** Keys of what is bought or there already, of all that the garment takes. */
  have: string[];
}

/** How cloth usually lies for a home sewist, mm: common practice; the margins are own figures. */
const USUAL: Omit<ClothSaid, 'id' | 'name' | 'takes' | 'width'> = {
  owned: 0,
  lies: 'single',
  foldedBy: 0,
  otherSideUp: false,
  foldFar: false,
  recut: 0,
  oneWay: false,
  tilt: 0,
  selvedge: 10,
  end: 10,
  gap: 4,
  flaws: [],
  outline: [],
  more: [],
  scallops: 'none',
  stash: '',
  ...{ print: { along: 0, across: 0, fromEnd: 0, fromSide: 0 }, shrinks: { along: 0, across: 0 } },
  ...{ sort: 'plain', fibre: 'unsaid', price: 0, meet: ['side', 'centre-front', 'centre-back', 'cap'], centre: true },
};

/** The cloths a garment begins with; their widths are common on sale. */
export const usualCutting = (): CuttingChoice => ({
  cloths: [
    { id: 'shell', name: 'Shell cloth', takes: ['shell', 'facing'], width: 1400, ...USUAL },
    { id: 'lining', name: 'Lining cloth', takes: ['lining'], width: 1400, ...USUAL },
    { id: 'interfacing', name: 'Interfacing', takes: ['interfacing'], width: 900, ...USUAL },
  ],
  moved: [],
  lays: [],
  have: [],
});

/** From which cloth a piece is cut; undefined where none takes it. */
export function clothFor(c: CuttingChoice, piece: Piece): ClothSaid | undefined {
  const moved = c.moved.find((m) => m.piece === piece.id)?.cloth;
  return c.cloths.find((x) => x.id === moved) ?? c.cloths.find((x) => x.takes.includes(piece.material));
}

/** What is cut from a cloth. */
export const cutFrom = (c: CuttingChoice, cloth: ClothSaid, pieces: readonly Piece[]): Piece[] =>
  pieces.filter((p) => clothFor(c, p)?.id === cloth.id);
