import { type Decisions } from '../document/project.ts';
import { easeOf, type Join, type JoinCode, type PanelEdge } from '../garment/index.ts';
import { endDirection, startDirection, turn } from '../geometry/index.ts';
import { isRaglan, type Piece, type Role, type Seam, type Side } from '../pattern/index.ts';
import {
  type Along,
  along,
  type Drafted,
  edgesOn,
  endOf,
  type Garment,
  linedAs,
  namesOf,
  placeOf,
  withinOf,
} from './drafted.ts';
import { hoodSeams } from './hood.ts';
import { endsAbove, hemSeams, ventSeams } from './lining/hemseams.ts';
import { backPleat } from './lining/lining.ts';
import { type Hems, type Put } from './pieces.ts';
import { isUsual, reaching, type Sewing, SHOULDER_EASE } from './sewing.ts';
import { armholes, intoArmhole, toCuff } from './sleeveseams.ts';

const EXACT = { min: 0, max: 0 };
/** As between the panels of the shell. */
const PANEL_EASE = { ease: { min: -3, max: 10 }, easeOf: 'panel' };
const ELBOW_EASE = { ease: { min: 0, max: 14 }, easeOf: 'elbow' };
const FOREARM_EASE = { ease: { min: -7, max: 4 }, easeOf: 'forearm' };

/** The seams among facing, lining and shell, with the ease that is meant on each. */
export function insideSeams(g: Garment, d: Decisions, hems: Hems): Seam[] {
  const seams: Seam[] = [];
  const seen = new Map<string, number>();
  const put: Put = (group, code, a, b, more = {}) => {
    if (!a.length || !b.length) return;
    const name = more.id ?? `${group}-${code}`;
    const again = seen.get(name) ?? 0;
    seen.set(name, again + 1);
    const id = again ? `${name}-${again + 1}` : name;
    seams.push({
      code,
      group,
      a,
      b,
      ease: EXACT,
      ...more,
      id,
      ...((again > 0 || UNNAMED.has(code)) && named(g, a, b)),
    });
  };
  const putFor: Sewing['putFor'] = (x, code, a, b, more = {}, group = 'closing') =>
    put(group, code, a, b, isUsual(x) ? more : { ...more, id: `${group}-${code}-${x.base}`, ...named(g, a, b) });
  const s: Sewing = { g, d, hems, within: withinOf(g), put, putFor };
  for (const j of g.joins.flatMap((x) => halvesOf(g, x))) acrossJoin(s, j);
  for (const x of g.drafted) if (placeOf(g, x.shell) === 'sleeve') intoArmhole(s, x);
  for (const x of g.drafted) alongFacing(s, x);
  for (const x of g.drafted) if (placeOf(g, x.shell) === 'hood') hoodSeams(x, put);
  for (const x of g.drafted) ownEdges(s, x);
  for (const x of g.drafted) cutOut(s, x);
  if (d.lining.on) waists(s);
  armholes(s);
  for (const { lining, under } of g.drafted)
    if (lining && under) seams.push(...seams.flatMap((x) => alsoUnder(x, lining, under)));
  for (const x of g.drafted) ventSeams(x, d, x.hem ?? null, put);
  for (const x of g.drafted) hemSeams(g, x, d, putFor);
  for (const x of g.drafted) toCuff(s, x);
  return seams;
}

/** Seams that have no name of their own: they are called after what they join. */
const UNNAMED: ReadonlySet<string> = new Set([
  'lining-panel',
  'lining-other',
  'facing-across',
  'hem-panel',
  'waist-lining',
]);

/** Names of the pieces on both sides. */
function named(g: Garment, a: Side[], b: Side[]): { between: [string, string] } {
  const drafted = g.drafted.flatMap((x) => [x.facing, x.lining, x.under].flatMap((p) => p ?? []));
  return { between: namesOf([...g.shell, ...drafted], a, b) };
}

/** The kinds of the pieces a chain goes over. */
const kindsOf = (g: Garment, chain: PanelEdge[]): string[] =>
  chain.map((e) => g.shell.find((p) => p.id === e.piece)?.kind ?? 'other');

const FIRST_AT_SHOULDER = (kind: string): boolean => kind.includes('back') || kind === 'yoke';

/** Which side of a seam of each kind is called a, the one that may be longer. */
const FIRST: Partial<Record<JoinCode, (kinds: string[]) => boolean>> = {
  shoulder: (k) => k.some(FIRST_AT_SHOULDER),
  side: (k) => k.some((x) => x.includes('front')),
  panel: (k) => k.some((x) => x.endsWith('-side')),
  elbow: (k) => k.includes('sleeve'),
  forearm: (k) => k.includes('sleeve'),
  waist: (k) => k.some((x) => x.startsWith('skirt') || x.startsWith('trouser')),
  inseam: (k) => k.some((x) => x.includes('front')),
};

/** A waist goes round front and back alike: it is walked on each half by itself, where both its sides have both. */
function halvesOf(g: Garment, j: Join): Join[] {
  const of = (chain: PanelEdge[], half: string): PanelEdge[] =>
    chain.filter((e) => kindsOf(g, [e]).some((k) => k.includes(half)));
  const parts = ['front', 'back'].map((half) => ({ ...j, a: of(j.a, half), b: of(j.b, half) }));
  const all = parts.reduce((t, p) => t + p.a.length + p.b.length, 0) === j.a.length + j.b.length;
  return j.code === 'waist' && all && parts.every((p) => p.a.length && p.b.length) ? parts : [j];
}

/** What the seam of a lining is called, and the ease meant on it, by the seam of the shell that it repeats. */
function liningSeam(g: Garment, j: Join): { code: string; more: Partial<Seam> } | null {
  const kinds = [...kindsOf(g, j.a), ...kindsOf(g, j.b)];
  const half = kinds.some((k) => k.includes('back')) ? 'back' : 'front';
  switch (j.code) {
    case 'shoulder':
      // Where neither side is called a back either may be the longer.
      return { code: 'lining-shoulder', more: kinds.some(FIRST_AT_SHOULDER) ? SHOULDER_EASE : easeOf(j) };
    case 'side':
      return { code: kinds.every((k) => /^(skirt|trouser)/.test(k)) ? 'lining-skirt-side' : 'lining-side', more: {} };
    case 'underarm':
      return { code: 'lining-underarm', more: {} };
    case 'elbow':
      return { code: 'lining-elbow', more: ELBOW_EASE };
    case 'forearm':
      return { code: 'lining-forearm', more: FOREARM_EASE };
    case 'panel': {
      const usual = kinds.every((k) => k.startsWith(half)) && kinds.some((k) => k.endsWith('-side'));
      return usual ? { code: `lining-panel-${half}`, more: PANEL_EASE } : { code: 'lining-panel', more: easeOf(j) };
    }
    case 'waist':
      return { code: `lining-waist-${half}`, more: gathered(j) };
    case 'yoke':
    case 'inseam':
    case 'rise':
    case 'other':
      return { code: 'lining-other', more: gathered(j) };
    default:
      return null;
  }
}

/** What the shell gathers its lining gathers as well; a facing may take a part of it. */
function gathered(j: Join): Partial<Seam> {
  const more = easeOf(j);
  const { max } = more.ease;
  return more.easeOf === 'gather' ? { ...more, ease: { min: Math.min(0, max), max: Math.max(0, max) } } : {};
}

/** Facings to each other and linings to each other across one seam of the shell. */
function acrossJoin(s: Sewing, j: Join): void {
  const { g, d, within, put } = s;
  // A set-in sleeve is fitted to its armhole, and a collar has an inside of its own.
  if (['cap', 'collar', 'stand', 'cuff', 'hood'].includes(j.code) || kindsOf(g, j.a).includes('hood')) return;
  const order = FIRST[j.code];
  const [a, b] = order?.(kindsOf(g, j.b)) && !order(kindsOf(g, j.a)) ? [j.b, j.a] : [j.a, j.b];
  const facing = [along(within, 'facing', a), along(within, 'facing', b)] as const;
  const lining = [along(within, 'lining', a), along(within, 'lining', b)] as const;
  const [fa, fb, la, lb] = [...facing, ...lining].map((x) => x.sides) as [Side[], Side[], Side[], Side[]];
  // A facing that takes all of the seam on one side is sewn to facing and lining on the other.
  const covers = (x: Side[], y: Side[]): boolean => x.length > 0 && y.length === 0;
  const mixed = fa.length > 0 && fb.length > 0 && (covers(fa, la) ? lb.length > 0 : covers(fb, lb) && la.length > 0);
  if (mixed) put('inside', facingCode(j.code), [...fa, ...la], [...fb, ...lb], SHOULDER_EASE);
  // Beside fronts cut double the back's facing is sewn to their second layer, as far as it reaches.
  else if (fa.length && lb.length && !la.length && !fb.length)
    put('inside', facingCode(j.code), fa, reaching(s, lb, fa));
  else if (la.length && fb.length && !fa.length && !lb.length)
    put('inside', facingCode(j.code), reaching(s, la, fb), fb);
  else if (fa.length && fb.length && !(j.code === d.lining.zip.at && j.code !== 'side' && d.lining.zip.length > 0)) {
    put('inside', facingCode(j.code), shorter(s, fa, fb), shorter(s, fb, fa));
  }
  const seam = liningSeam(g, { ...j, a, b });
  if (!seam || mixed) return;
  const complete = (x: Along): boolean => x.sides.length > 0;
  // Where one side is not faced, its lining is sewn to facing and lining of the other.
  const [own, other] = [fa.length ? la : [], fb.length ? lb : []];
  const sides =
    own.length === 0 && other.length > 0
      ? [la, [...fb, ...lb]]
      : other.length === 0 && own.length > 0
        ? [[...fa, ...la], lb]
        : [la, lb];
  if (lining.every(complete)) put('inside', seam.code, sides[0] as Side[], sides[1] as Side[], seam.more);
}

const facingCode = (code: JoinCode): string =>
  code === 'shoulder' || code === 'centre-back' || code === 'side' ? `facing-${code}` : 'facing-across';

/** Unlined, a deep back facing is sewn only as far as the shorter of the two reaches: its share of the longer one's edge. */
function shorter(s: Sewing, own: Side[], other: Side[]): Side[] {
  const deep = own.some((x) => s.g.drafted.some((y) => y.facing?.id === x.piece && reachesArmhole(s, y)));
  return deep ? reaching(s, own, other) : own;
}

const reachesArmhole = (s: Sewing, x: Drafted): boolean =>
  Boolean(x.facing?.ring.some((e) => e.role === 'armhole')) &&
  !s.g.shell.some((p) => p.kind === 'sleeve' && isRaglan(p));

/** A lining cut back beside a zip ends so much before the facing it is sewn to. */
function besideZip(p: Piece, d: Decisions): Partial<Seam> | null {
  const { at, length } = d.lining.zip;
  const centre = at === 'side' ? undefined : p.ring.find((e) => e.role === at);
  if (!centre || centre.onFold || length <= 0) return null;
  const step = centre.allowance - d.lining.zip.shellSeam;
  return { ease: { min: -step * 1.1, max: 0 }, easeOf: 'zip' };
}

/** Half the centre-back pleat, taken up where the lining meets what has none; beside a zip the lining ends short. */
function pleatOf({ d }: Sewing, p: Piece): Partial<Seam> {
  const half = p.ring.some((e) => e.role === 'centre-back') ? backPleat(p, d) / 2 : 0;
  return besideZip(p, d) ?? { ease: { min: half, max: half }, ...(half > 0 && { easeOf: 'pleat' }) };
}

/** A lining to the facing that it was parted from. */
function alongFacing(s: Sewing, x: Drafted): void {
  const { facing, shell } = x;
  // What lies under a facing in one with others is walked with that.
  if (placeOf(s.g, shell) === 'hood' || !facing) return;
  const end = endOf(x);
  const toHem = facing?.ring.some((e) => e.role === 'hem');
  const more = end === 'back' ? pleatOf(s, shell) : end === 'front' && toHem ? endsAbove(s.hems.body) : {};
  const linings = [x, ...(x.over ?? [])].flatMap((y) => edgesOn(y.lining, 'facing-line'));
  const facings = linedAs(x).flatMap((y) => edgesOn(y.facing, 'facing-line'));
  const sides = [linings, facings] as const;
  s.putFor(x, `facing-line-${end}`, ...sides, more, 'inside');
}

/** Facing or lining to the shell's front edge and neck. */
function ownEdges(s: Sewing, x: Drafted): void {
  const { shell } = x;
  const place = placeOf(s.g, shell);
  if (place === null || place === 'hood') return;
  const inner = x.facing ?? x.lining;
  const end = endOf(x);
  const out = end === 'front' ? drawnOutBy(x, s.d) : {};
  // A lining that reaches the front edge ends at its own height.
  const low = x.facing ? out : endsAbove(s.hems.body);
  const edge = end === 'sleeve' ? [] : edgesOn(inner, 'front-edge');
  s.putFor(x, 'front-edge', edge, shellEdges(x, 'front-edge'), low);
  const neck = end === 'back' && !x.facing ? pleatOf(s, shell) : out;
  s.putFor(x, `neckline-${end}`, edgesOn(inner, 'neckline'), shellEdges(x, 'neckline'), neck);
}

/** Facing or lining along a cut-out that an edge of the piece goes round. One faced by a ring of its own is walked with that. */
function cutOut(s: Sewing, x: Drafted): void {
  const inside = [...edgesOn(x.facing, 'cut-out'), ...edgesOn(x.lining, 'cut-out')];
  s.putFor(x, 'band-cut-out', inside, shellEdges(x, 'cut-out'), {
    id: `closing-cut-out-${x.base}`,
    ...named(s.g, inside, shellEdges(x, 'cut-out')),
  });
}

/** The shell's edges of a role that a piece's inside is sewn to, over all the panels its facing goes over. */
const shellEdges = (x: Drafted, role: Role): Side[] =>
  (x.facing ? [x, ...(x.over ?? [])] : linedAs(x)).flatMap((y) => edgesOn(y.shell, role));

/** A lining to its own waist, where nothing beyond it is lined: a skirt's below an unlined bodice, both beside a band. */
function waists({ g, d, within, putFor }: Sewing): void {
  for (const x of g.drafted) {
    if (!x.lining) continue;
    const skirt = placeOf(g, x.shell) === 'skirt';
    const joined = g.joins
      .flatMap((j) => halvesOf(g, j))
      .some(
        (j) =>
          j.code === 'waist' &&
          [j.a, j.b].some((c) => c.some((e) => e.piece === x.shell.id)) &&
          [j.a, j.b].every((c) => along(within, 'lining', c).sides.length > 0),
      );
    if (joined) continue;
    const waist: [Side[], Side[]] = [
      [...edgesOn(x.facing, 'waist'), ...edgesOn(x.lining, 'waist')],
      linedAs(x).flatMap((y) => edgesOn(y.shell, 'waist')),
    ];
    // A bodice on its own ends at its waist; only where that is sewn on is there a seam.
    if (!skirt && !waistJoined(g, x)) continue;
    const back = x.shell.kind.includes('back');
    const more = back ? (besideZip(x.shell, d) ?? {}) : {};
    putFor(x, skirt ? `waist-${back ? 'back' : 'front'}-lining` : 'waist-lining', ...waist, {
      ...more,
      ...(!skirt && { id: `closing-waist-lining-${x.base}` }),
    });
  }
}

const waistJoined = (g: Garment, x: Drafted): boolean =>
  g.joins.some((j) => j.code === 'waist' && [...j.a, ...j.b].some((e) => e.piece === x.shell.id));

/**
 * The facing of a lapel differs from the shell's edge by what is drawn out over its turns, and at its upper corner by how
 * far both edges run on: out/sin and out·cot of the corner's turn. Derived.
 */
function drawnOutBy({ facing, shell }: Drafted, d: Decisions): Partial<Seam> {
  const { out } = d.facing;
  if (d.facing.kind !== 'lapel' || out <= 0 || !facing) return {};
  const { ring } = shell;
  const corner = ring.findIndex((e, i) => {
    const roles = [e.role, ring[(i + 1) % ring.length]?.role];
    return roles.includes('front-edge') && roles.includes('neckline');
  });
  const [e, next] = [ring[corner], ring[(corner + 1) % ring.length]];
  const angle = e && next ? turn(endDirection(e.path), startDirection(next.path)) : Math.PI / 2;
  const runOn = out / Math.max(0.2, Math.abs(Math.sin(angle)));
  return { ease: { min: -runOn, max: runOn + out * Math.PI }, easeOf: 'lapel' };
}

/** A seam of the half that laps over is sewn on the half that lies under as well. */
function alsoUnder(s: Seam, lining: Piece, under: Piece): Seam[] {
  if (![...s.a, ...s.b].some((x) => x.piece === lining.id)) return [];
  const put = (side: Side): Side => (side.piece === lining.id ? { ...side, piece: under.id } : side);
  return [{ ...s, id: `${s.id}-under`, a: s.a.map(put), b: s.b.map(put) }];
}
