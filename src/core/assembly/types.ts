import { type Finding } from '../result.ts';

export type Station = 'table' | 'iron' | 'machine' | 'buttonhole' | 'hand';
export type Section = 'prepare' | 'shell' | 'inside' | 'joining' | 'finish';

export interface StopPoint {
  /** What it is: `stop-before-end`, `opening`, `pivot`, `seam-line`. */
  code: string;
  mm: number;
}

/**
 * One thing to do. `needs` and `makes` are tokens: an operation may only come when all its needs have been made. `edges`
 * are the raw edges it takes care of, as `piece/edge`.
 */
export interface Operation {
  id: string;
  code: string;
  section: Section;
  station: Station;
  pieces: string[];
  /** The seam it is about, by its code, where it does not sew it itself (pressing). */
  about: string | null;
  /** Ids of the seams it sews. */
  seams: string[];
  needs: string[];
  makes: string[];
  edges: string[];
  /** Which sides lie together. */
  sides: 'right-together' | 'wrong-up' | 'right-up' | null;
  /** Seam allowance it is sewn with, mm; null where none is sewn. */
  allowance: number | null;
  stops: StopPoint[];
  press: string | null;
  cautions: string[];
  /** Numbers the words need. */
  data: Record<string, number>;
}

export interface PlanStep extends Operation {
  number: number;
  /** Numbers of the steps it directly waits for. */
  after: number[];
}

export interface Plan {
  steps: PlanStep[];
  stationChanges: number;
  findings: Finding[];
}
