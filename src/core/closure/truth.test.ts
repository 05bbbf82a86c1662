import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { among, runs } from '../../test/runs.ts';
import { usualDecisions } from '../document/project.ts';
import { stripSheet } from '../output/strips.ts';
import { type Closure, type ClosureChoice, deriveClosure, usualClosure } from './index.ts';

const answer = (part: Partial<ClosureChoice>) =>
  deriveClosure([], { ...usualDecisions(), closure: { ...usualClosure(), ...part } });
const closing = (part: Partial<ClosureChoice>): Closure => {
  const r = answer(part);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
};
const codes = (part: Partial<ClosureChoice>): string[] => {
  const r = answer(part);
  return (r.ok ? r.value.findings : r.findings).map((f) => f.code);
};
const whole = (min: number, max: number) => fc.integer({ min, max });

describe('what is said of a closing is so', () => {
  test('a hole ticked as sewn, with nothing measured, moves no other button, whichever answer is taken', () => {
    const made = fc.record({
      length: whole(300, 900),
      count: whole(3, 10),
      bottom: whole(40, 120),
      bottomGive: fc.constantFrom(0, 10),
      topGive: fc.constantFrom(0, 5),
      rounding: fc.constantFrom('fine' as const, 'round' as const, 'rounder' as const),
      answer: whole(0, 2),
    });
    fc.assert(
      fc.property(made, fc.nat(20), (part, which) => {
        const r = answer(part);
        if (!r.ok) return;
        const at = r.value.buttons.map((b) => b.at);
        const index = which % at.length;
        const done = [{ line: 'front', index, at: at[index] as number, state: 'sewn' as const }];
        expect(closing({ ...part, done }).buttons.map((b) => b.at)).toEqual(at);
      }),
      runs(40),
    );
  });

  // Equal gaps are what the eye asks first (common practice); round figures come after it.
  test('all alike is alike wherever the ends may give, and the odd gap lies at the lower end', () => {
    expect(closing({ length: 572, count: 7, top: 18, bottom: 62 }).gaps).toEqual([82, 82, 82, 82, 82, 82]);
    for (let length = 560; length < 600; length++) {
      const { gaps } = closing({ length, count: 7, top: 18, bottom: 62, bottomGive: 10 });
      expect([length, new Set(gaps.map((g) => Math.round(g * 1e6))).size]).toEqual([length, 1]);
    }
    const held = closing({ length: 571, count: 7, top: 18, bottom: 62, bottomGive: 0, rounding: 'fine' });
    expect(held.gaps).toEqual([82, 82, 82, 82, 82, 81]);
  });

  test('a shorter first gap is the shortest; one that cannot be is named with the longest that goes', () => {
    fc.assert(
      fc.property(whole(320, 800), whole(3, 9), whole(40, 320), (length, count, firstGap) => {
        const part = { length, count, bottom: 60, school: 'first' as const, firstGap };
        const r = answer(part);
        if (r.ok) expect(Math.min(...r.value.gaps)).toBeGreaterThanOrEqual(firstGap - 1e-6);
        const told = r.ok ? undefined : r.findings.find((f) => f.code === 'first-gap-too-long');
        if (told) expect(answer({ ...part, firstGap: Number(told.data?.most) }).ok).toBe(true);
      }),
      runs(30),
    );
  });

  test('"at most so many" is true: that many go, and one more does not', () => {
    let seen = 0;
    fc.assert(
      fc.property(
        whole(200, 700),
        whole(8, 40),
        whole(60, 400),
        fc.constantFrom(0, 40, 120),
        (length, count, at, belt) => {
          const waist = { keepClear: belt > 0, at, belt };
          const part = { length, count, bottom: 40, waist };
          const r = answer(part);
          const told = r.ok ? undefined : r.findings.find((f) => f.code === 'too-many-buttons');
          if (!told) return;
          seen += 1;
          expect(answer({ ...part, count: Number(told.data?.most) }).ok).toBe(true);
          expect(answer({ ...part, count: Number(told.data?.most) + 1 }).ok).toBe(false);
        },
      ),
      runs(30),
    );
    expect(seen).toBeGreaterThanOrEqual(among(15));
  });

  test('a hole that is cut where a belt comes to lie later stays, and the rest is spaced about it', () => {
    const before = closing({ length: 600, count: 7, bottom: 60 });
    const at = before.buttons[3]?.at as number;
    const done = [{ line: 'front', index: 3, at, state: 'cut' as const }];
    const c = closing({ length: 600, count: 7, bottom: 60, done, waist: { keepClear: true, at, belt: 40 } });
    expect(c.buttons[3]?.at).toBe(at);
    for (const [i, b] of c.buttons.entries()) if (i !== 3) expect(Math.abs(b.at - at)).toBeGreaterThanOrEqual(30);
  });

  test('holes are looked at whole, where they are: off the end, over each other, in the hem', () => {
    const down = { direction: 'vertical' as const, diameter: 20, thickness: 4, length: 600 };
    expect(codes({ ...down, count: 5, pins: [{ index: 4, at: 598 }] })).toContain('hole-off-end');
    const groups = { ...down, count: 6, school: 'groups' as const, group: { size: 2, inner: 22 } };
    expect(codes(groups)).toContain('holes-overlap');
    expect(codes({ ...groups, group: { size: 2, inner: 40 } })).not.toContain('holes-overlap');
    expect(
      codes({ ...down, direction: 'horizontal', count: 6, school: 'groups', group: { size: 2, inner: 15 } }),
    ).toContain('holes-overlap');
  });

  test('a strip lies face up as its front does: a right front has its edge at the right; rows tell what they carry', () => {
    const edgeOf = (c: Closure, side: 'over' | 'under'): number => {
      const s = stripSheet(c, side);
      const fold = s.items.find((i) => i.kind === 'path' && i.stroke === 'fold');
      return (fold?.kind === 'path' ? (fold.path[0]?.a.x ?? Number.NaN) : Number.NaN) / s.box.maxX;
    };
    for (const side of ['right', 'left'] as const) {
      const c = closing({ side, length: 600, count: 6, bottom: 80 });
      const right = side === 'right' ? 'over' : 'under';
      expect(edgeOf(c, right)).toBe(1);
      expect(edgeOf(c, right === 'over' ? 'under' : 'over')).toBe(0);
    }
    const double = closing({
      kind: 'double',
      length: 600,
      count: 3,
      bottom: 90,
      extension: 90,
      double: { columns: 1, across: 60, working: 2 },
    });
    const over = stripSheet(double, 'over').items.filter((i) => i.kind === 'path' && i.stroke === 'mark');
    const sides = over.flatMap((i) => (i.kind === 'path' ? [i.path.length] : []));
    // Six places on the front that laps over: two holes, four buttons to show (rings), and one inside (a square).
    expect(sides.filter((n) => n === 16)).toHaveLength(4);
    expect(sides.filter((n) => n === 4)).toHaveLength(1);
    const words = stripSheet(double, 'over').items.flatMap((i) => (i.kind === 'text' ? [i.text] : []));
    expect(words.join()).toMatch(/Circle: button to show.*Square: button inside/);
  });
});
