import { type FindingCode } from '../../findingcodes.ts';
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

/** How the seams stand while the steps are played. */
interface Seams {
  steps: PlanStep[];
  making: GarmentModel;
  joints: ReadonlyMap<string, Joint>;
  /** Joints sewn so far, and how often. */
  passes: Map<string, number>;
  /** Joints whose allowances are shut in, by the step that did it. */
  shut: Map<string, string>;
  /** Edges closed between two layers: with which joint, and by which step. */
  closed: Map<string, { joint: string; step: string }>;
}

const edgesOf = (j: Joint): string[] => [...j.a, ...j.b];

/** The step from a place on that sews a joint. */
const sewnLater = ({ steps }: Seams, joint: string, from: number): string =>
  steps.slice(from).find((s) => s.sews.some((x) => x.joint === joint))?.id ?? '';

/** The step that has closed an edge of a joint between two layers, with another joint. */
function enclosedBy({ closed }: Seams, j: Joint, s: PlanStep): string | undefined {
  if (s.station === 'hand' || s.reached || j.closing) return undefined;
  return edgesOf(j)
    .map((k) => closed.get(k))
    .find((c) => c && c.joint !== j.id && c.step !== s.id)?.step;
}

/** The step that draws in a side of a joint that is much longer than the other, where that comes later. */
function drawnInLater({ steps }: Seams, j: Joint, at: number): string | undefined {
  if (Math.abs(j.lengthA - j.lengthB) <= MEANS_EASE * Math.min(j.lengthA, j.lengthB)) return undefined;
  const pieces = new Set(edgesOf(j).map(partOf));
  const is = (x: PlanStep): boolean => GATHERS.has(x.code) && x.pieces.some((p) => pieces.has(p));
  return steps.slice(0, at).some(is) ? undefined : steps.slice(at).find(is)?.id;
}

/** What stands against working on allowances at this place: no seam yet, or they are shut in. */
function working(seams: Seams, s: PlanStep, at: number): Finding[] {
  const bare = ON_RAW.has(s.code) ? undefined : s.works.find((w) => !seams.passes.has(w));
  const later = bare === undefined ? '' : sewnLater(seams, bare, at);
  const inside = cuts(s) ? s.works.find((w) => seams.shut.has(w)) : undefined;
  return [
    ...(later ? [stop('works-on-unsewn', undefined, { step: s.id, other: later })] : []),
    ...(inside === undefined
      ? []
      : [stop('edge-closed-off', undefined, { step: s.id, other: seams.shut.get(inside) ?? '' })]),
  ];
}

/** What stands against sewing a joint at this place. */
function sewing(seams: Seams, s: PlanStep, at: number, j: Joint): Finding[] {
  const { covers } = j;
  const bare = covers !== undefined && !seams.passes.has(covers) && !s.sews.some((x) => x.joint === covers);
  const against: [FindingCode, string | undefined][] = [
    ['edge-closed-off', enclosedBy(seams, j, s)],
    ['used-before-made', drawnInLater(seams, j, at)],
    ['covers-unsewn', bare ? sewnLater(seams, covers, at) : undefined],
  ];
  return against.flatMap(([code, other]) =>
    other === undefined ? [] : [stop(code, undefined, { step: s.id, other })],
  );
}

/** The seams once a joint is sewn. */
function sew({ making, passes, shut, closed }: Seams, s: PlanStep, j: Joint): void {
  if (j.covers !== undefined && !s.sews.some((x) => x.joint === j.covers)) shut.set(j.covers, s.id);
  if (j.closing && s.stack.some((l) => l.swings === 2))
    for (const k of edgesOf(j)) closed.set(k, { joint: j.id, step: s.id });
  const times = (passes.get(j.id) ?? 0) + 1;
  passes.set(j.id, times);
  const asked = making.passes[j.id] ?? 1;
  if (asked > 1 && times >= asked) shut.set(j.id, s.id);
}

/**
 * Work on the allowances of a seam comes once that is sewn; what cuts them, before they are shut in by a second pass or by the
 * layer that is stitched over them. A layer is stitched over a seam once that is sewn, an edge closed between two layers takes
 * no more, and cloth much too long is drawn in before it is sewn on.
 */
export function worksOnSewn(steps: PlanStep[], making: GarmentModel): Finding[] {
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  const seams: Seams = { steps, making, joints, passes: new Map(), shut: new Map(), closed: new Map() };
  return steps.flatMap((s, i) => [
    ...working(seams, s, i),
    ...s.sews.flatMap(({ joint }) => {
      const j = joints.get(joint);
      if (!j) return [];
      const told = sewing(seams, s, i, j);
      sew(seams, s, j);
      return told;
    }),
  ]);
}
