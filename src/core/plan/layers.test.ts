import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { choices, features } from '../../test/features.ts';
import { taskFrom } from '../../test/garments.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument } from '../../test/shells.ts';
import { compute, planOf } from '../document/compute.ts';
import { cubic, line, reversePath } from '../geometry/index.ts';
import {
  bendsOf,
  countOf,
  faceOf,
  graded,
  type Layers,
  layersOf,
  makePlan,
  type Part,
  type Ply,
  spacingFor,
} from './index.ts';
import {
  bandSums,
  cuffSums,
  detachableSums,
  elasticSums,
  pleatSums,
  ribSums,
  separateBandSums,
  slitSums,
} from './measures.ts';

const INCH = 25.4;
const say = (p: Ply): string => `${p.part} ${p.up}`;

describe('layers', () => {
  test('of any garment: no cloth is lost, and in the end right sides look where they should, outside on top or beside', () => {
    fc.assert(
      fc.property(features, choices, (f, c) => {
        const r = makePlan(taskFrom(f), c, 1);
        if (!r.ok) return;
        const { making, steps } = r.value;
        const parts = new Map(making.parts.map((p) => [p.id, p]));
        for (const s of steps) {
          const l = layersOf(s, r.value);
          if (!l) continue;
          const ids = (plies: Ply[]): string[] => plies.map((p) => p.part).sort();
          expect(ids(l.after.flat())).toEqual(ids(l.before));
          // Laid over each other as they are worn, allowances stay what they are.
          const worn = s.stack.every((x) => x.swings === 0);
          const lying = l.allowances.map((a) => a.part).sort();
          expect(worn || lying.length ? lying : ids(l.before)).toEqual(worn ? [] : ids(l.before));
          // They lie as the step that presses them says, and are as wide as the one that grades them leaves them.
          const own = new Set(s.sews.map((x) => x.joint));
          const later = steps.slice(steps.indexOf(s) + 1);
          const again = later.findIndex((x) => x.sews.some((y) => own.has(y.joint)));
          const works = later
            .slice(0, again < 0 ? undefined : again + 1)
            .filter((x) => x.works.some((j) => own.has(j)));
          const pressed = works.find((x) => x.press !== null);
          const [a, b] = l.allowances;
          if (a?.over !== 'between') {
            expect(l.allowances.length > 0).toBe(!worn && pressed !== undefined);
            const sides = l.allowances.flatMap((x) => l.after[x.over === 'left' ? 0 : 1]?.map((p) => p.part) ?? []);
            if (pressed?.code === 'press-open') expect(a?.over).not.toBe(b?.over);
            else if (pressed?.towards) expect(new Set(sides)).toEqual(new Set([pressed.towards]));
          } else {
            const grading = works.find((x) => x.data.layers !== undefined || /grade|trim-part|clip-neck/.test(x.code));
            const widths = l.allowances.map((x) => x.width);
            if (grading)
              expect([s.id, grading.id, ...widths]).toEqual([
                s.id,
                grading.id,
                ...graded(grading.data.allowance ?? 15, grading.data.layers ?? 2),
              ]);
            else expect(new Set(widths)).toEqual(new Set([s.allowance ?? 0]));
          }
          // Each layer turns to where it is said to lie, its side up as often changed as it is turned.
          for (const { ply, to, halves } of l.turned) {
            const there = l.after[to.side === 'left' ? 0 : 1]?.[to.place];
            expect([there?.part, there?.up === ply.up]).toEqual([ply.part, halves % 2 === 0]);
          }
          const all = l.after.flat();
          const face = (p: Ply): number => faceOf(parts.get(p.part) as Part, making.lace) * (p.up === 'right' ? 1 : -1);
          expect(new Set(all.map(face)).size).toBe(1);
        }
      }),
      runs(90),
    );
  });

  test('worked: shoulder open, cap into the sleeve, facing under the shell with its allowances graded', () => {
    const doc = coatDocument();
    const plan = planOf(doc, compute(doc));
    if (!plan.ok) throw new Error('no plan');
    const at = (id: string): Layers => {
      const s = plan.value.steps.find((x) => x.id === id);
      return layersOf(s as never, plan.value) as Layers;
    };
    expect(at('sew:shoulder').before.map(say)).toEqual(['p2 right', 'p1 wrong']);
    expect(at('sew:shoulder').after.map((x) => x.map(say))).toEqual([['p2 right'], ['p1 right']]);
    const edge = at('sew-edge');
    expect(edge.before.map(say)).toEqual(['p1 right', 'front-facing wrong']);
    expect(edge.before.map((p) => p.fused)).toEqual([true, true]);
    expect(edge.after.map((x) => x.map(say))).toEqual([['front-facing wrong', 'p1 right']]);
    // Of 15: 10 to the outside, 6 inside (common practice: three layers 10, 6, 3).
    expect(edge.allowances.map((a) => [a.part, a.width])).toEqual([
      ['p1', 10],
      ['front-facing', 6],
    ]);
  });
});

// Common practice: a quarter of the radius, between 6 and 20 mm; three layers of 15 graded 10, 6, 3.
test('clips and grading', () => {
  expect([10, 40, 60, 300].map(spacingFor)).toEqual([6, 10, 15, 20]);
  expect(countOf({ every: 15, length: 300 })).toBe(20);
  // A quarter of a circle about the origin, clockwise on screen and back; then a straight line: its length is the arc's.
  const k = (60 * 4 * (Math.SQRT2 - 1)) / 3;
  const arc = cubic({ x: 60, y: 0 }, { x: 60, y: k }, { x: k, y: 60 }, { x: 0, y: 60 });
  const path = [arc, line({ x: 0, y: 60 }, { x: -200, y: 60 })];
  const there = bendsOf(path);
  expect(there.map((b) => [b.how, b.every])).toEqual([['notch', 15]]);
  expect(there[0]?.length).toBeCloseTo(30 * Math.PI, 1);
  expect(bendsOf(reversePath(path)).map((b) => [b.how, b.every])).toEqual([['clip', 15]]);
  expect(graded(15, 3)).toEqual([10, 6, 3]);
});

// Worked examples, common practice: both bands at 1" 2 1/2", at 1 1/4" 3 1/8" and 3"; five pleats of 1 1/2" take 7 1/2";
// a detachable collar 34" inside, 36" outside, 3" wide finishes 33 1/2 by 2 1/2 at 1/4" seams. Elastic: body + 2" − 3/8".
test('small sums', () => {
  const inches = (list: { value: number }[]): number[] => list.map((s) => Math.round((s.value / INCH) * 1000) / 1000);
  expect(inches(bandSums(INCH, INCH / 2))).toEqual([2.5, 2.5]);
  expect(inches(bandSums(1.25 * INCH, INCH / 2))).toEqual([3.125, 3]);
  expect(inches(pleatSums(5, 1.5 * INCH))).toEqual([7.5]);
  expect(inches(detachableSums(17 * INCH, 3 * INCH, INCH / 4))).toEqual([34, 36, 33.5, 2.5]);
  // Cut, then the loop; sewn into a seam.
  expect(inches(elasticSums(28 * INCH, 20, 0)).slice(0, 3)).toEqual([30, 29.625, 28]);
  expect(
    elasticSums(700, 20, 30)
      .map((s) => s.value)
      .slice(2, 6),
  ).toEqual([730, 650, 630, 23]);
  expect(separateBandSums(30, 10).map((s) => s.value)).toEqual([15, 80]);
  expect(slitSums(140, 8).map((s) => s.value)).toEqual([300, 32]);
  expect(cuffSums(165)[0]?.value).toBe(240);
  expect(ribSums(900, 85, 60, 10).map((s) => s.value)).toEqual([785, 140]);
});
