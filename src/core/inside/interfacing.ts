import {
  crossings,
  extend,
  offsetPath,
  type Path,
  pathLength,
  reversePath,
  selfCrossing,
  stretch,
} from '../geometry/index.ts';
import { clockwise, type Edge, flatRing, type Piece, seamLineFromCut } from '../pattern/index.ts';
import { type Trim } from '../project.ts';
import { because, ok, type Reason, type Result, refuse, stop } from '../result.ts';
import { makePiece } from './make.ts';
import { cutRun, type Oriented, orient, run, runLength, runPath } from './oriented.ts';
import { tooWide } from './room.ts';

/** How far inside (+) or outside (−) the seam line the interfacing ends, mm; schools of common practice. */
export function trimOf(trim: Trim, edge: Edge): number {
  if (edge.onFold) return 0;
  if (trim === 'inside') return 3;
  if (trim === 'seam') return 0;
  return trim === 'caught' ? -Math.min(3, edge.allowance) : -edge.allowance;
}

/**
 * The outline trimmed edge by edge; never at a fold, where its edge is the crease. No allowance is left to add, save where
 * the whole piece is wanted: that is cut as the piece itself.
 */
export function trimmed(ring: Edge[], trim: Trim, free: ReadonlySet<string> = new Set()): Edge[] {
  if (trim === 'whole') return ring.map((e) => (free.has(e.id) ? { ...e, allowance: 0 } : e));
  const made = trimmedBy(ring, (e) => (free.has(e.id) ? 0 : trimOf(trim, e)));
  if (!selfCrossing(flatRing(made))) return made;
  // Round a corner tighter than the trim the line would cross itself: there it stays on the seam line, else everywhere.
  const tamer = trimmedBy(ring, (e) => (free.has(e.id) || e.role === 'facing-line' ? 0 : trimOf(trim, e)));
  return selfCrossing(flatRing(tamer)) ? trimmedBy(ring, () => 0) : tamer;
}

const trimmedBy = (ring: Edge[], trim: (e: Edge) => number): Edge[] =>
  seamLineFromCut(ring.map((e) => ({ ...e, allowance: trim(e) }))).map((e) => ({
    ...e,
    allowance: 0,
    corner: 'mitred' as const,
  }));

const trimReason = (trim: Trim): Reason => {
  const mm = trim === 'inside' ? 3 : trim === 'caught' ? -3 : 0;
  return because(`trim-${trim}`, 'practice', mm);
};

/** Interfacing for a facing: the same outline, trimmed by the chosen school. */
export function interfaceWhole(target: Piece, shell: Piece, trim: Trim): Piece {
  const ring = trimmed(target.ring, trim);
  return makePiece(shell, {
    id: `${target.id}-interfacing`,
    name: `${target.name} interfacing`,
    material: 'interfacing',
    ring,
    reasons: [trimReason(trim)],
  });
}

/** A narrower strip holds nothing, mm. Common practice. */
const LEAST_STRIP = 12;

/** Interfacing along the shell's front edge, `width` mm wide from neckline to hem; its inner edge lies free. */
export function frontEdgeStrip(front: Piece, width: number, trim: Trim): Result<Piece> {
  const o = orient(front, 'front-edge', 'neckline');
  if (!o)
    return refuse(stop('roles-missing', { piece: front.id }, { name: front.name, roles: 'front-edge, neckline' }));
  if (width < LEAST_STRIP)
    return refuse(stop('front-strip-narrow', { piece: front.id }, { name: front.name, width, least: LEAST_STRIP }));
  const strip = stripRing(o, width);
  if (!strip) return refuse(tooWide(front, 'front-strip-too-wide', width, (w) => stripRing(o, w) !== null));
  return ok(
    makePiece(front, {
      id: 'front-edge-interfacing',
      name: 'Front edge interfacing',
      material: 'interfacing',
      ring: trimmed(clockwise(strip), trim, new Set(['inner'])),
      reasons: [because('front-strip', 'choice', width), trimReason(trim)],
    }),
  );
}

/** The strip's ring on the seam line; null where its inner edge misses the hem, or neckline and shoulder. */
function stripRing(o: Oriented, width: number): Edge[] | null {
  const { ring, sign } = o;
  const inner = offsetPath(runPath(ring, 'front-edge'), -sign * width);
  const reach = 300;
  const long = extend(inner, reach, reach);
  const low = nearEnd(long, runPath(ring, 'hem'), reach);
  const onNeck = nearEnd(long, runPath(ring, 'neckline'), reach + pathLength(inner));
  const high = onNeck ?? nearEnd(long, runPath(ring, 'shoulder'), reach + pathLength(inner));
  if (!low || !high) return null;
  const from = run(ring, 'front-edge')[0]?.from;
  const edge: Edge = {
    id: 'inner',
    role: 'inner',
    path: reversePath(stretch(long, low.atA, high.atA)),
    allowance: 0,
    corner: 'mitred',
    onFold: false,
    ...(from && { from }),
  };
  const top = onNeck
    ? cutRun(run(ring, 'neckline'), 0, high.atB)
    : [...run(ring, 'neckline'), ...cutRun(run(ring, 'shoulder'), 0, high.atB)];
  const hem = cutRun(run(ring, 'hem'), low.atB, runLength(ring, 'hem'));
  return [...run(ring, 'front-edge'), ...top, edge, ...hem];
}

function nearEnd(long: Path, edge: Path, own: number) {
  if (!edge.length) return null;
  return crossings(long, edge).sort((x, y) => Math.abs(x.atA - own) - Math.abs(y.atA - own))[0] ?? null;
}
