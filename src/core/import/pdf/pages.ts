import { type Box, boxOf, type Path, type Point } from '../../geometry/index.ts';
import { type Stroke } from '../drawing.ts';

/** A line as a PDF page draws it, mm from the page's upper left corner, y down. */
export interface PdfLine {
  path: Path;
  closed: boolean;
  stroke: Stroke;
  /** Name of the optional-content layer it lies on. */
  layer: string | null;
  /** Part of the page it is shown in, where the file clips it. */
  clip: Box | null;
}

export interface PdfText {
  text: string;
  /** Start of its baseline. */
  at: Point;
  /** Which way it runs (unit direction) and how far, mm. */
  along: Point;
  width: number;
}

/** One page as plain data, whatever library read it. */
export interface PdfPage {
  width: number;
  height: number;
  lines: PdfLine[];
  texts: PdfText[];
  /** Pictures painted on the page. */
  images: number;
}

export const lineBox = (l: PdfLine): Box => boxOf(l.path);

/** An upright rectangle drawn as one line of four sides; null for anything else. */
export function rectangleOf(path: Path): Box | null {
  const straight = path.filter((s) => Math.hypot(s.b.x - s.a.x, s.b.y - s.a.y) > 0.01);
  if (straight.length < 3 || straight.length > 5 || straight.some((s) => s.k !== 'L')) return null;
  const upright = straight.every((s) => Math.abs(s.a.x - s.b.x) < 0.02 || Math.abs(s.a.y - s.b.y) < 0.02);
  if (!upright) return null;
  const b = boxOf(path);
  const corners = new Set(
    straight.flatMap((s) => [s.a, s.b]).map((p) => `${near(p.x, b.minX, b.maxX)}${near(p.y, b.minY, b.maxY)}`),
  );
  return corners.size === 4 && ![...corners].some((c) => c.includes('?')) ? b : null;
}

const near = (v: number, low: number, high: number): string =>
  Math.abs(v - low) < 0.05 ? '0' : Math.abs(v - high) < 0.05 ? '1' : '?';
