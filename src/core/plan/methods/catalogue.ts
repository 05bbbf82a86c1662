import { PlanBuilder } from '../builder.ts';
import { type Garment } from '../types.ts';
import { NEATENINGS, SEAMS, SLEEVES, shellBody } from './body.ts';
import { COLLARS } from './collars.ts';
import { INNER_EDGES } from './covering.ts';
import { SLEEVE_ENDS, WRISTS } from './cuffs.ts';
import { biasEdges, FACINGS, faceBands, facingEdges } from './edges.ts';
import { EXTRAS, extraMisfit, impliedExtras, TIES } from './extras.ts';
import { finish, threadsOut, tryOn } from './finish.ts';
import { FRONTS } from './fronts.ts';
import { HEMS, liningWrist, pressHems, ribs, TOPSTITCHES } from './hems.ts';
import { LEGS } from './legs.ts';
import { finishSlit, insideBody, joinLayers, LININGS } from './linings.ts';
import { laidWith, type Method, TOPICS, type Topic } from './method.ts';
import { type MisfitReason } from './misfits.ts';
import { lineOpenings } from './openings.ts';
import { CURVES } from './panels.ts';
import { POCKETS } from './pockets.ts';
import { DARTS, prepare } from './prepare.ts';
import { hemVents, pressVents } from './vents.ts';
import { skirtLining, WAISTS } from './waist.ts';
import { YOKES } from './yokes.ts';
import { ZIPS } from './zips.ts';

/** Every method, by topic; the first that fits is the usual one. */
export const METHODS = [
  ...SEAMS,
  ...NEATENINGS,
  ...CURVES,
  ...DARTS,
  ...YOKES,
  ...COLLARS,
  ...INNER_EDGES,
  ...FRONTS,
  ...SLEEVES,
  ...SLEEVE_ENDS,
  ...FACINGS,
  ...LININGS,
  ...ZIPS,
  ...WAISTS,
  ...LEGS,
  ...HEMS,
  ...WRISTS,
  ...POCKETS,
  ...TIES,
  ...TOPSTITCHES,
];

/** A way of making by its topic. */
export type MethodId<T extends Topic> = Extract<(typeof METHODS)[number], { topic: T }>['id'];

export const methodsOf = (topic: Topic): Method[] => METHODS.filter((m) => m.topic === topic);

/** A choice that does not fit the garment, why, and those that do. */
export interface Misfit {
  topic: Topic;
  method: string;
  reason: MisfitReason;
  instead: string[];
}

export interface Resolved {
  methods: Record<string, string>;
  misfits: Misfit[];
}

/**
 * The method of every topic: the chosen one where it fits, else the usual one or the first that does. Whether one fits may hang
 * on how another part is made: that is settled first, when it is asked for. Of two that ask for each other the one asked for last
 * does without.
 */
export function resolve(g: Omit<Garment, 'methods'>, chosen: Record<string, string>): Resolved {
  const settled = new Map<string, string | undefined>();
  const misfits: Misfit[] = [];
  const methods = new Proxy<Record<string, string>>({}, { get: (_, topic) => settle(topic as Topic) });
  const b = new PlanBuilder({ ...g, methods });

  function settle(topic: Topic): string | undefined {
    if (settled.has(topic)) return settled.get(topic);
    settled.set(topic, undefined);
    const all = methodsOf(topic);
    const why = new Map(all.map((m) => [m.id, m.fits(b)]));
    const fitting = all.filter((m) => why.get(m.id) === null);
    const wanted = chosen[topic];
    const picked = fitting.find((m) => m.id === wanted) ?? fitting.find((m) => m.usual?.(b)) ?? fitting[0];
    settled.set(topic, picked?.id);
    if (wanted && picked?.id !== wanted)
      misfits.push({
        topic,
        method: wanted,
        reason: why.get(wanted) ?? 'unknown-method',
        instead: fitting.map((m) => m.id),
      });
    return picked?.id;
  }

  for (const topic of TOPICS) settle(topic);
  const made = [...settled].flatMap(([topic, id]) => (id === undefined ? [] : [[topic, id] as const]));
  return { methods: Object.fromEntries(made), misfits };
}

/** Ids of the methods of a topic that fit this garment as it is otherwise made. */
export function fittingIds(topic: Topic, g: Garment): string[] {
  const b = new PlanBuilder(g);
  return methodsOf(topic).flatMap((m) => (m.fits(b) === null ? [m.id] : []));
}

/** Extras that find no place on this garment, and why. */
export function misfitExtras(g: Garment): { extra: string; reason: MisfitReason }[] {
  const b = new PlanBuilder(g);
  return g.extras.flatMap((extra) => {
    const reason = extraMisfit(b, extra);
    return reason ? [{ extra, reason }] : [];
  });
}

/** Every operation the garment asks for, in no order yet. */
export function operationsFor(g: Garment): PlanBuilder {
  const b = new PlanBuilder(g);
  const lay = (topic: Topic): void => METHODS.find((m) => m.topic === topic && m.id === g.methods[topic])?.lay(b);
  prepare(b);
  shellBody(b);
  for (const topic of laidWith('shell')) lay(topic);
  pressVents(b);
  insideBody(b);
  facingEdges(b);
  pressHems(b);
  hemVents(b);
  ribs(b);
  joinLayers(b);
  biasEdges(b);
  faceBands(b);
  lineOpenings(b);
  skirtLining(b);
  finishSlit(b);
  for (const topic of laidWith('ends')) lay(topic);
  liningWrist(b);
  for (const x of new Set([...g.extras, ...impliedExtras(b)])) if (!extraMisfit(b, x)) EXTRAS[x]?.(b);
  tryOn(b);
  threadsOut(b);
  finish(b);
  return b;
}
