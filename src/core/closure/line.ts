import { beside, breakPoint, orient, parallelToFront, run, runPath } from '../drafting/index.ts';
import {
  addScaled,
  crossings,
  directionAlong,
  endOf,
  extend,
  nearestOn,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  reversePath,
  startOf,
  stretch,
} from '../geometry/index.ts';
import { type Piece, type PieceKind, type Role } from '../pattern/index.ts';
import { ok, type Result, refuse, stop } from '../result.ts';

/** The closing line on one piece: centre front, top first. */
export interface LineRun {
  piece: Piece;
  path: Path;
  length: number;
  /** Where this stretch begins, mm from the top of the whole line. */
  from: number;
  /** From the centre line to the front edge, mm. */
  extension: number;
  /** +1 when the front edge lies to the left of the way down, seen along it; −1 to the right. */
  side: 1 | -1;
}

/** How far lines are carried on to find where they meet others, mm. */
const REACH = 400;

/**
 * Whether anything closes in front: a front with a front edge, or one whose edges are not all named yet. One that lies on
 * the fold, or is sewn up at its centre, has nothing to button.
 */
export const opensInFront = (shell: Piece[]): boolean =>
  shell.some((p) => {
    if (p.kind !== 'front') return false;
    if (run(p.ring, 'front-edge').some((e) => !e.onFold)) return true;
    return !p.ring.some((e) => e.onFold || e.role === 'centre-front');
  });

/** The part of a front edge that closes: all of it, or of a shawl what lies below its break point, level with the underarm. */
function closingEdge(piece: Piece, edge: Path, shawl: boolean): Path {
  if (!shawl) return edge;
  const armhole = run(piece.ring, 'armhole').flatMap((e) => e.path);
  const ends = armhole.length ? [startOf(armhole), endOf(armhole)] : [];
  const levels = ends.map((p) => nearestOn(edge, p).at);
  const level = levels.length ? Math.min(...levels) : pathLength(edge) / 2;
  return stretch(edge, 0, breakPoint(piece, edge, pathLength(edge) - level));
}

/** Centre front on one piece: the drawn line, else parallel to the front edge by the extension; from `top` to `end`. */
function runOn(piece: Piece, top: Role, end: Role, extension: number, from: number): LineRun | null {
  const o = orient(piece, 'front-edge', top);
  if (!o) return null;
  const shawl = top === 'centre-back';
  const edge = closingEdge(piece, runPath(o.ring, 'front-edge'), shawl);
  const drawn = piece.lines.find((l) => l.kind === 'centre-front');
  const raw = drawn ? drawn.path : parallelToFront(edge, runPath(o.ring, end), -o.sign * extension);
  const own = pathLength(raw);
  const long = extend(raw, REACH, REACH);
  const meets = (target: Path): number | null => crossings(long, target).map((c) => c.atA)[0] ?? null;
  const across = (p: Point): number => nearestOn(long, p).at;
  const a = (shawl ? across(endOf(edge)) : meets(runPath(o.ring, top))) ?? REACH;
  // A front whose lower edge is not named ends where the line itself does.
  const far = Math.abs(a - REACH) > own / 2 ? REACH : REACH + own;
  const b = meets(runPath(o.ring, end)) ?? far;
  const path = a <= b ? stretch(long, a, b) : reversePath(stretch(long, b, a));
  const length = pathLength(path);
  const middle = pointAlong(path, length / 2);
  const n = outward(directionAlong(path, length / 2));
  const level: Path = [{ k: 'L', a: addScaled(middle, n, -REACH), b: addScaled(middle, n, REACH) }];
  const hit = crossings(level, edge)[0];
  const signed = hit ? hit.atA - REACH : extension;
  return { piece, path, length, from, extension: Math.abs(signed), side: signed < 0 ? -1 : 1 };
}

/** The closing line from the neck seam down: over the front, and over the front of the skirt where it opens too. */
export function closingRuns(shell: Piece[], extension: number): Result<LineRun[]> {
  const front = topOf(shell);
  if (!front) return refuse(stop('piece-missing', undefined, { kind: 'front' }));
  const end = lowerEnd(front, 'neckline');
  const upper = runOn(front, 'neckline', end, extension, 0) ?? runOn(front, 'centre-back', end, extension, 0);
  if (!upper) {
    const lacking = (['front-edge', 'neckline'] as const).filter((r) => !run(front.ring, r).length);
    const where = { piece: front.id };
    // Both are there and do not meet: something lies between them that is called otherwise.
    return refuse(
      lacking.length
        ? stop('roles-missing', where, { name: front.name, roles: lacking.join(', ') })
        : stop('front-not-at-neck', where, { name: front.name }),
    );
  }
  const runs = [upper];
  // Down over what is sewn on below it, as far as that opens at its edge too.
  for (let from: Role = end; from !== 'hem'; ) {
    const top = from;
    const next = shell.find(
      (p) => runs.every((r) => r.piece !== p) && CARRIES.has(p.kind) && orient(p, 'front-edge', top) !== null,
    );
    const last = runs[runs.length - 1] as LineRun;
    const low: Role = next ? lowerEnd(next, top) : 'hem';
    const lower = next ? runOn(next, top, low, extension, last.from + last.length) : null;
    if (!lower) break;
    runs.push(lower);
    from = low;
  }
  return ok(runs);
}

/** Pieces that can carry the closing line: a front, a yoke in front of it, a skirt below. */
const CARRIES: ReadonlySet<PieceKind> = new Set<PieceKind>(['front', 'other', 'skirt-front', 'trouser-front']);

/** The piece that the line begins on: a front with a neck; where that has none, a yoke above it. */
function topOf(shell: Piece[]): Piece | undefined {
  const front = shell.find((p) => p.kind === 'front');
  const yoke = shell.find((p) => p.kind === 'other' && orient(p, 'front-edge', 'neckline') !== null);
  return front && !run(front.ring, 'neckline').length && run(front.ring, 'front-edge').length ? (yoke ?? front) : front;
}

/** What a piece's front edge comes down to: its hem, or the seam to what hangs below. */
function lowerEnd(p: Piece, top: Role): Role {
  if (run(p.ring, 'hem').length) return 'hem';
  const ends = beside(p.ring, 'front-edge').filter((r) => r !== top && r !== 'neckline');
  return ends.find((r) => r === 'yoke-seam' || r === 'panel-seam') ?? 'waist';
}

/** A place on the line: the piece it lies on, the direction down, and the one towards the front edge. */
export interface LinePlace {
  run: LineRun;
  point: Point;
  down: Point;
  edgeward: Point;
}

/** The place `at` mm below the top; above it (negative) or below the end the line is carried on straight. */
export function placeOn(runs: LineRun[], at: number): LinePlace {
  const found = [...runs].reverse().find((r) => at >= r.from) ?? (runs[0] as LineRun);
  const s = Math.min(found.length, Math.max(0, at - found.from));
  const down = directionAlong(found.path, s);
  const n = outward(down);
  return {
    run: found,
    point: addScaled(pointAlong(found.path, s), down, at - found.from - s),
    down,
    edgeward: { x: n.x * found.side, y: n.y * found.side },
  };
}

/** How far down the line a point of a piece lies, straight across from it; null when the piece does not carry the line. */
export function levelOf(runs: LineRun[], piece: string, p: Point): number | null {
  const r = runs.find((q) => q.piece.id === piece);
  if (!r) return null;
  const n = outward(directionAlong(r.path, r.length / 2));
  const across: Path = [{ k: 'L', a: addScaled(p, n, -2 * REACH), b: addScaled(p, n, 2 * REACH) }];
  const hit = crossings(extend(r.path, REACH, REACH), across)[0];
  return hit ? r.from + hit.atA - REACH : null;
}
