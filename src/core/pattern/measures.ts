import { dot, outward, type Point, pathLength, startOf } from '../geometry/index.ts';
import { takenOf } from './dartintake.ts';
import { grainDirection } from './grain.ts';
import { flatRing } from './ring.ts';
import { type Piece, type PieceKind, type Role } from './types.ts';

/** Measures of the garment that a sewist knows: all on the seam lines as drawn. */
export const MEASURES = ['chest', 'waist', 'hem', 'back', 'sleeve', 'largest'] as const;
export type MeasureCode = (typeof MEASURES)[number];
export interface TakenMeasure {
  code: MeasureCode;
  mm: number;
}

const BODY: readonly PieceKind[] = ['front', 'front-side', 'back', 'back-side'];
const SKIRT: readonly PieceKind[] = ['skirt-front', 'skirt-back'];

/** How often a piece goes into the garment's round: twice where mirrored or laid on a fold. */
const times = (p: Piece): number => (p.cut.onFold ? 2 : Math.min(2, p.cut.count));

/** Extent of a piece along a direction, mm. */
function extent(points: Point[], along: Point): number {
  const at = points.map((q) => dot(q, along));
  return Math.max(...at) - Math.min(...at);
}

/** Width of a piece square to its grain at the height of a point, mm. */
function widthAt(points: Point[], up: Point, at: Point): number {
  const across = outward(up);
  const level = dot(at, up);
  const places = points.flatMap((p, i) => {
    const q = points[(i + 1) % points.length] as Point;
    const [a, b] = [dot(p, up) - level, dot(q, up) - level];
    if (a > 0 === b > 0) return [];
    const t = a / (a - b);
    return [dot(p, across) + (dot(q, across) - dot(p, across)) * t];
  });
  return places.length ? Math.max(...places) - Math.min(...places) : 0;
}

/** Where the armhole meets the side. */
function underarm(p: Piece): Point | null {
  const n = p.ring.length;
  for (const [i, e] of p.ring.entries()) {
    const before = p.ring[(i + n - 1) % n];
    if (before && [before.role, e.role].sort().join() === 'armhole,side') return startOf(e.path);
  }
  return null;
}

/** Sum of a role's edges round the garment, without what darts and pleats take out. */
function round(pieces: Piece[], kinds: readonly PieceKind[], role: Role): number {
  return pieces
    .filter((p) => kinds.includes(p.kind))
    .reduce((sum, p) => {
      const taken = takenOf(p);
      const own = p.ring.filter((e) => e.role === role);
      return sum + times(p) * own.reduce((s, e) => s + pathLength(e.path) - (taken.get(e.id) ?? 0), 0);
    }, 0);
}

/**
 * The garment's measures as its pieces are drawn, overlaps of the front included: round under the arms, the waist seam and
 * hem round, the back's and the sleeve's length along the grain, and the longest side of any piece. What the pieces do not
 * show is left out.
 */
export function measuresOf(pieces: Piece[]): TakenMeasure[] {
  const shapes = new Map<Piece, Point[]>(pieces.map((p) => [p, flatRing(p.ring)]));
  const pointsOf = (p: Piece): Point[] => shapes.get(p) ?? [];
  const body = pieces.filter((p) => BODY.includes(p.kind));
  const arms = body.map((p) => ({ p, at: underarm(p) }));
  // Panels without an armhole of their own have no underarm to measure at.
  const chest = arms.every((a) => a.at)
    ? arms.reduce((s, { p, at }) => s + times(p) * widthAt(pointsOf(p), grainDirection(p), at as Point), 0)
    : 0;
  const longest = (kind: PieceKind): number =>
    Math.max(0, ...pieces.filter((p) => p.kind === kind).map((p) => extent(pointsOf(p), grainDirection(p))));
  const skirt = pieces.some((p) => SKIRT.includes(p.kind));
  const sides = pieces.map((p) => Math.max(extent(pointsOf(p), { x: 1, y: 0 }), extent(pointsOf(p), { x: 0, y: 1 })));
  const all: TakenMeasure[] = [
    { code: 'chest', mm: chest },
    { code: 'waist', mm: round(pieces, skirt ? SKIRT : BODY, 'waist') },
    { code: 'hem', mm: round(pieces, skirt ? SKIRT : BODY, 'hem') },
    { code: 'back', mm: longest('back') },
    { code: 'sleeve', mm: longest('sleeve') },
    { code: 'largest', mm: Math.max(0, ...sides) },
  ];
  return all.filter((m) => m.mm > 1);
}
