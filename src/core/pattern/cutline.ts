import {
  type Affine,
  crossings,
  distance,
  endDirection,
  endOf,
  extend,
  flatten,
  line,
  mapPath,
  meet,
  offsetPath,
  outward,
  type Path,
  pathLength,
  polyline,
  reflection,
  reversePath,
  ringsArea,
  selfCrossing,
  startDirection,
  startOf,
  stretch,
  union,
  weld,
  weldRing,
} from '../geometry/index.ts';
import { FLATTEN, HAIR, MITRE_LIMIT, SAME_POINT } from '../tolerance.ts';
import { outlineOf } from './ring.ts';
import { type Edge, FOLDS_BACK } from './types.ts';

export interface CutLine {
  /** Closed outline, clockwise on screen. */
  outline: Path;
  /** Whether the plain offset crossed itself and was cleaned (its curves are then chords). */
  cleaned: boolean;
  /** Cut lines of the openings in the piece. */
  openings?: Path[];
}

/** A cut line's outline and those of the openings in it. */
export const cutRings = (c: CutLine): Path[] => [c.outline, ...(c.openings ?? [])];

/** A cut line moved by an affine map. */
export const mapCutLine = (c: CutLine, m: Affine): CutLine => ({
  ...c,
  outline: mapPath(c.outline, m),
  ...(c.openings && { openings: c.openings.map((o) => mapPath(o, m)) }),
});

/** The two offset edges trimmed or carried on at one corner, with what lies between them. */
interface Corner {
  a: Path;
  between: Path;
  b: Path;
}

const reachOf = (a: Edge, b: Edge): number => Math.max(Math.abs(a.allowance), Math.abs(b.allowance), 1) * MITRE_LIMIT;

function mitred(a: Path, b: Path, reach: number): Corner {
  const m = meet(a, b, reach);
  return { a: m.a, between: m.between, b: m.b };
}

/**
 * Corner where `hem` starts after `a`: beyond the line along which the hem folds, the neighbour's cut line is the mirror
 * image of its own inner course, so that the turned allowance lies exactly on the piece. Common practice.
 */
function mirroredIntoHem(a: Path, hem: Edge, hemCut: Path, reach: number): Corner {
  const along = startDirection(hem.path);
  const fold = reflection(startOf(hem.path), along);
  const longA = extend(a, 0, reach);
  const lengthA = pathLength(a);
  const hit = crossings(longA, foldLine(hem, reach)).sort(
    (x, y) => Math.abs(x.atA - lengthA) - Math.abs(y.atA - lengthA),
  )[0];
  if (!hit) return mitred(a, hemCut, reach);
  const head = stretch(longA, 0, hit.atA);
  const inner = stretch(longA, Math.max(0, hit.atA - Math.abs(hem.allowance) * 3), hit.atA);
  const image = mapPath(reversePath(inner), fold);
  const m = meet(image, hemCut, reach);
  return { a: head, between: [...m.a, ...m.between], b: m.b };
}

/** The straight line through the hem's start along its direction, `reach` to both sides. */
function foldLine(hem: Edge, reach: number): Path {
  const p = startOf(hem.path);
  const d = startDirection(hem.path);
  return [line({ x: p.x - d.x * reach, y: p.y - d.y * reach }, { x: p.x + d.x * reach, y: p.y + d.y * reach })];
}

/** Corner cut square to edge `a`, so that the seam on `a` starts level on both layers. */
function squared(a: Edge, aCut: Path, bCut: Path, reach: number): Corner {
  const seam = extend(a.path, 0, reach);
  const length = pathLength(a.path);
  const longB = extend(bCut, reach, 0);
  const hit = crossings(seam, longB).sort((x, y) => Math.abs(x.atA - length) - Math.abs(y.atA - length))[0];
  if (!hit) return mitred(aCut, bCut, reach);
  const n = outward(endDirection(a.path));
  const cross = [line(hit.point, { x: hit.point.x + n.x * reach, y: hit.point.y + n.y * reach })];
  const level = meet(aCut, cross, reach);
  const rest = stretch(longB, hit.atB, pathLength(longB));
  return { a: level.a, between: [...level.between, line(endOf(level.a), startOf(rest))], b: rest };
}

function cornerOf(a: Edge, aCut: Path, b: Edge, bCut: Path): Corner {
  const reach = reachOf(a, b);
  if (distance(endOf(aCut), startOf(bCut)) <= SAME_POINT) return { a: aCut, between: [], b: bCut };
  if (a.corner === 'squared') return squared(a, aCut, bCut, reach);
  if (a.corner === 'mirrored' && FOLDS_BACK.has(b.role)) return mirroredIntoHem(aCut, b, bCut, reach);
  if (a.corner === 'mirrored' && FOLDS_BACK.has(a.role)) {
    const hem: Edge = { ...a, path: reversePath(a.path) };
    const back = mirroredIntoHem(reversePath(bCut), hem, reversePath(aCut), reach);
    return { a: reversePath(back.b), between: reversePath(back.between), b: reversePath(back.a) };
  }
  return mitred(aCut, bCut, reach);
}

/** An outline of one edge meets itself at its one corner: seen as two halves, each has a corner with the other. */
function inHalves(ring: Edge[]): Edge[] {
  const [e] = ring;
  if (!e || ring.length > 1) return ring;
  const length = pathLength(e.path);
  return [
    { ...e, path: stretch(e.path, 0, length / 2), corner: 'mitred' },
    { ...e, path: stretch(e.path, length / 2, length) },
  ];
}

/**
 * Cut line of a ring: each edge moved outward by its own allowance (inward when negative, mm), each corner by its rule.
 * A result that crosses itself is cleaned with the clipping library and says so.
 */
export function cutLine(whole: Edge[]): CutLine {
  // Nothing to add: the cut line is the outline itself.
  if (whole.every((e) => e.allowance === 0)) return tidy(weld(outlineOf(whole), true));
  const ring = inHalves(whole);
  const cuts = ring.map((e) => offsetPath(e.path, e.allowance));
  const betweens: Path[] = [];
  const n = ring.length;
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    const c = cornerOf(ring[i] as Edge, cuts[i] as Path, ring[j] as Edge, cuts[j] as Path);
    cuts[i] = c.a;
    cuts[j] = c.b;
    betweens[i] = c.between;
  }
  return tidy(
    weld(
      cuts.flatMap((c, i) => [...c, ...(betweens[i] as Path)]),
      true,
      HAIR,
    ),
  );
}

function tidy(outline: Path): CutLine {
  // Fine chords: a loop of half a millimetre at an inner corner hides between coarse ones.
  if (!selfCrossing(flatten(outline, FLATTEN / 4).slice(0, -1))) return { outline, cleaned: false };
  const rings = union([flatten(outline).slice(0, -1)]);
  const largest = rings.sort((x, y) => ringsArea([y]) - ringsArea([x]))[0];
  if (!largest) return { outline, cleaned: true };
  const back = reverseIfNeeded(largest);
  return { outline: polyline([...back, back[0] as (typeof back)[number]]), cleaned: true };
}

function reverseIfNeeded(r: { x: number; y: number }[]) {
  let sum = 0;
  for (let i = 0, j = r.length - 1; i < r.length; j = i++) {
    sum += (r[j]?.x ?? 0) * (r[i]?.y ?? 0) - (r[i]?.x ?? 0) * (r[j]?.y ?? 0);
  }
  return sum < 0 ? [...r].reverse() : r;
}

/**
 * The ring seen from its cut line: every edge of `ring` is a drawn cut edge with its allowance, and the seam line lies
 * inside it by that allowance, corners where the seam lines meet.
 */
export function seamLineFromCut(whole: Edge[]): Edge[] {
  const ring = inHalves(whole);
  const paths = ring.map((e) => offsetPath(e.path, -e.allowance));
  const n = ring.length;
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    const m = meet(paths[i] as Path, paths[j] as Path, reachOf(ring[i] as Edge, ring[j] as Edge));
    paths[i] = [...m.a, ...m.between];
    paths[j] = m.b;
  }
  const welded = weldRing(paths);
  if (whole.length === 1) return whole.map((e) => ({ ...e, path: welded.flat() }));
  return whole.map((e, i) => ({ ...e, path: welded[i] as Path }));
}
