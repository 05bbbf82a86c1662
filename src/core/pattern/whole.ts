import { type ShellEdge, type ShellPiece } from '../document/project.ts';
import {
  apply,
  dot,
  endOf,
  line,
  nearestOn,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  reflection,
  scale,
  startOf,
  stretch,
  sub,
  unit,
} from '../geometry/index.ts';
import { ok, type Result, refuse, stop } from '../result.ts';
import { type PieceKind, type Role } from './types.ts';

/** Pieces that are drafted from one half; the edge that half lies on the fold with. */
const CENTRE: Partial<Record<PieceKind, Role>> = {
  front: 'centre-front',
  back: 'centre-back',
  'skirt-front': 'centre-front',
  'skirt-back': 'centre-back',
};
const CENTRES: ReadonlySet<Role> = new Set<Role>(['centre-front', 'centre-back', 'front-edge']);

/** How far both halves may lie apart when they are folded on each other (mm). */
const UNLIKE = 1.5;

/** Runs of side seams round a ring; two of them belong to a piece drawn whole. */
function sideRuns(ring: { role: Role }[]): number {
  const n = ring.length;
  return ring.filter((e, i) => e.role === 'side' && ring[(i + n - 1) % n]?.role !== 'side').length;
}

/** Folded on each other two halves that are meant alike lie within this (mm); what is farther off is meant unlike. */
const MEANT_UNLIKE = 40;

/** How far the two halves of an outline lie apart at most, mm, folded about the middle between its side seams. */
function apartOf(ring: { role: Role; path: Path }[]): number {
  const feet = ring.filter((e) => e.role === 'side').flatMap((e) => [startOf(e.path), endOf(e.path)]);
  const middle = (Math.min(...feet.map((p) => p.x)) + Math.max(...feet.map((p) => p.x))) / 2;
  const mirror = reflection({ x: middle, y: 0 }, { x: 0, y: 1 });
  const outline = ring.flatMap((e) => e.path);
  return Math.max(...ring.flatMap((e) => [0.2, 0.5, 0.8].map((k) => off(e.path, k, outline, mirror))));
}

/**
 * Whether a front, back or skirt is drawn whole, both halves of the body in one outline. One whose halves are meant unlike, as
 * a dress with one shoulder, is what it is and cannot be halved.
 */
export const isDrawnWhole = (p: { kind: PieceKind; ring: { role: Role; path: Path }[] }): boolean =>
  CENTRE[p.kind] !== undefined &&
  sideRuns(p.ring) === 2 &&
  !p.ring.some((e) => CENTRES.has(e.role)) &&
  apartOf(p.ring) < MEANT_UNLIKE;

interface Cut {
  /** Index of the edge in the ring and the place on it, mm. */
  edge: number;
  at: number;
  point: Point;
}

/** The middle of the run of these roles that the fold goes through. */
function middleOf(ring: ShellEdge[], roles: Role[]): Cut | null {
  const edges = ring.map((e, i) => ({ e, i })).filter(({ e }) => roles.includes(e.role));
  const total = edges.reduce((t, { e }) => t + pathLength(e.path), 0);
  let before = 0;
  for (const { e, i } of edges) {
    const length = pathLength(e.path);
    if (before + length >= total / 2) {
      const at = total / 2 - before;
      return { edge: i, at, point: pointAlong(e.path, at) };
    }
    before += length;
  }
  return null;
}

/**
 * One half of a piece that is drawn whole, its centre on the fold. The fold goes from the middle of neckline or waist to the
 * middle of the lower edge. Refuses a piece whose two halves are not alike within 1.5 mm.
 */
export function halveWhole(p: ShellPiece): Result<ShellPiece> {
  const role = CENTRE[p.kind];
  const upper = p.ring.some((e) => e.role === 'neckline') ? 'neckline' : 'waist';
  const lower = p.ring.some((e) => e.role === 'hem') ? 'hem' : 'waist';
  const [top, low] = [middleOf(p.ring, [upper]), middleOf(p.ring, [lower])];
  if (!role || !isDrawnWhole(p) || !top || !low || top.edge === low.edge)
    return refuse(stop('not-whole', { piece: p.id }, { name: p.name }));
  const d = unit(sub(low.point, top.point));
  const mirror = reflection(top.point, d);
  const outline = p.ring.flatMap((e) => e.path);
  const apart = Math.max(...p.ring.flatMap((e) => [0.2, 0.5, 0.8].map((k) => off(e.path, k, outline, mirror))));
  if (apart > UNLIKE) return refuse(stop('halves-unlike', { piece: p.id }, { name: p.name, apart }));
  // From the middle of the upper edge on round the ring to the middle of the lower one.
  const n = p.ring.length;
  const half: ShellEdge[] = [];
  for (let k = 0; k <= n; k++) {
    const i = (top.edge + k) % n;
    const e = p.ring[i] as ShellEdge;
    const [from, to] = [k === 0 ? top.at : 0, i === low.edge ? low.at : pathLength(e.path)];
    if (to - from > 1e-6) half.push({ ...e, path: stretch(e.path, from, to) });
    if (i === low.edge) break;
  }
  const fold: ShellEdge = {
    id: freshId(p.ring),
    role,
    confidence: 1,
    path: [line(low.point, top.point)],
    allowance: null,
    corner: null,
    onFold: true,
  };
  return ok(onHalf(p, [fold, ...half], top.point, d));
}

function off(path: Path, k: number, outline: Path, mirror: Parameters<typeof apply>[0]): number {
  return nearestOn(outline, apply(mirror, pointAlong(path, pathLength(path) * k))).distance;
}

/** Notches and inner lines that lie on the kept half; the grainline beside the fold where it was its own. */
function onHalf(p: ShellPiece, ring: ShellEdge[], top: Point, d: Point): ShellPiece {
  const kept = new Map(ring.map((e) => [e.id, e]));
  const notches = p.notches.flatMap((x) => {
    const [whole, half] = [p.ring.find((e) => e.id === x.edge), kept.get(x.edge)];
    if (!whole || !half) return [];
    const hit = nearestOn(half.path, pointAlong(whole.path, x.at));
    return hit.distance < 0.1 ? [{ ...x, at: hit.at }] : [];
  });
  // The half lies to one side of the fold: by the sign of its own middle.
  const middle = ring.flatMap((e) => e.path.map((s) => s.a));
  const n = { x: -d.y, y: d.x };
  const across = (q: Point): number => dot(sub(q, top), n);
  const mean = middle.reduce((t, q) => t + across(q), 0);
  const inside = (q: Point): boolean => Math.sign(across(q)) === Math.sign(mean) || Math.abs(across(q)) < 0.5;
  const within = (path: Path): boolean => path.every((s) => inside(s.a) && inside(s.b));
  const grain = inside(p.grain.a) && inside(p.grain.b) && Math.abs(across(p.grain.a)) > 5;
  const shift = scale(n, Math.sign(mean) * 40);
  const moved = (q: Point): Point => {
    const foot = scale(n, -across(q));
    return { x: q.x + foot.x + shift.x, y: q.y + foot.y + shift.y };
  };
  return {
    ...p,
    ring,
    count: 1,
    notches,
    lines: p.lines.filter((l) => within(l.path)),
    ...(p.marks && { marks: p.marks.filter((m) => inside(m.at)) }),
    grain: grain ? p.grain : { a: moved(p.grain.a), b: moved(p.grain.b) },
  };
}

function freshId(ring: ShellEdge[]): string {
  const taken = new Set(ring.map((e) => e.id));
  for (let i = ring.length + 1; ; i++) if (!taken.has(`e${i}`)) return `e${i}`;
}
