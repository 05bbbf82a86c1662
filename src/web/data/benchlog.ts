import { type AtBench } from '../../core/bench/index.ts';
import { type BenchLog } from '../../core/bench/log.ts';
import { type Plan } from '../../core/plan/index.ts';
import { setDecision } from './setDecision.ts';
import { type Workbook } from './useProject.ts';

/** The instant it is, as it is kept: in UTC, so that neither a journey nor summer time moves it. */
export const instantNow = (): string => new Date().toISOString();

/** An id that no other tab makes as well: not even offline. */
export const newId = (): string => `e${Date.now().toString(36)}${Math.random().toString(36).slice(2, 6)}`;

/** What steps are done by, as the project stands. */
export const atBench = (w: Workbook, plan: Plan): AtBench => ({
  steps: plan.steps,
  cut: w.computed.cutLines,
  d: w.doc.decisions,
});

/** Keeps what was done at the bench. */
export const saveBench = (w: Workbook, words: string, bench: BenchLog): void =>
  setDecision(w, 'bench', bench, { words });
