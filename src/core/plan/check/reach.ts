import { type Finding, stop } from '../../result.ts';
import { partOf } from '../garmentmodel.ts';
import { type GarmentModel, type PlanStep } from '../types.ts';

/**
 * No work on an edge that is closed off: allowances of a closed seam are cut before it is turned, and nothing between the layers
 * is within reach once the opening is sewn up.
 */
export function closedOff(steps: PlanStep[], making: GarmentModel): Finding[] {
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  const covered = new Map(making.parts.map((p) => [p.id, p.covered]));
  const turned = new Map<string, string>();
  const laid = new Set<string>();
  const about = new Map<string, string>();
  const sewn = new Set<string>();
  let shut: string | null = null;
  const out: Finding[] = [];
  for (const s of steps) {
    const cuts = s.station === 'table' && !s.turns ? s.works.filter((w) => turned.has(w)) : [];
    if (cuts[0]) out.push(stop('edge-closed-off', undefined, { step: s.id, other: turned.get(cuts[0]) ?? '' }));
    const within = [...s.works, ...s.sews.map((x) => x.joint)].some((id) => {
      const j = joints.get(id);
      return j && !j.closing && [...j.a, ...j.b].every((k) => covered.get(partOf(k)));
    });
    // Reached between the layers through what is still open; once nothing is, not at all.
    const own = new Set(s.sews.map((x) => x.joint));
    const way = making.joints.some((j) => j.closing && !own.has(j.id) && !sewn.has(j.id));
    const shutIn = within || (s.reached && s.sews.length > 0 && !way);
    for (const x of s.sews) sewn.add(x.joint);
    if (shut && shutIn && s.station !== 'hand')
      out.push(stop('edge-closed-off', undefined, { step: s.id, other: shut }));
    if (s.stack.some((l) => l.swings === 2)) for (const x of s.sews) laid.add(x.joint);
    // A part sewn between the layers of another is turned with that.
    if (s.about && s.cares.some((c) => c.how === 'enclosed')) for (const x of s.sews) about.set(x.joint, s.about);
    const { turns } = s;
    if (turns?.how === 'part' && s.about)
      for (const [id, seam] of about) if (seam === s.about && !turned.has(id)) turned.set(id, s.id);
    if (turns)
      for (const id of laid) {
        const j = joints.get(id);
        if (!turned.has(id) && j && [...j.a, ...j.b].every((k) => turns.parts.includes(partOf(k))))
          turned.set(id, s.id);
      }
    if (s.code === 'close-opening') shut = s.id;
  }
  return out;
}
