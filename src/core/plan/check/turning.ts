import { handlesClosed, type PanelEdge, surfaceOf } from '../../garment/index.ts';
import { type Finding, stop } from '../../result.ts';
import { besideEdge, keyOf, partEdges, partOf } from '../garmentmodel.ts';
import { type Bulk, type GarmentModel, type Joint, type Part, type PlanStep } from '../types.ts';

/** Parts that hang on one edge: they close no circle. */
const FLAPS: ReadonlySet<string> = new Set(['collar', 'stand', 'hood', 'cuff', 'waistband', 'placket']);

const SLEEVES: ReadonlySet<string> = new Set(['sleeve', 'under-sleeve']);

/** Narrowest tube, finished, through which the rest of the garment can be pulled, mm. From memory: 30, thick cloth 50. */
export const TUBE: Record<Bulk, number> = { thin: 30, medium: 30, thick: 50 };
/** Shortest opening to turn a garment through, mm: 120–200 by handbooks, from memory. */
export const OPENING: Record<Bulk, number> = { thin: 120, medium: 150, thick: 200 };
/** Shortest opening to turn a collar, cuff or tie through, mm. Common practice. */
const PART_OPENING = 25;

interface Sewing {
  joint: Joint;
  step: PlanStep;
  /** Share of the joint sewn so far. */
  share: number;
}

/** Joints sewn by the steps before `until`. */
function sewnBefore(steps: PlanStep[], until: number, making: GarmentModel): Map<string, Sewing> {
  const byId = new Map(making.joints.map((j) => [j.id, j]));
  const out = new Map<string, Sewing>();
  for (const step of steps.slice(0, until))
    for (const s of step.sews) {
      const joint = byId.get(s.joint);
      if (!joint) continue;
      const share = s.to - s.from + (out.get(joint.id)?.share ?? 0);
      out.set(joint.id, { joint, step, share });
    }
  return out;
}

/** Edges that some step before has taken care of otherwise than by a plain seam. */
const caredBefore = (steps: PlanStep[], until: number): ReadonlySet<string> =>
  new Set(steps.slice(0, until).flatMap((s) => s.cares.filter((c) => c.how === 'enclosed').map((c) => c.edge)));

/** Closed between layers laid flat on each other and not yet turned since. */
const isLaid = (s: PlanStep): boolean => s.stack.some((l) => l.swings === 2) && !s.reached && s.station !== 'hand';

/** Whatever is turned has a way: its tubes form no circle and are wide enough, and an opening is left that is long enough. */
export function turning(steps: PlanStep[], making: GarmentModel): Finding[] {
  const out: Finding[] = [];
  const pending = new Map<string, { joint: Joint; step: PlanStep }>();
  steps.forEach((s, i) => {
    const byId = new Map(making.joints.map((j) => [j.id, j]));
    if (isLaid(s)) for (const x of s.sews) pending.set(x.joint, { joint: byId.get(x.joint) as Joint, step: s });
    if (!s.turns) return;
    const within = new Set(s.turns.parts);
    const closed = [...pending.values()].filter((p) =>
      [...p.joint.a, ...p.joint.b].every((k) => within.has(partOf(k))),
    );
    if (closed.length)
      out.push(
        ...wayOut(
          s,
          closed.map((c) => c.joint),
          sewnBefore(steps, i, making),
          caredBefore(steps, i),
          making,
        ),
      );
    for (const c of closed) pending.delete(c.joint.id);
  });
  const never = [...pending.values()][0];
  if (never) out.push(stop('never-turned', undefined, { step: never.step.id }));
  return out;
}

function wayOut(
  s: PlanStep,
  closed: Joint[],
  sewn: Map<string, Sewing>,
  done: ReadonlySet<string>,
  making: GarmentModel,
): Finding[] {
  const parts = making.parts.filter((p) => s.turns?.parts.includes(p.id));
  const outer = parts.filter((p) => p.layer === 'outer');
  // A facing closed along one kind of edge alone is a ring or strip at each: it makes no handle.
  const bound = closed.filter((j) => !isRing(j, closed, [...sewn.values()], making));
  const held = new Set(bound.flatMap((j) => [...j.a, ...j.b]));
  const findings =
    s.turns?.how === 'part' ? [] : circles(s, outer, { shut: held, closed: bound }, [...sewn.values()], making);
  const longest = openLength(parts, sewn, done, making);
  const least = s.turns?.how === 'part' ? PART_OPENING : OPENING[making.bulk];
  if (longest < least - 1e-6)
    findings.push(stop('no-way-to-turn', undefined, { step: s.id, open: Math.round(longest), least }));
  return findings;
}

/** Whether what a joint closes on the shell is a facing that is sewn to no lining and closed along edges of one kind only. */
function isRing(joint: Joint, closed: Joint[], sewn: Sewing[], making: GarmentModel): boolean {
  const parts = new Map(making.parts.map((p) => [p.id, p]));
  const inner = (j: Joint): string[] =>
    [...new Set([...j.a, ...j.b].map(partOf))].filter((id) => parts.get(id)?.layer === 'inner');
  const seams = sewn.map((x) => x.joint).filter((j) => !j.closing);
  const own = new Set(inner(joint));
  for (let grown = true; grown; ) {
    const more = seams.filter((j) => inner(j).some((id) => own.has(id))).flatMap(inner);
    grown = more.some((id) => !own.has(id));
    for (const id of more) own.add(id);
  }
  if ([...own].some((id) => parts.get(id)?.material !== 'facing')) return false;
  const kinds = new Set(closed.filter((j) => inner(j).some((id) => own.has(id))).flatMap((j) => rolesOf(j, parts)));
  return kinds.size === 1;
}

/** What the edges of a joint are called. */
const rolesOf = (j: Joint, parts: Map<string, Part>): string[] =>
  [...j.a, ...j.b].flatMap((k) => {
    const p = parts.get(partOf(k));
    return p ? partEdges(p).flatMap((e) => (keyOf(p.id, e.id) === k ? [e.role] : [])) : [];
  });

/** The longest stretch of edge, of either layer, that is neither closed nor sewn, by role and piece; or a gap left in a seam. */
function openLength(parts: Part[], sewn: Map<string, Sewing>, done: ReadonlySet<string>, making: GarmentModel): number {
  const taken = new Set([...done, ...[...sewn.values()].flatMap((x) => [...x.joint.a, ...x.joint.b])]);
  const flaps = parts.every((q) => FLAPS.has(q.kind));
  const free = new Map<string, number>();
  for (const p of parts)
    for (const e of partEdges(p)) {
      if (e.onFold || FLAPS.has(p.kind) !== flaps || taken.has(keyOf(p.id, e.id))) continue;
      // Hems and waists of neighbouring pieces run on into each other; other edges end with their piece.
      const key = ['hem', 'waist'].includes(e.role) ? `${p.layer} ${e.role}` : `${p.id} ${e.role}`;
      free.set(key, (free.get(key) ?? 0) + e.length);
    }
  const ids = new Set(parts.map((p) => p.id));
  const gaps = [...sewn.values()].flatMap(({ joint, share }) =>
    share < 1 - (making.open[joint.id] ?? 0) - 1e-6 &&
    !making.passes[joint.id] &&
    joint.a.every((k) => ids.has(partOf(k)))
      ? [(1 - share) * joint.lengthA]
      : [],
  );
  return Math.max(0, ...free.values(), ...gaps);
}

/** A seam is a tube when the edges at both its ends are closed between the layers. */
function isTube(x: Sewing, byId: Map<string, Part>, shut: ReadonlySet<string>): boolean {
  return [x.joint.a, x.joint.b].some((side) => {
    const around = side.length === 1 ? besideEdge(byId, side[0] ?? '') : [];
    const part = partOf(side[0] ?? '');
    return around.length > 0 && around.every((e) => e && !e.onFold && shut.has(keyOf(part, e.id)));
  });
}

/** Joints closed flat since the last turning, and their edges. */
interface Shut {
  closed: Joint[];
  shut: ReadonlySet<string>;
}

/** Whether a sleeve is closed at its wrist, flat, and not by reaching in. */
const atWrist = (j: Joint, outer: Part[]): boolean =>
  outer.some((p) => p.ring.some((e) => e.role === 'wrist' && [...j.a, ...j.b].includes(keyOf(p.id, e.id))));

/** Handles of the two layers as they are sewn so far and closed along `shut`; what only carries a border on is left out. */
function handlesOf(sewn: Sewing[], shut: ReadonlySet<string>, { surface }: GarmentModel): number {
  const keys = new Set(sewn.flatMap((x) => [...x.joint.a, ...x.joint.b]));
  const key = (e: PanelEdge): string => keyOf(e.piece, e.edge);
  const body = surface.panels.filter((p) => !FLAPS.has(p.kind) && !SLEEVES.has(p.kind));
  const ids = new Set(body.map((p) => p.id));
  const joins = surface.joins.filter((j) => [...j.a, ...j.b].every((e) => ids.has(e.panel) && keys.has(key(e))));
  return handlesClosed(surfaceOf(body, joins), (e) => shut.has(key(e)));
}

/**
 * Parts joined only by tubes can be pulled through them only if the graph of parts and tubes has no circle: a centre seam still
 * open and the side seams not yet sewn. Here by the surface itself, which also tells where no seam is a tube: two layers closed
 * along more than one border of the outside have a handle, and cannot be turned inside out.
 */
function circles(s: PlanStep, outer: Part[], { shut, closed }: Shut, sewn: Sewing[], making: GarmentModel): Finding[] {
  // A sleeve only carries the border of its armhole on to the wrist.
  const body = outer.filter((p) => !FLAPS.has(p.kind) && !SLEEVES.has(p.kind));
  const byId = new Map(body.map((p) => [p.id, p]));
  const firm = sewn.filter((x) => !x.joint.closing && [...x.joint.a, ...x.joint.b].every((k) => byId.has(partOf(k))));
  const tubes = firm.filter((x) => isTube(x, byId, shut));
  const narrow = tubes.filter((x) => x.joint.lengthA < TUBE[making.bulk]);
  const out: Finding[] = narrow.map((x) =>
    stop('tube-too-narrow', undefined, {
      step: s.id,
      seam: x.joint.code,
      wide: Math.round(x.joint.lengthA),
      least: TUBE[making.bulk],
    }),
  );
  const wrist = closed.find((j) => atWrist(j, outer));
  if (wrist && closed.some((j) => !atWrist(j, outer))) {
    const by = sewn.find((x) => x.joint.id === wrist.id)?.step.id ?? s.id;
    return [...out, stop('tubes-in-a-circle', undefined, { step: s.id, other: by, seam: wrist.code })];
  }
  const turns = (list: Sewing[]): boolean => handlesOf(list, shut, making) === 0;
  if (turns(firm)) return out;
  // The last seam without which it would turn is the one to be sewn afterwards.
  const culprit = [...firm].reverse().find((x) => turns(firm.filter((y) => y.step !== x.step)));
  const data = { step: s.id, other: culprit?.step.id ?? s.id, seam: tubes[0]?.joint.code ?? firm[0]?.joint.code ?? '' };
  return [...out, stop('tubes-in-a-circle', undefined, data)];
}
