/** How the line closes: in one row; hidden under a fly; only part of the way down; with mirrored columns. */
export const CLOSING_KINDS = ['single', 'hidden', 'half', 'double'] as const;
export type ClosingKind = (typeof CLOSING_KINDS)[number];

export const FASTENERS = ['button', 'snap', 'press-stud', 'hook', 'loop'] as const;
export type Fastener = (typeof FASTENERS)[number];

export const BUTTON_SHAPES = ['flat', 'domed', 'ball', 'strip'] as const;
export type ButtonShape = (typeof BUTTON_SHAPES)[number];

/** Gaps: all alike; the first one given, the others alike; in groups. */
export const SCHOOLS = ['equal', 'first', 'groups'] as const;
/** Gaps in whole steps of 1, 5 or 10 mm; of 1/16", 1/8" or 1/4". */
export const ROUNDINGS = ['fine', 'round', 'rounder'] as const;
export type Rounding = (typeof ROUNDINGS)[number];

export const SMALL_KINDS = [
  'cuff',
  'tab',
  'epaulette',
  'back-neck',
  'shoulder',
  'waistband',
  'collar',
  'hood',
] as const;
export type SmallKind = (typeof SMALL_KINDS)[number];
/** One button; two along the cuff, to draw it in; two across it; holes at both ends for links. */
export const LAYOUTS = ['one', 'side', 'line', 'link'] as const;
export type Layout = (typeof LAYOUTS)[number];

/** What was done at a hole. */
export const HOLE_STATES = ['marked', 'tested', 'sewn', 'cut'] as const;
export type HoleState = (typeof HOLE_STATES)[number];

/** A closing beside the front: cuffs, tabs, a detachable collar. Lengths in mm. */
export interface SmallChoice {
  id: string;
  kind: SmallKind;
  fastener: Fastener;
  /** How many there are of it: two cuffs. */
  times: number;
  /** Finished length and width of the strip; of a detachable collar or hood the half neckline on its seam line. */
  length: number;
  width: number;
  /** How far its ends lap. */
  lap: number;
  layout: Layout;
  count: number;
  diameter: number;
  thickness: number;
  /** Detachable: from centre back to the shoulder seam along the neckline. */
  shoulder: number;
}

export interface Done {
  /** `front`, or the id of a small closing. */
  line: string;
  /** Which one from the top, from 0, and where it was when this was done, mm. */
  index: number;
  at: number;
  state: HoleState;
}

/** One practice hole, as noted on the card. */
export interface Try {
  opening: number;
  density: number;
  stabiliser: 'under' | 'over' | 'none';
  words: string;
}

/** A place of the line to be kept clear, mm from its top. */
export interface Keep {
  code: 'waist-seam' | 'pocket' | 'cross-seam' | 'other';
  at: number;
  width: number;
}

/** Everything that is decided about buttons, holes and snaps. Lengths in mm. */
export interface ClosureChoice {
  on: boolean;
  kind: ClosingKind;
  fastener: Fastener;
  /** Show buttons sewn over snaps. */
  show: boolean;
  side: 'right' | 'left';
  diameter: number;
  thickness: number;
  shape: ButtonShape;
  /** A strip wrapped round the button once. */
  strip: number;
  /** Length of the closing where no pattern gives it, and as measured on the garment; null when it was not. */
  length: number;
  measured: number | null;
  /** Front beyond the centre line, where no line is drawn; finished width of the band, 0 for none. */
  extension: number;
  band: number;
  by: 'count' | 'range' | 'gap';
  count: number;
  most: number;
  gap: number;
  /** First centre below the top, last above the lower end, and how far each may move either way. */
  top: number;
  topGive: number;
  bottom: number;
  bottomGive: number;
  /** The first one at the break point of the lapel. */
  breakTop: boolean;
  /** The lowest at the pocket's upper edge. */
  pocketBottom: boolean;
  school: (typeof SCHOOLS)[number];
  firstGap: number;
  group: { size: number; inner: number };
  rounding: Rounding;
  /** A hole in the collar stand, which is so high. */
  stand: { hole: boolean; height: number };
  /**
   * Bust or chest level: whether a button is wanted there; where it lies when it was measured (`own`) or the pattern does
   * not say; measures round body and garment for the pull, 0 for none.
   */
  bust: { want: 'no' | 'near' | 'on'; own: boolean; at: number; body: number; garment: number };
  waist: { keepClear: boolean; at: number; belt: number };
  keep: Keep[];
  direction: 'horizontal' | 'vertical';
  snug: boolean;
  start: 'past' | 'centred';
  keyhole: boolean;
  /** Double-breasted: columns each side, first one so far from the centre line, rows that really close. */
  double: { columns: number; across: number; working: number };
  /** Which of the answers is taken. */
  answer: number;
  pins: { index: number; at: number }[];
  others: SmallChoice[];
  done: Done[];
  tries: Try[];
}

export const usualClosure = (): ClosureChoice => ({
  on: true,
  kind: 'single',
  fastener: 'button',
  show: false,
  side: 'right',
  diameter: 23,
  thickness: 4,
  shape: 'flat',
  strip: 54,
  length: 600,
  measured: null,
  extension: 25,
  band: 0,
  by: 'count',
  count: 6,
  most: 7,
  gap: 100,
  top: 18,
  topGive: 0,
  bottom: 180,
  bottomGive: 10,
  breakTop: false,
  pocketBottom: false,
  school: 'equal',
  firstGap: 70,
  group: { size: 2, inner: 35 },
  rounding: 'round',
  stand: { hole: false, height: 30 },
  bust: { want: 'no', own: false, at: 220, body: 0, garment: 0 },
  waist: { keepClear: false, at: 400, belt: 40 },
  keep: [],
  direction: 'horizontal',
  snug: false,
  start: 'past',
  keyhole: false,
  double: { columns: 1, across: 60, working: 2 },
  answer: 0,
  pins: [],
  others: [],
  done: [],
  tries: [],
});

/** A placket alone, without a pattern: shirt buttons along a narrow band. */
export const usualPlacket = (): ClosureChoice => ({
  ...usualClosure(),
  by: 'range',
  count: 7,
  most: 8,
  diameter: 15,
  thickness: 3,
  strip: 36,
  top: 20,
  bottom: 60,
  extension: 15,
  direction: 'vertical',
});

/**
 * Columns of a double-breasted front, mm from the centre line towards the edge (positive) and inward: the outermost,
 * which carries the holes, and all of them. The centre line itself for a single row.
 */
export function columnsOf({ kind, double }: ClosureChoice): { outer: number; all: number[] } {
  if (kind !== 'double') return { outer: 0, all: [0] };
  const steps = Array.from({ length: double.columns }, (_, i) => (i + 1) * double.across);
  return { outer: double.columns * double.across, all: [...steps, ...steps.map((s) => -s)] };
}

/** A small closing as it is usual; lengths from common practice, to be measured on the garment. */
export function usualSmall(kind: SmallKind, id: string): SmallChoice {
  const base: SmallChoice = {
    id,
    kind,
    fastener: 'button',
    times: 1,
    length: 100,
    width: 40,
    lap: 25,
    layout: 'one',
    count: 1,
    diameter: 11,
    thickness: 2.5,
    shoulder: 80,
  };
  const by: Record<SmallKind, Partial<SmallChoice>> = {
    cuff: { times: 2, length: 240, width: 65 },
    tab: { times: 2, length: 120, width: 35, diameter: 15, thickness: 3 },
    epaulette: { times: 2, length: 130, width: 45, diameter: 15, thickness: 3 },
    'back-neck': { length: 100, width: 20, fastener: 'loop' },
    shoulder: { length: 120, width: 35, count: 3 },
    waistband: { length: 740, width: 35, lap: 30, diameter: 18, thickness: 3 },
    collar: { length: 215, width: 30, fastener: 'snap', diameter: 9, shoulder: 85 },
    hood: { length: 230, width: 30, diameter: 15, thickness: 3, shoulder: 90 },
  };
  return { ...base, ...by[kind] };
}
