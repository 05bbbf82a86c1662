import { type Role } from '../pattern/index.ts';
import { type Finding } from '../result.ts';
import { type PanelEdge, panelEdges } from './panels.ts';
import { type Surface } from './surface.ts';

/** Edges that are always sewn to something. */
const SEAMS: ReadonlySet<Role> = new Set<Role>([
  'shoulder',
  'side',
  'panel-seam',
  'yoke-seam',
  'underarm',
  'inseam',
  'rise',
  'elbow-seam',
  'forearm-seam',
  'cap',
  'stand-neck',
  'collar-neck',
  'cuff-seam',
]);

/** Edges that are named as seams, found nothing to be sewn to, and were not said to stay open. */
export const unsewnEdges = (s: Surface): PanelEdge[] =>
  s.panels.flatMap((p) => panelEdges(p).filter((e) => !s.joined.has(e.key) && !s.open.has(e.key) && SEAMS.has(e.role)));

/**
 * Edges of which nothing is known yet: without a name on a piece whose other edges have some, sewn to nothing, and not said to
 * stay open. Those of a piece without any named edge are taken to be laid on, as a pocket's are.
 */
export const unsaidEdges = (s: Surface): PanelEdge[] =>
  s.panels.flatMap((p) =>
    p.ring.some((e) => e.role !== 'plain')
      ? panelEdges(p).filter((e) => e.role === 'plain' && !s.joined.has(e.key) && !s.open.has(e.key))
      : [],
  );

/** Edges that ought to be sewn to something and are not, told once for each piece at the first of them. */
export function unsewn(s: Surface): Finding[] {
  const told = new Set<string>();
  const all = unsewnEdges(s);
  return s.panels.flatMap(({ id, piece, name }): Finding[] => {
    const alone = all.filter((e) => e.panel === id);
    const first = alone[0];
    if (!first || told.has(piece)) return [];
    told.add(piece);
    const roles = [...new Set(alone.map((e) => e.role))].join(', ');
    return [{ code: 'edges-alone', severity: 'warn', where: { piece, edge: first.edge }, data: { name, roles } }];
  });
}
