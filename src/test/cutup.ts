import { type ShellEdge, type ShellPiece } from '../core/document/project.ts';
import {
  type Affine,
  apply,
  boxOf,
  compose,
  cubic,
  mapPath,
  type Path,
  pathLength,
  pointAlong,
  reversePath,
  rotation,
  stretch,
  translation,
} from '../core/geometry/index.ts';
import { type Role } from '../core/pattern/index.ts';

/** Where a piece is cut: from a share of the way along one edge to a share along another, bulging by a share of its length. */
export interface Cutting {
  from: [Role, number];
  to: [Role, number];
  bulge: [number, number];
  /** What the new edges are called. */
  seam: Role;
}

const rolling = <T>(list: T[], from: number): T[] => [...list.slice(from), ...list.slice(0, from)];

function parted(e: ShellEdge, share: number): [ShellEdge, ShellEdge] {
  const [l, at] = [pathLength(e.path), pathLength(e.path) * share];
  return [
    { ...e, path: stretch(e.path, 0, at) },
    { ...e, id: `${e.id}'`, path: stretch(e.path, at, l) },
  ];
}

const moved = (p: ShellPiece, m: Affine): ShellPiece => ({
  ...p,
  ring: p.ring.map((e) => ({ ...e, path: mapPath(e.path, m) })),
  grain: { a: apply(m, p.grain.a), b: apply(m, p.grain.b) },
});

/**
 * A piece cut in two along a curve; the second part, which lies from the cut's first place on round the ring, is laid
 * elsewhere on the paper, turned. Null where the piece lacks one of the edges. Notches and inner lines are left out.
 */
export function cutUp(p: ShellPiece, c: Cutting, name: string, turn: number): [ShellPiece, ShellPiece] | null {
  const [i, j] = [p.ring.findIndex((e) => e.role === c.from[0]), p.ring.findIndex((e) => e.role === c.to[0])];
  const [first, second] = [p.ring[i], p.ring[j]];
  if (!first || !second || i === j) return null;
  const [a1, a2] = parted(first, c.from[1]);
  const [b1, b2] = parted(second, c.to[1]);
  const round = rolling(p.ring, i);
  const k = (j - i + p.ring.length) % p.ring.length;
  const [between, rest] = [round.slice(1, k), round.slice(k + 1)];
  const [from, to] = [pointAlong(a2.path, 0), pointAlong(b2.path, 0)];
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const at = (t: number, out: number) => ({ x: from.x + dx * t - dy * out, y: from.y + dy * t + dx * out });
  const cut: Path = [cubic(from, at(0.33, c.bulge[0]), at(0.67, c.bulge[1]), to)];
  const seam = (id: string, path: Path): ShellEdge => ({
    ...first,
    id,
    role: c.seam,
    path,
    allowance: null,
    corner: null,
    onFold: false,
  });
  const base = { ...p, notches: [], lines: [] };
  const own: ShellPiece = { ...base, ring: [a1, seam(`cut ${name}`, cut), b2, ...rest] };
  const other: ShellPiece = {
    ...base,
    id: `${p.id}-${name}`,
    name,
    kind: 'other',
    ring: [a2, ...between, b1, seam(`cut ${name}`, reversePath(cut))],
  };
  // What is cut off a piece on the fold is cut twice, once it no longer lies there.
  for (const q of [own, other]) if (p.count === 1) q.count = q.ring.some((e) => e.onFold) ? 1 : 2;
  const box = boxOf(other.ring.flatMap((e) => e.path));
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const away = compose(
    translation(middle.x + 3000, middle.y),
    compose(rotation(turn), translation(-middle.x, -middle.y)),
  );
  return [own, moved(other, away)];
}
