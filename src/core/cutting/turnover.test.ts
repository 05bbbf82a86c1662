import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { runs } from '../../test/runs.ts';
import { compute } from '../document/compute.ts';
import { boxRing, intersection, type Point, ringArea, ringsArea } from '../geometry/index.ts';
import { laySheets } from '../output/laysheet.ts';
import {
  afterSteps,
  type ClothSaid,
  type Leftover,
  LIES,
  type Lies,
  laid,
  layFaults,
  leftovers,
  lyingOf,
  partsOf,
  turnedOver,
  usualCutting,
} from './index.ts';

const shellCloth = usualCutting().cloths[0] as ClothSaid;
const CASE = fc.record({
  made: fc.constantFrom(...Object.values(CUTS)),
  w: fc.integer({ min: 220, max: 300 }),
  over: fc.boolean(),
  lies: fc.constantFrom<Lies>(...LIES),
  print: fc.record({ along: fc.constant(0), across: fc.integer({ min: 0, max: 90 }), fromEnd: fc.constant(0) }),
  fromSide: fc.integer({ min: 0, max: 80 }),
  flaw: fc.integer({ min: 100, max: 1000 }),
});

/** Some pieces of a garment, one of them cut once, another once face down; laid on a cloth. */
function given({ made, w, over, lies, print, fromSide, flaw }: typeof CASE extends fc.Arbitrary<infer T> ? T : never) {
  const made1 = compute(documentOf(made({ w, l: 640, s: 120 })));
  const once = { count: 1, pair: false, onFold: false };
  const shell = made1.pieces.filter((p) => p.material === 'shell');
  const [a, b] = shell.filter((p) => !p.cut.onFold);
  const pieces = shell.map((p) => (p === a || p === b ? { ...p, cut: { ...once, turned: p === b } } : p));
  const cloth: ClothSaid = {
    ...{ ...shellCloth, lies, foldedBy: 500, otherSideUp: over, print: { ...print, fromSide } },
    flaws: [{ x0: flaw, x1: flaw + 40, y0: 200, y1: 260 }],
  };
  const { parts } = partsOf(pieces, made1.cutLines, cloth);
  const best = afterSteps(laid(parts, cloth, 1), 30);
  if (!best) throw new Error('nothing to lay');
  const left = best.left.map((p) => p.piece);
  return { cloth, best, there: pieces.filter((p) => !left.includes(p.id)), cutLines: made1.cutLines };
}

const outlineOf = ({ outline, width, length }: Leftover): Point[] =>
  outline.length ? outline : boxRing({ minX: 0, minY: 0, maxX: width, maxY: length });

/** As it is seen from the other side of the cloth. */
const behind = (ring: readonly Point[]): Point[] => ring.map((p) => ({ x: -p.x, y: p.y }));

describe('a cloth with its other side up', () => {
  test('what is cut once from one layer comes out as the pattern is drawn, or turned over where it says so: never mirrored', () => {
    fc.assert(
      fc.property(CASE, (of) => {
        const { cloth, best, there, cutLines } = given(of);
        expect(layFaults(best, there, cutLines)).toEqual([]);
        const once = lyingOf(cloth, best.placed, there, cutLines).filter(
          (q) => !q.shape.cut.pair && !q.shape.cut.onFold,
        );
        for (const q of once) {
          // A piece of cloth is looked at from its right side: a lay on the wrong side is seen from behind.
          const seen = cloth.otherSideUp ? behind(q.ring) : q.ring;
          const drawn = q.shape.ring.flatMap((e) => e.path.map((s) => s.a));
          const alike = Math.sign(ringArea(seen)) === Math.sign(ringArea(drawn));
          expect(alike).toBe(!q.shape.cut.turned);
          const wrong = best.placed.map((p) => (p.piece === q.piece ? { ...p, mirrored: !p.mirrored } : p));
          expect(layFaults({ ...best, placed: wrong }, there, cutLines).map((f) => f.code)).toContain('wrong-face');
        }
        expect(once.length > 0).toBe(cloth.lies === 'single' || cloth.lies === 'partly');
      }),
      runs(16),
    );
  });

  test('turned over with all that lies on it nothing is cut otherwise: no fault, the same left of it, and turned twice it is as it was', () => {
    fc.assert(
      fc.property(CASE, (of) => {
        const { cloth, best, there, cutLines } = given({
          ...of,
          lies: of.lies === 'crosswise' ? 'crosswise' : 'single',
        });
        const lying = lyingOf(cloth, best.placed, there, cutLines);
        const over = turnedOver(cloth, lying);
        expect(over.cloth.otherSideUp).toBe(!cloth.otherSideUp);
        const { length } = best;
        expect(layFaults({ cloth: over.cloth, placed: over.placed, length }, there, cutLines)).toEqual([]);
        const lies = lyingOf(over.cloth, over.placed, there, cutLines);
        const [left, then] = [leftovers(cloth, lying, length), leftovers(over.cloth, lies, length)];
        expect(then).toHaveLength(left.length);
        // Known by its right side either way: the same outline, within what its chords may stray.
        for (const [i, l] of then.entries()) {
          const same = ringsArea(intersection([outlineOf(l)], [outlineOf(left[i] as Leftover)]));
          expect(same / l.area).toBeGreaterThan(0.98);
        }
        const again = turnedOver(over.cloth, lies);
        expect(again.cloth.flaws).toEqual(cloth.flaws);
        // A line is told by the first of its kind.
        const { across, fromSide } = cloth.print;
        expect(again.cloth.print.fromSide).toBeCloseTo(across ? fromSide % across : fromSide, 6);
        for (const [i, q] of again.placed.entries()) {
          expect({ ...q, x: 0 }).toEqual({ ...best.placed[i], pinned: q.pinned, x: 0 });
          expect(q.x).toBeCloseTo(best.placed[i]?.x ?? 0, 6);
        }
      }),
      runs(12),
    );
  });

  test('seen from the far side all of a lay is turned by half, and nothing of it mirrored', () => {
    fc.assert(
      fc.property(CASE, (of) => {
        const { cloth, best, there, cutLines } = given({ ...of, lies: 'partly' });
        const lying = lyingOf(cloth, best.placed, there, cutLines);
        const [near, far] = [false, true].map((foldFar) => laySheets({ ...cloth, foldFar }, lying, best.length));
        const wide = cloth.width - 500;
        for (const [i, { box }] of (near ?? []).entries()) {
          const there = far?.[i]?.box;
          expect(there?.minX).toBeCloseTo(wide - box.maxX, 6);
          expect(there?.maxY).toBeCloseTo(best.length - box.minY, 6);
        }
      }),
      runs(4),
    );
  });
});
