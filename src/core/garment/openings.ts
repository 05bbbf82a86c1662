import { type FindingCode } from '../findingcodes.ts';
import { type Role } from '../pattern/index.ts';
import { type Finding } from '../result.ts';
import { type Loop, loopsOf, type Surface } from './surface.ts';

/** A head goes through an opening so long all round, mm. Common practice. */
const HEAD = 560;

const NECK: ReadonlySet<Role> = new Set<Role>(['neckline', 'cut-out']);
const WAIST: ReadonlySet<Role> = new Set<Role>(['waist', 'band-edge']);

/** Length of a loop as it is sewn, mm. */
const round = (l: Loop): number => l.edges.reduce((t, e) => t + e.sewn, 0);
const only = (l: Loop, roles: ReadonlySet<Role>): boolean => l.roles.every((r) => roles.has(r));

/** A stretch of boundary that runs all round, and where it does. */
const told = (code: FindingCode, l: Loop, data: Finding['data']): Finding => {
  const { piece = '', edge = '' } = l.edges[0] ?? {};
  return { code, severity: 'warn', where: { piece, edge }, ...(data && { data }) };
};

/**
 * Openings that close on themselves where a body has to come in: a neck too narrow for a head, a waist that nothing opens.
 * `opened`: a zip opens one of the seams. A waist below a bodice is sewn to it and is none.
 */
export function closedOpenings(s: Surface, opened: boolean): Finding[] {
  if (opened) return [];
  return loopsOf(s).flatMap((l): Finding[] => {
    if (l.roles.includes('neckline'))
      return only(l, NECK) && round(l) < HEAD ? [told('neck-narrow', l, { round: round(l), least: HEAD })] : [];
    return only(l, WAIST) ? [told('waist-closed', l, { round: round(l) })] : [];
  });
}
