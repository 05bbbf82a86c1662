import { type Finding, stop } from '../result.ts';
import { type Piece, type Role } from './types.ts';

/** Names that stand for each other at the same place of a piece. */
const AS_GOOD: Partial<Record<Role, Role>> = {
  hem: 'waist',
  waist: 'hem',
  'front-edge': 'centre-front',
  'centre-front': 'front-edge',
};

/**
 * Why nothing can be drafted from a piece that needs edges of these names: those it lacks; or, where it has all of them,
 * that they do not follow each other as they would have to.
 */
export function rolesMissing(piece: Piece, needed: readonly Role[]): Finding {
  const has = (role: Role | undefined): boolean => piece.ring.some((e) => e.role === role);
  const none = needed.filter((r) => !has(r));
  // A hem is not asked of a bodice that ends at the waist, unless it is all that is lacking.
  const lacking = none.some((r) => !has(AS_GOOD[r])) ? none.filter((r) => !has(AS_GOOD[r])) : none;
  const data = (roles: readonly Role[]) => ({ name: piece.name, roles: roles.join(', ') });
  return lacking.length
    ? stop('roles-missing', { piece: piece.id }, data(lacking))
    : stop('roles-apart', { piece: piece.id }, data(needed));
}
