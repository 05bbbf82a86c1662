import { hull, inflate, type Point, type Rings } from '../../geometry/index.ts';
import { convexParts, convexSum } from './convex.ts';
import { type Way } from './parts.ts';
import { lying } from './turned.ts';

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

/** A ring as it lies, the same way round as before. */
const lain = (r: Point[], turn: number, mirrored: boolean): Point[] => {
  const over = r.map((p) => lying(p, turn, mirrored));
  return mirrored ? over.reverse() : over;
};

/** A way by its shape; one that is not said to be of any is its own. */
const lies = ({ outline, shape, turn, mirrored }: Way) =>
  shape ? { ...shape, turn, mirrored } : { ring: outline, x: 0, y: 0, turn: 0, mirrored: false };

/**
 * No-fit polygons, each made once for two outlines and kept. What two shapes are to each other does not change when both are turned or
 * mirrored together: that is made once for all ways they may lie.
 */
export class NoFits {
  private parts = new Map<Point[], Point[][]>();
  private known = new Map<Point[], Map<Point[], Rings>>();
  private readonly shapes = new Map<Point[], number>();
  private readonly upright = new Map<string, Rings>();
  constructor(private readonly gap: number) {}

  of(a: Way, b: Way): Rings {
    const of = this.known.get(a.outline) ?? new Map<Point[], Rings>();
    this.known.set(a.outline, of);
    const made = of.get(b.outline) ?? this.made(a, b);
    of.set(b.outline, made);
    return made;
  }

  /** Seen from the other it is the same turned half round. */
  private made(a: Way, b: Way): Rings {
    const other = this.known.get(b.outline)?.get(a.outline);
    if (other) return other.map(back);
    const [p, q] = [lies(a), lies(b)];
    if (this.numberOf(p.ring) > this.numberOf(q.ring)) return this.of(b, a).map(back);
    const [x, y] = [q.x - p.x, q.y - p.y];
    // Seen from the first as it lies upright; one that is mirrored sees the other turn the other way.
    const by = p.mirrored ? p.turn - q.turn : q.turn - p.turn;
    return this.uprightOf(p.ring, q.ring, ((by % 360) + 360) % 360, p.mirrored !== q.mirrored).map((r) =>
      lain(r, p.turn, p.mirrored).map((c) => ({ x: c.x + x, y: c.y + y })),
    );
  }

  private uprightOf(a: Point[], b: Point[], turn: number, mirrored: boolean): Rings {
    const key = `${this.numberOf(a)}/${this.numberOf(b)}/${turn}/${mirrored}`;
    const over = (): Point[][] => this.partsOf(b).map((r) => lain(r, turn, mirrored));
    const made = this.upright.get(key) ?? noFit(this.partsOf(a), over(), this.gap);
    this.upright.set(key, made);
    return made;
  }

  private numberOf(shape: Point[]): number {
    const n = this.shapes.get(shape) ?? this.shapes.size;
    this.shapes.set(shape, n);
    return n;
  }

  private partsOf(ring: Point[]): Point[][] {
    const parts = this.parts.get(ring) ?? convexParts(ring);
    this.parts.set(ring, parts);
    return parts;
  }
}
