import { type Bend } from './clips.ts';
import { partOf } from './garmentmodel.ts';
import { type Need, type SeamCode } from './names.ts';
import { type Joint } from './types.ts';

// A seam between a hollow and a bulging edge: its hollow allowance is too short to be turned, unless it is clipped or narrow.

/** Seams between panels, where such edges meet. */
const PANELS: ReadonlySet<SeamCode> = new Set([
  'panel',
  'panel-front',
  'panel-back',
  'skirt-panel',
  'yoke-join',
  'raglan',
  'lining-panel',
  'lining-panel-front',
  'lining-panel-back',
  'lining-skirt-panel',
  'lining-yoke-join',
  'lining-raglan',
]);

/** The raw edge of a hollow seam is too short by allowance ÷ radius of it; woven cloth gives about a twentieth. Own rule. */
const GIVES = 0.05;

/** Allowances as narrow as this need no clips, mm. Common practice. */
const NARROW = 10;

/** What is asked of a builder here. */
interface Curved {
  g: { methods: Record<string, string> };
  bends(joints: Joint[]): Bend[];
}

/** Whether the allowances of a seam have to be clipped, or trimmed, before they can be pressed. */
export const isCurved = (b: Pick<Curved, 'bends'>, j: Joint): boolean =>
  PANELS.has(j.code) &&
  j.allowance > NARROW &&
  b.bends([j]).some((x) => x.how === 'clip' && j.allowance / x.radius > GIVES);

/** Work on a curve: before it is sewn, or between sewing and pressing. */
export interface CurveStep {
  code: 'clip-before' | 'clip-curve' | 'trim-curve';
  pieces: string[];
  works: string[];
  needs: Need[];
  bends: Bend[];
  data: Record<string, number>;
}

/**
 * What a curved run asks beside its stitching; null where it is straight enough. Allowances that are neatened together or bound
 * are trimmed, as nothing goes over clips. `sewn`: the id of the step that sews it.
 */
export function curveStep(b: Curved, joints: Joint[], finish: string, sewn: string): CurveStep | null {
  const curved = joints.filter((j) => isCurved(b, j));
  if (!curved.length) return null;
  const narrowOnly = finish === 'together' || finish === 'bound';
  const way = narrowOnly ? 'trimmed' : (b.g.methods.curves ?? 'clipped-after');
  const pieces = [...new Set(curved.flatMap((j) => [...j.a, ...j.b]).map(partOf))];
  const a = curved.reduce((t, j) => t + j.lengthA, 0);
  const step = { pieces, works: curved.map((j) => j.id), needs: [`step:${sewn}` as Need], bends: b.bends(curved) };
  if (way === 'trimmed') return { ...step, code: 'trim-curve', bends: [], data: { a, narrow: NARROW } };
  if (way === 'clipped-after') return { ...step, code: 'clip-curve', data: { a } };
  const hollow = step.bends.filter((x) => x.how === 'clip');
  const stays = pieces.map((p): Need => `step:stay:${p}?`);
  return { ...step, code: 'clip-before', works: [], needs: stays, bends: hollow, data: { a } };
}
