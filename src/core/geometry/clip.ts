import { Clipper, ClipType, EndType, FillRule, JoinType, type Path64, type Paths64 } from 'clipper2-ts';
import earcut from 'earcut';
import { CLIP_SCALE } from '../tolerance.ts';
import { type Point } from './vector.ts';

/** Rings of chord points; holes run the other way round, as the clipper gives them. */
export type Rings = Point[][];

const into = (rings: Rings): Paths64 =>
  rings.map(
    (r): Path64 =>
      r.map((p) => ({ x: Math.round(p.x * CLIP_SCALE), y: Math.round(p.y * CLIP_SCALE) }) as Path64[number]),
  );
const outOf = (paths: Paths64): Rings => paths.map((r) => r.map((p) => ({ x: p.x / CLIP_SCALE, y: p.y / CLIP_SCALE })));

export const union = (a: Rings, b: Rings = []): Rings =>
  outOf(Clipper.booleanOp(ClipType.Union, into(a), into(b), FillRule.NonZero));
export const difference = (a: Rings, b: Rings): Rings =>
  outOf(Clipper.booleanOp(ClipType.Difference, into(a), into(b), FillRule.NonZero));
export const intersection = (a: Rings, b: Rings): Rings =>
  outOf(Clipper.booleanOp(ClipType.Intersection, into(a), into(b), FillRule.NonZero));

/** Rings grown by `d` mm (shrunk when negative) with mitred corners. */
export const inflate = (a: Rings, d: number, mitre = 6): Rings =>
  outOf(Clipper.inflatePaths(into(a), d * CLIP_SCALE, JoinType.Miter, EndType.Polygon, mitre));

/** What lies within `d` mm of rings; shrunk when negative. */
export const around = (a: Rings, d: number): Rings =>
  outOf(Clipper.inflatePaths(into(a), d * CLIP_SCALE, JoinType.Round, EndType.Polygon, 2, 0.01 * CLIP_SCALE));

/** The bands that lie within `d` mm of open chains of points, their ends round. */
export const bandsAlong = (chains: Point[][], d: number): Rings =>
  outOf(Clipper.inflatePaths(into(chains), d * CLIP_SCALE, JoinType.Round, EndType.Round, 2, 0.01 * CLIP_SCALE));

/** All rings as one, what lies inside one of them inside: outer rings alone. */
export const hull = (rings: Rings): Rings => union(rings).filter((r) => ringArea(r) > 0);

/** Triangles that a ring falls into, by its own points. */
export function triangles(ring: Point[]): Rings {
  const found = earcut(ring.flatMap((p) => [p.x, p.y]));
  const at = (i: number): Point => ring[found[i] as number] as Point;
  return Array.from({ length: found.length / 3 }, (_, k) => [at(3 * k), at(3 * k + 1), at(3 * k + 2)]);
}

/** A ring with fewer points, none of those left out further than `off` mm from it. */
export const simplified = (ring: Point[], off: number): Point[] =>
  outOf([Clipper.ramerDouglasPeucker(into([ring])[0] as Path64, off * CLIP_SCALE)])[0] ?? ring;

/** Area in mm², holes taken off. */
export const ringsArea = (a: Rings): number => Math.abs(a.reduce((sum, r) => sum + ringArea(r), 0));

/** Positive where the ring runs anticlockwise for y up: of an outer one, that is. */
export function ringArea(r: Point[]): number {
  let sum = 0;
  for (let i = 0, j = r.length - 1; i < r.length; j = i++) {
    const p = r[j] as Point;
    const q = r[i] as Point;
    sum += p.x * q.y - q.x * p.y;
  }
  return sum / 2;
}
