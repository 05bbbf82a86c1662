import { type EdgeSaid, type JoinSaid } from '../document/project.ts';
import { type Piece, type PieceKind, type Role } from '../pattern/index.ts';
import { type Panel, type PanelEdge, panelEdges, panelsOf } from './panels.ts';
import { type Chain, chainsOf, type Join, type JoinCode, type Surface, surfaceOf } from './surface.ts';

/** What two chains that are sewn together are like. */
interface Stage {
  code: JoinCode;
  a: ReadonlySet<Role>;
  b: ReadonlySet<Role>;
  /** How much longer side a may be than side b, as shares of the longer: eased, stretched, or gathered. */
  longer: number;
  shorter: number;
  /** Whether both sides are of pieces of one half of the body (front to front), of unlike ones, or of any. */
  halves: 'same' | 'other' | 'any';
  /** A piece may be sewn to its own mirror image, as at a centre. */
  mirror?: boolean;
  /** The least score of a suggestion, where not the usual. */
  least?: number;
  /** What lies at both ends does not tell: a band or collar has ends of its own. */
  loose?: boolean;
}

const roles = (...r: Role[]): ReadonlySet<Role> => new Set<Role>(r);
const alike = (code: JoinCode, role: Role, halves: Stage['halves'], most = 0.12): Stage => ({
  code,
  a: roles(role),
  b: roles(role),
  longer: most,
  shorter: most,
  halves,
});

/**
 * In what order a garment is put together from its edges: what lies within a part first, so that what comes later finds
 * whole shoulders, sides, armholes and necklines whatever number of panels they go over. Common practice; shares from memory.
 */
const STAGES: Stage[] = [
  // Sides that are surely each other's, so that what is set into their lower end finds one edge.
  { ...alike('side', 'side', 'other', 0.03), least: 2 },
  // First what goes together to a few hundredths; what is left may be an edge that goes on over a yoke.
  alike('panel', 'panel-seam', 'any', 0.04),
  alike('elbow', 'elbow-seam', 'any'),
  alike('forearm', 'forearm-seam', 'any'),
  // What hangs from a yoke may be gathered or pleated on to it.
  { ...alike('yoke', 'yoke-seam', 'any', 0.65) },
  alike('panel', 'panel-seam', 'any'),
  alike('shoulder', 'shoulder', 'other', 0.2),
  { ...alike('centre-back', 'centre-back', 'same'), mirror: true },
  { ...alike('centre-front', 'centre-front', 'same'), mirror: true },
  alike('side', 'side', 'other', 0.2),
  alike('underarm', 'underarm', 'any'),
  alike('inseam', 'inseam', 'other', 0.2),
  // Both legs, each closed along its inseam, along front and back in one.
  { ...alike('rise', 'rise', 'any'), mirror: true },
  { ...alike('waist', 'waist', 'any', 0.65), mirror: true },
  { code: 'cap', a: roles('cap'), b: roles('armhole'), longer: 0.4, shorter: 0.08, halves: 'any' },
  { code: 'hood', a: roles('neckline'), b: roles('neckline'), longer: 0.3, shorter: 0.3, halves: 'any', loose: true },
  {
    code: 'stand',
    a: roles('stand-neck'),
    b: roles('neckline'),
    longer: 0.12,
    shorter: 0.12,
    halves: 'any',
    loose: true,
  },
  {
    code: 'collar',
    a: roles('collar-neck'),
    b: roles('stand-top', 'neckline'),
    longer: 0.12,
    shorter: 0.35,
    halves: 'any',
    loose: true,
  },
  { code: 'cuff', a: roles('cuff-seam'), b: roles('wrist'), longer: 0.2, shorter: 0.65, halves: 'any', loose: true },
];

const FRONT: ReadonlySet<PieceKind> = new Set<PieceKind>(['front', 'front-side', 'skirt-front', 'trouser-front']);
const BACK: ReadonlySet<PieceKind> = new Set<PieceKind>(['back', 'back-side', 'skirt-back', 'trouser-back', 'yoke']);
const frontOrBack = (k: PieceKind): -1 | 0 | 1 => (FRONT.has(k) ? 1 : BACK.has(k) ? -1 : 0);
const SKIRTS: ReadonlySet<PieceKind> = new Set<PieceKind>([
  'skirt-front',
  'skirt-back',
  'trouser-front',
  'trouser-back',
]);

/** The kinds of the pieces a chain goes over. */
type KindOf = (c: Chain) => PieceKind[];

export const sewnLength = (c: Chain): number => c.edges.reduce((t, e) => t + e.sewn, 0);

/** Places of all notches along a chain, mm from its start. */
function notchesAlong(c: Chain): number[] {
  let at = 0;
  return c.edges.flatMap((e) => {
    const here = e.notches.map((n) => at + n);
    at += e.sewn;
    return here;
  });
}

/** How near notches have to lie to each other to be the same, mm. */
const NOTCH = 12;

/** Share of notches of either side that meet one of the other when `a` is laid along `b` run backwards; null for none. */
function notchesMeet(a: Chain, b: Chain): number | null {
  const [na, lb] = [notchesAlong(a), sewnLength(b)];
  const nb = notchesAlong(b).map((n) => lb - n);
  if (!na.length || !nb.length) return null;
  const met = na.filter((n) => nb.some((m) => Math.abs(m - n) <= NOTCH)).length;
  return met / Math.max(na.length, nb.length);
}

/** Edges that may follow each other's place at the end of a seam: an opening's edge is one whatever it is called. */
const END: Partial<Record<Role, string>> = {
  'front-edge': 'opening',
  'centre-front': 'opening',
  'centre-back': 'opening',
  vent: 'opening',
};
const endOf = (r: Role): string => END[r] ?? r;

/** Whether two chains are of the same pieces, but not of the same panels: one is the other's mirror image. */
const mirrored = (a: Chain, b: Chain): boolean =>
  a.edges.some((x) => b.edges.some((y) => x.piece === y.piece && (x.panel !== y.panel || x.mirrored !== y.mirrored)));

/** How well two chains go together, from their lengths, what lies at their ends, their notches and pieces; null not at all. */
function likeness(stage: Stage, a: Chain, b: Chain, kinds: KindOf): number | null {
  // A band with ends of its own may close a whole loop: the garment opens where they meet.
  if (a.closed !== b.closed && !stage.loose && stage.code !== 'waist') return null;
  if (!stage.mirror && !stage.loose && mirrored(a, b)) return null;
  const [la, lb] = [sewnLength(a), sewnLength(b)];
  const share = (la - lb) / Math.max(la, lb, 1);
  if (share > stage.longer || share < -stage.shorter) return null;
  let score = 1 - Math.abs(share) * 2;
  const [ka, kb] = [kinds(a), kinds(b)];
  // A band lies between what is worn above and below it, and has ends of its own.
  const band = stage.code === 'waist' && [...ka, ...kb].includes('waistband');
  if (band) score += 0.3;
  if (!a.closed && !b.closed && !stage.loose && !band) {
    for (const [x, y] of [
      [a.before, b.after],
      [a.after, b.before],
    ] as const)
      score += endOf(x) === endOf(y) ? 0.5 : -0.4;
  }
  const notched = notchesMeet(a, b);
  if (notched !== null) score += 0.6 * notched - 0.2;
  const halves =
    Math.sign(ka.reduce((t, k) => t + frontOrBack(k), 0)) * Math.sign(kb.reduce((t, k) => t + frontOrBack(k), 0));
  if (stage.halves === 'other') score += halves < 0 ? 0.4 : halves > 0 ? -1.2 : 0;
  if (stage.halves === 'same') score += halves > 0 ? 0.2 : -1;
  if (stage.halves === 'any') score += 0.1 * halves;
  return score;
}

/** Of more matches than this none are exchanged: no garment has so many seams of one kind. */
const MOST_EXCHANGED = 150;

interface Match {
  a: Chain;
  b: Chain;
  score: number;
}

/** Less than this is no suggestion. */
const LEAST = 0.35;

/**
 * Which chains go together, each at most once: the best first, then two matches are exchanged for two others as long as
 * that betters their sum.
 */
function assigned(all: Match[]): Match[] {
  const taken: Match[] = [];
  const busy = new Set<Chain>();
  for (const m of [...all].sort((x, y) => y.score - x.score)) {
    if (busy.has(m.a) || busy.has(m.b)) continue;
    busy.add(m.a).add(m.b);
    taken.push(m);
  }
  const known = new Map<Chain, Map<Chain, Match>>();
  for (const m of all)
    for (const [x, y] of [
      [m.a, m.b],
      [m.b, m.a],
    ] as const) {
      const row = known.get(x) ?? new Map<Chain, Match>();
      known.set(x, row.set(y, m));
    }
  const between = (x: Chain, y: Chain): Match | undefined => known.get(x)?.get(y);
  for (let better = taken.length <= MOST_EXCHANGED; better; ) {
    better = parted(taken, all);
    for (let i = 0; i < taken.length && !better; i++)
      for (let j = i + 1; j < taken.length && !better; j++) {
        const [m, n] = [taken[i] as Match, taken[j] as Match];
        for (const [p, q] of [
          [between(m.a, n.a), between(m.b, n.b)],
          [between(m.a, n.b), between(m.b, n.a)],
        ]) {
          if (!p || !q || p.score + q.score <= m.score + n.score + 1e-9) continue;
          [taken[i], taken[j], better] = [p, q, true];
          break;
        }
      }
  }
  return taken;
}

/** Of very many chains each is compared with so many that are nearest to it in length. */
const NEAREST = 80;

/** The chains of a list that are nearest in length to one: all of a list that is not long. */
function nearest(sorted: { c: Chain; length: number }[], length: number): Chain[] {
  if (sorted.length <= NEAREST) return sorted.map((x) => x.c);
  const at = sorted.findIndex((x) => x.length >= length);
  const from = Math.max(0, Math.min(sorted.length - NEAREST, (at < 0 ? sorted.length : at) - NEAREST / 2));
  return sorted.slice(from, from + NEAREST).map((x) => x.c);
}

/** Gives up one match for two that are better than it alone: what lies between two edges is sewn to both. */
function parted(taken: Match[], all: Match[]): boolean {
  const busy = new Set(taken.flatMap((m) => [m.a, m.b]));
  const free = (c: Chain, not: Chain): { m: Match; to: Chain }[] =>
    all.flatMap((m) => {
      const to = m.a === c ? m.b : m.b === c ? m.a : null;
      return to && to !== not && !busy.has(to) ? [{ m, to }] : [];
    });
  for (const [i, m] of taken.entries())
    for (const x of free(m.a, m.b))
      for (const y of free(m.b, m.a)) {
        if (x.to === y.to || x.m.score + y.m.score <= m.score + 1e-9) continue;
        taken.splice(i, 1, x.m, y.m);
        return true;
      }
  return false;
}

function matches(stage: Stage, s: Surface, kinds: KindOf, open: ReadonlySet<string>): Match[] {
  const same = [...stage.a].every((r) => stage.b.has(r));
  const whole = (role: ReadonlySet<Role>): Chain[] => chainsOf(s, (e) => role.has(e.role) && !open.has(e.key));
  const as = whole(stage.a);
  const bs = same ? as : whole(stage.b);
  const order = new Map(bs.map((c, i) => [c, i]));
  const sorted = bs.map((c) => ({ c, length: sewnLength(c) })).sort((x, y) => x.length - y.length);
  return as.flatMap((a, i) =>
    nearest(sorted, sewnLength(a)).flatMap((b): Match[] => {
      if (same && (order.get(b) ?? 0) <= i) return [];
      const score = likeness(stage, a, b, kinds);
      return score !== null && score >= (stage.least ?? LEAST) ? [{ a, b, score }] : [];
    }),
  );
}

/** What a chain is of, where that tells what it may be sewn to: a waist joins what lies above to what lies below. */
const level = (kinds: PieceKind[]): string =>
  kinds.some((k) => SKIRTS.has(k))
    ? 'skirt'
    : kinds.includes('waistband')
      ? 'band'
      : kinds.includes('hood')
        ? 'hood'
        : 'body';

/** Whether the pieces themselves allow it. */
function allowed(stage: Stage, a: PieceKind[], b: PieceKind[]): boolean {
  const [la, lb] = [level(a), level(b)];
  if (stage.code === 'hood') return la !== lb && (la === 'hood' || lb === 'hood');
  return stage.code !== 'waist' || la !== lb;
}

/** An edge of a panel by what was said of it; none where it is not there any more. */
const edgeOf = (panels: Panel[], e: EdgeSaid): PanelEdge | undefined =>
  panels
    .filter((p) => p.piece === e.piece)
    .flatMap(panelEdges)
    .find((x) => x.edge === e.edge && x.mirrored === e.mirrored);

const flipped = (e: EdgeSaid): EdgeSaid => ({ ...e, mirrored: !e.mirrored });

/** Which seam of a garment it is, by the edges' own names. */
const codeOf = (a: PanelEdge, b: PanelEdge): JoinCode =>
  STAGES.find((s) => (s.a.has(a.role) && s.b.has(b.role)) || (s.a.has(b.role) && s.b.has(a.role)))?.code ?? 'other';

/** What was said of joins, on the panels; and on the other half of the body alike, where both pieces have one. */
function saidOf(panels: Panel[], said: JoinSaid[]): Said {
  const out: Said = { joins: [], open: new Set(), lost: 0 };
  const busy = new Set<string>();
  for (const { id, a, b } of said) {
    let found = false;
    for (const [x, y, twin] of [
      [a, b, ''],
      [flipped(a), b && flipped(b), '*'],
    ] as const) {
      const [ea, eb] = [edgeOf(panels, x), y && edgeOf(panels, y)];
      if (!ea || (y && !eb) || busy.has(ea.key) || (eb && busy.has(eb.key))) continue;
      found = true;
      for (const e of [ea, eb]) if (e) busy.add(e.key);
      if (eb && ea !== eb)
        out.joins.push({ id: `said-${id}${twin}`, code: codeOf(ea, eb), a: [ea], b: [eb], said: true });
      else out.open.add(ea.key);
    }
    if (!found) out.lost += 1;
  }
  return out;
}

interface Said {
  joins: Join[];
  /** Edges that stay open. */
  open: Set<string>;
  /** So many speak of edges that are not there any more. */
  lost: number;
}

/**
 * Joins of a whole garment: what was said of them, and for the rest suggested from roles, lengths, what lies at the ends,
 * notches and kinds, stage by stage, each as one assignment over all chains of the boundary that is left.
 */
export function joinsOf(panels: Panel[], said: JoinSaid[] = []): Said {
  const kindOf = new Map(panels.map((p) => [p.id, p.kind]));
  const kinds: KindOf = (c) => c.edges.map((e) => kindOf.get(e.panel) ?? 'other');
  const given = saidOf(panels, said);
  const joins = [...given.joins];
  for (const [k, stage] of STAGES.entries()) {
    const s = surfaceOf(panels, joins);
    const all = matches(stage, s, kinds, given.open).filter((m) => allowed(stage, kinds(m.a), kinds(m.b)));
    assigned(all).forEach((m, i) => {
      // A kind of seam that is looked for twice goes on counting.
      const before = STAGES.slice(0, k).some((x) => x.code === stage.code) ? joins.length : 0;
      joins.push({ id: `${stage.code}-${before + i + 1}`, code: stage.code, a: m.a.edges, b: m.b.edges });
    });
  }
  return { ...given, joins };
}

/** All pieces as they are put together; how many of the joins that were said are not there any more. */
export function joinedSurface(pieces: Piece[], said: JoinSaid[]): { surface: Surface; lost: number } {
  const panels = pieces.flatMap(panelsOf);
  const { joins, open, lost } = joinsOf(panels, said);
  return { surface: surfaceOf(panels, joins, open), lost };
}
