import {
  appendBezierCurve,
  clip,
  endPath,
  lineTo,
  moveTo,
  PDFDocument,
  type PDFFont,
  type PDFPage,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  StandardFonts,
  setDashPattern,
  setLineWidth,
  stroke,
} from 'pdf-lib';
import { type Path, type Point } from '../core/geometry/index.ts';
import { type CoatFigures, draftCoat, GREENHOUSE_COAT } from './draft.ts';

const PT = 72 / 25.4;
/** The plane the pieces lie on, mm. */
const PLANE = { width: 1420, height: 1180 };

type ToPage = (p: Point) => [number, number];

/** Strokes the path on a page; `to` takes a point of the pattern, mm, to the page, pt. */
export function strokePath(page: PDFPage, path: Path, to: ToPage): void {
  const first = path[0];
  if (!first) return;
  page.pushOperators(moveTo(...to(first.a)));
  for (const s of path)
    page.pushOperators(s.k === 'L' ? lineTo(...to(s.b)) : appendBezierCurve(...to(s.c), ...to(s.d), ...to(s.b)));
  page.pushOperators(stroke());
}

/** The coat of the given figures on the plane: outlines, and words where `font` is given. */
function drawCoat(page: PDFPage, f: CoatFigures, at: ToPage, font: PDFFont | null): void {
  draftCoat(f).forEach((d, i) => {
    const shift = { x: [80, 470, 1130][i] as number, y: 70 };
    const to: ToPage = (p) => at({ x: p.x + shift.x, y: p.y + shift.y });
    strokePath(page, d.edges.flat(), to);
    const [x, y] = to({ x: i === 2 ? -60 : 70, y: 420 });
    if (font) page.drawText(d.text.replace(/ · /g, ', '), { x, y, size: 22, font });
  });
}

function testSquare(page: PDFPage, at: ToPage, font: PDFFont): void {
  const [x, y] = at({ x: 1130, y: 900 });
  page.pushOperators(rectangle(x, y - 50 * PT, 50 * PT, 50 * PT), stroke());
  page.drawText('5 cm', { x: x + 40, y: y - 80, size: 14, font });
}

/** The coat tiled over A4 pages that overlap by 12 mm, each page labelled and framed, as a pattern to tape together. */
export async function tiledPdf(f: CoatFigures = GREENHOUSE_COAT): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.Helvetica);
  const trim = { x: 12, y: 14, w: 186, h: 266 };
  const [sx, sy] = [trim.w - 12, trim.h - 12];
  for (let r = 0; r * sy < PLANE.height - 12; r++)
    for (let c = 0; c * sx < PLANE.width - 12; c++) {
      const page = doc.addPage([210 * PT, 297 * PT]);
      const frame = rectangle(trim.x * PT, (297 - trim.y - trim.h) * PT, trim.w * PT, trim.h * PT);
      const at: ToPage = (p) => [(p.x - c * sx + trim.x) * PT, (297 - (p.y - r * sy + trim.y)) * PT];
      page.pushOperators(pushGraphicsState(), frame, clip(), endPath(), setLineWidth(1.2));
      drawCoat(page, f, at, font);
      testSquare(page, at, font);
      page.pushOperators(popGraphicsState(), setLineWidth(0.4), frame, stroke());
      page.drawText(`Row ${r + 1}, column ${c + 1}`, { x: (trim.x + 4) * PT, y: 5 * PT, size: 9, font });
    }
  return doc.save();
}

/** Three sizes of the coat nested on one page, told apart by their dashes. */
export async function sizesPdf(): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.Helvetica);
  const page = doc.addPage([PLANE.width * PT, PLANE.height * PT]);
  const at: ToPage = (p) => [p.x * PT, (PLANE.height - p.y) * PT];
  page.pushOperators(setLineWidth(1.2));
  for (const [i, dash] of [[], [9, 4], [3, 4]].entries()) {
    page.pushOperators(setDashPattern(dash, 0));
    const grown = {
      ...GREENHOUSE_COAT,
      bust: GREENHOUSE_COAT.bust + (i - 1) * 40,
      shoulder: GREENHOUSE_COAT.shoulder + (i - 1) * 2,
    };
    drawCoat(page, grown, at, i === 0 ? font : null);
  }
  page.pushOperators(setDashPattern([], 0));
  testSquare(page, at, font);
  return doc.save();
}
