import { type BenchLog, emptyBench } from '../bench/log.ts';
import { type Entry } from '../bench/notebook.ts';
import { usualWeek, type Week } from '../bench/week.ts';
import { type ClosureChoice, usualClosure } from '../closure/choices.ts';
import { type CuttingChoice, usualCutting } from '../cutting/cloths.ts';
import { emptyStash, type Stash } from '../cutting/stash.ts';
import { type Path, type Point } from '../geometry/index.ts';
import {
  type CornerRule,
  type InternalLine,
  type Mark,
  type Notch,
  type PieceKind,
  type Role,
} from '../pattern/types.ts';
import { type LengthUnit } from '../units.ts';
import {
  type BandRole,
  type BiasSchool,
  type Bulk,
  type DartChoice,
  type FacingKind,
  type FacingParts,
  type Finish,
  type FrontInterfacing,
  type FrontLining,
  type Fullness,
  type HemKind,
  type SlitSeam,
  type StripSaid,
  type Trim,
  type ZipSeam,
} from './choices.ts';

export * from './choices.ts';

/** An edge as it came in: its drawn path and what the sewist has said of it. Null means "the usual". */
export interface ShellEdge {
  id: string;
  role: Role;
  /** How sure the suggested role is, 0..1; 1 once the sewist has set it. */
  confidence: number;
  path: Path;
  allowance: number | null;
  corner: CornerRule | null;
  onFold: boolean;
}

/** A shell piece as drawn in the file: mm, y down, clockwise on screen. */
export interface ShellPiece {
  id: string;
  name: string;
  kind: PieceKind;
  ring: ShellEdge[];
  /** How many to cut; a pair is mirrored. On a fold, how many are cut so: a yoke twice. */
  count: number;
  grain: { a: Point; b: Point };
  notches: Notch[];
  lines: InternalLine[];
  marks?: Mark[];
  /** What this piece's outline is, where the file itself tells; else the shell's `lines` holds. */
  drawn?: 'cut' | 'seam';
}

export interface Shell {
  fileName: string;
  /** Whether the drawn outlines are cut lines or seam lines. */
  lines: 'cut' | 'seam';
  pieces: ShellPiece[];
  /** The sewist has looked at its measures and said that they are so. */
  trueSize?: boolean;
}

export interface HemChoice {
  kind: HemKind;
  /** Joined: how far the lowest point of the lining's fold stays above the finished hem (mm). */
  clearance: number;
  /** Joined: the seam between lining and hem (mm). */
  seam: number;
  /** Free: the lining's finished edge above the shell's finished hem (mm). */
  above: number;
  /** Free: the two turns of the lining hem (mm). */
  turn1: number;
  turn2: number;
  /** Rib: its finished depth (mm), and its length in per cent of the edge it is stretched to. */
  ribDepth: number;
  ribShare: number;
}

/** Seams with an allowance that is turned in: on the shell and on the lining, mm. */
export interface TurnedSeams {
  shellSeam: number;
  liningSeam: number;
}

/** An edge of a piece as it lies in the garment: of the half that is drawn, or of that half mirrored. */
export interface EdgeSaid {
  piece: string;
  edge: string;
  mirrored: boolean;
}

/** What the sewist has said of an edge: what it is sewn to, or that it stays open (null). */
export interface JoinSaid {
  id: string;
  a: EdgeSaid;
  b: EdgeSaid | null;
}

/** An edge cut with another allowance than the pattern's: the seam stays where it is, the cut line moves. */
export interface AllowanceSaid {
  piece: string;
  edge: string;
  /** mm. */
  allowance: number;
}

/** A piece interfaced along one of its edges, or all of it (null); itself, or its lining. */
export interface Stiffened {
  piece: string;
  edge: string | null;
  /** mm. */
  width: number;
  on: 'shell' | 'lining';
}

/** How a sleeve cap too short for its armhole is redrawn: deeper towards the underarm, or lifted at its top. */
export const CAP_WAYS = ['deepened', 'lifted'] as const;
export type CapWay = (typeof CAP_WAYS)[number];

export interface CapSaid {
  piece: string;
  way: CapWay;
  /** By how much it is to be longer than its armhole, mm. */
  ease: number;
}

/** A seam sewn otherwise than its allowance says, by its id: so far from the cut edges, in one pass or the two of a French seam. */
export interface SewnSaid {
  seam: string;
  first: number;
  /** 0 for one pass. */
  second: number;
}

export interface Decisions {
  allowances: { seam: number; hem: number; wrist: number };
  facing: {
    on: boolean;
    front: number;
    shoulder: number;
    back: number;
    radius: number;
    kind: FacingKind;
    /** Lapel: how far its facing is drawn out at the top, and where it begins to turn below the top of the edge, mm. */
    out: number;
    breakAt: number;
    /** A back facing down to the armholes, its depth at centre back, mm; 0 for one round the neck. */
    deep: number;
    /** A facing along the opening of a hood, mm; 0 for none. */
    hood: number;
    /** Widths of facings along other edges, mm; 0 for none. */
    bands: Record<BandRole, number>;
    /** Neck and armhole faced in one, its depth at the centre and below the underarm, mm; 0 for apart. */
    inOne: number;
    /** How much smaller facings along edges are drawn, so that the seam rolls inside, mm. */
    turn: number;
    over: FacingParts;
    finish: Finish;
    /** A bias strip in place of a shaped facing: finished width (mm), how much shorter it is cut (per cent). */
    bias: { neck: boolean; armhole: boolean; finished: number; school: BiasSchool; shorter: number };
  };
  lining: {
    on: boolean;
    pleat: number;
    /** How far it goes down from the neck before it runs out, mm, in a back with a seam; 0 for all the way. */
    pleatLength: number;
    raise: number;
    out: number;
    capEase: number;
    /** Sleeveless: how much smaller the lining's armhole is, so that it rolls inside, mm. */
    smaller: number;
    /** Pockets grown on to a seam: left out of the lining, or kept. */
    pockets: 'out' | 'kept';
    /** Darts of the shell, in its lining. */
    darts: DartChoice;
    /** Both layers are the shell, and either is worn outward. */
    self: boolean;
    /** The body is lined, the sleeves are. */
    body: boolean;
    sleeves: boolean;
    /** The skirt has a lining of its own. */
    skirt: boolean;
    fronts: FrontLining;
    /** A zip from the upper end of a seam: its length, on which side where it lies in a side seam, and the seams with the turned
     * allowance on shell and lining; 0 long for none. */
    zip: { length: number; at: ZipSeam; on: 'left' | 'right' } & TurnedSeams;
    /** Gathers and pleats of the shell: repeated, or taken out, so that it lies smooth over the body. */
    fullness: Fullness;
    /** Seams of the shell that it does not have: each by an edge on one of its sides. */
    inOne: { piece: string; edge: string }[];
    /** A vent: at a centre which half laps over, as worn; at another seam which of its pieces. That one's extension folds back. */
    vent: { over: 'left' | 'right'; lap: 'front' | 'back' } & TurnedSeams;
    /** A seam left open so far above the finished hem; 0 for none. */
    slit: { at: SlitSeam; length: number } & TurnedSeams;
    hem: HemChoice;
    wrist: HemChoice;
  };
  interfacing: {
    on: boolean;
    trim: Trim;
    frontStrip: number;
    /** The front beneath its facing: a strip along the edge, shaped from shoulder and underarm to the facing line, or whole. */
    front: FrontInterfacing;
    /** Both layers of a stand, or one. */
    stand: 'both' | 'one';
    /** A strip on the wrong side along a zip, its width; 0 for none. */
    zip: number;
    /** A patch behind each buttonhole. */
    patches: boolean;
    /** Collar, stand, cuffs and waistband. */
    collars: boolean;
    /** Bias strips in the hems: so much wider than the hem, mm; 0 for none. */
    hems: number;
    /** A stay for the upper back, its depth at centre back, mm; 0 for none. */
    stay: number;
    /** Wherever else it is wished. */
    regions: Stiffened[];
  };
  closure: ClosureChoice;
  /** What is sewn to what, where that is not as suggested. */
  joins: JoinSaid[];
  reallowed: AllowanceSaid[];
  caps: CapSaid[];
  sewn: SewnSaid[];
  strips: StripSaid[];
  /** How it is put together. */
  making: {
    bulk: Bulk;
    /** The lining is seen through a lace shell: its right side looks outward. */
    lace: boolean;
    /** Chosen methods by topic; the usual one where none is. */
    methods: Record<string, string>;
    /** How single bare seams are neatened, by seam: as all are where none is named. */
    finishes: Record<string, string>;
    /** Things without pattern pieces: ties, a ruffle, a label. */
    extras: string[];
    /** Steps in the sewist's own order, by id; null as proposed. */
    order: string[] | null;
    /** Steps left out. */
    left: string[];
    /** Lines of her own instruction sheet, and which steps each is; null for none. */
    sheet: { text: string; steps: string[] | null }[] | null;
  };
  cutting: CuttingChoice;
  /** What is done of it, with what, and by when it is wanted. */
  bench: BenchLog;
  /** What was written down on the way. */
  notebook: Entry[];
  /** When there is time for sewing, kept with the stash: of a garment nothing is read of it. */
  week: Week;
  /** What one has, kept in a document of its own: of a garment there is nothing in it. */
  stash: Stash;
  /** What is ticked to be printed, by piece id; null prints everything. */
  paper: { size: 'a4' | 'letter'; pieces: string[] | null; strip: boolean };
}

/** The garment of a project that is a closing alone, without a pattern. */
export const CLOSING_ONLY = 'closing';
/** What the document of the stash is a project of, and its id. */
export const STASH = 'stash';

/** What a project can be of. */
export const GARMENTS = ['coat', 'jacket', 'waistcoat', 'shirt', 'dress', 'skirt', 'other', CLOSING_ONLY] as const;

/** Everything the sewist has decided. All other things are computed from it. */
export interface ProjectDocument {
  schema: 16;
  name: string;
  garment: string;
  units: LengthUnit;
  shell: Shell | null;
  decisions: Decisions;
}

const USUAL_HEM: HemChoice = {
  kind: 'joined',
  clearance: 15,
  seam: 10,
  above: 15,
  turn1: 15,
  turn2: 25,
  ribDepth: 60,
  ribShare: 85,
};

/** The usual choices for a lined coat: common practice and handbook figures, each within its rule's range. */
export function usualDecisions(): Decisions {
  return {
    allowances: { seam: 15, hem: 40, wrist: 40 },
    facing: {
      on: true,
      front: 85,
      shoulder: 60,
      back: 60,
      radius: 65,
      kind: 'separate',
      out: 3,
      breakAt: 250,
      deep: 0,
      hood: 50,
      bands: { armhole: 0, waist: 0, hem: 0, wrist: 0, 'cut-out': 0 },
      inOne: 0,
      turn: 1,
      over: 'one',
      finish: 'overlocked',
      bias: { neck: false, armhole: false, finished: 8, school: 'turned', shorter: 3 },
    },
    lining: {
      on: true,
      pleat: 30,
      pleatLength: 0,
      raise: 12,
      out: 5,
      capEase: 15,
      smaller: 3,
      pockets: 'out',
      darts: 'sewn',
      self: false,
      body: true,
      sleeves: true,
      skirt: true,
      fronts: 'lined',
      zip: { length: 0, at: 'centre-back', on: 'left', shellSeam: 10, liningSeam: 10 },
      fullness: 'kept',
      inOne: [],
      vent: { over: 'left', lap: 'front', shellSeam: 10, liningSeam: 10 },
      slit: { at: 'side', length: 0, shellSeam: 10, liningSeam: 10 },
      hem: { ...USUAL_HEM },
      wrist: { ...USUAL_HEM },
    },
    interfacing: {
      on: true,
      trim: 'inside',
      frontStrip: 60,
      front: 'strip',
      stand: 'both',
      zip: 0,
      patches: false,
      collars: true,
      hems: 0,
      stay: 0,
      regions: [],
    },
    closure: usualClosure(),
    joins: [],
    reallowed: [],
    caps: [],
    sewn: [],
    strips: [],
    making: {
      bulk: 'medium',
      lace: false,
      methods: {},
      finishes: {},
      extras: [],
      order: null,
      left: [],
      sheet: null,
    },
    cutting: usualCutting(),
    bench: emptyBench(),
    notebook: [],
    week: usualWeek(),
    stash: emptyStash(),
    paper: { size: 'a4', pieces: null, strip: true },
  };
}
