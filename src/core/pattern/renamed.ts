import { type ShellEdge, type ShellPiece } from '../document/project.ts';
import { pathLength, sub } from '../geometry/index.ts';
import { agreeing } from './agree.ts';
import { companyOf, readingsOf, type Suggestion, UNSURE } from './roles.ts';
import { longerBefore, partRound, settled, withArcs } from './roundcorner.ts';
import { type Notch, type PieceKind, type Role } from './types.ts';

/** Whether an edge's name is a guess from its shape that nobody has looked at. */
export const isUnsure = (e: ShellEdge): boolean => e.role !== 'plain' && e.confidence <= UNSURE;

/**
 * Ways to read a piece as a certain kind, beside the other pieces as they are named now: the one that goes best with them
 * first. Its round corners are looked for anew. Empty for a piece that is not there.
 */
export function readingsAs(pieces: ShellPiece[], id: string, kind: PieceKind): Suggestion[] {
  const at = pieces.findIndex((p) => p.id === id);
  const piece = pieces[at];
  if (!piece) return [];
  const paths = piece.ring.map((e) => partRound(e.path)).flatMap((r) => withArcs(r, longerBefore(r)));
  const ranked = readingsOf(piece.name, paths, {
    kind,
    grain: sub(piece.grain.b, piece.grain.a),
    fold: piece.ring.some((e) => e.onFold),
    ...companyOf(pieces.map((p) => p.name)),
  });
  const asNamed = (p: ShellPiece): Suggestion => ({
    kind: p.kind,
    roles: p.ring.map((e) => e.role),
    confidence: 1,
    up: { x: 0, y: -1 },
    believed: 0,
  });
  const best = agreeing(
    pieces.map((p, i) => (i === at ? { paths, ranked } : { paths: p.ring.map((e) => e.path), ranked: [asNamed(p)] })),
  )[at] as Suggestion;
  return [best, ...ranked.filter((r) => r.roles.join() !== best.roles.join())];
}

/**
 * The piece with the edges named as a reading says: parted at round corners where the two sides of one are of different
 * names. Allowances and folds go on to both parts; notches stay where they are.
 */
export function readAs(piece: ShellPiece, reading: Suggestion): ShellPiece {
  const { paths, roles, of } = settled(
    piece.ring.map((e) => partRound(e.path)),
    reading.roles,
  );
  let number = piece.ring.length;
  const fresh = (): string => {
    do number += 1;
    while (piece.ring.some((e) => e.id === `e${number}`));
    return `e${number}`;
  };
  const ring = paths.map((path, i): ShellEdge => {
    const edge = piece.ring[of[i] as number] as ShellEdge;
    return {
      ...edge,
      id: of[i] === of[i - 1] ? fresh() : edge.id,
      path,
      role: roles[i] as Role,
      confidence: reading.confidence,
      corner: of[i] === of[i + 1] ? null : edge.corner,
    };
  });
  const moved = (n: Notch): Notch => {
    const own = ring.filter((_, i) => piece.ring[of[i] as number]?.id === n.edge);
    let at = n.at;
    for (const part of own) {
      const length = pathLength(part.path);
      if (at <= length || part === own.at(-1)) return { ...n, edge: part.id, at };
      at -= length;
    }
    return n;
  };
  return { ...piece, kind: reading.kind, ring, notches: piece.notches.map(moved) };
}

/** A piece whose kind is corrected, its edges named anew; edges of no kind of garment piece stay without names. */
export function renamedAs(pieces: ShellPiece[], piece: ShellPiece, kind: PieceKind): ShellPiece {
  const [best] = readingsAs(pieces, piece.id, kind);
  return best ? { ...readAs(piece, best), kind } : { ...piece, kind };
}

/** What else an edge could be, the likeliest first, with the reading of the whole piece that says so. */
export function othersFor(
  pieces: ShellPiece[],
  piece: ShellPiece,
  edge: string,
): { role: Role; reading: Suggestion }[] {
  const roleIn = (ring: ShellEdge[]): Role | undefined => ring.find((e) => e.id === edge)?.role;
  const seen = new Set<Role | undefined>([roleIn(piece.ring), 'plain']);
  return readingsAs(pieces, piece.id, piece.kind).flatMap((reading) => {
    const role = roleIn(readAs(piece, reading).ring);
    if (role === undefined || seen.has(role)) return [];
    seen.add(role);
    return [{ role, reading }];
  });
}
