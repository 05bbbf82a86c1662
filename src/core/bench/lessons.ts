import { type Entry } from './notebook.ts';

/** An entry of any notebook, with where it was written. */
export interface Written {
  project: string;
  name: string;
  garment: string;
  /** The file its pattern was read from; empty where there is none. */
  pattern: string;
  entry: Entry;
}

/** Where one is: which project, of what sort, at which step. */
export interface Here {
  project: string;
  garment: string;
  pattern: string;
  /** Empty where one is at none. */
  step: string;
  /** Seams that are sewn there, or that one looks at. */
  seams: readonly string[];
  /** Names of the cloths it is cut from. */
  cloths: readonly string[];
}

const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * What was to be told the next time, where it matters: at the same step or seam of any garment; and, where one begins, what was learnt of
 * the same pattern, the same sort of garment or the same cloth. What was written in this very project comes first, then the newest.
 */
export function lessonsFor(all: readonly Written[], here: Here): Written[] {
  const matters = ({ entry, garment, pattern }: Written): boolean => {
    const at = entry.step !== '' || entry.seam !== '';
    if (here.step || here.seams.length)
      return at && (here.seams.includes(entry.seam) || (entry.step !== '' && entry.step === here.step));
    return (
      (!at && entry.cloth === '' && garment === here.garment) ||
      (!at && pattern !== '' && pattern === here.pattern) ||
      (entry.cloth !== '' && here.cloths.some((c) => sameName(c, entry.cloth)))
    );
  };
  const own = (w: Written): number => (w.project === here.project ? 0 : 1);
  return all
    .filter((w) => w.entry.again && matters(w))
    .sort((a, b) => own(a) - own(b) || (a.entry.at < b.entry.at ? 1 : -1));
}
