// What the sewist can choose among, each with its words in the interface.

/**
 * Lining hem: sewn to the shell hem's raw edge with a jump pleat; hanging free with a hem of its own; sewn to the other edge
 * of a rib; or seamed to the shell's edge, as where both sides are worn out.
 */
export const HEM_KINDS = ['joined', 'free', 'rib', 'edge'] as const;
export type HemKind = (typeof HEM_KINDS)[number];

/** How interfacing ends at a seam: inside it, on it, caught in it, or the whole piece with its allowance. */
export type Trim = 'inside' | 'seam' | 'caught' | 'whole';

/** How the outer edge of a facing that lies free is neatened. */
export const FINISHES = ['overlocked', 'bound', 'pressed'] as const;
export type Finish = (typeof FINISHES)[number];

/** A facing over several panels: in one across the seams between them, or in parts cut at each. */
export const FACING_PARTS = ['one', 'parts'] as const;
export type FacingParts = (typeof FACING_PARTS)[number];

/** A bias strip goes round the trimmed edge, or is sewn to its seam and turned inside. */
export const BIAS_SCHOOLS = ['wrapped', 'turned'] as const;
export type BiasSchool = (typeof BIAS_SCHOOLS)[number];

/** Edges that can be faced by themselves. */
export const BAND_ROLES = ['armhole', 'waist', 'hem', 'wrist', 'cut-out'] as const;
export type BandRole = (typeof BAND_ROLES)[number];

export const FULLNESS = ['kept', 'out'] as const;
export type Fullness = (typeof FULLNESS)[number];

/** Darts in a lining: sewn as in the shell, or laid as soft pleats of the same take-up. Common practice. */
export const DART_CHOICES = ['sewn', 'pleats'] as const;
export type DartChoice = (typeof DART_CHOICES)[number];

/** Where a seam can be left open as a slit. */
export const SLIT_SEAMS = ['side', 'centre-back', 'centre-front'] as const;
export type SlitSeam = (typeof SLIT_SEAMS)[number];

/** Where a zip can lie; in a side seam on one side only. */
export const ZIP_SEAMS = ['centre-back', 'centre-front', 'side'] as const;
export type ZipSeam = (typeof ZIP_SEAMS)[number];

/** The fronts are lined as the rest is, or cut twice from the shell: then they need no facing, and the back has one only. */
export const FRONT_LININGS = ['lined', 'double'] as const;
export type FrontLining = (typeof FRONT_LININGS)[number];

/** The front facing: a piece of its own; grown on beyond the edge, which is then a fold; or turned back with a lapel. */
export const FACING_KINDS = ['separate', 'cut-on', 'lapel'] as const;
export type FacingKind = (typeof FACING_KINDS)[number];

export const FRONT_INTERFACINGS = ['strip', 'shaped', 'whole'] as const;
export type FrontInterfacing = (typeof FRONT_INTERFACINGS)[number];

/** How thick the cloth is: what a turned tube or opening must let through. */
export const BULKS = ['thin', 'medium', 'thick'] as const;
export type Bulk = (typeof BULKS)[number];

/**
 * Pieces that are cut by figures: a tie or sash, folded along its middle; a ruffle, gathered on to an edge; a flounce, a ring
 * as long inside as its edge; belt loops, cut in one strip.
 */
export const STRIP_KINDS = ['tie', 'ruffle', 'flounce', 'belt-loops'] as const;
export type StripKind = (typeof STRIP_KINDS)[number];

export interface StripSaid {
  id: string;
  kind: StripKind;
  name: string;
  count: number;
  /** Finished length of a tie or of one loop, mm. */
  length: number;
  /** Finished width of a tie or loop, finished depth of a ruffle or flounce, mm. */
  width: number;
  /** How many times as long as its edge a ruffle is. */
  ratio: number;
  /** Its hem, mm. */
  hem: number;
  /** The edge a ruffle or flounce is sewn to. */
  to: { piece: string; edge: string } | null;
}
