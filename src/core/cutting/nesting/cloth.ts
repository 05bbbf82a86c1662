/**
 * How a cloth lies on the table: in one layer; or in two, so that each piece is cut twice: folded along its length, or across it, its two
 * ends on each other; or so that only a strip along the fold lies double.
 */
export const LIES = ['single', 'folded', 'crosswise', 'partly'] as const;
export type Lies = (typeof LIES)[number];

/** Sorts of cloth that are laid and cut each in their own way. */
export const CLOTH_SORTS = ['plain', 'slippery', 'directed', 'lace', 'fur'] as const;
export type ClothSort = (typeof CLOTH_SORTS)[number];

/** Which edges of a cloth are finished in scallops, on which hems lie: none, the left one, or both. */
export const SCALLOPS = ['none', 'one', 'both'] as const;
export type Scallops = (typeof SCALLOPS)[number];

/** A place of the cloth that no piece may touch: a hole, a stain, a slub. From and to across, from and to along, mm, as it lies. */
export interface Flaw {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}

/** A print or a weave that repeats along the cloth and across it: how far on it comes again, mm, 0 where it does not. */
export interface Print {
  along: number;
  across: number;
  /** From the cut end and from the left selvedge to the first of its lines. */
  fromEnd: number;
  fromSide: number;
}

/** A further length of cloth on the same table: where it begins there, mm, how wide and long it is, its outline and flaws seen from its own corner. */
export interface FurtherLength {
  /** Which cloth of the stash it is. */
  stash: string;
  from: number;
  width: number;
  length: number;
  outline: readonly { x: number; y: number }[];
  flaws: readonly Flaw[];
}
/** So far apart lengths lie on the table, mm: no piece lies over two of them. Own figure. */
export const APART = 20;

/**
 * A cloth to lay pieces on. Axes: x across it from its left selvedge, or from the fold, y along it from the cut end; the grain runs along y.
 * Lengths in mm.
 */
export interface Cloth {
  /** Selvedge to selvedge. */
  width: number;
  lies: Lies;
  /** Of one that is partly folded, how wide a strip lies double, mm. */
  foldedBy: number;
  /** In one layer its wrong side lies up, so that pieces are cut from behind, face down; of two layers the wrong sides lie together. */
  otherSideUp: boolean;
  /** Its fold lies across the table from where one stands, not nearest: it is seen so, x is from the fold all the same. */
  foldFar: boolean;
  /** Nap, pile or a print that has an upper end: all pieces lie the same way. */
  oneWay: boolean;
  /** So far off the grain a piece may be turned, degrees; 0 where each lies on it. */
  tilt: number;
  /** Kept free along each selvedge and at both ends. */
  selvedge: number;
  end: number;
  /** Kept between pieces, and round flaws. */
  gap: number;
  flaws: readonly Flaw[];
  /** Of a leftover its outline, opened out, in a box from the origin; none where it is an oblong. */
  outline: readonly { x: number; y: number }[];
  /** Further lengths that lie behind it on the table, as leftovers do; only of one in a single layer. */
  more: readonly FurtherLength[];
  /** Of a lace in one layer; of others nothing is asked. */
  scallops: Scallops;
  print: Print;
  /** What it will still shrink by after it is cut, % along and across: pieces are laid larger by as much. */
  shrinks: { along: number; across: number };
}

/** A cloth of which nothing is said but how wide it is: in one layer, used to its edges, plain. */
export const plainCloth = (width: number, more: Partial<Cloth> = {}): Cloth => ({
  width,
  ...{
    lies: 'single',
    foldedBy: 0,
    otherSideUp: false,
    foldFar: false,
    oneWay: false,
    tilt: 0,
    selvedge: 0,
    end: 0,
    gap: 0,
    flaws: [],
    outline: [],
  },
  ...{
    more: [],
    scallops: 'none',
    print: { along: 0, across: 0, fromEnd: 0, fromSide: 0 },
    shrinks: { along: 0, across: 0 },
  },
  ...more,
});

/** The strip that pieces may lie in, across: from and to, mm from the left selvedge or the fold. */
export const usable = (c: Cloth): Span => [foldLies(c) ? 0 : c.selvedge, wideOf(c) - c.selvedge];

export type Span = readonly [from: number, to: number];

/** Whether its left edge, as it lies, is a fold. */
export const foldLies = (c: Cloth): boolean => c.lies === 'folded' || c.lies === 'partly';

/** Whether it is seen from its far side: its fold lies across the table. */
export const isFar = (c: Cloth): boolean => foldLies(c) && c.foldFar;

/** So far from the fold, or from the left selvedge, it lies in two layers, mm. */
export const doubleTo = (c: Cloth): number =>
  ({ single: 0, folded: c.width / 2, crosswise: c.width, partly: Math.min(c.foldedBy, c.width / 2) })[c.lies];

/** How wide it lies on the table, mm. */
export const wideOf = (c: Cloth): number => (foldLies(c) ? c.width - doubleTo(c) : c.width);

/** Where pieces may lie that are cut from so many layers; null where it has no such place. */
export function spanOf(c: Cloth, layers: 1 | 2): Span | null {
  const [from, to] = usable(c);
  if (c.lies === 'partly') return layers === 2 ? [0, doubleTo(c) - c.selvedge] : [doubleTo(c), to];
  return (layers === 2) === doubleTo(c) > 0 ? [from, to] : null;
}

/** How often its length lies over itself: folded across, both its ends lie on each other. */
const layersAlong = (c: Pick<Cloth, 'lies'>): number => (c.lies === 'crosswise' ? 2 : 1);

/** How much cloth a length of the lay takes, and how long it lies on the table of a length of cloth, mm. */
export const clothOf = (c: Pick<Cloth, 'lies'>, length: number): number => length * layersAlong(c);
export const onTable = (c: Pick<Cloth, 'lies'>, cloth: number): number => cloth / layersAlong(c);

/** Where the first line of the print lies across, as it lies: a cloth that matches is folded along one of them (common practice). */
export const firstLine = (c: Cloth): number => (foldLies(c) ? 0 : c.print.fromSide);

/** Where the lines of its print lie on a length of it, mm: `y` along it, `x` across it, as it lies. */
export function printLines(c: Cloth, length: number): { y: number[]; x: number[] } {
  const wide = wideOf(c);
  const steps = (from: number, step: number, to: number): number[] => {
    const first = step > 0 ? from % step : to + 1;
    return Array.from({ length: Math.max(0, Math.floor((to - first) / step) + 1) }, (_, k) => first + k * step);
  };
  return { y: steps(c.print.fromEnd, c.print.along, length), x: steps(firstLine(c), c.print.across, wide) };
}

/** Where a piece lies: which cut of it, mirrored, then turned, and the lower corner of its box. */
export interface Placed {
  piece: string;
  /** From 0, of those that are cut of this piece. */
  copy: number;
  /** Degrees, from x towards y; with its grain along the cloth at 0 and at 180. */
  turn: number;
  mirrored: boolean;
  x: number;
  y: number;
  /** Stays where it is while the rest is laid anew. */
  pinned?: boolean | undefined;
}

/** Pieces laid on a cloth, and how much of it they take, mm. */
export interface Lay {
  cloth: Cloth;
  placed: Placed[];
  length: number;
}
