import { ok, type Result } from '../result.ts';
import { Bench, type Garment } from './build.ts';
import { checkSequence } from './check.ts';
import { finish } from './finish.ts';
import { inside } from './inside.ts';
import { joining } from './joining.ts';
import { orderOperations } from './order.ts';
import { prepare } from './prepare.ts';
import { shell } from './shell.ts';
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
  const steps = numbered(ordered.value);
  const stationChanges = steps.filter((s, i) => i > 0 && s.station !== steps[i - 1]?.station).length;
  return ok({ steps, stationChanges, findings: checkSequence(steps, [...g.shell, ...g.inside]) });
}

/** Steps with their numbers, each with those it directly waits for: what an earlier of them waits for too is left out. */
function numbered(ordered: Operation[]): PlanStep[] {
  const maker = new Map<string, number>();
  const behind: Set<number>[] = [];
  return ordered.map((o, i): PlanStep => {
    for (const m of o.makes) maker.set(m, i);
    const needs = [...new Set(o.needs.flatMap((n) => maker.get(n) ?? []))].sort((x, y) => x - y);
    behind[i] = new Set(needs.flatMap((n) => [n, ...(behind[n] ?? [])]));
    const direct = needs.filter((n) => needs.every((k) => !behind[k]?.has(n)));
    return { ...o, number: i + 1, after: direct.map((n) => n + 1) };
  });
}
