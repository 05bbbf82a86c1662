import { drawnAs } from './garmentmodel.ts';
import { type GarmentModel, type PlanStep } from './types.ts';

/** The edges a step sews, presses or finishes, on the pieces as they are drawn: `piece/edge`. */
export function litOf(s: PlanStep, making: GarmentModel): ReadonlySet<string> {
  const joints = new Set([...s.sews.map((x) => x.joint), ...s.works]);
  const keys = making.joints.filter((j) => joints.has(j.id)).flatMap((j) => [...j.a, ...j.b]);
  const parts = new Map(making.parts.map((p) => [p.id, p]));
  return new Set([...keys, ...s.cares.map((c) => c.edge)].map((k) => drawnAs(k, parts)));
}
