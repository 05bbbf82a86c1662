import { type Finding } from '../../result.ts';
import { type GarmentModel, type PlanStep } from '../types.ts';
import { rawEdges } from './edges.ts';
import { closedEnds } from './ends.ts';
import { wrongFaces } from './faces.ts';
import { passesOf } from './passes.ts';
import { pressedAway } from './pressing.ts';
import { closedOff } from './reach.ts';
import { usedBeforeMade } from './sequence.ts';
import { turning } from './turning.ts';
import { worksOnSewn } from './works.ts';

export { mustFollow } from './acts.ts';
export { CUSTOM_COST, type Custom, customOf } from './customs.ts';
export { OPENING, TUBE } from './turning.ts';

/**
 * Looks at a finished sequence without knowing how it was made: from the layers, their joints and what each step does to them.
 * Red is what can't be done, or leaves something raw, unsewn, inside out; amber what can and is usually done otherwise, with
 * the reason. Every finding names the step (`data.step`) and what stands against it (`data.other`). `left`: steps left out.
 */
export function checkPlan(steps: PlanStep[], making: GarmentModel, left: PlanStep[] = []): Finding[] {
  const found = [
    ...usedBeforeMade(steps, left),
    ...worksOnSewn(steps, making),
    ...passesOf(steps, making),
    ...rawEdges(steps, making),
    ...wrongFaces(steps, making),
    ...closedEnds(steps, making),
    ...closedOff(steps, making),
    ...pressedAway(steps, making),
    ...turning(steps, making),
  ];
  // What can't be done at all is not told to be unusual as well.
  const pair = (f: Finding): string => `${f.data?.step} ${f.data?.other}`;
  const red = new Set(found.filter((f) => f.severity === 'stop').map(pair));
  return found.filter((f) => f.severity === 'stop' || !red.has(pair(f)));
}
