import { type Finding, stop } from '../../result.ts';
import { keyOf, partEdges } from '../garmentmodel.ts';
import { type CareHow, type GarmentModel, type Part, type PlanStep } from '../types.ts';

/**
 * Every raw edge ends enclosed, bound, overlocked, folded under or hemmed; one that only lies in a plain seam is well where
 * another layer covers it. A piece no step touches is noted once.
 */
export function rawEdges(steps: PlanStep[], making: GarmentModel): Finding[] {
  const cared = new Map<string, Set<CareHow>>();
  for (const s of steps) for (const c of s.cares) cared.set(c.edge, (cared.get(c.edge) ?? new Set()).add(c.how));
  return making.parts.flatMap((p): Finding[] => {
    const all = partEdges(p);
    const raw = all.filter((e) => !e.onFold && !isSafe(p, cared.get(keyOf(p.id, e.id))));
    if (raw.length && all.every((e) => !cared.has(keyOf(p.id, e.id))))
      return [{ code: 'piece-not-planned', severity: 'note', where: { piece: p.of }, data: { piece: p.id } }];
    return raw.map((e) => stop('edge-left-raw', { piece: p.of, edge: e.id }, { piece: p.id, role: e.role }));
  });
}

function isSafe(p: Part, how: Set<CareHow> | undefined): boolean {
  if (!how) return false;
  return [...how].some((h) => h !== 'seamed') || p.covered;
}
