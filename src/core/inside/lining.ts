import { pathLength } from '../geometry/index.ts';
import { type Edge, type InternalLine, type Piece, type Role, reverseRing } from '../pattern/index.ts';
import { type Decisions, type HemChoice } from '../project.ts';
import { because, type Finding, type Reason, refuse, stop } from '../result.ts';
import { dartsIn } from './darts.ts';
import { type LiningHem, liningHem } from './hem.ts';
import { makePiece } from './make.ts';
import { moveRun, orient, run } from './oriented.ts';
import { fitCap, raiseUnderarm } from './raise.ts';
import { type Split } from './split.ts';
import { hasVent, pleatAboveVent, ventHalves } from './vent.ts';
import { cutBackAtSlit, cutBackAtZip } from './zip.ts';

export interface LiningPiece {
  piece: Piece | null;
  /** The half that lies under, where a vent makes left and right differ. */
  under?: Piece;
  findings: Finding[];
  hem: LiningHem | null;
}

interface Hemmed {
  ring: Edge[];
  hem: LiningHem | null;
  findings: Finding[];
}

/** The lining's lower edge moved to where the hem rule puts it, with the allowance the rule asks. */
export function hemmed(ring: Edge[], role: Role, choice: HemChoice, shell: Piece, sign: 1 | -1): Hemmed {
  const edge = run(shell.ring, role)[0];
  if (!edge) return { ring, hem: null, findings: [] };
  const made = liningHem(choice, edge.allowance);
  if (!made.ok)
    return {
      ring,
      hem: null,
      findings: made.findings.map((f) => ({ ...f, where: { piece: shell.id, edge: edge.id } })),
    };
  const { line, allowance } = made.value;
  const moved = moveRun(ring, role, -line, sign).map((e) => (e.role === role ? { ...e, allowance } : e));
  const n = moved.length;
  const corner = choice.kind === 'free' ? ('mirrored' as const) : ('mitred' as const);
  const squaredOff = moved.map((e, i) => (e.role === role || moved[(i + 1) % n]?.role === role ? { ...e, corner } : e));
  return { ring: squaredOff, hem: made.value, findings: [] };
}

const raiseReasons = (l: Decisions['lining']): Reason[] => [
  because('raise', 'memory', l.raise, { raise: l.raise }),
  because('let-out', 'memory', l.out, { out: l.out }),
];

interface Armholed {
  ring: Edge[];
  reasons: Reason[];
}

/**
 * The armhole of a body lining. With a sleeve lining set into it, the underarm is raised; without sleeves it is drawn
 * smaller, so that it rolls inside (1/8", common practice).
 */
function armholed(split: Split, d: Decisions, sleeveless: boolean): Armholed {
  const { sign } = split.oriented;
  const { raise, out, smaller } = d.lining;
  if (!sleeveless)
    return { ring: raiseUnderarm(split.lining, 'armhole', 'side', sign, raise, out), reasons: raiseReasons(d.lining) };
  return {
    ring: moveRun(split.lining, 'armhole', -smaller, sign),
    reasons: [because('armhole-smaller', 'practice', smaller, { smaller })],
  };
}

/** Front lining: what the facing leaves, its armhole fitted to sleeve or edge, hem placed, darts as chosen. */
export function frontLining(split: Split, d: Decisions, sleeveless: boolean): LiningPiece {
  const { piece, sign } = split.oriented;
  const { ring: raised, reasons: why } = armholed(split, d, sleeveless);
  const h = hemmed(raised, 'hem', d.lining.hem, piece, sign);
  const { ring, reason } = cutBackAtSlit(h.ring, sign, d.lining.slit, h.hem?.line ?? 0);
  const made = makePiece(piece, {
    id: 'front-lining',
    name: 'Front lining',
    material: 'lining',
    ring,
    reasons: [...why, ...(reason ? [reason] : []), ...(h.hem ? [h.hem.reason] : [])],
    lines: dartsIn(piece, ring, d.lining.darts),
  });
  return { piece: made, findings: h.findings, hem: h.hem };
}

/**
 * Back lining: as the front's, and half the centre-back pleat added beyond the centre back (fold or seam); beside a zip it is
 * cut back instead. A bodice that ends at the waist has no pleat. A vent makes left and right differ.
 */
export function backLining(split: Split, d: Decisions, sleeveless: boolean): LiningPiece {
  const { piece, sign } = split.oriented;
  const { ring: raised, reasons: why } = armholed(split, d, sleeveless);
  const half = backPleat(piece, d) / 2;
  const pleat = half > 0 ? [because('centre-back-pleat', 'memory', 2 * half, { half })] : [];
  if (hasVent(piece)) {
    const { ring, reason } =
      half > 0 ? { ring: raised, reason: null } : cutBackAtZip(raised, sign, d.lining.zip, split.ends.first);
    const made = ventedLining(ring, sign, piece, d, { id: 'back', name: 'back', pleat: half });
    if (reason) pleat.push(reason);
    const reasons = (p: Piece): Piece => ({ ...p, reasons: [...p.reasons, ...pleat, ...why] });
    return {
      ...made,
      piece: made.piece && reasons(made.piece),
      ...(made.under && { under: reasons(made.under) }),
    };
  }
  const h = hemmed(raised, 'hem', d.lining.hem, piece, sign);
  const slit = cutBackAtSlit(h.ring, sign, d.lining.slit, h.hem?.line ?? 0);
  const centre = run(h.ring, 'centre-back').flatMap((e) => e.path);
  const zip = half > 0 ? null : cutBackAtZip(slit.ring, sign, d.lining.zip, split.ends.first);
  const ring = zip?.ring ?? moveRun(slit.ring, 'centre-back', half, sign);
  const lines: InternalLine[] = [
    ...(half > 0 && centre.length ? [{ kind: 'pleat' as const, path: centre }] : []),
    ...dartsIn(piece, ring, d.lining.darts),
  ];
  const told = [zip?.reason, slit.reason].flatMap((r) => r ?? []);
  const made = makePiece(piece, {
    id: 'back-lining',
    name: 'Back lining',
    material: 'lining',
    ring,
    reasons: [...told, ...pleat, ...why, ...(h.hem ? [h.hem.reason] : [])],
    lines,
  });
  return { piece: made, findings: h.findings, hem: h.hem };
}

/**
 * Left and right lining of a piece with a vent, each cut once. Right side up, a lining for the left half has its centre at
 * the left: the half that is drawn the other way round is cut with its pattern face down.
 */
export function ventedLining(
  ring: Edge[],
  sign: 1 | -1,
  shell: Piece,
  d: Decisions,
  named: { id: string; name: string; pleat: number },
): LiningPiece {
  const halves = ventHalves(ring, sign, shell, d.lining.vent);
  if (!halves.ok) return { piece: null, hem: null, findings: halves.findings };
  const { over } = d.lining.vent;
  const made = (which: 'over' | 'under') => {
    const half = halves.value[which];
    const h = hemmed(pleatAboveVent(half.ring, named.pleat, sign), 'hem', d.lining.hem, shell, sign);
    const left = (over === 'left') === (which === 'over');
    const piece = makePiece(shell, {
      id: which === 'over' ? `${named.id}-lining` : `${named.id}-lining-under`,
      name: `${left ? 'Left' : 'Right'} ${named.name} lining, ${which === 'over' ? 'overlap' : 'underlap'}`,
      material: 'lining',
      ring: h.ring,
      reasons: [half.reason, ...(h.hem ? [h.hem.reason] : [])],
      lines: dartsIn(shell, h.ring, d.lining.darts),
    });
    const turned = left !== (sign === 1);
    const cut = { count: 1, pair: false, onFold: false, ...(turned && { turned }) };
    return { piece: { ...piece, cut }, h };
  };
  const [o, u] = [made('over'), made('under')];
  return { piece: o.piece, under: u.piece, hem: o.h.hem, findings: o.h.findings };
}

/** The centre-back pleat in all, mm: none in a bodice, nor beside a zip. Handbook rule from memory. */
export const backPleat = (back: Piece, d: Decisions): number =>
  run(back.ring, 'waist').length || d.lining.zip.length > 0 ? 0 : d.lining.pleat;

/**
 * Sleeve lining: underarm raised at both ends of the cap, hem placed, and the cap's height changed until it is longer
 * than the lining's armhole by the chosen ease (handbook range from memory: 10–20 mm). A sleeve that ends in a cuff is
 * lined to the cuff's seam, its pleats repeated.
 */
export function sleeveLining(sleeve: Piece, armhole: number | null, cuffed: boolean, d: Decisions): LiningPiece {
  const o = orient(sleeve, 'cap', 'underarm');
  if (!o || run(sleeve.ring, 'wrist').length === 0) {
    const roles = 'cap, underarm, wrist';
    return { piece: null, hem: null, ...refusal('roles-missing', sleeve, { roles }) };
  }
  const { raise, out } = d.lining;
  const one = raiseUnderarm(o.ring, 'cap', 'underarm', o.sign, raise, out);
  const both = reverseRing(raiseUnderarm(reverseRing(one), 'cap', 'underarm', o.sign === 1 ? -1 : 1, raise, out));
  const h = cuffed ? { ring: both, hem: null, findings: [] } : hemmed(both, 'wrist', d.lining.wrist, sleeve, o.sign);
  const findings = [...h.findings];
  const reasons = [...raiseReasons(d.lining), ...(h.hem ? [h.hem.reason] : [])];
  let ring = h.ring;
  if (armhole !== null) {
    const fitted = fitCap(ring, armhole + d.lining.capEase);
    if (fitted) {
      ring = fitted.ring;
      reasons.push(because('cap-ease', 'memory', d.lining.capEase, { armhole, change: fitted.heightChange }));
    } else {
      const cap = run(ring, 'cap').reduce((s, e) => s + pathLength(e.path), 0);
      findings.push(...refusal('cap-cannot-fit', sleeve, { cap, armhole, ease: d.lining.capEase }).findings);
    }
  }
  const lines = dartsIn(sleeve, ring, d.lining.darts);
  const made = makePiece(sleeve, {
    id: 'sleeve-lining',
    name: 'Sleeve lining',
    material: 'lining',
    ring,
    reasons,
    lines,
  });
  return { piece: made, findings, hem: h.hem };
}

const refusal = (code: string, piece: Piece, data: Record<string, string | number>) =>
  refuse(stop(code, { piece: piece.id }, { name: piece.name, ...data }));
