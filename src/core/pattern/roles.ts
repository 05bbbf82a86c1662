import {
  type Box,
  boxOf,
  distance,
  dot,
  endOf,
  joinBoxes,
  mapPath,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  rotation,
  scale,
  size,
  startOf,
  sub,
  turn,
  unit,
} from '../geometry/index.ts';
import { type Company, clamp, fitOf, inCompany, type Look, type Place, roleOf, TEMPLATES } from './templates.ts';
import { type PieceKind, type Role } from './types.ts';

/** Roles proposed for a ring, one per edge, with how sure the proposal is (0..1). */
export interface Suggestion {
  kind: PieceKind;
  roles: Role[];
  confidence: number;
  /** Which way the piece's top lies in the drawing (unit direction). */
  up: Point;
  /** How well its shape alone speaks for this reading. */
  believed: number;
}

const NAME_HINTS: [RegExp, PieceKind][] = [
  [/facing|lining|interfac|pocket|flap|belt|tab\b/i, 'other'],
  [/placket|button[ -]?band|front[ -]?band/i, 'placket'],
  [/collar[ -]?stand|stand[ -]?collar|\bstand\b|collar[ -]?band|neck[ -]?band/i, 'stand'],
  [/collar/i, 'collar'],
  [/yoke/i, 'yoke'],
  [/cuff/i, 'cuff'],
  [/waist[ -]?band/i, 'waistband'],
  [/\bband\b/i, 'other'],
  [/(trouser|shorts|romper).*back|back.*(trouser|shorts|romper)/i, 'trouser-back'],
  [/trouser|shorts|romper/i, 'trouser-front'],
  [/skirt.*back|back.*skirt/i, 'skirt-back'],
  [/skirt/i, 'skirt-front'],
  [/under[ -]?sleeve|sleeve.*under|lower sleeve/i, 'under-sleeve'],
  [/sleeve/i, 'sleeve'],
  [/hood/i, 'hood'],
  [/side.*front|front.*side/i, 'front-side'],
  [/side.*back|back.*side/i, 'back-side'],
  [/front/i, 'front'],
  [/back/i, 'back'],
];

function lookOf(path: Path, box: Box, perimeter: number): Look {
  const a = startOf(path);
  const b = endOf(path);
  const length = pathLength(path);
  const m = pointAlong(path, length / 2);
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const chord = Math.hypot(dx, dy) || 1e-9;
  const out = ((m.x - (a.x + b.x) / 2) * dy - (m.y - (a.y + b.y) / 2) * dx) / chord;
  return {
    u: (m.x - box.minX) / Math.max(1e-9, box.maxX - box.minX),
    v: (m.y - box.minY) / Math.max(1e-9, box.maxY - box.minY),
    flat: Math.abs(dx) / chord,
    upright: Math.abs(dy) / chord,
    straight: chord / Math.max(1e-9, length),
    bulge: out / chord,
    share: length / perimeter,
  };
}

const SKIPPED = 0.9;

/**
 * Best order-keeping assignment of the template's roles to the edges, starting at one edge: neighbouring edges may share
 * a role, a role may be missing at a cost. Dynamic programming over edges and roles.
 */
function align(fits: number[][], places: Place[]): { score: number; places: Place[] } {
  const n = fits.length;
  const k = places.length;
  const best: number[][] = [];
  const from: number[][] = [];
  for (let i = 0; i < n; i++) {
    best.push([]);
    from.push([]);
    for (let j = 0; j < k; j++) {
      const fit = fits[i]?.[j] as number;
      let before = i === 0 ? -SKIPPED * j : Number.NEGATIVE_INFINITY;
      let via = -1;
      for (let p = 0; i > 0 && p <= j; p++) {
        const cost = p === j ? 0.12 : SKIPPED * (j - p - 1);
        const candidate = (best[i - 1]?.[p] ?? Number.NEGATIVE_INFINITY) - cost;
        if (candidate > before) [before, via] = [candidate, p];
      }
      (best[i] as number[])[j] = before + fit;
      (from[i] as number[])[j] = via;
    }
  }
  const ends = (best[n - 1] as number[]).map((s, j) => s - SKIPPED * (k - 1 - j));
  let j = ends.indexOf(Math.max(...ends));
  const score = (ends[j] as number) / Math.max(n, k);
  const out: Place[] = [];
  for (let i = n - 1; i >= 0; i--) {
    out[i] = places[j] as Place;
    j = from[i]?.[j] ?? j;
  }
  return { score, places: out };
}

/** The best of every starting edge of one template, for edges already turned upright. */
function fitTemplate(
  looks: Look[],
  template: Place[],
  mirrored: boolean,
): { score: number; roles: Role[]; whole: boolean } {
  const seen = mirrored ? looks.map((l) => ({ ...l, u: 1 - l.u })) : looks;
  const order = mirrored ? [...template].reverse() : template;
  const fits = seen.map((look) => order.map((place) => fitOf(place, look)));
  let best = { score: Number.NEGATIVE_INFINITY, roles: [] as Role[], whole: false };
  for (let start = 0; start < seen.length; start++) {
    const turned = [...fits.slice(start), ...fits.slice(0, start)];
    const found = align(turned, order);
    if (found.score > best.score) {
      const n = seen.length;
      const roles = seen.map((_, i) => roleOf(found.places[(i - start + n) % n] as Place));
      best = { score: found.score, roles, whole: new Set(found.places).size === new Set(order).size };
    }
  }
  return best;
}

const UP: Point = { x: 0, y: -1 };

/** A way the piece may lie, and how much less it is believed than the likeliest. */
interface Lie {
  up: Point;
  doubt: number;
}

/**
 * Ways a piece may lie on the sheet: along its grainline where one is drawn, upright, and with any long straight edge
 * upright. A way close to one already taken is left out.
 */
function liesOf(paths: Path[], grain: Point | undefined): Lie[] {
  const out: Lie[] = [];
  const put = (d: Point, doubt: number): void => {
    const up = unit(d);
    if (size(up) > 0 && out.every((o) => dot(o.up, up) < 0.9998)) out.push({ up, doubt });
  };
  const both = (d: Point, doubt: number): void => {
    const up = d.y <= 0 ? d : scale(d, -1);
    put(up, doubt);
    put(scale(up, -1), doubt + 0.02);
  };
  if (grain) both(grain, 0);
  both(UP, grain ? 0.04 : 0);
  const chords = paths.map((p) => ({ d: sub(endOf(p), startOf(p)), length: pathLength(p) }));
  const straight = chords.filter((c) => size(c.d) > c.length * 0.999).sort((x, y) => y.length - x.length);
  for (const c of straight.slice(0, 3)) both(c.d, 0.05);
  both({ x: 1, y: 0 }, 0.05);
  return out;
}

/** The edges' looks with `up` turned to the top of the sheet. */
function looksOf(paths: Path[], up: Point): Look[] {
  const upright = up.x === 0 && up.y < 0 ? paths : paths.map((p) => mapPath(p, rotation(turn(up, UP))));
  const box = upright.map(boxOf).reduce(joinBoxes);
  const perimeter = paths.reduce((s, p) => s + pathLength(p), 0);
  return upright.map((p) => lookOf(p, box, perimeter));
}

/** Pieces that can run round in one edge but for the one they are sewn by. */
const TWO_EDGED: ReadonlySet<PieceKind> = new Set<PieceKind>(['collar', 'stand', 'cuff', 'waistband']);

/** How much straighter one edge of a band is than the other, as chord over length, for it to be told which is which. */
const STRAIGHTER = 0.05;

/** A band with round corners is one straight edge, by which it is sewn, and one that runs round it. Common practice. */
function roundBand(paths: Path[], kind: 'cuff' | 'waistband', none: Suggestion): Suggestion | null {
  const [a, b] = paths.map((p) => distance(startOf(p), endOf(p)) / pathLength(p)) as [number, number];
  if (Math.abs(a - b) < STRAIGHTER) return null;
  const [sewn, free]: Role[] = kind === 'cuff' ? ['cuff-seam', 'cuff-edge'] : ['waist', 'band-edge'];
  const roles = (a > b ? [sewn, free] : [free, sewn]) as Role[];
  const path = paths[a > b ? 0 : 1] as Path;
  const along = unit(sub(endOf(path), startOf(path)));
  // Clockwise on screen: a cuff is sewn by its upper edge, which runs to the right, a waistband by its lower one.
  const up = kind === 'cuff' ? outward(along) : scale(outward(along), -1);
  return { ...none, kind, roles, up, confidence: 0.9, believed: 1 };
}

/** How much better a rarer make of a piece has to fit than the usual one. */
const UNUSUAL = 0.05;

/** A body without shoulders is meant only where no other make of it comes near. */
const STRAPLESS = 0.2;

/** Pieces none of whose makes is rarer than the others. (Nor is one drawn whole, which no half fits by its number of edges.) */
const ALIKE: ReadonlySet<PieceKind> = new Set<PieceKind>(['front-side', 'back-side']);

function rarity(kind: PieceKind, template: Place[]): number {
  if (template.includes('bust-top')) return STRAPLESS;
  return ALIKE.has(kind) || template.includes('side-far') ? 0 : UNUSUAL;
}

/** A fit this good settles which way a piece lies. */
const SURE = 0.84;

/** What a piece without a telling name can be; collars, cuffs and bands are too much alike to be told by shape alone. */
const UNNAMED = ['front', 'back', 'sleeve', 'skirt-front'] as const;
type Unnamed = (typeof UNNAMED)[number];

/** Of those, what garments are made of; one that is not listed may have all. */
const MADE_OF: Record<string, readonly Unnamed[]> = {
  coat: ['front', 'back', 'sleeve'],
  jacket: ['front', 'back', 'sleeve'],
  shirt: ['front', 'back', 'sleeve'],
  waistcoat: ['front', 'back'],
  skirt: ['skirt-front'],
};

/**
 * A bodice ends at the waist, other fronts and backs at the hem: only the name can tell which. A collar or stand is drawn
 * whole unless the file speaks of a fold.
 */
function templatesFor(kind: Exclude<PieceKind, 'other' | 'placket'>, name: string, said: Said): Place[][] {
  const all = TEMPLATES[kind];
  if (kind === 'collar' || kind === 'stand')
    return all.filter((t) => t.includes('centre-back') === (said.fold ?? false));
  const bodice = /bodice|\btop\b|corsage/i.test(name);
  const upper = kind === 'front' || kind === 'back' || kind === 'front-side' || kind === 'back-side';
  // A name that says nothing does not say hem either.
  const told = upper && hintOf(name) !== null;
  // Nor does a piece without one pass for a strapless bodice, which has the edges of a skirt.
  const fitting = all.filter((t) => (told ? t.includes('waist-below') === bodice : !t.includes('bust-top')));
  return inCompany(kind, fitting, said);
}

const hintOf = (name: string): PieceKind | null => NAME_HINTS.find(([re]) => re.test(name))?.[1] ?? null;

/** What the file says beside a piece's name and outline. */
export interface Said extends Company {
  /** Direction of the drawn grainline. */
  grain?: Point;
  /** It speaks of a fold. */
  fold?: boolean;
  /** What the piece is, where a hand has said it: then its name says nothing more. */
  kind?: PieceKind;
}

/** What the names of a pattern's pieces say of each other. */
export function companyOf(names: string[]): Company {
  const some = (re: RegExp): boolean => names.some((n) => re.test(n));
  const kinds = new Set(names.map(hintOf));
  return {
    yoke: some(/yoke/i),
    frontPanels: kinds.has('front-side'),
    backPanels: kinds.has('back-side'),
    twoPiece: kinds.has('under-sleeve'),
    raglan: some(/raglan/i),
  };
}

/** Readings of a piece that are worth weighing against each other: so many, none much worse than the best. */
const MOST_READINGS = 10;
const WORTH = 0.3;

/** Every reading once, the likeliest first. */
function ranked(found: Suggestion[]): Suggestion[] {
  const seen = new Set<string>();
  const best = Math.max(...found.map((f) => f.believed));
  return found
    .sort((a, b) => b.believed - a.believed)
    .filter((f) => {
      const key = `${f.kind} ${f.roles.join()}`;
      return f.believed > best - WORTH && !seen.has(key) && seen.add(key);
    })
    .slice(0, MOST_READINGS);
}

/**
 * The ways a piece may be read, the likeliest first: what it is and a role for each edge (paths of a ring that runs
 * clockwise on screen, y down), from its name, and the place, direction, curve and neighbours of its edges. The piece may
 * lie turned on the sheet. Always at least one.
 */
export function readingsOf(name: string, paths: Path[], said: Said = {}): Suggestion[] {
  const { grain } = said;
  const hint = said.kind ?? hintOf(name);
  const none: Suggestion = { kind: 'other', roles: paths.map(() => 'plain'), confidence: 0, up: UP, believed: 0 };
  const fewest = hint && TWO_EDGED.has(hint) ? 2 : 3;
  // A placket is a strip: it is interfaced whole and its edges need no names.
  if (hint === 'placket') return [{ ...none, kind: hint, confidence: 1 }];
  if (hint === 'other' || paths.length < fewest) return [none];
  const band = paths.length === 2 && (hint === 'cuff' || hint === 'waistband') ? roundBand(paths, hint, none) : null;
  if (band) return [band];
  const kinds = hint ? [hint] : (MADE_OF[said.garment ?? ''] ?? UNNAMED);
  const found: (Suggestion & { score: number })[] = [];
  let surest = Number.NEGATIVE_INFINITY;
  for (const [i, lie] of liesOf(paths, grain).entries()) {
    // A piece that fits so well as it lies is not turned about any further.
    if (i >= 2 && surest >= SURE) break;
    const looks = looksOf(paths, lie.up);
    for (const kind of kinds) {
      for (const [nth, template] of templatesFor(kind, name, said).entries())
        for (const mirrored of [false, true]) {
          const { score, roles, whole } = fitTemplate(looks, template, mirrored);
          const believed = score - lie.doubt - (nth ? rarity(kind, template) : 0);
          surest = Math.max(surest, believed);
          found.push({ kind, roles, up: lie.up, believed, score, confidence: sureness(score, hint && whole) });
        }
    }
  }
  const all = ranked(found) as (Suggestion & { score: number })[];
  return !hint && (all[0]?.score ?? 0) < 0.62 ? [none] : all;
}

/** Without a telling name what a piece is stays a guess, as it does where it lacks an edge such a piece has; both are told. */
export const UNSURE = 0.6;
const sureness = (score: number, told: boolean | null): number =>
  told ? clamp(score + 0.1) : Math.min(UNSURE, clamp(score));

/** The likeliest reading of a piece by itself. */
export const suggestRoles = (name: string, paths: Path[], said: Said = {}): Suggestion =>
  readingsOf(name, paths, said)[0] as Suggestion;
