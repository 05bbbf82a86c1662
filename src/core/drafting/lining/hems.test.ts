import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../../test/runs.ts';
import { type HemChoice, usualDecisions } from '../../document/project.ts';
import { cutBack, freeHem, joinedHem, liningHem } from '../index.ts';

const lineOf = (hem: ReturnType<typeof joinedHem>): number => {
  if (!hem.ok) throw new Error('refused');
  return hem.value.line;
};
const hemOf = (hem: ReturnType<typeof joinedHem>) => {
  if (!hem.ok) throw new Error('refused');
  return hem.value;
};

describe('hem formulas: the worked checks of the trade', () => {
  test('joined with a jump pleat: L = 2c − (H − s)', () => {
    expect(lineOf(joinedHem(40, 10, 15))).toBe(0);
    expect(lineOf(joinedHem(50, 10, 15))).toBe(-10);
    const h = hemOf(joinedHem(50, 10, 15));
    // Seam line 10 below the finished hem, cut edge 10 + s below; the fold hangs at half of held + line.
    expect(h.line - h.allowance).toBe(-20);
    expect((50 - 10 + h.line) / 2).toBe(15);
    expect(h.slack).toBe(50);
  });

  test('free: cut edge at c − (t1 + t2), R = h + c − t1 − t2', () => {
    const cutEdge = (c: number, t1: number, t2: number): number => {
      const h = hemOf(freeHem(40, c, t1, t2));
      return h.line - h.allowance;
    };
    expect(cutEdge(40, 20, 20)).toBe(0);
    expect(hemOf(freeHem(40, 40, 20, 20)).reason.value).toBe(40);
    expect(cutEdge(15, 15, 25)).toBe(-25);
    // 15 shorter than a shell cut at −40.
    expect(cutEdge(15, 15, 25) - -40).toBe(15);
    const inch = 25.4;
    const c = (t: number) => 2.5 * inch - 1.5 * inch + 2 * t;
    expect(c(inch / 4)).toBeCloseTo(1.5 * inch, 9);
    expect(c(inch / 2)).toBeCloseTo(2 * inch, 9);
    expect(hemOf(freeHem(1.5 * inch, 1.5 * inch, inch / 4, inch / 4)).reason.value).toBeCloseTo(2.5 * inch, 9);
    expect(hemOf(freeHem(1.5 * inch, 2 * inch, inch / 2, inch / 2)).reason.value).toBeCloseTo(2.5 * inch, 9);
  });

  test('beside a zip or a vent: R = 2A − s1 − s2', () => {
    expect(cutBack(25.4, 12.7, 12.7)).toBeCloseTo(25.4, 9);
    expect(cutBack(15, 10, 10)).toBe(10);
    expect(cutBack(10, 10, 10)).toBe(0);
  });

  test('what cannot be is refused with the range that can', () => {
    const deep = joinedHem(40, 10, 29);
    expect(deep.ok).toBe(false);
    if (!deep.ok) expect(deep.findings[0]).toMatchObject({ code: 'jump-pleat-impossible', data: { most: 28 } });
    expect(joinedHem(8, 10, 5).ok).toBe(false);
    expect(freeHem(40, 15, 15, 0).ok).toBe(false);
    const choice: HemChoice = { ...usualDecisions().lining.hem, kind: 'free' };
    expect(liningHem(choice, 40).ok).toBe(true);
  });

  test('any joined hem hangs its fold at the clearance and has cloth to spare', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 25, max: 80 }),
        fc.integer({ min: 5, max: 15 }),
        fc.integer({ min: 0, max: 60 }),
        (H, s, c) => {
          const h = joinedHem(H, s, c);
          if (!h.ok) return expect(c).toBeGreaterThan(H - s - 2);
          expect((H - s + h.value.line) / 2).toBeCloseTo(c, 9);
          expect(h.value.slack).toBeGreaterThan(0);
          return undefined;
        },
      ),
      runs(200),
    );
  });
});
