import { type Box } from '../../geometry/index.ts';
import { type PdfPage, rectangleOf } from './pages.ts';

/** A square drawn to check the printer by: what it measures, and what it should. */
export interface TestSquare {
  page: number;
  box: Box;
  measured: number;
  /** mm, by the words in or beside it; null where none were found. */
  nominal: number | null;
}

/** Sides test squares usually have, mm. Common practice. */
const USUAL = [20, 25, 25.4, 30, 40, 50, 50.8, 76.2, 100, 101.6];

const UNITS: [RegExp, number][] = [
  [/([\d.,]+)\s*mm/i, 1],
  [/([\d.,]+)\s*cm/i, 10],
  [/([\d.,]+)\s*(?:in\b|inch|["”″])/i, 25.4],
];

/** Lengths named in a text, mm: "5 cm / 2 in" names two. */
export const lengthsIn = (text: string): number[] =>
  UNITS.flatMap(([re, k]) => {
    const m = re.exec(text);
    const v = m ? Number((m[1] as string).replace(',', '.')) * k : Number.NaN;
    return v > 5 && v < 200 ? [v] : [];
  });

/** Finds squares with a length written in or beside them, else one of a usual size. The surest first. */
export function testSquares(pages: PdfPage[]): TestSquare[] {
  const out: TestSquare[] = [];
  pages.forEach((p, page) => {
    const seen = new Set<string>();
    for (const l of p.lines) {
      const box = rectangleOf(l.path);
      if (!box) continue;
      const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
      const at = `${Math.round(box.minX)},${Math.round(box.minY)},${Math.round(w)}`;
      if (Math.abs(w - h) > 0.02 * w || w < 15 || w > 130 || seen.has(at)) continue;
      seen.add(at);
      const measured = (w + h) / 2;
      const near = p.texts.filter(
        (t) => t.at.x > box.minX - 10 && t.at.x < box.maxX + 30 && t.at.y > box.minY - 12 && t.at.y < box.maxY + 14,
      );
      const named = near.flatMap((t) => lengthsIn(t.text)).filter((v) => Math.abs(v / measured - 1) < 0.35);
      const nominal = named.sort((a, b) => Math.abs(a - measured) - Math.abs(b - measured))[0] ?? null;
      if (nominal !== null || USUAL.some((u) => Math.abs(u - measured) < 0.2))
        out.push({ page, box, measured, nominal });
    }
  });
  return out.sort((a, b) => Number(b.nominal !== null) - Number(a.nominal !== null));
}
