import { type AtBench, type StepState, setStep } from '../../../core/bench/index.ts';
import { type BenchLog, type MendKind } from '../../../core/bench/log.ts';
import { type Plan, type PlanStep } from '../../../core/plan/index.ts';
import { atBench, instantNow, newId, saveBench } from '../../data/benchlog.ts';
import { type Workbook } from '../../data/useProject.ts';
import { stepWords } from '../../words/index.ts';

/** A plan at the bench: what is done of it, and a way to say more. */
export interface Sewing {
  w: Workbook;
  plan: Plan;
  names: Record<string, string>;
}

export const titleOf = ({ w, names }: Sewing, s: PlanStep): string => stepWords(s, w.doc.units, names).title;

/** What the work is done by, as it stands now. */
export const benchOf = ({ w, plan }: Sewing): AtBench => atBench(w, plan);

const SAID: Record<StepState, string> = { done: 'Done', doing: 'Begun', skipped: 'Passed over', again: 'To do again' };

/** Sets a step, and keeps it under its title. */
export function mark(p: Sewing, s: PlanStep, state: StepState, minutes?: number | null): void {
  saveBench(p.w, `${SAID[state]}: ${titleOf(p, s)}`, setStep(benchOf(p), s.id, state, instantNow(), minutes));
}

/** Keeps what was changed of the log of the bench. */
export const keep = (p: Sewing, words: string, change: (log: BenchLog) => BenchLog): void =>
  saveBench(p.w, words, change(p.w.doc.decisions.bench));

/** A mending step put in before a step. */
export const mendBefore = (p: Sewing, s: PlanStep, kind: MendKind, words: string): void =>
  keep(p, `To mend first: ${words}`, (log) => ({
    ...log,
    mends: [...log.mends, { id: newId(), before: s.id, kind, words, done: false, at: instantNow() }],
  }));

/** Seams that cross the edges of a step: those between the pieces an edge runs over. */
export const crossingsOf = ({ plan }: Sewing, s: PlanStep): number => {
  const sewn = new Set(s.sews.map((x) => x.joint));
  const sides = plan.making.joints.filter((j) => sewn.has(j.id)).map((j) => j.a.length - 1);
  const paired = new Set(plan.making.parts.flatMap((q) => (q.paired ? [q.id] : [])));
  const twice = s.pieces.some((id) => paired.has(id));
  return Math.max(0, ...sides) * (twice ? 2 : 1);
};
