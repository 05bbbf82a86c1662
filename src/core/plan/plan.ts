import { type Decisions } from '../document/project.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { checkPlan, mustFollow, OPENING } from './check/index.ts';
import { customOrder, withIds } from './customorder.ts';
import { directionsOf } from './direction.ts';
import { edgesOf, keyOf, partEdges } from './garmentmodel.ts';
import { type Misfit, misfitExtras, operationsFor, resolve } from './methods/catalogue.ts';
import { yokeIsDouble } from './methods/yokes.ts';
import { HEM_SEAMS } from './names.ts';
import { orderOperations, resolveNeeds } from './order.ts';
import { seamMarks } from './seammarks.ts';
import { minutesOf } from './times.ts';
import {
  type Garment,
  type GarmentModel,
  type Operation,
  type Part,
  type Plan,
  type PlanStep,
  type SeamFinish,
} from './types.ts';
import { singleYoke, withSideZip } from './variants.ts';

/** What a garment is planned from: all but the methods, which follow from the choices. */
export type Task = Omit<Garment, 'methods' | 'extras' | 'finishes'>;
type Choices = Decisions['making'];

/** Roles of the outside that need a facing, a strip, a lining or a hem of their own. */
const MUST_END: ReadonlySet<string> = new Set([
  'neckline',
  'armhole',
  'front-edge',
  'waist',
  'wrist',
  'hem',
  'cut-out',
]);

/** Edges of the outside that no step takes care of: refused with what would. */
function withoutFinish(ops: Operation[], making: GarmentModel): Finding[] {
  const cared = new Set(ops.flatMap((o) => o.cares.map((c) => c.edge)));
  const seen = new Set<string>();
  return making.parts.flatMap((p) =>
    p.material !== 'shell' || p.layer !== 'outer' || p.kind === 'other'
      ? []
      : partEdges(p).flatMap((e): Finding[] => {
          if (e.onFold || !MUST_END.has(e.role) || cared.has(keyOf(p.id, e.id)) || seen.has(e.role)) return [];
          seen.add(e.role);
          return [stop('edge-has-no-finish', { piece: p.of, edge: e.id }, { role: e.role })];
        }),
  );
}

/** Choices that contradict each other, whatever the method. */
const contradictions = ({ d, making }: Task): Finding[] => [
  ...withLapel(d, making),
  ...(doubledOtherwise(d, making) ? [stop('plan-fronts-double')] : []),
  ...(grownOnAcross(making) ? [stop('plan-grown-on-across')] : []),
];

/** A facing grown on across a seam that comes to the front edge: that seam is sewn through front and facing, and none such is planned. */
function grownOnAcross({ parts, joints }: GarmentModel): boolean {
  const sewn = new Set(edgesOf(joints));
  const across = (p: Part): boolean =>
    p.ring.some((e) => ACROSS.has(e.role) && !e.onFold && !sewn.has(keyOf(p.id, e.id)));
  return parts.some((p) => p.material === 'facing' && p.id !== p.of && across(p));
}

const ACROSS: ReadonlySet<string> = new Set(['yoke-seam', 'panel-seam', 'waist']);

/**
 * Fronts cut double of which the second layer is not caught by shoulders and side seams: those are sewn after the turning, so
 * that a bag could not be turned after them; a yoke takes no second layer, nor a shoulder without a facing on the back's side.
 */
function doubledOtherwise(d: Task['d'], making: GarmentModel): boolean {
  if (!d.lining.on || d.lining.fronts !== 'double') return false;
  const sewn = new Set(edgesOf(making.joints));
  const loose = (p: Part): boolean =>
    p.material === 'lining' &&
    p.ring.some((e) => ['shoulder', 'panel-seam'].includes(e.role) && !e.onFold && !sewn.has(keyOf(p.id, e.id)));
  return (
    making.joints.some((j) => HEM_SEAMS.has(j.code) || ['yoke-shoulder', 'raglan'].includes(j.code)) ||
    making.parts.some(loose)
  );
}

const withLapel = (d: Task['d'], making: GarmentModel): Finding[] =>
  d.facing.on && d.facing.kind === 'lapel' && making.joints.some((j) => j.code === 'stand-neck')
    ? [stop('lapel-with-stand', undefined, {})]
    : [];

/** What is hard to unpick comes after the try-on, save what the try-on itself waits for. */
function afterTryOn(ops: Operation[]): Result<Operation[]> {
  const needs = resolveNeeds(ops);
  if (!needs.ok) return needs;
  const at = ops.findIndex((o) => o.id === 'try-on');
  const before = new Set<number>();
  const queue = [at];
  for (let i = queue.pop(); i !== undefined; i = queue.pop())
    if (!before.has(i)) {
      before.add(i);
      queue.push(...(needs.value[i] ?? []));
    }
  const late = (o: Operation, i: number): boolean =>
    at >= 0 && o.hard && !before.has(i) && (o.section === 'joining' || o.section === 'finish');
  return ok(withIds(ops, needs.value).map((o, i) => (late(o, i) ? { ...o, needs: [...o.needs, 'try-on'] } : o)));
}

/** Operations in a valid order, their needs as ids. */
function proposed(g: Garment, beam?: number): Result<{ ordered: Operation[]; finishes: SeamFinish[] }> {
  const { ops, parts, finishes } = operationsFor(g);
  const bare = withoutFinish(ops, g.making);
  if (bare.length) return refuse(...bare);
  const ready = afterTryOn(
    ops.map((o) => ({
      ...o,
      minutes: minutesOf(o, parts),
      directions: directionsOf(o, g.making, parts),
      marks: seamMarks(o, g.making, parts),
    })),
  );
  const ordered = ready.ok
    ? orderOperations(ready.value, mustFollow(new Map(g.making.joints.map((j) => [j.id, j]))), beam)
    : ready;
  return ordered.ok ? ok({ ordered: ordered.value, finishes }) : ordered;
}

/**
 * The making-up plan: methods from the choices, operations from the methods, ordered by their needs or as the sewist has them,
 * and looked over by the checker. A narrower `beam` is quicker and walks more. Contradictory choices are refused, or told with those that would fit.
 */
export function makePlan(task: Task, choices: Choices, beam?: number): Result<Plan> {
  const against = contradictions(task);
  if (against.length) return refuse(...against);
  const base = {
    ...task,
    making: withSideZip(task.making, task.d),
    extras: choices.extras,
    finishes: choices.finishes,
  };
  const { methods, misfits } = resolve(base, choices.methods);
  // Nowhere is room for the opening that a bag is turned through.
  if (methods.opening === undefined)
    return refuse(stop('plan-no-opening', undefined, { least: OPENING[task.making.bulk] }));
  const double = yokeIsDouble(methods.yoke);
  const making: GarmentModel = {
    ...(double ? base.making : singleYoke(base.making)),
    passes: {},
    open: {},
    mouths: {},
  };
  const best = proposed({ ...base, making, methods }, beam);
  if (!best.ok) return best;
  const { ordered, finishes } = best.value;
  const steps = numbered(customOrder(ordered, choices.order, choices.left));
  const left = numbered(ordered.filter((o) => choices.left.includes(o.id)));
  const told = [...misfits, ...finishMisfits(choices.finishes, finishes)].map(
    (m): Finding => ({
      code: 'method-does-not-fit',
      severity: 'warn',
      data: { topic: m.topic, method: m.method, reason: m.reason, instead: m.instead.join(' ') },
    }),
  );
  return ok({
    making,
    steps,
    left,
    methods,
    finishes,
    ...figures(steps),
    findings: [...told, ...extrasThatDoNotFit(base, methods), ...cutTooFew(making), ...checkPlan(steps, making, left)],
  });
}

/** Single seams that were to be neatened otherwise, and cannot be: they are neatened as they can, and told. */
const finishMisfits = (chosen: Choices['finishes'], finishes: SeamFinish[]): Misfit[] =>
  Object.entries(chosen).flatMap(([seam, method]): Misfit[] => {
    const f = finishes.find((x) => x.seam === seam);
    if (!f) return [{ topic: 'seams', method, reason: 'no-such-seam', instead: [] }];
    return f.ways.includes(method) ? [] : [{ topic: 'seams', method, reason: 'seam-ends-open', instead: f.ways }];
  });

/** Things the sewist added that this garment, as it is made, has no place for: they are left out, and told. */
const extrasThatDoNotFit = (g: Omit<Garment, 'methods'>, methods: Garment['methods']): Finding[] =>
  misfitExtras({ ...g, methods }).map(({ extra, reason }) => ({
    code: 'extra-does-not-fit',
    severity: 'warn',
    data: { extra, reason },
  }));

/** Pieces of which the pattern cuts fewer than their two layers ask: two yokes, two collars, four cuffs. */
const cutTooFew = (making: GarmentModel): Finding[] =>
  making.parts.flatMap((p): Finding[] => {
    const need = p.kind === 'cuff' ? 4 : 2;
    if (p.id === p.of || p.material !== 'shell' || p.cut >= need) return [];
    return [{ code: 'cut-too-few', severity: 'warn', where: { piece: p.of }, data: { piece: p.of, cut: p.cut, need } }];
  });

function figures(steps: PlanStep[]): Pick<Plan, 'stationChanges' | 'changes' | 'minutes' | 'handMinutes'> {
  const machine = steps.filter((s) => s.station === 'machine');
  const sum = (list: PlanStep[]): number => list.reduce((t, s) => t + s.minutes, 0);
  return {
    stationChanges: steps.filter((s, i) => i > 0 && s.station !== steps[i - 1]?.station).length,
    changes: machine.filter((s, i) => i > 0 && (s.foot !== machine[i - 1]?.foot || s.thread !== machine[i - 1]?.thread))
      .length,
    minutes: sum(steps),
    handMinutes: sum(steps.filter((s) => s.station === 'hand')),
  };
}

/** Steps with their numbers, each with those it directly waits for: what an earlier of them waits for too is left out. */
export function numbered(sequence: Operation[]): PlanStep[] {
  const place = new Map(sequence.map((o, i) => [o.id, i]));
  const behind: bigint[] = [];
  const bit = (i: number): bigint => 1n << BigInt(i);
  return sequence.map((o, i): PlanStep => {
    const needs = o.needs.flatMap((n) => place.get(n) ?? []).sort((x, y) => x - y);
    const indirect = needs.reduce((m, n) => m | (behind[n] ?? 0n), 0n);
    behind[i] = needs.reduce((m, n) => m | bit(n), indirect);
    const direct = needs.filter((n) => !(indirect & bit(n)));
    return { ...o, number: i + 1, after: direct.map((n) => n + 1) };
  });
}
