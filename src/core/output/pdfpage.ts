import fontkit from '@pdf-lib/fontkit';
import {
  appendBezierCurve,
  degrees,
  lineTo,
  moveTo,
  PDFDocument,
  type PDFFont,
  type PDFOperator,
  type PDFPage,
  StandardFonts,
  setDashPattern,
  setLineWidth,
  stroke,
} from 'pdf-lib';
import { type Path, type Point, weld } from '../geometry/index.ts';
import { type Item, type Stroke } from './items.ts';

/** Fonts as bytes, most wanted first; a character no font has becomes a question mark. Empty: the reader's Helvetica. */
export interface PdfFonts {
  regular: Uint8Array[];
}

/** Points in a millimetre. */
export const PT = 72 / 25.4;

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
export type ToPage = (p: Point) => [number, number];

/** Operators that draw one joined path as one line, `thick` mm; a step in it throws OpenOutline, as in the other writers. */
export function strokePath(path: Path, kind: Stroke, to: ToPage, thick = WIDTH[kind]): PDFOperator[] {
  const ops: PDFOperator[] = [
    setLineWidth(thick * PT),
    setDashPattern(
      (DASH[kind] ?? []).map((d) => d * PT),
      0,
    ),
  ];
  for (const [i, s] of weld(path, false).entries()) {
    if (i === 0) ops.push(moveTo(...to(s.a)));
    ops.push(s.k === 'L' ? lineTo(...to(s.b)) : appendBezierCurve(...to(s.c), ...to(s.d), ...to(s.b)));
  }
  return [...ops, stroke()];
}

/** Writes text in runs of the first font that has each character. */
export class Writer {
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

  /** The letters of these texts that no font has, each once: they come out as question marks. */
  lacking(texts: string[]): string {
    const all = new Set([...texts.join('')].filter((ch) => ch.trim()));
    return [...all].filter((ch) => !this.sets.some((s) => s.has(ch.codePointAt(0) ?? 63))).join('');
  }

  /** How wide a text is at a size, in points. */
  width(text: string, size: number): number {
    return this.runs(text).reduce((t, r) => t + r.font.widthOfTextAtSize(r.text, size), 0);
  }

  /** A text on as many lines as it takes to stay within `most` points, broken between words where that can be. */
  wrap(text: string, size: number, most: number): string[] {
    const lines: string[] = [];
    let line = '';
    for (const word of text.split(' ').flatMap((x) => this.cut(x, size, most))) {
      const longer = line ? `${line} ${word}` : word;
      if (line && this.width(longer, size) > most) {
        lines.push(line);
        line = word;
      } else line = longer;
    }
    return line ? [...lines, line] : lines;
  }

  /** A text cut short with an ellipsis where it is wider than `most` points. */
  fit(text: string, size: number, most: number): string {
    if (this.width(text, size) <= most) return text;
    let kept = [...text];
    while (kept.length && this.width(`${kept.join('')}…`, size) > most) kept = kept.slice(0, -1);
    return `${kept.join('').trimEnd()}…`;
  }

  /** A word that is wider than a line, in parts that are not. */
  private cut(word: string, size: number, most: number): string[] {
    if (this.width(word, size) <= most) return [word];
    const out = [''];
    for (const ch of word) {
      const last = out.length - 1;
      if (this.width(out[last] + ch, size) > most) out.push(ch);
      else out[last] += ch;
    }
    return out;
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

export function drawItems(page: PDFPage, items: Item[], to: ToPage, w: Writer, thick?: number): void {
  for (const i of items) {
    if (i.kind === 'path') page.pushOperators(...strokePath(i.path, i.stroke, to, thick));
    else w.text(page, i.text, to(i.at), i.size * PT, i.upward);
  }
}

/** The day of a print, as it stands on its pages. */
export const dayOf = (now: Date): string => now.toISOString().slice(0, 10);

/** What a page, a piece or a change sheet is of, and from which day. */
export const datedTitle = (title: string, now: Date): string => `${title} · ${dayOf(now)}`;

/** A new document with its record, and the writer of its fonts. */
export async function beginPdf(job: {
  title: string;
  fonts: PdfFonts;
  now: Date;
}): Promise<{ doc: PDFDocument; w: Writer }> {
  const doc = await PDFDocument.create();
  doc.setTitle(job.title);
  doc.setProducer('Woodbine');
  doc.setCreationDate(job.now);
  doc.setModificationDate(job.now);
  return { doc, w: await makeWriter(doc, job.fonts) };
}
