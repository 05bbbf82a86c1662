import { sub } from '../geometry/index.ts';
import { type ShellEdge, type ShellPiece } from '../project.ts';
import { agreeing } from './agree.ts';
import { companyOf, readingsOf, type Suggestion, UNSURE } from './roles.ts';
import { type PieceKind, type Role } from './types.ts';

/** Whether an edge's name is a guess from its shape that nobody has looked at. */
export const isUnsure = (e: ShellEdge): boolean => e.role !== 'plain' && e.confidence <= UNSURE;

/**
 * Ways to read a piece as a certain kind, beside the other pieces as they are named now: the one that goes best with them
 * first. Empty for a piece that is not there.
 */
export function readingsAs(pieces: ShellPiece[], id: string, kind: PieceKind): Suggestion[] {
  const at = pieces.findIndex((p) => p.id === id);
  const piece = pieces[at];
  if (!piece) return [];
  const pathsOf = (p: ShellPiece) => p.ring.map((e) => e.path);
  const ranked = readingsOf(piece.name, pathsOf(piece), {
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
  const all = pieces.map((p, i) => ({ paths: pathsOf(p), ranked: i === at ? ranked : [asNamed(p)] }));
  const best = agreeing(all)[at] as Suggestion;
  return [best, ...ranked.filter((r) => r.roles.join() !== best.roles.join())];
}

/** The piece with the edges named as a reading says; what was guessed stays to be looked at. */
export const readAs = (piece: ShellPiece, reading: Suggestion): ShellPiece => ({
  ...piece,
  kind: reading.kind,
  ring: piece.ring.map((e, i) => ({ ...e, role: reading.roles[i] ?? 'plain', confidence: reading.confidence })),
});

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
  const at = piece.ring.findIndex((e) => e.id === edge);
  const now = piece.ring[at]?.role;
  const seen = new Set<Role | undefined>([now, 'plain']);
  return readingsAs(pieces, piece.id, piece.kind).flatMap((reading) => {
    const role = reading.roles[at];
    if (role === undefined || seen.has(role)) return [];
    seen.add(role);
    return [{ role, reading }];
  });
}
