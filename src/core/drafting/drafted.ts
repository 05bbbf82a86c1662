import { type Decisions } from '../document/project.ts';
import { type Join, joinsOnce, type PanelEdge, type Surface } from '../garment/index.ts';
import { allEdges, type Piece, type PieceKind, type Role, type Side } from '../pattern/index.ts';
import { type LiningHem } from './lining/hem.ts';
import { joinYoke } from './shape/joinyoke.ts';
import { type Laid } from './shape/laytogether.ts';
import { type Split } from './shape/oriented.ts';

/** A shell piece as it is drafted from, and what came of it. */
export interface Drafted {
  /** What facing and lining are drafted from: the shell piece, or a back with its yoke laid to it. */
  shell: Piece;
  /** What its facing's and its lining's ids begin with: the kind for the first of a kind, as most garments have one. */
  base: string;
  /** What they are called after: the kind, or where there are more of it the piece. */
  title: string;
  /** How it was parted along its facing line. */
  split?: Split;
  facing?: Piece;
  /** Further pieces that its facing goes over in one. */
  over?: Drafted[];
  /** The same laid together, and how they were parted along one facing line. */
  laid?: { laid: Laid; split: Split };
  /** All of it lies under a facing: there is nothing of it to line. */
  covered?: boolean;
  /** Its facing found no room: what its lining would begin at is not known. */
  refused?: boolean;
  /** Where its lining's lower edge lies. */
  hem?: LiningHem | null;
  /** As it is cut with its facing grown on; `facing` is then the part of it beyond the fold. */
  recut?: Piece;
  lining?: Piece;
  /** Panels whose lining is cut in one with this one's. */
  linedWith?: Drafted[];
  /** The half of its lining that lies under at a vent; `lining` is then the one that laps over. */
  under?: Piece;
}

/** A piece and all that its lining is cut in one with. */
export const linedAs = (x: Drafted): Drafted[] => [x, ...(x.linedWith ?? [])];

/** What a piece is called where it was laid together with others for drafting. */
export const laidId = (x: Drafted): string => `${x.shell.id}-laid`;

/** The garment as facings and linings are drafted from it. */
export interface Garment {
  shell: Piece[];
  surface: Surface;
  /** What is sewn to what, each seam once though it is sewn left and right. */
  joins: Join[];
  /** Every piece of the shell, a yoke that is taken into its back as part of that. */
  drafted: Drafted[];
}

/** What the inside of the usual pieces is called after. */
const TITLES: Partial<Record<PieceKind, string>> = {
  front: 'Front',
  back: 'Back',
  'front-side': 'Side front',
  'back-side': 'Side back',
  sleeve: 'Sleeve',
  'under-sleeve': 'Under-sleeve',
  hood: 'Hood',
  'skirt-front': 'Skirt front',
  'skirt-back': 'Skirt back',
  'trouser-front': 'Trouser front',
  'trouser-back': 'Trouser back',
};

/** Pieces that are made double or are faced by themselves, and have no lining. */
const BANDS: ReadonlySet<PieceKind> = new Set<PieceKind>(['collar', 'stand', 'cuff', 'waistband', 'placket']);
const SLEEVES: ReadonlySet<PieceKind> = new Set<PieceKind>(['sleeve', 'under-sleeve']);
const SKIRTS: ReadonlySet<PieceKind> = new Set<PieceKind>([
  'skirt-front',
  'skirt-back',
  'trouser-front',
  'trouser-back',
]);

/** The shell as it is drafted from: every piece, and a back with the yoke taken in where it has one. */
export function garmentOf(shell: Piece[], surface: Surface): Garment {
  const back = shell.find((p) => p.kind === 'back');
  const yoke = shell.find((p) => p.kind === 'yoke');
  const whole = back && yoke ? joinYoke(back, yoke) : null;
  const seen = new Set<PieceKind>();
  const drafted = shell.flatMap((p): Drafted[] => {
    if (whole && p === yoke) return [];
    const title = TITLES[p.kind];
    const usual = title !== undefined && !seen.has(p.kind);
    seen.add(p.kind);
    const alone = shell.every((q) => q === p || q.kind !== p.kind);
    return [
      {
        shell: whole && p === back ? whole : p,
        base: usual ? p.kind : `${p.kind}.${p.id}`,
        title: usual && alone ? title : p.name,
      },
    ];
  });
  return { shell, surface, joins: joinsOnce(surface), drafted };
}

/** Where in the garment a piece is worn, as far as its lining goes by that; null for what has none. */
export type Place = 'body' | 'skirt' | 'sleeve' | 'hood';

/** The pieces that one is sewn to. */
function neighbours(g: Garment, id: string): Piece[] {
  const ids = new Set<string>();
  for (const { a, b } of g.joins) {
    const pieces = [...a, ...b].map((e) => e.piece);
    if (pieces.includes(id)) for (const p of pieces) if (p !== id) ids.add(p);
  }
  return g.shell.filter((p) => ids.has(p.id));
}

const isJoined = (g: Garment, id: string): boolean =>
  g.joins.some(({ a, b }) => [...a, ...b].some((e) => e.piece === id));

/** Edges that only what is worn above the waist has. */
const UPPER: ReadonlySet<Role> = new Set<Role>(['neckline', 'shoulder', 'armhole', 'centre-front', 'centre-back']);

export function placeOf(g: Garment, { kind, id, ring }: Piece): Place | null {
  if (SLEEVES.has(kind)) return 'sleeve';
  if (SKIRTS.has(kind)) return 'skirt';
  if (kind === 'hood') return 'hood';
  if (BANDS.has(kind)) return null;
  if (kind !== 'other' && kind !== 'yoke') return 'body';
  // What has no kind is worn where it is sewn on; what is sewn to nothing is laid on: a pocket, a flap.
  if (!isJoined(g, id)) return null;
  if (ring.some((e) => e.role === 'cap')) return 'sleeve';
  const above = ring.some((e) => UPPER.has(e.role));
  const near = neighbours(g, id);
  if (!above && (near.some((p) => SKIRTS.has(p.kind)) || ring.some((e) => e.role === 'waist'))) return 'skirt';
  return near.length > 0 && near.every((p) => SLEEVES.has(p.kind)) ? 'sleeve' : 'body';
}

/** Which end of the neck a piece lies at: front, back, or between them. */
export function endOf({ shell }: Drafted): 'front' | 'back' | 'sleeve' {
  if (shell.kind === 'sleeve') return 'sleeve';
  const has = (r: Role): boolean => shell.ring.some((e) => e.role === r);
  if (has('front-edge') || shell.kind.includes('front')) return 'front';
  return shell.kind.includes('back') || has('centre-back') ? 'back' : 'front';
}

/** Whether a piece of the front is cut twice, its second layer in place of facing and lining. */
export const isDoubled = (g: Garment, x: Drafted, d: Decisions): boolean =>
  frontsDouble(d) && placeOf(g, x.shell) === 'body' && endOf(x) === 'front';

/** Whether the fronts are lined with themselves, so that the back is faced only. */
export const frontsDouble = ({ lining: l }: Decisions): boolean => l.on && l.body && !l.self && l.fronts === 'double';

export const ofKind = (g: Garment, kind: PieceKind): Drafted | undefined =>
  g.drafted.find((x) => x.shell.kind === kind);

const keyOf = (piece: string, edge: string): string => `${piece}/${edge}`;

/** Whether an armhole of the piece gets a sleeve set in: by its seams; where none was found, if there are sleeves at all. */
export function isSleeved(g: Garment, p: Piece): boolean {
  if (!g.shell.some((q) => SLEEVES.has(q.kind))) return false;
  const caps = g.joins.filter((j) => j.code === 'cap');
  if (!caps.length) return true;
  const own = new Set(allEdges(p).map((e) => keyOf(e.from?.piece ?? p.id, e.from?.edge ?? e.id)));
  return caps.some(({ a, b }) => [...a, ...b].some((e) => own.has(keyOf(e.piece, e.edge))));
}

/** What a sleeve's cap is sewn to: each of both seams of a raglan sleeve. */
interface Cap {
  cap: PanelEdge[];
  armhole: PanelEdge[];
}

/** The caps of a sleeve on each side of the body; on one where both are alike. */
export function capsBySide(g: Garment, sleeve: Piece): Cap[][] {
  const sides = new Map<string, Cap[]>();
  for (const j of g.joins) {
    const [cap, armhole] = j.a.some((e) => e.role === 'cap') ? [j.a, j.b] : [j.b, j.a];
    const own = cap.find((e) => e.piece === sleeve.id && e.role === 'cap');
    if (!own || !armhole.every((e) => e.role === 'armhole')) continue;
    sides.set(own.panel, [...(sides.get(own.panel) ?? []), { cap, armhole }]);
  }
  return [...sides.values()];
}

/** Those of one side, for which the sleeve's lining is drafted. */
export const capsOf = (g: Garment, sleeve: Piece): Cap[] => capsBySide(g, sleeve)[0] ?? [];

/** What lies inside along edges of the shell: edges of facing and lining that repeat them, by which shell edge. */
export interface Within {
  facing: Map<string, Side[]>;
  lining: Map<string, Side[]>;
}

/** Every edge of facings and linings that repeats an edge of the shell under its own name. */
export function withinOf(g: Garment): Within {
  const roles = new Map(g.shell.flatMap((p) => allEdges(p).map((e) => [keyOf(p.id, e.id), e.role])));
  const out: Within = { facing: new Map(), lining: new Map() };
  const add = (to: Map<string, Side[]>, p: Piece | undefined, shell: Piece): void => {
    // A back with its yoke laid to it has edges of both: each knows which piece it was drawn on.
    const drawn = new Map(shell.ring.map((e) => [keyOf(shell.id, e.id), e.from]));
    for (const e of p ? allEdges(p) : []) {
      const from = e.from && (drawn.get(keyOf(e.from.piece, e.from.edge)) ?? e.from);
      const key = from && keyOf(from.piece, from.edge);
      if (!p || !key || e.onFold || roles.get(key) !== e.role) continue;
      to.set(key, [...(to.get(key) ?? []), { piece: p.id, edge: e.id, role: e.role }]);
    }
  };
  for (const x of g.drafted) {
    add(out.facing, x.facing, x.shell);
    add(out.lining, x.lining, x.shell);
  }
  return out;
}

/** The inside along a chain of shell edges, and whether every edge of the chain has some. */
export interface Along {
  sides: Side[];
  whole: boolean;
}

export function along(w: Within, which: 'facing' | 'lining' | 'both', chain: PanelEdge[]): Along {
  const out = new Map<string, Side>();
  let whole = true;
  for (const e of chain) {
    const key = keyOf(e.piece, e.edge);
    const found = [
      ...(which === 'lining' ? [] : (w.facing.get(key) ?? [])),
      ...(which === 'facing' ? [] : (w.lining.get(key) ?? [])),
    ];
    whole &&= found.length > 0;
    for (const s of found) out.set(keyOf(s.piece, s.edge), s);
  }
  return { sides: [...out.values()], whole };
}

/** Edges of one role on a piece; of a shell piece put together from several, on the piece each was drawn on. */
export const edgesOn = (p: Piece | undefined, ...roles: Role[]): Side[] =>
  (p?.ring ?? [])
    .filter((e) => roles.includes(e.role))
    .map((e) =>
      e.from && p?.material === 'shell'
        ? { piece: e.from.piece, edge: e.from.edge, role: e.role }
        : { piece: p?.id ?? '', edge: e.id, role: e.role },
    );

/** Names of the pieces on both sides of a seam that has no name of its own. */
export function namesOf(pieces: Piece[], a: Side[], b: Side[]): [string, string] {
  const names = (sides: Side[]): string =>
    [...new Set(sides.map((s) => pieces.find((p) => p.id === s.piece)?.name ?? s.piece))].join(' + ');
  return [names(a), names(b)];
}
