import {
  addScaled,
  boxOf,
  distance,
  dot,
  endOf,
  flatten,
  lerp,
  type Path,
  type Point,
  pathLength,
  startOf,
  sub,
  unit,
} from '../geometry/index.ts';
import { type Piece } from './types.ts';

/**
 * A grainline parallel to `direction` (unit), laid in the longest clear stretch through the piece: two thirds of it, at
 * most 320 mm, clear of its openings. From bottom to top as the parent's.
 */
export function placeGrain(outline: Path, direction: Point, openings: Path[] = []): { a: Point; b: Point } {
  const box = boxOf(outline);
  const centre = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const side = { x: -direction.y, y: direction.x };
  const corners = [box.minX, box.maxX].flatMap((x) =>
    [box.minY, box.maxY].map((y) => dot({ x: x - centre.x, y: y - centre.y }, side)),
  );
  const [low, high] = [Math.min(...corners), Math.max(...corners)];
  // Coarse chords are enough to find a clear place.
  const chains = [outline, ...openings].map((ring) =>
    flatten(ring, 0.5).map((q) => ({ s: dot(sub(q, centre), side), d: dot(sub(q, centre), direction) })),
  );
  const probes = Array.from({ length: 11 }, (_, i) => {
    const s = low + ((high - low) * (i + 1)) / 12;
    const through = addScaled(centre, side, s);
    return longestInside(depths(chains, s).map((d) => addScaled(through, direction, d)));
  });
  // Of the stretches nearly as long as the longest, the middle one lies clearest of the edges.
  const longest = Math.max(...probes.map((q) => q.length));
  const good = probes.filter((q) => q.length > 0 && q.length >= longest * 0.85);
  const best = good[Math.floor(good.length / 2)] ?? { a: centre, b: centre, length: 0 };
  const share = Math.min(1 / 3, 160 / Math.max(1, distance(best.a, best.b)));
  const m = lerp(best.a, best.b, 0.5);
  return { a: lerp(m, best.a, 2 * share), b: lerp(m, best.b, 2 * share) };
}

/** Where closed chains cross the line at `s` across, as distances along it, in order. */
function depths(chains: { s: number; d: number }[][], s: number): number[] {
  const out: number[] = [];
  for (const chain of chains)
    for (let i = 1; i < chain.length; i++) {
      const p = chain[i - 1] as (typeof chain)[number];
      const q = chain[i] as (typeof chain)[number];
      if (p.s > s !== q.s > s) out.push(p.d + ((q.d - p.d) * (s - p.s)) / (q.s - p.s));
    }
  return out.sort((x, y) => x - y);
}

function longestInside(hits: Point[]): { a: Point; b: Point; length: number } {
  if (hits.length < 2) return { a: { x: 0, y: 0 }, b: { x: 0, y: 0 }, length: 0 };
  let best = { a: hits[0] as Point, b: hits[0] as Point, length: 0 };
  for (let k = 0; k + 1 < hits.length; k += 2) {
    const [a, b] = [hits[k] as Point, hits[k + 1] as Point];
    if (distance(a, b) > best.length) best = { a, b, length: distance(a, b) };
  }
  return best;
}

export const grainDirection = (p: Piece): Point => {
  const d = unit(sub(p.grain.b, p.grain.a));
  return d.x === 0 && d.y === 0 ? { x: 0, y: -1 } : d;
};

/** Straighter to the grain than this, either way is as good: sine of 1.5°. */
const STRAIGHT = Math.sin((1.5 * Math.PI) / 180);
/** An edge that is longer than its ends are apart by more is a curve: it lies with the grain on one half, against it on the other. */
const CURVED = 1.06;

/**
 * How an edge lies to the grain: positive where it is sewn with the grain from start to end, negative where from end to start; its
 * size is the sine of the slant, 0 where neither end comes before the other. The threads nearest to its direction are cut
 * along it, and with the grain is towards their cut ends, so that the foot lays them flat: a flared side from the hem up, a
 * sleeve from the underarm down, a shoulder from the neck out. Common practice.
 */
export function slantOf(path: Path, grain: Point): number {
  const [a, b] = [startOf(path), endOf(path)];
  if (pathLength(path) > CURVED * distance(a, b)) return 0;
  const d = unit(sub(b, a));
  const yarn = Math.abs(dot(d, grain)) > Math.SQRT1_2 ? grain : { x: -grain.y, y: grain.x };
  // Outlines run clockwise on screen: outside is to the left of the way.
  const ends = dot(yarn, { x: d.y, y: -d.x });
  return Math.abs(ends) < STRAIGHT ? 0 : Math.abs(ends) * Math.sign(dot(d, yarn) * ends);
}
