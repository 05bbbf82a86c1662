import { addScaled, dot, type Point, sub } from '../../geometry/index.ts';
import { type PdfText } from './pages.ts';

/** How far two copies of one text may lie apart, mm. */
const SAME_LINE = 0.6;

const reach = (t: PdfText): Point => addScaled(t.at, t.along, t.width);

/** Where the second text begins along the first, mm; null when they do not stand on one line or do not touch. */
function offset(a: PdfText, b: PdfText): number | null {
  if (dot(a.along, b.along) < 0.999) return null;
  const d = sub(b.at, a.at);
  const across = Math.abs(d.x * a.along.y - d.y * a.along.x);
  const along = dot(d, a.along);
  return across < SAME_LINE && along > -SAME_LINE && along < a.width + SAME_LINE ? along : null;
}

/** `a` carried on by `b`, whose beginning repeats `a`'s end as far as the two pages overlap. */
function carriedOn(a: string, b: string): string {
  for (let k = Math.min(a.length, b.length); k > 0; k--) if (a.endsWith(b.slice(0, k))) return a + b.slice(k);
  return a + b;
}

/** Texts cut by the rims of pages put together again: parts on one line that touch become one. */
export function wholeTexts(texts: PdfText[]): PdfText[] {
  const left = [...texts].sort((a, b) => dot(a.at, a.along) - dot(b.at, b.along));
  const out: PdfText[] = [];
  for (const t of left) {
    const before = out.find((o) => offset(o, t) !== null);
    if (!before) {
      out.push({ ...t });
      continue;
    }
    if (before.text.includes(t.text)) continue;
    before.text = t.text.includes(before.text) ? t.text : carriedOn(before.text, t.text);
    before.width = Math.max(before.width, dot(sub(reach(t), before.at), before.along));
  }
  return out;
}
