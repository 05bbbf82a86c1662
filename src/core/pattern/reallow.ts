import { type AllowanceSaid } from '../document/project.ts';
import { pathLength } from '../geometry/index.ts';
import { type Piece, type Role } from './types.ts';

/** An edge that is cut with another allowance than the pattern's, mm. */
export interface Reallowed {
  piece: string;
  name: string;
  edge: string;
  role: Role;
  was: number;
  now: number;
  /** Length of its seam line. */
  length: number;
}

/**
 * Pieces whose edges are cut with other allowances: the seam stays where it is and the cut line moves, so that no garment
 * gets larger or smaller by it (common practice). With them what to trim off, or to add, edge by edge.
 */
export function reallow(pieces: Piece[], said: AllowanceSaid[]): { pieces: Piece[]; changes: Reallowed[] } {
  const changes: Reallowed[] = [];
  const cut = pieces.map((p) => {
    const own = said.filter((s) => s.piece === p.id);
    if (!own.length) return p;
    const ring = p.ring.map((e) => {
      const now = own.find((s) => s.edge === e.id)?.allowance;
      if (now === undefined || e.onFold || now === e.allowance) return e;
      const { id: edge, role } = e;
      changes.push({ piece: p.id, name: p.name, edge, role, was: e.allowance, now, length: pathLength(e.path) });
      return { ...e, allowance: now };
    });
    return { ...p, ring };
  });
  return { pieces: cut, changes };
}
