import { describe, expect, test } from '@jest/globals';
import { Bezier } from 'bezier-js';
import fc from 'fast-check';
import { gapBetween, samples } from '../../test/checker.ts';
import { runs } from '../../test/runs.ts';
import {
  arcBetween,
  boxOf,
  type Cubic,
  crossings,
  cubic,
  curvatureAt,
  difference,
  directionAlong,
  directionsEvery,
  distance,
  endDirection,
  endOf,
  fillet,
  flatten,
  inflate,
  insideRing,
  intersection,
  line,
  mapPath,
  meet,
  nearestOn,
  offsetBetween,
  offsetPath,
  type Path,
  type Point,
  parameterAtLength,
  pathLength,
  pointAlong,
  pointAt,
  polyline,
  reflection,
  reversePath,
  ringsArea,
  rotation,
  segmentBox,
  segmentLength,
  selfCrossing,
  shear,
  signedArea,
  splitSegment,
  startDirection,
  startOf,
  stretch,
  translation,
  turn,
  union,
} from './index.ts';

const p = (x: number, y: number): Point => ({ x, y });
const coordinate = fc.double({ min: -600, max: 600, noNaN: true });
const point = fc.record({ x: coordinate, y: coordinate });
const anyCubic = fc.tuple(point, point, point, point).map(([a, c, d, b]) => cubic(a, c, d, b));
/** Curves like those of patterns: handles run forward, no loops. */
const calmCubic = fc
  .tuple(
    fc.double({ min: 60, max: 400, noNaN: true }),
    fc.double({ min: -0.9, max: 0.9, noNaN: true }),
    fc.double({ min: -0.9, max: 0.9, noNaN: true }),
  )
  .map(([l, up, down]) => cubic(p(0, 0), p(l * 0.35, l * 0.35 * up), p(l * 0.65, l * 0.35 * down), p(l, 0)));
const bez = (s: Cubic): Bezier => new Bezier(s.a.x, s.a.y, s.c.x, s.c.y, s.d.x, s.d.y, s.b.x, s.b.y);
/** Four cubics round a circle with the usual handle; radius error 2.7e-4 of r. */
const circle = (r: number): Path => {
  const k = 0.5522847498 * r;
  return [
    cubic(p(r, 0), p(r, k), p(k, r), p(0, r)),
    cubic(p(0, r), p(-k, r), p(-r, k), p(-r, 0)),
    cubic(p(-r, 0), p(-r, -k), p(-k, -r), p(0, -r)),
    cubic(p(0, -r), p(k, -r), p(r, -k), p(r, 0)),
  ];
};

describe('curves against bezier-js', () => {
  test('arc length', () => {
    fc.assert(
      fc.property(calmCubic, (s) => {
        expect(Math.abs(segmentLength(s) - bez(s).length())).toBeLessThan(1e-4);
      }),
      runs(300),
    );
  });

  test('arc length of wild curves against a fine chord sum', () => {
    fc.assert(
      fc.property(anyCubic, (s) => {
        let sum = 0;
        for (let i = 0; i < 20000; i++) sum += distance(pointAt(s, i / 20000), pointAt(s, (i + 1) / 20000));
        expect(Math.abs(segmentLength(s) - sum)).toBeLessThan(2e-3);
      }),
      runs(25),
    );
  });

  test('bounds', () => {
    fc.assert(
      fc.property(calmCubic, (s) => {
        const mine = segmentBox(s);
        const all = Array.from({ length: 3001 }, (_, i) => bez(s).get(i / 3000));
        for (const [low, high, key] of [
          [mine.minX, mine.maxX, 'x'],
          [mine.minY, mine.maxY, 'y'],
        ] as const) {
          expect(Math.abs(low - Math.min(...all.map((q) => q[key])))).toBeLessThan(1e-3);
          expect(Math.abs(high - Math.max(...all.map((q) => q[key])))).toBeLessThan(1e-3);
        }
      }),
      runs(40),
    );
  });

  test('bounds of a curve whose quadratic is nearly a line: 3/4 of the handle', () => {
    const s = cubic(p(0, 0), p(0, -599.9999999999663), p(0, -599.9999999999396), p(0, 0));
    expect(segmentBox(s).minY).toBeCloseTo(-450, 8);
  });

  test('nearest place', () => {
    fc.assert(
      fc.property(calmCubic, point, (s, q) => {
        const t = Math.min(1, Math.max(0, bez(s).project({ ...q }).t as number));
        expect(nearestOn([s], q).distance).toBeLessThanOrEqual(distance(pointAt(s, t), q) + 1e-6);
      }),
      runs(200),
    );
  });

  test('halves of a curve', () => {
    fc.assert(
      fc.property(anyCubic, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (s, t) => {
        const [l, r] = splitSegment(s, t);
        const theirs = bez(s).split(t);
        expect(distance(endOf([l]), theirs.left.points[3] as Point)).toBeLessThan(1e-9);
        expect(segmentLength(l) + segmentLength(r)).toBeCloseTo(segmentLength(s), 4);
      }),
      runs(200),
    );
  });

  test('crossings of two curves', () => {
    fc.assert(
      fc.property(calmCubic, calmCubic, fc.double({ min: 0.6, max: 2.4, noNaN: true }), (a, b, angle) => {
        const turned = mapPath([b], rotation(angle));
        const middle = pointAlong(turned, pathLength(turned) / 2);
        const target = pointAlong([a], pathLength([a]) / 2);
        const moved = mapPath(turned, translation(target.x - middle.x, target.y - middle.y));
        const mine = crossings([a], moved);
        const theirs = bez(a).intersects(bez(moved[0] as Cubic), 0.01) as string[];
        expect(mine.length).toBeGreaterThan(0);
        for (const c of mine) expect(nearestOn(moved, c.point).distance).toBeLessThan(1e-6);
        for (const pair of theirs) {
          const found = pointAt(a, Number(pair.split('/')[0]));
          expect(Math.min(...mine.map((c) => distance(c.point, found)))).toBeLessThan(0.5);
        }
      }),
      runs(150),
    );
  });
});

describe('areas', () => {
  test('a circle of four cubics: πr² and 2πr within the known error of the cubic', () => {
    const c = circle(100);
    expect(Math.abs(signedArea(c)) / (Math.PI * 100 * 100)).toBeCloseTo(1, 3);
    expect(pathLength(c) / (2 * Math.PI * 100)).toBeCloseTo(1, 3);
    expect(signedArea(c)).toBeGreaterThan(0);
    expect(signedArea(reversePath(c))).toBeCloseTo(-signedArea(c), 9);
  });

  test('exact area agrees with the clipping library on flattened rings', () => {
    fc.assert(
      fc.property(calmCubic, (s) => {
        const ring: Path = [s, line(s.b, p(s.b.x, 500)), line(p(s.b.x, 500), p(0, 500)), line(p(0, 500), s.a)];
        const flat = flatten(ring, 0.001).slice(0, -1);
        expect(Math.abs(signedArea(ring) - ringsArea(union([flat])))).toBeLessThan(signedArea(ring) * 1e-5);
      }),
      runs(100),
    );
  });

  test('area and length do not change when moved, turned or mirrored', () => {
    fc.assert(
      fc.property(
        calmCubic,
        coordinate,
        coordinate,
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (s, x, y, angle) => {
          const ring: Path = [s, line(s.b, p(s.b.x / 2, 300)), line(p(s.b.x / 2, 300), s.a)];
          const turned = mapPath(mapPath(ring, rotation(angle)), translation(x, y));
          const mirrored = mapPath(ring, reflection(p(x, y), { x: Math.cos(angle), y: Math.sin(angle) }));
          expect(signedArea(turned)).toBeCloseTo(signedArea(ring), 4);
          expect(signedArea(mirrored)).toBeCloseTo(-signedArea(ring), 4);
          expect(pathLength(mirrored)).toBeCloseTo(pathLength(ring), 6);
        },
      ),
      runs(100),
    );
  });

  test('intersection and difference make up the whole', () => {
    const a = [[p(0, 0), p(10, 0), p(10, 10), p(0, 10)]];
    const b = [[p(5, 5), p(15, 5), p(15, 15), p(5, 15)]];
    expect(ringsArea(intersection(a, b))).toBeCloseTo(25, 6);
    expect(ringsArea(difference(a, b))).toBeCloseTo(75, 6);
    expect(ringsArea(union(a, b))).toBeCloseTo(175, 6);
  });
});

describe('along a path', () => {
  const path: Path = [line(p(0, 0), p(100, 0)), cubic(p(100, 0), p(150, 0), p(200, 50), p(200, 100))];

  test('a stretch has the length asked for and keeps its curves', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (f, g) => {
        const total = pathLength(path);
        const [a, b] = [Math.min(f, g) * total, Math.max(f, g) * total];
        const part = stretch(path, a, b);
        expect(Math.abs(pathLength(part) - (b - a))).toBeLessThan(1e-5);
        expect(distance(startOf(part), pointAlong(path, a))).toBeLessThan(1e-5);
      }),
      runs(200),
    );
    expect(stretch(path, 120, 180)[0]?.k).toBe('C');
  });

  test('the parameter at a length is found again', () => {
    fc.assert(
      fc.property(anyCubic, fc.double({ min: 0, max: 1, noNaN: true }), (s, f) => {
        const at = segmentLength(s) * f;
        expect(Math.abs(segmentLength(s, 0, parameterAtLength(s, at)) - at)).toBeLessThan(1e-6);
      }),
      runs(100),
    );
  });

  test('a direction is found even where a handle lies on its end point', () => {
    const s = cubic(p(0, 0), p(0, 0), p(60, 40), p(100, 40));
    expect(directionAlong([s], 0)).toEqual(expect.objectContaining({ x: expect.closeTo(60 / Math.hypot(60, 40), 6) }));
    const all = cubic(p(5, 5), p(5, 5), p(5, 5), p(5, 5));
    expect(Number.isFinite(startDirection([all]).x)).toBe(true);
  });

  test('walked step by step, a circle turns evenly: by the step over its radius', () => {
    const way = directionsEvery(circle(80), 2);
    expect(way).toHaveLength(Math.floor((2 * Math.PI * 80) / 2) + 1);
    for (const [i, d] of way.slice(1).entries())
      expect(turn(way[i] as Point, d)).toBeCloseTo((Math.sign(signedArea(circle(80))) * 2) / 80, 3);
  });

  test('curvature of a circle is one over its radius', () => {
    expect(Math.abs(curvatureAt(circle(80)[0] as Cubic, 0.5))).toBeCloseTo(1 / 80, 3);
  });
});

describe('offset', () => {
  test('keeps its distance everywhere', () => {
    fc.assert(
      fc.property(calmCubic, fc.double({ min: -15, max: 40, noNaN: true }), (s, d) => {
        const tight = Math.max(...[0, 0.25, 0.5, 0.75, 1].map((t) => Math.abs(curvatureAt(s, t))));
        fc.pre(Math.abs(d) > 0.5 && tight * Math.abs(d) < 0.6);
        const gap = gapBetween(stretch(offsetPath([s], d), 1, 1e6), [s]);
        expect(gap.most).toBeLessThan(Math.abs(d) + 0.03);
        expect(gap.least).toBeGreaterThan(Math.abs(d) - 0.03);
      }),
      runs(150),
    );
  });

  test('changes its length by distance times turning angle', () => {
    // Trade rule: 3 mm over three quarters of a turn is 14 mm.
    const three = circle(90).slice(0, 3);
    const change = Math.abs(pathLength(offsetPath(three, 3)) - pathLength(three));
    expect(change).toBeCloseTo(3 * 1.5 * Math.PI, 1);
    expect(Math.round(change)).toBe(14);
  });

  test('outward of a clockwise ring is the positive side', () => {
    const ring = polyline([p(0, 0), p(100, 0), p(100, 100), p(0, 100), p(0, 0)]);
    expect(boxOf(offsetPath(ring.slice(0, 1), 10)).minY).toBeCloseTo(-10, 9);
  });

  test('agrees with the clipping library run on its own', () => {
    const ring = [...circle(120)].reverse();
    const clockwise = signedArea(circle(120)) > 0 ? circle(120) : ring;
    for (const d of [15, 40, -20]) {
      const mine = flatten(offsetPath(clockwise, d), 0.002).slice(0, -1);
      const theirs = inflate([flatten(clockwise, 0.002).slice(0, -1)], d);
      expect(Math.abs(ringsArea([mine]) / ringsArea(theirs) - 1)).toBeLessThan(2e-4);
    }
  });

  test('with an even change from one width to another starts and ends at them, parallel', () => {
    const s = cubic(p(0, 0), p(50, 0), p(90, 30), p(100, 80));
    const o = offsetBetween([s], -60, -40);
    expect(distance(startOf(o), p(0, 60))).toBeLessThan(1e-6);
    expect(distance(endOf(o), endOf([s]))).toBeCloseTo(40, 6);
    expect(startDirection(o).y).toBeCloseTo(0, 2);
    expect(o.every((x, i) => i === 0 || distance((o[i - 1] as Cubic).b, x.a) < 1e-9)).toBe(true);
  });

  test('where the path bends more tightly than the distance, nothing runs back on itself', () => {
    const hook = cubic(p(0, 0), p(90, 0), p(100, 8), p(100, 100));
    for (const d of [-12, -25, -40]) {
      const out = offsetPath([hook], d);
      const flat = flatten(out, 0.01);
      expect(Math.min(...flat.map((q) => nearestOn([hook], q).distance))).toBeGreaterThan(Math.abs(d) - 1);
    }
  });

  test('inner corners of a path are mitred, not left apart', () => {
    const bent = polyline([p(0, 0), p(100, 0), p(100, 100)]);
    const out = offsetPath(bent, 10);
    expect(out.some((s) => distance(s.a, p(110, -10)) < 1e-6 || distance(s.b, p(110, -10)) < 1e-6)).toBe(true);
    const inn = offsetPath(bent, -10);
    expect(inn.some((s) => distance(s.b, p(90, 10)) < 1e-6)).toBe(true);
  });
});

describe('joining', () => {
  test('two paths are trimmed to their crossing or carried on to it', () => {
    const across = meet([line(p(0, 0), p(100, 0))], [line(p(50, -20), p(50, 80))], 500);
    expect(endOf(across.a)).toEqual(p(50, 0));
    const apart = meet([line(p(0, 0), p(100, 0))], [line(p(150, 50), p(150, 90))], 500);
    expect(endOf(apart.a)).toEqual(p(150, 0));
    expect(startOf(apart.b)).toEqual(p(150, 0));
    expect(meet([line(p(0, 0), p(10, 0))], [line(p(10, 5), p(20, 5))], 50).met).toBe(false);
  });

  test('a fillet touches both sides with its radius', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 80, noNaN: true }),
        fc.double({ min: 0.5, max: 2.4, noNaN: true }),
        (r, angle) => {
          const far = p(300 + 400 * Math.cos(angle), 400 * Math.sin(angle));
          const made = fillet([line(p(0, 0), p(300, 0))], [line(p(300, 0), far)], r);
          fc.pre(made !== null);
          const path = (made as { path: Path }).path;
          const turns = path.map((s, i) =>
            i === 0 ? 0 : Math.abs(Math.atan2(...crossAndDot(path[i - 1] as Path[number], s))),
          );
          expect(Math.max(...turns)).toBeLessThan(0.01);
          const arc = path.filter((s) => s.k === 'C') as Cubic[];
          expect(1 / Math.abs(curvatureAt(arc[0] as Cubic, 0.5))).toBeCloseTo(r, 0);
        },
      ),
      runs(80),
    );
  });

  test('an arc keeps to its circle', () => {
    const arc = arcBetween(p(10, 20), p(60, 20), p(10, 70));
    for (const q of samples(arc, 20)) expect(distance(q, p(10, 20))).toBeCloseTo(50, 2);
    expect(pathLength(arc)).toBeCloseTo((Math.PI / 2) * 50, 2);
  });

  test('a shear holds one line and lands on the wished point', () => {
    const m = shear(p(0, 0), p(0, 1), p(30, 100), p(5, -12));
    const moved = mapPath([line(p(-50, 0), p(30, 100))], m as NonNullable<typeof m>);
    expect(startOf(moved)).toEqual(p(-50, 0));
    expect(distance(endOf(moved), p(35, 88))).toBeLessThan(1e-9);
    expect(shear(p(0, 0), p(0, 1), p(30, 0), p(1, 1))).toBeNull();
    expect(endDirection([line(p(0, 0), p(0, 5))])).toEqual(p(0, 1));
  });
});

describe('rings of points', () => {
  test('a bow tie crosses itself where it does, a square does not', () => {
    expect(selfCrossing([p(0, 0), p(10, 10), p(10, 0), p(0, 10)])).toEqual(p(5, 5));
    expect(selfCrossing([p(0, 0), p(10, 0), p(10, 10), p(0, 10)])).toBeNull();
  });

  test('inside and outside', () => {
    const l = [p(0, 0), p(20, 0), p(20, 10), p(10, 10), p(10, 20), p(0, 20)];
    expect(insideRing(l, p(5, 15))).toBe(true);
    expect(insideRing(l, p(15, 15))).toBe(false);
  });
});

function crossAndDot(a: Path[number], b: Path[number]): [number, number] {
  const d = endDirection([a]);
  const e = startDirection([b]);
  return [d.x * e.y - d.y * e.x, d.x * e.x + d.y * e.y];
}
