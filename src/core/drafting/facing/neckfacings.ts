import { type Decisions } from '../../document/project.ts';
import { isStraight } from '../../geometry/index.ts';
import { type Edge, isRaglan, type Piece, type PieceKind, type Role } from '../../pattern/index.ts';
import { because, type Finding, type Reason, type Result } from '../../result.ts';
import { type Drafted, type Garment, isSleeved, placeOf } from '../drafted.ts';
import { splitRaglan } from '../lining/raglan.ts';
import { derivePiece } from '../shape/derivepiece.ts';
import { beside, besideNeck, moveRun, type Split } from '../shape/oriented.ts';
import { splitDeepBack } from './deepback.ts';
import { type Bands } from './edgefacings.ts';
import { cutOnFacing } from './grownon.ts';
import { drawnOut, turnsBackAt } from './lapel.ts';
import { splitCentre, splitFront } from './split.ts';
import { splitStretch } from './splitstretch.ts';

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

/** An unlined back below a yoke needs no neck facing: the inner yoke covers it. */
const belowYoke = (x: Drafted, shell: Piece[], d: Decisions): boolean =>
  x.shell.kind === 'back' && !d.lining.on && shell.some((p) => p.kind === 'yoke');

const NECK: ReadonlySet<Role> = new Set<Role>(['neckline']);
const OPENING: ReadonlySet<Role> = new Set<Role>(['front-edge']);
const BOTH: ReadonlySet<Role> = new Set<Role>([...NECK, ...OPENING]);

/** Fronts and backs that are joined to nothing yet are asked for the edges a neck facing follows. */
const ASKED: ReadonlySet<PieceKind> = new Set<PieceKind>(['front', 'back']);

/**
 * How one piece parts along its facing line, by the edges it has: a front that opens from its lower end round the neck, what
 * has a centre from there, a raglan sleeve across its top, and anything else along its stretch of the neck or the opening.
 * Null where it has neither.
 */
export function splitPiece(p: Piece, d: Decisions): Result<Split> | null {
  const { facing: f } = d;
  const { seam } = d.allowances;
  const has = (r: Role): boolean => p.ring.some((e) => e.role === r);
  if (isRaglan(p) && p.kind === 'sleeve') return splitRaglan(p, f.shoulder, seam);
  if (!has('neckline')) {
    // Beside an edge without a name the opening may go on: its name is asked for.
    if (has('front-edge') && !beside(p.ring, 'front-edge').includes('plain'))
      return splitStretch(p, OPENING, { start: f.front, end: f.front }, seam);
    // What hangs from a yoke or a seam has no neck.
    return ASKED.has(p.kind) && !has('yoke-seam') && !has('panel-seam') && !has('waist') ? asked(p, d) : null;
  }
  if (has(besideNeck(p.ring)) && (has('front-edge') || has('centre-front') || has('centre-back'))) return asked(p, d);
  if (p.kind === 'front' && p.cut.count !== 1) return asked(p, d);
  if (p.kind === 'back' && p.cut.count !== 1 && !has('panel-seam')) return asked(p, d);
  return splitStretch(p, has('front-edge') ? BOTH : NECK, { start: f.shoulder, end: f.shoulder }, seam);
}

/** A front or back as it is usually cut: from its opening or its centre to the shoulder. */
function asked(p: Piece, d: Decisions): Result<Split> {
  const { facing: f } = d;
  const { seam } = d.allowances;
  const back = p.kind === 'back' || p.kind === 'back-side' || p.ring.some((e) => e.role === 'centre-back');
  const opens = p.ring.some((e) => e.role === 'front-edge');
  if (opens || (!back && !p.ring.some((e) => e.role === 'centre-front'))) return splitFront(p, f, seam);
  if (!back) return splitCentre(p, 'centre-front', f.back, f.shoulder, seam);
  return f.deep > 0 ? splitDeepBack(p, f.deep, seam) : splitCentre(p, 'centre-back', f.back, f.shoulder, seam);
}

/** The shoulder width is one for front and back: what fits is what fits both. */
function agreed(findings: Finding[]): Finding[] {
  const most = Math.min(...findings.filter((f) => f.code === 'shoulder-too-short').map((f) => Number(f.data?.most)));
  return findings.map((f) => (f.code === 'shoulder-too-short' ? { ...f, data: { ...f.data, most } } : f));
}

/** Pieces whose neck edge is faced: what is worn over the shoulders. */
const isFaced = (g: Garment, x: Drafted): boolean => {
  const place = placeOf(g, x.shell);
  return place === 'body' || (place === 'sleeve' && isRaglan(x.shell)) || (place === 'skirt' && opens(x.shell));
};

/** A piece that opens at its edge; one whose centre front lies on a fold or in a seam is faced at the neck alone. */
const opens = (p: Piece): boolean => p.ring.some((e) => e.role === 'front-edge');

/**
 * Facings of front edge and neck, where they are not left to a bias strip or to a facing of neck and armhole in one. What
 * cannot be parted is left out with the reason.
 */
export function neckFacings(g: Garment, bands: Bands, d: Decisions): Finding[] {
  const whole = bands.pieces.some((b) => b.role === 'in-one');
  if (!d.facing.on || whole || d.facing.bias.neck) return [];
  const findings: Finding[] = [];
  for (const x of g.drafted) {
    if (!isFaced(g, x) || belowYoke(x, g.shell, d)) continue;
    const made = splitPiece(x.shell, d);
    if (!made) continue;
    if (made.ok) findings.push(...faced(x, made.value, !isSleeved(g, x.shell), d));
    else {
      x.refused = true;
      findings.push(...made.findings);
    }
  }
  return agreed(findings);
}

/** The facing that a piece parts off, by what it goes along. */
function faced(x: Drafted, split: Split, sleeveless: boolean, d: Decisions): Finding[] {
  const { shell } = x;
  const { seam } = d.allowances;
  x.split = split;
  const cutOn = d.facing.kind === 'cut-on' && opens(shell) ? cutOnFacing(shell, split, seam) : null;
  if (cutOn && !cutOn.ok) return cutOn.findings;
  if (cutOn) {
    // Its edges are those of the piece it is grown on to; they repeat the ones they were mirrored from.
    const from = new Map(split.facing.map((e) => [`on-${e.id}`, e.from]));
    const repeats = (e: Edge): Edge => {
      const f = from.get(e.id);
      return f ? { ...e, from: f } : e;
    };
    x.facing = { ...cutOn.value.facing, material: 'facing', ring: cutOn.value.facing.ring.map(repeats) };
    x.recut = cutOn.value.whole;
    return [];
  }
  const named = { id: `${x.base}-facing`, name: `${x.title} facing`, material: 'facing' as const };
  if (isRaglan(shell) && shell.kind === 'sleeve') {
    const reasons = [because('facing-raglan', 'memory', d.facing.shoulder)];
    x.facing = derivePiece(shell, {
      ...named,
      name: `${x.title} neck facing`,
      ring: atHem(split.facing, seam),
      reasons,
    });
  } else if (opens(shell) || shell.kind === 'front')
    x.facing = derivePiece(shell, { ...named, ...frontFacing(shell, split, d) });
  else {
    const made = onFold(atHem(rolledIn(split, d, sleeveless), seam), facingReasons(split, d, 'back'), d);
    x.facing = derivePiece(shell, {
      ...named,
      name: d.facing.deep > 0 ? `${x.title} facing` : `${x.title} neck facing`,
      ...made,
    });
  }
  return [];
}

function frontFacing(front: Piece, split: Split, d: Decisions): { ring: Edge[]; reasons: Reason[] } {
  const { ring, sign } = split.oriented;
  const at = turnsBackAt(front, ring, d.facing);
  const facing = at === null ? split.facing : drawnOut(split.facing, sign, at, d.facing.out);
  return { ring: atHem(facing, d.allowances.seam), reasons: facingReasons(split, d, 'front') };
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
