import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { curve, p, straight } from '../../test/parts.ts';
import { runs } from '../../test/runs.ts';
import { compose, distance, mapPath, pointAlong, rotation, translation } from '../geometry/index.ts';
import { layFlat, loopsCounted, loopsOf, type Panel, type PanelEdge, partsOf, surfaceOf } from './index.ts';

/** A polygon as a panel, its edges of no length to speak of: only how it hangs together matters. */
const polygon = (id: string, n: number): Panel => ({
  id,
  piece: id,
  kind: 'other',
  name: id,
  half: 'whole',
  up: p(0, -1),
  ring: Array.from(
    { length: n },
    (_, i): PanelEdge => ({
      key: `${id}/${i}`,
      panel: id,
      piece: id,
      edge: String(i),
      mirrored: false,
      role: 'plain',
      path: straight(p(i, 0), p(i + 1, 0)),
      sewn: 1,
      notches: [],
    }),
  ),
});
const glued = (panels: Panel[], pairs: [string, string][]) => {
  const by = new Map(panels.flatMap((q) => q.ring.map((e) => [e.key, e])));
  const joins = pairs.map(([a, b], i) => ({
    id: `${i}`,
    code: 'panel' as const,
    a: [by.get(a) as PanelEdge],
    b: [by.get(b) as PanelEdge],
  }));
  return surfaceOf(panels, joins);
};

describe('the surface', () => {
  test('known surfaces: tube, sphere, and what has a handle (classification of surfaces)', () => {
    const square = polygon('q', 4);
    const shape = (pairs: [string, string][], panels = [square]) =>
      partsOf(glued(panels, pairs)).map((x) => [x.loops, x.handles]);
    expect(shape([])).toEqual([[1, 0]]);
    expect(shape([['q/0', 'q/2']])).toEqual([[2, 0]]);
    expect(
      shape([
        ['q/0', 'q/1'],
        ['q/2', 'q/3'],
      ]),
    ).toEqual([[0, 0]]);
    expect(
      shape([
        ['q/0', 'q/2'],
        ['q/1', 'q/3'],
      ]),
    ).toEqual([[0, 1]]);
    const two = [polygon('a', 3), polygon('b', 3)];
    expect(
      shape(
        [
          ['a/0', 'b/2'],
          ['a/1', 'b/1'],
        ],
        two,
      ),
    ).toEqual([[1, 0]]);
    expect(shape([], two)).toEqual([
      [1, 0],
      [1, 0],
    ]);
  });

  test('of random polygons glued at random: as many loops walked as counted, and handles are whole numbers', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 3, max: 8 }), { minLength: 1, maxLength: 12 }),
        fc.infiniteStream(fc.nat(1e6)),
        fc.integer({ min: 0, max: 30 }),
        (sizes, draws, most) => {
          const panels = sizes.map((n, i) => polygon(`p${i}`, n));
          const free = panels.flatMap((q) => q.ring.map((e) => e.key));
          const draw = (): string => free.splice((draws.next().value as number) % free.length, 1)[0] as string;
          const pairs: [string, string][] = [];
          while (pairs.length < most && free.length > 1) pairs.push([draw(), draw()]);
          const s = glued(panels, pairs);
          const loops = loopsOf(s);
          expect(loops.length).toBe(loopsCounted(s));
          expect(loops.flatMap((l) => l.edges.map((e) => e.key)).sort()).toEqual([...free].sort());
          for (const part of partsOf(s)) expect([part.handles >= 0, part.handles % 1]).toEqual([true, 0]);
        },
      ),
      runs(400),
    );
  });
});

describe('laying a panel on to its neighbour', () => {
  test('what was cut apart and moved is brought back; a straight seam leaves a round one as trigonometry has it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.integer({ min: -900, max: 900 }),
        fc.integer({ min: -900, max: 900 }),
        (angle, x, y) => {
          const seam = curve(p(0, 0), p(30, 120), p(-20, 260), p(10, 400));
          const away = compose(translation(x, y), rotation(angle));
          const { motion, misfit } = layFlat(seam, mapPath(seam, away), 80);
          expect(misfit).toBeLessThan(1e-6);
          const there = mapPath(mapPath(seam, away), motion);
          for (const at of [0, 100, 400])
            expect(distance(pointAlong(there, at), pointAlong(seam, at))).toBeLessThan(1e-5);
        },
      ),
      runs(100),
    );
    // A straight seam laid on to an arc of radius r, along the chord of the first half of the band: plain trigonometry.
    const [r, sweep, band] = [300, Math.PI / 4, 100];
    const k = (4 / 3) * Math.tan(sweep / 4) * r;
    const far = p(r * Math.sin(sweep), r - r * Math.cos(sweep));
    const arc = curve(p(0, 0), p(k, 0), p(far.x - k * Math.cos(sweep), far.y - k * Math.sin(sweep)), far);
    const chord = 2 * r * Math.sin(band / (2 * r));
    const off = Math.sqrt(chord ** 2 + band ** 2 - 2 * chord * band * Math.cos((band - band / 2) / (2 * r)));
    expect(layFlat(arc, straight(p(5, 5), p(5, 305)), band).misfit).toBeCloseTo(off, 2);
  });
});
