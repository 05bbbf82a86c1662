import { expect } from '@jest/globals';
import fc from 'fast-check';
import { type Computed, taskOf } from '../core/document/compute.ts';
import {
  DART_CHOICES,
  FACING_KINDS,
  FINISHES,
  FRONT_INTERFACINGS,
  HEM_KINDS,
  type ProjectDocument,
  SLIT_SEAMS,
  ZIP_SEAMS,
} from '../core/document/project.ts';
import { makePlan } from '../core/plan/index.ts';
import { type Finding } from '../core/result.ts';

// Whatever can be chosen of facing, lining and interfacing, and whether its plan holds.

const mm = (min: number, max: number) => fc.integer({ min, max });
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
export const choices = fc.record({
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

/** An edge that ends in nothing, a lapel that meets a stand, fronts cut double where that cannot be, a facing grown on over a seam. */
const REFUSED = [
  'edge-has-no-finish',
  'lapel-with-stand',
  'plan-fronts-double',
  'plan-grown-on-across',
  'plan-no-opening',
];

/** Its plan is proved, whatever the methods; or refused with its reason. */
export function isPlanned(doc: ProjectDocument, x: Computed, how: ProjectDocument['decisions']['making']): boolean {
  const plan = makePlan(taskOf(doc, x), how, 1);
  const codes = (list: Finding[]): string[] => list.map((f) => f.code);
  if (!plan.ok) expect(REFUSED).toEqual(expect.arrayContaining(codes(plan.findings)));
  else expect(plan.value.findings.filter((f) => f.severity === 'stop')).toEqual([]);
  return plan.ok;
}
