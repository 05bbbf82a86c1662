import {
  addScaled,
  crossings,
  directionAlong,
  extend,
  offsetPath,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  reversePath,
  stretch,
} from '../geometry/index.ts';
import { orient, run, runPath } from '../inside/index.ts';
import { type Piece } from '../pattern/index.ts';
import { type Decisions } from '../project.ts';
import { because, type Finding, ok, type Reason, type Result, refuse, stop } from '../result.ts';
import { buttonhole, FACING_BEYOND_HOLE, type Hole } from './buttonhole.ts';
import { type Placement, placeButtons, type Wish, type Zone } from './placement.ts';

export interface ButtonMark {
  /** Distance from the top of the closing line, mm. */
  at: number;
  centre: Point;
  /** Both ends of the hole's opening on the front piece; a lies towards the edge (or up). */
  a: Point;
  b: Point;
}

export interface Closure {
  piece: string;
  /** Centre front from neckline to hem, top first. */
  line: Path;
  lengthMm: number;
  /** Distance from centre front to the front edge, mm. */
  extension: number;
  hole: Hole;
  gaps: number[];
  equalGap: number;
  buttons: ButtonMark[];
  clear: Zone | null;
  findings: Finding[];
  reasons: Reason[];
}

/** Clearance kept beyond half the belt, mm. From memory. */
const BELT_CLEAR = 10;
/** Least extension beyond half the button, mm. From memory. */
const EXTENSION_CLEAR = 6;
/** Lowest button above the hem depth, mm. From memory. */
const HEM_CLEAR = 25;

interface ClosingLine {
  path: Path;
  extension: number;
  /** Unit direction from centre front towards the front edge, at a distance from the top. */
  towardsEdge: (at: number) => Point;
  drawn: boolean;
}

/** Centre front: the drawn line where there is one, else parallel to the front edge by the extension; top first. */
function closingLine(front: Piece, extension: number): ClosingLine | null {
  const o = orient(front, 'front-edge', 'neckline');
  if (!o) return null;
  const edge = runPath(o.ring, 'front-edge');
  const drawn = front.lines.find((l) => l.kind === 'centre-front');
  const raw = drawn ? drawn.path : offsetPath(edge, -o.sign * extension);
  const own = pathLength(raw);
  const long = extend(raw, 400, 400);
  const pick = (target: Path): number | null => crossings(long, target).map((c) => c.atA)[0] ?? null;
  const ends = [pick(runPath(o.ring, 'neckline')), pick(runPath(o.ring, 'hem'))];
  const a = ends[0] ?? 400;
  const b = ends[1] ?? 400 + own;
  const path = a <= b ? stretch(long, a, b) : reversePath(stretch(long, b, a));
  const middle = pointAlong(path, pathLength(path) / 2);
  const d = directionAlong(path, pathLength(path) / 2);
  const n = outward(d);
  const hit = crossings([{ k: 'L', a: addScaled(middle, n, -400), b: addScaled(middle, n, 400) }], edge)[0];
  const signed = hit ? hit.atA - 400 : extension;
  const side = signed < 0 ? -1 : 1;
  return {
    path,
    extension: Math.abs(signed),
    drawn: drawn !== undefined,
    towardsEdge: (at) => {
      const m = outward(directionAlong(path, at));
      return { x: m.x * side, y: m.y * side };
    },
  };
}

/** Height of the waist on the closing line: the drawn waist line where there is one, else as the sewist gave it. */
function waistAt(front: Piece, line: Path, given: number): number {
  const waist = front.lines.find((l) => l.kind === 'waist');
  const hit = waist ? crossings(line, extend(waist.path, 100, 100))[0] : undefined;
  return hit ? hit.atA : given;
}

/** Buttons, holes and checks for the front edge. Refuses with the range that would work. */
export function deriveClosure(shell: Piece[], d: Decisions): Result<Closure> {
  const front = shell.find((p) => p.kind === 'front');
  if (!front) return refuse(stop('piece-missing', undefined, { kind: 'front' }));
  const c = d.closure;
  const line = closingLine(front, c.extension);
  if (!line)
    return refuse(stop('roles-missing', { piece: front.id }, { name: front.name, roles: 'front-edge, neckline, hem' }));
  const length = pathLength(line.path);
  const waist = waistAt(front, line.path, c.waist.at);
  const half = c.waist.belt / 2 + BELT_CLEAR;
  const clear = c.waist.keepClear ? { from: waist - half, to: waist + half } : null;
  const wish: Wish = { length, top: c.top, bottom: c.bottom, by: c.by, count: c.count, gap: c.gap, clear };
  const placed = placeButtons(wish);
  if (!placed.ok) return placed;
  const hole = buttonhole(c.diameter, c.thickness, c.direction);
  return ok({
    piece: front.id,
    line: line.path,
    lengthMm: length,
    extension: line.extension,
    hole,
    gaps: placed.value.gaps,
    equalGap: placed.value.equalGap,
    buttons: placed.value.at.map((at) => markAt(line, hole, at)),
    clear,
    findings: [...placed.value.findings, ...checks(d, line, hole, front)],
    reasons: [
      ...reasonsOf(placed.value, wish),
      ...hole.reasons,
      because('belt-clear', 'memory', half, { belt: c.waist.belt }),
    ],
  });
}

function markAt(line: ClosingLine, hole: Hole, at: number): ButtonMark {
  const centre = pointAlong(line.path, at);
  const along = directionAlong(line.path, at);
  const out = hole.direction === 'horizontal' ? line.towardsEdge(at) : { x: -along.x, y: -along.y };
  return { at, centre, a: addScaled(centre, out, hole.outer), b: addScaled(centre, out, -hole.inner) };
}

function reasonsOf(p: Placement, w: Wish): Reason[] {
  const n = p.at.length;
  return n > 1
    ? [because('equal-gap', 'practice', p.equalGap, { length: w.length, top: w.top, bottom: w.bottom, n })]
    : [];
}

function checks(d: Decisions, line: ClosingLine, hole: Hole, front: Piece): Finding[] {
  const out: Finding[] = [];
  const c = d.closure;
  const warn = (code: string, data: Record<string, number>) =>
    out.push({ code, severity: 'warn', where: { piece: front.id }, data });
  const leastExtension = c.diameter / 2 + EXTENSION_CLEAR;
  if (line.extension < leastExtension - 0.05)
    warn('extension-narrow', { extension: line.extension, least: leastExtension });
  const inner = hole.direction === 'horizontal' ? hole.inner : 0;
  const leastFacing = line.extension + inner + FACING_BEYOND_HOLE;
  if (d.facing.on && d.facing.front < leastFacing) warn('facing-narrow', { width: d.facing.front, least: leastFacing });
  const hem = run(front.ring, 'hem')[0]?.allowance ?? 0;
  if (c.bottom < hem + HEM_CLEAR) warn('button-near-hem', { bottom: c.bottom, least: hem + HEM_CLEAR });
  if (c.top < c.diameter / 2 + 3) warn('button-near-neck', { top: c.top, least: c.diameter / 2 + 3 });
  return out;
}
