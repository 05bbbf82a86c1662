import { type Decisions, type Stiffened } from '../../document/project.ts';
import { type Edge, type Piece } from '../../pattern/index.ts';
import { because, type Finding, type Result, refuse, warn } from '../../result.ts';
import { splitRun } from '../facing/splitstretch.ts';
import { runAndRest, withParents } from '../shape/oriented.ts';
import { freeInner, interfaceWhole, stripOn } from './interfacing.ts';

/** The edge of a piece of the inside that repeats one of the shell's. */
const repeats = (e: Edge, edge: string): boolean => e.from?.edge === edge;

/**
 * Interfacing wherever it is wished: along any edge of a piece, so wide, or of all of it; on the shell or on its lining, as a
 * lined bodice may carry it (common practice). Its inner edge lies free, the others by the chosen trim. mm. What has no such
 * edge or lining, or no room, is told.
 */
export function regions(shell: Piece[], linings: Piece[], d: Decisions, findings: Finding[]): Piece[] {
  return d.interfacing.regions.flatMap((r, i): Piece[] => {
    const made = region(shell, linings, r, d);
    if (!made.ok) findings.push(...made.findings);
    return made.ok ? [{ ...made.value, id: `region-${i + 1}-interfacing` }] : [];
  });
}

function region(shell: Piece[], linings: Piece[], r: Stiffened, d: Decisions): Result<Piece> {
  const own = shell.find((p) => p.id === r.piece);
  const target = r.on === 'lining' ? linings.find((p) => p.parent === r.piece) : own;
  if (!own || !target) return refuse(warn('region-gone', undefined, { name: own?.name ?? '', on: r.on }));
  const { trim } = d.interfacing;
  if (r.edge === null) return interfaceWhole(target, own, trim);
  const ring = r.on === 'lining' ? target.ring : withParents(target);
  const found = runAndRest(ring, (e) => repeats(e, r.edge as string));
  if (!found) return refuse(warn('region-gone', undefined, { name: target.name, on: r.on }));
  const split = splitRun(target, found, { start: r.width, end: r.width }, 0);
  if (!split.ok) return split;
  const role = (found.run[0] as Edge).role.replace(/-/g, ' ');
  const as = {
    id: 'region',
    name: `${target.name} interfacing, ${role}`,
    reason: because('region', 'choice', r.width),
  };
  return stripOn(target, own, split.value.facing.map(freeInner), trim, as);
}
