import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../../demo/drawn.ts';
import { CUTS } from '../../../test/pile.ts';
import { PUZZLE, puzzle } from '../../../test/puzzle.ts';
import { runs } from '../../../test/runs.ts';
import { compute } from '../../document/compute.ts';
import { difference } from '../../geometry/clip.ts';
import { type Path, type Point, polyline, ringsArea } from '../../geometry/index.ts';
import { type Cut, type CutLine, type Piece } from '../../pattern/index.ts';
import { type Laying, laidInOrder } from './construct.ts';
import { type Cloth, type Lay, LIES, laid, layFaults, partsOf, plainCloth } from './index.ts';
import { NoFits } from './nofit.ts';
import { partsOfOutlines } from './outlines.ts';

const ONE: Cut = { count: 1, pair: false, onFold: false };

/** A piece of straight edges, cut on its outline; the first edge on the fold where it is cut so. */
function shape(id: string, corners: [number, number][], cut: Cut = ONE): [Piece, CutLine] {
  const points = corners.map(([x, y]): Point => ({ x, y }));
  const paths = points.map((p, i): Path => polyline([p, points[(i + 1) % points.length] as Point]));
  const ring = paths.map((path, i) => ({
    id: `e${i}`,
    role: 'plain' as const,
    path,
    allowance: 0,
    onFold: cut.onFold && i === 0,
  }));
  const piece = {
    ...{ id, name: id, kind: 'other', material: 'shell', ring, cut, notches: [], lines: [], reasons: [] },
    grain: { a: { x: 0, y: 0 }, b: { x: 0, y: -1 } },
  } as unknown as Piece;
  return [piece, { outline: paths.flat(), cleaned: false }];
}

const box = (id: string, w: number, h: number, cut?: Cut): [Piece, CutLine] =>
  shape(
    id,
    [
      [0, 0],
      [0, h],
      [w, h],
      [w, 0],
    ],
    cut,
  );

const told = (all: [Piece, CutLine][]): [Piece[], Map<string, CutLine>] => [
  all.map(([p]) => p),
  new Map(all.map(([p, c]) => [p.id, c])),
];

/** The best of so many steps, or the first that is short enough. */
function stepped(
  pieces: Piece[],
  lines: ReadonlyMap<string, CutLine>,
  c: Cloth,
  steps: number,
  enough = 0,
): { best: Laying; lengths: number[]; single: string[] } {
  const { parts, single } = partsOf(pieces, lines, c);
  const lengths: number[] = [];
  let best: Laying | null = null;
  for (const lay of laid(parts, c, 1)) {
    best = lay;
    if (lengths.push(lay.length) > steps || lay.length < enough) break;
  }
  if (!best) throw new Error('nothing to lay');
  return { best, lengths, single };
}

/** A stain or a hole somewhere on the first two metres. */
const FLAW = fc
  .record({
    x0: fc.integer({ min: 0, max: 1200 }),
    y0: fc.integer({ min: 0, max: 2000 }),
    wide: fc.integer({ min: 1, max: 300 }),
    long: fc.integer({ min: 1, max: 300 }),
  })
  .map(({ x0, y0, wide, long }) => ({ x0, x1: x0 + wide, y0, y1: y0 + long }));

type Corners = [number, number][];

/** An oblong or an L of whole squares, by its corners. */
const CELLS = fc
  .record({
    w: fc.integer({ min: 1, max: 3 }),
    h: fc.integer({ min: 1, max: 3 }),
    in: fc.boolean(),
    over: fc.boolean(),
  })
  .map(({ w, h, in: bent, over }): Corners => {
    if (!bent || w < 2 || h < 2)
      return [
        [0, 0],
        [0, h],
        [w, h],
        [w, 0],
      ];
    const l: Corners = [
      [0, 0],
      [0, h],
      [1, h],
      [1, 1],
      [w, 1],
      [w, 0],
    ];
    return over ? l.map(([x, y]): [number, number] => [w - x, y]).reverse() : l;
  });

/** The squares of a piece, as it is or turned half round. */
function squaresOf(corners: Corners, turned: boolean): Corners {
  const [w, h] = [0, 1].map((k) => Math.max(...corners.map((c) => c[k] as number))) as [number, number];
  const inside = (x: number, y: number): boolean =>
    corners.reduce((in_, [ax, ay], i) => {
      const [bx, by] = corners[(i + 1) % corners.length] as [number, number];
      return ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax ? !in_ : in_;
    }, false);
  const all = Array.from({ length: w * h }, (_, k): [number, number] => [k % w, Math.floor(k / w)]);
  return all
    .filter(([x, y]) => inside(x + 0.5, y + 0.5))
    .map(([x, y]): [number, number] => (turned ? [w - 1 - x, h - 1 - y] : [x, y]));
}

/** The shortest length, in squares, all of them can be laid in on a grid so wide: every place of every piece is tried. */
function shortestOnGrid(all: Corners[], width: number): number {
  const ways = all.map((c) => [squaresOf(c, false), squaresOf(c, true)]);
  const taken = new Set<number>();
  const fits = (k: number, length: number): boolean => {
    const turns = ways[k];
    if (!turns) return true;
    for (const squares of turns)
      for (let at = 0; at < width * length; at++) {
        const cells = squares.map(([x, y]) => [(at % width) + x, Math.floor(at / width) + y] as const);
        const keys = cells.map(([x, y]) => y * width + x);
        if (cells.some(([x, y]) => x >= width || y >= length) || keys.some((q) => taken.has(q))) continue;
        for (const q of keys) taken.add(q);
        const rest = fits(k + 1, length);
        for (const q of keys) taken.delete(q);
        if (rest) return true;
      }
    return false;
  };
  let length = Math.ceil(ways.reduce((t, [s]) => t + (s?.length ?? 0), 0) / width);
  while (!fits(0, length)) length += 1;
  return length;
}

describe('a lay', () => {
  // The lowest-order perfect squared square: 21 squares in one of side 112, each laid as low, then as far left as it goes.
  // A. J. W. Duijvestijn, "Simple perfect squared square of lowest order", J. Combin. Theory B 25 (1978); from memory.
  const SQUARES = [50, 35, 27, 8, 19, 15, 17, 11, 6, 24, 29, 25, 9, 2, 7, 18, 16, 42, 4, 37, 33];

  test('of the perfect squared square, laid in its order, leaves no cloth over', () => {
    const [pieces, lines] = told(SQUARES.map((s) => box(`s${s}`, s, s)));
    const c = plainCloth(112);
    const { parts } = partsOf(pieces, lines, c);
    const lay = laidInOrder(
      parts,
      parts.map((_, i) => i),
      c,
      new NoFits(0),
      [],
    );
    expect(lay.placed).toHaveLength(21);
    expect(lay.length).toBeGreaterThan(111.9);
    expect(lay.length).toBeLessThan(112.5);
    expect(layFaults(lay, pieces, lines)).toEqual([]);
  });

  test('keeps from each other what is turned and mirrored together as it would each by itself', () => {
    const hook = [0, 0, 90, 0, 90, 30, 35, 45, 60, 110, 0, 80];
    const arrow = [10, 0, 70, 25, 15, 60, 40, 25];
    const outlines = [hook, arrow].map((at, i) => ({
      ...{ id: `${i}`, count: 1, turns: [0, 7, 90, 180, 270], mirror: true },
      ring: at.flatMap((x, k) => (k % 2 ? [] : [{ x, y: at[k + 1] as number }])),
    }));
    const ways = partsOfOutlines(outlines).flatMap((p) => p.ways);
    const shared = new NoFits(3);
    for (const a of ways)
      for (const b of ways) {
        const [{ shape: _a, ...one }, { shape: _b, ...other }] = [a, b];
        const [made, plain] = [shared.of(a, b), new NoFits(3).of(one, other)];
        const apart = ringsArea(difference(made, plain)) + ringsArea(difference(plain, made));
        expect(apart).toBeLessThan(0.002 * ringsArea(plain));
      }
  });

  test('of two gores: head to tail they lie in the width of both ends, one way they do not', () => {
    const gore = shape(
      'gore',
      [
        [100, 0],
        [0, 800],
        [400, 800],
        [300, 0],
      ],
      { ...ONE, count: 2 },
    );
    const [pieces, lines] = told([gore]);
    // 400 and, from its middle on, 300 more; the same way up two lower ends of 400 need 800.
    const either = stepped(pieces, lines, plainCloth(701), 4000).best;
    expect(either.length).toBeCloseTo(800, 0);
    expect(new Set(either.placed.map((p) => p.turn)).size).toBe(2);
    const oneWay = stepped(pieces, lines, plainCloth(701, { oneWay: true }), 4000).best;
    expect(oneWay.length).toBeGreaterThan(1000);
    for (const lay of [either, oneWay]) expect(layFaults(lay, pieces, lines)).toEqual([]);
  });

  test('of a folded cloth: pairs are laid once, a half on the fold, and what two layers would cut wrongly is told', () => {
    const all = [
      box('back', 300, 700, { count: 1, pair: false, onFold: true }),
      box('front', 320, 700, { count: 2, pair: true, onFold: false }),
      box('pocket', 100, 100),
    ];
    const [pieces, lines] = told(all);
    const c = plainCloth(1300, { lies: 'folded' });
    const { best, single } = stepped(pieces, lines, c, 4000);
    expect(single).toEqual(['pocket']);
    expect(best.placed.find((p) => p.piece === 'back')?.x).toBe(0);
    // Side by side; the last two millimetres are not looked for.
    expect(best.length).toBeGreaterThanOrEqual(700 - 0.1);
    expect(best.length).toBeLessThan(705);
    expect(layFaults(best, pieces, lines)).toEqual([]);
    // In one layer the same halves are opened out, and the pair lies mirrored.
    const flat = stepped(pieces, lines, plainCloth(1400), 4000).best;
    expect(flat.placed.filter((p) => p.piece === 'front').map((p) => p.mirrored)).toEqual([false, true]);
    expect(layFaults(flat, pieces, lines)).toEqual([]);
  });

  test('folded in part or across: what is on the fold lies double, what is single beside it; a pair is cut once, or twice where it is too wide', () => {
    const all = [
      box('back', 300, 700, { count: 1, pair: false, onFold: true }),
      box('front', 320, 700, { count: 2, pair: true, onFold: false }),
      box('cuff', 200, 100, { count: 2, pair: true, onFold: false }),
      box('pocket', 100, 100),
    ];
    const [pieces, lines] = told(all);
    const at = (placed: Lay['placed'], piece: string) => placed.filter((p) => p.piece === piece);
    // A flap of 310: the fronts are too wide for it and lie beside each other on the rest.
    const partly = plainCloth(1300, { lies: 'partly', foldedBy: 310 });
    const { best, single } = stepped(pieces, lines, partly, 4000);
    expect(single).toEqual([]);
    expect(layFaults(best, pieces, lines)).toEqual([]);
    expect(at(best.placed, 'back').map((p) => p.x)).toEqual([0]);
    expect(at(best.placed, 'front').map((p) => p.mirrored)).toEqual([false, true]);
    expect(at(best.placed, 'cuff')).toHaveLength(1);
    expect(at(best.placed, 'pocket')[0]?.x).toBeGreaterThanOrEqual(310 - 0.1);
    // By hand: over the end of the flap, a single one on two layers, a pair cut twice there.
    const codes = (...more: Lay['placed']) =>
      layFaults(
        { ...best, placed: [...best.placed.filter((p) => !more.some((m) => m.piece === p.piece)), ...more] },
        pieces,
        lines,
      )
        .map((f) => f.code)
        .filter((c) => c !== 'too-close');
    const put = (piece: string, x: number, copy = 0) => ({ ...{ piece, copy, x, y: 1500, turn: 0, mirrored: false } });
    expect(codes(put('pocket', 250))).toContain('off-layers');
    expect(codes(put('pocket', 0))).toContain('cut-twice');
    expect(codes(put('cuff', 0), put('cuff', 0, 1))).toContain('miscounted');
    // Across, no piece lies on the fold: what is on one is cut elsewhere, as is what is single.
    const across = stepped(pieces, lines, plainCloth(700, { lies: 'crosswise' }), 4000);
    expect(across.single).toEqual(['back', 'pocket']);
    expect(at(across.best.placed, 'front')).toHaveLength(1);
    expect(across.best.length).toBeLessThan(705);
  });

  test('laid by hand is looked over: what shares cloth, lies off it, against the nap, off the fold, too often or not as a pair', () => {
    const [pieces, lines] = told([box('a', 100, 200, { count: 2, pair: true, onFold: false }), box('b', 80, 80)]);
    const at = (piece: string, copy: number, x: number, y: number, more = {}) => ({
      ...{ piece, copy, x, y, turn: 0, mirrored: copy === 1 },
      ...more,
    });
    const good = [at('a', 0, 0, 0), at('a', 1, 110, 0), at('b', 0, 220, 0)] as const;
    const [one, other, patch] = good;
    const codes = (placed: Lay['placed'], c = plainCloth(300, { gap: 5, oneWay: true })) =>
      layFaults({ cloth: c, placed, length: 200 }, pieces, lines).map((f) => f.code);
    expect(codes([...good])).toEqual([]);
    expect(codes([one, at('a', 1, 103, 0), patch])).toEqual(['too-close']);
    expect(codes([one, other, at('b', 0, 221, 0)])).toEqual(['off-cloth']);
    const stained = plainCloth(300, { gap: 5, oneWay: true, flaws: [{ x0: 103, x1: 104, y0: 0, y1: 400 }] });
    expect(codes([...good], stained)).toEqual(['on-flaw']);
    const aslant = [one, other, at('b', 0, 215, 100, { turn: 2 })];
    expect(codes(aslant)).toEqual(['off-grain']);
    expect(codes(aslant, plainCloth(300, { gap: 5, oneWay: true, tilt: 2 }))).toEqual([]);
    expect(codes([one, other, at('b', 0, 220, 0, { turn: 180 })])).toEqual(['against-nap']);
    expect(codes([one, at('a', 1, 110, 0, { mirrored: false }), patch])).toEqual(['not-a-pair']);
    expect(codes([one, patch])).toEqual(['miscounted']);
    expect(codes([...good, at('c', 0, 0, 0)])).toEqual(['unknown']);
    const folded = plainCloth(600, { lies: 'folded' });
    expect(codes([one, patch], folded)).toEqual(['cut-twice']);
    const [half, cut] = told([box('h', 100, 200, { count: 1, pair: false, onFold: true })]);
    expect(
      layFaults({ cloth: folded, placed: [at('h', 0, 30, 0, { mirrored: false })], length: 200 }, half, cut).map(
        (f) => f.code,
      ),
    ).toEqual(['off-fold']);
  });

  test('of a rectangle that was cut at random and shuffled fills it again to 0.86 at least', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 40 }), fc.integer({ min: 1, max: 1e6 }), (n, seed) => {
        const [pieces, lines] = told(puzzle(n, seed).map((corners, i) => shape(`p${i}`, corners)));
        const { best, lengths } = stepped(pieces, lines, plainCloth(PUZZLE.w), 20_000, PUZZLE.h / 0.86);
        expect(layFaults(best, pieces, lines)).toEqual([]);
        expect(PUZZLE.h / best.length).toBeGreaterThan(0.86);
        expect(lengths[0]).toBeGreaterThan(best.length);
      }),
      runs(15),
    );
  });

  test('of up to five pieces of squares is no longer than the best of all places on their grid', () => {
    fc.assert(
      fc.property(fc.array(CELLS, { minLength: 2, maxLength: 5 }), fc.integer({ min: 3, max: 5 }), (all, width) => {
        const [pieces, lines] = told(
          all.map((cells, i) =>
            shape(
              `p${i}`,
              cells.map(([x, y]) => [x * 100, y * 100]),
            ),
          ),
        );
        const shortest = 100 * shortestOnGrid(all, width);
        const { best } = stepped(pieces, lines, plainCloth(100 * width), 20_000, shortest + 1);
        expect(layFaults(best, pieces, lines)).toEqual([]);
        expect(best.length).toBeLessThan(shortest + 1);
      }),
      runs(25),
    );
  });

  test('of any garment on any cloth passes the checker, never grows, and is the same for the same seed', () => {
    const anything = fc.record({
      made: fc.constantFrom(...Object.values(CUTS)),
      w: fc.integer({ min: 220, max: 300 }),
      width: fc.integer({ min: 900, max: 1600 }),
      lies: fc.constantFrom(...LIES),
      foldedBy: fc.integer({ min: 200, max: 450 }),
      oneWay: fc.boolean(),
      tilt: fc.constantFrom(0, 0, 3),
      gap: fc.constantFrom(0, 3, 10),
      selvedge: fc.integer({ min: 0, max: 20 }),
      flaws: fc.array(FLAW, { maxLength: 3 }),
    });
    fc.assert(
      fc.property(anything, ({ made, w, ...more }) => {
        const c = compute(documentOf(made({ w, l: 640, s: 120 })));
        const pieces = c.pieces.filter((p) => p.material === 'shell');
        const on = plainCloth(more.width, { ...more, end: 5 });
        const { best, lengths, single } = stepped(pieces, c.cutLines, on, 60);
        const wide = best.left.map((p) => p.piece);
        // What two layers would cut wrongly is not laid, and told.
        const laidOnes = pieces.filter((p) => !wide.includes(p.id));
        expect(best.placed.filter((q) => single.includes(q.piece))).toEqual([]);
        expect(layFaults(best, laidOnes, c.cutLines)).toEqual([]);
        for (const [i, l] of lengths.entries()) expect(l).toBeLessThanOrEqual(lengths[i - 1] ?? l);
        expect(stepped(pieces, c.cutLines, on, 60).best.placed).toEqual(best.placed);
      }),
      runs(15),
    );
  });
});
