import { type PieceKind, type Seam, type Side } from '../pattern/index.ts';
import { type Panel, type PanelEdge } from './panels.ts';
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

/** How far a band may reach past what it is sewn to, mm (handbook figure from memory). */
const OVERLAP = 50;
const BANDS: ReadonlySet<PieceKind> = new Set<PieceKind>(['waistband', 'cuff', 'stand', 'collar']);

const keyOf = (e: { piece: string; edge: string }): string => `${e.piece}/${e.edge}`;
const sideOf = (edges: PanelEdge[]): Side[] => edges.map(({ piece, edge, role }) => ({ piece, edge, role }));
const sewn = (edges: PanelEdge[]): number => edges.reduce((t, e) => t + e.sewn, 0);

/** The same seam of the other half of the body has the same edges. */
const sameAs = (j: Join): string =>
  [j.a, j.b]
    .map((side) => side.map(keyOf).sort().join())
    .sort()
    .join('=');

/** Every join once, though it is sewn on the left and on the right. */
export function joinsOnce(s: Surface): Join[] {
  const seen = new Set<string>();
  return s.joins.filter((j) => {
    const same = sameAs(j);
    return !seen.has(same) && Boolean(seen.add(same));
  });
}

/** What is meant on a join: ease of a usual kind, or that one side is gathered on to the other. Side a is the longer one. */
export function easeOf(j: Join, band = false): Pick<Seam, 'ease' | 'easeOf'> {
  const [a, b] = [sewn(j.a), sewn(j.b)];
  // A band reaches past what it is sewn to, for its button.
  if (band && Math.abs(a - b) <= OVERLAP)
    return { ease: { min: Math.min(0, a - b), max: Math.max(0, a - b) }, easeOf: 'overlap' };
  if (MAY_GATHER.has(j.code) && Math.abs(a - b) > GATHERED * Math.min(a, b))
    return { ease: { min: a - b, max: a - b }, easeOf: 'gather' };
  const ease = EASE[j.code] ?? NONE;
  return { ease, ...(ease !== NONE && { easeOf: j.code }) };
}

const LEGS: ReadonlySet<PieceKind> = new Set<PieceKind>(['trouser-front', 'trouser-back']);

/** How many runs of edges of a role lie round a ring. */
const runs = (ring: PanelEdge[], role: PanelEdge['role']): number =>
  ring.filter((e, i) => e.role === role && ring.at(i - 1)?.role !== role).length;

/** Of two pieces of a kind, of those without a kind and of legs only the surface knows how they are sewn: their ids. */
export function unusual(s: Surface): Set<string> {
  const first = new Map<string, string>();
  for (const p of s.panels) if (p.kind !== 'other' && !first.has(p.kind)) first.set(p.kind, p.piece);
  // A band between two others is sewn along both its long edges.
  const between = (p: Panel): boolean => p.kind === 'waistband' && runs(p.ring, 'waist') > 1;
  const apart = (p: Panel): boolean => first.get(p.kind) !== p.piece || LEGS.has(p.kind) || between(p);
  return new Set(s.panels.filter(apart).map((p) => p.piece));
}

/**
 * Which seams of the usual pieces are sewn so: none of whose edges the sewist said otherwise of, and none that goes on over
 * a piece beyond the usual ones.
 */
export function sewnSo(s: Surface, seams: Seam[]): Seam[] {
  const beyond = unusual(s);
  const opened = [...s.open].map((k) => keyOf(s.edges.get(k) ?? { piece: '', edge: '' }));
  const said = s.joins.filter((j) => j.said).map((j) => [...j.a, ...j.b].map(keyOf));
  const longer = s.joins.filter((j) => [...j.a, ...j.b].some((e) => beyond.has(e.piece)));
  const has = (own: Set<string>, edges: PanelEdge[]): boolean => edges.some((e) => own.has(keyOf(e)));
  return seams.filter((seam) => {
    const [a, b] = [new Set(seam.a.map(keyOf)), new Set(seam.b.map(keyOf))];
    const both = (k: string): boolean => a.has(k) || b.has(k);
    if (opened.some(both) || said.some((keys) => new Set(keys.map(both)).size > 1)) return false;
    // Where one side of it goes on over another piece, the whole of it is walked instead.
    const goesOn = (j: Join): boolean => (has(a, j.a) && has(b, j.b)) || (has(a, j.b) && has(b, j.a));
    if (longer.some(goesOn)) return s.joins.some((j) => goesOn(j) && !longer.includes(j));
    // What is sewn to something else on both its sides is not sewn here.
    const elsewhere = (side: Set<string>): boolean => longer.some((j) => has(side, j.a) || has(side, j.b));
    return !(elsewhere(a) && elsewhere(b) && !s.joins.some(goesOn));
  });
}

/**
 * The seams of a surface that none of the given ones covers, as of a second front or a third panel: each once, though it is
 * sewn on the left and on the right. The longer side comes first.
 */
export function furtherSeams(s: Surface, known: Seam[]): Seam[] {
  const covered = new Set(known.flatMap((k) => [...k.a, ...k.b].map(keyOf)));
  const names = new Map(s.panels.map((p) => [p.piece, p.name]));
  const bands = new Set(s.panels.filter((p) => BANDS.has(p.kind)).map((p) => p.piece));
  return joinsOnce(s).flatMap((j): Seam[] => {
    if ([...j.a, ...j.b].every((e) => covered.has(keyOf(e)))) return [];
    const [a, b] = sewn(j.a) >= sewn(j.b) ? [j.a, j.b] : [j.b, j.a];
    const name = (side: PanelEdge[]): string =>
      [...new Set(side.map((e) => names.get(e.piece) ?? e.piece))].join(' + ');
    const code = `join-${j.code}` as const;
    const walked = {
      a: sideOf(a),
      b: sideOf(b),
      ...easeOf(
        { ...j, a, b },
        [...a, ...b].some((e) => bands.has(e.piece)),
      ),
    };
    return [{ id: `shell-${j.id}`, code, group: 'shell', between: [name(a), name(b)], ...walked }];
  });
}
