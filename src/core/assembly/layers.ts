import { type Material, type Piece, type WalkedSeam } from '../pattern/index.ts';
import { type Operation } from './types.ts';

/** Which side of a cloth is up. */
export type Up = 'right' | 'wrong';

/** One layer on the table. */
export interface Ply {
  piece: string;
  material: Material;
  up: Up;
  /** Interfacing on its wrong side. */
  fused: string | null;
  /** The turned-up hem of a piece, a layer of its own. */
  hem?: boolean;
}

/** Where a seam allowance lies once it is pressed: over to one side of the seam, or between the layers; its width, mm. */
export interface Lying {
  piece: string;
  over: 'left' | 'right' | 'between';
  width: number;
}

/** A joining in section: plies bottom to top with their raw edges together, and as they lie when it is done. */
export interface Layers {
  before: Ply[];
  /** Stacks side by side from left to right, each bottom to top. */
  after: Ply[][];
  allowances: Lying[];
}

const other = (up: Up): Up => (up === 'right' ? 'wrong' : 'right');

/** Half a turn about the seam: what lay on top lies beside, the other way up, and what was upper is lower. */
const swing = (plies: Ply[]): Ply[] => [...plies].reverse().map((p) => ({ ...p, up: other(p.up) }));

/** What the model needs to know of the garment. */
export interface Cloth {
  pieces: Piece[];
  seams: WalkedSeam[];
}

/** Interfacings of the front itself, which its edge carries. */
const ON_FRONT: ReadonlySet<string> = new Set(['front-edge-interfacing', 'front-interfacing']);

/** `along`: whether the layer is looked at along the front edge or neck, where the front's own interfacing lies. */
function plyOf(id: string, up: Up, { pieces }: Cloth, along: boolean): Ply | null {
  const piece = pieces.find((p) => p.id === id);
  if (!piece) return null;
  const fused =
    pieces.find((p) => p.id === `${id}-interfacing`) ??
    (along ? pieces.find((p) => p.parent === id && ON_FRONT.has(p.id)) : undefined);
  return { piece: id, material: piece.material, up, fused: fused?.id ?? null };
}

/** Seams after which one side is turned under the other instead of being laid beside it. */
const TURNED: ReadonlySet<string> = new Set(['front-edge', 'neckline-front', 'neckline-back']);
/** Seams whose allowances go to one side, and to which. */
const TO_SIDE: Record<string, 'a' | 'b'> = {
  'facing-line-front': 'a',
  'facing-line-back': 'a',
  cap: 'a',
  'lining-cap': 'a',
};

/**
 * The layers of a step that joins two edges right sides together; null for all other steps. The side that may be longer
 * lies below, towards the feed dogs (common practice), right side up; the other on it wrong side up. After the seam the
 * upper one swings over beside the lower; a facing swings once more, under it.
 */
export function layersOf(
  step: Operation,
  cloth: Cloth,
  graded: { wide: number; narrow: number } | null,
): Layers | null {
  const seam = step.sides === 'right-together' ? cloth.seams.find((s) => s.id === step.seams[0]) : undefined;
  const [a, b] = [seam?.a[0], seam?.b[0]];
  if (!seam || !a || !b) return null;
  const allowance = step.allowance ?? 0;
  if (step.code === 'sew-hem' || step.code === 'sew-wrist') return turnedHem(a.piece, b.piece, allowance, cloth);
  const turned = TURNED.has(seam.code) || seam.code.startsWith('vent-');
  const along = TURNED.has(seam.code);
  const [below, above] = turned ? [b, a] : [a, b];
  const [low, high] = [plyOf(below.piece, 'right', cloth, along), plyOf(above.piece, 'wrong', cloth, along)];
  if (!low || !high) return null;
  const [beside] = swing([high]) as [Ply];
  if (turned) {
    const [under] = swing([beside]) as [Ply];
    const [wide, narrow] = graded ? [graded.wide, graded.narrow] : [allowance, allowance];
    return {
      before: [low, high],
      after: [[under, low]],
      allowances: [
        { piece: low.piece, over: 'between', width: wide },
        { piece: under.piece, over: 'between', width: narrow },
      ],
    };
  }
  const side = TO_SIDE[seam.code];
  const to = (which: 'left' | 'right'): 'left' | 'right' => (side === 'a' ? 'left' : side === 'b' ? 'right' : which);
  return {
    before: [low, high],
    after: [[low], [beside]],
    allowances: [
      { piece: low.piece, over: to('left'), width: allowance },
      { piece: beside.piece, over: to('right'), width: allowance },
    ],
  };
}

/** The lining sewn to a turned hem: when the garment lies right side up its hem is folded under it, and the lining under that. */
function turnedHem(lining: string, shell: string, allowance: number, cloth: Cloth): Layers | null {
  const [low, high] = [plyOf(shell, 'right', cloth, false), plyOf(lining, 'wrong', cloth, false)];
  if (!low || !high) return null;
  const [hem] = swing([{ ...low, hem: true }]) as [Ply];
  return {
    before: [{ ...low, hem: true }, high],
    after: [[high, hem, low]],
    allowances: [
      { piece: low.piece, over: 'between', width: allowance },
      { piece: high.piece, over: 'between', width: allowance },
    ],
  };
}

/** Figures of the grading step, where the plan has one. */
export function gradingOf(steps: Operation[]): { wide: number; narrow: number } | null {
  const grade = steps.find((s) => s.code === 'grade-edge');
  const { wide, narrow } = grade?.data ?? {};
  return wide !== undefined && narrow !== undefined ? { wide, narrow } : null;
}
