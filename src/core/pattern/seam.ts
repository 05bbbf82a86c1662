import { pathLength } from '../geometry/index.ts';
import { SEAM_PASSES } from '../tolerance.ts';
import { takenOf } from './dartintake.ts';
import { allEdges, runsOf } from './ring.ts';
import { type Edge, type Piece, type Role } from './types.ts';

/** One stretch of one edge taking part in a seam. */
export interface Side {
  piece: string;
  edge: string;
  role: Role;
  /** Share of the edge that belongs to this seam: half of a collar that is drawn whole. All of it when left out. */
  share?: number;
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
  /** Names of the pieces on either side, of a seam that has no name of its own. */
  between?: [string, string];
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
 * common practice.
 */
export function walk(seams: Seam[], pieces: Piece[]): WalkedSeam[] {
  const lengths = new Map<string, number>();
  for (const p of pieces) {
    // What darts and pleats take out is not there any more when the seam is sewn.
    const taken = (p.material === 'shell' || p.material === 'lining') && p.lines.length ? takenOf(p) : null;
    for (const e of allEdges(p)) lengths.set(`${p.id}/${e.id}`, pathLength(e.path) - (taken?.get(e.id) ?? 0));
  }
  const of = (s: Side): number => (lengths.get(`${s.piece}/${s.edge}`) ?? 0) * (s.share ?? 1);
  return seams.map((s) => {
    const lengthAMm = sum(s.a, of);
    const lengthBMm = s.lengthB ?? sum(s.b, of);
    const differenceMm = lengthAMm - lengthBMm;
    const easeMm = Math.min(s.ease.max, Math.max(s.ease.min, differenceMm));
    const off = differenceMm - easeMm;
    const passes = SEAM_PASSES;
    const meant = s.ease.min !== 0 || s.ease.max !== 0;
    const fine: Verdict = meant && Math.abs(differenceMm) > passes ? 'ease-as-meant' : 'matches';
    const verdict: Verdict = Math.abs(off) <= passes + 1e-9 ? fine : off > 0 ? 'a-too-long' : 'a-too-short';
    return { ...s, lengthAMm, lengthBMm, differenceMm, easeMm, verdict };
  });
}

/** Whether both sides of a seam go together as they are meant to. */
export const seamFits = (s: WalkedSeam): boolean => s.verdict === 'matches' || s.verdict === 'ease-as-meant';
