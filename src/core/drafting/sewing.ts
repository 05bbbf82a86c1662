import { type Decisions } from '../document/project.ts';
import { pathLength } from '../geometry/index.ts';
import { type Seam, type Side } from '../pattern/index.ts';
import { type Drafted, type Garment, type Within } from './drafted.ts';
import { type Hems, type Put } from './pieces.ts';

/** How much longer a back's shoulder may be, mm (handbook figure from memory). */
export const SHOULDER_EASE = { ease: { min: 0, max: 10 }, easeOf: 'shoulder' };

/** The garment, the choices, and where the seams are put. */
export interface Sewing {
  g: Garment;
  d: Decisions;
  hems: Hems;
  within: Within;
  put: Put;
  /** The same, with the names of both sides where it is not of the usual pieces. */
  putFor: (x: Drafted, code: string, a: Side[], b: Side[], more?: Partial<Seam>, group?: Seam['group']) => void;
}

/** A piece that most garments have one of, so that its seams are known by their own names. */
export const isUsual = (x: Drafted): boolean => !x.base.includes('.');

const lengthOf = (s: Sewing, sides: Side[]): number =>
  sides.reduce((t, x) => {
    const p = s.g.drafted.flatMap((y) => [y.facing, y.lining]).find((q) => q?.id === x.piece);
    const e = p?.ring.find((r) => r.id === x.edge);
    return t + (e ? pathLength(e.path) : 0);
  }, 0);

/** As much of the longer side as the other one reaches. */
export function reaching(s: Sewing, own: Side[], other: Side[]): Side[] {
  const [l, o] = [lengthOf(s, own), lengthOf(s, other)];
  return l > o ? own.map((x) => ({ ...x, share: o / l })) : own;
}
