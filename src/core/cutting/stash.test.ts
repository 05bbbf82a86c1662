import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { runs } from '../../test/runs.ts';
import { compute } from '../document/compute.ts';
import { difference, inflate, intersection, type Point, ringsArea } from '../geometry/index.ts';
import {
  awayFrom,
  beyond,
  type ClothSaid,
  clothOf,
  cutFor,
  emptyStash,
  giveBack,
  type Laying,
  type Leftover,
  LIES,
  type Lying,
  laid,
  layFaults,
  leftovers,
  lyingOf,
  partsOf,
  plainCloth,
  type StashCloth,
  usualCutting,
} from './index.ts';

const box = (x0: number, y0: number, x1: number, y1: number): Point[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];
const lying = (...rings: Point[][]): Lying[] => rings.map((ring) => ({ ring }) as Lying);

/** The first lays that are found of what is cut of a garment's shell. */
function firstLay(c: ReturnType<typeof compute>, on: ReturnType<typeof plainCloth>) {
  const pieces = c.pieces.filter((p) => p.material === 'shell');
  let best: Laying | null = null;
  let steps = 60;
  for (const lay of laid(partsOf(pieces, c.cutLines, on).parts, on, 1)) {
    best = lay;
    steps -= 1;
    if (!steps) break;
  }
  if (!best) throw new Error('nothing to lay');
  const left = best.left.map((p) => p.piece);
  return { best, pieces: pieces.filter((p) => !left.includes(p.id)) };
}

describe('what is left of a cloth', () => {
  test('of a straight cut across is the oblong beyond; a strip too narrow to keep and small scraps are not told', () => {
    const cloth = plainCloth(1000);
    expect(leftovers(cloth, lying(box(0, 0, 1000, 400)), 1000)).toMatchObject([{ outline: [], flaws: [] }]);
    const [over] = leftovers(cloth, lying(box(0, 0, 1000, 400)), 1000) as [Leftover];
    expect([over.width, over.length]).toEqual([expect.closeTo(998, 0), expect.closeTo(598, 0)]);
    expect(leftovers(cloth, lying(box(0, 0, 960, 1000)), 1000)).toEqual([]);
    expect(leftovers(cloth, lying(box(0, 0, 900, 1000), box(900, 150, 1000, 1000)), 1000)).toEqual([]);
  });

  test('of a cut in the middle has a hole, of one in a corner is an L, on the fold is cut from both halves', () => {
    const cloth = plainCloth(1000);
    const [holed] = leftovers(cloth, lying(box(400, 400, 600, 700)), 1000);
    expect(holed?.flaws).toHaveLength(1);
    const [flaw] = holed?.flaws ?? [];
    expect((flaw?.x1 ?? 0) - (flaw?.x0 ?? 0)).toBeGreaterThanOrEqual(200);
    const [corner] = leftovers(cloth, lying(box(0, 0, 400, 700)), 1000);
    expect(corner?.outline.length).toBeGreaterThanOrEqual(6);
    expect(corner?.area).toBeCloseTo(1e6 - 280_000, -4);
    const halves = leftovers(plainCloth(1000, { lies: 'folded' }), lying(box(0, 0, 200, 1000)), 1000);
    expect(halves.map((h) => Math.round(h.width))).toEqual([298, 298]);
    // Its edge folded over by 300: what lies there is cut from both sides of the fold, what lies beyond it once.
    const partly = plainCloth(1000, { lies: 'partly', foldedBy: 300 });
    const beside = leftovers(partly, lying(box(0, 0, 200, 1000), box(400, 0, 700, 1000)), 1000);
    expect(beside.map((h) => Math.round(h.width)).sort()).toEqual([198, 98]);
    // Folded across both ends are cut, and the middle is left.
    const middle = leftovers(plainCloth(1000, { lies: 'crosswise' }), lying(box(0, 0, 1000, 300)), 1000);
    expect(middle.map((h) => Math.round(h.length))).toEqual([398]);
  });

  test('what lies beyond the cloth that is there, or on what is kept to cut anew, is named; across its fold half as far', () => {
    const [usual] = usualCutting().cloths as [ClothSaid];
    const named = (ends: number, more: Partial<ClothSaid>): number =>
      beyond({ ...usual, owned: 1000, end: 10, ...more }, lying(box(0, 10, 300, ends))).length;
    expect([named(989, {}), named(991, {})]).toEqual([0, 1]);
    expect([named(789, { recut: 200 }), named(791, { recut: 200 })]).toEqual([0, 1]);
    expect([named(489, { lies: 'crosswise' }), named(491, { lies: 'crosswise' })]).toEqual([0, 1]);
    expect(named(5000, { owned: 0 })).toBe(0);
    // 1400 by 1000, of which 500 are there: what goes has half of the area, in the fewest pieces, the smallest of these.
    const cut = (id: string, share: number) =>
      ({ ring: box(0, 0, 1400, 10 * share), shape: { id } }) as unknown as Lying;
    const away = (...shares: number[]) => {
      const all = shares.map((share, i) => cut(`${share} ${i}`, share));
      const end = { ring: box(0, 980, 10, 990), shape: all[0]?.shape } as unknown as Lying;
      return awayFrom({ ...usual, owned: 500, end: 10 }, [...all, end]).map((p) => Number(p.id.split(' ')[0]));
    };
    expect(away(60, 30, 10)).toEqual([60]);
    expect(away(40, 40, 20)).toEqual([40, 20]);
    expect(away(55, 52)).toEqual([55]);
  });

  test('of any garment is cloth that no piece has, and what is laid on it again lies within its outline', () => {
    const anything = fc.record({
      made: fc.constantFrom(...Object.values(CUTS)),
      w: fc.integer({ min: 220, max: 300 }),
      lies: fc.constantFrom(...LIES),
      more: fc.integer({ min: 0, max: 800 }),
    });
    let again = 0;
    fc.assert(
      fc.property(anything, ({ made, w, lies, more }) => {
        const c = compute(documentOf(made({ w, l: 640, s: 120 })));
        const on = plainCloth(1500, { lies, foldedBy: 400, gap: 3 });
        const { best, pieces } = firstLay(c, on);
        const length = clothOf(on, best.length) + more;
        const all = lyingOf(on, best.placed, pieces, c.cutLines);
        const left = leftovers(on, all, length);
        const opened = all.flatMap(({ ring }) =>
          lies === 'single' || (lies === 'partly' && ring.every((p) => p.x > 399)) ? [ring] : [ring, ring],
        );
        const pieceArea = opened.reduce((t, r) => t + ringsArea([r]), 0);
        expect(left.reduce((t, l) => t + l.area, 0) + pieceArea).toBeLessThanOrEqual(1500 * length * 1.001);
        const [largest] = left;
        if (!largest || largest.length < 400) return;
        again += 1;
        const scrap = plainCloth(largest.width, { gap: 3, outline: largest.outline, flaws: largest.flaws });
        const second = firstLay(c, scrap);
        expect(layFaults(second.best, second.pieces, c.cutLines)).toEqual([]);
        // Seen without the checker: what lies beside the outline is beyond the end of the cloth.
        const cloth = largest.outline.length ? [largest.outline] : [box(0, 0, largest.width, largest.length)];
        for (const { ring } of lyingOf(scrap, second.best.placed, second.pieces, c.cutLines)) {
          const beside = intersection(difference([ring], inflate(cloth, 0.1)), [box(-9e3, -9e3, 9e3, largest.length)]);
          expect(ringsArea(beside)).toBeLessThan(1);
        }
      }),
      runs(8),
    );
    expect(again).toBeGreaterThan(0);
  });
});

describe('the stash', () => {
  const bolt: StashCloth = {
    ...{
      id: 's1',
      name: 'Green twill',
      sort: 'plain',
      fibre: 'cotton',
      width: 1400,
      length: 3000,
      price: 12,
      note: 'washed at 40 °C',
    },
    ...{ shrinks: { along: 0, across: 0 }, outline: [], flaws: [], of: '', used: null },
  };
  const owner = (project: string) => ({ project, name: project, cloth: 'shell' });
  const left: Leftover[] = [{ width: 1400, length: 900, outline: [], flaws: [], area: 1.26e6 }];

  test('what is cut is used, what is left of it is there; given back, all is as it was', () => {
    const before = { ...emptyStash(), cloths: [bolt] };
    const cut = cutFor(before, 's1', owner('coat'), left, 'Rest');
    expect(cut.cloths.map((c) => [c.id, c.of, c.length, c.used?.project ?? null])).toEqual([
      ['s1', '', 3000, 'coat'],
      ['s2', 's1', 900, null],
    ]);
    expect(cut.cloths[1]).toMatchObject({ name: 'Rest', note: bolt.note });
    expect(giveBack(cut, 's1')).toEqual({ stash: before });
    // Cut twice it is not.
    expect(cutFor(cut, 's1', owner('shirt'), left, 'Rest')).toEqual(cut);
  });

  test('what was cut of the leftover since stands in the way, and is named', () => {
    const once = cutFor({ ...emptyStash(), cloths: [bolt] }, 's1', owner('coat'), left, 'Rest');
    const twice = cutFor(once, 's2', owner('shirt'), [], 'Rest');
    expect(giveBack(twice, 's1')).toEqual({ since: owner('shirt') });
    const undone = giveBack(twice, 's2');
    expect('stash' in undone && giveBack(undone.stash, 's1')).toMatchObject({ stash: { cloths: [bolt] } });
  });
});
