import { type Box, boxOf, endOf, type Path, pathLength, pointAlong, startOf } from '../geometry/index.ts';
import { type PieceKind, type Role } from './types.ts';

/** Roles proposed for a ring, one per edge, with how sure the proposal is (0..1). */
export interface Suggestion {
  kind: PieceKind;
  roles: Role[];
  confidence: number;
}

/**
 * What the ring of such a piece must have, clockwise on screen, with the centre line at the left. A piece drawn the other
 * way round is met by the reversed order.
 */
const TEMPLATES: Record<Exclude<PieceKind, 'other'>, Role[]> = {
  front: ['front-edge', 'neckline', 'shoulder', 'armhole', 'side', 'hem'],
  back: ['centre-back', 'neckline', 'shoulder', 'armhole', 'side', 'hem'],
  sleeve: ['cap', 'underarm', 'wrist', 'underarm'],
};

const NAME_HINTS: [RegExp, PieceKind][] = [
  [/facing|lining|interfac|pocket|collar|yoke|cuff|band|belt|tab|stand/i, 'other'],
  [/sleeve/i, 'sleeve'],
  [/front/i, 'front'],
  [/back/i, 'back'],
];

/** How an edge lies in its piece: place of its middle in the bounding box (0..1), direction, straightness, bulge, share. */
interface Look {
  u: number;
  v: number;
  flat: number;
  upright: number;
  straight: number;
  /** Sagitta over chord, positive when the edge bulges out of the piece. */
  bulge: number;
  share: number;
}

function lookOf(path: Path, box: Box, perimeter: number): Look {
  const a = startOf(path);
  const b = endOf(path);
  const length = pathLength(path);
  const m = pointAlong(path, length / 2);
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const chord = Math.hypot(dx, dy) || 1e-9;
  const out = ((m.x - (a.x + b.x) / 2) * dy - (m.y - (a.y + b.y) / 2) * dx) / chord;
  return {
    u: (m.x - box.minX) / Math.max(1e-9, box.maxX - box.minX),
    v: (m.y - box.minY) / Math.max(1e-9, box.maxY - box.minY),
    flat: Math.abs(dx) / chord,
    upright: Math.abs(dy) / chord,
    straight: chord / Math.max(1e-9, length),
    bulge: out / chord,
    share: length / perimeter,
  };
}

const near = (x: number, want: number, slack: number): number => Math.max(0, 1 - Math.abs(x - want) / slack);
const clamp = (x: number): number => Math.min(1, Math.max(0, x));

/** How well an edge fits a role, 0..1; the centre line is taken to lie at the left. */
const FITS: Partial<Record<Role, (l: Look) => number>> = {
  'front-edge': (l) => 0.35 * l.upright + 0.35 * near(l.u, 0, 0.5) + 0.15 * l.straight + 0.15 * clamp(l.share * 5),
  'centre-back': (l) => 0.35 * l.upright + 0.35 * near(l.u, 0, 0.5) + 0.15 * l.straight + 0.15 * clamp(l.share * 5),
  neckline: (l) => 0.3 * near(l.u, 0.15, 0.5) + 0.3 * near(l.v, 0.04, 0.4) + 0.4 * clamp(-l.bulge * 6),
  shoulder: (l) =>
    0.35 * near(l.v, 0.03, 0.3) + 0.3 * l.flat + 0.2 * near(l.bulge, 0, 0.1) + 0.15 * near(l.u, 0.5, 0.4),
  armhole: (l) =>
    0.3 * near(l.u, 0.85, 0.5) + 0.25 * near(l.v, 0.2, 0.4) + 0.25 * clamp(-l.bulge * 8) + 0.2 * l.upright,
  side: (l) => 0.35 * l.upright + 0.3 * near(l.u, 0.95, 0.5) + 0.2 * near(l.v, 0.6, 0.5) + 0.15 * l.straight,
  hem: (l) => 0.5 * near(l.v, 1, 0.4) + 0.5 * l.flat,
  cap: (l) => 0.4 * near(l.v, 0, 0.5) + 0.35 * clamp(l.bulge * 4) + 0.25 * clamp(l.share * 3),
  underarm: (l) => 0.5 * l.upright + 0.25 * near(l.v, 0.6, 0.4) + 0.25 * Math.abs(l.u - 0.5) * 2,
  wrist: (l) => 0.5 * near(l.v, 1, 0.4) + 0.5 * l.flat,
};

const SKIPPED = 0.9;

/**
 * Best order-keeping assignment of the template's roles to the edges, starting at one edge: neighbouring edges may share
 * a role, a role may be missing at a cost. Dynamic programming over edges and roles.
 */
function align(looks: Look[], roles: Role[]): { score: number; roles: Role[] } {
  const n = looks.length;
  const k = roles.length;
  const best: number[][] = [];
  const from: number[][] = [];
  for (let i = 0; i < n; i++) {
    best.push([]);
    from.push([]);
    for (let j = 0; j < k; j++) {
      const fit = FITS[roles[j] as Role]?.(looks[i] as Look) ?? 0;
      let before = i === 0 ? -SKIPPED * j : Number.NEGATIVE_INFINITY;
      let via = -1;
      for (let p = 0; i > 0 && p <= j; p++) {
        const cost = p === j ? 0.12 : SKIPPED * (j - p - 1);
        const candidate = (best[i - 1]?.[p] ?? Number.NEGATIVE_INFINITY) - cost;
        if (candidate > before) [before, via] = [candidate, p];
      }
      (best[i] as number[])[j] = before + fit;
      (from[i] as number[])[j] = via;
    }
  }
  const ends = (best[n - 1] as number[]).map((s, j) => s - SKIPPED * (k - 1 - j));
  let j = ends.indexOf(Math.max(...ends));
  const score = (ends[j] as number) / Math.max(n, k);
  const out: Role[] = [];
  for (let i = n - 1; i >= 0; i--) {
    out[i] = roles[j] as Role;
    j = from[i]?.[j] ?? j;
  }
  return { score, roles: out };
}

/** Tries every starting edge and both directions of one template. */
function fitTemplate(paths: Path[], template: Role[], mirrored: boolean): { score: number; roles: Role[] } {
  const box = paths.map(boxOf).reduce((a, b) => ({
    minX: Math.min(a.minX, b.minX),
    minY: Math.min(a.minY, b.minY),
    maxX: Math.max(a.maxX, b.maxX),
    maxY: Math.max(a.maxY, b.maxY),
  }));
  const perimeter = paths.reduce((s, p) => s + pathLength(p), 0);
  const looks = paths.map((p) => lookOf(p, box, perimeter)).map((l) => (mirrored ? { ...l, u: 1 - l.u } : l));
  const order = mirrored ? [...template].reverse() : template;
  let best: { score: number; roles: Role[] } = { score: Number.NEGATIVE_INFINITY, roles: [] };
  for (let start = 0; start < looks.length; start++) {
    const turned = [...looks.slice(start), ...looks.slice(0, start)];
    const found = align(turned, order);
    if (found.score > best.score) {
      const n = looks.length;
      best = { score: found.score, roles: looks.map((_, i) => found.roles[(i - start + n) % n] as Role) };
    }
  }
  return best;
}

const hintOf = (name: string): PieceKind | null => NAME_HINTS.find(([re]) => re.test(name))?.[1] ?? null;

/**
 * Proposes what a piece is and a role for each edge (paths of a ring that runs clockwise on screen, y down, drawn
 * upright), from its name, and the place, direction, curve and neighbours of its edges.
 */
export function suggestRoles(name: string, paths: Path[]): Suggestion {
  const hint = hintOf(name);
  const none: Suggestion = { kind: 'other', roles: paths.map(() => 'plain'), confidence: 0 };
  if (hint === 'other' || paths.length < 3) return none;
  const kinds = hint ? [hint] : (['front', 'back', 'sleeve'] as const);
  const tries = kinds.flatMap((kind) => {
    const template = TEMPLATES[kind as keyof typeof TEMPLATES];
    return [false, true].map((m) => ({ kind: kind as PieceKind, ...fitTemplate(paths, template, m) }));
  });
  const best = tries.sort((a, b) => b.score - a.score)[0];
  if (!best || (!hint && best.score < 0.62)) return none;
  return { kind: best.kind, roles: best.roles, confidence: clamp(best.score + (hint ? 0.1 : 0)) };
}
