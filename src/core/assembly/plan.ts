import { ok, type Result } from '../result.ts';
import { Bench, type Garment } from './build.ts';
import { checkSequence } from './check.ts';
import { finish, inside, joining, prepare, shell } from './coat.ts';
import { orderOperations } from './order.ts';
import { type Operation, type Plan, type PlanStep } from './types.ts';

/** Every operation the garment asks for, in no order yet. */
export function operationsFor(g: Garment): Operation[] {
  const b = new Bench(g);
  prepare(b);
  shell(b);
  inside(b);
  joining(b);
  finish(b);
  return b.ops;
}

/** The making-up plan: operations from the garment's features, ordered by their needs, and looked over by the checker. */
export function makePlan(g: Garment): Result<Plan> {
  const ordered = orderOperations(operationsFor(g));
  if (!ordered.ok) return ordered;
  const maker = new Map<string, number>();
  ordered.value.forEach((o, i) => {
    for (const m of o.makes) maker.set(m, i + 1);
  });
  const steps = ordered.value.map((o, i): PlanStep => {
    const after = [...new Set(o.needs.map((n) => maker.get(n) ?? 0))].filter((n) => n > 0).sort((x, y) => x - y);
    return { ...o, number: i + 1, after };
  });
  const stationChanges = steps.filter((s, i) => i > 0 && s.station !== steps[i - 1]?.station).length;
  return ok({ steps, stationChanges, findings: checkSequence(steps, [...g.shell, ...g.inside]) });
}
