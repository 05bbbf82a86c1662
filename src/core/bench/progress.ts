import { type Decisions } from '../document/project.ts';
import { type CutLine } from '../pattern/index.ts';
import { type Part, type PlanStep } from '../plan/index.ts';
import { type BenchLog, type MendingStep, type StepLog, type StepState } from './log.ts';
import { choicesName, choicesNow, sewnWith, type Touched, withChoices } from './sewn.ts';

/** What a step is done by: the plan's steps, the cut lines of the pieces, all decisions. */
export interface AtBench {
  steps: readonly PlanStep[];
  cut: ReadonlyMap<string, CutLine>;
  d: Decisions;
}

/** How a step stands; one that nothing is known of is to do. */
export const stateOf = (log: BenchLog, id: string): StepState | 'todo' =>
  log.steps.find((l) => l.id === id)?.state ?? 'todo';

/** Ids of all steps that are done. */
export const doneIn = (log: BenchLog): ReadonlySet<string> =>
  new Set(log.steps.flatMap((l) => (l.state === 'done' ? [l.id] : [])));

/** What is left of a plan, in its order. */
export const stepsLeft = <S extends { id: string }>(steps: readonly S[], log: BenchLog): S[] => {
  const done = doneIn(log);
  return steps.filter((s) => !done.has(s.id));
};

/** An entry in the place of the one with its id, else at the end. */
const put = <T extends { id: string }>(list: readonly T[], entry: T): T[] =>
  list.some((x) => x.id === entry.id) ? list.map((x) => (x.id === entry.id ? entry : x)) : [...list, entry];

/**
 * A step of the plan set to a state, as of the instant `at`; done with what the plan has of it now. `minutes`: how long it
 * took; what was known of that stays where it is left out. A step that is not in the plan is left as it is.
 */
export function setStep(b: AtBench, id: string, state: StepState, at: string, minutes?: number | null): BenchLog {
  const log = b.d.bench;
  const step = b.steps.find((s) => s.id === id);
  const before = log.steps.find((l) => l.id === id);
  if (!step) return log;
  const said = choicesNow(b.d);
  const entry: StepLog = {
    ...{ id, state, at, code: step.code, station: step.station, planned: Math.round(step.minutes * 10) / 10 },
    minutes: minutes === undefined ? (before?.minutes ?? null) : minutes,
    redone: (before?.redone ?? 0) + (before?.state === 'again' && state === 'done' ? 1 : 0),
    ...{ sewn: sewnWith(step, b.cut), under: choicesName(said) },
  };
  return withChoices(log, said, put(log.steps, entry));
}

/** Several steps done at once, as they were ticked on paper: nobody knows how long each took. */
export const tickAll = (b: AtBench, ids: readonly string[], at: string): BenchLog =>
  ids.reduce((bench, id) => setStep({ ...b, d: { ...b.d, bench } }, id, 'done', at), b.d.bench);

/** A step about which nothing is known any more: as if it had never been begun. */
export const forgetStep = (log: BenchLog, id: string): BenchLog => ({
  ...log,
  steps: log.steps.filter((l) => l.id !== id),
});

/** The step and all done ones that were built on it: what has to come undone where it does. In the plan's order. */
export function hangsOn(steps: readonly PlanStep[], log: BenchLog, id: string): string[] {
  const taken = new Set([id]);
  for (const s of steps) if (s.needs.some((n) => taken.has(n))) taken.add(s.id);
  const done = doneIn(log);
  return steps.flatMap((s) => (taken.has(s.id) && (done.has(s.id) || s.id === id) ? [s.id] : []));
}

/** Done steps taken back, to be done again: what they were sewn with is no longer so. */
export const takeBack = (log: BenchLog, ids: readonly string[], at: string): BenchLog => ({
  ...log,
  steps: log.steps.map((l): StepLog => (ids.includes(l.id) && l.state === 'done' ? { ...l, state: 'again', at } : l)),
});

/** A step that is sewn otherwise than the plan has it now, and stays so: it is not asked about again. */
export const keepAsSewn = (b: AtBench, ids: readonly string[]): BenchLog =>
  ids.reduce((bench, id) => {
    const was = bench.steps.find((l) => l.id === id);
    return was ? setStep({ ...b, d: { ...b.d, bench } }, id, was.state, was.at, was.minutes) : bench;
  }, b.d.bench);

/** Mending steps that have to be done before a step, those to do first. */
export const mendsBefore = (log: BenchLog, step: string): MendingStep[] =>
  log.mends.filter((m) => m.before === step).sort((x, y) => Number(x.done) - Number(y.done));

/** What comes next: a mending step that is open, then the first step that is neither done nor passed over; else one passed over. */
export function nextStep(steps: readonly PlanStep[], log: BenchLog): PlanStep | null {
  const left = stepsLeft(steps, log);
  return left.find((s) => stateOf(log, s.id) !== 'skipped') ?? left[0] ?? null;
}

/** What has to be cut anew, and which steps are done over, for what was sewn otherwise to be as it is planned. */
export interface Redo {
  pieces: string[];
  steps: string[];
}

/**
 * A seam that is sewn otherwise comes undone with what hangs on it. Of what was cut only the pieces that are others now are cut
 * anew: the seams they are sewn into come undone with what hangs on those, everything else stays as it is.
 */
export function redoOf(
  touched: readonly Touched[],
  { steps, d }: AtBench,
  parts: readonly Pick<Part, 'id' | 'of'>[],
): Redo {
  const cut = touched.flatMap((t) => (t.step.code === 'cut' ? t.differs : []));
  const pieces = new Set(cut.map(({ key }) => key.slice(key.indexOf('/') + 1)));
  const of = new Map(parts.map((p) => [p.id, p.of]));
  const sewn = steps.filter((s) => s.sews.length > 0 && s.pieces.some((p) => pieces.has(of.get(p) ?? p)));
  const done = doneIn(d.bench);
  const from = [...touched.filter((t) => t.step.code !== 'cut').map((t) => t.step), ...sewn].filter((s) =>
    done.has(s.id),
  );
  const back = new Set(from.flatMap((s) => hangsOn(steps, d.bench, s.id)));
  return { pieces: [...pieces], steps: steps.flatMap((s) => (back.has(s.id) ? [s.id] : [])) };
}
