import { type Finding, stop } from '../../result.ts';
import { type GarmentModel, type PlanStep } from '../types.ts';

const EPS = 1e-6;

/** Each stretch of each joint gets exactly the passes its method asks: found by parting it wherever a pass begins or ends. */
export function passesOf(steps: PlanStep[], making: GarmentModel): Finding[] {
  return making.joints.flatMap((j): Finding[] => {
    const open = 1 - (making.open[j.id] ?? 0);
    const sewn = steps.flatMap((s) => s.sews.filter((x) => x.joint === j.id).map((x) => ({ ...x, step: s.id })));
    const mouth = making.mouths[j.id] ?? { from: 1, to: 1 };
    const cuts = [...new Set([0, 1, open, mouth.from, mouth.to, ...sewn.flatMap((x) => [x.from, x.to])])].sort(
      (a, b) => a - b,
    );
    const asked = making.passes[j.id] ?? 1;
    for (let i = 0; i + 1 < cuts.length; i++) {
      const [from, to] = [cuts[i] as number, cuts[i + 1] as number];
      if (to - from < EPS) continue;
      const over = sewn.filter((x) => x.from <= from + EPS && x.to >= to - EPS);
      const inMouth = from >= mouth.from - EPS && to <= mouth.to + EPS;
      const wanted = from >= open - EPS || inMouth ? 0 : asked;
      if (over.length === wanted) continue;
      const data = {
        seam: j.code,
        times: over.length,
        asked: wanted,
        mm: Math.round((to - from) * j.lengthA),
        step: over[over.length - 1]?.step ?? '',
      };
      const code = inMouth
        ? 'pocket-sewn-shut'
        : over.length > wanted
          ? 'seam-sewn-twice'
          : over.length === 0 && to - from > 1 - EPS
            ? 'seam-not-sewn'
            : 'seam-part-open';
      return [stop(code, undefined, data)];
    }
    return [];
  });
}
