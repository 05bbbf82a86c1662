import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { compute } from '../core/document/compute.ts';
import { type Decisions, type ProjectDocument } from '../core/document/project.ts';
import { boxOf, pathLength } from '../core/geometry/index.ts';
import { outlineOf, ringAreaOf } from '../core/pattern/index.ts';
import { type Result } from '../core/result.ts';
import { documentOf } from '../demo/drawn.ts';
import { CHORE_JACKET, choreJacket, greenhouseCoat, pottingShirt, seedHallDress } from '../demo/index.ts';
import { hoodedCoat, princessCoat, raglanCoat, twoPieceCoat } from './makes.ts';
import { CUTS } from './pile.ts';
import { coatDocument, PLAIN_COAT } from './shells.ts';

/** Every piece and seam as they were drafted before a redesign: it may add, and may change none of them unsaid. */
const FILE = 'src/test/unchanged.json';

function demo(made: Result<ProjectDocument>): ProjectDocument {
  if (!made.ok) throw new Error(JSON.stringify(made.findings));
  return made.value;
}
const GARMENTS: Record<string, () => ProjectDocument> = {
  coat: () => demo(greenhouseCoat()),
  'chore jacket': () => demo(choreJacket()),
  shirt: () => demo(pottingShirt()),
  dress: () => demo(seedHallDress()),
  plain: () => coatDocument(),
  vented: () => coatDocument({ ...CHORE_JACKET, vent: { width: 40, height: 220 } }),
  princess: () => princessCoat(PLAIN_COAT, 'armhole'),
  'shoulder princess': () => princessCoat(PLAIN_COAT, 'shoulder'),
  'two-piece sleeve': () => twoPieceCoat(PLAIN_COAT),
  raglan: () => raglanCoat(PLAIN_COAT),
  hooded: () => hoodedCoat(PLAIN_COAT),
  ...Object.fromEntries(
    Object.entries(CUTS).map(([name, cut]) => [`cut ${name}`, () => documentOf(cut({ w: 262, l: 700, s: 126 }))]),
  ),
};
/** Some ways of making each, beside the one it comes with. */
const CHOICES: Record<string, (d: Decisions) => void> = {
  'as it comes': () => undefined,
  'lapel, free hem': (d) => {
    Object.assign(d.facing, { kind: 'lapel', out: 3 });
    Object.assign(d.lining.hem, { kind: 'free' });
    Object.assign(d.interfacing, { front: 'shaped', hems: 10, stay: 160 });
  },
  'grown on, deep back, hem faced': (d) => {
    Object.assign(d.facing, { kind: 'cut-on', deep: 240 });
    Object.assign(d.facing.bands, { hem: 60, waist: 40 });
    Object.assign(d.lining, { darts: 'pleats', slit: { ...d.lining.slit, length: 150 } });
  },
  unlined: (d) => {
    d.lining.on = false;
    Object.assign(d.facing.bands, { armhole: 35, waist: 40 });
  },
};

/** Figures of a piece: area, length round, box; of a seam: both its sides. To a ten-thousandth. */
const figures = (...v: number[]): number[] => v.map((x) => Math.round(x * 1e4) / 1e4);

function written(doc: ProjectDocument): Record<string, number[]> {
  const c = compute(doc);
  const out: Record<string, number[]> = {};
  for (const p of c.pieces) {
    const outline = outlineOf(p.ring);
    const b = boxOf(outline);
    out[p.id] = figures(ringAreaOf(p.ring), pathLength(outline), b.minX, b.minY, b.maxX, b.maxY);
    out[`${p.id} cut`] = figures(pathLength(c.cutLines.get(p.id)?.outline ?? []));
  }
  for (const s of c.seams) out[s.id] = figures(s.lengthAMm, s.lengthBMm, s.ease.min, s.ease.max);
  out.findings = [c.findings.length];
  return out;
}

const all = (): Record<string, Record<string, number[]>> =>
  Object.fromEntries(
    Object.entries(GARMENTS).flatMap(([name, make]) =>
      Object.entries(CHOICES).map(([how, choose]) => {
        const doc = make();
        choose(doc.decisions);
        return [`${name}, ${how}`, written(doc)];
      }),
    ),
  );

test('what was drafted before is drafted still, to a thousandth of a millimetre', () => {
  const now = all();
  // Written anew only where it is asked for, and looked over then.
  if (process.env.WRITE_DOWN) writeFileSync(FILE, `${JSON.stringify(now).replaceAll('},', '},\n')}\n`);
  const before = JSON.parse(readFileSync(FILE, 'utf8')) as typeof now;
  const off = Object.entries(before).flatMap(([garment, was]) =>
    Object.entries(was).flatMap(([what, values]) => {
      const is = now[garment]?.[what] ?? [];
      const same = values.every(
        (v, i) => Math.abs(v - (is[i] ?? Number.NaN)) <= 1e-3 * Math.max(1, Math.abs(v) * 1e-4),
      );
      return same ? [] : [`${garment}: ${what} was ${values}, is ${is}`];
    }),
  );
  expect(off).toEqual([]);
  expect(Object.keys(now).sort()).toEqual(Object.keys(before).sort());
});
