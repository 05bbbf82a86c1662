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
/** How far a band may reach past what it is sewn to, for its button, mm: cuff 25, waistband to 50 (from memory). */
const CUFF_OVERLAP: Ease = { min: -30, max: 0 };
const BAND_OVERLAP: Ease = { min: -50, max: 0 };
/** How much shorter than stand or neckline a collar is at each end, where the overlap runs on, mm (from memory). */
const COLLAR_STEP: Ease = { min: 0, max: 45 };

/** The pieces a seam can be walked on: the first of every kind. */
interface Set {
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

function bodySeams({ get }: Set, pair: Pair): void {
  const [front, back, yoke] = [get('front'), get('back'), get('yoke')];
  if (yoke) {
    pair('yoke-shoulder', halfOf(yoke, 'shoulder'), front ? roleSide(front, 'shoulder') : [], SHOULDER, 'shoulder');
    pair('yoke-back', back ? roleSide(back, 'yoke-seam') : [], halfOf(yoke, 'yoke-seam'));
  } else if (front && back)
    pair('shoulder', roleSide(back, 'shoulder'), roleSide(front, 'shoulder'), SHOULDER, 'shoulder');
  if (front && back) pair('side', roleSide(front, 'side'), roleSide(back, 'side'));
  const centre = back && runsOf(back.ring, 'centre-back')[0];
  if (back && centre?.every((e) => !e.onFold)) pair('centre-back', sideOf(back, centre), sideOf(back, centre));
}

function sleeveSeams({ get, garment }: Set, pair: Pair): void {
  const [front, back, yoke, sleeve, cuff] = [get('front'), get('back'), get('yoke'), get('sleeve'), get('cuff')];
  if (!sleeve) return;
  const [u1, u2] = runsOf(sleeve.ring, 'underarm');
  if (u1 && u2) pair('underarm', sideOf(sleeve, u1), sideOf(sleeve, u2));
  const armholes = [front, back].flatMap((p) => (p ? roleSide(p, 'armhole') : []));
  if (front && back)
    pair('cap', roleSide(sleeve, 'cap'), [...armholes, ...halfOf(yoke, 'armhole')], CAP_EASE[garment] ?? SET_IN, 'cap');
  if (cuff) pair('cuff', roleSide(sleeve, 'wrist'), roleSide(cuff, 'cuff-seam'), CUFF_OVERLAP, 'overlap');
}

function waistSeams({ get }: Set, pair: Pair): void {
  const [front, back, band] = [get('front'), get('back'), get('waistband')];
  const [skirtFront, skirtBack] = [get('skirt-front'), get('skirt-back')];
  const waist = (p: Piece | undefined): Side[] => halfOf(p, 'waist');
  pair('waist-front', waist(skirtFront), waist(front));
  pair('waist-back', waist(skirtBack), waist(back));
  if (skirtFront && skirtBack) {
    pair('skirt-side', roleSide(skirtFront, 'side'), roleSide(skirtBack, 'side'));
    pair('waistband', [...waist(skirtFront), ...waist(skirtBack)], halfOf(band, 'waist'), BAND_OVERLAP, 'overlap');
  }
}

function neckSeams({ get }: Set, pair: Pair): void {
  const [front, back, yoke, collar, stand] = [get('front'), get('back'), get('yoke'), get('collar'), get('stand')];
  const rest = yoke ? halfOf(yoke, 'neckline') : halfOf(back, 'neckline');
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
  const set: Set = { get: (kind) => pieces.find((p) => p.kind === kind), garment };
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
