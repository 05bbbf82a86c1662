import fc from 'fast-check';
import { cubic, line, type Path, type Point, polyline } from '../core/geometry/index.ts';
import { type Edge, type Piece, type PieceKind, type Role } from '../core/pattern/index.ts';

/** An edge as a test draws it: its role and the places it runs through; with two handles it is a curve. */
export type Side = [role: Role, path: Path];

export const p = (x: number, y: number): Point => ({ x, y });
export const straight = (...points: Point[]): Path => polyline(points);
export const curve = (a: Point, c: Point, d: Point, b: Point): Path => [cubic(a, c, d, b)];
export { line };

export function pieceOf(kind: PieceKind, sides: Side[], more: Partial<Piece> = {}): Piece {
  return {
    id: kind,
    name: kind,
    kind,
    material: 'shell',
    ring: sides.map(
      ([role, path], i): Edge => ({ id: `e${i + 1}`, role, path, allowance: 15, corner: 'mitred', onFold: false }),
    ),
    cut: { count: 2, pair: true, onFold: false },
    grain: { a: p(0, 100), b: p(0, 0) },
    notches: [],
    lines: [],
    reasons: [],
    ...more,
  };
}

const mm = (min: number, max: number) => fc.integer({ min, max });

/** Half a skirt: centre at the left, waist on top hollowed, side a little flared. Clockwise on screen. */
export const skirtSides = fc
  .record({ waist: mm(150, 280), flare: mm(20, 120), length: mm(420, 900), dip: mm(5, 18) })
  .map(({ waist, flare, length, dip }): Side[] => [
    ['centre-front', straight(p(0, length), p(0, dip))],
    ['waist', curve(p(0, dip), p(waist / 3, dip), p((2 * waist) / 3, dip * 0.6), p(waist, 0))],
    ['side', straight(p(waist, 0), p(waist + flare, length - 5))],
    ['hem', curve(p(waist + flare, length - 5), p(waist, length), p(waist / 2, length), p(0, length))],
  ]);

/** Half a yoke on the fold. */
export const yokeSides = fc
  .record({ neck: mm(65, 90), shoulder: mm(105, 150), depth: mm(80, 140), drop: mm(30, 50) })
  .map(({ neck, shoulder, depth, drop }): Side[] => {
    const w = neck + shoulder;
    return [
      ['centre-back', straight(p(0, depth + 20), p(0, 20))],
      ['neckline', curve(p(0, 20), p(neck * 0.6, 20), p(neck, 12), p(neck, 0))],
      ['shoulder', straight(p(neck, 0), p(w, drop))],
      ['armhole', curve(p(w, drop), p(w - 8, drop + 25), p(w - 8, depth - 10), p(w, depth + 20))],
      ['yoke-seam', straight(p(w, depth + 20), p(0, depth + 20))],
    ];
  });

/** A whole collar: outer edge on top with points, ends, neck edge below and a little hollowed. */
export const collarSides = fc
  .record({ neck: mm(320, 460), fall: mm(55, 90), point: mm(0, 35) })
  .map(({ neck, fall, point }): Side[] => [
    ['collar-outer', straight(p(0, fall), p(-point, 0))],
    ['collar-outer', straight(p(-point, 0), p(neck + point, 0))],
    ['collar-outer', straight(p(neck + point, 0), p(neck, fall))],
    ['collar-neck', curve(p(neck, fall), p((2 * neck) / 3, fall + 8), p(neck / 3, fall + 8), p(0, fall))],
  ]);

/** A whole stand: the longer edge meets the neck, the front ends are rounded into the top. */
export const standSides = fc.record({ neck: mm(360, 480), high: mm(30, 42) }).map(({ neck, high }): Side[] => [
  [
    'stand-top',
    [
      cubic(p(0, high), p(0, 12), p(10, 0), p(24, 0)),
      line(p(24, 0), p(neck - 24, 0)),
      cubic(p(neck - 24, 0), p(neck - 10, 0), p(neck, 12), p(neck, high)),
    ],
  ],
  ['stand-neck', curve(p(neck, high), p((2 * neck) / 3, high + 6), p(neck / 3, high + 6), p(0, high))],
]);

/** Half a bodice front that ends at the waist; its name has to say that it is one. */
export const bodiceSides = fc
  .record({ half: mm(200, 280), neck: mm(65, 85), shoulder: mm(100, 125), waist: mm(170, 230) })
  .map(({ half, neck, shoulder, waist }): Side[] => [
    ['front-edge', straight(p(0, 420), p(0, 90))],
    ['neckline', curve(p(0, 90), p(neck * 0.5, 90), p(neck, 50), p(neck, 0))],
    ['shoulder', straight(p(neck, 0), p(neck + shoulder, 42))],
    ['armhole', curve(p(neck + shoulder, 42), p(neck + shoulder - 25, 160), p(half - 60, 215), p(half, 225))],
    ['side', straight(p(half, 225), p(waist, 415))],
    ['waist', curve(p(waist, 415), p(waist / 2, 424), p(waist / 4, 420), p(0, 420))],
  ]);
