import { type Finding, stop, warn } from '../../result.ts';
import { type PlanStep } from '../types.ts';
import { cannotBefore } from './acts.ts';
import { type Custom, customOf } from './customs.ts';

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
  const told = new Set<string>();
  /** What usually comes first and does not: of each reason the last, behind which all of them have come; what is left out, once. */
  const usually = (s: PlanStep, i: number, missing: PlanStep[]): Finding[] => {
    const late = new Map<Custom, { id: string; at: number }>();
    const out: Finding[] = [];
    for (const n of s.needs) {
      const [m, at] = [byId.get(n), place.get(n)];
      if (missing.some((x) => x.id === n) || (at !== undefined && at < i)) continue;
      // A step that nobody knows any more, as in an order kept from another garment.
      if (!m) out.push(stop('step-left-out', undefined, { step: s.id, other: n }));
      else if (at === undefined) {
        if (!told.has(n)) out.push(warn('usual-left-out', undefined, { step: s.id, other: n, why: customOf(m) }));
        told.add(n);
      } else if (at > (late.get(customOf(m))?.at ?? -1)) late.set(customOf(m), { id: n, at });
    }
    for (const [why, { id }] of late) out.push(warn('usual-otherwise', undefined, { step: s.id, other: id, why }));
    return out;
  };
  return steps.flatMap((s, i) => {
    const made = before(s, byId);
    const missing = made.filter((m) => cannotBefore(s, m) && (place.get(m.id) ?? Number.POSITIVE_INFINITY) > i);
    const red = missing.map((m) =>
      stop(place.has(m.id) ? 'used-before-made' : 'step-left-out', undefined, { step: s.id, other: m.id }),
    );
    return [...red, ...usually(s, i, missing)];
  });
}
