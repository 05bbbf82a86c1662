import { type Join, layFlat, type PanelEdge } from '../../garment/index.ts';
import {
  type Affine,
  apply,
  compose,
  distance,
  endOf,
  IDENTITY,
  line,
  mapPath,
  type Path,
  pathLength,
  reversePath,
  startOf,
} from '../../geometry/index.ts';
import { type Edge, type From, type Piece, reverseRing } from '../../pattern/index.ts';
import { cutRun, runAndRest, withParents } from './oriented.ts';

/** Pieces laid to each other along their seams, to be drawn on as one. */
export interface Laid {
  /** All of them as one piece, in the plane of the first. Its edges know which piece they were drawn on. */
  piece: Piece;
  parts: { piece: Piece; motion: Affine }[];
  /** The most that seam lines lie apart within the bands that were asked for, mm. */
  misfit: number;
}

export const alone = (piece: Piece): Laid => ({
  piece: { ...piece, ring: withParents(piece) },
  parts: [{ piece, motion: IDENTITY }],
  misfit: 0,
});

const X_MIRROR: Affine = { ...IDENTITY, a: -1 };
/** A step of up to so much between the ends of neighbouring edges is drawn over; a wider one gets an edge (mm). */
const STEP = 5;
/** A shorter edge is none (mm). */
const HAIR = 0.05;

const keyOf = (e: { piece: string; edge: string }): string => `${e.piece}/${e.edge}`;

/** Where on a joined chain each of its edges lies, as shares of its length. */
function places(chain: PanelEdge[]): { e: PanelEdge; from: number; to: number }[] {
  const lengths = chain.map((e) => pathLength(e.path));
  const all = lengths.reduce((t, l) => t + l, 0) || 1;
  let at = 0;
  return chain.map((e, i) => {
    const from = at / all;
    at += lengths[i] ?? 0;
    return { e, from, to: at / all };
  });
}

/** What two pieces share of a seam: the edges on either, and which shares of the seam they take up. */
interface Shared {
  own: PanelEdge[];
  other: PanelEdge[];
  /** The stretch both have, and each one's own, as shares of the seam run as `own` is. */
  low: number;
  high: number;
  ownAt: [number, number];
  otherAt: [number, number];
}

function sharedBy(ring: Edge[], other: Piece, j: Join): Shared | null {
  const on = new Set(ring.map((e) => (e.from ? keyOf(e.from) : '')));
  for (const [a, b] of [
    [j.a, j.b],
    [j.b, j.a],
  ] as const) {
    const mine = places(a).filter((p) => on.has(keyOf(p.e)));
    const drawn = mine.some((p) => !p.e.mirrored) ? mine.filter((p) => !p.e.mirrored) : mine;
    const [first, last] = [drawn[0], drawn.at(-1)];
    // Side b is run backwards along side a.
    const theirs = places(b)
      .filter((p) => p.e.piece === other.id)
      .map((p) => ({ e: p.e, from: 1 - p.to, to: 1 - p.from }))
      .filter((p) => first && last && Math.min(p.to, last.to) - Math.max(p.from, first.from) > (p.to - p.from) / 2);
    const flag = theirs[0]?.e.mirrored;
    const alike = theirs.filter((p) => p.e.mirrored === flag);
    const [one, end] = [alike.at(-1), alike[0]];
    if (!first || !last || !one || !end) continue;
    const [low, high] = [Math.max(first.from, one.from), Math.min(last.to, end.to)];
    if (high - low < 0.02) continue;
    return {
      own: drawn.map((p) => p.e),
      other: alike.map((p) => p.e),
      low,
      high,
      ownAt: [first.from, last.to],
      otherAt: [one.from, end.to],
    };
  }
  return null;
}

/** Edges one after the other drawn on to each other, a wide step with an edge of its own. */
function closedUp(all: Edge[]): Edge[] {
  const out: Edge[] = [];
  // What rounding leaves of an edge beyond a seam is none.
  const edges = all.filter((e) => pathLength(e.path) > HAIR);
  edges.forEach((e, i) => {
    const before = edges[(i + edges.length - 1) % edges.length] as Edge;
    const [from, to] = [endOf(before.path), startOf(e.path)];
    const gap = distance(from, to);
    if (gap > STEP)
      out.push({ ...e, id: `step-${i}`, role: 'plain', path: [line(from, to)], allowance: 0, onFold: false });
    const [head, ...tail] = e.path;
    out.push(head && gap > 0 && gap <= STEP ? { ...e, path: [{ ...head, a: from }, ...tail] } : e);
  });
  return out;
}

function withOwnIds(edges: Edge[]): Edge[] {
  const ids = new Set<string>();
  return edges.map((e) => {
    let id = e.id;
    for (let k = 1; ids.has(id); k++) id = `${e.id}-${e.from?.piece ?? k}${k > 1 ? `-${k}` : ''}`;
    ids.add(id);
    return id === e.id ? e : { ...e, id };
  });
}

/**
 * Lays a further piece to what lies already, along a join, best at one end of what they share of it: `near` tells which,
 * as the ring of what lies is run, clockwise. Rigid: turned, shifted, and turned over where it is drawn for the other half.
 * `band`: how far along the seam from there the fit matters, mm. Null where they share no stretch, or not in one run.
 */
export function layTogether(base: Laid, other: Piece, j: Join, near: 'start' | 'end', band: number): Laid | null {
  const shared = sharedBy(base.piece.ring, other, j);
  if (!shared) return null;
  const flipped = shared.own[0]?.mirrored !== shared.other[0]?.mirrored;
  const plain = withParents(other);
  const turnedOver = plain.map((e) => ({ ...e, path: mapPath(e.path, X_MIRROR) }));
  const keys = new Set(shared.own.map(keyOf));
  const mine = runAndRest(base.piece.ring, (e) => e.from !== undefined && keys.has(keyOf(e.from)));
  const theirs = new Set(shared.other.map((e) => e.edge));
  const its = runAndRest(flipped ? reverseRing(turnedOver) : plain, (e) => theirs.has(e.id));
  // In more than one run they cannot be laid along each other.
  if (!mine || !its || mine.rest.some((e) => e.from !== undefined && keys.has(keyOf(e.from)))) return null;
  if (its.rest.some((e) => theirs.has(e.id))) return null;
  const cut = (edges: Edge[], [from, to]: [number, number], low: number, high: number) => {
    const all = edges.reduce((t, e) => t + pathLength(e.path), 0);
    const at = (k: number): number => ((k - from) / (to - from || 1)) * all;
    return {
      head: cutRun(edges, 0, at(low)),
      middle: cutRun(edges, at(low), at(high)),
      tail: cutRun(edges, at(high), all),
    };
  };
  const a = cut(mine.run, shared.ownAt, shared.low, shared.high);
  // Along the other's own run the seam goes the other way.
  const [from, to] = shared.otherAt;
  const b = cut(its.run, [1 - to, 1 - from], 1 - shared.high, 1 - shared.low);
  const path = (edges: Edge[]): Path => edges.flatMap((e) => e.path);
  const [seam, own] = [path(a.middle), reversePath(path(b.middle))];
  if (!seam.length || !own.length) return null;
  const laid = near === 'start' ? layFlat(seam, own, band) : layFlat(reversePath(seam), reversePath(own), band);
  const moved = (edges: Edge[]): Edge[] => edges.map((e) => ({ ...e, path: mapPath(e.path, laid.motion) }));
  const ring = closedUp([...a.head, ...moved([...b.tail, ...its.rest, ...b.head]), ...a.tail, ...mine.rest]);
  const motion = flipped ? compose(laid.motion, X_MIRROR) : laid.motion;
  return {
    piece: {
      ...base.piece,
      ring: withOwnIds(ring),
      lines: [...base.piece.lines, ...other.lines.map((l) => ({ ...l, path: mapPath(l.path, motion) }))],
    },
    parts: [...base.parts, { piece: other, motion }],
    misfit: Math.max(base.misfit, laid.misfit),
  };
}

/** Which stretch of which drawn edge an edge repeats that was drafted from a piece put together for it. */
export function drawnFrom(piece: Piece, e: Edge): From | undefined {
  const { from } = e;
  const of = from && piece.ring.find((x) => x.id === from.edge);
  if (!from || !of?.from) return from;
  const length = pathLength(of.path) || 1;
  const at = (mm: number): number => {
    const f = of.from as From;
    return f.start + ((f.end - f.start) * mm) / length;
  };
  return { ...of.from, start: at(from.start), end: at(from.end) };
}

/** A piece drafted from several laid together, each of its edges knowing the one that it repeats. */
export const asDrawn = (laid: Laid, p: Piece): Piece => ({
  ...p,
  ring: p.ring.map((e) => {
    const from = drawnFrom(laid.piece, e);
    return from ? { ...e, from } : e;
  }),
});

/** The inverse of a motion. */
export function undone(m: Affine): Affine {
  const det = m.a * m.d - m.b * m.c;
  const inverse = { a: m.d / det, b: -m.b / det, c: -m.c / det, d: m.a / det, e: 0, f: 0 };
  const at = apply(inverse, { x: m.e, y: m.f });
  return { ...inverse, e: -at.x, f: -at.y };
}
