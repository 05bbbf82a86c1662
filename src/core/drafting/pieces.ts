import { pathLength } from '../geometry/index.ts';
import { type Piece, type Seam, type Side } from '../pattern/index.ts';
import { capsOf, type Garment } from './drafted.ts';
import { type LiningHem } from './lining/hem.ts';

/** Where the lining's lower edges lie, at the hem and at the wrist. */
export interface Hems {
  body: LiningHem | null;
  wrist: LiningHem | null;
}

/** Adds a seam where both sides have edges for it. */
export type Put = (group: Seam['group'], code: string, a: Side[], b: Side[], more?: Partial<Seam>) => void;

/** By how much the shell's sleeve is longer than what it is set into, mm: its cap, or both seams of a raglan sleeve. */
export const shellCapEase = (g: Garment, sleeve: Piece): number =>
  capsOf(g, sleeve).reduce(
    (t, { cap, armhole }) =>
      t + cap.reduce((s, e) => s + pathLength(e.path), 0) - armhole.reduce((s, e) => s + pathLength(e.path), 0),
    0,
  );
