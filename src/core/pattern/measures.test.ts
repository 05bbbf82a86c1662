import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, PLAIN_COAT } from '../../test/shells.ts';
import { compute } from '../document/compute.ts';
import { type ProjectDocument, type Shell } from '../document/project.ts';
import { factorFor, measuresOf, scaledShell, UNIT_SLIPS } from './index.ts';

const measured = (doc: ProjectDocument): Record<string, number> =>
  Object.fromEntries(measuresOf(compute(doc).shell).map((m) => [m.code, m.mm]));
const scaled = (doc: ProjectDocument, k: number): ProjectDocument => ({
  ...doc,
  shell: scaledShell(doc.shell as Shell, k),
});

describe('true size', () => {
  // The draft's own figures: a coat is bust and ease round, and both extensions where the fronts overlap.
  test('measures are the figures the pattern was drafted from', () => {
    fc.assert(
      fc.property(coatFigures, (f) => {
        const m = measured(coatDocument(f));
        expect(m.chest).toBeCloseTo(f.bust + f.ease + 2 * f.extension, 1);
        expect(m.sleeve).toBeCloseTo(f.sleeveLength, 1);
      }),
      runs(12),
    );
  });

  test('one true length makes all others true, whichever it is', () => {
    const doc = coatDocument(PLAIN_COAT);
    const want = measured(doc);
    for (const k of [0.1, 1 / 25.4, 0.75, 1.021, 2.54, 10]) {
      const read = scaled(doc, k);
      for (const [code, mm] of Object.entries(measured(read))) {
        const found = factorFor(mm, want[code] as number);
        const made = measured(scaled(read, found?.factor ?? 1));
        for (const c of Object.keys(want)) expect(made[c]).toBeCloseTo(want[c] as number, 2);
      }
    }
    expect(factorFor(605, 605.1)).toBeNull();
  });

  test('a length off the tape near a unit taken for another is that unit, exactly; else it is taken at its word', () => {
    for (const { code, factor } of UNIT_SLIPS)
      for (const off of [0.99, 1, 1.01]) expect(factorFor(100, 100 * factor * off)).toEqual({ factor, slip: code });
    expect(factorFor(100, 102)).toEqual({ factor: 1.02, slip: null });
  });

  test('allowances said by hand stay, those the file draws grow with it; notches and marks go along', () => {
    const { pieces } = coatDocument(PLAIN_COAT).shell as Shell;
    const [front, back] = pieces.map((p, i) => ({
      ...p,
      ...(i === 1 && { drawn: 'seam' as const }),
      ring: p.ring.map((e) => ({ ...e, allowance: 2 })),
      notches: [{ edge: 'e1', at: 30, kind: 'single' as const }],
      marks: [{ kind: 'dot' as const, at: { x: 5, y: 7 } }],
    }));
    const made = scaledShell({ fileName: 'x', lines: 'seam', pieces: [front, back] as Shell['pieces'] }, 10).pieces;
    expect(made.map((p) => p.ring[0]?.allowance)).toEqual([2, 20]);
    expect(made[0]?.notches[0]?.at).toBe(300);
    expect(made[0]?.marks?.[0]?.at).toEqual({ x: 50, y: 70 });
  });

  test('an odd size is told until a hand says that it is so', () => {
    const doll = scaled(coatDocument(PLAIN_COAT), 0.1);
    const odd = (d: ProjectDocument) => compute(d).findings.some((f) => f.code === 'size-odd');
    expect(odd(doll)).toBe(true);
    expect(odd({ ...doll, shell: { ...(doll.shell as Shell), trueSize: true } })).toBe(false);
  });
});
