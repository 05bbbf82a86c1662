import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PDFDocument, StandardFonts } from 'pdf-lib';
import { documentOf } from '../../demo/drawn.ts';
import { pottingShirt } from '../../demo/index.ts';
import { CUTS } from '../../test/pile.ts';
import { readPdf } from '../../test/readpdf.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, PLAIN_COAT } from '../../test/shells.ts';
import { cutListCsv } from '../cutting/index.ts';
import { compute } from '../document/compute.ts';
import {
  type Box,
  boxOf,
  flatten,
  insideRing,
  intersection,
  mapPath,
  type Path,
  type Point,
  pathLength,
  ringsArea,
  signedArea,
} from '../geometry/index.ts';
import { importSvg } from '../import/index.ts';
import { outlineOf, ringAreaOf } from '../pattern/index.ts';
import {
  MARGIN,
  OVERLAP,
  outlineOfSheet,
  PAPERS,
  type Sheet,
  sheetsFor,
  svgOf,
  type Tiling,
  tile,
  tileName,
} from './index.ts';
import { putOnPages } from './onpages.ts';
import { pdfOf } from './pdf.ts';
import { type Put, sheetAt } from './puts.ts';

const doc = coatDocument();
doc.name = 'Čoat with ½" & more';
const coat = compute(doc);
const all = sheetsFor(coat, null, true);
const everything = (): Sheet[] => all;

/** Without a search for fewer pages, which takes seconds; the same sheets come to lie alike, so once is enough. */
const soon = { a4: new Map<Sheet[], Put[]>(), letter: new Map<Sheet[], Put[]>() };
function putSoon(sheets: Sheet[], paper: 'a4' | 'letter'): Put[] {
  const put = soon[paper].get(sheets) ?? putOnPages(sheets, PAPERS[paper], { planes: 1, strip: 0, fewer: 0 });
  soon[paper].set(sheets, put);
  return put;
}
const tiled = (sheets: Sheet[], paper: 'a4' | 'letter') => tile(sheets, PAPERS[paper], putSoon(sheets, paper));

const make = (sheets: Sheet[], paper: 'a4' | 'letter') =>
  pdfOf({
    title: doc.name,
    sheets,
    paper: PAPERS[paper],
    puts: putSoon(sheets, paper),
    notes: ['Print at 100 %.'],
    legend: [{ stroke: 'cut', words: 'cut here' }],
    unprintable: (letters) => `lacks ${[...letters].length}`,
    fonts: { regular: [] },
    now: new Date(0),
  });
const sides = (run: { x: number; y: number }[]) => [
  Math.max(...run.map((p) => p.x)) - Math.min(...run.map((p) => p.x)),
  Math.max(...run.map((p) => p.y)) - Math.min(...run.map((p) => p.y)),
];
/** Points along a path, each millimetre or so. */
const pointsEvery = (path: Path): Point[] =>
  flatten(path, 0.5).flatMap((p, i, all) => {
    const q = all[i + 1] ?? p;
    const parts = Math.ceil(Math.hypot(q.x - p.x, q.y - p.y)) || 1;
    return Array.from({ length: parts }, (_, k) => ({
      x: p.x + ((q.x - p.x) * k) / parts,
      y: p.y + ((q.y - p.y) * k) / parts,
    }));
  });
/** A coat without anything to it and one of each other cut, as they go to paper; worked out once. */
let unlike: { name: string; sheets: Sheet[]; a4: Tiling }[] | null = null;
const unlikeSheets = () => {
  const made = (d: ReturnType<typeof coatDocument>) => {
    const sheets = sheetsFor(compute(d), null, true);
    return { name: d.name, sheets, a4: tiled(sheets, 'a4') };
  };
  unlike ??= [
    coatDocument(PLAIN_COAT),
    ...Object.values(CUTS).map((cut) => documentOf(cut({ w: 262, l: 700, s: 126 }))),
  ].map(made);
  return unlike;
};
const isSquare = (run: { x: number; y: number }[], side: number): boolean =>
  run.length >= 4 && sides(run).every((s) => Math.abs(s - side) < 0.1);

describe('PDF read back with another library', () => {
  // ISO 216: A4 is 210 × 297 mm. ANSI/ASME Y14.1: Letter is 8.5 × 11 in.
  test.each([
    ['a4', 210, 297],
    ['letter', 215.9, 279.4],
  ] as const)(
    '%s: page size, test squares of 50 mm and 2 in within 0.1 mm',
    async (paper, width, height) => {
      const [cover, ...pages] = await readPdf(await make(everything(), paper));
      for (const p of [cover, ...pages]) {
        expect(p?.width).toBeCloseTo(width, 1);
        expect(p?.height).toBeCloseTo(height, 1);
      }
      expect(cover?.runs.filter((r) => isSquare(r, 50))).toHaveLength(1);
      expect(cover?.runs.filter((r) => isSquare(r, 50.8))).toHaveLength(1);
      expect(pages).toHaveLength(tiled(everything(), paper).tiles.length);
    },
    60_000,
  );

  test('laid frame on frame, the pages give every piece back at full size and nothing is left off', async () => {
    const sheets = everything().filter((s) => ['back-facing', 'sleeve-lining', 'strip-over'].includes(s.id));
    const tiling = tiled(sheets, 'a4');
    const [, ...pages] = await readPdf(await make(sheets, 'a4'));
    const points = new Set<string>();
    const key = (x: number, y: number) => `${Math.round(x * 100)} ${Math.round(y * 100)}`;
    pages.forEach((page, i) => {
      const t = tiling.tiles[i];
      if (!t) throw new Error('a page too many');
      expect(page.text).toContain(`${tileName(t.row, t.column)}, page ${i + 2} of ${tiling.tiles.length + 1}`);
      // Common practice: a home printer leaves out 5 mm along every edge.
      const low = Math.max(...page.words.filter((t) => t.text.trim()).map((t) => t.y + t.height / 4));
      expect(low).toBeLessThanOrEqual(297 - 5);
      for (const run of page.runs)
        for (const p of run) {
          const on =
            p.x >= MARGIN - 0.01 && p.x <= 210 - MARGIN + 0.01 && p.y >= MARGIN - 0.01 && p.y <= 297 - MARGIN + 0.01;
          if (on) points.add(key(p.x - MARGIN + t.box.minX, p.y - MARGIN + t.box.minY));
        }
    });
    const near = (x: number, y: number) =>
      [-0.01, 0, 0.01].some((dx) => [-0.01, 0, 0.01].some((dy) => points.has(key(x + dx, y + dy))));
    const cuts = tiling.tiles
      .flatMap((t) => t.items)
      .flatMap((i) => (i.kind === 'path' && i.stroke === 'cut' ? [i.path] : []));
    expect(new Set(cuts).size).toBe(3);
    for (const path of cuts) for (const s of path) expect([s.a, near(s.a.x, s.a.y)]).toEqual([s.a, true]);
  }, 60_000);

  test('a character the font lacks becomes a question mark, not a crash, and is told', async () => {
    const [cover] = await readPdf(await make(everything().slice(0, 1), 'a4'));
    expect(cover?.text).toMatch(/oat with/);
    expect(cover?.text).toMatch(/lacks \d/);
  });
});

describe('tiles', () => {
  test('every drawn point falls on a printed page; neighbours share the overlap', () => {
    fc.assert(
      fc.property(coatFigures, fc.constantFrom('a4' as const, 'letter' as const), (figures, paper) => {
        const sheets = sheetsFor(compute(coatDocument(figures)), null, true);
        const tiling = tiled(sheets, paper);
        const items = [...new Set(tiling.tiles.flatMap((t) => t.items))];
        expect(items.length).toBe(sheets.reduce((n, s) => n + s.items.length, 0));
        for (const i of items) {
          if (i.kind !== 'path') continue;
          for (const p of flatten(i.path, 0.5)) {
            const on = tiling.tiles.some(
              (t) =>
                t.items.includes(i) &&
                p.x >= t.box.minX - 1e-6 &&
                p.x <= t.box.maxX + 1e-6 &&
                p.y >= t.box.minY - 1e-6 &&
                p.y <= t.box.maxY + 1e-6,
            );
            if (!on) throw new Error(`off the paper: ${p.x} ${p.y}`);
          }
        }
        const [a, b] = [tiling.tiles[0], tiling.tiles.find((t) => t.row === tiling.tiles[0]?.row && t.column === 1)];
        if (a?.right && b) expect(a.box.maxX - b.box.minX).toBeCloseTo(OVERLAP, 9);
      }),
      runs(4),
    );
  });

  test('no word is cut by a page join, nor stands outside its piece', async () => {
    const font = await (await PDFDocument.create()).embedFont(StandardFonts.Helvetica);
    for (const [k, { name, sheets, a4 }] of unlikeSheets().entries()) {
      // The other paper on every third of them.
      for (const paper of [k % 3 ? ('a4' as const) : ('letter' as const)]) {
        const tiling = paper === 'a4' ? a4 : tiled(sheets, paper);
        const items = [...new Set(tiling.tiles.flatMap((t) => t.items))];
        const rings = items.flatMap((i) => (i.kind === 'path' && i.stroke === 'cut' ? [flatten(i.path, 0.2)] : []));
        for (const i of items) {
          if (i.kind !== 'text') continue;
          const wide = font.widthOfTextAtSize(i.text, i.size);
          const far = i.upward ? { x: i.at.x - i.size, y: i.at.y - wide } : { x: i.at.x + wide, y: i.at.y - i.size };
          const holds = (b: Box, p: Point): boolean => p.x >= b.minX && p.x <= b.maxX && p.y >= b.minY && p.y <= b.maxY;
          const whole = tiling.tiles.some((t) => holds(t.box, i.at) && holds(t.box, far));
          expect([name, paper, i.text, whole]).toEqual([name, paper, i.text, true]);
          const inside = !i.free || rings.some((r) => insideRing(r, i.at) && insideRing(r, far));
          expect([name, paper, i.text, inside]).toEqual([name, paper, i.text, true]);
        }
      }
    }
  });

  test('no page is blank: in the middle of each some line goes, or a word stands', () => {
    for (const { name, a4 } of unlikeSheets())
      for (const t of a4.tiles) {
        const rim = OVERLAP / 2;
        const middle = (p: Point): boolean =>
          p.x >= t.box.minX + (t.column ? rim : 0) &&
          p.x <= t.box.maxX - rim &&
          p.y >= t.box.minY + (t.row ? rim : 0) &&
          p.y <= t.box.maxY;
        const ink = t.items.some((i) => (i.kind === 'text' ? middle(i.at) : pointsEvery(i.path).some(middle)));
        expect([name, tileName(t.row, t.column), ink]).toEqual([name, tileName(t.row, t.column), true]);
      }
  });

  test('laid for few pages, no piece lies over another or off the plane, and all are in it', () => {
    for (const { name, sheets, a4 } of unlikeSheets()) {
      const rings = a4.sheets.map((s) => outlineOfSheet(s, 0));
      expect([name, a4.sheets.map((s) => s.id).sort()]).toEqual([name, sheets.map((s) => s.id).sort()]);
      const least = Math.min(...rings.flat().flatMap((p) => [p.x, p.y]));
      expect(least).toBeGreaterThan(0);
      for (const [i, r] of rings.entries())
        for (const [j, q] of rings.entries())
          if (i < j) expect([name, i, j, ringsArea(intersection([r], [q]))]).toEqual([name, i, j, 0]);
    }
  });

  // What a page adds to its neighbours, over what is cut out: no way of laying needs less.
  test('a shirt takes at most 1.35 times the pages its areas ask for, and comes to lie alike every time', () => {
    const shirt = pottingShirt();
    if (!shirt.ok) throw new Error('no shirt');
    const x = compute(shirt.value);
    const sheets = sheetsFor(x, null, true);
    const puts = putOnPages(sheets, PAPERS.a4);
    const area = sheets.reduce((t, s) => t + ringsArea([outlineOfSheet(s, 0.1)]), 0);
    expect(tile(sheets, PAPERS.a4, puts).tiles.length).toBeLessThanOrEqual(1.35 * (area / (180 * 267)));
    const little = { planes: 2, strip: 60, fewer: 120 };
    expect(putOnPages(sheets, PAPERS.a4, little)).toEqual(putOnPages(sheets, PAPERS.a4, little));
    // Given up, it is no answer.
    expect(putOnPages(sheets, PAPERS.a4, undefined, () => false)).toEqual([]);
    for (const s of sheets) expect(puts.filter((p) => p.id === s.id)).toHaveLength(1);
  }, 60_000);

  test('a piece that is wider than the plane makes it wider; a turned one is the same piece, its words the same way up', () => {
    const [first] = everything();
    if (!first) throw new Error('no sheets');
    const by = 1500 / (first.box.maxX - first.box.minX);
    const wider = { a: by, b: 0, c: 0, d: 1, e: 0, f: 0 };
    const lines = first.items.flatMap((i) => (i.kind === 'path' ? [{ ...i, path: mapPath(i.path, wider) }] : []));
    const wide = { ...first, items: lines, box: boxOf(lines.flatMap((i) => i.path)) };
    expect(tiled([wide], 'a4').columns).toBe(Math.ceil((1500 - 10) / 180));
    const over = sheetAt(first, { id: first.id, turn: 180, x: 0, y: 0 });
    const [a, b] = [outlineOfSheet(first, 0), outlineOfSheet(over, 0)];
    for (const [k, p] of a.entries()) {
      expect(b[k]?.x).toBeCloseTo(first.box.maxX - p.x, 3);
      expect(b[k]?.y).toBeCloseTo(first.box.maxY - p.y, 3);
    }
    const words = (s: Sheet) =>
      s.items.flatMap((i) => (i.kind === 'text' ? [[i.text, i.size, i.upward ?? false]] : []));
    expect(words(over)).toEqual(words(first));
  });

  test('names of rows go on after Z', () => {
    expect([tileName(0, 0), tileName(25, 3), tileName(26, 0), tileName(701, 1)]).toEqual(['A1', 'Z4', 'AA1', 'ZZ2']);
  });
});

describe('SVG', () => {
  test('read in again, every piece has its seam line, its allowances and its size; text is escaped', () => {
    const text = svgOf(everything(), doc.name);
    expect(text).toContain('&quot; &amp; more');
    const read = importSvg(text);
    if (!read.ok) throw new Error(JSON.stringify(read.findings));
    for (const piece of coat.pieces) {
      const back = read.value.pieces.find((p) => p.name === piece.name);
      if (!back) throw new Error(piece.name);
      const [outline, want] = [outlineOf(back.ring as never), outlineOf(piece.ring)];
      expect(signedArea(outline) / signedArea(want)).toBeCloseTo(1, 5);
      expect(pathLength(outline)).toBeCloseTo(pathLength(want), 2);
      const [a, b] = [boxOf(outline), boxOf(want)];
      expect(a.maxX - a.minX).toBeCloseTo(b.maxX - b.minX, 3);
      if (piece.material === 'interfacing') continue;
      const allowances = (ring: { allowance: number | null; onFold: boolean }[]) =>
        ring.map((e) => (e.onFold ? 0 : Math.round(e.allowance ?? -1))).sort();
      expect([piece.name, allowances(back.ring)]).toEqual([piece.name, allowances(piece.ring)]);
      expect(back.notches).toHaveLength(piece.notches.length);
      expect(back.count).toBe(piece.cut.count);
    }
  });
});

describe('cut list', () => {
  test('names every piece with material and number, interfacing too; RFC 4180, no formula gets out', () => {
    const odd = { ...(coat.pieces[0] as (typeof coat.pieces)[number]), id: 'odd', name: '=1+"1"' };
    const rows = cutListCsv({ ...coat, pieces: [...coat.pieces, odd] }, 'mm').split('\r\n');
    expect(rows[0]).toBe('"Piece","Material","Cut","How","Area of one, cm2"');
    expect(rows).toContainEqual(expect.stringMatching(/^"Front facing interfacing","interfacing","2","pair",/));
    expect(rows).toContainEqual(expect.stringMatching(/^"Back lining","lining","1","fold",/));
    expect(rows).toContainEqual(expect.stringMatching(/^"'=1\+""1""",/));
    expect(rows).toHaveLength(coat.pieces.length + 3);
    // What is cut is more than what is sewn, and said in the unit asked for.
    const shell = coat.pieces[0] as (typeof coat.pieces)[number];
    const area = Math.abs(signedArea(coat.cutLines.get(shell.id)?.outline ?? []));
    expect(area).toBeGreaterThan(ringAreaOf(shell.ring) * 1.02);
    const inch = cutListCsv(coat, 'in')
      .split('\r\n')
      .find((r) => r.startsWith(`"${shell.name}"`));
    expect(Number(inch?.split('"').at(-2)) * 25.4 ** 2).toBeCloseTo(area, -2);
  });
});
