import { nearestOn, pathLength, startOf } from '../geometry/index.ts';
import { runsOf } from './ring.ts';
import { roleSide, type Seam, type Side, sideOf } from './seam.ts';
import { type Piece, type PieceKind, type Role } from './types.ts';

type Ease = Seam['ease'];

const NONE: Ease = { min: 0, max: 0 };
const SET_IN: Ease = { min: 20, max: 40 };
/** Cap ease by garment, mm: a woven set-in cap 20–40, a shirt's 0–15 (handbook figures from memory). */
const CAP_EASE: Record<string, Ease> = { shirt: { min: 0, max: 15 } };
/** A back shoulder may be eased onto the front's by so much, mm (handbook figure from memory). */
const SHOULDER: Ease = { min: 0, max: 10 };
/** A side panel may be eased onto the middle one over bust or shoulder blade, mm (handbook figure from memory). */
const PANEL: Ease = { min: -3, max: 10 };
/** The upper sleeve is eased onto the under-sleeve at the elbow, mm; stretched a little at the forearm (from memory). */
const ELBOW: Ease = { min: 0, max: 12 };
const FOREARM: Ease = { min: -6, max: 3 };
/** How far a band may reach past what it is sewn to, for its button, mm: cuff 25, waistband to 50 (from memory). */
const CUFF_OVERLAP: Ease = { min: -30, max: 0 };
const BAND_OVERLAP: Ease = { min: -50, max: 0 };
/** How much shorter than stand or neckline a collar is at each end, where the overlap runs on, mm (from memory). */
const COLLAR_STEP: Ease = { min: 0, max: 45 };

/** A hood may be eased or laid in a small pleat at the neck, mm (handbook figure from memory). */
const HOOD: Ease = { min: 0, max: 15 };

/** A sleeve whose seams with the body run up to the neck. */
export const isRaglan = (sleeve: Piece): boolean => sleeve.ring.some((e) => e.role === 'neckline');

/** The pieces a seam can be walked on: the first of every kind. */
interface Set {
  /** Middle and side panel of front or back, as far as there are. */
  all: (...kinds: PieceKind[]) => Piece[];
  get: (kind: PieceKind) => Piece | undefined;
  garment: string;
}

const CENTRES: ReadonlySet<Role> = new Set<Role>(['centre-back', 'centre-front', 'front-edge']);

/** Whether a piece is drawn for one half of the body, cut twice or on the fold. */
const isHalf = (p: Piece): boolean => p.ring.some((e) => e.onFold || CENTRES.has(e.role));

/** All runs of a role on a piece, for one half of the body: half of a piece that is drawn whole. */
function halfOf(p: Piece | undefined, role: Role): Side[] {
  if (!p) return [];
  const sides = runsOf(p.ring, role).flatMap((r) => sideOf(p, r));
  return isHalf(p) ? sides : sides.map((s) => ({ ...s, share: 0.5 }));
}

/** The neckline of one half up to centre front, where the collar ends: what lies beyond is the overlap. */
function toCentreFront(front: Piece | undefined): Side[] {
  const sides = front ? roleSide(front, 'neckline') : [];
  const drawn = front?.lines.find((l) => l.kind === 'centre-front');
  if (!front || !drawn || sides.length !== 1) return sides;
  const edge = front.ring.find((e) => e.id === sides[0]?.edge);
  if (!edge) return sides;
  const length = pathLength(edge.path);
  const hit = nearestOn(edge.path, nearestOn(drawn.path, startOf(edge.path)).point);
  const atStart = front.ring[(front.ring.indexOf(edge) + front.ring.length - 1) % front.ring.length];
  const frontFirst = atStart?.role === 'front-edge' || atStart?.role === 'centre-front';
  const share = (frontFirst ? length - hit.at : hit.at) / length;
  return share > 0.5 && share < 1 ? [{ ...(sides[0] as Side), share }] : sides;
}

/** All runs of a role over several pieces. */
const over = (pieces: Piece[], role: Role): Side[] =>
  pieces.flatMap((p) => runsOf(p.ring, role).flatMap((r) => sideOf(p, r)));

function bodySeams({ get, all }: Set, pair: Pair): void {
  const [front, back, yoke] = [get('front'), get('back'), get('yoke')];
  const [fronts, backs] = [all('front', 'front-side'), all('back', 'back-side')];
  if (yoke) {
    pair('yoke-shoulder', halfOf(yoke, 'shoulder'), over(fronts, 'shoulder'), SHOULDER, 'shoulder');
    pair('yoke-back', over(backs, 'yoke-seam'), halfOf(yoke, 'yoke-seam'));
  } else if (front && back) pair('shoulder', over(backs, 'shoulder'), over(fronts, 'shoulder'), SHOULDER, 'shoulder');
  pair('side', over(fronts, 'side'), over(backs, 'side'));
  for (const [code, whole] of [
    ['panel-front', fronts],
    ['panel-back', backs],
  ] as const)
    if (whole[0] && whole[1])
      pair(code, roleSide(whole[1], 'panel-seam'), roleSide(whole[0], 'panel-seam'), PANEL, 'panel');
  const centre = back && runsOf(back.ring, 'centre-back')[0];
  if (back && centre?.every((e) => !e.onFold)) pair('centre-back', sideOf(back, centre), sideOf(back, centre));
}

function sleeveSeams({ get, all, garment }: Set, pair: Pair): void {
  const [yoke, sleeve, under, cuff] = [get('yoke'), get('sleeve'), get('under-sleeve'), get('cuff')];
  if (!sleeve) return;
  const [u1, u2] = runsOf(sleeve.ring, 'underarm');
  if (u1 && u2) pair('underarm', sideOf(sleeve, u1), sideOf(sleeve, u2));
  if (under) {
    pair('elbow', roleSide(sleeve, 'elbow-seam'), roleSide(under, 'elbow-seam'), ELBOW, 'elbow');
    pair('forearm', roleSide(sleeve, 'forearm-seam'), roleSide(under, 'forearm-seam'), FOREARM, 'forearm');
  }
  const sleeves = under ? [sleeve, under] : [sleeve];
  const armholes = over(all('front', 'front-side', 'back', 'back-side'), 'armhole');
  if (isRaglan(sleeve)) {
    const caps = runsOf(sleeve.ring, 'cap').flatMap((r) => sideOf(sleeve, r));
    pair('raglan', caps, armholes, SHOULDER, 'cap');
  } else if (get('front') && get('back'))
    pair('cap', over(sleeves, 'cap'), [...armholes, ...halfOf(yoke, 'armhole')], CAP_EASE[garment] ?? SET_IN, 'cap');
  if (cuff) pair('cuff', over(sleeves, 'wrist'), roleSide(cuff, 'cuff-seam'), CUFF_OVERLAP, 'overlap');
}

function waistSeams({ get, all }: Set, pair: Pair): void {
  const band = get('waistband');
  const bodice = (...kinds: PieceKind[]): Side[] => all(...kinds).flatMap(waist);
  const [skirtFront, skirtBack] = [get('skirt-front'), get('skirt-back')];
  const waist = (p: Piece | undefined): Side[] => halfOf(p, 'waist');
  pair('waist-front', waist(skirtFront), bodice('front', 'front-side'));
  pair('waist-back', waist(skirtBack), bodice('back', 'back-side'));
  if (skirtFront && skirtBack) {
    pair('skirt-side', over([skirtFront], 'side'), over([skirtBack], 'side'));
    pair('waistband', [...waist(skirtFront), ...waist(skirtBack)], halfOf(band, 'waist'), BAND_OVERLAP, 'overlap');
  }
}

function neckSeams({ get }: Set, pair: Pair): void {
  const [front, back, yoke, collar, stand] = [get('front'), get('back'), get('yoke'), get('collar'), get('stand')];
  const sleeve = get('sleeve');
  const rest = [
    ...(yoke ? halfOf(yoke, 'neckline') : halfOf(back, 'neckline')),
    ...(sleeve ? roleSide(sleeve, 'neckline') : []),
  ];
  const hood = get('hood');
  if (hood && front) pair('hood-neck', roleSide(hood, 'neckline'), [...toCentreFront(front), ...rest], HOOD, 'hood');
  if (!front || !rest.length) return;
  if (stand) {
    pair('stand-neck', halfOf(stand, 'stand-neck'), [...roleSide(front, 'neckline'), ...rest]);
    pair('collar-stand', halfOf(stand, 'stand-top'), halfOf(collar, 'collar-neck'), COLLAR_STEP, 'collar-step');
  } else pair('collar-neck', [...toCentreFront(front), ...rest], halfOf(collar, 'collar-neck'));
}

type Pair = (code: string, a: Side[], b: Side[], ease?: Ease, easeOf?: string) => void;

/**
 * The seams of the shell that follow from kinds and roles, for one half of the body; side a is the one that may be
 * longer. Ease ranges: handbook figures from memory.
 */
export function shellSeams(pieces: Piece[], garment = 'coat'): Seam[] {
  const out: Seam[] = [];
  const get: Set['get'] = (kind) => pieces.find((p) => p.kind === kind);
  const set: Set = { get, all: (...kinds) => kinds.flatMap((k) => get(k) ?? []), garment };
  const pair: Pair = (code, a, b, ease = NONE, easeOf) => {
    if (a.length && b.length)
      out.push({ id: `shell-${code}`, code, group: 'shell', a, b, ease, ...(easeOf && { easeOf }) });
  };
  bodySeams(set, pair);
  sleeveSeams(set, pair);
  waistSeams(set, pair);
  neckSeams(set, pair);
  return out;
}
