import { type Path } from '../geometry/index.ts';
import { type Reason } from '../result.ts';

export const ROLES = [
  'neckline',
  'shoulder',
  'armhole',
  'side',
  'hem',
  'front-edge',
  'centre-front',
  'centre-back',
  'waist',
  'cap',
  'underarm',
  'wrist',
  'vent',
  'vent-top',
  'yoke-seam',
  'panel-seam',
  'forearm-seam',
  'elbow-seam',
  'inseam',
  'rise',
  'cut-out',
  'stand-neck',
  'stand-top',
  'collar-neck',
  'collar-outer',
  'cuff-seam',
  'cuff-edge',
  'band-edge',
  'pocket',
  'facing-line',
  'inner',
  'plain',
] as const;
export type Role = (typeof ROLES)[number];

export const KINDS = [
  'front',
  'back',
  'sleeve',
  'front-side',
  'back-side',
  'under-sleeve',
  'hood',
  'yoke',
  'collar',
  'stand',
  'cuff',
  'skirt-front',
  'skirt-back',
  'trouser-front',
  'trouser-back',
  'waistband',
  'placket',
  'other',
] as const;
export type PieceKind = (typeof KINDS)[number];

export const MATERIALS = ['shell', 'facing', 'lining', 'interfacing'] as const;
export type Material = (typeof MATERIALS)[number];

/**
 * What the cut line does at the corner where an edge ends. *Mitred*: both cut lines run on until they meet.
 * *Mirrored*: reflected in the line along which the allowance folds back, so that it lies flat under the piece.
 * *Squared*: cut square to the edge, so that two seams start level. Common practice.
 */
export const CORNERS = ['mitred', 'mirrored', 'squared'] as const;
export type CornerRule = (typeof CORNERS)[number];

/** Which stretch of which shell edge a derived edge repeats: mm along the parent edge; start > end when reversed. */
export interface From {
  piece: string;
  edge: string;
  start: number;
  end: number;
}

/** One edge of an outline, on the seam line. */
export interface Edge {
  id: string;
  role: Role;
  path: Path;
  /** Seam or hem allowance in mm; 0 on a fold. */
  allowance: number;
  /** Rule for the corner at this edge's end. */
  corner: CornerRule;
  onFold: boolean;
  /** Of a facing that is grown on beyond the fold of its front. */
  grownOn?: true;
  from?: From;
}

/** A mark across the seam line: `at` mm along the edge from its start. Double notches mark the back. */
export interface Notch {
  edge: string;
  at: number;
  kind: 'single' | 'double';
}

export const LINE_KINDS = [
  'centre-front',
  'waist',
  'fold',
  'roll-line',
  'dart',
  'pleat',
  'gather',
  'placement',
  'cut-away',
  'opening',
  'other',
] as const;

export interface InternalLine {
  kind: (typeof LINE_KINDS)[number];
  path: Path;
  /** Of a line to cut along: on which half of the body alone, as worn. */
  on?: 'left' | 'right';
  /** Of a closed line round an opening cut into the piece: what it is an edge of. */
  role?: Role;
  /** Of gathers: how many times as long as what they are sewn to the edge is beside the line. */
  ratio?: number;
}

/** Where stitching starts, stops or turns, where a hole is drilled, or a button sits. */
export const MARK_KINDS = ['dot', 'circle', 'square', 'button'] as const;

export interface Mark {
  kind: (typeof MARK_KINDS)[number];
  at: { x: number; y: number };
}

export interface Cut {
  /** Pieces of cloth to cut: a mirrored pair counts 2, on the fold counts 1. */
  count: number;
  pair: boolean;
  onFold: boolean;
  /** Cut once with the pattern turned face down on the right side of the cloth, where left and right differ. */
  turned?: boolean;
}

/** A pattern piece: a closed ring of edges on the seam line, clockwise on screen, mm, y down. */
export interface Piece {
  id: string;
  name: string;
  kind: PieceKind;
  material: Material;
  ring: Edge[];
  /** Openings cut into it, as armholes into a cover-up: each a closed ring anticlockwise on screen, the cloth on its right. */
  openings?: Edge[][];
  cut: Cut;
  /** Grainline, from bottom to top. */
  grain: { a: { x: number; y: number }; b: { x: number; y: number } };
  notches: Notch[];
  lines: InternalLine[];
  marks?: Mark[];
  /** Why this derived piece is as it is; empty for the shell. */
  reasons: Reason[];
  /** The shell piece it was made from, for a derived piece. */
  parent?: string;
  /** The piece an interfacing lies under. */
  stiffens?: string;
}

export const FOLDS_BACK: ReadonlySet<Role> = new Set<Role>(['hem', 'wrist']);
