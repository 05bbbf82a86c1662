import { type Finding, stop } from '../../result.ts';
import { partOf } from '../garmentmodel.ts';
import { type GarmentModel, type Joint, type PlanStep } from '../types.ts';

/** Edges are neatened one by one before they are sewn, or after; all other work on a seam's allowances is on a seam. */
const ON_RAW: ReadonlySet<string> = new Set(['neaten']);

/** Steps that draw cloth in; a side longer by more than this share can't be sewn on flat. */
const GATHERS: ReadonlySet<string> = new Set(['gather', 'gather-wrist']);
const MEANS_EASE = 0.12;

/** Cuts into allowances: once they are shut in no blade comes to them. */
const cuts = (s: PlanStep): boolean => s.station === 'table' && s.works.length > 0 && !s.turns;

/**
 * Work on the allowances of a seam comes once that is sewn; what cuts them, before they are shut in by a second pass or by the
 * layer that is stitched over them. A layer is stitched over a seam once that is sewn.
 */
export function worksOnSewn(steps: PlanStep[], making: GarmentModel): Finding[] {
  const covers = new Map(making.joints.flatMap((j) => (j.covers ? [[j.id, j.covers] as const] : [])));
  const sewn = new Map<string, string>();
  const passes = new Map<string, number>();
  const shut = new Map<string, string>();
  const sewnLater = (joint: string, from: number): string =>
    steps.slice(from).find((s) => s.sews.some((x) => x.joint === joint))?.id ?? '';
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  const closed = new Map<string, { joint: string; step: string }>();
  /** The step that has closed an edge of a joint between two layers, with another joint. */
  const enclosedBy = (j: Joint, s: PlanStep): string | null => {
    if (s.station === 'hand' || s.reached || j.closing) return null;
    const hit = [...j.a, ...j.b].map((k) => closed.get(k)).find((c) => c && c.joint !== j.id && c.step !== s.id);
    return hit?.step ?? null;
  };
  /** The step that draws in one of its sides, where that comes later. */
  const drawnIn = (j: Joint, at: number): string | null => {
    const pieces = new Set([...j.a, ...j.b].map(partOf));
    const is = (x: PlanStep): boolean => GATHERS.has(x.code) && x.pieces.some((p) => pieces.has(p));
    return steps.slice(0, at).some(is) ? null : (steps.slice(at).find(is)?.id ?? null);
  };
  const out: Finding[] = [];
  steps.forEach((s, i) => {
    const bare = ON_RAW.has(s.code) ? undefined : s.works.find((w) => !sewn.has(w));
    const later = bare === undefined ? '' : sewnLater(bare, i);
    if (later) out.push(stop('works-on-unsewn', undefined, { step: s.id, other: later }));
    const inside = cuts(s) ? s.works.find((w) => shut.has(w)) : undefined;
    if (inside !== undefined)
      out.push(stop('edge-closed-off', undefined, { step: s.id, other: shut.get(inside) ?? '' }));
    for (const { joint } of s.sews) {
      const j = joints.get(joint);
      const by = j && enclosedBy(j, s);
      if (by) out.push(stop('edge-closed-off', undefined, { step: s.id, other: by }));
      const late = j && MEANS_EASE * Math.min(j.lengthA, j.lengthB) < Math.abs(j.lengthA - j.lengthB) && drawnIn(j, i);
      if (late) out.push(stop('used-before-made', undefined, { step: s.id, other: late }));
      const under = covers.get(joint);
      const first = under === undefined || sewn.has(under) || s.sews.some((x) => x.joint === under);
      if (!first) out.push(stop('covers-unsewn', undefined, { step: s.id, other: sewnLater(under ?? '', i) }));
      if (under !== undefined && !s.sews.some((x) => x.joint === under)) shut.set(under, s.id);
      if (j?.closing && s.stack.some((l) => l.swings === 2))
        for (const k of [...j.a, ...j.b]) closed.set(k, { joint, step: s.id });
      sewn.set(joint, s.id);
      const so = (passes.get(joint) ?? 0) + 1;
      passes.set(joint, so);
      if ((making.passes[joint] ?? 1) > 1 && so >= (making.passes[joint] ?? 1)) shut.set(joint, s.id);
    }
  });
  return out;
}
