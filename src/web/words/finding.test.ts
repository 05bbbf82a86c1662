import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compute, planOf } from '../../core/document/compute.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument } from '../../test/shells.ts';
import { garmentOf, nameOf } from './begin.ts';
import { allFound, chaptersOf, figuresOf, finderOf, TERMS, withTerms } from './index.ts';

describe('words of the trade', () => {
  test('every term is one sentence and a drawing within its frame; none is explained by itself', () => {
    for (const { name, means, drawn, also } of TERMS) {
      expect([name, means.endsWith('.'), /[.!?] [A-Z]/.test(means)]).toEqual([name, true, false]);
      expect([name, new RegExp(`\\b${name}\\b`, 'i').test(means)]).toEqual([name, false]);
      expect(new Set([name, ...(also ?? [])]).size).toBe(1 + (also?.length ?? 0));
      for (const [, d] of drawn)
        for (const [x = 0, y = 0] of [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])]))
          expect([name, x >= -6 && x <= 120 && y >= -6 && y <= 60]).toEqual([name, true]);
    }
    const forms = TERMS.flatMap((t) => [t.name, ...(t.also ?? [])]);
    expect(new Set(forms).size).toBe(forms.length);
  });

  test('whatever is said, its parts are the sentence again, and each term is told once', () => {
    const word = fc.constantFrom('clip', 'the', 'understitch', 'facing', 'Grade', 'seam', 'jump pleat', 'and', 'clips');
    fc.assert(
      fc.property(fc.array(word, { maxLength: 12 }), (list) => {
        const text = list.join(' ');
        const parts = withTerms(text);
        expect(parts.map((p) => p.words).join('')).toBe(text);
        const told = parts.flatMap((p) => p.term ?? []);
        expect(new Set(told).size).toBe(told.length);
      }),
      runs(60),
    );
  });
});

describe('the finder', () => {
  const doc = coatDocument();
  const computed = compute(doc);
  const plan = planOf(doc, computed);
  if (!plan.ok) throw new Error('no plan');
  const all = allFound(doc, computed, chaptersOf(doc, computed), plan.value);

  test('every page, piece, seam and step can be found by its own name, each under an address of its own', () => {
    const find = finderOf(all);
    for (const f of all) {
      const found = find(f.words);
      expect([f.id, found.some((x) => x.words === f.words)]).toEqual([f.id, true]);
      expect(f.to === null).toBe(f.kind === 'term');
    }
    expect(new Set(all.map((f) => f.id)).size).toBe(all.length);
    for (const p of computed.pieces) expect(all.some((f) => f.id === `piece ${p.id}`)).toBe(true);
    for (const s of plan.value.steps) expect(all.some((f) => f.id === `step ${s.id}`)).toBe(true);
  });

  test('a letter wrong or a beginning is enough', () => {
    const find = finderOf(all);
    expect(find('undersitch').map((f) => f.words)).toContain('understitch');
    expect(find('slee').some((f) => f.kind === 'piece')).toBe(true);
    expect(find('zzzz')).toEqual([]);
  });

  test('figures of a step are those it is sewn with', () => {
    for (const s of plan.value.steps) {
      const figures = figuresOf(s, 'mm');
      expect(figures.some((f) => f.words === 'allowance')).toBe(Boolean(s.allowance));
      for (const stop of s.stops.filter((x) => x.mm > 0))
        expect(figures.map((f) => f.value)).toContain(`${Math.round(stop.mm * 10) / 10} mm`);
      expect(new Set(figures.map((f) => f.words)).size).toBe(figures.length);
    }
  });
});

test('a file’s name tells what it is a pattern of and how the project is called', () => {
  expect(['greenhouse-coat-a4.pdf', 'Waistcoat_2.svg', 'shirt dress.dxf', 'IMG_20.png'].map(garmentOf)).toEqual([
    'coat',
    'waistcoat',
    'shirt',
    'other',
  ]);
  expect(nameOf('greenhouse-coat_A4.pdf')).toBe('Greenhouse coat A4');
  expect(nameOf('.svg')).toBe('My pattern');
});
