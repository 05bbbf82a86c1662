import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { draftCoat, draftSvg } from '../../demo/draft.ts';
import { runs } from '../../test/runs.ts';
import { coatFigures } from '../../test/shells.ts';
import { importSvg } from '../import/index.ts';
import { pathData } from '../output/svg.ts';
import {
  boxOf,
  flatten,
  lighten,
  nearestOn,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  polyline,
  signedArea,
  startOf,
} from './index.ts';

const closed = (points: Point[]): Path => polyline([...points, points[0] as Point]);
/** Points on an ellipse with half axes `a` and `b`, mm. */
const ellipse = (n: number, a: number, b: number): Point[] =>
  Array.from({ length: n }, (_, i) => {
    const t = (2 * Math.PI * i) / n;
    return { x: a * Math.cos(t), y: b * Math.sin(t) };
  });
/** Largest distance of the drawn points and middles from the path, mm. */
const stray = (drawn: Path, made: Path): number =>
  Math.max(
    ...drawn
      .filter((_, i) => i % 5 === 0)
      .flatMap((s) => [
        nearestOn(made, s.a).distance,
        nearestOn(made, { x: (s.a.x + s.b.x) / 2, y: (s.a.y + s.b.y) / 2 }).distance,
      ]),
  );

describe('many short lines as few curves', () => {
  test('a circle of 1,500 chords is a circle again: πr² and 2πr', () => {
    const made = lighten(closed(ellipse(1500, 300, 300)));
    expect(made.length).toBeLessThan(40);
    // A line that strays 0.01 mm at most encloses no more or less than a rim of that width.
    expect(Math.abs(Math.abs(signedArea(made)) - Math.PI * 300 ** 2)).toBeLessThan(2 * Math.PI * 300 * 0.01);
    expect(Math.abs(pathLength(made) - 2 * Math.PI * 300)).toBeLessThan(0.1);
  });

  test('over random ellipses and numbers of chords it stays within the tolerance and closes where it began', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 400, max: 1500 }),
        fc.integer({ min: 30, max: 600 }),
        fc.integer({ min: 30, max: 600 }),
        (n, a, b) => {
          const drawn = closed(ellipse(n, a, b));
          const made = lighten(drawn);
          expect(stray(drawn, made)).toBeLessThanOrEqual(0.01 + 1e-6);
          expect(startOf(made)).toEqual(startOf(drawn));
          expect(made[made.length - 1]?.b).toEqual(startOf(drawn));
          expect(Math.abs(pathLength(made) - pathLength(drawn))).toBeLessThan(0.2);
          made.forEach((s, i) => {
            if (i) expect(s.a).toEqual(made[i - 1]?.b);
          });
        },
      ),
      runs(15),
    );
  });

  test('a straight line of a hundred parts is one line', () => {
    const made = lighten(polyline(Array.from({ length: 101 }, (_, i) => ({ x: i * 7, y: i * 3 }))));
    expect(made).toEqual([{ k: 'L', a: { x: 0, y: 0 }, b: { x: 700, y: 300 } }]);
  });

  test('corners and what is no curve stay as they are drawn', () => {
    const saw = polyline(Array.from({ length: 120 }, (_, i) => ({ x: i * 5, y: i % 2 ? 4 : 0 })));
    expect(lighten(saw)).toBe(saw);
    const few = closed(ellipse(40, 300, 200));
    expect(lighten(few)).toBe(few);
    // Two arcs that meet at points: the points are places of the path still.
    const lens = closed([
      ...Array.from({ length: 200 }, (_, i) => ({ x: i, y: -Math.sin((Math.PI * i) / 200) * 60 })),
      ...Array.from({ length: 200 }, (_, i) => ({ x: 200 - i, y: Math.sin((Math.PI * i) / 200) * 60 })),
    ]);
    const made = lighten(lens);
    expect(made.length).toBeLessThan(20);
    expect(made.some((s) => s.a.x === 200 && Math.abs(s.a.y) < 1e-9)).toBe(true);
  });

  test('random coats drawn in hundreds of chords are read with the roles, areas and lengths of their curves', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const svg = draftSvg(draftCoat(figures), figures.extension);
        const smooth = importSvg(svg);
        if (!smooth.ok) throw new Error('unreadable draft');
        const chords = smooth.value.pieces.map((p) => {
          const ring = p.ring.flatMap((e) => flatten(e.path, 0.001).slice(0, -1));
          return `<path id="${p.name}" d="${pathData(closed(ring))}Z"/>`;
        });
        const box = boxOf(smooth.value.pieces.flatMap((p) => p.ring.flatMap((e) => e.path)));
        const dense = importSvg(
          `<svg xmlns="http://www.w3.org/2000/svg" width="${box.maxX}mm" height="${box.maxY}mm" viewBox="0 0 ${box.maxX} ${box.maxY}">${chords.join('')}</svg>`,
        );
        if (!dense.ok) throw new Error(JSON.stringify(dense.findings));
        smooth.value.pieces.forEach((p, k) => {
          const q = dense.value.pieces[k];
          expect(q?.ring.map((e) => e.role)).toEqual(p.ring.map((e) => e.role));
          q?.ring.forEach((e, i) => {
            const own = p.ring[i]?.path as Path;
            expect(Math.abs(pathLength(e.path) - pathLength(own))).toBeLessThan(0.2);
            expect(nearestOn(own, pointAlong(e.path, pathLength(e.path) / 3)).distance).toBeLessThan(0.05);
          });
          const area = (r: typeof p.ring): number => Math.abs(signedArea(r.flatMap((e) => e.path)));
          expect(area(q?.ring ?? []) / area(p.ring)).toBeCloseTo(1, 4);
        });
        expect(dense.value.findings.map((f) => f.code)).toContain('lines-lightened');
      }),
      runs(12),
    );
  });
});
