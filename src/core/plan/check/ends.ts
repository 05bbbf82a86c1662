import { type Finding, stop } from '../../result.ts';
import { keyOf } from '../garmentmodel.ts';
import { type GarmentModel, type Part, type PlanStep, type StopCode } from '../types.ts';

interface At {
  step: PlanStep;
  index: number;
}

/** Where the steps sew each edge, the last time. */
function sewnAt(steps: PlanStep[], making: GarmentModel): Map<string, At & { closing: boolean }> {
  const byId = new Map(making.joints.map((j) => [j.id, j]));
  const out = new Map<string, At & { closing: boolean }>();
  steps.forEach((step, index) => {
    for (const s of step.sews) {
      const j = byId.get(s.joint);
      if (!j) continue;
      const turned = step.stack.some((l) => l.swings === 2);
      // A gap closed in the middle of a seam touches neither of its ends.
      if (s.from > 1e-6 && s.to < 1 - 1e-6) continue;
      for (const key of [...j.a, ...j.b])
        if (!out.has(key) || !j.closing) out.set(key, { step, index, closing: j.closing && turned });
    }
  });
  return out;
}

/**
 * Ends that must wait are left free: a seam that runs into an edge already closed between two layers can only be sewn if that
 * seam stopped short of it, or both layers are sewn in one run. Ordinary crossings of open seams pass.
 */
export function closedEnds(steps: PlanStep[], making: GarmentModel): Finding[] {
  const at = sewnAt(steps, making);
  const layer = new Map(making.parts.map((p) => [p.id, p.layer]));
  const seen = new Set<string>();
  return making.parts.flatMap((p) =>
    corners(p).flatMap(([closed, open]): Finding[] => {
      const [c, o] = [at.get(keyOf(p.id, closed)), at.get(keyOf(p.id, open))];
      if (!c?.closing || !o || o.closing || o.index <= c.index || o.step.id === c.step.id) return [];
      const key = `${c.step.id} ${o.step.id}`;
      const oneRun = new Set(o.step.pieces.map((x) => layer.get(x))).size > 1;
      const short = c.step.stops.some((x) => LEAVES_OPEN.has(x.code));
      if (oneRun || short || o.step.reached || o.step.foot === 'zip' || o.step.station === 'hand' || seen.has(key))
        return [];
      seen.add(key);
      return [stop('end-closed', { piece: p.of, edge: open }, { step: o.step.id, other: c.step.id })];
    }),
  );
}

/** Stitching that leaves the end of its edge open for a seam to come. */
const LEAVES_OPEN: ReadonlySet<StopCode> = new Set([
  'short-at-open-edge',
  'short-at-waist',
  'short-at-zip',
  'short-of-shoulder',
]);

/** Neighbouring edges of a piece, each way round. */
function corners(p: Part): [string, string][] {
  return p.ring.flatMap((e, i): [string, string][] => {
    const next = p.ring[(i + 1) % p.ring.length];
    return !next || next === e || e.onFold || next.onFold
      ? []
      : [
          [e.id, next.id],
          [next.id, e.id],
        ];
  });
}
