import {
  bandsAlong,
  crossings,
  difference,
  extend,
  flatten,
  lighten,
  nearestOn,
  offsetBetween,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  polyline,
  reversePath,
  ringsArea,
  selfCrossing,
} from '../../geometry/index.ts';
import { type Edge, flatRing, type Piece, type Role, rolesMissing } from '../../pattern/index.ts';
import { ok, type Result, refuse } from '../../result.ts';
import { tooWide } from '../shape/largestfit.ts';
import { cutRun, type RunAndRest, runAndRest, type Split, withParents } from '../shape/oriented.ts';
import { between } from '../shape/trimtoedge.ts';

/** How wide a facing is where its line comes out at both ends of its stretch, mm along the edge that follows there. */
export interface Widths {
  start: number;
  end: number;
}

/** How far a facing line is carried on straight to find the edge it comes out at, mm. */
const REACH = 200;
/** How near to its width along the edge beside it a line has to end, and the most steps taken to it. */
const NEAR = 0.002;
const STEPS = 20;
/** Less than this is no facing and leaves no lining (mm). */
const LEAST = 5;

interface Landed {
  path: Path;
  /** Where it comes out, mm along all that follows the stretch. */
  high: number;
  low: number;
}

/** The line inside a stretch at these distances from its ends, as far as it lies on the piece. */
function lineAt(run: Path, rest: Path, start: number, end: number): Landed | null {
  // Corners are built from the start on: where one swallows what comes next, it is built from the other end.
  const ways = [() => offsetBetween(run, -start, -end), () => reversePath(offsetBetween(reversePath(run), end, start))];
  for (const way of ways) {
    const made = landing(way(), rest);
    if (made && keepsOff(run, made.path, Math.min(start, end))) return made;
  }
  return null;
}

/** A line carried on to where it comes out at what follows its stretch. */
function landing(inner: Path, rest: Path): Landed | null {
  if (!inner.length) return null;
  const length = pathLength(inner);
  const hits = crossings(extend(inner, REACH, REACH), rest);
  const nearest = (own: number) => [...hits].sort((x, y) => Math.abs(x.atA - own) - Math.abs(y.atA - own))[0];
  const [low, high] = [nearest(REACH), nearest(REACH + length)];
  if (!low || !high || low.atA >= high.atA || high.atB >= low.atB) return null;
  return { path: between(inner, low.atA - REACH, high.atA - REACH), high: high.atB, low: low.atB };
}

/** The same, its ends moved by proportion until they lie as far along what follows as is wished. */
function landedAt(run: Path, rest: Path, w: Widths): Landed | null {
  const all = pathLength(rest);
  let [a, b] = [w.start, w.end];
  let found = lineAt(run, rest, a, b);
  for (let i = 0; found && i < STEPS; i++) {
    const [x, y] = [all - found.low, found.high];
    if (Math.abs(x - w.start) < NEAR && Math.abs(y - w.end) < NEAR) break;
    [a, b] = [(a * w.start) / Math.max(1, x), (b * w.end) / Math.max(1, y)];
    found = lineAt(run, rest, a, b);
  }
  return found;
}

/**
 * Facing and lining along any stretch of a piece's boundary: the line keeps the distances at its ends, measured along the
 * edges it comes out at, so that it goes on across the seams there. mm on the seam line. Refuses a piece without the
 * stretch, and a width that finds no room, with the widest that would.
 */
export function splitStretch(
  piece: Piece,
  roles: ReadonlySet<Role>,
  widths: Widths,
  seam: number,
  measured = true,
): Result<Split> {
  const found = runAndRest(withParents(piece), (e) => roles.has(e.role));
  if (!found) return refuse(rolesMissing(piece, [...roles]));
  return splitRun(piece, found, widths, seam, measured);
}

/** The same along edges that are given, and all that follows them round the piece. */
export function splitRun(
  piece: Piece,
  found: RunAndRest,
  widths: Widths,
  seam: number,
  measured = true,
): Result<Split> {
  const made = parted(piece, found, widths, seam);
  if (made) return ok(made);
  const asked = Math.max(widths.start, widths.end);
  const fits = (mm: number): boolean =>
    parted(piece, found, { start: Math.min(mm, widths.start), end: Math.min(mm, widths.end) }, seam) !== null;
  const finding = tooWide(piece, 'band-too-wide', asked, fits, measured);
  return refuse({ ...finding, data: { ...finding.data, role: (found.run[0] as Edge).role } });
}

/** How far from the outline a corner of what is left lies on the facing line (mm). */
const OFF_OUTLINE = 0.05;

/**
 * The line where a band as wide as the facing ends, by the clipping library: round a keyhole or into a corner where lines
 * alone would cross themselves. What the band leaves of the piece is its lining; the line is the part of its outline that is
 * not the piece's own.
 */
function byArea(run: Path, rest: Path, width: number): Landed | null {
  const ring = flatten([...run, ...rest]).slice(0, -1);
  const left = difference([ring], bandsAlong([flatten(run)], width));
  const largest = left.sort((a, b) => ringsArea([b]) - ringsArea([a]))[0];
  if (!largest || largest.length < 3) return null;
  const own = (p: Point): boolean =>
    nearestOn(rest, p).distance > OFF_OUTLINE && nearestOn(run, p).distance > OFF_OUTLINE;
  const n = largest.length;
  const first = largest.findIndex((p, i) => own(p) && !own(largest[(i + n - 1) % n] as Point));
  if (first < 0) return null;
  const at = (i: number): Point => largest[(i + n) % n] as Point;
  let count = 0;
  while (count < n && own(at(first + count))) count++;
  const points = Array.from({ length: count + 2 }, (_, k) => at(first + k - 1));
  // The ring of what is left may be run either way: the line begins where the stretch does.
  const [a, b] = [nearestOn(rest, points[0] as Point), nearestOn(rest, points[count + 1] as Point)];
  const forward = a.at > b.at;
  const [high, low] = [Math.min(a.at, b.at), Math.max(a.at, b.at)];
  const inner = (forward ? points : points.reverse()).slice(1, -1);
  return { path: lighten(polyline([pointAlong(rest, low), ...inner, pointAlong(rest, high)])), high, low };
}

/** What another facing goes on beyond, as wide as this one is there: a line that misses it would leave that one without. */
const GOES_ON: ReadonlySet<Role> = new Set<Role>(['waist', 'hem']);

/** Whether the line comes out on the edges right beside its stretch, where those are ones that it has to come out on. */
function onBeside(rest: Edge[], line: Landed): true | null {
  const runOf = (edges: Edge[]): number => {
    const role = (edges[0] as Edge).role;
    const end = edges.findIndex((e) => e.role !== role);
    const own = end < 0 ? edges : edges.slice(0, end);
    return GOES_ON.has(role) ? own.reduce((t, e) => t + pathLength(e.path), 0) : Number.POSITIVE_INFINITY;
  };
  const all = rest.reduce((t, e) => t + pathLength(e.path), 0);
  const fits = line.high <= runOf(rest) + NEAR && all - line.low <= runOf([...rest].reverse()) + NEAR;
  return fits || null;
}

/** How near to its stretch a facing line may come, as a share of its width, and where along it that is looked at. */
const KEPT = 0.8;
const LOOKED = [0.15, 0.25, 0.35, 0.5, 0.65, 0.75, 0.85];

/** Whether a line keeps its distance: round a hollow tighter than it is wide, parallels cut across what they should go round. */
const keepsOff = (run: Path, path: Path, width: number): boolean =>
  LOOKED.every((k) => nearestOn(run, pointAlong(path, pathLength(path) * k)).distance >= width * KEPT);

function parted(piece: Piece, s: RunAndRest, widths: Widths, seam: number): Split | null {
  const [run, rest] = [s.run, s.rest].map((edges) => edges.flatMap((e) => e.path)) as [Path, Path];
  const drawn = (line: Landed | null): Split | null => line && onBeside(s.rest, line) && along(piece, s, line, seam);
  const made = drawn(landedAt(run, rest, widths));
  // Along an opening there is no hollow in which a line would cross itself.
  return made || s.run.every((e) => e.role === 'front-edge') ? made : drawn(areaLanded(run, rest, s.rest, widths));
}

/** Edges at which a facing ends at a centre or an opening; at all others another facing goes on, as wide as it is there. */
const CENTRES: ReadonlySet<Role> = new Set<Role>(['centre-back', 'centre-front', 'front-edge', 'hem']);

/** A band as wide all along as it has to be at the seam where another facing goes on. */
function areaLanded(run: Path, rest: Path, edges: Edge[], w: Widths): Landed | null {
  const atEnd = !CENTRES.has((edges[0] as Edge).role);
  const wanted = atEnd ? w.end : w.start;
  const all = pathLength(rest);
  let width = wanted;
  let found = byArea(run, rest, width);
  for (let i = 0; found && i < STEPS; i++) {
    const is = atEnd ? found.high : all - found.low;
    if (Math.abs(is - wanted) < NEAR) break;
    width *= wanted / Math.max(1, is);
    found = byArea(run, rest, width);
  }
  return found;
}

/** Both rings along a line; null where it leaves nothing on one of its sides, or crosses the outline. */
function along(piece: Piece, { run, rest }: RunAndRest, line: Landed, seam: number): Split | null {
  const all = rest.reduce((t, e) => t + pathLength(e.path), 0);
  if (line.low - line.high < LEAST || pathLength(line.path) < LEAST) return null;
  if (Math.min(line.high, all - line.low) < 1) return null;
  const own = run[0] as Edge;
  const edge: Edge = {
    id: 'facing-line',
    role: 'facing-line',
    path: line.path,
    allowance: seam,
    corner: 'mitred',
    onFold: false,
    ...(own.from && { from: own.from }),
  };
  const facing = [
    ...run,
    ...cutRun(rest, 0, line.high),
    { ...edge, path: reversePath(line.path) },
    ...cutRun(rest, line.low, all),
  ];
  const lining = [edge, ...cutRun(rest, line.high, line.low)];
  if ([facing, lining].some((r) => selfCrossing(flatRing(r)))) return null;
  return {
    oriented: { piece, ring: [...run, ...rest], sign: 1 },
    facing,
    lining,
    ends: { first: all - line.low, shoulder: line.high },
    cornerRadius: 0,
  };
}
