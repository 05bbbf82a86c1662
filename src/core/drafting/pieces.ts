import { type Piece, type Role, type Seam, type Side } from '../pattern/index.ts';
import { type LiningHem } from './lining/hem.ts';
import { runLength } from './shape/oriented.ts';

/** Shell pieces and what was drafted from them, as the seams of the inside see them. */
export interface InsidePieces {
  front?: Piece | undefined;
  back?: Piece | undefined;
  sleeve?: Piece | undefined;
  /** Side panels beyond princess seams, and the under-sleeve of a two-piece sleeve. */
  frontSide?: Piece | undefined;
  backSide?: Piece | undefined;
  underSleeve?: Piece | undefined;
  frontSideLining?: Piece | undefined;
  backSideLining?: Piece | undefined;
  underSleeveLining?: Piece | undefined;
  frontFacing?: Piece | undefined;
  backFacing?: Piece | undefined;
  /** The neck facing of a raglan sleeve. */
  sleeveFacing?: Piece | undefined;
  frontLining?: Piece | undefined;
  /** The front as it is cut with its facing grown on; `frontFacing` is then the part of it beyond the fold. */
  recut?: Piece | undefined;
  backLining?: Piece | undefined;
  /** The back lining that lies under at a vent; `backLining` is then the one that laps over. */
  backUnderlap?: Piece | undefined;
  hood?: Piece | undefined;
  hoodFacing?: Piece | undefined;
  hoodLining?: Piece | undefined;
  sleeveLining?: Piece | undefined;
  skirtFront?: Piece | undefined;
  skirtBack?: Piece | undefined;
  skirtFrontLining?: Piece | undefined;
  skirtBackLining?: Piece | undefined;
  skirtUnderlap?: Piece | undefined;
}

/** Where the lining's lower edges lie, at the hem and at the wrist. */
export interface Hems {
  body: LiningHem | null;
  wrist: LiningHem | null;
}

/** Adds a seam where both sides have edges for it. */
export type Join = (group: Seam['group'], code: string, a: Side[], b: Side[], more?: Partial<Seam>) => void;

/** By how much the shell's sleeve is longer than what it is set into, mm: its cap, or both seams of a raglan sleeve. */
export function shellCapEase(p: InsidePieces): number {
  const over = (role: Role, pieces: (Piece | undefined)[]): number =>
    pieces.reduce((t, q) => t + (q ? runLength(q.ring, role) : 0), 0);
  return over('cap', [p.sleeve, p.underSleeve]) - over('armhole', [p.front, p.frontSide, p.back, p.backSide]);
}
