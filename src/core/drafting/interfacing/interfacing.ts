import { type Trim } from '../../document/project.ts';
import {
  bandsAlong,
  crossings,
  difference,
  endDirection,
  extend,
  flatten,
  nearestOn,
  type Path,
  type Point,
  pathLength,
  pointAt,
  polyline,
  type Rings,
  reversePath,
  ringsArea,
  selfCrossing,
  signedArea,
  startDirection,
  stretch,
  turn,
  union,
  weld,
} from '../../geometry/index.ts';
import {
  clockwise,
  type Edge,
  flatRing,
  outlineOf,
  type Piece,
  type Role,
  seamLineFromCut,
} from '../../pattern/index.ts';
import { type Kept, remembered } from '../../remember.ts';
import { because, ok, type Reason, type Result, refuse, stop } from '../../result.ts';
import { parallelToFront } from '../facing/frontline.ts';
import { splitStretch } from '../facing/splitstretch.ts';
import { derivePiece } from '../shape/derivepiece.ts';
import { tooWide } from '../shape/largestfit.ts';
import { cutRun, type Oriented, orient, run, runLength, runPath } from '../shape/oriented.ts';

/** How far inside (+) or outside (−) the seam line the interfacing ends, mm; schools of common practice. */
export function trimOf(trim: Trim, edge: Edge): number {
  if (edge.onFold) return 0;
  if (trim === 'inside') return 3;
  if (trim === 'seam') return 0;
  return trim === 'caught' ? -Math.min(3, edge.allowance) : -edge.allowance;
}

/**
 * The outline trimmed edge by edge; never at a fold, where its edge is the crease. No allowance is left to add, save where
 * the whole piece is wanted: that is cut as the piece itself. Refuses a piece of which the trim leaves nothing.
 */
export function trimmed(of: Named, ring: Edge[], trim: Trim, free: ReadonlySet<string> = new Set()): Result<Edge[]> {
  if (trim === 'whole') return ok(ring.map((e) => (free.has(e.id) ? { ...e, allowance: 0 } : e)));
  const by = (e: Edge): number => (free.has(e.id) ? 0 : trimOf(trim, e));
  const made = trimmedBy(ring, by);
  if (made && !selfCrossing(flatRing(made))) return ok(made);
  // Round a corner tighter than the trim the line would cross itself: there the area is trimmed as a whole.
  const area = trimmedAsArea(ring, by);
  return area ? ok(area) : refuse(stop('interfacing-swallowed', { piece: of.id }, { name: of.name, trim: 3 }));
}

type Named = Pick<Piece, 'id' | 'name'>;

const plain = (e: Edge): Edge => ({ ...e, allowance: 0, corner: 'mitred' });

function trimmedBy(ring: Edge[], by: (e: Edge) => number): Edge[] | null {
  const made = seamLineFromCut(ring.map((e) => ({ ...e, allowance: by(e) }))).map(plain);
  return signedArea(outlineOf(made)) * signedArea(outlineOf(ring)) > 0 ? made : null;
}

/**
 * The same by the clipping library, in chords: bands as wide as the trim are taken off along each edge (or added, where the
 * interfacing is caught in the seam), and the largest part is kept. Each chord belongs to the edge it runs along.
 */
function trimmedAsArea(ring: Edge[], by: (e: Edge) => number): Edge[] | null {
  const bands = (way: 1 | -1): Rings =>
    ring.flatMap((e) => (by(e) * way > 0 ? bandsAlong([flatten(e.path)], by(e) * way) : []));
  const rings = difference(union([flatRing(ring)], bands(-1)), bands(1));
  const largest = rings.sort((x, y) => ringsArea([y]) - ringsArea([x]))[0];
  if (!largest || ringsArea([largest]) < LEAST_LEFT) return null;
  const chords = weld(polyline([...largest, largest[0] as Point]), true);
  const nearest = chords.map((c) => {
    const middle = pointAt(c, 0.5);
    const off = ring.map((e) => Math.abs(nearestOn(e.path, middle).distance - Math.abs(by(e))));
    return off.indexOf(Math.min(...off));
  });
  const start = nearest.findIndex((k, i) => k !== nearest[(i + nearest.length - 1) % nearest.length]);
  if (start < 0) return [{ ...plain(ring[nearest[0] as number] as Edge), path: chords }];
  const out: Edge[] = [];
  let last = -1;
  for (let i = 0; i < chords.length; i++) {
    const k = nearest[(start + i) % chords.length] as number;
    const chord = chords[(start + i) % chords.length] as Path[number];
    if (k === last) out[out.length - 1]?.path.push(chord);
    else {
      const { from: _, ...e } = ring[k] as Edge;
      const again = out.filter((x) => x.id.split('~')[0] === e.id).length;
      out.push({ ...plain(e), id: again ? `${e.id}~${again}` : e.id, path: [chord] });
    }
    last = k;
  }
  return out;
}

/** Less than this is no interfacing, mm². */
const LEAST_LEFT = 100;

export const trimReason = (trim: Trim): Reason => {
  const mm = trim === 'inside' ? 3 : trim === 'caught' ? -3 : 0;
  return because(`trim-${trim}`, 'practice', mm);
};

/** Interfacing for a facing: the same outline, trimmed by the chosen school. */
export const interfaceWhole = (target: Piece, shell: Piece, trim: Trim): Result<Piece> =>
  remembered(WHOLE, target, trim, () => interfaced(target, shell, trim));

const WHOLE: Kept<Piece, Result<Piece>> = new WeakMap();

function interfaced(target: Piece, shell: Piece, trim: Trim): Result<Piece> {
  const ring = trimmed(target, target.ring, trim);
  if (!ring.ok) return ring;
  return ok(
    derivePiece(shell, {
      id: `${target.id}-interfacing`,
      name: `${target.name} interfacing`,
      material: 'interfacing',
      ring: ring.value,
      reasons: [trimReason(trim)],
      stiffens: target.id,
    }),
  );
}

/** A narrower strip holds nothing, mm. Common practice. */
const LEAST_STRIP = 12;

const OPENING: ReadonlySet<Role> = new Set<Role>(['front-edge']);

/** A neckline that turns off from the front edge by less than this is the upper part of it: a V (radians). Own figure. */
const V_NECK = Math.PI / 4;
const OVER_V: ReadonlySet<Role> = new Set<Role>(['front-edge', 'neckline']);

/** Whether the neckline goes on from the front edge as in a V, so that what holds the edge holds the neck as well. */
function isVNeck(o: Oriented): boolean {
  const [edge, neck] = [runPath(o.ring, 'front-edge'), runPath(o.ring, 'neckline')];
  return Math.abs(turn(endDirection(edge), startDirection(neck))) < V_NECK;
}

/** The line a piece was parted along, as the edge of an interfacing that lies free. */
export const freeInner = (e: Edge): Edge => (e.role === 'facing-line' ? { ...e, id: 'inner', role: 'inner' } : e);

/** A strip of interfacing along an edge of `target`, its inner edge free and the others by the chosen trim. */
export function stripOn(
  target: Piece,
  shell: Piece,
  strip: Edge[],
  trim: Trim,
  as: { id: string; name: string; reason: Reason },
): Result<Piece> {
  const ring = trimmed(target, clockwise(strip), trim, new Set(['inner']));
  if (!ring.ok) return ring;
  return ok(
    derivePiece(shell, {
      ...{ id: as.id, name: as.name, ring: ring.value, reasons: [as.reason, trimReason(trim)] },
      material: 'interfacing',
      stiffens: target.id,
    }),
  );
}

/** The strip of a front that does not go from hem to neckline, or goes on along it: from seam to seam along its edge. */
function fromSeamToSeam(front: Piece, width: number, roles = OPENING): Edge[] | null {
  const made = splitStretch(front, roles, { start: width, end: width }, 0);
  return made.ok ? made.value.facing.map(freeInner) : null;
}

/**
 * Interfacing along the shell's front edge, `width` mm wide from its lower to its upper end, of a V neck on to the shoulder; its
 * inner edge lies free.
 */
export function frontEdgeStrip(front: Piece, width: number, trim: Trim): Result<Piece> {
  const o = orient(front, 'front-edge', 'neckline');
  const whole = o && run(o.ring, 'hem').length ? o : null;
  const along = whole && isVNeck(whole) ? OVER_V : OPENING;
  const stripOf = (w: number): Edge[] | null =>
    whole && along === OPENING ? stripRing(whole, w) : fromSeamToSeam(front, w, along);
  if (width < LEAST_STRIP)
    return refuse(stop('front-strip-narrow', { piece: front.id }, { name: front.name, width, least: LEAST_STRIP }));
  const strip = stripOf(width);
  if (!strip) return refuse(tooWide(front, 'front-strip-too-wide', width, (w) => stripOf(w) !== null));
  const reason = because('front-strip', 'choice', width);
  return stripOn(front, front, strip, trim, { id: 'front-edge-interfacing', name: 'Front edge interfacing', reason });
}

/** The strip's ring on the seam line; null where its inner edge misses the hem, or neckline and shoulder. */
function stripRing(o: Oriented, width: number): Edge[] | null {
  const { ring, sign } = o;
  const inner = parallelToFront(runPath(ring, 'front-edge'), runPath(ring, 'hem'), -sign * width);
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
