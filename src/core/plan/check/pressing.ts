import { type Finding, stop } from '../../result.ts';
import { COVERED_BY, edgesOf, partOf } from '../garmentmodel.ts';
import { type GarmentModel, type Joint, type PlanStep } from '../types.ts';

/** The layer whose second one a joint folds over the seam that it covers: a band, cuff, stand, collar or yoke. */
function coveredUnder(j: Joint, covered: Joint, making: GarmentModel): string | undefined {
  const ids = new Set(edgesOf([j]).map(partOf));
  return making.parts.find((p) => ids.has(p.id) && p.layer === 'inner' && p.kind === COVERED_BY[covered.code])?.of;
}

/**
 * Allowances that a second layer is folded over lie within it: pressed into the band, cuff, stand or yoke, the widest of graded
 * ones against its outer layer. Pressed the other way, or open, they stay outside the cover, raw.
 */
export function pressedAway(steps: PlanStep[], making: GarmentModel): Finding[] {
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  return steps.flatMap((s, i) =>
    s.sews.flatMap(({ joint }): Finding[] => {
      // Sewn to a layer of its own, right sides together, it covers nothing.
      if (s.stack.some((l) => l.swings !== 0)) return [];
      const j = joints.get(joint);
      const covered = joints.get(j?.covers ?? '');
      const within = j && covered && coveredUnder(j, covered, making);
      if (within === undefined) return [];
      const pressed = steps.slice(0, i).findLast((x) => x.press !== null && x.works.includes(covered?.id ?? ''));
      return !pressed || pressed.towards === within
        ? []
        : [stop('pressed-away', undefined, { step: pressed.id, other: s.id })];
    }),
  );
}
