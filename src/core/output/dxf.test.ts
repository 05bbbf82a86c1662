import { describe, expect, test } from '@jest/globals';
import DxfParser from 'dxf-parser';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { readPdf } from '../../test/readpdf.ts';
import { runs } from '../../test/runs.ts';
import { type ClothSaid, laid, partsOf, standingOf, usualCutting } from '../cutting/index.ts';
import { compute } from '../document/compute.ts';
import { boxOf, type Path, type Point } from '../geometry/index.ts';
import { readDxf } from '../import/dxf/dxf.ts';
import { assemble } from '../import/index.ts';
import { outlineOf } from '../pattern/index.ts';
import { dxfOf } from './dxf.ts';
import { arrange, sheetsFor, svgAsTheyLie } from './index.ts';
import { layPdf } from './laypdf.ts';
import { laySheets } from './laysheet.ts';

const DRAWN = fc.record({ made: fc.constantFrom(...Object.values(CUTS)), w: fc.integer({ min: 220, max: 300 }) });
const garmentOf = ({ made, w }: { made: (typeof CUTS)[string]; w: number }) =>
  compute(documentOf(made({ w, l: 640, s: 120 })));

const size = (path: Path): [number, number] => {
  const b = boxOf(path);
  return [b.maxX - b.minX, b.maxY - b.minY];
};
const spread = (of: readonly Point[]): [number, number] => [
  Math.max(...of.map((p) => p.x)) - Math.min(...of.map((p) => p.x)),
  Math.max(...of.map((p) => p.y)) - Math.min(...of.map((p) => p.y)),
];

describe('a DXF drawing', () => {
  test('of any garment is read back with every piece, its name, its seam line to 0.1 mm and its notches', () => {
    fc.assert(
      fc.property(DRAWN, (g) => {
        const x = garmentOf(g);
        const read = readDxf(dxfOf(arrange(sheetsFor(x, null, false), 1500, 20).sheets));
        const back = read.ok ? assemble(read.value) : read;
        if (!back.ok) throw new Error(JSON.stringify(back.findings));
        expect(back.value.pieces.map((p) => p.name).sort()).toEqual(x.pieces.map((p) => p.name).sort());
        for (const p of x.pieces) {
          const same = back.value.pieces.filter((q) => q.name === p.name);
          const [w, h] = size(outlineOf(p.ring));
          const near = same
            .map((q) => size(q.ring.flatMap((e) => e.path)))
            .map(([v, u]) => Math.max(Math.abs(v - w), Math.abs(u - h)));
          expect(Math.min(...near)).toBeLessThan(0.1);
          expect(same.map((q) => q.notches.length)).toContain(p.notches.length);
        }
      }),
      runs(15),
    );
  });

  test('has a block for every piece on the layers of the exchange convention (ASTM D6673, from memory), or on named ones', () => {
    const x = garmentOf({ made: Object.values(CUTS)[0] as (typeof CUTS)[string], w: 250 });
    const sheets = arrange(sheetsFor(x, null, false), 1500, 20).sheets;
    for (const [layers, cut] of [
      ['numbers', '1'],
      ['names', 'cut'],
    ] as const) {
      const dxf = new DxfParser().parseSync(dxfOf(sheets, layers));
      const inserts = dxf?.entities.filter((e) => e.type === 'INSERT') as unknown as { name: string }[];
      expect(inserts).toHaveLength(sheets.length);
      for (const [i, s] of sheets.entries()) {
        const block = dxf?.blocks[inserts[i]?.name ?? ''];
        const cuts = block?.entities.filter((e) => e.layer === cut) as unknown as { vertices: Point[] }[];
        const [w, h] = spread(cuts[0]?.vertices ?? []);
        const outline = s.items.find((q) => q.kind === 'path' && q.stroke === 'cut');
        const [v, u] = size(outline?.kind === 'path' ? outline.path : []);
        expect([Math.abs(w - v) < 0.1, Math.abs(h - u) < 0.1]).toEqual([true, true]);
      }
    }
  });

  test('of a lay has its cuts where they lie, in SVG and PDF as well; lines of its print go on over the side seam', async () => {
    const x = garmentOf({ made: Object.values(CUTS)[0] as (typeof CUTS)[string], w: 250 });
    const usual = usualCutting();
    const print = { along: 80, across: 0, fromEnd: 20, fromSide: 0 };
    const cloth: ClothSaid = { ...(usual.cloths[0] as ClothSaid), width: 1600, print };
    const choice = { ...usual, cloths: [cloth] };
    const { mine, holds } = standingOf(choice, cloth, x);
    const { value } = laid(partsOf(mine, x.cutLines, cloth, holds).parts, cloth, 1).next();
    const lays = [{ cloth: cloth.id, placed: value?.placed ?? [] }];
    const { lying, length, meeting } = standingOf({ ...choice, lays }, cloth, x);
    expect(lying.length).toBeGreaterThan(3);
    const sheets = laySheets(cloth, lying, length);
    const svg = svgAsTheyLie(sheets, 'A lay', { width: cloth.width, height: length });
    const groups = [...svg.matchAll(/<g id="([^"]+)">(.*?)<\/g>/gs)];
    const dxf = new DxfParser().parseSync(dxfOf(sheets));
    const blocks = Object.values(dxf?.blocks ?? {}).filter((b) => b.entities?.some((e) => e.layer === '14'));
    expect(blocks).toHaveLength(lying.length);
    // Both are looked at as a stranger would: the points of the seam lines, and the lines of the print.
    const drawn = new Map(
      groups.map(([, id, body]) => {
        const seam = /class="seam" d="([^"]+)"/.exec(body ?? '')?.[1] ?? '';
        return [
          id,
          [...seam.matchAll(/[ML]?(-?[\d.]+) (-?[\d.]+)/g)].map(([, px, py]) => ({ x: Number(px), y: Number(py) })),
        ];
      }),
    );
    const inDxf = blocks.flatMap((b) =>
      b.entities.filter((e) => e.layer === '14').map((e) => (e as unknown as { vertices: Point[] }).vertices),
    );
    // As PDF it is one page as large as its cloth with 10 mm round it, each cut as large as it is.
    const size = { width: cloth.width, height: length };
    const bytes = await layPdf({ title: 'A lay', sheets, size, fonts: { regular: [] }, now: new Date(0) });
    const [page, ...more] = await readPdf(bytes as Uint8Array);
    expect([more, page?.width]).toEqual([[], expect.closeTo(1620, 1)]);
    for (const { ring } of lying) {
      const [w, h] = spread(ring);
      const same = (run: Point[]) => spread(run).every((v, k) => Math.abs(v - ((k ? h : w) ?? 0)) < 0.1);
      expect(page?.runs.some(same)).toBe(true);
    }
    expect(
      await layPdf({
        ...{ title: '', sheets, fonts: { regular: [] }, now: new Date(0) },
        size: { ...size, height: 6000 },
      }),
    ).toBeNull();
    const side = meeting.map((m) => m.match).filter((m) => m.code === 'side');
    expect(side.length).toBeGreaterThan(0);
    for (const m of side) {
      const phases = [m.a, m.b].flatMap(({ piece, at }) =>
        lying
          .filter((q) => q.piece === piece && q.turn === 0)
          .flatMap((q) => {
            const p = q.place([at])[0] as Point;
            const away = (of: readonly Point[]): number =>
              Math.min(...along(of).map((v) => Math.hypot(v.x - p.x, v.y - p.y)));
            expect(away(drawn.get(`${q.piece}-${q.copy}`) ?? [])).toBeLessThan(0.5);
            expect(Math.min(...inDxf.map((r) => away(r.map((v) => ({ x: v.x, y: -v.y })))))).toBeLessThan(0.5);
            return [(((p.y - print.fromEnd) % print.along) + print.along) % print.along];
          }),
      );
      const off = phases.map((v) =>
        Math.min(Math.abs(v - (phases[0] ?? 0)), print.along - Math.abs(v - (phases[0] ?? 0))),
      );
      expect(Math.max(0, ...off)).toBeLessThan(0.5);
    }
  });
});

/** Points on a ring of chords, every half millimetre. */
const along = (ring: readonly Point[]): Point[] =>
  ring.flatMap((p, i) => {
    const q = ring[(i + 1) % ring.length] as Point;
    const n = Math.ceil(Math.hypot(q.x - p.x, q.y - p.y) * 2) || 1;
    return Array.from({ length: n }, (_, k) => ({ x: p.x + ((q.x - p.x) * k) / n, y: p.y + ((q.y - p.y) * k) / n }));
  });
