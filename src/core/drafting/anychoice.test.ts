import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type CoatFigures, pottingShirt, seedHallDress } from '../../demo/index.ts';
import { seamsOff } from '../../test/checker.ts';
import { choices as making } from '../../test/features.ts';
import { hoodedCoat, princessCoat, raglanCoat, twoPieceCoat } from '../../test/makes.ts';
import { among, runs } from '../../test/runs.ts';
import { coatDocument, coatFigures } from '../../test/shells.ts';
import { type Computed, compute, taskOf } from '../document/compute.ts';
import {
  DART_CHOICES,
  FACING_KINDS,
  FINISHES,
  FRONT_INTERFACINGS,
  HEM_KINDS,
  type ProjectDocument,
  SLIT_SEAMS,
  ZIP_SEAMS,
} from '../document/project.ts';
import { proofOf } from '../document/proof/index.ts';
import { ringsArea, selfCrossing, union } from '../geometry/index.ts';
import { flatRing, ringAreaOf } from '../pattern/index.ts';
import { makePlan } from '../plan/index.ts';
import { type Finding } from '../result.ts';

const mm = (min: number, max: number) => fc.integer({ min, max });
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
const hem = fc.record({
  kind: fc.constantFrom(...HEM_KINDS),
  clearance: mm(5, 20),
  seam: mm(5, 15),
  above: mm(5, 50),
  turn1: mm(5, 20),
  turn2: mm(10, 30),
  ribDepth: mm(30, 90),
  ribShare: fc.constantFrom(80, 85, 90),
});
const turned = { shellSeam: mm(5, 15), liningSeam: mm(5, 15) };
const choices = fc.record({
  facing: fc.record({
    on: fc.boolean(),
    kind: fc.constantFrom(...FACING_KINDS),
    front: mm(50, 130),
    shoulder: mm(30, 90),
    back: mm(40, 120),
    radius: mm(0, 100),
    out: mm(0, 6),
    breakAt: mm(80, 500),
    deep: fc.oneof(fc.constant(0), mm(60, 300)),
    hood: fc.oneof(fc.constant(0), mm(20, 90)),
    finish: fc.constantFrom(...FINISHES),
    bands: fc.record({
      armhole: fc.constant(0),
      waist: fc.constant(0),
      hem: fc.constantFrom(0, 0, 60),
      wrist: fc.constantFrom(0, 0, 35),
    }),
  }),
  lining: fc.record({
    on: fc.boolean(),
    self: fc.constantFrom(false, false, false, true),
    body: fc.constantFrom(true, true, true, false),
    sleeves: fc.constantFrom(true, true, true, false),
    pleat: mm(0, 50),
    raise: mm(0, 20),
    out: mm(0, 10),
    capEase: mm(5, 25),
    darts: fc.constantFrom(...DART_CHOICES),
    zip: fc.record({
      length: fc.constantFrom(0, 0, 350),
      at: fc.constantFrom('centre-back' as const, 'centre-back' as const, 'centre-back' as const, ...ZIP_SEAMS),
      on: fc.constantFrom('left' as const, 'right' as const),
      ...turned,
    }),
    fronts: fc.nat(9).map((n) => (n ? ('lined' as const) : ('double' as const))),
    vent: fc.record({ over: fc.constantFrom('left' as const, 'right' as const), ...turned }),
    slit: fc.record({ at: fc.constantFrom(...SLIT_SEAMS), length: fc.constantFrom(0, 0, 150), ...turned }),
    hem,
    wrist: hem,
  }),
  interfacing: fc.record({
    front: fc.constantFrom(...FRONT_INTERFACINGS),
    frontStrip: mm(0, 100),
    trim: fc.constantFrom('inside' as const, 'seam' as const, 'caught' as const, 'whole' as const),
    hems: fc.constantFrom(0, 15),
    stay: fc.constantFrom(0, 180),
    zip: fc.constantFrom(0, 25),
    patches: fc.boolean(),
  }),
});

/** An edge that ends in nothing, a lapel that meets a stand, and what no way of making knows yet. */
const REFUSED = ['edge-has-no-finish', 'lapel-with-stand', 'plan-fronts-double'];

/** Its plan is proved, whatever the methods; or refused with its reason. */
function isPlanned(doc: ProjectDocument, x: Computed, how: ProjectDocument['decisions']['making']): boolean {
  const plan = makePlan(taskOf(doc, x), how, 1);
  const codes = (list: Finding[]): string[] => list.map((f) => f.code);
  if (!plan.ok) expect(REFUSED).toEqual(expect.arrayContaining(codes(plan.findings)));
  else expect(plan.value.findings.filter((f) => f.severity === 'stop')).toEqual([]);
  return plan.ok;
}

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
