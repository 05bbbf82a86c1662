import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { draftCoat, GREENHOUSE_COAT } from '../../../demo/index.ts';
import { runs } from '../../../test/runs.ts';
import { distance, type Path, type Point, pathLength, pointAlong, signedArea } from '../../geometry/index.ts';
import { outlineOf } from '../../pattern/index.ts';
import {
  bent,
  calibrate,
  crossingAt,
  fitOutline,
  homographyOf,
  importTrace,
  likelyError,
  mapThrough,
  placeInPicture,
  placeOnTable,
  sheetCorners,
  type Traced,
} from './index.ts';

/** A pinhole camera over the table: known truth, built from its rotation and place and not from a plane-to-plane map. */
function camera(tilt: number, turn: number, height: number, at: Point) {
  const f = 2800;
  const [ct, st, cz, sz] = [Math.cos(tilt), Math.sin(tilt), Math.cos(turn), Math.sin(turn)];
  return (p: Point): Point => {
    const [x, y] = [p.x - at.x, p.y - at.y];
    const [u, v] = [x * cz - y * sz, x * sz + y * cz];
    const [w, depth] = [v * ct, height + v * st];
    return { x: 2000 + (f * u) / depth, y: 1500 + (f * w) / depth };
  };
}
const cameras = fc
  .record({
    tilt: fc.double({ min: -0.45, max: 0.45, noNaN: true }),
    turn: fc.double({ min: -3, max: 3, noNaN: true }),
    height: fc.double({ min: 900, max: 1600, noNaN: true }),
  })
  .map((c) => camera(c.tilt, c.turn, c.height, { x: 200, y: 250 }));
const value = <T>(r: { ok: true; value: T } | { ok: false; findings: unknown[] }): T => {
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
};
/** Points along each edge of a drafted piece: corners at its ends, `n` smooth ones between. */
const traced = (edges: Path[], n: number): Traced[] =>
  edges.flatMap((e) =>
    Array.from({ length: n + 1 }, (_, i) => ({ ...pointAlong(e, (pathLength(e) * i) / (n + 1)), corner: i === 0 })),
  );

describe('true plan from a picture', () => {
  test('any camera over a sheet of A4: every place on the table comes back', () => {
    fc.assert(
      fc.property(
        cameras,
        fc.double({ min: -200, max: 600, noNaN: true }),
        fc.double({ min: -200, max: 700, noNaN: true }),
        (see, x, y) => {
          const table = sheetCorners(210, 297);
          const h = value(homographyOf(table.map(see), table));
          expect(distance(mapThrough(h, see({ x, y })), { x, y })).toBeLessThan(1e-6);
        },
      ),
      runs(100),
    );
  });

  test('more corners than four are evened out, and what is left is told', () => {
    const see = camera(0.3, 0.2, 1200, { x: 200, y: 250 });
    const table = [...sheetCorners(600, 400), { x: 300, y: 200 }, { x: 300, y: 0 }, { x: 0, y: 200 }];
    const exact = table.map(see);
    expect(value(calibrate(exact, table)).residual).toBeLessThan(1e-6);
    const shaken = exact.map((p, i) => ({ x: p.x + (i % 2 ? 1 : -1), y: p.y + (i % 3 ? 0.7 : -0.7) }));
    const left = value(calibrate(shaken, table)).residual;
    expect(left).toBeGreaterThan(0.1);
    expect(left).toBeLessThan(1);
  });

  const size = { width: 4000, height: 3000 };
  const lensOf = (k: number) => ({ centre: { x: 2000, y: 1500 }, half: 2500, k });
  const grid = (spacing: number, nx: number, ny: number): Point[] => [
    ...sheetCorners(nx * spacing, ny * spacing),
    ...Array.from({ length: (nx + 1) * (ny + 1) }, (_, i) => ({
      x: (i % (nx + 1)) * spacing,
      y: Math.floor(i / (nx + 1)) * spacing,
    })).filter((p) => !((p.x === 0 || p.x === nx * spacing) && (p.y === 0 || p.y === ny * spacing))),
  ];

  test('a lens that bends: from crossings of a grid its bend is found, and places come back', () => {
    fc.assert(
      fc.property(
        cameras,
        fc.double({ min: -0.25, max: 0.2, noNaN: true }),
        fc.double({ min: -100, max: 500, noNaN: true }),
        fc.double({ min: -100, max: 600, noNaN: true }),
        (see, k, x, y) => {
          const through = (p: Point): Point => bent(lensOf(k), see(p));
          const table = grid(100, 4, 5);
          const c = value(calibrate(table.map(through), table, size));
          expect(c.lens.k).toBeCloseTo(k, 4);
          expect(c.residual).toBeLessThan(0.01);
          expect(distance(placeOnTable(c, through({ x, y })), { x, y })).toBeLessThan(0.05);
          expect(distance(placeInPicture(c, { x, y }), through({ x, y }))).toBeLessThan(0.2);
        },
      ),
      runs(40),
    );
  });

  test('four corners alone cannot know of the lens: the error they leave is real, and more crossings mend it', () => {
    const see = camera(0.2, 0.1, 1100, { x: 200, y: 250 });
    const through = (p: Point): Point => bent(lensOf(-0.12), see(p));
    const [corners, all] = [sheetCorners(400, 500), grid(100, 4, 5)];
    const off = (c: ReturnType<typeof calibrate>): number =>
      Math.max(...all.map((t) => distance(placeOnTable(value(c), through(t)), t)));
    expect(off(calibrate(corners.map(through), corners, size))).toBeGreaterThan(1.5);
    expect(off(calibrate(all.map(through), all, size))).toBeLessThan(0.01);
    // Without the picture's size the plane alone is laid, and what is left is told rather than hidden.
    expect(value(calibrate(all.map(through), all)).residual).toBeGreaterThan(0.5);
  });

  test('more known points make a place likelier exact; points that disagree make it less so', () => {
    const see = camera(0.25, 0.1, 1300, { x: 200, y: 250 });
    const at = see({ x: 150, y: 180 });
    const exactness = (n: number, shake: number): number => {
      const table = grid(100, 4, 5).slice(0, n);
      const picture = table
        .map(see)
        .map((p, i) => ({ x: p.x + shake * ((i % 3) - 1), y: p.y + shake * ((i % 2) - 0.5) }));
      return likelyError(picture, table, at, size);
    };
    expect(exactness(30, 0)).toBeLessThan(exactness(4, 0));
    expect(exactness(30, 8)).toBeGreaterThan(2 * exactness(30, 0.5));
  });

  test('a click near a crossing is taken for it, one between crossings for none', () => {
    const see = camera(0.2, 0.3, 1200, { x: 200, y: 250 });
    const table = sheetCorners(400, 500);
    const c = value(calibrate(table.map(see), table, size));
    expect(crossingAt(c, see({ x: 154, y: 97 }), 50)).toEqual({ x: 150, y: 100 });
    expect(crossingAt(c, see({ x: 174, y: 97 }), 50)).toBeNull();
    expect(crossingAt(c, see({ x: -103, y: 602 }), 50)).toEqual({ x: -100, y: 600 });
  });

  test('the likely error: near a pixel on the sheet, growing away from it, and borne out by shaken corners', () => {
    const see = camera(0.25, 0.1, 1300, { x: 200, y: 250 });
    const table = sheetCorners(210, 297);
    const picture = table.map(see);
    const near = likelyError(picture, table, see({ x: 105, y: 148 }));
    const far = likelyError(picture, table, see({ x: 500, y: 600 }));
    expect(near).toBeLessThan(1.2);
    expect(far).toBeGreaterThan(2 * near);
    let sum = 0;
    const shakes = 400;
    for (let k = 0; k < shakes; k++) {
      const off = (i: number) => Math.sqrt(12) * (((Math.sin(k * 12.9898 + i * 78.233) * 43758.5453) % 1) / 2);
      const h = value(
        homographyOf(
          picture.map((p, i) => ({ x: p.x + off(2 * i), y: p.y + off(2 * i + 1) })),
          table,
        ),
      );
      sum += distance(mapThrough(h, see({ x: 500, y: 600 })), { x: 500, y: 600 }) ** 2;
    }
    expect(Math.sqrt(sum / shakes) / far).toBeGreaterThan(0.5);
    expect(Math.sqrt(sum / shakes) / far).toBeLessThan(1.5);
  });

  test('three corners, corners on a line, crossed corners: refused', () => {
    const t = sheetCorners(210, 297);
    const code = (p: Point[], q: Point[]) => {
      const r = homographyOf(p, q);
      return r.ok ? null : r.findings[0]?.code;
    };
    expect(code(t.slice(1), t.slice(1))).toBe('too-few-corners');
    expect(
      code(
        [0, 1, 2, 3].map((i) => ({ x: i * 100, y: i * 50 })),
        t,
      ),
    ).toBe('corners-on-a-line');
    expect(code([t[0], t[2], t[1], t[3]] as Point[], t)).toBe('corners-on-a-line');
  });
});

describe('fitting', () => {
  test('a circle of 12 smooth points within 0.5 mm by few curves; its area by the formula', () => {
    const points = Array.from({ length: 12 }, (_, i) => ({
      x: 200 * Math.cos((i * Math.PI) / 6),
      y: 200 * Math.sin((i * Math.PI) / 6),
      corner: false,
    }));
    const { path, residual } = fitOutline(points);
    expect(residual).toBeLessThan(0.5);
    expect(path.length).toBeLessThanOrEqual(6);
    expect(Math.abs(signedArea(path)) / (Math.PI * 200 * 200)).toBeCloseTo(1, 2);
  });

  test('corners with nothing between them are joined by lines, exactly', () => {
    const square = sheetCorners(300, 200).map((p) => ({ ...p, corner: true }));
    const { path, residual } = fitOutline(square);
    expect(path.map((s) => s.k)).toEqual(['L', 'L', 'L', 'L']);
    expect(residual).toBe(0);
  });

  test('the coat traced from a made-up picture: size within what half a millimetre allows, roles as in the draft, few curves', () => {
    const see = camera(0.3, 0.15, 1500, { x: 200, y: 500 });
    const table = sheetCorners(210, 297);
    for (const d of draftCoat(GREENHOUSE_COAT)) {
      const r = value(
        importTrace({
          name: d.name,
          picture: table.map(see),
          table,
          points: traced(d.edges, 7).map((p) => ({ ...see(p), corner: p.corner })),
        }),
      );
      expect(r.residual).toBeLessThan(0.5);
      const piece = r.pieces[0];
      const outline = outlineOf((piece?.ring ?? []) as never);
      const truth = d.edges.flat();
      // A curve that may stray by half a millimetre may take in so much area along its whole length, and no more.
      const [area, length] = [Math.abs(signedArea(truth)), pathLength(truth)];
      expect(Math.abs(Math.abs(signedArea(outline)) - area)).toBeLessThan(0.25 * length);
      expect(Math.abs(pathLength(outline) / length - 1)).toBeLessThan(1e-3);
      // Six edges at most, of which two bend: an S-shaped cap takes four curves, an armhole or neckline two.
      expect(outline.length).toBeLessThanOrEqual(10);
      expect(piece?.kind).toBe(d.name.toLowerCase());
      expect(piece?.ring).toHaveLength(d.edges.length);
    }
  });
});
