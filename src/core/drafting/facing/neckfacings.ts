import { type Decisions } from '../../document/project.ts';
import { isStraight } from '../../geometry/index.ts';
import { type Edge, isRaglan, type Piece } from '../../pattern/index.ts';
import { because, type Finding, type Reason } from '../../result.ts';
import { splitRaglan } from '../lining/raglan.ts';
import { type InsidePieces } from '../pieces.ts';
import { derivePiece } from '../shape/derivepiece.ts';
import { first } from '../shape/find.ts';
import { moveRun, type Split } from '../shape/oriented.ts';
import { splitDeepBack } from './deepback.ts';
import { type Bands } from './edgefacings.ts';
import { cutOnFacing } from './grownon.ts';
import { drawnOut, turnsBackAt } from './lapel.ts';
import { splitCentre, splitFront } from './split.ts';
/** Shell pieces parted along their facing lines. */
export interface Parts {
  front?: Split;
  back?: Split;
  /** A raglan sleeve, whose upper end is part of the neck. */
  sleeve?: Split;
  findings: Finding[];
}

function facingReasons(split: Split, d: Decisions, where: 'front' | 'back'): Reason[] {
  const f = d.facing;
  const shoulder = because('facing-shoulder', 'memory', f.shoulder, { shoulder: f.shoulder });
  if (where === 'back')
    return f.deep > 0
      ? [because('facing-deep', 'memory', f.deep)]
      : [because('facing-back', 'memory', f.back, { back: f.back }), shoulder];
  const front = because('facing-front', 'memory', f.front, { front: f.front });
  if (f.kind === 'lapel')
    return [front, shoulder, ...(f.out > 0 ? [because('lapel-out', 'memory', f.out, { out: f.out })] : [])];
  return [front, shoulder, because('facing-radius', 'memory', split.cornerRadius, { asked: f.radius })];
}

/** The facing's lower edge is sewn across on the hem line and turned, so it carries a seam's allowance, not the hem's. */
const atHem = (edges: Edge[], seam: number): Edge[] =>
  edges.map((e) => (e.role === 'hem' ? { ...e, allowance: seam, corner: 'mitred' } : { ...e, corner: 'mitred' }));

/** A front that opens at its edge; one whose centre front lies on a fold or in a seam is faced at the neck alone. */
const opens = (front: Piece): boolean =>
  front.ring.some((e) => e.role === 'front-edge') || !front.ring.some((e) => e.role === 'centre-front');

/** An unlined back below a yoke needs no neck facing: the inner yoke covers it. */
const belowYoke = (back: Piece | undefined, shell: Piece[]): boolean =>
  back !== undefined && first(shell, 'yoke') !== undefined;

/** How the shell pieces part along the facing line; what cannot be parted is left out with the reason. */
export function splitShell(shell: Piece[], d: Decisions, back: Piece | null | undefined = first(shell, 'back')): Parts {
  const front = first(shell, 'front');
  const seam = d.allowances.seam;
  const findings: Finding[] = [];
  const out: Parts = { findings };
  if (front) {
    const s = opens(front)
      ? splitFront(front, d.facing, seam)
      : splitCentre(front, 'centre-front', d.facing.back, d.facing.shoulder, seam);
    if (s.ok) out.front = s.value;
    else findings.push(...s.findings);
  }
  if (back) {
    const s =
      d.facing.deep > 0
        ? splitDeepBack(back, d.facing.deep, seam)
        : splitCentre(back, 'centre-back', d.facing.back, d.facing.shoulder, seam);
    if (s.ok) out.back = s.value;
    else findings.push(...s.findings);
  }
  const sleeve = first(shell, 'sleeve');
  if (sleeve && isRaglan(sleeve)) {
    const s = splitRaglan(sleeve, d.facing.shoulder, seam);
    if (s.ok) out.sleeve = s.value;
    else findings.push(...s.findings);
  }
  out.findings = agreed(findings);
  return out;
}

/** The shoulder width is one for front and back: what fits is what fits both. */
function agreed(findings: Finding[]): Finding[] {
  const most = Math.min(...findings.filter((f) => f.code === 'shoulder-too-short').map((f) => Number(f.data?.most)));
  return findings.map((f) => (f.code === 'shoulder-too-short' ? { ...f, data: { ...f.data, most } } : f));
}

/** Facings of front edge and neck, where they are not left to a bias strip or to a facing of neck and armhole in one. */
export function neckFacings(p: InsidePieces, shell: Piece[], bands: Bands, d: Decisions): Parts {
  const whole = bands.pieces.some((b) => b.role === 'in-one');
  if (!d.facing.on || whole || d.facing.bias.neck) return { findings: [] };
  const { front, back } = p;
  const parts = splitShell(shell, d, belowYoke(back, shell) && !d.lining.on ? null : back);
  const seam = d.allowances.seam;
  if (parts.front && front) {
    const cutOn = d.facing.kind === 'cut-on' && opens(front) ? cutOnFacing(front, parts.front, seam) : null;
    if (cutOn?.ok) {
      p.frontFacing = cutOn.value.facing;
      p.recut = cutOn.value.whole;
    } else if (cutOn) parts.findings.push(...cutOn.findings);
    else p.frontFacing = frontFacing(front, parts.front, d);
  }
  if (parts.back && back)
    p.backFacing = derivePiece(back, {
      id: 'back-facing',
      name: d.facing.deep > 0 ? 'Back facing' : 'Back neck facing',
      material: 'facing',
      ...onFold(atHem(rolledIn(parts.back, d, !p.sleeve), seam), facingReasons(parts.back, d, 'back'), d),
    });
  if (parts.sleeve && p.sleeve)
    p.sleeveFacing = derivePiece(p.sleeve, {
      id: 'sleeve-facing',
      name: 'Sleeve neck facing',
      material: 'facing',
      ring: atHem(parts.sleeve.facing, seam),
      reasons: [because('facing-raglan', 'memory', d.facing.shoulder)],
    });
  return parts;
}

function frontFacing(front: Piece, split: Split, d: Decisions): Piece {
  const { ring, sign } = split.oriented;
  const at = turnsBackAt(front, ring, d.facing);
  const facing = at === null ? split.facing : drawnOut(split.facing, sign, at, d.facing.out);
  return derivePiece(front, {
    id: 'front-facing',
    name: 'Front facing',
    material: 'facing',
    ring: atHem(facing, d.allowances.seam),
    reasons: facingReasons(split, d, 'front'),
  });
}

/** A back facing that reaches a sleeveless armhole is drawn smaller there, as the lining below it is. */
const rolledIn = (back: Split, d: Decisions, sleeveless: boolean): Edge[] =>
  sleeveless && d.lining.on && d.facing.deep > 0
    ? moveRun(back.facing, 'armhole', -d.lining.smaller, back.oriented.sign)
    : back.facing;

/** A back facing below a seam that stays closed needs none itself: it is cut on the fold. Common practice. */
function onFold(ring: Edge[], reasons: Reason[], d: Decisions): { ring: Edge[]; reasons: Reason[] } {
  const centre = ring.find((e) => e.role === 'centre-back');
  if (!centre || centre.onFold || d.lining.zip.length > 0 || !isStraight(centre.path)) return { ring, reasons };
  return {
    ring: ring.map((e) => (e === centre ? { ...e, onFold: true, allowance: 0 } : e)),
    reasons: [...reasons, because('facing-on-fold', 'practice', 0)],
  };
}
