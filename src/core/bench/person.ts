import { type ProjectDocument } from '../document/project.ts';
import { type LengthUnit } from '../units.ts';
import { type BenchLog } from './log.ts';
import { type Entry } from './notebook.ts';
import { type Timed, timedOf } from './pace.ts';

/** What of a project counts for the others: what was timed and written down, and the day it is wanted for; null for none, or where it is finished. */
export interface Standing {
  timed: Timed[];
  by: string | null;
  entries: Entry[];
  units: LengthUnit;
  /** The day it was finished, and the minutes that were timed. */
  finished: string | null;
  /** The file its pattern was read from. */
  pattern: string;
  minutes: number;
}

const wanted = (log: BenchLog): string | null => (log.finished ? null : log.by);

export const standingOfProject = ({ shell, units, decisions: { bench, notebook } }: ProjectDocument): Standing => ({
  timed: timedOf(bench.steps),
  by: wanted(bench),
  entries: notebook,
  units,
  pattern: shell?.fileName ?? '',
  finished: bench.finished,
  minutes: bench.steps.reduce((t, l) => t + (l.minutes ?? 0), 0),
});

/** Minutes of each day that sittings take. */
export function busyWith(
  busy: Readonly<Record<string, number>>,
  sittings: readonly { day: string; used: number }[],
): Record<string, number> {
  const out = { ...busy };
  for (const s of sittings) out[s.day] = (out[s.day] ?? 0) + s.used;
  return out;
}
