import {
  clip,
  endPath,
  LineCapStyle,
  lineTo,
  moveTo,
  type PDFDocument,
  type PDFPage,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  setDashPattern,
  setLineCap,
  setLineWidth,
  stroke,
} from 'pdf-lib';
import { line } from '../geometry/index.ts';
import { type Sheet, type Stroke } from './items.ts';
import {
  beginPdf,
  datedTitle,
  dayOf,
  drawItems,
  type PdfFonts,
  PT,
  strokePath,
  type ToPage,
  type Writer,
} from './pdfpage.ts';

export type { PdfFonts } from './pdfpage.ts';

import { MARGIN, OVERLAP, type Paper } from './paper.ts';
import { type Put } from './puts.ts';
import { type Tile, type Tiling, tile, tileName } from './tiles.ts';

export interface PdfJob {
  title: string;
  sheets: Sheet[];
  paper: Paper;
  /** Where they lie on the pages. */
  puts: Put[];
  /** Words for the first page, already in the sewist's language. */
  notes: string[];
  /** What each kind of line means, in that language. */
  legend: { stroke: Stroke; words: string }[];
  /** Says which letters of the names cannot be printed, in that language. */
  unprintable: (letters: string) => string;
  fonts: PdfFonts;
  /** When it was made, for the file's own record. */
  now: Date;
}

function tilePage(doc: PDFDocument, t: Tile, tiling: Tiling, job: PdfJob, w: Writer): void {
  const { paper } = tiling;
  const page = doc.addPage([paper.width * PT, paper.height * PT]);
  const to: ToPage = (p) => [(p.x - t.box.minX + MARGIN) * PT, (paper.height - MARGIN - (p.y - t.box.minY)) * PT];
  const width = (paper.width - 2 * MARGIN) * PT;
  const height = (paper.height - 2 * MARGIN) * PT;
  page.pushOperators(
    pushGraphicsState(),
    rectangle(MARGIN * PT, MARGIN * PT, width, height),
    clip(),
    endPath(),
    setLineCap(LineCapStyle.Round),
  );
  drawItems(page, t.items, to, w);
  page.pushOperators(popGraphicsState());
  page.pushOperators(
    pushGraphicsState(),
    setLineWidth(0.15 * PT),
    setDashPattern([], 0),
    rectangle(MARGIN * PT, MARGIN * PT, width, height),
    stroke(),
  );
  crosses(page, paper);
  page.pushOperators(popGraphicsState());
  // The first page is the one with the squares.
  const number = `${tiling.tiles.indexOf(t) + 2} of ${tiling.tiles.length + 1}`;
  const label = [
    `${tileName(t.row, t.column)}, page ${number}`,
    t.names.join(', '),
    datedTitle(job.title, job.now),
  ].filter(Boolean);
  const next = [
    t.right ? `${tileName(t.row, t.column + 1)} joins on the right` : '',
    t.below ? `${tileName(t.row + 1, t.column)} joins below` : '',
  ]
    .filter(Boolean)
    .join(' · ');
  // One line, 6 mm above the paper's edge: printers leave out what is nearer to it than 5.
  const [y, beside] = [(MARGIN - 4) * PT, w.width(next, 8)];
  w.text(page, w.fit(label.join(' · '), 9, width - beside - 8 * PT), [(MARGIN + 2) * PT, y], 9);
  w.text(page, next, [(paper.width - MARGIN - 2) * PT - beside, y], 8);
}

/** Crosses where the frames of neighbouring pages come to lie on each other: at the frame and one overlap inside it. */
function crosses(page: PDFPage, paper: Paper): void {
  const xs = [MARGIN + OVERLAP / 2, paper.width - MARGIN - OVERLAP / 2];
  const ys = [MARGIN + OVERLAP / 2, paper.height - MARGIN - OVERLAP / 2];
  for (const x of xs) {
    for (const y of ys) {
      page.pushOperators(
        moveTo((x - 3) * PT, y * PT),
        lineTo((x + 3) * PT, y * PT),
        moveTo(x * PT, (y - 3) * PT),
        lineTo(x * PT, (y + 3) * PT),
        stroke(),
      );
    }
  }
}

/** Lines of names on the first page; a pattern of more pieces has them on its own pages. */
const MOST_NAMED = 8;

/** Least size of lettering that is read on paper, points. */
const LEAST_TYPE = 7;

/** A sample of each kind of line beside its meaning, beside the squares. */
function legend(page: PDFPage, job: PdfJob, w: Writer): void {
  const up = (mm: number): number => (job.paper.height - mm) * PT;
  const to: ToPage = (p) => [p.x * PT, up(p.y)];
  for (const [i, l] of job.legend.entries()) {
    const y = 41 + i * 7.5;
    const sample = [line({ x: 149, y }, { x: 167, y })];
    page.pushOperators(pushGraphicsState(), ...strokePath(sample, l.stroke, to), popGraphicsState());
    w.text(page, w.fit(l.words, 9, (job.paper.width - 180) * PT), [170 * PT, up(y + 1)], 9);
  }
}

const wordsOf = (s: Sheet): string[] => [s.name, ...s.items.flatMap((i) => (i.kind === 'text' ? [i.text] : []))];

/** First page: test squares of 50 mm and 2 in, what the lines mean, the notes, what is in it, and the map of the pages. */
function coverPage(doc: PDFDocument, job: PdfJob, tiling: Tiling, w: Writer): void {
  const { paper } = job;
  const page = doc.addPage([paper.width * PT, paper.height * PT]);
  const up = (mm: number): number => (paper.height - mm) * PT;
  const across = (paper.width - 40) * PT;
  w.text(page, w.fit(job.title, 22, across), [20 * PT, up(24)], 22);
  const pages = `${dayOf(job.now)} · ${tiling.tiles.length + 1} pages`;
  w.text(page, pages, [20 * PT, up(32)], 9);
  legend(page, job, w);
  page.pushOperators(pushGraphicsState(), setLineWidth(0.3 * PT), setDashPattern([], 0));
  page.pushOperators(rectangle(20 * PT, up(90), 50 * PT, 50 * PT), stroke());
  page.pushOperators(rectangle(90 * PT, up(90), 50.8 * PT, 50.8 * PT), stroke());
  w.text(page, '50 mm', [38 * PT, up(66)], 12);
  w.text(page, '2 in', [111 * PT, up(66)], 12);
  const letters = w.lacking([job.title, ...job.sheets.flatMap(wordsOf)]);
  const notes = [...job.notes, ...(letters ? [job.unprintable(letters)] : [])].flatMap((n) => w.wrap(n, 11, across));
  const named = w.wrap(job.sheets.map((s) => s.name).join(', '), 9, across).slice(0, MOST_NAMED);
  for (const [i, n] of notes.entries()) w.text(page, n, [20 * PT, up(104 + i * 6.5)], 11);
  const below = 104 + notes.length * 6.5 + 2;
  for (const [i, n] of named.entries()) w.text(page, n, [20 * PT, up(below + i * 5)], 9);
  const top = below + named.length * 5 + 4;
  page.pushOperators(popGraphicsState());
  map(page, tiling, top, w);
}

/** The pages as they lie together from `top` mm down, with the pieces' cut lines on them. */
function map(page: PDFPage, tiling: Tiling, top: number, w: Writer): void {
  const { paper } = tiling;
  const up = (mm: number): number => (paper.height - mm) * PT;
  const [stepX, stepY] = [paper.width - 2 * MARGIN - OVERLAP, paper.height - 2 * MARGIN - OVERLAP];
  const room = (paper.height - top - 15) / tiling.rows / (stepY / stepX);
  const scale = Math.min(14, (paper.width - 40) / tiling.columns, room) / stepX;
  const [wide, high] = [stepX * scale, stepY * scale];
  const to: ToPage = (p) => [(20 + p.x * scale) * PT, up(top + p.y * scale)];
  page.pushOperators(pushGraphicsState(), setLineWidth(0.05 * PT), setDashPattern([], 0));
  for (const t of tiling.tiles) {
    const [x, y] = [20 + t.column * wide, top + t.row * high];
    page.pushOperators(rectangle(x * PT, up(y + high), wide * PT, high * PT), stroke());
    w.text(page, tileName(t.row, t.column), [(x + 1) * PT, up(y + 3.5)], LEAST_TYPE);
  }
  const cuts = new Set(tiling.tiles.flatMap((t) => t.items).filter((i) => i.kind === 'path' && i.stroke === 'cut'));
  for (const i of cuts) if (i.kind === 'path') page.pushOperators(...strokePath(i.path, 'frame', to));
  page.pushOperators(popGraphicsState());
}

/** The chosen sheets at full size, tiled, after a page with test squares and a map. */
export async function pdfOf(job: PdfJob): Promise<Uint8Array> {
  const { doc, w } = await beginPdf(job);
  const tiling = tile(job.sheets, job.paper, job.puts);
  coverPage(doc, job, tiling, w);
  for (const t of tiling.tiles) tilePage(doc, t, tiling, job, w);
  return doc.save();
}
