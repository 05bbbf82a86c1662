import { type Finding, stop, warn } from '../../result.ts';
import { type PlanStep } from '../types.ts';
import { cannotBefore } from './acts.ts';
import { customOf } from './customs.ts';

/** Every step that one waits for, itself or by way of others. */
function before(step: PlanStep, byId: ReadonlyMap<string, PlanStep>): PlanStep[] {
  const seen = new Set<string>();
  const out: PlanStep[] = [];
  const queue = [...step.needs];
  for (let id = queue.pop(); id !== undefined; id = queue.pop()) {
    if (seen.has(id)) continue;
    seen.add(id);
    const s = byId.get(id);
    if (!s) continue;
    out.push(s);
    queue.push(...s.needs);
  }
  return out;
}

/**
 * Nothing is done to what is not there yet: that can't be. What usually comes before and does not here can be, and is told with
 * the reason for the usual. `needs` of a step are ids of steps; `left`: steps that were left out.
 */
export function usedBeforeMade(steps: PlanStep[], left: PlanStep[] = []): Finding[] {
  const place = new Map(steps.map((s, i) => [s.id, i]));
  const byId = new Map([...left, ...steps].map((s) => [s.id, s]));
  return steps.flatMap((s, i) => {
    const made = before(s, byId);
    const missing = made.filter((m) => cannotBefore(s, m) && (place.get(m.id) ?? Number.POSITIVE_INFINITY) > i);
    const red = missing.map((m) =>
      stop(place.has(m.id) ? 'used-before-made' : 'step-left-out', undefined, { step: s.id, other: m.id }),
    );
    const amber = s.needs.flatMap((n): Finding[] => {
      const m = byId.get(n);
      const at = place.get(n);
      if (missing.some((x) => x.id === n) || (at !== undefined && at < i)) return [];
      // A step that nobody knows any more, as in an order kept from another garment.
      if (!m) return [stop('step-left-out', undefined, { step: s.id, other: n })];
      const code = at === undefined ? 'usual-left-out' : 'usual-otherwise';
      return [warn(code, undefined, { step: s.id, other: n, why: customOf(m) })];
    });
    return [...red, ...amber];
  });
}
