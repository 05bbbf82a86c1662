import { hull, inflate, type Point, type Rings } from '../../geometry/index.ts';
import { convexParts, convexSum } from './convex.ts';
import { type Way } from './parts.ts';

/** By how much two pieces may touch, mm: so that a place that just fits has some room to be found in. */
export const TOUCH = 0.02;

const back = (r: Point[]): Point[] => r.map((p) => ({ x: -p.x, y: -p.y }));

/**
 * Where the lower corner of `b` may not lie so that it keeps `gap` mm from `a`, which lies with its own at the origin: their no-fit
 * polygon, the Minkowski sum of `a` and of `b` turned half round, made of those of their convex parts. Holes are filled: a piece is not
 * laid within another.
 */
export function noFit(a: Point[][], b: Point[][], gap: number): Rings {
  const [p, q] = [a[0], b[0]];
  if (p && q && a.length === 1 && b.length === 1 && gap === 0) return [shrunk(convexSum(p, back(q)))];
  // Put together a few at a time: the clipper takes long over many that lie over each other.
  const sums = a.map((p) => hull(b.map((q) => convexSum(p, back(q)))));
  return hull(inflate(whole(sums), gap - TOUCH));
}

/** A convex ring drawn together, so that none of its edges goes in by more than pieces may touch. */
function shrunk(r: Point[]): Point[] {
  const centre = { x: mean(r.map((p) => p.x)), y: mean(r.map((p) => p.y)) };
  const far = Math.max(...r.map((p) => Math.hypot(p.x - centre.x, p.y - centre.y)));
  const by = 1 - TOUCH / far;
  return r.map((p) => ({ x: centre.x + by * (p.x - centre.x), y: centre.y + by * (p.y - centre.y) }));
}

const mean = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0) / of.length;

/** Two and two put together, and so on. */
function whole(rings: Rings[]): Rings {
  if (rings.length < 2) return rings[0] ?? [];
  const half = Math.ceil(rings.length / 2);
  return hull([...whole(rings.slice(0, half)), ...whole(rings.slice(half))]);
}

/** No-fit polygons, each made once for two outlines and kept. */
export class NoFits {
  private parts = new Map<Point[], Point[][]>();
  private known = new Map<Point[], Map<Point[], Rings>>();
  constructor(private readonly gap: number) {}

  of({ outline: a }: Way, { outline: b }: Way): Rings {
    const of = this.known.get(a) ?? new Map<Point[], Rings>();
    this.known.set(a, of);
    const made = of.get(b) ?? this.made(a, b);
    of.set(b, made);
    return made;
  }

  /** Seen from the other it is the same turned half round. */
  private made(a: Point[], b: Point[]): Rings {
    const other = this.known.get(b)?.get(a);
    return other ? other.map(back) : noFit(this.partsOf(a), this.partsOf(b), this.gap);
  }

  private partsOf(ring: Point[]): Point[][] {
    const parts = this.parts.get(ring) ?? convexParts(ring);
    this.parts.set(ring, parts);
    return parts;
  }
}
