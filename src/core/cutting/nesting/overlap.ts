import { type Point } from '../../geometry/index.ts';
import { type NoFits } from './nofit.ts';
import { type Way } from './parts.ts';

/** A ring as numbers in a row, x and y in turn, with its box: what is asked a million times. */
interface Flat {
  at: Float64Array;
  minX: number;
  maxX: number;
  minY: number;
  maxY: number;
}

function flat(ring: readonly Point[]): Flat {
  const at = new Float64Array(ring.length * 2);
  const f = { at, minX: Infinity, maxX: -Infinity, minY: Infinity, maxY: -Infinity };
  for (const [i, p] of ring.entries()) {
    at[2 * i] = p.x;
    at[2 * i + 1] = p.y;
    f.minX = Math.min(f.minX, p.x);
    f.maxX = Math.max(f.maxX, p.x);
    f.minY = Math.min(f.minY, p.y);
    f.maxY = Math.max(f.maxY, p.y);
  }
  return f;
}

/** How deep a point lies within a ring, mm: the least way out of it; 0 outside. */
function depth(x: number, y: number, { at, minX, maxX, minY, maxY }: Flat): number {
  if (x <= minX || x >= maxX || y <= minY || y >= maxY) return 0;
  let inside = false;
  const n = at.length;
  let [ax, ay] = [at[n - 2] as number, at[n - 1] as number];
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
  private readonly known = new Map<Way, Map<Way, Flat[]>>();
  constructor(private readonly noFits: NoFits) {}

  /** How far `b` at (x, y) would have to be moved so that it no longer lies over `a` at the origin, mm. */
  depth(a: Way, b: Way, x: number, y: number): number {
    let most = 0;
    for (const r of this.of(a, b)) most = Math.max(most, depth(x, y, r));
    return most;
  }

  /** Corners of where `b` may not lie beside `a`: there it touches. */
  corners(a: Way, b: Way): readonly { at: Float64Array }[] {
    return this.of(a, b);
  }

  private of(a: Way, b: Way): Flat[] {
    const of = this.known.get(a) ?? new Map<Way, Flat[]>();
    this.known.set(a, of);
    const made = of.get(b) ?? this.noFits.of(a, b).map(flat);
    of.set(b, made);
    return made;
  }
}
