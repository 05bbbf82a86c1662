import { type Point } from '../../geometry/index.ts';
import { isConvex } from './convex.ts';

/**
 * Edges of a ring, anticlockwise for y up, in a row of numbers: where each begins, how far it goes, one over its length squared, whether
 * the corners it begins and ends at stand out (1) or go in (-1), and how high it ends.
 */
export const ROW = 8;

/** A ring as numbers in a row, with its box: what is asked a million times. */
export interface Flat {
  row: Float64Array;
  /** Of a convex ring its edges: the normal that looks out, of length 1, and how far it lies from the origin; null of another. */
  edges: Float64Array | null;
  /** Of each cell of its box how deep all of it lies at least, mm; negative where none of it lies within, NaN until it is asked for. */
  cells: Float64Array;
  minX: number;
  maxX: number;
  minY: number;
  maxY: number;
}

/** The box of a ring is looked at in so many cells each way. Own figure. */
const CELLS = 16;

export function flat(ring: readonly Point[]): Flat {
  const [xs, ys] = [ring.map((p) => p.x), ring.map((p) => p.y)];
  const edges = isConvex(ring) ? edgesOf(ring) : null;
  const cells = new Float64Array(CELLS * CELLS).fill(Number.NaN);
  const box = { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) };
  return { row: rowOf(ring), edges, cells, ...box };
}

function rowOf(ring: readonly Point[]): Float64Array {
  const n = ring.length;
  const row = new Float64Array(ROW * n);
  // Written in place: a search asks for some thousand rings before it begins.
  for (let i = 0; i < n; i++) {
    const a = ring[i] as Point;
    const b = ring[i + 1 < n ? i + 1 : 0] as Point;
    const c = ring[(i + 2) % n] as Point;
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const long = dx * dx + dy * dy;
    const at = ROW * i;
    row[at] = a.x;
    row[at + 1] = a.y;
    row[at + 2] = dx;
    row[at + 3] = dy;
    row[at + 4] = long > 0 ? 1 / long : 0;
    row[at + 7] = b.y;
    const out = dx * (c.y - b.y) - dy * (c.x - b.x) >= 0 ? 1 : -1;
    row[at + 6] = out;
    row[i + 1 < n ? at + ROW + 5 : 5] = out;
  }
  return row;
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

const isBeside = (x: number, y: number, f: Flat): boolean => x <= f.minX || x >= f.maxX || y <= f.minY || y >= f.maxY;

/** How deep a point lies within a ring, mm: the least way out of it; 0 outside. */
export function depth(x: number, y: number, f: Flat): number {
  if (isBeside(x, y, f)) return 0;
  return f.edges ? withinConvex(x, y, f.edges) : Math.max(0, signed(x, y, f.row));
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

/** How far a point lies from a ring, mm: within it more than 0, outside less; how far from each edge, squared, goes into `away`. */
export function signed(x: number, y: number, row: Float64Array, away?: Float64Array): number {
  let inside = false;
  let near = Infinity;
  for (let i = 0; i < row.length; i += ROW) {
    const px = x - (row[i] as number);
    const py = y - (row[i + 1] as number);
    const dx = row[i + 2] as number;
    const dy = row[i + 3] as number;
    // Whether a corner is above is asked of both its edges in the same numbers: pieces touch just there.
    if (py < 0 !== y - (row[i + 7] as number) < 0 && px * dy < dx * py === dy > 0) inside = !inside;
    const t = (px * dx + py * dy) * (row[i + 4] as number);
    const c = t < 0 ? 0 : t > 1 ? 1 : t;
    const ex = px - c * dx;
    const ey = py - c * dy;
    const d = ex * ex + ey * ey;
    if (away) away[i / ROW] = d;
    if (d < near) near = d;
  }
  return inside ? Math.sqrt(near) : -Math.sqrt(near);
}

/** How deep a point lies within a ring at least, mm, without looking at its edges; negative where it surely lies outside. */
export function least(x: number, y: number, f: Flat): number {
  if (isBeside(x, y, f)) return -1;
  const i = Math.floor(((x - f.minX) / (f.maxX - f.minX)) * CELLS);
  const j = Math.floor(((y - f.minY) / (f.maxY - f.minY)) * CELLS);
  const known = f.cells[j * CELLS + i] as number;
  if (!Number.isNaN(known)) return known;
  const made = leastIn(i, j, f);
  f.cells[j * CELLS + i] = made;
  return made;
}

function leastIn(i: number, j: number, f: Flat): number {
  const [wide, long] = [(f.maxX - f.minX) / CELLS, (f.maxY - f.minY) / CELLS];
  const deep = signed(f.minX + (i + 0.5) * wide, f.minY + (j + 0.5) * long, f.row);
  // From the middle of the cell to its corners, and a little, since numbers are rounded.
  const reach = Math.hypot(wide, long) / 2 + 1e-6;
  return deep <= -reach ? -1 : Math.max(0, deep - reach);
}
