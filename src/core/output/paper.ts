export interface Paper {
  name: 'a4' | 'letter';
  /** Portrait, mm. */
  width: number;
  height: number;
}

/** ISO 216 A4; ANSI Letter is 8 1/2 × 11 in. */
export const PAPERS: Record<Paper['name'], Paper> = {
  a4: { name: 'a4', width: 210, height: 297 },
  letter: { name: 'letter', width: 215.9, height: 279.4 },
};

/** One long page: paper rolls (610 and 914 mm are 24 and 36 in, 841 the short side of A0), and what a projector shows. */
export const LONG_PAPERS = ['roll610', 'roll841', 'roll914', 'projector'] as const;
export type LongPaper = (typeof LONG_PAPERS)[number];
/** Their widths, mm; a projector's is an own figure. */
export const LONG: Record<LongPaper, number> = { roll610: 610, roll841: 841, roll914: 914, projector: 1000 };
export const isLong = (paper: string): paper is LongPaper => paper in LONG;

/** Unprinted rim of a page and the strip two neighbours share, mm. */
export const MARGIN = 10;
export const OVERLAP = 10;
/** Pieces keep this far from the rim of the plane, so that no line hides under a page's frame (mm). */
export const RIM = 4;

/** What of a page is printed, mm. */
export const printable = (p: Paper): { w: number; h: number } => ({
  w: p.width - 2 * MARGIN,
  h: p.height - 2 * MARGIN,
});

/** On which of so many pages a place of the plane lies, of those side by side or one below the other: the one in whose middle part it is. */
export const pageAt = (v: number, step: number, count: number): number =>
  Math.min(count - 1, Math.max(0, Math.floor((v - OVERLAP / 2) / step)));

/** How far on the next page begins, mm. */
export const pageStep = (p: Paper): { x: number; y: number } => ({
  x: printable(p).w - OVERLAP,
  y: printable(p).h - OVERLAP,
});
