import { PlanBuilder } from '../builder.ts';
import { isFinishKey } from '../seamfinishes.ts';
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
import { type Method, TOPICS, type Topic } from './method.ts';
import { lineOpenings } from './openings.ts';
import { CURVES } from './panels.ts';
import { POCKETS } from './pockets.ts';
import { DARTS, prepare } from './prepare.ts';
import { hemVents, pressVents } from './vents.ts';
import { skirtLining, WAISTS } from './waist.ts';
import { YOKES } from './yokes.ts';
import { ZIPS } from './zips.ts';

/** Every method, by topic; the first that fits is the usual one. */
export const METHODS: Method[] = [
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

export const methodsOf = (topic: Topic): Method[] => METHODS.filter((m) => m.topic === topic);

/** A choice that does not fit the garment, why, and those that do. */
export interface Misfit {
  topic: Topic;
  method: string;
  reason: string;
  instead: string[];
}

export interface Resolved {
  methods: Record<string, string>;
  misfits: Misfit[];
}

/** Topics in the order in which they are settled: what later ones depend on comes first. */
const SETTLED: Topic[] = [
  'zip',
  'front',
  'yoke',
  'slit',
  'waist',
  'cuff',
  'collar',
  'armholes',
  'lining-edge',
  'facing-when',
  'lining-sides',
  'opening',
  ...TOPICS,
];

/** The method of every topic: the chosen one where it fits, else the first that does. */
export function resolve(g: Omit<Garment, 'methods'>, chosen: Record<string, string>): Resolved {
  const methods: Record<string, string> = {};
  const misfits: Misfit[] = [];
  for (const topic of new Set(SETTLED)) {
    const b = new PlanBuilder({ ...g, methods });
    const fitting = methodsOf(topic).filter((m) => m.fits(b) === null);
    const wanted = chosen[topic];
    const picked = fitting.find((m) => m.id === wanted) ?? fitting.find((m) => m.usual?.(b)) ?? fitting[0];
    if (picked) methods[topic] = picked.id;
    if (!wanted || picked?.id === wanted) continue;
    const reason =
      methodsOf(topic)
        .find((m) => m.id === wanted)
        ?.fits(b) ?? 'unknown-method';
    misfits.push({ topic, method: wanted, reason, instead: fitting.map((m) => m.id) });
  }
  for (const [key, wanted] of Object.entries(chosen)) if (isFinishKey(key)) methods[key] = wanted;
  return { methods, misfits };
}

/** Ids of the methods of a topic that fit this garment as it is otherwise made. */
export function fittingIds(topic: Topic, g: Garment): string[] {
  const b = new PlanBuilder(g);
  return methodsOf(topic).flatMap((m) => (m.fits(b) === null ? [m.id] : []));
}

/** Extras that find no place on this garment, and why. */
export function misfitExtras(g: Garment): { extra: string; reason: string }[] {
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
  for (const topic of ['yoke', 'front', 'collar', 'slit', 'cuff', 'pocket', 'sleeves', 'waist', 'legs'] as const)
    lay(topic);
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
  for (const topic of ['zip', 'lining-hem', 'corner', 'hem', 'wrist'] as const) lay(topic);
  liningWrist(b);
  for (const x of new Set([...g.extras, ...impliedExtras(b)])) if (!extraMisfit(b, x)) EXTRAS[x]?.(b);
  tryOn(b);
  threadsOut(b);
  finish(b);
  return b;
}
