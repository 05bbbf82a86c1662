import { type Decisions } from '../document/project.ts';
import { pathLength, signedArea } from '../geometry/index.ts';
import { type CutLine } from '../pattern/index.ts';
import { type PlanStep } from '../plan/index.ts';
import { type BenchLog, type ChoicesThen, type SewnWith, type StepLog } from './log.ts';

/** Lengths nearer to each other are alike at the machine, mm; areas, mm². Own figures. */
const ALIKE = { length: 0.5, area: 50 };

const rounded = (v: number): number => Math.round(v * 10) / 10;

/**
 * What a step is sewn with, as the plan has it now: its allowance, where its stitching stops and the figures in its words; of
 * cutting out the cut line of every piece, its length and what it holds. Lengths mm, areas mm².
 */
export function sewnWith(s: PlanStep, cut: ReadonlyMap<string, CutLine>): SewnWith {
  const out: SewnWith = {};
  for (const [key, v] of Object.entries(s.data)) out[key] = rounded(v);
  if (s.allowance !== null) out.allowance = rounded(s.allowance);
  for (const { code, mm } of s.stops) out[`stop/${code}`] = rounded(mm);
  if (s.code === 'cut')
    for (const [id, { outline }] of cut) {
      out[`round/${id}`] = rounded(pathLength(outline));
      out[`area/${id}`] = Math.round(Math.abs(signedArea(outline)));
    }
  return out;
}

/** The parts of the decisions that shape what is cut and sewn. */
const SHAPING = ['allowances', 'facing', 'lining', 'interfacing'] as const;

/** Every single figure or choice in them, by its place: `facing/front`. */
export function choicesNow(d: Decisions): ChoicesThen['said'] {
  const out: ChoicesThen['said'] = {};
  const walk = (at: string, v: unknown): void => {
    if (typeof v === 'number' || typeof v === 'string' || typeof v === 'boolean') out[at] = v;
    else if (v && typeof v === 'object' && !Array.isArray(v))
      for (const [key, x] of Object.entries(v)) walk(`${at}/${key}`, x);
  };
  for (const part of SHAPING) walk(part, d[part]);
  walk('making/bulk', d.making.bulk);
  walk('making/methods', d.making.methods);
  return out;
}

/** A short name for choices: the same for the same ones, so that two tabs call them alike (FNV-1a, 32 bits). */
export function choicesName(said: ChoicesThen['said']): string {
  let h = 0x811c9dc5;
  for (const ch of JSON.stringify(Object.entries(said).sort(([a], [b]) => (a < b ? -1 : 1))))
    h = Math.imul(h ^ ch.charCodeAt(0), 0x01000193) >>> 0;
  return `c${h.toString(16)}`;
}

/** The log with these choices among those that held; what no step was done under is let go. */
export function withChoices(log: BenchLog, said: ChoicesThen['said'], steps: StepLog[]): BenchLog {
  const id = choicesName(said);
  const used = new Set(steps.map((s) => s.under));
  const kept = log.choices.filter((c) => used.has(c.id) || c.id === id);
  return { ...log, steps, choices: kept.some((c) => c.id === id) ? kept : [...kept, { id, said }] };
}

/** A figure that was another when the step was done; undefined on the side where there was none. */
export interface Differs {
  key: string;
  was: number | undefined;
  now: number | undefined;
}

/** A step that is done, and that the plan now has otherwise than it was sewn. */
export interface Touched {
  step: PlanStep;
  log: StepLog;
  /** Figures of its own that differ; none where its way of sewing does. */
  differs: Differs[];
  /** Choices that were others when it was done. */
  choices: { path: string; was: number | string | boolean | undefined; now: number | string | boolean | undefined }[];
}

function differing(was: SewnWith, now: SewnWith): Differs[] {
  const keys = new Set([...Object.keys(was), ...Object.keys(now)]);
  return [...keys].flatMap((key): Differs[] => {
    const [a, b] = [was[key], now[key]];
    const alike = key.startsWith('area/') ? ALIKE.area : ALIKE.length;
    return a !== undefined && b !== undefined && Math.abs(a - b) <= alike ? [] : [{ key, was: a, now: b }];
  });
}

/** Steps that were done and that the plan has otherwise now, in its order. What stayed as it was is not among them. */
export function touchedSteps(steps: readonly PlanStep[], cut: ReadonlyMap<string, CutLine>, d: Decisions): Touched[] {
  const logs = new Map(d.bench.steps.map((l) => [l.id, l]));
  const now = choicesNow(d);
  return steps.flatMap((step): Touched[] => {
    const log = logs.get(step.id);
    // Of what was ticked before it was kept with what, nothing can be said.
    if (log?.state !== 'done' || !log.code) return [];
    const differs = differing(log.sewn, sewnWith(step, cut));
    if (!differs.length && log.code === step.code) return [];
    const then = d.bench.choices.find((c) => c.id === log.under)?.said;
    const paths = then ? [...new Set([...Object.keys(then), ...Object.keys(now)])] : [];
    const choices = paths.flatMap((path) =>
      then?.[path] === now[path] ? [] : [{ path, was: then?.[path], now: now[path] }],
    );
    return [{ step, log, differs, choices }];
  });
}

/** What was sewn that the plan has no more: a seam that went with the choice it came from. */
export const goneSteps = (steps: readonly PlanStep[], log: BenchLog): StepLog[] => {
  const there = new Set(steps.map((s) => s.id));
  return log.steps.filter((l) => l.state === 'done' && !there.has(l.id));
};
