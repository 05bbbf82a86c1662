import { type Box, boxOf, distance, flatten, joinBoxes } from '../geometry/index.ts';
import { arrange, type Item, moveSheet, type Sheet } from './items.ts';
import { placeWords, wordsBox } from './placewords.ts';

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
const RIM = 4;

export interface Tile {
  row: number;
  column: number;
  /** Printable part of the plane on this page, mm on the plane. */
  box: Box;
  items: Item[];
  /** The pieces that fall on this page. */
  names: string[];
  /** Which neighbours are printed too. */
  right: boolean;
  below: boolean;
}

export interface Tiling {
  paper: Paper;
  rows: number;
  columns: number;
  tiles: Tile[];
}

/** Rows by letter, columns by number: `B3`. Past Z the letters go on as in a spreadsheet. */
export function tileName(row: number, column: number): string {
  let letters = '';
  for (let n = row + 1; n > 0; n = Math.floor((n - 1) / 26))
    letters = String.fromCharCode(65 + ((n - 1) % 26)) + letters;
  return `${letters}${column + 1}`;
}

/** Estimated width of a text is enough to know which pages it falls on. */
const itemBox = (i: Item): Box => (i.kind === 'path' ? boxOf(i.path) : wordsBox(i));

const touch = (a: Box, b: Box): boolean => a.minX < b.maxX && b.minX < a.maxX && a.minY < b.maxY && b.minY < a.maxY;

/** How many pages side by side the plane may be wide. */
const PAGES_ACROSS = [5, 6, 7, 8, 9, 10];

interface Plane {
  sheets: Sheet[];
  width: number;
  height: number;
}

/** A strip whose figures stand at their marks lies in one column of pages, so that no join cuts them. */
function inOneColumn(s: Sheet, x: number, step: number): number {
  const [wide, left] = [s.box.maxX - s.box.minX, x + RIM];
  const fixed = s.items.some((i) => i.kind === 'text') && !s.items.some((i) => i.kind === 'text' && i.free);
  const column = Math.floor(left / step);
  const straddles = left + wide > column * step + step + OVERLAP;
  return fixed && straddles && wide <= step ? (column + 1) * step - RIM : x;
}

/** The plane whose pages are fewest; the widths are tried one after another. */
function planeFor(sheets: Sheet[], paper: Paper): Plane {
  const step = paper.width - 2 * MARGIN - OVERLAP;
  const planes = PAGES_ACROSS.map((n): Plane => {
    const p = arrange(sheets, step * n + OVERLAP - 2 * RIM, 12, (s, x) => inOneColumn(s, x, step));
    return {
      sheets: p.sheets.map((s) => moveSheet(s, RIM, RIM)),
      width: p.width + 2 * RIM,
      height: p.height + 2 * RIM,
    };
  });
  const pages = planes.map((p) => tilesOf(p, paper).tiles);
  const fewest = Math.min(...pages.map((p) => p.length));
  const best = pages.findIndex((p) => p.length === fewest);
  const boxes = (pages[best] as Tile[]).map((t) => t.box);
  const plane = planes[best] as Plane;
  return { ...plane, sheets: plane.sheets.map((s) => placeWords(s, boxes)) };
}

/** The sheets where they come to lie on the plane of pages. */
export const arrangeFor = (sheets: Sheet[], paper: Paper): Sheet[] => planeFor(sheets, paper).sheets;

/** Lays the sheets on a plane and parts it into pages that overlap by OVERLAP; pages with nothing on them are left out. */
export const tile = (sheets: Sheet[], paper: Paper): Tiling => tilesOf(planeFor(sheets, paper), paper);

/** Steps in which lines are followed from page to page, mm. */
const FOLLOW = 3;

/** Visits places along an item's ink: a box that only its bounds touch stays empty. */
function alongInk(i: Item, visit: (x: number, y: number) => void): void {
  if (i.kind === 'text') {
    const b = wordsBox(i);
    for (const x of [b.minX, b.maxX]) for (const y of [b.minY, b.maxY]) visit(x, y);
    return;
  }
  const points = flatten(i.path, 0.5);
  for (const [k, q] of points.entries()) {
    const p = points[k - 1] ?? q;
    const n = Math.ceil(distance(p, q) / FOLLOW) || 1;
    for (let m = 1; m <= n; m++) visit(p.x + ((q.x - p.x) * m) / n, p.y + ((q.y - p.y) * m) / n);
  }
}

/** Each place of the plane belongs to one page, the one in whose middle part it lies; pages where none lies are not printed. */
function tilesOf(plane: Plane, paper: Paper): Tiling {
  const w = paper.width - 2 * MARGIN;
  const h = paper.height - 2 * MARGIN;
  const stepX = w - OVERLAP;
  const stepY = h - OVERLAP;
  const items = plane.sheets.flatMap((s) => s.items).map((item) => ({ item, box: itemBox(item) }));
  const columns = Math.max(1, Math.ceil((plane.width - OVERLAP) / stepX));
  const rows = Math.max(1, Math.ceil((plane.height - OVERLAP) / stepY));
  const index = (v: number, step: number, count: number): number =>
    Math.min(count - 1, Math.max(0, Math.floor((v - OVERLAP / 2) / step)));
  const inked = new Set<number>();
  for (const { item } of items)
    alongInk(item, (x, y) => inked.add(index(y, stepY, rows) * columns + index(x, stepX, columns)));
  const tiles: Tile[] = [];
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      if (!inked.has(row * columns + column)) continue;
      const box = { minX: column * stepX, minY: row * stepY, maxX: column * stepX + w, maxY: row * stepY + h };
      const here = items.filter((i) => touch(widen(i.box), box)).map((i) => i.item);
      const names = plane.sheets.filter((s) => touch(s.box, box)).map((s) => s.name);
      tiles.push({ row, column, box, items: here, names, right: false, below: false });
    }
  }
  const has = (r: number, c: number): boolean => tiles.some((t) => t.row === r && t.column === c);
  return {
    paper,
    rows,
    columns,
    tiles: tiles.map((t) => ({ ...t, right: has(t.row, t.column + 1), below: has(t.row + 1, t.column) })),
  };
}

/** A straight line has a box without area; a hair's width makes it touch. */
const widen = (b: Box): Box =>
  joinBoxes(b, { minX: b.minX - 0.2, minY: b.minY - 0.2, maxX: b.maxX + 0.2, maxY: b.maxY + 0.2 });
