import { type PlanStep } from '../plan/index.ts';
import { safeToLeave } from './leaving.ts';
import { type BenchLog } from './log.ts';
import { minutesFor, type Pace } from './pace.ts';
import { stepsLeft } from './progress.ts';

/** What can be done in a given time from where one is. */
export interface Stretch {
  steps: PlanStep[];
  /** What it probably takes, minutes. */
  minutes: number;
  /** Whether it fits; else it is the shortest there is to a place where it can be left. */
  fits: boolean;
}

/** The longest run of steps from where one is that ends at a place that is safe to leave and is done in so many minutes. */
export function stretchFor(steps: readonly PlanStep[], log: BenchLog, pace: Pace, minutes: number): Stretch {
  const left = stepsLeft(steps, log);
  const safe = safeToLeave(left);
  let [used, end, took] = [0, 0, 0];
  for (const [i, s] of left.entries()) {
    used += minutesFor(pace, s);
    if (!safe[i]) continue;
    if (used > minutes && end > 0) break;
    [end, took] = [i + 1, used];
    if (used > minutes) break;
  }
  return { steps: left.slice(0, end), minutes: took, fits: took <= minutes };
}
