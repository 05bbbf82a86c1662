import { type Finding, stop } from '../../result.ts';
import { partOf } from '../garmentmodel.ts';
import { type GarmentModel, type Joint, type PlanStep } from '../types.ts';

/**
 * No work on an edge that is closed off: allowances of a closed seam are cut before it is turned, and nothing between the layers
 * is within reach once the opening is sewn up.
 */
export function closedOff(steps: PlanStep[], making: GarmentModel): Finding[] {
  return [...cutOnceTurned(steps, making), ...sewnOnceShut(steps, making)];
}

/** Allowances cut on the table after their seam has been turned: inside, where no blade reaches them. */
function cutOnceTurned(steps: PlanStep[], making: GarmentModel): Finding[] {
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  const turned = new Map<string, string>();
  const laid = new Set<string>();
  const about = new Map<string, string>();
  const out: Finding[] = [];
  for (const s of steps) {
    const cut = s.station === 'table' && !s.turns ? s.works.find((w) => turned.has(w)) : undefined;
    if (cut) out.push(stop('edge-closed-off', undefined, { step: s.id, other: turned.get(cut) ?? '' }));
    if (s.stack.some((l) => l.swings === 2)) for (const x of s.sews) laid.add(x.joint);
    // A part sewn between the layers of another is turned with that.
    if (s.about && s.cares.some((c) => c.how === 'enclosed')) for (const x of s.sews) about.set(x.joint, s.about);
    for (const id of turnedBy(s, joints, laid, about)) if (!turned.has(id)) turned.set(id, s.id);
  }
  return out;
}

/** Seams a step turns: those laid together whose two sides are both turned, and those sewn between the layers of its part. */
function turnedBy(s: PlanStep, joints: Map<string, Joint>, laid: Set<string>, about: Map<string, string>): string[] {
  const { turns } = s;
  if (!turns) return [];
  const enclosed = turns.how === 'part' && s.about ? [...about].filter(([, seam]) => seam === s.about) : [];
  const whole = [...laid].filter((id) => {
    const j = joints.get(id);
    return j && [...j.a, ...j.b].every((k) => turns.parts.includes(partOf(k)));
  });
  return [...enclosed.map(([id]) => id), ...whole];
}

/** Seams between the layers sewn at the machine after the last opening was closed. */
function sewnOnceShut(steps: PlanStep[], making: GarmentModel): Finding[] {
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  const covered = new Map(making.parts.map((p) => [p.id, p.covered]));
  const sewn = new Set<string>();
  let shut: string | null = null;
  const out: Finding[] = [];
  for (const s of steps) {
    const own = new Set(s.sews.map((x) => x.joint));
    const within = [...s.works, ...own].some((id) => {
      const j = joints.get(id);
      return j && !j.closing && [...j.a, ...j.b].every((k) => covered.get(partOf(k)));
    });
    // Reached between the layers through what is still open; once nothing is, not at all.
    const way = making.joints.some((j) => j.closing && !own.has(j.id) && !sewn.has(j.id));
    const reaches = within || (s.reached && own.size > 0 && !way);
    if (shut && reaches && s.station !== 'hand')
      out.push(stop('edge-closed-off', undefined, { step: s.id, other: shut }));
    for (const id of own) sewn.add(id);
    if (s.code === 'close-opening') shut = s.id;
  }
  return out;
}
