import { edgeBeside, type InternalLine, type Mark, type Piece } from '../pattern/index.ts';
import { keyOf } from './garmentmodel.ts';
import { type OperationCode } from './operationcodes.ts';
import { type GarmentModel, type PlanStep } from './types.ts';

/** What is marked on the cloth. */
export type ToMark = 'notch' | InternalLine['kind'] | Mark['kind'];

/** Marks of one kind on one piece, and the steps that go by them; no step where nothing of this plan asks for them. */
export interface Transfer {
  piece: string;
  what: ToMark;
  count: number;
  /** Numbers of the steps, in their order. */
  steps: number[];
}

/** Steps that go by a line of the pattern. Edges are gone by where they are sewn. */
const BY_LINE: Readonly<Record<InternalLine['kind'], readonly OperationCode[]>> = {
  dart: ['sew-darts'],
  pleat: ['baste-pleats'],
  gather: ['gather', 'gather-ruffle', 'gather-wrist'],
  placement: ['sew-patch', 'belt-loops', 'sew-label', 'cord-casing', 'stitch-casing', 'thread-elastic'],
  'cut-away': ['cut', 'bind-slit', 'cut-slit'],
  opening: ['stay-slit', 'cut-slit', 'bind-slit', 'line-slit', 'sew-tower', 'cut-tower', 'sew-cut-out', 'half-cut'],
  'roll-line': ['sew-edge', 'understitch', 'press-edge'],
  fold: ['press-self', 'press-fly', 'press-placket', 'fold-in', 'sew-placket'],
  'centre-front': ['baste-fronts', 'mark-holes', 'sew-buttons', 'sew-snaps', 'baste-zip', 'check-zip', 'stitch-fly'],
  other: [],
  waist: ['mark-holes', 'belt-loops', 'baste-waist-lining'],
};

/** Numbers of the steps a test holds for, in their order. */
const numbersOf = (steps: PlanStep[], of: (s: PlanStep) => boolean): number[] => steps.filter(of).map((s) => s.number);

/** Parts of the plan by the pattern piece they are cut from. */
function partsOfPieces(making: GarmentModel): Map<string, string[]> {
  const at = new Map<string, string[]>();
  for (const p of making.parts) at.set(p.of, [...(at.get(p.of) ?? []), p.id]);
  return at;
}

/**
 * What is carried over from the pattern to the cloth, piece by piece, for the ways this plan goes: notches by the seams they lie
 * on, lines by the steps that follow them, points by the seam they lie beside.
 */
export function marksToTransfer(steps: PlanStep[], making: GarmentModel, pieces: Piece[]): Transfer[] {
  const parts = partsOfPieces(making);
  const joints = new Map(making.joints.map((j) => [j.id, [...j.a, ...j.b]]));
  const sewing = (ids: string[], edge: string) => (s: PlanStep) =>
    s.sews.some((x) => joints.get(x.joint)?.some((key) => ids.some((id) => key === keyOf(id, edge))));
  return pieces.flatMap((p): Transfer[] => {
    const ids = parts.get(p.id) ?? [];
    if (!ids.length) return [];
    const found = new Map<ToMark, { count: number; steps: Set<number> }>();
    const add = (what: ToMark, by: number[]): void => {
      const known = found.get(what) ?? { count: 0, steps: new Set() };
      found.set(what, { count: known.count + 1, steps: new Set([...known.steps, ...by]) });
    };
    for (const n of p.notches) add('notch', numbersOf(steps, sewing(ids, n.edge)));
    for (const l of p.lines) {
      const codes: readonly string[] = BY_LINE[l.kind];
      const here = (s: PlanStep): boolean =>
        codes.includes(s.code) && (!s.pieces.length || s.pieces.some((x) => ids.includes(x)));
      add(l.kind, numbersOf(steps, here));
    }
    for (const m of p.marks ?? []) {
      const beside = edgeBeside(p.ring, m);
      if (beside) add(m.kind, numbersOf(steps, sewing(ids, beside.edge.id)));
      else add(m.kind, m.kind === 'button' ? numbersOf(steps, (s) => s.code === 'sew-buttons') : []);
    }
    return [...found].map(([what, { count, steps: by }]) => ({
      piece: p.id,
      what,
      count,
      steps: [...by].sort((a, b) => a - b),
    }));
  });
}
