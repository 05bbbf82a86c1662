import { type Finding, stop } from '../../result.ts';
import { type PlanStep } from '../types.ts';

/** Nothing used before it is made. `needs` of a step are ids of steps. */
export function usedBeforeMade(steps: PlanStep[]): Finding[] {
  const place = new Map(steps.map((s, i) => [s.id, i]));
  return steps.flatMap((s, i) =>
    s.needs.flatMap((n): Finding[] => {
      const at = place.get(n);
      if (at === undefined) return [stop('step-left-out', undefined, { step: s.id, other: n })];
      return at > i ? [stop('used-before-made', undefined, { step: s.id, other: n })] : [];
    }),
  );
}
