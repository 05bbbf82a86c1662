/** How far a step is: finished, begun, passed over for now, or taken back to be done again. One nothing is said of is to do. */
export const STEP_STATES = ['done', 'doing', 'skipped', 'again'] as const;
export type StepState = (typeof STEP_STATES)[number];

/** What a step was sewn with: its figures, and the outlines of the pieces it works on. Lengths mm, areas mm². */
export type SewnWith = Record<string, number>;

/** What is known of a step that was begun: kept whatever becomes of the plan, so that nothing sewn is forgotten. */
export interface StepLog {
  /** The step's id in the plan. */
  id: string;
  state: StepState;
  /** When it came to be so: ISO 8601, in UTC. */
  at: string;
  /** Minutes it took, by the timer or as she said; null where nobody knows. */
  minutes: number | null;
  /** How often it was done over again. */
  redone: number;
  /** What kind of step it was, where, and the handbook's minutes for it: what her pace is learnt from. */
  code: string;
  station: string;
  planned: number;
  sewn: SewnWith;
  /** Which choices held then: an id among `choices`; none where that is not known. */
  under: string;
}

/** The figures decided that held while steps were done, by their places in the decisions. */
export interface ChoicesThen {
  id: string;
  said: Record<string, number | string | boolean>;
}

/** What mends a slip: put in before a step, done like one. */
export const MENDS = ['unpick', 'recut', 'restitch', 'other'] as const;
export type MendKind = (typeof MENDS)[number];
export interface MendingStep {
  id: string;
  /** The step it has to be done before. */
  before: string;
  kind: MendKind;
  words: string;
  done: boolean;
  at: string;
}

/** Lengths measured at a step, mm, as they were taken one after the other. */
export interface Measured {
  id: string;
  step: string;
  at: string;
  values: number[];
}

/** What is done of a garment, and what was found on the way. */
export interface BenchLog {
  steps: StepLog[];
  choices: ChoicesThen[];
  mends: MendingStep[];
  measured: Measured[];
  /** The day it is wanted for, `YYYY-MM-DD`; null for none. */
  by: string | null;
  /** The day it was finished; null as long as it is not. */
  finished: string | null;
}

export const emptyBench = (): BenchLog => ({
  steps: [],
  choices: [],
  mends: [],
  measured: [],
  by: null,
  finished: null,
});
