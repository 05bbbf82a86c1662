import { type Finding, stop } from '../../result.ts';
import { faceOf } from '../garmentmodel.ts';
import { type GarmentModel, type Laid, type Part, type PlanStep, type Up } from '../types.ts';

/** Which side is up once a layer has swung over so often. */
const ends = (l: Laid): Up => (l.swings % 2 === 0 ? l.up : l.up === 'right' ? 'wrong' : 'right');

/** Layers as they lie in each step against the way their right sides are to look: the step that turns one the wrong way. */
export function wrongFaces(steps: PlanStep[], making: GarmentModel): Finding[] {
  const byId = new Map(making.parts.map((p) => [p.id, p]));
  return steps.flatMap((s): Finding[] => {
    const laid = s.stack.filter((l) => !l.hem && byId.has(l.part));
    const first = laid[0];
    const ref = first && byId.get(first.part);
    if (!first || !ref) return [];
    for (const l of laid.slice(1)) {
      const meant = faceOf(byId.get(l.part) as Part, making.lace) === faceOf(ref, making.lace);
      if ((ends(l) === ends(first)) !== meant)
        return [stop('layer-faces-wrong', { piece: byId.get(l.part)?.of ?? '' }, { step: s.id, piece: l.part })];
    }
    return [];
  });
}
