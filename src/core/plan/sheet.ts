import { type Kept, remembered } from '../remember.ts';
import { type Finding } from '../result.ts';
import { plainName } from '../text.ts';
import { checkPlan } from './check/index.ts';
import { customOrder } from './customorder.ts';
import { numbered } from './plan.ts';
import { type Plan, type PlanStep } from './types.ts';

/** A line of the sewist's own instruction sheet, and the steps of the plan it is; null while nothing was said of it. */
export interface SheetLine {
  text: string;
  steps: string[] | null;
}

/** What a sheet may hold: many times what one of the trade does. */
export const MOST_LINES = 400;
export const MOST_LETTERS = 500;

const NUMBERED = /^\s*(?:step\s+)?\d{1,3}\s*[.):–-]?\s+(?=\S)/i;
const BULLET = /^\s*[-*•–]\s+(?=\S)/;
/** A number in the middle of a line that begins the next one. */
const WITHIN = /\s+(?=\d{1,3}[.)]\s+[A-Z])/;

/**
 * The lines of a pasted list, numbers and bullets taken off. Where any is numbered or has a bullet, what has none goes on
 * with the one before it; in a list without them every line is one.
 */
export function sheetLines(text: string): string[] {
  const rows = text
    .split(/\r?\n/)
    .flatMap((row) => row.split(WITHIN))
    .map((row) => row.trim())
    .filter(Boolean);
  const begins = (row: string): boolean => NUMBERED.test(row) || BULLET.test(row);
  const marked = rows.some(begins);
  const out: string[] = [];
  for (const row of rows) {
    const own = row.replace(NUMBERED, '').replace(BULLET, '').trim();
    if (!own) continue;
    if (out.length && marked && !begins(row)) out[out.length - 1] += ` ${own}`;
    else out.push(own);
  }
  return out.slice(0, MOST_LINES).map((line) => plainName(line, MOST_LETTERS));
}

/** What a sheet leaves out, and whether the garment can be made without it. */
export interface Forgotten {
  step: PlanStep;
  needed: boolean;
}

export interface LookedOver {
  forgotten: Forgotten[];
  /** Steps that the sheet has in another order than the plan, with their lines: the fewest that have to move. */
  moved: { step: PlanStep; line: number }[];
  /** The sheet's order, what it leaves out put where it belongs. */
  order: string[];
  /** What that order breaks (red), and what is usually otherwise in it (amber). */
  findings: Finding[];
}

/** The longest run of numbers that rises: which places it holds. */
function rising(list: number[]): Set<number> {
  const ends: number[] = [];
  const before: number[] = [];
  list.forEach((v, i) => {
    let k = ends.findIndex((e) => (list[e] as number) >= v);
    if (k < 0) k = ends.length;
    before[i] = k ? (ends[k - 1] as number) : -1;
    ends[k] = i;
  });
  const out = new Set<number>();
  for (let i = ends.at(-1) ?? -1; i >= 0; i = before[i] as number) out.add(i);
  return out;
}

/** Steps without which a plan's garment can't be made: worked out once a plan, for every line that is said asks again. */
const NEEDED: Kept<Plan, ReadonlySet<string>> = new WeakMap();

const neededIn = (plan: Plan): ReadonlySet<string> =>
  remembered(NEEDED, plan, '', () => {
    const reds = (list: PlanStep[], left: PlanStep[]): number =>
      checkPlan(list, plan.making, left).filter((f) => f.severity === 'stop').length;
    const whole = reds(plan.steps, []);
    const without = (s: PlanStep): number =>
      reds(
        plan.steps.filter((x) => x !== s),
        [s],
      );
    return new Set(plan.steps.flatMap((s) => (without(s) > whole ? [s.id] : [])));
  });

/**
 * Steps in a sheet's order, each right after those it waits for that the sheet does not name; what waits itself for a later line
 * stays behind that.
 */
function withNeeds(plan: Plan, ids: string[]): string[] {
  const byId = new Map(plan.steps.map((s) => [s.id, s]));
  const place = new Map(plan.steps.map((s, i) => [s.id, i]));
  const named = new Set(ids);
  const out = new Set<string>();
  const needsOf = (id: string): string[] => (byId.get(id)?.needs ?? []).filter((n) => byId.has(n) && !out.has(n));
  const ready = (id: string): boolean => needsOf(id).every((n) => !named.has(n) && ready(n));
  const put = (id: string): void => {
    const needs = needsOf(id).filter((n) => !named.has(n) && ready(n));
    for (const n of needs.sort((a, b) => (place.get(a) as number) - (place.get(b) as number))) if (!out.has(n)) put(n);
    out.add(id);
  };
  for (const id of ids) put(id);
  return [...out];
}

/**
 * A sheet's lines, each with the steps it is, against the plan: what it forgets, what it does in another order, and whether that
 * order holds once what is forgotten is put in. A step named by several lines counts where it is named first.
 */
export function lookOver(plan: Plan, lines: string[][]): LookedOver {
  const place = new Map(plan.steps.map((s, i) => [s.id, i]));
  const byId = new Map(plan.steps.map((s) => [s.id, s]));
  const named = new Map<string, number>();
  lines.forEach((ids, line) => {
    for (const id of ids) if (byId.has(id) && !named.has(id)) named.set(id, line);
  });
  const ids = [...named.keys()];
  const kept = rising(ids.map((id) => place.get(id) as number));
  const moved = ids.flatMap((id, i) =>
    kept.has(i) ? [] : [{ step: byId.get(id) as PlanStep, line: named.get(id) as number }],
  );
  const steps = numbered(customOrder(plan.steps, withNeeds(plan, ids), []));
  const needed = neededIn(plan);
  const forgotten = plan.steps
    .filter((s) => !named.has(s.id))
    .map((s): Forgotten => ({ step: s, needed: needed.has(s.id) }));
  return { forgotten, moved, order: steps.map((s) => s.id), findings: checkPlan(steps, plan.making) };
}
