import {
  type Affine,
  addScaled,
  compose,
  cubic,
  distance,
  endDirection,
  endOf,
  IDENTITY,
  mapPath,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  splitSegment,
  startDirection,
  startOf,
  stretch,
  sub,
  translation,
  turn,
} from '../../geometry/index.ts';
import { type Edge, type Role, takesOf } from '../../pattern/index.ts';
import { type Oriented, run } from './oriented.ts';

/** A run of edges with its darts and pleats closed, and the edges beside it where they come to lie. */
export interface Closed {
  /** The run in walk order, what darts and pleats take out left out. */
  run: Edge[];
  before: Edge;
  after: Edge;
  /** How many were closed. */
  count: number;
}

/** Turn by `angle` radians (clockwise on screen) about `c`. */
function about(c: Point, angle: number): Affine {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { a: cos, b: sin, c: -sin, d: cos, e: c.x - cos * c.x + sin * c.y, f: c.y - sin * c.x - cos * c.y };
}

/** The move that lays the far line on the near one: a turn about a dart's point, a shift for a pleat. */
const closing = (near: Point, far: Point, apex: Point | null): Affine =>
  apex ? about(apex, turn(sub(far, apex), sub(near, apex))) : translation(near.x - far.x, near.y - far.y);

/**
 * Closes the darts and pleats that begin on a run of edges, one after another along it, as cloth is folded before a facing
 * is traced (common practice). The run's first edge stays where it is drawn. A dart whose lines are of unlike length
 * leaves its step, which is drawn across. The edges of the run follow each other in `o.ring`.
 */
export function closeDarts(o: Pick<Oriented, 'ring' | 'piece'>, role: Role): Closed | null {
  const { ring, piece } = o;
  const edges = run(ring, role);
  const n = ring.length;
  const first = ring.findIndex((e, i) => e.role === role && ring[(i + n - 1) % n]?.role !== role);
  if (first < 0) return null;
  const before = ring[(first + n - 1) % n] as Edge;
  const after = ring[(first + edges.length) % n] as Edge;
  const takes = takesOf({ ring, lines: piece.lines });
  const out: Edge[] = [];
  const closedAt = new Set<number>();
  let m = IDENTITY;
  let count = 0;
  for (let k = 0; k < edges.length; k++) {
    const e = ring[(first + k) % n] as Edge;
    let from = 0;
    for (const t of takes.filter((x) => x.edge === e.id).sort((a, b) => a.from - b.from)) {
      keep(out, e, from, t.from, m);
      m = compose(m, closing(pointAlong(e.path, t.from), pointAlong(e.path, t.to), t.apex));
      from = t.to;
      count += 1;
      closedAt.add(out.length);
    }
    keep(out, e, from, pathLength(e.path), m);
  }
  return { run: trued(out, closedAt), before, after: { ...after, path: mapPath(after.path, m) }, count };
}

/** How far to both sides of a closed dart the edge is trued, mm at most. Common practice. */
const TRUED = 25;
/** A smaller bend than this is none (radians). */
const BEND = 0.01;
/** Truing makes the edge no shorter than by so much, mm: a curve r to both sides of a bend θ is shorter by rθ²/6. */
const LOST = 0.3;

/** The bends that closing leaves, drawn over in one curve as they are by hand: as far to both sides as there is room. */
function trued(edges: Edge[], closedAt: ReadonlySet<number>): Edge[] {
  const out = [...edges];
  const lengths = edges.map((e) => pathLength(e.path));
  for (const i of closedAt) {
    const [a, b] = [out[i - 1], out[i]];
    const bend = a && b ? Math.abs(turn(endDirection(a.path), startDirection(b.path))) : 0;
    if (!a || !b || bend < BEND) continue;
    // Half of a stretch between two darts is left to each of them.
    const share = (k: number, other: number): number => (lengths[k] as number) * (closedAt.has(other) ? 0.5 : 0.9);
    const r = Math.min(TRUED, (6 * LOST) / bend ** 2, share(i - 1, i - 1), share(i, i + 1));
    const [left, right] = [stretch(a.path, 0, pathLength(a.path) - r), stretch(b.path, r, pathLength(b.path))];
    const [p, q] = [endOf(left), startOf(right)];
    const k = distance(p, q) / 3;
    const curve = cubic(p, addScaled(p, endDirection(left), k), addScaled(q, startDirection(right), -k), q);
    const [first, second] = splitSegment(curve, 0.5);
    out[i - 1] = { ...a, path: [...left, first] };
    out[i] = { ...b, path: [second, ...right] };
  }
  return out;
}

/** Adds the stretch of an edge from `a` to `b` mm, moved, knowing its part of the parent. */
function keep(out: Edge[], e: Edge, a: number, b: number, m: Affine): void {
  if (b - a < 1e-6) return;
  const length = pathLength(e.path);
  const f = e.from;
  const along = (x: number): number => (f ? f.start + ((f.end - f.start) * x) / length : 0);
  const whole = a < 1e-6 && b > length - 1e-6;
  const path: Path = mapPath(whole ? e.path : stretch(e.path, a, b), m);
  const last = out[out.length - 1];
  const joint = last && endOf(last.path);
  // Closing leaves the stretches meeting to rounding, or with the step of unlike lines: they are drawn on to each other.
  if (joint && distance(joint, startOf(path)) > 0) path[0] = { ...(path[0] as Path[number]), a: joint };
  out.push({
    ...e,
    id: a < 1e-6 ? e.id : `${e.id}-${out.length + 1}`,
    path,
    ...(f && { from: { ...f, start: along(a), end: along(b) } }),
  });
}
