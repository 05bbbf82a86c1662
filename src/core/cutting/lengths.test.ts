import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { runs } from '../../test/runs.ts';
import { compute } from '../document/compute.ts';
import { boxRing, difference, flatten, intersection, type Point, ringsArea } from '../geometry/index.ts';
import { cutLine, type Piece } from '../pattern/index.ts';
import {
  afterSteps,
  behindEachOther,
  type ClothSaid,
  type Length,
  laid,
  layFaults,
  leftovers,
  lengthsOf,
  lyingOf,
  onLengths,
  partsOf,
  standingOf,
  usualCutting,
} from './index.ts';

const shellCloth = usualCutting().cloths[0] as ClothSaid;
const DRAWN = fc.record({ made: fc.constantFrom(...Object.values(CUTS)), w: fc.integer({ min: 220, max: 300 }) });
const garment = ({ made, w }: { made: (typeof CUTS)[string]; w: number }) =>
  compute(documentOf(made({ w, l: 640, s: 120 })));

/** Lays pieces on a cloth as far as so many steps go, and how they lie. */
function lay(pieces: Piece[], cutLines: ReturnType<typeof compute>['cutLines'], cloth: ClothSaid, steps: number) {
  const { parts } = partsOf(pieces, cutLines, cloth);
  const best = afterSteps(laid(parts, cloth, 1), steps);
  if (!best) throw new Error('nothing to lay');
  const left = best.left.map((p) => p.piece);
  const there = pieces.filter((p) => !left.includes(p.id));
  return { best, there, lying: lyingOf(cloth, best.placed, there, cutLines) };
}

const length = (id: string, width: number, long: number, outline: Point[] = []): Length => ({
  ...{ id, width, length: long, outline, flaws: [] },
});
/** An oblong with its upper right quarter cut away. */
const ell = (id: string, w: number, l: number): Length =>
  length(id, w, l, [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: l / 2 },
    { x: w / 2, y: l / 2 },
    { x: w / 2, y: l },
    { x: 0, y: l },
  ]);
const areaOf = (l: Length): number => (l.outline.length ? ringsArea([[...l.outline]]) : l.width * l.length);

/** A piece with a straight edge at the foot, which is its hem or whatever else; 300 by 500, 40 at the hem, else 10. */
function gored(role: 'hem' | 'other', sag: number): Piece {
  const at = [
    { x: 300, y: 500 + sag },
    { x: 0, y: 500 },
    { x: 0, y: 0 },
    { x: 300, y: 0 },
  ];
  const ring = at.map((a, i) => ({
    ...{ id: `e${i}`, role: i === 0 ? role : 'side', onFold: false, allowance: i === 0 ? 40 : 10 },
    path: [{ k: 'L' as const, a, b: at[(i + 1) % 4] as Point }],
  }));
  return {
    ...{ id: 'gore', name: 'Gore', kind: 'other', material: 'shell', notches: [], lines: [], reasons: [], ring },
    ...{ cut: { count: 2, pair: true, onFold: false }, grain: { a: { x: 150, y: 400 }, b: { x: 150, y: 100 } } },
  } as unknown as Piece;
}

describe('several lengths of a cloth', () => {
  test('are laid on in one search: every piece lies on one of them, and what is left of each is what it was less its pieces', () => {
    fc.assert(
      fc.property(DRAWN, fc.integer({ min: 700, max: 1500 }), fc.boolean(), (drawn, wide, oneWay) => {
        const c = garment(drawn);
        const pieces = c.pieces.filter((p) => p.material === 'shell');
        const lengths = [length('b', wide * 0.6, 900), ell('c', wide * 0.8, 1300), length('a', wide, 1100)];
        const cloth = { ...shellCloth, ...behindEachOther(lengths), oneWay };
        expect(lengthsOf(cloth).map((l) => [l.id, l.width, l.length])).toEqual(
          [2, 1, 0].map((i) => lengths[i] as Length).map((l) => [l.id, l.width, l.length]),
        );
        const { best, there, lying } = lay(pieces, c.cutLines, cloth, 60);
        expect(layFaults(best, there, c.cutLines)).toEqual([]);
        const on = onLengths(cloth, lying);
        expect(on.flatMap((l) => l.lying)).toHaveLength(lying.length);
        for (const { id, lying: mine, cloth: own, length: long } of on) {
          const its = lengths.find((l) => l.id === id) as Length;
          // What lies beyond the end of the last of them is told elsewhere.
          if (id === 'b' && best.length > cloth.owned) continue;
          const ring = its.outline.length
            ? [...its.outline]
            : boxRing({ minX: 0, minY: 0, maxX: its.width, maxY: its.length });
          for (const q of mine) expect(ringsArea(difference([q.ring], [ring]))).toBeLessThan(0.5);
          const left = leftovers(own, mine, long).reduce((t, l) => t + l.area, 0);
          const cut = mine.reduce((t, q) => t + ringsArea([q.ring]), 0);
          expect(left + cut).toBeLessThanOrEqual(areaOf(its) + 1);
          if (!mine.length) expect(left).toBeGreaterThan(0.95 * areaOf(its));
        }
      }),
      runs(10),
    );
  });

  test('hold together what neither holds alone', () => {
    const piece = gored('other', 0);
    const lines = new Map([['gore', cutLine(piece.ring)]]);
    // A gore is 320 by 550 with its allowances: one goes on each, not two.
    const [a, b] = [length('a', 400, 600), length('b', 360, 590)];
    for (const [of, fits] of [
      [[a], false],
      [[b], false],
      [[a, b], true],
    ] as const) {
      const cloth = { ...shellCloth, ...behindEachOther(of) };
      expect(lay([piece], lines, cloth, 40).best.length <= cloth.owned).toBe(fits);
    }
  });
});

describe('a lace with a finished edge', () => {
  const lace: ClothSaid = { ...shellCloth, sort: 'lace', scallops: 'both', width: 1400 };
  test('has straight hems on it, without their allowance, the grain across; a hem that sags is told and lies on its grain', () => {
    const straight = gored('hem', 0);
    const lines = new Map([['gore', cutLine(straight.ring)]]);
    const { lying, best, there } = lay([straight], lines, { ...lace, scallops: 'one' }, 20);
    expect(layFaults(best, there, lines)).toEqual([]);
    for (const q of lying) {
      const [xs, ys] = [q.ring.map((p) => p.x), q.ring.map((p) => p.y)];
      // 500 and 10 at the top across the lace; 300 and 10 at either side along it.
      expect([Math.min(...xs), Math.max(...xs)]).toEqual([expect.closeTo(0, 3), expect.closeTo(510, 3)]);
      expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(320, 3);
    }
    const moved = best.placed.map((q) => ({ ...q, x: q.x + 2 }));
    expect(layFaults({ ...best, placed: moved }, there, lines).map((f) => f.code)).toContain('off-scallops');
    const sags = gored('hem', 20);
    const choice = { ...usualCutting(), cloths: [lace] };
    const made = { pieces: [sags], cutLines: new Map([['gore', cutLine(sags.ring)]]), surface: garmentless };
    expect(standingOf(choice, lace, made)).toMatchObject({ hemmed: [], bent: [{ bend: expect.closeTo(20, 6) }] });
  });

  test('of any garment: hems lie within 3 mm of an edge or are told, and the checker finds nothing', () => {
    fc.assert(
      fc.property(DRAWN, fc.constantFrom('one' as const, 'both' as const), (drawn, scallops) => {
        const c = garment(drawn);
        const cloth = { ...lace, scallops, width: 1600 };
        const choice = { ...usualCutting(), cloths: [cloth] };
        const { mine, hemmed, bent } = standingOf(choice, cloth, c);
        const hems = mine.filter((p) => p.ring.some((e) => (e.role === 'hem' || e.role === 'wrist') && !e.onFold));
        expect([...hemmed, ...bent.map((b) => b.piece)].map((p) => p.id).sort()).toEqual(hems.map((p) => p.id).sort());
        // A wrist that is sewn to a cuff is no hem, nor is the foot of a facing.
        const sewn = c.surface.joins.flatMap((j) => [...j.a, ...j.b]);
        for (const p of hemmed) {
          expect(p.material).toBe('shell');
          const own = p.ring.filter((e) => e.role === 'hem' || e.role === 'wrist').map((e) => e.id);
          expect(sewn.filter((e) => e.piece === p.id && own.includes(e.edge))).toEqual([]);
        }
        const { best, there, lying } = lay(mine, c.cutLines, cloth, 20);
        expect(layFaults(best, there, c.cutLines)).toEqual([]);
        for (const q of lying.filter((l) => hemmed.includes(l.shape)))
          for (const e of q.shape.ring.filter((x) => (x.role === 'hem' || x.role === 'wrist') && !x.onFold))
            for (const p of q.place(flatten(e.path)))
              expect(Math.min(Math.abs(p.x), scallops === 'both' ? Math.abs(p.x - 1600) : 1600)).toBeLessThan(3.01);
        // No two of them share lace.
        for (const [i, q] of lying.entries())
          for (const r of lying.slice(i + 1)) expect(ringsArea(intersection([q.ring], [r.ring]))).toBeLessThan(1);
      }),
      runs(8),
    );
  });
});

const garmentless = compute(documentOf(Object.values(CUTS)[0]?.({ w: 260, l: 640, s: 120 }) as never)).surface;
