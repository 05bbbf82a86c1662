import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { type Operation, type Section } from './types.ts';

const SECTION_RANK: Record<Section, number> = { prepare: 0, shell: 1, inside: 2, joining: 3, finish: 4 };
/** Walking to another station costs this much against changing the section of work. */
const STATION_COST = 3;
const SECTION_COST = 2;
const BEAM = 48;

interface Partial {
  order: number[];
  done: bigint;
  cost: number;
}

/**
 * Puts operations into a sequence in which every need has been made before, with few changes of station and section.
 * A beam search over ready operations; ties go to the earlier section and the given order, so that a small change of the
 * garment changes the plan little. Refuses a need nobody makes, and a circle of needs, by name.
 */
export function orderOperations(ops: Operation[]): Result<Operation[]> {
  const maker = new Map<string, number>();
  ops.forEach((o, i) => {
    for (const m of o.makes) maker.set(m, i);
  });
  const before = ops.map((o) => o.needs.map((n) => maker.get(n) ?? -1));
  const unmade = ops.flatMap((o) =>
    o.needs
      .filter((n) => !maker.has(n))
      .map((n): Finding => stop('need-not-made', undefined, { operation: o.id, need: n })),
  );
  if (unmade.length) return refuse(...unmade);
  const masks = before.map((b) => b.reduce((m, i) => m | (1n << BigInt(i)), 0n));
  let beam: Partial[] = [{ order: [], done: 0n, cost: 0 }];
  for (let k = 0; k < ops.length; k++) {
    const next = new Map<string, Partial>();
    for (const p of beam) expand(p, ops, masks, next);
    if (!next.size) return refuse(circle(ops, beam[0] as Partial));
    beam = [...next.values()].sort(compare).slice(0, BEAM);
  }
  return ok((beam[0] as Partial).order.map((i) => ops[i] as Operation));
}

const compare = (a: Partial, b: Partial): number => {
  if (a.cost !== b.cost) return a.cost - b.cost;
  for (let i = 0; i < a.order.length; i++) {
    const d = (a.order[i] as number) - (b.order[i] as number);
    if (d) return d;
  }
  return 0;
};

function expand(p: Partial, ops: Operation[], masks: bigint[], next: Map<string, Partial>): void {
  const last = ops[p.order[p.order.length - 1] ?? -1];
  for (let i = 0; i < ops.length; i++) {
    const bit = 1n << BigInt(i);
    if (p.done & bit || (p.done & (masks[i] as bigint)) !== masks[i]) continue;
    const o = ops[i] as Operation;
    let cost = p.cost + SECTION_RANK[o.section] * 1e-3 * (ops.length - p.order.length);
    if (last && last.station !== o.station) cost += STATION_COST;
    if (last && last.section !== o.section) cost += SECTION_COST;
    const made = { order: [...p.order, i], done: p.done | bit, cost };
    const key = `${made.done}:${i}`;
    const known = next.get(key);
    if (!known || compare(made, known) < 0) next.set(key, made);
  }
}

function circle(ops: Operation[], p: Partial): Finding {
  const left = ops.filter((_, i) => !(p.done & (1n << BigInt(i)))).map((o) => o.id);
  return stop('needs-in-a-circle', undefined, { operations: left.slice(0, 6).join(', ') });
}
