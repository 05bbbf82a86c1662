import { describe, expect, test } from '@jest/globals';
import {
  clip,
  endPath,
  lineTo,
  moveTo,
  PDFDocument,
  PDFName,
  PDFOperator,
  PDFOperatorNames,
  type PDFPage,
  PDFString,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  StandardFonts,
  setDashPattern,
  setLineWidth,
  stroke,
} from 'pdf-lib';
import { isMeasured } from '../../core/cutting/whichpiece.ts';
import { boxOf, type Path, pathLength, signedArea } from '../../core/geometry/index.ts';
import { type Imported, importPdf, type PdfChoices } from '../../core/import/index.ts';
import { outlineOf } from '../../core/pattern/index.ts';
import { type Result } from '../../core/result.ts';
import { type CoatFigures, draftCoat, GREENHOUSE_COAT, strokePath } from '../../demo/index.ts';
import { readPdfPages } from './pdfpages.ts';
import { lookInto, readPieces } from './read.ts';

const PT = 72 / 25.4;
interface Placed {
  name: string;
  path: Path;
  x: number;
  y: number;
}

/** The coat's three outlines on one plane, mm, with their names. */
const plane = (f: CoatFigures = GREENHOUSE_COAT): Placed[] =>
  draftCoat(f).map((d, i) => ({ name: d.name, path: d.edges.flat(), x: [80, 460, 1080][i] as number, y: 60 }));

/** Draws a path with its plane shifted by (dx, dy) mm on a page `height` mm high. */
function drawPath(page: PDFPage, p: Placed, dx: number, dy: number, height: number): void {
  strokePath(page, p.path, (q) => [(q.x + p.x + dx) * PT, (height - q.y - p.y - dy) * PT]);
}

async function bigPage(
  draw: (page: PDFPage, doc: PDFDocument) => Promise<void> | void,
  size = [1500, 1200],
): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const page = doc.addPage([(size[0] as number) * PT, (size[1] as number) * PT]);
  page.pushOperators(setLineWidth(0.5 * PT));
  await draw(page, doc);
  return doc.save();
}

interface Tiling {
  trim: { x: number; y: number; w: number; h: number };
  overlap: number;
  labels: boolean;
  order: 'rows' | 'columns';
  /** What the lines are clipped to. */
  clip: 'frame' | 'page' | 'none';
  frame: boolean;
  corners: boolean;
  /** A page before the tiles, with a test square. */
  cover: boolean;
  /** Only what touches a page is drawn on it, and pages that nothing touches are left out. */
  touching: boolean;
  /** Every edge a line of its own. */
  edges: boolean;
}

const A4_ROWS: Tiling = {
  trim: { x: 10, y: 12, w: 190, h: 270 },
  overlap: 10,
  labels: false,
  order: 'rows',
  clip: 'frame',
  frame: true,
  corners: false,
  cover: false,
  touching: false,
  edges: false,
};

/** An angle in each corner of the frame, as programs print them for sticking pages together. */
function cornerMarks(page: PDFPage, t: Tiling): void {
  const { x, y, w, h } = t.trim;
  for (const [cx, sx] of [
    [x, 1],
    [x + w, -1],
  ] as const)
    for (const [cy, sy] of [
      [297 - y, -1],
      [297 - y - h, 1],
    ] as const)
      page.pushOperators(
        moveTo((cx + 8 * sx) * PT, cy * PT),
        lineTo(cx * PT, cy * PT),
        lineTo(cx * PT, (cy + 8 * sy) * PT),
        stroke(),
      );
}

/** The plane printed over A4 pages: each page shows its part of the whole lines through a clip, as many programs write it. */
async function tiled(t: Tiling): Promise<{ bytes: Uint8Array; columns: number; rows: number }> {
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.Helvetica);
  const [columns, rows] = [
    Math.ceil((1350 - t.overlap) / (t.trim.w - t.overlap)),
    Math.ceil((1200 - t.overlap) / (t.trim.h - t.overlap)),
  ];
  const cells = Array.from({ length: columns * rows }, (_, i) =>
    t.order === 'rows' ? [i % columns, Math.floor(i / columns)] : [Math.floor(i / rows), i % rows],
  );
  if (t.cover)
    doc
      .addPage([210 * PT, 297 * PT])
      .pushOperators(rectangle(60 * PT, 500, 50 * PT, 50 * PT), setLineWidth(1), stroke());
  for (const [c, r] of cells as [number, number][]) {
    const [dx, dy] = [c * (t.trim.w - t.overlap), r * (t.trim.h - t.overlap)];
    const touches = (p: Placed): boolean => {
      const b = boxOf(p.path);
      const meets = (low: number, high: number, from: number, size: number) => high > from && low < from + size;
      return meets(b.minX + p.x, b.maxX + p.x, dx, t.trim.w) && meets(b.minY + p.y, b.maxY + p.y, dy, t.trim.h);
    };
    const own = plane().filter((p) => !t.touching || touches(p));
    if (!own.length) continue;
    const page = doc.addPage([210 * PT, 297 * PT]);
    const frame = rectangle(t.trim.x * PT, (297 - t.trim.y - t.trim.h) * PT, t.trim.w * PT, t.trim.h * PT);
    const shown = { frame: [frame, clip(), endPath()], page: [rectangle(0, 0, 210 * PT, 297 * PT), clip(), endPath()] };
    page.pushOperators(pushGraphicsState(), ...(t.clip === 'none' ? [] : shown[t.clip]), setLineWidth(0.5 * PT));
    for (const p of own)
      for (const path of t.edges ? p.path.map((s) => [s]) : [p.path])
        drawPath(page, { ...p, path }, t.trim.x - dx, t.trim.y - dy, 297);
    page.pushOperators(popGraphicsState(), setLineWidth(0.2 * PT), ...(t.frame ? [frame, stroke()] : []));
    if (t.corners) cornerMarks(page, t);
    if (t.labels)
      page.drawText(`${String.fromCharCode(65 + r)}${c + 1}`, { x: (t.trim.x + 3) * PT, y: 20 * PT, size: 9, font });
  }
  return { bytes: await doc.save(), columns, rows };
}

async function pieces(bytes: Uint8Array, choices: PdfChoices = {}): Promise<Result<Imported>> {
  return readPieces({ name: 'x.pdf', bytes, unit: undefined, choices });
}
const codes = (r: Result<unknown>): string[] => (r.ok ? [] : r.findings.map((f) => f.code));

/** Every outline of the plane is among the pieces, at its size. */
function expectAll(r: Result<Imported>, f: CoatFigures = GREENHOUSE_COAT): void {
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  const areas = r.value.pieces.map((p) => ({
    area: Math.abs(signedArea(outlineOf(p.ring as never))),
    length: pathLength(outlineOf(p.ring as never)),
    edges: p.ring.length,
  }));
  expect(areas).toHaveLength(3);
  for (const d of draftCoat(f)) {
    const want = d.edges.flat();
    const found = areas.find((a) => Math.abs(a.area / Math.abs(signedArea(want)) - 1) < 1e-5);
    expect([d.name, found?.edges]).toEqual([d.name, d.edges.length]);
    expect(Math.abs((found?.length ?? 0) - pathLength(want))).toBeLessThan(0.02);
  }
}

describe('one big page', () => {
  test('pieces at true size, named by their words, the test square told', async () => {
    const bytes = await bigPage(async (page, doc) => {
      const font = await doc.embedFont(StandardFonts.Helvetica);
      for (const p of plane()) {
        drawPath(page, p, 0, 0, 1200);
        page.drawText(`${p.name} - cut 2`, { x: (p.x + 60) * PT, y: (1200 - p.y - 400) * PT, size: 20, font });
      }
      page.pushOperators(rectangle(1300 * PT, 20 * PT, 50 * PT, 50 * PT), stroke());
      page.drawText('5 cm', { x: 1310 * PT, y: 40 * PT, size: 12, font });
    });
    const r = await pieces(bytes);
    expectAll(r);
    expect(r.ok && r.value.pieces.map((p) => p.name)).toEqual(['Front', 'Back', 'Sleeve']);
    expect(r.ok && r.value.findings.find((f) => f.code === 'square-true')?.data?.nominal).toBe(50);
  });

  test('a page printed to fit is told by its test square, and brought to true size when asked', async () => {
    const k = 0.97;
    const bytes = await bigPage(async (page, doc) => {
      const font = await doc.embedFont(StandardFonts.Helvetica);
      page.pushOperators(
        PDFOperator.of(
          PDFOperatorNames.ConcatTransformationMatrix,
          [k, 0, 0, k, 0, 0].map((v) => doc.context.obj(v)) as never,
        ),
      );
      for (const p of plane()) drawPath(page, p, 0, 0, 1200);
      page.pushOperators(rectangle(1300 * PT, 20 * PT, 50.8 * PT, 50.8 * PT), stroke());
      page.drawText('2 inch', { x: 1310 * PT, y: 40 * PT, size: 12, font });
    });
    const seen = await pieces(bytes);
    const off = seen.ok ? seen.value.findings.find((f) => f.code === 'square-off') : undefined;
    expect(off?.data?.factor).toBeCloseTo(1 / k, 4);
    expectAll(await pieces(bytes, { scale: Number(off?.data?.factor) }));
  });

  test('sizes in different dashes: asked for, each found, the chosen one taken', async () => {
    const grades = [0, 24, 48].map((d) => ({
      ...GREENHOUSE_COAT,
      bust: GREENHOUSE_COAT.bust + d,
      length: GREENHOUSE_COAT.length + d / 4,
    }));
    const bytes = await bigPage((page) => {
      grades.forEach((f, i) => {
        page.pushOperators(setDashPattern([[], [8, 4], [2, 3]][i] as number[], 0));
        for (const p of plane(f)) drawPath(page, p, 0, 0, 1200);
      });
    });
    expect(codes(await pieces(bytes))).toEqual(['choose-size']);
    const look = await lookInto({ name: 'x.pdf', bytes, unit: undefined, choices: {} });
    if (!look.ok) throw new Error('not read');
    expect([look.value.nested, look.value.groups.map((g) => g.outlines)]).toEqual([true, [3, 3, 3]]);
    const sorted = [...look.value.groups].sort((a, b) => a.lengthMm - b.lengthMm);
    for (const [i, f] of grades.entries()) expectAll(await pieces(bytes, { groups: [sorted[i]?.id ?? ''] }), f);
    expect(codes(await pieces(bytes, { groups: ['g9'] }))).toEqual(['pdf-group-unknown']);
    // An edge of a piece that is cut already says which size it is: the side seams of each, by their own figures.
    const having = (mm: number) => sorted.filter((g) => g.edges.some((e) => isMeasured(e, mm))).map((g) => g.id);
    for (const [i, f] of grades.entries())
      for (const d of draftCoat(f))
        expect(having(Math.round(Math.max(...d.edges.map(pathLength))))).toContain(sorted[i]?.id);
    expect(having(2400)).toEqual([]);
  });

  test('layers: what is switched off is left out, the others are named', async () => {
    const bytes = await bigPage((page, doc) => {
      const [on, off] = ['Size 12', 'Size 14'].map((n) =>
        doc.context.register(doc.context.obj({ Type: 'OCG', Name: PDFString.of(n) })),
      );
      doc.catalog.set(
        PDFName.of('OCProperties'),
        doc.context.obj({ OCGs: [on, off], D: { OFF: [off], Order: [on, off] } } as never),
      );
      page.node.setXObject(PDFName.of('x'), on as never);
      page.node.Resources()?.set(PDFName.of('Properties'), doc.context.obj({ L1: on, L2: off } as never));
      const end = PDFOperator.of(PDFOperatorNames.EndMarkedContent);
      const begin = (name: string) => PDFOperator.of('BDC' as never, [PDFName.of('OC'), PDFName.of(name)] as never);
      page.pushOperators(begin('L1'));
      for (const p of plane()) drawPath(page, p, 0, 0, 1200);
      page.pushOperators(end, begin('L2'));
      for (const p of plane({ ...GREENHOUSE_COAT, bust: 1100 })) drawPath(page, p, 0, 0, 1200);
      page.pushOperators(end);
    });
    expectAll(await pieces(bytes));
    const pages = await readPdfPages(bytes);
    expect(pages.ok && [...new Set(pages.value[0]?.lines.map((l) => l.layer))]).toEqual(['Size 12']);
  });
});

describe('pages to be laid together', () => {
  test.each<[string, Partial<Tiling>]>([
    ['overlap of 10 mm, rows, no labels', {}],
    ['edge to edge, columns', { overlap: 0, order: 'columns' }],
    ['half an inch, labelled', { overlap: 12.7, labels: true }],
    ['an odd overlap', { overlap: 7.3 }],
  ])(
    '%s',
    async (_, part) => {
      const t: Tiling = { ...A4_ROWS, ...part };
      const { bytes, columns, rows } = await tiled(t);
      expectAll(await pieces(bytes));
      const look = await lookInto({ name: 'x.pdf', bytes, unit: undefined, choices: {} });
      if (!look.ok) throw new Error('not read');
      expect(look.value.layout?.overlapX).toBeCloseTo(t.overlap, 1);
      expect(
        [look.value.layout?.columns, look.value.layout?.rows].every(
          (n, i) => Math.abs((n ?? 0) - ([columns, rows][i] ?? 0)) <= 1,
        ),
      ).toBe(true);
      expectAll(await pieces(bytes, { columns, overlap: t.overlap, order: t.order }));
    },
    60_000,
  );

  test.each<[string, Partial<Tiling>]>([
    ['edge to edge, frames and corner marks, a cover before them', { overlap: 0, corners: true, cover: true }],
    ['15 mm, by columns, a frame and no clip', { overlap: 15, order: 'columns', clip: 'none', corners: true }],
    [
      'edge to edge, clipped to the page, no frame, every edge a line',
      { overlap: 0, clip: 'page', frame: false, edges: true, cover: true },
    ],
    [
      '15 mm, no frame, every edge a line, labelled',
      { overlap: 15, frame: false, edges: true, corners: true, labels: true },
    ],
  ])('each drawing whole what touches it, %s', async (_, part) => {
    const { bytes } = await tiled({ ...A4_ROWS, touching: true, ...part });
    expectAll(await pieces(bytes));
  });

  test('lines cut off at the rim of each page are joined across it, by how they meet', async () => {
    // A straight-sided piece: its cuts are computed here, by hand, not by the product.
    const corners = [
      [60, 40],
      [520, 80],
      [600, 700],
      [40, 760],
    ] as const;
    const doc = await PDFDocument.create();
    const [w, h] = [210, 297];
    for (let r = 0; r < 3; r++)
      for (let c = 0; c < 3; c++) {
        const page = doc.addPage([w * PT, h * PT]);
        page.pushOperators(setLineWidth(1));
        corners.forEach((a, i) => {
          const b = corners[(i + 1) % 4] as (typeof corners)[number];
          let [t0, t1] = [0, 1];
          for (const k of [0, 1] as const) {
            const [low, high] = k === 0 ? [c * w, (c + 1) * w] : [r * h, (r + 1) * h];
            const d = b[k] - a[k];
            const ends = [(low - a[k]) / d, (high - a[k]) / d].sort((x, y) => x - y) as [number, number];
            [t0, t1] = [Math.max(t0, ends[0]), Math.min(t1, ends[1])];
          }
          if (t1 - t0 < 1e-9) return;
          const at = (t: number): [number, number] => [
            (a[0] + (b[0] - a[0]) * t - c * w) * PT,
            (h - (a[1] + (b[1] - a[1]) * t - r * h)) * PT,
          ];
          page.pushOperators(moveTo(...at(t0)), lineTo(...at(t1)), stroke());
        });
      }
    const r = await pieces(await doc.save());
    if (!r.ok) throw new Error(JSON.stringify(r.findings));
    const shoelace =
      corners.reduce(
        (s, a, i) => s + a[0] * (corners[(i + 1) % 4]?.[1] ?? 0) - (corners[(i + 1) % 4]?.[0] ?? 0) * a[1],
        0,
      ) / 2;
    expect(r.value.pieces).toHaveLength(1);
    expect(Math.abs(signedArea(outlineOf(r.value.pieces[0]?.ring as never)))).toBeCloseTo(Math.abs(shoelace), -1);
    expect(r.value.pieces[0]?.ring).toHaveLength(4);
  });
});

describe('pages that fit nowhere by themselves', () => {
  test('are refused in words, and shown to be laid by hand', async () => {
    const doc = await PDFDocument.create();
    for (let n = 0; n < 4; n++) {
      const page = doc.addPage([210 * PT, 297 * PT]);
      for (let k = 0; k < 9; k++)
        page.pushOperators(
          moveTo(0, (20 + k * 31 + n * 7.3) * PT),
          lineTo(210 * PT, (25 + k * 29 + n * 3.1) * PT),
          stroke(),
        );
    }
    const bytes = await doc.save();
    expect(codes(await pieces(bytes))).toEqual(['tiles-unclear']);
    const look = await lookInto({ name: 'x.pdf', bytes, unit: undefined, choices: {} });
    expect(look.ok && [look.value.layout, look.value.tiles?.d.length]).toEqual([null, 2]);
    const said = await lookInto({ name: 'x.pdf', bytes, unit: undefined, choices: { columns: 2, overlap: 5 } });
    expect(said.ok && [said.value.layout?.columns, said.value.layout?.rows, said.value.layout?.by]).toEqual([
      2,
      2,
      'said',
    ]);
  });
});

describe('what cannot be used', () => {
  test('pictures only, broken, locked, pages that fit nowhere: each in words', async () => {
    const png = Uint8Array.from(
      atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='),
      (c) => c.charCodeAt(0),
    );
    const picture = await bigPage(async (page, doc) =>
      page.drawImage(await doc.embedPng(png), { x: 0, y: 0, width: 500, height: 500 }),
    );
    expect(codes(await pieces(picture))).toEqual(['pdf-image-only']);
    const fine = await bigPage((page) => drawPath(page, plane()[0] as Placed, 0, 0, 1200));
    expect(codes(await pieces(fine.slice(0, 40)))).toEqual(['pdf-broken']);
    const locked = await PDFDocument.load(fine);
    const bytes32 = PDFString.of('x'.repeat(32));
    locked.context.trailerInfo.Encrypt = locked.context.obj({
      Filter: 'Standard',
      V: 1,
      R: 2,
      O: bytes32,
      U: bytes32,
      P: -4,
    } as never);
    locked.context.trailerInfo.ID = locked.context.obj([
      PDFString.of('0123456789abcdef'),
      PDFString.of('0123456789abcdef'),
    ]);
    expect(codes(await pieces(await locked.save({ useObjectStreams: false })))).toEqual(['pdf-locked']);
    const pages = await readPdfPages(await bigPage(() => undefined));
    expect(pages.ok && codes(importPdf(pages.value))).toEqual(['no-outlines']);
  });
});
