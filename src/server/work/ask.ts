import { type StepState, type Timed, type Week } from '../../core/bench/index.ts';
import { type LongPaper } from '../../core/output/paper.ts';
import { type Put } from '../../core/output/puts.ts';

/** Files to take away, by the names of their addresses. */
export const EXPORTS = [
  'pattern.pdf',
  'changes.pdf',
  'pieces.svg',
  'pieces.dxf',
  'lay.svg',
  'lay.dxf',
  'lay.pdf',
  'cut-list.csv',
  'plan.html',
  'project.json',
] as const;
/** What is asked of the bench, which needs more than the project alone. */
const BENCH = ['progress', 'ticks', 'standing', 'calendar', 'calendar.ics', 'notebook.md'] as const;
/** Parts of what is computed, by theirs. */
export const PARTS = ['pieces', 'seams', 'closure', 'plan', 'cutting', 'pages'] as const;

export type Part = (typeof PARTS)[number] | (typeof EXPORTS)[number] | (typeof BENCH)[number];

export const isBench = (part: Part): part is (typeof BENCH)[number] => (BENCH as readonly string[]).includes(part);

/** A step ticked elsewhere: when, and how long it took, where that is known. */
export interface Tick {
  id: string;
  state: StepState | 'todo';
  at?: string | undefined;
  minutes?: number | null | undefined;
}

/** The day and time where the sewist sits, her hours, what other projects take of them, and what she timed in all of them. */
export interface AtDesk {
  today: string;
  /** Minutes after midnight. */
  clock: number;
  by: string | null;
  busy: Record<string, number>;
  week: Week;
  timed: Timed[];
  /** The same instant as `today` and `clock`, in UTC. */
  now: string;
}

export interface Asked {
  part: Part;
  paper?: 'a4' | 'letter' | LongPaper;
  /** How thick lines are on a long sheet, mm. */
  line?: number;
  /** Which pieces are printed; as the project says where it is left out. */
  pieces?: string[];
  strip?: boolean;
  /** Where the sheets lie on the pages, where that is known. */
  puts?: Put[];
  /** Not 0 once nobody waits for the pages any more. */
  halt?: SharedArrayBuffer;
  /** How the layers of a DXF drawing are called. */
  layers?: 'numbers' | 'names';
  /** Of which cloth the lay is drawn; of the first where it is left out. */
  cloth?: string;
  ticks?: Tick[];
  /** Under which names pictures of the notebook lie beside it, by their ids. */
  files?: Record<string, string>;
  desk?: AtDesk;
  /** ISO time, for what is dated. */
  now: string;
}

/** An answer as it goes out. */
export interface Answered {
  status: number;
  type: string;
  body: string | Uint8Array;
  /** A file to be kept under this name. */
  name?: string;
}

/** The stored document as it lies in the database, packed or not, and what is asked of it. */
export interface WorkJob {
  /** Which project it is. */
  id: string;
  text: string;
  name: string;
  asked: Asked;
  fontFiles: string[];
}
