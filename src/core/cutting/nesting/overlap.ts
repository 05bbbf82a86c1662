import { type Point } from '../../geometry/index.ts';
import { isConvex } from './convex.ts';
import { type NoFits } from './nofit.ts';
import { type Way } from './parts.ts';

/** A ring as numbers in a row, x and y in turn, with its box: what is asked a million times. */
interface Flat {
  at: Float64Array;
  /** Of a convex ring its edges: the normal that looks out, of length 1, and how far it lies from the origin; null of another. */
  edges: Float64Array | null;
  minX: number;
  maxX: number;
  minY: number;
  maxY: number;
}

function flat(ring: readonly Point[]): Flat {
  const at = new Float64Array(ring.flatMap((p) => [p.x, p.y]));
  const [xs, ys] = [ring.map((p) => p.x), ring.map((p) => p.y)];
  const edges = isConvex(ring) ? edgesOf(ring) : null;
  return { at, edges, minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) };
}

function edgesOf(ring: readonly Point[]): Float64Array {
  const out: number[] = [];
  for (const [i, a] of ring.entries()) {
    const b = ring[(i + 1) % ring.length] as Point;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const long = Math.hypot(dx, dy);
    if (long > 0) out.push(dy / long, -dx / long, (dy * a.x - dx * a.y) / long);
  }
  return new Float64Array(out);
}

/** How deep a point lies within a ring, mm: the least way out of it; 0 outside. */
function depth(x: number, y: number, f: Flat): number {
  if (x <= f.minX || x >= f.maxX || y <= f.minY || y >= f.maxY) return 0;
  return f.edges ? withinConvex(x, y, f.edges) : within(x, y, f.at);
}

function withinConvex(x: number, y: number, edges: Float64Array): number {
  let near = Infinity;
  for (let i = 0; i < edges.length; i += 3) {
    const d = (edges[i + 2] as number) - (edges[i] as number) * x - (edges[i + 1] as number) * y;
    if (d <= 0) return 0;
    if (d < near) near = d;
  }
  return near;
}

function within(x: number, y: number, at: Float64Array): number {
  let inside = false;
  const n = at.length;
  let ax = at[n - 2] as number;
  let ay = at[n - 1] as number;
  let near = Infinity;
  for (let i = 0; i < n; i += 2) {
    const bx = at[i] as number;
    const by = at[i + 1] as number;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
    const dx = bx - ax;
    const dy = by - ay;
    const long = dx * dx + dy * dy;
    const t = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / long));
    const ex = x - ax - t * dx;
    const ey = y - ay - t * dy;
    const d = ex * ex + ey * ey;
    if (d < near) near = d;
    ax = bx;
    ay = by;
  }
  return inside ? Math.sqrt(near) : 0;
}

/** How far parts lie over each other, out of their no-fit polygons; each of these is flattened once. */
export class Overlaps {
  private readonly number = new Map<Way, number>();
  private readonly rows: (Flat[] | undefined)[][] = [];
  constructor(private readonly noFits: NoFits) {}

  /** The number of a way, by which it is asked for. */
  numberOf(way: Way): number {
    const known = this.number.get(way);
    if (known !== undefined) return known;
    this.number.set(way, this.rows.length);
    this.ways.push(way);
    this.rows.push([]);
    return this.rows.length - 1;
  }
  private readonly ways: Way[] = [];

  /** How far way `b` would have to be moved from (x, y) so that it no longer lies over `a` at the origin, mm. */
  depth(a: number, b: number, x: number, y: number): number {
    const rings = this.of(a, b);
    let most = 0;
    for (let i = 0; i < rings.length; i++) {
      const d = depth(x, y, rings[i] as Flat);
      if (d > most) most = d;
    }
    return most;
  }

  /** Corners of where `b` may not lie beside `a`: there it touches. */
  corners(a: number, b: number): readonly { at: Float64Array }[] {
    return this.of(a, b);
  }

  private of(a: number, b: number): Flat[] {
    const row = this.rows[a] as (Flat[] | undefined)[];
    const known = row[b];
    if (known) return known;
    const made = this.noFits.of(this.ways[a] as Way, this.ways[b] as Way).map(flat);
    row[b] = made;
    return made;
  }
}
