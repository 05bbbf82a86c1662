import { type Box, boxOf, joinBoxes } from '../geometry/index.ts';
import { type Item, pointsAlong, type Sheet } from './items.ts';
import { OVERLAP, type Paper, pageAt, pageStep, printable } from './paper.ts';
import { placeWords, wordsBox } from './placewords.ts';
import { type Put, sheetAt } from './puts.ts';

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
  /** Where they lie on the plane of all pages. */
  sheets: Sheet[];
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

/** The sheets where they come to lie. */
interface Plane {
  sheets: Sheet[];
  width: number;
  height: number;
}

/** Lays the sheets on a plane as they were put, and parts it into pages that overlap by OVERLAP; pages with nothing on them are left out. */
export function tile(sheets: readonly Sheet[], paper: Paper, puts: readonly Put[]): Tiling {
  const at = new Map(puts.map((p) => [p.id, p]));
  const moved = sheets.flatMap((s) => {
    const put = at.get(s.id);
    return put ? [sheetAt(s, put)] : [];
  });
  const plane = {
    sheets: moved,
    width: Math.max(1, ...moved.map((s) => s.box.maxX)),
    height: Math.max(1, ...moved.map((s) => s.box.maxY)),
  };
  const boxes = tilesOf(plane, paper).tiles.map((t) => t.box);
  return tilesOf({ ...plane, sheets: moved.map((s) => placeWords(s, boxes)) }, paper);
}

/** Visits places along an item's ink: a box that only its bounds touch stays empty. */
function alongInk(i: Item, visit: (x: number, y: number) => void): void {
  if (i.kind === 'text') {
    const b = wordsBox(i);
    for (const x of [b.minX, b.maxX]) for (const y of [b.minY, b.maxY]) visit(x, y);
    return;
  }
  for (const p of pointsAlong(i.path)) visit(p.x, p.y);
}

/** Each place of the plane belongs to one page, the one in whose middle part it lies; pages where none lies are not printed. */
function tilesOf(plane: Plane, paper: Paper): Tiling {
  const { w, h } = printable(paper);
  const { x: stepX, y: stepY } = pageStep(paper);
  const items = plane.sheets.flatMap((s) => s.items).map((item) => ({ item, box: itemBox(item) }));
  const columns = Math.max(1, Math.ceil((plane.width - OVERLAP) / stepX));
  const rows = Math.max(1, Math.ceil((plane.height - OVERLAP) / stepY));
  const inked = new Set<number>();
  for (const { item } of items)
    alongInk(item, (x, y) => inked.add(pageAt(y, stepY, rows) * columns + pageAt(x, stepX, columns)));
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
    sheets: plane.sheets,
    rows,
    columns,
    tiles: tiles.map((t) => ({ ...t, right: has(t.row, t.column + 1), below: has(t.row + 1, t.column) })),
  };
}

/** A straight line has a box without area; a hair's width makes it touch. */
const widen = (b: Box): Box =>
  joinBoxes(b, { minX: b.minX - 0.2, minY: b.minY - 0.2, maxX: b.maxX + 0.2, maxY: b.maxY + 0.2 });
