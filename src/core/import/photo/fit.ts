import {
  add,
  distance,
  dot,
  handleLengths,
  line,
  nearestOn,
  type Path,
  type Point,
  pointAt,
  type Segment,
  scale,
  size,
  sub,
  unit,
  withHandles,
} from '../../geometry/index.ts';

/** A point placed along the edge of a piece; smooth unless it is a corner. */
export interface Traced extends Point {
  corner: boolean;
}

export interface Fitted {
  path: Path;
  /** Largest distance of a placed point from the curve, mm. */
  residual: number;
}

/** Parameters by the way along the points, 0..1. */
function byChord(points: Point[]): number[] {
  const out = [0];
  for (let i = 1; i < points.length; i++)
    out.push((out[i - 1] as number) + distance(points[i - 1] as Point, points[i] as Point));
  const all = out[out.length - 1] || 1;
  return out.map((v) => v / all);
}

/** The cubic nearest to the points with given end directions; plain thirds where a handle would vanish or turn back. */
function cubicThrough(points: Point[], t: number[], ta: Point, tb: Point): Segment {
  const [a, b] = [points[0] as Point, points[points.length - 1] as Point];
  const samples = points.map((p, i) => ({ t: t[i] as number, p }));
  const third = distance(a, b) / 3;
  let [la, lb] = handleLengths(a, b, ta, tb, samples);
  if (!(la > third * 0.05) || !(lb > third * 0.05)) [la, lb] = [third, third];
  return withHandles(a, b, ta, tb, [la, lb]);
}

/** The fit with its parameters slid to the feet of the points a few times. */
function fitOne(points: Point[], ta: Point, tb: Point): { s: Segment; worst: number } {
  let t = byChord(points);
  let s = cubicThrough(points, t, ta, tb);
  for (let round = 0; round < 6; round++) {
    t = points.map((p, i) => (i === 0 ? 0 : i === points.length - 1 ? 1 : footOf(s, p)));
    s = cubicThrough(points, t, ta, tb);
  }
  const worst = Math.max(...points.map((p) => nearestOn([s], p).distance));
  return { s, worst };
}

function footOf(s: Segment, p: Point): number {
  let [low, high] = [0, 1];
  let best = 0;
  for (let k = 0; k < 4; k++) {
    const step = (high - low) / 12;
    let least = Number.POSITIVE_INFINITY;
    for (let u = low; u <= high + 1e-12; u += step) {
      const d = distance(pointAt(s, Math.min(1, u)), p);
      if (d < least) [least, best] = [d, Math.min(1, u)];
    }
    [low, high] = [Math.max(0, best - step), Math.min(1, best + step)];
  }
  return best;
}

/** Direction at a point from its neighbours, weighted by nearness: the tangent of the parabola through the three. */
function tangentAt(before: Point, here: Point, after: Point): Point {
  const [l, r] = [distance(before, here) || 1, distance(here, after) || 1];
  const left = scale(sub(here, before), 1 / l);
  const right = scale(sub(after, here), 1 / r);
  return unit(add(scale(left, r / (l + r)), scale(right, l / (l + r))));
}

/** Direction at the end of a run: of the parabola through its first three points. */
function endTangent(p: Point[]): Point {
  const [a, b, c] = p as [Point, Point, Point | undefined];
  if (!c) return unit(sub(b, a));
  const through = tangentAt(a, b, c);
  const chord = unit(sub(b, a));
  return size(chord) === 0 ? through : unit(sub(scale(chord, 2), through));
}

function fitRun(points: Point[], ta: Point, tb: Point, tolerance: number): Segment[] {
  if (points.length === 2) {
    const [a, b] = points as [Point, Point];
    const third = distance(a, b) / 3;
    const straight = dot(ta, unit(sub(b, a))) > 1 - 1e-9 && dot(tb, unit(sub(a, b))) > 1 - 1e-9;
    return [straight ? line(a, b) : withHandles(a, b, ta, tb, [third, third])];
  }
  const { s, worst } = fitOne(points, ta, tb);
  if (worst <= tolerance) return [s];
  const { cut, t } = bestCut(points, ta, tb);
  return [
    ...fitRun(points.slice(0, cut + 1), ta, scale(t, -1), tolerance),
    ...fitRun(points.slice(cut), t, tb, tolerance),
  ];
}

/** Longest run in which every point is tried as the joint of two curves; in a longer one only every so many. */
const TRIED = 24;

/** The point at which two curves together stray least, and the direction there. */
function bestCut(points: Point[], ta: Point, tb: Point): { cut: number; t: Point } {
  const step = Math.max(1, Math.ceil((points.length - 2) / TRIED));
  let best = { cut: 1, t: ta, worst: Number.POSITIVE_INFINITY };
  for (let cut = 1; cut < points.length - 1; cut += step) {
    const t = tangentAt(points[cut - 1] as Point, points[cut] as Point, points[cut + 1] as Point);
    const left = cut > 1 ? fitOne(points.slice(0, cut + 1), ta, scale(t, -1)).worst : 0;
    const right = cut < points.length - 2 ? fitOne(points.slice(cut), t, tb).worst : 0;
    const worst = Math.max(left, right);
    // Of joints that are alike, the one nearer the middle leaves both curves room.
    const middle = Math.abs(cut - points.length / 2) < Math.abs(best.cut - points.length / 2);
    if (worst < best.worst - 1e-3 || (worst < best.worst + 1e-3 && middle)) best = { cut, t, worst };
  }
  return best;
}

/**
 * A closed outline through points placed along it, by as few cubics as hold `tolerance` mm; sharp at corners, smooth
 * elsewhere. Two corners with nothing between them are joined by a line. At least three points.
 */
export function fitOutline(points: Traced[], tolerance = 0.5): Fitted {
  const n = points.length;
  const corners = points.flatMap((p, i) => (p.corner ? [i] : []));
  const starts = corners.length ? corners : [0];
  const path: Path = [];
  starts.forEach((s, k) => {
    const end = starts[(k + 1) % starts.length] as number;
    const count = (end - s + n) % n || n;
    const run = Array.from({ length: count + 1 }, (_, i): Point => {
      const p = points[(s + i) % n] as Traced;
      return { x: p.x, y: p.y };
    });
    const round = corners.length === 0;
    const ta = round ? tangentAt(points[n - 1] as Point, points[0] as Point, points[1] as Point) : endTangent(run);
    const tb = round ? scale(ta, -1) : endTangent([...run].reverse());
    path.push(...fitRun(run, ta, tb, tolerance));
  });
  const residual = Math.max(...points.map((p) => nearestOn(path, p).distance));
  return { path, residual };
}
