import fontkit from '@pdf-lib/fontkit';
import {
  appendBezierCurve,
  clip,
  degrees,
  endPath,
  LineCapStyle,
  lineTo,
  moveTo,
  PDFDocument,
  type PDFFont,
  type PDFOperator,
  type PDFPage,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  StandardFonts,
  setDashPattern,
  setLineCap,
  setLineWidth,
  stroke,
} from 'pdf-lib';
import { type Path, type Point } from '../geometry/index.ts';
import { type Item, type Sheet, type Stroke } from './items.ts';
import { MARGIN, OVERLAP, type Paper, type Tile, type Tiling, tile, tileName } from './tiles.ts';

/** Fonts as bytes, most wanted first; a character no font has becomes a question mark. Empty: the reader's Helvetica. */
export interface PdfFonts {
  regular: Uint8Array[];
}

export interface PdfJob {
  title: string;
  sheets: Sheet[];
  paper: Paper;
  /** Words for the first page, already in the sewist's language. */
  notes: string[];
  fonts: PdfFonts;
  /** When it was made, for the file's own record. */
  now: Date;
}

const PT = 72 / 25.4;

const WIDTH: Record<Stroke, number> = {
  cut: 0.6,
  seam: 0.35,
  fold: 0.6,
  grain: 0.4,
  notch: 0.6,
  inner: 0.3,
  mark: 0.5,
  frame: 0.15,
};
const DASH: Partial<Record<Stroke, number[]>> = { seam: [4, 2], fold: [10, 2, 2, 2], inner: [1.5, 1.5] };

/** Maps mm on the plane (y down) to points on the page (y up). */
type ToPage = (p: Point) => [number, number];

function strokePath(path: Path, kind: Stroke, to: ToPage): PDFOperator[] {
  const ops: PDFOperator[] = [
    setLineWidth(WIDTH[kind] * PT),
    setDashPattern(
      (DASH[kind] ?? []).map((d) => d * PT),
      0,
    ),
  ];
  let last: Point | null = null;
  for (const s of path) {
    if (!last || Math.abs(last.x - s.a.x) > 1e-6 || Math.abs(last.y - s.a.y) > 1e-6) ops.push(moveTo(...to(s.a)));
    ops.push(s.k === 'L' ? lineTo(...to(s.b)) : appendBezierCurve(...to(s.c), ...to(s.d), ...to(s.b)));
    last = s.b;
  }
  return [...ops, stroke()];
}

/** Writes text in runs of the first font that has each character. */
class Writer {
  constructor(
    private fonts: PDFFont[],
    private sets: Set<number>[],
  ) {}

  text(page: PDFPage, text: string, at: [number, number], size: number, upward = false): void {
    let [x, y] = at;
    for (const run of this.runs(text)) {
      page.drawText(run.text, { x, y, size, font: run.font, rotate: degrees(upward ? 90 : 0) });
      const width = run.font.widthOfTextAtSize(run.text, size);
      if (upward) y += width;
      else x += width;
    }
  }

  private runs(text: string): { text: string; font: PDFFont }[] {
    const out: { text: string; font: PDFFont }[] = [];
    for (const ch of text) {
      const code = ch.codePointAt(0) ?? 63;
      const found = this.sets.findIndex((s) => s.has(code));
      const font = this.fonts[Math.max(0, found)] as PDFFont;
      const piece = found < 0 ? '?' : ch;
      const last = out[out.length - 1];
      if (last && last.font === font) last.text += piece;
      else out.push({ text: piece, font });
    }
    return out;
  }
}

async function makeWriter(doc: PDFDocument, fonts: PdfFonts): Promise<Writer> {
  doc.registerFontkit(fontkit);
  const made: PDFFont[] = [];
  for (const bytes of fonts.regular) made.push(await doc.embedFont(bytes, { subset: true }));
  if (!made.length) made.push(await doc.embedFont(StandardFonts.Helvetica));
  return new Writer(
    made,
    made.map((f) => new Set(f.getCharacterSet())),
  );
}

function drawItems(page: PDFPage, items: Item[], to: ToPage, w: Writer): void {
  for (const i of items) {
    if (i.kind === 'path') page.pushOperators(...strokePath(i.path, i.stroke, to));
    else w.text(page, i.text, to(i.at), i.size * PT, i.upward);
  }
}

function tilePage(doc: PDFDocument, t: Tile, tiling: Tiling, title: string, w: Writer): void {
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
  const label = [tileName(t.row, t.column), title, t.names.join(', ')].filter(Boolean).join(' · ');
  w.text(page, label.slice(0, 110), [(MARGIN + 2) * PT, (MARGIN - 4) * PT], 9);
  const next = [
    t.right ? `${tileName(t.row, t.column + 1)} joins on the right` : '',
    t.below ? `${tileName(t.row + 1, t.column)} joins below` : '',
  ];
  w.text(page, next.filter(Boolean).join(' · '), [(MARGIN + 2) * PT, (MARGIN - 8) * PT], 8);
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

/** First page: test squares of 50 mm and 2 in, the notes, and the map of the pages. */
function coverPage(doc: PDFDocument, job: PdfJob, tiling: Tiling, w: Writer): void {
  const { paper } = job;
  const page = doc.addPage([paper.width * PT, paper.height * PT]);
  const up = (mm: number): number => (paper.height - mm) * PT;
  w.text(page, job.title.slice(0, 70), [20 * PT, up(26)], 22);
  page.pushOperators(pushGraphicsState(), setLineWidth(0.3 * PT), setDashPattern([], 0));
  page.pushOperators(rectangle(20 * PT, up(90), 50 * PT, 50 * PT), stroke());
  page.pushOperators(rectangle(90 * PT, up(90), 50.8 * PT, 50.8 * PT), stroke());
  w.text(page, '50 mm', [38 * PT, up(66)], 12);
  w.text(page, '2 in', [111 * PT, up(66)], 12);
  for (const [i, n] of job.notes.entries()) w.text(page, n, [20 * PT, up(104 + i * 6.5)], 11);
  const top = 114 + job.notes.length * 6.5;
  const cell = Math.min(14, (paper.width - 40) / tiling.columns, (paper.height - top - 15) / tiling.rows / 1.3);
  for (const t of tiling.tiles) {
    const x = 20 + t.column * cell;
    const y = top + t.row * cell * 1.3;
    page.pushOperators(rectangle(x * PT, up(y + cell * 1.3), cell * PT, cell * 1.3 * PT), stroke());
    w.text(page, tileName(t.row, t.column), [(x + 1) * PT, up(y + cell * 0.8)], Math.max(3, cell * 0.9));
  }
  page.pushOperators(popGraphicsState());
}

/** The chosen sheets at full size, tiled, after a page with test squares and a map. */
export async function pdfOf(job: PdfJob): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.setTitle(job.title);
  doc.setProducer('Woodbine');
  doc.setCreationDate(job.now);
  doc.setModificationDate(job.now);
  const w = await makeWriter(doc, job.fonts);
  const tiling = tile(job.sheets, job.paper);
  coverPage(doc, job, tiling, w);
  for (const t of tiling.tiles) tilePage(doc, t, tiling, job.title, w);
  return doc.save();
}
