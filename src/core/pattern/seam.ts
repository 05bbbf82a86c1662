import { pathLength } from '../geometry/index.ts';
import { SEAM_PASSES } from '../tolerance.ts';
import { runsOf } from './ring.ts';
import { type Edge, type Piece, type Role } from './types.ts';

/** One stretch of one edge taking part in a seam. */
export interface Side {
  piece: string;
  edge: string;
  role: Role;
}

/** Edges sewn together, with the ease that is meant on side a over side b (mm). */
export interface Seam {
  id: string;
  /** Which seam it is; the interface has the words. */
  code: string;
  group: 'shell' | 'inside' | 'closing';
  a: Side[];
  b: Side[];
  ease: { min: number; max: number };
  /** Why side a is longer on purpose, if it is: `cap`, `pleat`, `shoulder`, `flare`. */
  easeOf?: string;
  /** Lengths computed otherwise than by the edges' own (a turned hem lies where the shell is narrower). */
  lengthB?: number;
}

export type Verdict = 'matches' | 'ease-as-meant' | 'a-too-long' | 'a-too-short';

export interface WalkedSeam extends Seam {
  lengthAMm: number;
  lengthBMm: number;
  /** lengthA − lengthB. */
  differenceMm: number;
  /** The meant ease nearest to the difference. */
  easeMm: number;
  verdict: Verdict;
}

export const sideOf = (piece: Piece, edges: Edge[]): Side[] =>
  edges.map((e) => ({ piece: piece.id, edge: e.id, role: e.role }));

/** First run of a role as a seam side; empty when the piece has none. */
export const roleSide = (piece: Piece, role: Role): Side[] => sideOf(piece, runsOf(piece.ring, role)[0] ?? []);

const sum = (sides: Side[], length: (s: Side) => number): number => sides.reduce((t, s) => t + length(s), 0);

/**
 * Walks both seam lines of every seam and compares them. A difference within 1.5 mm (1/16") of the meant ease passes:
 * common practice. `passes` narrows that for seams Woodbine drafted on both sides.
 */
export function walk(seams: Seam[], pieces: Piece[], passes = SEAM_PASSES): WalkedSeam[] {
  const lengths = new Map<string, number>();
  for (const p of pieces) for (const e of p.ring) lengths.set(`${p.id}/${e.id}`, pathLength(e.path));
  const of = (s: Side): number => lengths.get(`${s.piece}/${s.edge}`) ?? 0;
  return seams.map((s) => {
    const lengthAMm = sum(s.a, of);
    const lengthBMm = s.lengthB ?? sum(s.b, of);
    const differenceMm = lengthAMm - lengthBMm;
    const easeMm = Math.min(s.ease.max, Math.max(s.ease.min, differenceMm));
    const off = differenceMm - easeMm;
    const meant = s.ease.min !== 0 || s.ease.max !== 0;
    const fine: Verdict = meant && Math.abs(differenceMm) > passes ? 'ease-as-meant' : 'matches';
    const verdict: Verdict = Math.abs(off) <= passes + 1e-9 ? fine : off > 0 ? 'a-too-long' : 'a-too-short';
    return { ...s, lengthAMm, lengthBMm, differenceMm, easeMm, verdict };
  });
}

const SET_IN = { min: 20, max: 40 };
/** Cap ease by garment, mm: a woven set-in cap 20–40, a shirt's 0–15 (handbook figures from memory). */
const CAP_EASE: Record<string, { min: number; max: number }> = { shirt: { min: 0, max: 15 } };

/** The seams of the shell that follow from the roles. Ease ranges: handbook figures from memory (trade rules, section 5). */
export function shellSeams(pieces: Piece[], garment = 'coat'): Seam[] {
  const front = pieces.find((p) => p.kind === 'front');
  const back = pieces.find((p) => p.kind === 'back');
  const sleeve = pieces.find((p) => p.kind === 'sleeve');
  const out: Seam[] = [];
  const pair = (code: string, a: Side[], b: Side[], ease = { min: 0, max: 0 }, easeOf?: string) => {
    if (a.length && b.length)
      out.push({ id: `shell-${code}`, code, group: 'shell', a, b, ease, ...(easeOf && { easeOf }) });
  };
  if (front && back) {
    pair('shoulder', roleSide(back, 'shoulder'), roleSide(front, 'shoulder'), { min: 0, max: 10 }, 'shoulder');
    pair('side', roleSide(front, 'side'), roleSide(back, 'side'));
  }
  const centre = back && runsOf(back.ring, 'centre-back')[0];
  if (back && centre?.every((e) => !e.onFold)) pair('centre-back', sideOf(back, centre), sideOf(back, centre));
  if (sleeve) {
    const [u1, u2] = runsOf(sleeve.ring, 'underarm');
    if (u1 && u2) pair('underarm', sideOf(sleeve, u1), sideOf(sleeve, u2));
    const armholes = [front, back].flatMap((p) => (p ? roleSide(p, 'armhole') : []));
    if (front && back) pair('cap', roleSide(sleeve, 'cap'), armholes, CAP_EASE[garment] ?? SET_IN, 'cap');
  }
  return out;
}
