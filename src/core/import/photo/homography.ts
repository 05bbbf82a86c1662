import { type Point } from '../../geometry/index.ts';
import { ok, type Result, refuse, stop } from '../../result.ts';

/** A plane-to-plane map, row by row: x' = (h0·x + h1·y + h2)/(h6·x + h7·y + h8), y' likewise. */
export type Homography = readonly number[];

export function mapThrough(h: Homography, p: Point): Point {
  const [a, b, c, d, e, f, g, i, j] = h as [number, number, number, number, number, number, number, number, number];
  const w = g * p.x + i * p.y + j;
  return { x: (a * p.x + b * p.y + c) / w, y: (d * p.x + e * p.y + f) / w };
}

/** Solves a·x = b by Gauss with the largest pivot; null when the system is singular. */
function solve(a: number[][], b: number[]): number[] | null {
  const n = b.length;
  const m = a.map((row, i) => [...row, b[i] as number]);
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(m[i]?.[k] ?? 0) > Math.abs(m[pivot]?.[k] ?? 0)) pivot = i;
    [m[k], m[pivot]] = [m[pivot] as number[], m[k] as number[]];
    const row = m[k] as number[];
    if (Math.abs(row[k] as number) < 1e-12) return null;
    for (let i = 0; i < n; i++) {
      if (i === k) continue;
      const other = m[i] as number[];
      const f = (other[k] as number) / (row[k] as number);
      for (let j = k; j <= n; j++) other[j] = (other[j] as number) - f * (row[j] as number);
    }
  }
  return m.map((row, i) => (row[n] as number) / (row[i] as number));
}

/** Moves points to their middle and to size one, so that the sums keep their digits. */
function evened(points: Point[]): { points: Point[]; k: number; cx: number; cy: number } {
  const cx = points.reduce((s, p) => s + p.x, 0) / points.length;
  const cy = points.reduce((s, p) => s + p.y, 0) / points.length;
  const far = points.reduce((s, p) => s + Math.hypot(p.x - cx, p.y - cy), 0) / points.length || 1;
  return { points: points.map((p) => ({ x: (p.x - cx) / far, y: (p.y - cy) / far })), k: far, cx, cy };
}

/**
 * The map that takes points of a picture to places on the table (mm), by least squares over four or more pairs. Refuses
 * fewer, and points that lie on one line.
 */
export function homographyOf(picture: Point[], table: Point[]): Result<Homography> {
  if (picture.length < 4 || picture.length !== table.length)
    return refuse(stop('too-few-corners', undefined, { count: picture.length }));
  const [p, q] = [evened(picture), evened(table)];
  const rows: number[][] = [];
  const values: number[] = [];
  p.points.forEach((s, i) => {
    const t = q.points[i] as Point;
    rows.push([s.x, s.y, 1, 0, 0, 0, -s.x * t.x, -s.y * t.x], [0, 0, 0, s.x, s.y, 1, -s.x * t.y, -s.y * t.y]);
    values.push(t.x, t.y);
  });
  const normal = Array.from({ length: 8 }, (_, i) =>
    Array.from({ length: 8 }, (_, j) => rows.reduce((s, r) => s + (r[i] as number) * (r[j] as number), 0)),
  );
  const right = Array.from({ length: 8 }, (_, i) =>
    rows.reduce((s, r, k) => s + (r[i] as number) * (values[k] as number), 0),
  );
  const found = rows.length === 8 ? solve(rows, values) : solve(normal, right);
  if (!found || !convex(picture)) return refuse(stop('corners-on-a-line'));
  return ok(undone([...found, 1], p, q));
}

/** The map between the evened planes, brought back to picture and table. */
function undone(
  h: number[],
  p: { k: number; cx: number; cy: number },
  q: { k: number; cx: number; cy: number },
): Homography {
  const from = [1 / p.k, 0, -p.cx / p.k, 0, 1 / p.k, -p.cy / p.k, 0, 0, 1];
  const to = [q.k, 0, q.cx, 0, q.k, q.cy, 0, 0, 1];
  return times(to, times(h, from));
}

const times = (a: readonly number[], b: readonly number[]): number[] =>
  Array.from({ length: 9 }, (_, n) => {
    const [i, j] = [Math.floor(n / 3), n % 3];
    return [0, 1, 2].reduce((s, k) => s + (a[3 * i + k] as number) * (b[3 * k + j] as number), 0);
  });

/** Whether the first four points go round without folding back: a sheet seen from above always does. */
function convex(points: Point[]): boolean {
  const turns = [0, 1, 2, 3].map((i) => {
    const [a, b, c] = [points[i], points[(i + 1) % 4], points[(i + 2) % 4]] as [Point, Point, Point];
    return (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
  });
  return turns.every((t) => t > 1e-6) || turns.every((t) => t < -1e-6);
}

/** Corners of a sheet or a mat's grid lying flat, clockwise from the upper left, mm. */
export const sheetCorners = (width: number, height: number): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
];
