import { describe, expect, test } from '@jest/globals';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { readPdf } from '../../test/readpdf.ts';
import { coatDocument } from '../../test/shells.ts';
import { compute } from '../document/compute.ts';
import { boxOf } from '../geometry/index.ts';
import { sheetsFor } from './index.ts';
import { type LongJob, longPdf } from './longpdf.ts';

const sheets = sheetsFor(compute(coatDocument()), null, false);
const job = (more: Partial<LongJob> = {}): LongJob => ({
  title: 'A coat',
  groups: [
    { name: 'shell', sheets: sheets.slice(0, 3) },
    { name: 'others', sheets: sheets.slice(3) },
  ],
  lines: [{ stroke: 'cut', words: 'cut here' }],
  paper: 'roll841',
  fonts: { regular: [] },
  now: new Date(0),
  ...more,
});
const made = async (j: LongJob): Promise<Uint8Array> => {
  const out = await longPdf(j);
  if (!('bytes' in out)) throw new Error(JSON.stringify(out));
  return out.bytes;
};

describe('one long page', () => {
  test('is as wide as its roll, has squares of 50 mm and 2 in, and every piece at full size, none over another', async () => {
    const [page, ...more] = await readPdf(await made(job()));
    expect(more).toEqual([]);
    expect(page?.width).toBeCloseTo(841, 1);
    const spread = (r: { x: number; y: number }[], k: 'x' | 'y'): number =>
      Math.max(...r.map((p) => p[k])) - Math.min(...r.map((p) => p[k]));
    // Curves are read by their control points, so outlines are found by the corners they keep.
    for (const side of [50, 50.8])
      expect(
        page?.runs.some((r) => Math.abs(spread(r, 'x') - side) < 0.1 && Math.abs(spread(r, 'y') - side) < 0.1),
      ).toBe(true);
    for (const r of page?.runs ?? [])
      for (const p of r) expect([p.x > 0, p.x < 841, p.y > 0, p.y < (page?.height ?? 0)]).not.toContain(false);
    const names = sheets.map((s) => s.name);
    for (const n of names) expect(page?.text).toContain(n.split(' ')[0]);
    // No longer than the rows they would lie in one above another, and no shorter than their areas ask for.
    const tall = sheets.reduce((t, s) => t + s.box.maxY - s.box.minY, 0);
    expect(page?.height).toBeLessThan(tall);
  }, 60_000);

  test('has a layer for every material and kind of line, which a reader can turn off', async () => {
    const pdf = await getDocument({ data: await made(job({ paper: 'projector', thick: 2 })), verbosity: 0 }).promise;
    const config = await pdf.getOptionalContentConfig();
    const names = [...config].map(([, g]) => (g as { name: string }).name).sort();
    expect(names).toEqual(['50 mm', 'others', 'others: cut here', 'shell', 'shell: cut here']);
    expect(pdf.numPages).toBe(1);
  }, 60_000);

  test('that cannot be says why: a piece wider than the roll, a page longer than a PDF may have', async () => {
    const [first] = sheets;
    if (!first) throw new Error('no sheets');
    const b = boxOf(first.items.flatMap((i) => (i.kind === 'path' ? i.path : [])));
    const by = 900 / (b.maxX - b.minX);
    const big = {
      ...first,
      items: first.items.flatMap((i) =>
        i.kind === 'path' && i.stroke === 'cut'
          ? [
              {
                ...i,
                path: i.path.map((s) => ({
                  k: 'L' as const,
                  a: { x: s.a.x * by, y: s.a.y * by },
                  b: { x: s.b.x * by, y: s.b.y * by },
                })),
              },
            ]
          : [],
      ),
    };
    expect(await longPdf(job({ groups: [{ name: 'shell', sheets: [big] }] }))).toEqual({ wide: [first.name] });
    const strips = Array.from({ length: 9 }, () => ({ ...first, items: [upright(580, 600)] }));
    const out = await longPdf(job({ paper: 'roll610', groups: [{ name: 'shell', sheets: strips }] }));
    expect('long' in out && out.long).toBeGreaterThan(5080);
  }, 120_000);
});

/** The cut line of an oblong. */
function upright(w: number, h: number) {
  const at = (x: number, y: number) => ({ x, y });
  const side = (a: { x: number; y: number }, b: { x: number; y: number }) => ({ k: 'L' as const, a, b });
  const path = [side(at(0, 0), at(w, 0)), side(at(w, 0), at(w, h)), side(at(w, h), at(0, h)), side(at(0, h), at(0, 0))];
  return { kind: 'path' as const, stroke: 'cut' as const, path };
}
