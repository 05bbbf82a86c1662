import { expect, test } from '@jest/globals';
import { pathLength } from '../../geometry/index.ts';
import { importText } from '../index.ts';

/** Corners of a piece, y down, each with the bulge of the arc that leaves it: the tangent of a quarter of its turn. */
type Corner = readonly [x: number, y: number, bulge?: number];

const polyline = (name: string, x: number, corners: readonly Corner[]): [number, string | number][] => [
  [0, 'LWPOLYLINE'],
  [8, 'cut'],
  [90, corners.length],
  [70, 1],
  ...corners.flatMap(([cx, cy, bulge = 0]): [number, number][] => [
    [10, cx + x],
    [20, -cy],
    [42, bulge],
  ]),
  [0, 'TEXT'],
  [8, 'T'],
  [10, x + 60],
  [20, -400],
  [40, 14],
  [1, name],
];

/** A coat's back and front, neck and armhole arcs: hollows of these bulges. */
const coat = (neck: number, armhole: number, low: number, wide: number, drop: number): string => {
  const back: Corner[] = [
    [0, 700],
    [0, low, neck],
    [wide, 0],
    [wide + 135, drop, armhole],
    [wide + 180, 230],
    [wide + 185, 700],
  ];
  const front: Corner[] = [
    [-20, 700],
    [-20, 110],
    [0, 110, 0.4],
    [wide, 0],
    [wide + 135, drop, 0.35],
    [wide + 180, 230],
    [wide + 185, 700],
  ];
  return [
    ...[
      [0, 'SECTION'],
      [2, 'HEADER'],
      [9, '$INSUNITS'],
      [70, 4],
      [0, 'ENDSEC'],
      [0, 'SECTION'],
      [2, 'ENTITIES'],
    ],
    ...polyline('Back cut 1 on fold', 50, back),
    ...polyline('Front cut 2', 650, front),
    ...[
      [0, 'ENDSEC'],
      [0, 'EOF'],
    ],
  ]
    .map(([c, v]) => `${c}\n${v}`)
    .join('\n');
};

// A back reaches higher at its centre than below the arm: common practice. With a nearly straight armhole its shape alone fits
// both ways round.
test.each([
  ['hollow', 0.35, 0.3, 22, 80, 44],
  ['nearly straight', 0.35, 0.14, 18.79, 78.25, 35.44],
  ['nearly straight, wide neck', 0.66, 0.1, 35.95, 73.02, 44.99],
] as const)(
  'a back of arcs, its armhole %s, is read from its centre, which is the longer upright edge',
  (_, neck, armhole, low, wide, drop) => {
    const r = importText(coat(neck, armhole, low, wide, drop), 'x.dxf', undefined, undefined, 'coat');
    if (!r.ok) throw new Error(JSON.stringify(r.findings));
    const back = r.value.pieces.find((p) => p.kind === 'back');
    const of = (role: string): number =>
      (back?.ring ?? []).filter((e) => e.role === role).reduce((t, e) => t + pathLength(e.path), 0);
    expect(of('centre-back')).toBeCloseTo(700 - low, 1);
    // As drawn: an arc of bulge b over a chord c is c (1 + b²) atan(b) / b long.
    const chord = Math.hypot(wide, low);
    expect(of('neckline')).toBeCloseTo((chord * (1 + neck ** 2) * Math.atan(neck)) / neck, 0);
    expect(of('shoulder')).toBeCloseTo(Math.hypot(135, drop), 0);
  },
);
