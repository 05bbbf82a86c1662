import { type Path, type Point } from '../geometry/index.ts';
import { type Finding, type Reason } from '../result.ts';
import { type Hole } from './buttonhole.ts';
import { type ClosureChoice, type Done } from './choices.ts';
import { type Features } from './features.ts';
import { type Gape } from './gaping.ts';
import { type Placement } from './placement.ts';
import { type Problem } from './problem.ts';
import { type Small } from './small.ts';

/** A button on a piece of the pattern. */
export interface OnPiece {
  piece: string;
  centre: Point;
  /** Both ends of the hole's opening; a lies towards the edge (or up). */
  a: Point;
  b: Point;
  /** Further columns: centres of buttons on the same piece. */
  columns: Point[];
}

export interface ButtonMark {
  /** Distance from the neck seam down the closing line, mm; negative on the stand. */
  at: number;
  onStand: boolean;
  /** Dragged to its place, or held by a hole already sewn or cut. */
  held: 'no' | 'yours' | 'sewn';
  state: Done['state'] | null;
  /** A hole is sewn here; of double rows only the lower ones close. */
  hole: boolean;
  direction: Hole['direction'];
  /** Null without a pattern. */
  on: OnPiece | null;
}

export interface Closure {
  /** The front, and its part of the closing line; null without a pattern, the line then straight down from 0, 0. */
  piece: string | null;
  line: Path;
  /** From the neck seam to the hem: as measured on the garment, else as drawn or given. */
  lengthMm: number;
  /** As the pattern draws it. */
  drawnMm: number;
  extension: number;
  /** +1 when the front edge lies to the left of the way down the line, as seen along it; −1 to the right. */
  side: 1 | -1;
  features: Features;
  problem: Problem;
  answers: Placement[];
  /** Which answer is taken. */
  chosen: number;
  hole: Hole;
  gaps: number[];
  buttons: ButtonMark[];
  /** How many holes are sewn along the line. */
  holes: number;
  /** The pull between buttons, one estimate an answer; null where the measures are not given. */
  gaping: Gape[] | null;
  small: Small[];
  choice: ClosureChoice;
  findings: Finding[];
  reasons: Reason[];
}
