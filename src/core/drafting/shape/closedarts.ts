import {
  type Affine,
  addScaled,
  compose,
  crossings,
  cubic,
  directionAlong,
  distance,
  endDirection,
  endOf,
  IDENTITY,
  line,
  mapPath,
  nearestOn,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  reversePath,
  splitSegment,
  startDirection,
  startOf,
  stretch,
  sub,
  translation,
  turn,
} from '../../geometry/index.ts';
import { type Edge, type Piece, type Role, reverseRing, takesOf } from '../../pattern/index.ts';
import { SAME_POINT } from '../../tolerance.ts';
import { undone } from './laytogether.ts';
import { type Oriented, runAndRest, withParents } from './oriented.ts';

/** A run of edges with its darts and pleats closed, and the edges beside it where they come to lie. */
export interface Closed {
  /** The run in walk order, what darts and pleats take out left out. */
  run: Edge[];
  before: Edge;
  after: Edge;
  /** How many were closed. */
  count: number;
  joints: ClosedJoint[];
}

/** Where a dart or pleat was closed: the line it is closed along, where it lies then, and how what comes after it was moved. */
export interface ClosedJoint {
  along: Path;
  beyond: Affine;
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
export function closeDarts(o: Pick<Oriented, 'ring' | 'piece'>, roles: ReadonlySet<Role>): Closed | null {
  const { ring, piece } = o;
  const n = ring.length;
  const found = runAndRest(ring, (e) => roles.has(e.role));
  if (!found) return null;
  const edges = found.run;
  const first = ring.indexOf(edges[0] as Edge);
  const before = ring[(first + n - 1) % n] as Edge;
  const after = ring[(first + edges.length) % n] as Edge;
  const takes = takesOf({ ring, lines: piece.lines });
  const out: Edge[] = [];
  const closedAt = new Set<number>();
  const joints: ClosedJoint[] = [];
  let m = IDENTITY;
  let count = 0;
  for (let k = 0; k < edges.length; k++) {
    const e = ring[(first + k) % n] as Edge;
    let from = 0;
    for (const t of takes.filter((x) => x.edge === e.id).sort((a, b) => a.from - b.from)) {
      keep(out, e, from, t.from, m);
      const along = mapPath(closedAlong(e.path, t.from, t.apex), m);
      m = compose(m, closing(pointAlong(e.path, t.from), pointAlong(e.path, t.to), t.apex));
      from = t.to;
      count += 1;
      closedAt.add(out.length);
      joints.push({ along, beyond: m });
    }
    keep(out, e, from, pathLength(e.path), m);
  }
  return { run: trued(out, closedAt), before, after: { ...after, path: mapPath(after.path, m) }, count, joints };
}

/** How far a pleat is taken to go on into the piece, mm: farther than any facing. */
const PLEAT = 400;

/** The line a dart is closed along, from its foot to its point; a pleat's, square through the edge to both sides of it. */
function closedAlong(path: Path, at: number, apex: Point | null): Path {
  const p = pointAlong(path, at);
  const n = outward(directionAlong(path, at));
  return apex ? [line(p, apex)] : [line(addScaled(p, n, PLEAT), addScaled(p, n, -PLEAT))];
}

/** How far to both sides of a closed dart the edge is trued, mm at most. Common practice. */
const TRUED = 25;
/** A smaller bend than this is none (radians). */
const BEND = 0.01;
/** Truing makes the edge no shorter than by so much, mm: a curve r to both sides of a bend θ is shorter by rθ²/6. */
const LOST = 0.3;

/** The bends that closing leaves, drawn over in one curve as they are by hand: as far to both sides as there is room. */
export function trued(edges: Edge[], closedAt: ReadonlySet<number>): Edge[] {
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

/** A piece with its darts and pleats along the neck and shoulder closed. */
export interface ClosedPiece {
  piece: Piece;
  count: number;
  joints: ClosedJoint[];
}

const TOP: ReadonlySet<Role> = new Set<Role>(['neckline', 'shoulder']);

/**
 * The piece as its neck lies once the darts and pleats along neck and shoulder are closed: what lies beyond each is turned
 * about its point, up to the edge beside the shoulder; below that the cloth stands open and is drawn across. The neck's end
 * at the centre stays. Null where there are none. Edges know the piece they were drawn on.
 */
export function closedAtNeck(piece: Piece): ClosedPiece | null {
  if (!piece.lines.some((l) => l.kind === 'dart' || l.kind === 'pleat')) return null;
  const plain = withParents(piece);
  const turned = runAndRest(plain, (e) => TOP.has(e.role))?.run[0]?.role === 'shoulder';
  const ring = turned ? reverseRing(plain) : plain;
  const closed = closeDarts({ ring, piece }, TOP);
  if (!closed?.count) return null;
  const rest = runAndRest(ring, (e) => TOP.has(e.role))?.rest.slice(1) ?? [];
  const [from, to] = [endOf(closed.after.path), startOf((rest[0] as Edge | undefined)?.path ?? closed.before.path)];
  const bridge: Edge = { ...closed.after, id: 'closed', role: 'plain', path: [line(from, to)], allowance: 0 };
  const across = distance(from, to) > SAME_POINT ? [bridge] : [];
  const made = [...closed.run, closed.after, ...across, ...rest];
  return {
    piece: { ...piece, ring: turned ? reverseRing(made) : made, lines: [] },
    count: closed.count,
    joints: closed.joints,
  };
}

/** A dart that ends so near before a line still parts the cloth of it, mm. */
const REACHED = 80;
/** A dart that begins so near what the facing follows begins on it, mm. */
const ON_EDGE = 0.5;

/**
 * A line drawn on the closed piece as it lies on the open one: what lies beyond each dart or pleat goes back with it, and across
 * its opening the line is drawn on. `neck`: the end of the neck that stayed; `faced`: what the facing follows.
 */
export function reopened(drawn: Path, joints: ClosedJoint[], neck: Point, faced: Path): Path {
  // From the side that stayed where it was.
  const turned = distance(startOf(drawn), neck) > distance(endOf(drawn), neck);
  let rest = turned ? reversePath(drawn) : drawn;
  const out: Path = [];
  let m = IDENTITY;
  const put = (part: Path): void => {
    const back = mapPath(part, undone(m));
    const last = out[out.length - 1];
    if (last && back[0] && distance(last.b, back[0].a) > SAME_POINT) out.push(line(last.b, back[0].a));
    out.push(...back);
  };
  for (const { along, beyond } of joints) {
    const near = nearestOn(rest, endOf(along));
    // One that ends above the line is covered with its cloth; one that begins beyond it is not reached.
    const covered = near.distance < REACHED && nearestOn(faced, startOf(along)).distance < ON_EDGE;
    const at = crossings(rest, along)[0]?.atA ?? (covered ? near.at : null);
    if (at === null || at < 1 || at > pathLength(rest) - 1) continue;
    put(stretch(rest, 0, at));
    rest = stretch(rest, at, pathLength(rest));
    m = beyond;
  }
  put(rest);
  return turned ? reversePath(out) : out;
}
