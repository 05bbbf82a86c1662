import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type CoatFigures, pottingShirt, seedHallDress } from '../../demo/index.ts';
import { choices, isPlanned } from '../../test/anychoices.ts';
import { seamsOff } from '../../test/checker.ts';
import { choices as making } from '../../test/features.ts';
import { hoodedCoat, princessCoat, raglanCoat, twoPieceCoat } from '../../test/makes.ts';
import { among, runs } from '../../test/runs.ts';
import { coatDocument, coatFigures } from '../../test/shells.ts';
import { compute } from '../document/compute.ts';
import { type ProjectDocument } from '../document/project.ts';
import { proofOf } from '../document/proof/index.ts';
import { ringsArea, selfCrossing, union } from '../geometry/index.ts';
import { flatRing, ringAreaOf } from '../pattern/index.ts';

function demo(made: ReturnType<typeof seedHallDress>): ProjectDocument {
  if (!made.ok) throw new Error(JSON.stringify(made.findings));
  return made.value;
}
const MAKES: Record<string, (f: CoatFigures) => ProjectDocument> = {
  plain: coatDocument,
  vented: (f) => coatDocument({ ...f, vent: { width: 40, height: f.length * 0.3 } }),
  princess: (f) => princessCoat(f, 'armhole'),
  'shoulder princess': (f) => princessCoat(f, 'shoulder'),
  'two-piece sleeve': twoPieceCoat,
  raglan: raglanCoat,
  hooded: hoodedCoat,
  shirt: () => demo(pottingShirt()),
  dress: () => demo(seedHallDress()),
};
test('whatever is made and chosen: what is drafted and planned is proved, or refused with a reason', () => {
  let drafted = 0;
  let planned = 0;
  fc.assert(
    fc.property(coatFigures, fc.constantFrom(...Object.keys(MAKES)), choices, making, (figures, make, c, how) => {
      const doc = (MAKES[make] as (f: CoatFigures) => ProjectDocument)(figures);
      const d = doc.decisions;
      Object.assign(d.facing, c.facing);
      Object.assign(d.lining, c.lining);
      Object.assign(d.interfacing, c.interfacing);
      d.making = how;
      const x = compute(doc);
      // What is drawn first while a slider moves is what is drawn in the end.
      const first = x.faced;
      expect(x.inside.filter((p) => p.material === 'facing' && !p.id.endsWith('-rib'))).toEqual(first);
      for (const q of x.pieces) {
        const chain = flatRing(q.ring);
        expect(chain.every((p) => Number.isFinite(p.x) && Number.isFinite(p.y))).toBe(true);
        expect([make, q.id, selfCrossing(chain)]).toEqual([make, q.id, null]);
        expect(Math.abs(ringsArea(union([chain]))) / ringAreaOf(q.ring)).toBeCloseTo(1, 3);
        expect(new Set(q.ring.map((e) => e.id)).size).toBe(q.ring.length);
      }
      expect(new Set(x.pieces.map((q) => q.id)).size).toBe(x.pieces.length);
      if (x.findings.some((f) => f.severity === 'stop')) return;
      drafted += 1;
      planned += isPlanned(doc, x, how) ? 1 : 0;
      const off = seamsOff(x);
      expect([make, off.map((s) => [s.code, s.differenceMm, s.easeMm])]).toEqual([make, []]);
      const proof = proofOf(x).filter((k) => k.code !== 'hem' && k.code !== 'seams');
      expect([make, proof.flatMap((k) => k.faults.map((f) => [k.code, f]))]).toEqual([make, []]);
    }),
    runs(45),
  );
  expect(drafted).toBeGreaterThanOrEqual(among(18));
  expect(planned).toBeGreaterThanOrEqual(among(10));
});
