import { type Bulk, type Decisions } from '../document/project.ts';
import { type Surface } from '../garment/index.ts';
import { type EdgeMark, type LaidOn, type Material, type PieceKind, type Role } from '../pattern/index.ts';
import { type Finding } from '../result.ts';
import { type Bend } from './clips.ts';
import { type SeamCode } from './names.ts';

export type Station = 'table' | 'iron' | 'machine' | 'overlocker' | 'buttonhole' | 'hand';
export type Section = 'prepare' | 'shell' | 'apart' | 'inside' | 'joining' | 'finish';

/** Which side of a cloth is up as it lies on the table. */
export type Up = 'right' | 'wrong';

/** An edge of a layer of cloth: its seam line's length (mm), and its curved stretches. */
export interface PartEdge {
  id: string;
  role: Role;
  length: number;
  onFold: boolean;
  /** Of a facing that is grown on beyond the fold of its front. */
  grownOn?: true;
  allowance: number;
  bends: Bend[];
  /** Corners along it, and whether it meets the next edge of its ring in one. */
  corners?: number;
  cornerAtEnd?: boolean;
  /** How it lies to the grain, as `slantOf` tells. */
  slant?: number;
  /** Points drawn beside it. */
  marks?: EdgeMark[];
}

/**
 * One layer of cloth as the plan sees it. A piece cut twice as upper and under layer (collar, stand, cuff, yoke, band) is two
 * parts; left and right of a mirrored pair are one, made alike.
 */
export interface Part {
  id: string;
  /** The pattern piece it is cut from. */
  of: string;
  kind: PieceKind;
  material: Material;
  ring: PartEdge[];
  /** Rings round openings cut into it. */
  openings?: PartEdge[][];
  /** Left and right are two pieces of cloth. */
  paired: boolean;
  /** A piece of the outside, or of what lies inside it. */
  layer: 'outer' | 'inner';
  /** Its wrong side is covered by another layer, so that plain seams need no neatening. */
  covered: boolean;
  fused: string | null;
  /** What a piece is for that is no panel of the garment. */
  use?: LaidOn;
  /** How many pieces of cloth the pattern says to cut of its piece. */
  cut: number;
  /** At a vent: how far its extension folds back where it laps over (mm), and its corner with the hem (radians). */
  vent?: { fold: number; angle: number };
  /** Darts and pleats drawn in it. */
  darts: number;
  pleats: number;
}

/** Edges sewn together: `a` is the side that may be longer. */
export interface Joint {
  id: string;
  code: SeamCode;
  /** The names of its two sides, where its own name does not tell them: pieces beyond the usual ones. */
  between?: readonly [string, string];
  a: string[];
  b: string[];
  lengthA: number;
  lengthB: number;
  /** Joins an outer to an inner layer, so that both are closed along it. */
  closing: boolean;
  /** Why one side is longer, as the seam was walked: eased, gathered, an overlap … */
  easeOf?: string;
  /** The joint whose allowances this one shuts in: the seam that a second layer is stitched over. */
  covers?: string;
  /** The same seam of the other half of the body, where the two are sewn otherwise: beside a zip in one side. */
  halfOf?: string;
  allowance: number;
}

/** A seam by its code; where that alone does not tell it, with the names of its sides. */
export type SeamName = Pick<Joint, 'code' | 'between'>;

/** A seam of the outside that nothing covers: how it is neatened, and how else it could be. */
export interface SeamFinish {
  /** Under which it is chosen. */
  seam: string;
  name: SeamName;
  way: string;
  ways: string[];
}

/** A stretch of a joint, as shares 0..1 of its length. */
export interface Sewn {
  joint: string;
  from: number;
  to: number;
}

/** What becomes of a raw edge: still bare in a plain seam, or safe. */
export type CareHow = 'seamed' | 'enclosed' | 'bound' | 'overlocked' | 'hemmed' | 'folded';
export interface Care {
  edge: string;
  how: CareHow;
}

/**
 * A layer on the table, and how often it swings over about the seam when it is opened out: 0 stays, 1 lies beside, 2 is turned
 * under (or over) the one that stays.
 */
export interface Laid {
  part: string;
  up: Up;
  swings: 0 | 1 | 2;
  /** Its turned-up hem, a layer of its own. */
  hem?: boolean;
}

/** Turning right side out: a bag through an opening, parts through their tubes, or a small part through its open edge. */
export interface Turning {
  how: 'bag' | 'pull' | 'part';
  /** Parts that are turned. */
  parts: string[];
}

/** Where stitching begins, halts or turns on its way; each has words of its own. */
export const STOP_CODES = [
  'opening',
  'casing-gap',
  'tie-gap',
  'pocket-mouth',
  'pivot-at-corners',
  'pivot-at-hem',
  'short-at-open-edge',
  'short-at-waist',
  'short-at-zip',
  'short-of-shoulder',
  'stop-above-hem',
  'stop-at-vent-top',
  'stop-before-facing',
  'stop-below-zip',
] as const;
export type StopCode = (typeof STOP_CODES)[number];

export interface StopPoint {
  code: StopCode;
  mm: number;
}

/**
 * One thing to do. `needs` and `makes` are tokens: an operation may only come when all that make its needs are done; a need
 * with a question mark is dropped where the garment has nothing of the kind.
 */
/** Which way along an edge it is sewn, and between which edges of its piece that runs. */
export interface Direction {
  /** `part/edge`. */
  edge: string;
  /** 1 from the edge's start to its end, -1 back. */
  along: 1 | -1;
  from: Role;
  to: Role;
}

/** A point of the pattern that a step's stitching comes by. */
export interface SeamMark {
  /** `part/edge`. */
  edge: string;
  turns: boolean;
  /** How far it lies from the nearer end of its edge, mm, and what is there. */
  far: number;
  from: Role;
  /** Whether the stitching ends there; null where it is sewn right through. */
  meets: boolean | null;
}

/** Where the work can hurt someone: what is said of it stands with the words. */
export type Caution =
  | 'pins'
  | 'pins-on'
  | 'iron'
  | 'fumes'
  | 'blades'
  | 'blades-machine'
  | 'needles'
  | 'cords'
  | 'ripper'
  | 'thick-seam'
  | 'small-parts';

export interface Operation {
  id: string;
  code: string;
  section: Section;
  station: Station;
  pieces: string[];
  /** The seam it is about, by its code, where it does not sew it itself (pressing, trimming). */
  about: string | null;
  /** All seams it sews or works in one run, in their order. */
  seams: SeamName[];
  sews: Sewn[];
  /** Joints whose allowances must be within reach: pressing, grading, clipping, understitching. */
  works: string[];
  needs: string[];
  makes: string[];
  cares: Care[];
  /** Layers on the table, bottom to top. */
  stack: Laid[];
  /** Why one side of what it sews is longer; null where both are alike. */
  easeOf: string | null;
  /** Seam allowance it is sewn with, mm; null where none is sewn. */
  allowance: number | null;
  stops: StopPoint[];
  /** Where the allowances lie afterwards: open, to one part, or between the layers. */
  press: string | null;
  /** The layer they are pressed towards, where to one side. */
  towards: string | null;
  turns: Turning | null;
  /** Curved stretches that it clips or notches, on each half. */
  bends: Bend[];
  /** Which way it is sewn along each edge, where the grain tells. */
  directions: Direction[];
  /** Points of the pattern along what it sews. */
  marks: SeamMark[];
  /** Sewn by reaching between the layers, in position, instead of with the garment laid flat. */
  reached: boolean;
  /** Foot and thread, where another than usual. */
  foot: 'straight' | 'zip' | 'gathering' | 'buttonhole';
  thread: 'shell' | 'lining';
  cautions: Caution[];
  /** Hard to unpick: comes after the try-on. */
  hard: boolean;
  /** Numbers the words need. */
  data: Record<string, number>;
  minutes: number;
}

export interface PlanStep extends Operation {
  number: number;
  /** Numbers of the steps it directly waits for. */
  after: number[];
}

/** Everything about the garment that the plan and its checker look at. */
export interface GarmentModel {
  /** The outside as it is put together: panels, and what is sewn to what. */
  surface: Surface;
  parts: Part[];
  joints: Joint[];
  /** How often each joint is to be sewn along all its length; 1 when not named. */
  passes: Record<string, number>;
  /** Share of a joint that is left open at its lower end, as a slit. */
  open: Record<string, number>;
  /** Stretch of a joint, as shares, that is never sewn to its other side: the mouth of a pocket set in the seam. */
  mouths: Record<string, { from: number; to: number }>;
  bulk: Bulk;
  /** The lining is seen through a lace shell, its right side outward. */
  lace: boolean;
}

export type { Bulk };

export interface Plan {
  making: GarmentModel;
  steps: PlanStep[];
  stationChanges: number;
  /** Changes of foot or thread. */
  changes: number;
  minutes: number;
  handMinutes: number;
  /** Chosen method of every topic the garment has. */
  methods: Record<string, string>;
  /** How each bare seam of the outside is neatened. */
  finishes: SeamFinish[];
  /** Steps the sewist left out, so that what is said of them can call them by their titles. */
  left: PlanStep[];
  findings: Finding[];
}

/** What the methods work from: layers and joints, the choices, and what is to be fastened. */
export interface Garment {
  making: GarmentModel;
  d: Decisions;
  /** Method of every topic, and of single bare seams neatened otherwise. */
  methods: Record<string, string>;
  finishes: Record<string, string>;
  extras: string[];
  /** On the whole garment, cuffs and all: buttons and sewn-on snaps or hooks, and holes to be sewn. */
  buttons: number;
  snaps: number;
  holes: number;
  hole: { opening: number; overall: number } | null;
}
