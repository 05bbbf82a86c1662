import {
  add,
  cubic,
  distance,
  lerp,
  line,
  type Path,
  type Point,
  type Segment,
  scale,
  size,
  sub,
} from '../../geometry/index.ts';

/** Largest angle that one cubic takes of an ellipse: its error is then under 1e-6 of the radius. */
const ARC_STEP = Math.PI / 6;

/**
 * Elliptical arc round `centre` from parameter t0 over `sweep` radians; u and v are the half axes as vectors. Cubics with
 * handles of 4/3·tan(step/4).
 */
export function ellipseArc(centre: Point, u: Point, v: Point, t0: number, sweep: number): Path {
  const parts = Math.max(1, Math.ceil(Math.abs(sweep) / ARC_STEP));
  const step = sweep / parts;
  const k = (4 / 3) * Math.tan(step / 4);
  const at = (t: number): Point => add(centre, add(scale(u, Math.cos(t)), scale(v, Math.sin(t))));
  const along = (t: number): Point => add(scale(u, -Math.sin(t)), scale(v, Math.cos(t)));
  return Array.from({ length: parts }, (_, i): Segment => {
    const [a, b] = [t0 + step * i, t0 + step * (i + 1)];
    return cubic(at(a), add(at(a), scale(along(a), k)), sub(at(b), scale(along(b), k)), at(b));
  });
}

/** The arc from a to b that a polyline's bulge means: its angle is 4·atan(bulge), left of travel in y-up coordinates. */
export function bulgeArc(a: Point, b: Point, bulge: number): Path {
  const chord = sub(b, a);
  if (Math.abs(bulge) < 1e-9 || size(chord) < 1e-9) return [line(a, b)];
  const sweep = 4 * Math.atan(bulge);
  const half = scale(chord, 0.5);
  // Centre: from the chord's middle along its left normal, by half chord / tan(sweep/2).
  const h = 1 / Math.tan(sweep / 2);
  const centre = add(add(a, half), { x: -half.y * h, y: half.x * h });
  const r = sub(a, centre);
  const path = ellipseArc(centre, r, { x: -r.y, y: r.x }, 0, sweep);
  const last = path[path.length - 1] as Segment;
  path[path.length - 1] = { ...last, b };
  return path;
}

export interface SplineData {
  degree: number;
  knots: number[];
  points: Point[];
  /** Empty or all equal for a plain B-spline. */
  weights: number[];
}

/**
 * Blossom of the spline's piece over the knot span `i`: the multi-affine form whose values at repeated span ends are the
 * Bézier points of that piece (Ramshaw). `at` has as many arguments as the degree.
 */
function blossom<T>(
  s: { degree: number; knots: number[]; points: T[] },
  i: number,
  at: number[],
  mix: (a: T, b: T, t: number) => T,
): T {
  const p = s.degree;
  let d = Array.from({ length: p + 1 }, (_, j) => s.points[i - p + j] as T);
  for (let r = 1; r <= p; r++) {
    const next: T[] = [];
    for (let j = r; j <= p; j++) {
      const low = s.knots[i - p + j] as number;
      const high = s.knots[i + 1 + j - r] as number;
      const t = high > low ? ((at[r - 1] as number) - low) / (high - low) : 0;
      next.push(mix(d[j - r] as T, d[j - r + 1] as T, t));
    }
    d = next;
  }
  return d[0] as T;
}

/** A point with its weight, in homogeneous form. */
interface Heavy {
  x: number;
  y: number;
  w: number;
}
const mixHeavy = (a: Heavy, b: Heavy, t: number): Heavy => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
  w: a.w + (b.w - a.w) * t,
});

/** Why a spline's data cannot be one, or null. */
export function splineFault(s: SplineData): string | null {
  const n = s.points.length;
  if (!Number.isInteger(s.degree) || s.degree < 1 || s.degree > 11) return `degree ${s.degree}`;
  if (n < s.degree + 1) return `${n} control points for degree ${s.degree}`;
  if (s.knots.length !== n + s.degree + 1) return `${s.knots.length} knots for ${n} control points`;
  if (s.knots.some((k, i) => i > 0 && k < (s.knots[i - 1] as number))) return 'knots out of order';
  if (s.weights.length && (s.weights.length !== n || s.weights.some((w) => !(w > 0)))) return 'weights';
  return null;
}

/** The spline itself as cubics: exact up to degree 3 without weights, else fitted within `tolerance` mm. */
export function splinePath(s: SplineData, tolerance: number): Path {
  const heavy = s.weights.some((w) => Math.abs(w - (s.weights[0] as number)) > 1e-12);
  const out: Path = [];
  for (let i = s.degree; i < s.points.length; i++) {
    const [a, b] = [s.knots[i] as number, s.knots[i + 1] as number];
    if (b - a < 1e-12) continue;
    if (heavy || s.degree > 3) out.push(...fitSpan(s, i, a, b, tolerance, 0));
    else out.push(exactSpan(s, i, a, b));
  }
  return out.filter((x) => distance(x.a, x.b) > 1e-9 || x.k === 'C');
}

function exactSpan(s: SplineData, i: number, a: number, b: number): Segment {
  const p = s.degree;
  const q = Array.from({ length: p + 1 }, (_, k) =>
    blossom(
      s,
      i,
      Array.from({ length: p }, (_, j) => (j < p - k ? a : b)),
      lerp,
    ),
  ) as Point[];
  if (p === 1) return line(q[0] as Point, q[1] as Point);
  if (p === 2)
    return cubic(
      q[0] as Point,
      lerp(q[0] as Point, q[1] as Point, 2 / 3),
      lerp(q[2] as Point, q[1] as Point, 2 / 3),
      q[2] as Point,
    );
  return cubic(q[0] as Point, q[1] as Point, q[2] as Point, q[3] as Point);
}

/** Point and derivative of one span at u. */
function evaluate(s: SplineData, i: number, u: number): { p: Point; d: Point } {
  const h = {
    degree: s.degree,
    knots: s.knots,
    points: s.points.map((q, k): Heavy => {
      const w = s.weights[k] ?? 1;
      return { x: q.x * w, y: q.y * w, w };
    }),
  };
  const n = s.degree;
  const all = Array.from({ length: n }, () => u);
  const [low, high] = [s.knots[i] as number, s.knots[i + 1] as number];
  const here = blossom(h, i, all, mixHeavy);
  const from = blossom(h, i, [...all.slice(1), low], mixHeavy);
  const to = blossom(h, i, [...all.slice(1), high], mixHeavy);
  const k = n / (high - low);
  const [dx, dy, dw] = [(to.x - from.x) * k, (to.y - from.y) * k, (to.w - from.w) * k];
  const p = { x: here.x / here.w, y: here.y / here.w };
  return { p, d: { x: (dx - p.x * dw) / here.w, y: (dy - p.y * dw) / here.w } };
}

/** Hermite cubics over a span, halved until the points between lie within the tolerance. */
function fitSpan(s: SplineData, i: number, a: number, b: number, tolerance: number, depth: number): Path {
  const [p, q] = [evaluate(s, i, a), evaluate(s, i, b)];
  const h = (b - a) / 3;
  const c = cubic(p.p, add(p.p, scale(p.d, h)), sub(q.p, scale(q.d, h)), q.p);
  const off = [0.25, 0.5, 0.75].map((t) => distance(at(c, t), evaluate(s, i, a + (b - a) * t).p));
  if (depth >= 10 || Math.max(...off) <= tolerance) return [c];
  const m = (a + b) / 2;
  return [...fitSpan(s, i, a, m, tolerance, depth + 1), ...fitSpan(s, i, m, b, tolerance, depth + 1)];
}

const at = (c: { a: Point; c: Point; d: Point; b: Point }, t: number): Point => {
  const m = lerp(c.c, c.d, t);
  return lerp(lerp(lerp(c.a, c.c, t), m, t), lerp(m, lerp(c.d, c.b, t), t), t);
};

/** A smooth curve through fit points where the file gives no control points: Catmull–Rom tangents by chord length. */
export function throughPoints(points: Point[], closed: boolean): Path {
  const n = points.length;
  if (n < 2) return [];
  const get = (i: number): Point => points[closed ? (i + n) % n : Math.min(n - 1, Math.max(0, i))] as Point;
  const tangent = (i: number): Point => {
    const [a, b, c] = [get(i - 1), get(i), get(i + 1)];
    const [l, r] = [distance(a, b), distance(b, c)];
    return l + r < 1e-12 ? { x: 0, y: 0 } : scale(sub(c, a), 1 / (l + r));
  };
  return Array.from({ length: closed ? n : n - 1 }, (_, i): Segment => {
    const [a, b] = [get(i), get(i + 1)];
    const h = distance(a, b) / 3;
    return cubic(a, add(a, scale(tangent(i), h)), sub(b, scale(tangent(i + 1), h)), b);
  });
}
