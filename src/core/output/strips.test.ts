import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures } from '../../test/shells.ts';
import { deriveClosure, smallOf, usualClosure, usualSmall } from '../closure/index.ts';
import { compute } from '../document/compute.ts';
import { usualDecisions } from '../document/project.ts';
import { distance, endOf, line, type Point, pathLength, startOf } from '../geometry/index.ts';
import { type Piece } from '../pattern/index.ts';
import { closureItems, type Item, type Sheet, sheetsFor, smallSheet, stripSheet } from './index.ts';

const strokes = (items: Item[], long: number): [Point, Point][] =>
  items.flatMap((i): [Point, Point][] =>
    i.kind === 'path' && i.stroke === 'mark' && Math.abs(pathLength(i.path) - long) < 1e-6
      ? [[startOf(i.path), endOf(i.path)]]
      : [],
  );
/** Centres of the crosses, by their level strokes. */
const crosses = (items: Item[], arm: number): Point[] =>
  strokes(items, 2 * arm)
    .filter(([a, b]) => Math.abs(a.y - b.y) < 1e-9)
    .map(([a, b]) => ({ x: (a.x + b.x) / 2, y: a.y }));

test('the front carries every hole with both ends, and its facing the same marks at the same places', () => {
  fc.assert(
    fc.property(coatFigures, fc.boolean(), (figures, faced) => {
      const doc = coatDocument(figures);
      doc.decisions.facing.on = faced;
      const x = compute(doc);
      if (!x.closure?.ok) throw new Error(JSON.stringify(x.closure));
      const c = x.closure.value;
      const of = (id: string): Item[] => {
        const p = x.pieces.find((q) => q.id === id);
        return p ? closureItems(c, p) : [];
      };
      const front = of(c.piece ?? '');
      expect(crosses(front, 4)).toHaveLength(c.buttons.length);
      expect(strokes(front, c.hole.opening)).toHaveLength(c.buttons.length);
      // What lies under the front at its edge: the facing, or the lining where there is none.
      const inside = x.inside.filter((p) => p.parent === c.piece && p.material !== 'interfacing');
      const under = inside.find((p) => p.material === (faced ? 'facing' : 'lining'));
      const carried = crosses(of(under?.id ?? ''), 4);
      expect(carried).toHaveLength(c.buttons.length);
      carried.forEach((p, i) => {
        expect(distance(p, c.buttons[i]?.on?.centre ?? { x: 0, y: 0 })).toBeCloseTo(0, 9);
      });
      expect(sheetsFor(x, [], true).map((s) => s.id)).toEqual(['strip-over', 'strip-under']);
    }),
    runs(12),
  );
});

test('the strips: 1:1, every gap as placed, the stand above the neck seam, the other front the mirror image', () => {
  const d = usualDecisions();
  Object.assign(d.closure, {
    length: 640,
    count: 7,
    stand: { hole: true, height: 32 },
    direction: 'vertical',
    school: 'first',
  });
  const r = deriveClosure([], d);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  const [over, under] = [stripSheet(r.value, 'over'), stripSheet(r.value, 'under')] as [Sheet, Sheet];
  expect(over.box).toMatchObject({ minY: -32, maxY: 640 });
  const [a, b] = [crosses(over.items, 5), crosses(under.items, 5)];
  expect(a.map((p) => p.y)).toEqual(r.value.buttons.map((q) => q.at));
  const width = over.box.maxX;
  a.forEach((p, i) => {
    expect(p.x + (b[i]?.x ?? 0)).toBeCloseTo(width, 9);
  });
  // The stand's hole runs across, the others along; a button has no hole.
  const holes = strokes(over.items, r.value.hole.opening);
  expect(holes.map(([p, q]) => Math.abs(p.y - q.y) < 1e-9)).toEqual([true, false, false, false, false, false, false]);
  expect(strokes(under.items, r.value.hole.opening)).toEqual([]);
});

test('link cuffs: a hole at each end, each begins towards its own end', () => {
  const cuff = smallOf({ ...usualSmall('cuff', 'c'), layout: 'link', length: 240 }, usualClosure());
  const holes = strokes(smallSheet(cuff).items, cuff.hole?.opening ?? 0);
  expect(holes.map(([p]) => p.x)).toEqual([13 - 3, 240 - 13 + 3]);
});

/** A front with its centre line `ext` inside its edge, drawn as a plain quadrilateral; x grows away from the edge. */
function panel(
  id: string,
  kind: Piece['kind'],
  top: 'neckline' | 'waist',
  end: 'waist' | 'hem',
  height: number,
): Piece {
  const [a, b, c, e] = [
    { x: 0, y: 0 },
    { x: 200, y: 0 },
    { x: 220, y: height },
    { x: 0, y: height },
  ] as [Point, Point, Point, Point];
  const edge = (name: string, role: Piece['ring'][number]['role'], p: Point, q: Point) => ({
    id: name,
    role,
    path: [line(p, q)],
    allowance: 15,
    corner: 'mitred' as const,
    onFold: false,
  });
  return {
    id,
    name: id,
    kind,
    material: 'shell',
    ring: [edge('e1', top, a, b), edge('e2', 'side', b, c), edge('e3', end, c, e), edge('e4', 'front-edge', e, a)],
    cut: { count: 2, pair: true, onFold: false },
    grain: { a: { x: 50, y: height }, b: { x: 50, y: 0 } },
    notches: [],
    lines: [],
    reasons: [],
  };
}

test('a front with a waist seam: the line runs on over the skirt, the seam stays clear, each piece carries its own marks', () => {
  const shell = [
    panel('bodice', 'front', 'neckline', 'waist', 380),
    panel('skirt', 'skirt-front', 'waist', 'hem', 620),
  ];
  const d = usualDecisions();
  Object.assign(d.closure, { count: 10, extension: 20, bottom: 200, diameter: 15, direction: 'vertical', top: 15 });
  const r = deriveClosure(shell, d);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  const c = r.value;
  expect([c.lengthMm, c.features.waistSeam]).toEqual([1000, 380]);
  // Half of what a hole of 19 with its bar covers from the centre down, and 5 more.
  const reach = c.hole.inner + 1.5 + 5;
  for (const b of c.buttons) expect(Math.abs(b.at - 380)).toBeGreaterThanOrEqual(reach - 1e-6);
  const [upper, lower] = shell.map((p) => crosses(closureItems(c, p), 4)) as [Point[], Point[]];
  expect(upper.length + lower.length).toBe(10);
  expect([...upper.map((p) => p.y), ...lower.map((p) => p.y + 380)]).toEqual(
    c.buttons.map((b) => expect.closeTo(b.at, 6)),
  );
  for (const p of [...upper, ...lower]) expect(p.x).toBeCloseTo(20, 6);
});
