import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { runs } from '../../test/runs.ts';
import { compute } from '../document/compute.ts';
import { buyLength, type ClothSaid, toBuy, usualCutting } from './index.ts';

describe('what to buy', () => {
  // Cloth comes off the bolt by 10 cm, or by an eighth of a yard of 36 in: common practice.
  test('cloth is bought in whole steps, never less than it takes and never a step more', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 9000, noNaN: true }), (mm) => {
        for (const [units, step] of [
          ['mm', 100],
          ['in', 114.3],
        ] as const) {
          const buy = buyLength(mm, units);
          expect(buy).toBeGreaterThanOrEqual(mm - 1e-6);
          expect(buy - mm).toBeLessThan(step + 1e-6);
          expect(Math.abs(buy / step - Math.round(buy / step))).toBeLessThan(1e-9);
        }
      }),
      runs(100),
    );
  });

  test('of any garment lists each cloth that is cut, less what is there, at its price; what one has stays ticked', () => {
    const drawn = fc.record({ made: fc.constantFrom(...Object.values(CUTS)), w: fc.integer({ min: 220, max: 300 }) });
    fc.assert(
      fc.property(
        drawn,
        fc.integer({ min: 0, max: 6000 }),
        fc.integer({ min: 0, max: 40 }),
        ({ made, w }, owned, price) => {
          const doc = documentOf(made({ w, l: 640, s: 120 }));
          const x = compute(doc);
          const usual = usualCutting();
          const bare = toBuy(usual, x, 0, 'mm');
          expect(new Set(bare.map((b) => b.key)).size).toBe(bare.length);
          const shell = bare.find((b) => b.key === 'cloth shell');
          if (shell?.what !== 'cloth') throw new Error('no shell');
          expect([shell.guessed, shell.have, shell.cost]).toEqual([true, false, 0]);
          // No less than the pieces' own area fills of the width.
          const cloths = usual.cloths.map((c): ClothSaid => (c.id === 'shell' ? { ...c, owned, price } : c));
          const now = toBuy({ ...usual, cloths, have: ['thread shell'] }, x, 200, 'mm');
          const less = now.find((b) => b.key === 'cloth shell');
          if (less?.what !== 'cloth') throw new Error('no shell');
          expect(less.buy).toBe(owned >= shell.needs ? 0 : buyLength(shell.needs - owned, 'mm'));
          expect(less.cost).toBeCloseTo((less.buy * price) / 1000, 9);
          expect(less.have).toBe(owned >= shell.needs);
          expect(now.find((b) => b.key === 'thread shell')?.have).toBe(true);
          expect(now.find((b) => b.what === 'zip')).toMatchObject({ length: 200, have: false });
        },
      ),
      runs(20),
    );
  });
});
