import { type Box, flatten, type Point } from '../../geometry/index.ts';
import { lineBox, type PdfLine, type PdfPage, rectangleOf } from './pages.ts';

/** How the pages of a tiled pattern lie together. */
export interface Layout {
  /** `one` page, pages that lie `apart`, or tiles told by `lines` drawn on both pages, by `labels`, by the lines that go `across`, or as `said`. */
  by: 'one' | 'apart' | 'lines' | 'labels' | 'across' | 'said';
  /** Part of each page that is pattern, mm on the page. */
  trim: Box;
  columns: number;
  rows: number;
  overlapX: number;
  overlapY: number;
  /** Where each page lies, by its index; pages that are no tile (covers, instructions) are missing. */
  places: { page: number; column: number; row: number }[];
  /** Share of the lines crossing from page to page that meet, 0..1. */
  score: number;
}

/** What the sewist said of the layout; each left out is found. */
export interface SaidLayout {
  columns?: number;
  order?: 'rows' | 'columns';
  overlap?: number;
}

const key = (b: Box): string => [b.minX, b.minY, b.maxX, b.maxY].map((v) => Math.round(v * 2)).join(',');
const areaOf = (b: Box): number => (b.maxX - b.minX) * (b.maxY - b.minY);

/** The rectangle drawn or clipped to at the same place on most pages; the page itself where there is none. */
export function trimOf(pages: PdfPage[]): { trim: Box; framed: Set<number> } {
  const found = new Map<string, { box: Box; pages: Set<number> }>();
  pages.forEach((p, i) => {
    const whole = p.width * p.height;
    const boxes = p.lines.flatMap((l) => [rectangleOf(l.path), l.clip].filter((b): b is Box => b !== null));
    for (const b of boxes) {
      if (areaOf(b) < 0.4 * whole || areaOf(b) > 0.999 * whole) continue;
      const held = found.get(key(b)) ?? { box: b, pages: new Set<number>() };
      held.pages.add(i);
      found.set(key(b), held);
    }
  });
  const best = [...found.values()].sort((a, b) => b.pages.size - a.pages.size || areaOf(b.box) - areaOf(a.box))[0];
  if (best && best.pages.size >= 2 && best.pages.size * 2 >= pages.length)
    return { trim: best.box, framed: best.pages };
  const [first] = pages;
  const trim = { minX: 0, minY: 0, maxX: first?.width ?? 0, maxY: first?.height ?? 0 };
  return { trim, framed: new Set(pages.map((_, i) => i)) };
}

/** Lines that stand at the same place on most tile pages (frames, crop marks, logos): paper, not pattern. */
export function furniture(pages: PdfPage[], tiles: number[]): Set<PdfLine> {
  const seen = new Map<string, Set<number>>();
  const sign = (l: PdfLine): string => `${key(lineBox(l))}/${l.path.length}`;
  for (const i of tiles)
    for (const l of pages[i]?.lines ?? []) seen.set(sign(l), (seen.get(sign(l)) ?? new Set()).add(i));
  const out = new Set<PdfLine>();
  if (tiles.length < 3) {
    for (const i of tiles)
      for (const l of pages[i]?.lines ?? [])
        if (rectangleOf(l.path) && seen.get(sign(l))?.size === tiles.length && tiles.length > 1) out.add(l);
    return out;
  }
  for (const i of tiles)
    for (const l of pages[i]?.lines ?? [])
      if ((seen.get(sign(l))?.size ?? 0) >= Math.max(3, tiles.length * 0.6)) out.add(l);
  return out;
}

/** Chords of a page's pattern lines inside its trim. */
export type Chords = [Point, Point][];

export const chordsOf = (lines: PdfLine[]): Chords =>
  lines.flatMap((l) => {
    const points = flatten(l.path, 0.02);
    return points.slice(1).map((p, i): [Point, Point] => [points[i] as Point, p]);
  });

/** Where the chords cross an upright (x) or level (y) line, as sorted places along it within the trim. */
export function crossingsAt(chords: Chords, axis: 'x' | 'y', at: number, trim: Box): number[] {
  const other = axis === 'x' ? 'y' : 'x';
  const [low, high] = axis === 'x' ? [trim.minY, trim.maxY] : [trim.minX, trim.maxX];
  const out: number[] = [];
  for (const [p, q] of chords) {
    if (p[axis] > at === q[axis] > at) continue;
    const t = (at - p[axis]) / (q[axis] - p[axis]);
    const v = p[other] + (q[other] - p[other]) * t;
    if (v > low && v < high) out.push(v);
  }
  return out.sort((a, b) => a - b);
}

const MEETS = 0.4;

/** How many places of two sorted lists pair up within MEETS; a pair counts the less the farther it lies apart. */
export function pairs(a: number[], b: number[]): number {
  let [i, j, n] = [0, 0, 0];
  while (i < a.length && j < b.length) {
    const d = (a[i] as number) - (b[j] as number);
    if (Math.abs(d) <= MEETS) {
      n += 1 - Math.abs(d) / MEETS;
      i++;
      j++;
    } else if (d < 0) i++;
    else j++;
  }
  return n;
}
