import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import DxfParser from 'dxf-parser';
import { type ClothSaid, laid, partsOf, standingOf, usualCutting } from '../core/cutting/index.ts';
import { compute } from '../core/document/compute.ts';
import { flatten, type Point, ringArea } from '../core/geometry/index.ts';
import { dxfOf } from '../core/output/dxf.ts';
import { arrange, sheetsFor } from '../core/output/index.ts';
import { layPdf } from '../core/output/laypdf.ts';
import { laySheets } from '../core/output/laysheet.ts';
import { documentOf } from '../demo/drawn.ts';
import { CUTS } from '../test/pile.ts';

// Read back by programs of others, where they are installed (Debian: python3-ezdxf, poppler-utils); else it is said that they were not asked.
const folder = mkdtempSync(join(tmpdir(), 'woodbine-others-'));
afterAll(() => rmSync(folder, { recursive: true }));
const runs = (command: string, ...args: string[]): boolean => spawnSync(command, args).status === 0;
const python = ['/usr/bin/python3', 'python3'].find((p) => runs(p, '-c', 'import ezdxf'));
const cairo = runs('pdftocairo', '-v');
if (!python || !cairo)
  process.stderr.write('ezdxf or poppler is not installed: not all that is put out is read by them.\n');

const GARMENTS = Object.values(CUTS).map((made) => compute(documentOf(made({ w: 260, l: 640, s: 120 }))));
const spread = (of: readonly Point[]): [number, number] => [
  Math.max(...of.map((p) => p.x)) - Math.min(...of.map((p) => p.x)),
  Math.max(...of.map((p) => p.y)) - Math.min(...of.map((p) => p.y)),
];
/** As wide, as high and as large, to 0.1 mm along its edge. */
const alike = (a: readonly Point[], b: readonly Point[]): boolean => {
  const [[w, h], [v, u]] = [spread(a), spread(b)];
  const round = 2 * (w + h);
  const area = Math.abs(Math.abs(ringArea([...a])) - Math.abs(ringArea([...b])));
  return Math.abs(w - v) < 0.1 && Math.abs(h - u) < 0.1 && area < 0.1 * round;
};

/** The closed lines of every block of a drawing, by their layers, and what is wrong with the file. */
const BLOCKS = `
import ezdxf, json, sys
doc = ezdxf.readfile(sys.argv[1])
blocks = {}
for i in doc.modelspace().query('INSERT'):
    for e in doc.blocks.get(i.dxf.name):
        if e.dxftype() in ('POLYLINE', 'LWPOLYLINE'):
            at = e.points() if e.dxftype() == 'POLYLINE' else e.get_points('xy')
            blocks.setdefault(i.dxf.name, {}).setdefault(e.dxf.layer, []).append([[p[0], p[1]] for p in at])
print(json.dumps({'blocks': list(blocks.values()), 'wrong': [e.message for e in doc.audit().errors], 'units': doc.header.get('$INSUNITS', 0)}))
`;

describe('read by others', () => {
  test('a DXF drawing of any garment has a block for every sheet, as dxf-parser reads it', () => {
    for (const x of GARMENTS) {
      const { sheets } = arrange(sheetsFor(x, null, false), 1500, 20);
      const read = new DxfParser().parseSync(dxfOf(sheets));
      expect(read?.entities.filter((e) => e.type === 'INSERT')).toHaveLength(sheets.length);
    }
  });

  if (python)
    test('a DXF drawing has every cut and every seam line to 0.1 mm, and no fault, as ezdxf reads it', () => {
      for (const [i, x] of GARMENTS.entries()) {
        const { sheets } = arrange(sheetsFor(x, null, false), 1500, 20);
        const file = join(folder, `${i}.dxf`);
        writeFileSync(file, dxfOf(sheets));
        const read = spawnSync(python as string, ['-c', BLOCKS, file], { encoding: 'utf8' });
        expect(read.stderr).toBe('');
        const { blocks, wrong, units } = JSON.parse(read.stdout);
        // Millimetres (DXF reference: $INSUNITS 4).
        expect([wrong, units, blocks.length]).toEqual([[], 4, sheets.length]);
        for (const s of sheets)
          for (const [stroke, layer] of [
            ['cut', '1'],
            ['seam', '14'],
          ] as const) {
            const rings = blocks.flatMap((b: Record<string, [number, number][][]>) => b[layer] ?? []);
            // What meets at its ends is one line there.
            const paths = s.items.flatMap((q) => (q.kind === 'path' && q.stroke === stroke ? [q.path] : []));
            const own = (stroke === 'cut' ? paths : [paths.flat()]).map((path) => flatten(path, 0.02));
            for (const ring of own)
              expect(
                rings.some((r: [number, number][]) =>
                  alike(
                    r.map(([px, py]) => ({ x: px, y: py })),
                    ring,
                  ),
                ),
              ).toBe(true);
          }
      }
    });

  if (cairo)
    test('a lay as PDF has every cut where it lies to 0.1 mm, as poppler draws it', async () => {
      const cloth: ClothSaid = { ...(usualCutting().cloths[0] as ClothSaid), width: 1600 };
      for (const [i, x] of GARMENTS.slice(0, 4).entries()) {
        const choice = { ...usualCutting(), cloths: [cloth] };
        const { mine, holds } = standingOf(choice, cloth, x);
        const { value } = laid(partsOf(mine, x.cutLines, cloth, holds).parts, cloth, 1).next();
        const { lying, length } = standingOf(choice, cloth, x, value?.placed ?? []);
        const size = { width: cloth.width, height: length };
        const sheets = laySheets(cloth, lying, length);
        const bytes = await layPdf({ title: 'A lay', sheets, size, fonts: { regular: [] }, now: new Date(0) });
        const [pdf, svg] = [join(folder, `${i}.pdf`), join(folder, `${i}.svg`)];
        writeFileSync(pdf, bytes as Uint8Array);
        expect(spawnSync('pdftocairo', ['-svg', '-noshrink', '-nocenter', pdf, svg]).status).toBe(0);
        const drawn = ringsOf(readFileSync(svg, 'utf8'));
        // The page has 10 mm round the cloth, and 20 above it for a title.
        for (const { ring } of lying) {
          const corner = { x: 10 + Math.min(...ring.map((p) => p.x)), y: 30 + Math.min(...ring.map((p) => p.y)) };
          const there = drawn.filter((r) => alike(r, ring));
          const off = there.map((r) =>
            Math.hypot(Math.min(...r.map((p) => p.x)) - corner.x, Math.min(...r.map((p) => p.y)) - corner.y),
          );
          expect(Math.min(...off)).toBeLessThan(0.1);
        }
      }
    });
});

/** The paths of an SVG as poppler writes it, in mm: straight lines, each under one matrix at most. */
function ringsOf(svg: string): Point[][] {
  const MM = 25.4 / 72;
  return [...svg.matchAll(/<path[^>]*? d="([^"]+)"[^>]*>/g)].map(([tag, d]) => {
    const m = /matrix\(([^)]+)\)/.exec(tag)?.[1]?.split(/[ ,]+/).map(Number) ?? [1, 0, 0, 1, 0, 0];
    const [a, b, c, e, f, g] = m as [number, number, number, number, number, number];
    const at = [...(d ?? '').matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);
    return at.map(([x, y]) => ({ x: (a * x + c * y + f) * MM, y: (b * x + e * y + g) * MM }));
  });
}
