import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { runs } from '../../test/runs.ts';
import { compute } from '../document/compute.ts';
import {
  buyLength,
  type ClothSaid,
  emptyStash,
  putBack,
  type StashThing,
  type ToBuy,
  takenFor,
  takenOut,
  thingsFor,
  toBuy,
  usualCutting,
} from './index.ts';

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

  // A zip that is longer is cut to its length, a button of another size does not go through the hole: common practice.
  test('the stash gives buttons of the same size, a zip that is long enough, whole where it can; what is taken is no more in it', () => {
    const thing = (id: string, kind: StashThing['kind'], size: number, count: number): StashThing => ({
      ...{ id, name: id, kind, size, count, note: '', taken: [] },
    });
    const things = [
      thing('few', 'button', 15, 3),
      thing('right', 'button', 15.1, 8),
      thing('large', 'button', 18, 20),
      thing('snaps', 'snap', 15, 20),
      thing('short', 'zip', 180, 2),
      thing('long', 'zip', 600, 1),
      thing('near', 'zip', 250, 1),
      thing('gone', 'zip', 210, 0),
    ];
    const buttons: ToBuy = {
      ...{ key: 'button 15', have: false, what: 'notion' },
      notion: { what: 'button', size: 15, lignes: 24, count: 8, spare: 1, places: [] },
    };
    const found = (b: ToBuy) => thingsFor(b, things).map((f) => [f.thing.id, f.takes, f.lacks]);
    expect(found(buttons)).toEqual([
      ['right', 8, 0],
      ['few', 3, 5],
    ]);
    expect(found({ key: 'zip 200', have: false, what: 'zip', length: 200 })).toEqual([
      ['near', 1, 0],
      ['long', 1, 0],
    ]);
    const by = { project: 'p1', name: 'Shirt', key: 'button 15' };
    const left = takenOut({ ...emptyStash(), things }, 'right', { ...by, count: 8 });
    expect(thingsFor(buttons, left.things).map((f) => f.thing.id)).toEqual(['few']);
    // Put back it is as it was, also what was taken in two goes; what was taken for another stays out.
    const more = takenOut(takenOut(left, 'few', { ...by, count: 9 }), 'large', { ...by, project: 'p2', count: 1 });
    expect(takenFor(more.things, by).map((t) => [t.thing.id, t.count])).toEqual([
      ['few', 3],
      ['right', 8],
    ]);
    expect(putBack(more, by).things.map((t) => t.count)).toEqual([3, 8, 19, 20, 2, 1, 1, 0]);
  });
});
