import { type Seam, type Side } from '../pattern/index.ts';
import { type PanelEdge } from './panels.ts';
import { type Join, type JoinCode, type Surface } from './surface.ts';

type Ease = Seam['ease'];

const NONE: Ease = { min: 0, max: 0 };
/** What one side may be eased on to the other, mm: handbook figures from memory, as for the seams of the usual pieces. */
const EASE: Partial<Record<JoinCode, Ease>> = {
  shoulder: { min: -10, max: 10 },
  panel: { min: -10, max: 10 },
  cap: { min: 0, max: 40 },
  elbow: { min: -12, max: 12 },
  forearm: { min: -6, max: 6 },
  hood: { min: -15, max: 15 },
};
/** One side longer by more than this share is gathered or laid in pleats on to the other, where that is usual. */
const GATHERED = 0.12;
const MAY_GATHER: ReadonlySet<JoinCode> = new Set<JoinCode>(['yoke', 'waist', 'cap', 'cuff']);

const keyOf = (e: { piece: string; edge: string }): string => `${e.piece}/${e.edge}`;
const sideOf = (edges: PanelEdge[]): Side[] => edges.map(({ piece, edge, role }) => ({ piece, edge, role }));
const sewn = (edges: PanelEdge[]): number => edges.reduce((t, e) => t + e.sewn, 0);

/** The same seam of the other half of the body has the same edges. */
const sameAs = (j: Join): string =>
  [j.a, j.b]
    .map((side) => side.map(keyOf).sort().join())
    .sort()
    .join('=');

function easeOf(j: Join): Pick<Seam, 'ease' | 'easeOf'> {
  const [a, b] = [sewn(j.a), sewn(j.b)];
  if (MAY_GATHER.has(j.code) && Math.abs(a - b) > GATHERED * Math.min(a, b))
    return { ease: { min: a - b, max: a - b }, easeOf: 'gather' };
  const ease = EASE[j.code] ?? NONE;
  return { ease, ...(ease !== NONE && { easeOf: j.code }) };
}

/** Whether a seam of the usual pieces is still sewn so: the sewist may have said otherwise of one of its edges. */
export function stillSewn(s: Surface, seam: Seam): boolean {
  const own = new Set([...seam.a, ...seam.b].map(keyOf));
  const opened = [...s.open].some((k) => own.has(keyOf(s.edges.get(k) ?? { piece: '', edge: '' })));
  return !opened && s.joins.every((j) => !j.said || new Set([...j.a, ...j.b].map((e) => own.has(keyOf(e)))).size < 2);
}

/**
 * The seams of a surface that none of the given ones covers, as of a second front or a third panel: each once, though it is
 * sewn on the left and on the right. The longer side comes first.
 */
export function furtherSeams(s: Surface, known: Seam[]): Seam[] {
  const covered = new Set(known.flatMap((k) => [...k.a, ...k.b].map(keyOf)));
  const names = new Map(s.panels.map((p) => [p.piece, p.name]));
  const seen = new Set<string>();
  return s.joins.flatMap((j): Seam[] => {
    const same = sameAs(j);
    if (seen.has(same) || [...j.a, ...j.b].every((e) => covered.has(keyOf(e)))) return [];
    seen.add(same);
    const [a, b] = sewn(j.a) >= sewn(j.b) ? [j.a, j.b] : [j.b, j.a];
    const name = (side: PanelEdge[]): string =>
      [...new Set(side.map((e) => names.get(e.piece) ?? e.piece))].join(' + ');
    const code = `join-${j.code}` as const;
    const walked = { a: sideOf(a), b: sideOf(b), ...easeOf({ ...j, a, b }) };
    return [{ id: `shell-${j.id}`, code, group: 'shell', between: [name(a), name(b)], ...walked }];
  });
}
