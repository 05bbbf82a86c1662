import { type Decisions } from '../../document/project.ts';
import { type FindingCode } from '../../findingcodes.ts';
import { boxOf, pathLength, stretch } from '../../geometry/index.ts';
import {
  type Edge,
  fitCap,
  type InternalLine,
  outlineOf,
  type Piece,
  type Role,
  reverseRing,
  rolesMissing,
} from '../../pattern/index.ts';
import { because, type Finding, ok, type Reason, type Result, refuse, stop } from '../../result.ts';
import { inSentence } from '../../text.ts';
import { derivePiece } from '../shape/derivepiece.ts';
import { beside, moveRun, orient, run, runLength, type Split } from '../shape/oriented.ts';
import { dartsIn } from './darts.ts';
import { facedHem, type LiningHem, liningHem } from './hem.ts';
import { withoutPockets } from './pockets.ts';
import { raiseRaglan } from './raglan.ts';
import { raiseAtSeam, raiseBetween, raiseUnderarm } from './raise.ts';
import { type Underarms } from './underarm.ts';
import { besideSideVent, hasVent, pleatRunsOut, RUN_OUT, ventHalves, ventsAtCentre } from './vent.ts';
import { type BesideZip, cutBackAtSlit, cutBackAtZip, zipIn } from './zip.ts';

export interface LiningPiece {
  piece: Piece | null;
  /** What lies under: the other half where a vent makes left and right differ, the under-sleeve of a two-piece sleeve. */
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
export function hemmed(ring: Edge[], role: 'hem' | 'wrist', d: Decisions, shell: Piece, sign: 1 | -1): Hemmed {
  const choice = d.lining[role];
  const edge = run(shell.ring, role)[0];
  if (!edge) return { ring, hem: null, findings: [] };
  const made = liningHem(choice, edge.allowance, facedHem(d, role));
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
function armholed(split: Split, d: Decisions, arms: Underarms): Armholed {
  const { sign } = split.oriented;
  const { raise, out, smaller } = d.lining;
  const lined = d.lining.pockets === 'out' ? withoutPockets(split.lining) : split.lining;
  const has = (role: Role): boolean => lined.some((e) => e.role === role);
  if (!has('armhole')) return { ring: lined, reasons: [] };
  if (arms.sleeveless)
    return {
      ring: alikeAtPanels(lined, moveRun(lined, 'armhole', -smaller, sign), sign, smaller),
      reasons: [because('armhole-smaller', 'practice', smaller, { smaller })],
    };
  if (arms.between)
    return { ring: raiseBetween(lined, 'armhole', raise), reasons: raiseReasons({ ...d.lining, out: 0 }).slice(0, 1) };
  // A middle panel between princess seams has no underarm.
  const [seam] = [...arms.seams].filter(has);
  if (!seam) return { ring: lined, reasons: [] };
  const letOut = seam === 'side' ? out : 0;
  const reasons = raiseReasons(d.lining).slice(0, seam === 'side' ? 2 : 1);
  return { ring: raiseAtSeam(lined, 'armhole', seam, sign, raise, letOut), reasons };
}

/**
 * A panel seam that comes up to an armhole drawn smaller loses as much there on either panel, however slanting it meets it: as
 * much as the armhole is moved, mm.
 */
function alikeAtPanels(before: Edge[], moved: Edge[], sign: 1 | -1, smaller: number): Edge[] {
  const ends = beside(before, 'armhole').filter((r) => r === 'panel-seam').length;
  if (!ends) return moved;
  const lost = runLength(before, 'panel-seam') - runLength(moved, 'panel-seam');
  return raiseAtSeam(moved, 'armhole', 'panel-seam', sign, lost / ends - smaller, 0);
}

export interface Named {
  /** What its ids begin with, and what it is called. */
  id: string;
  name: string;
}

/**
 * Lining of a piece of the body: what the facing leaves, its armhole fitted to sleeve or edge, hem placed, darts as chosen.
 * Half the centre-back pleat is added beyond a centre back (fold or seam); beside a zip it is cut back instead. A bodice that
 * ends at the waist has no pleat. A vent makes left and right differ.
 */
export function bodyLining(split: Split, d: Decisions, arms: Underarms, named: Named): LiningPiece {
  const { piece, sign } = split.oriented;
  const { ring: raised, reasons: why } = armholed(split, d, arms);
  const has = (role: Role): boolean => piece.ring.some((e) => e.role === role);
  const vented = besideVents(raised, sign, piece, d);
  if (!vented.ok) return { piece: null, hem: null, findings: vented.findings };
  const beside = [...why, ...vented.value.reasons];
  if (has('centre-back') && !has('front-edge')) return backLining(split, d, vented.value.ring, beside, named);
  if (hasVent(piece) && ventsAtCentre(piece)) {
    const zip = cutBackAtZip(raised, sign, d.lining.zip, coveredOf(split, d));
    return besideVent(ventedLining(zip.ring, sign, piece, d, { ...named, pleat: 0 }), zip, d.lining.vent.over);
  }
  const h = hemmed(vented.value.ring, 'hem', d, piece, sign);
  const slit = cutBackAtSlit(h.ring, sign, d.lining.slit, h.hem?.line ?? 0);
  const zip = cutBackAtZip(slit.ring, sign, d.lining.zip, coveredOf(split, d));
  const made = derivePiece(piece, {
    id: `${named.id}-lining`,
    name: `${named.name} lining`,
    material: 'lining',
    ring: zip.ring,
    reasons: [...beside, ...[slit.reason, zip.reason, h.hem?.reason].flatMap((r) => r ?? [])],
    lines: [...dartsIn(piece, zip.ring, d.lining.darts), ...zip.lines],
  });
  return { piece: made, findings: h.findings, hem: h.hem };
}

/** The ring of a lining cut back beside a vent between its piece and another; as it was where the piece has none. */
export function besideVents(
  ring: Edge[],
  sign: 1 | -1,
  piece: Piece,
  d: Decisions,
): Result<{ ring: Edge[]; reasons: Reason[] }> {
  if (!hasVent(piece) || ventsAtCentre(piece)) return ok({ ring, reasons: [] });
  const made = besideSideVent(ring, sign, piece, d.lining.vent);
  return made.ok ? ok({ ring: made.value.ring, reasons: [made.value.reason] }) : made;
}

function backLining(split: Split, d: Decisions, raised: Edge[], why: Reason[], named: Named): LiningPiece {
  const { piece, sign } = split.oriented;
  const half = backPleat(piece, d) / 2;
  const box = boxOf(outlineOf(piece.ring));
  const width = Math.floor(Math.min(box.maxX - box.minX, box.maxY - box.minY));
  if (2 * half > width)
    return { piece: null, hem: null, ...refusal('pleat-too-wide', piece, { pleat: 2 * half, most: width }) };
  const pleat = half > 0 ? [because('centre-back-pleat', 'memory', 2 * half, { half })] : [];
  if (hasVent(piece) && ventsAtCentre(piece)) {
    const zip = cutBackAtZip(raised, sign, d.lining.zip, coveredOf(split, d));
    const made = ventedLining(zip.ring, sign, piece, d, { ...named, pleat: half });
    const reasons = (p: Piece): Piece => ({ ...p, reasons: [...p.reasons, ...pleat, ...why] });
    const told = {
      ...made,
      piece: made.piece && reasons(made.piece),
      ...(made.under && { under: reasons(made.under) }),
    };
    return besideVent(told, zip, d.lining.vent.over);
  }
  const h = hemmed(raised, 'hem', d, piece, sign);
  const slit = cutBackAtSlit(h.ring, sign, d.lining.slit, h.hem?.line ?? 0);
  const centre = run(h.ring, 'centre-back').flatMap((e) => e.path);
  const runsOut = pleatEnds(piece, d);
  const from = runLength(slit.ring, 'centre-back') - d.lining.pleatLength;
  const pleated = runsOut ? pleatRunsOut(slit.ring, half, sign, from) : moveRun(slit.ring, 'centre-back', half, sign);
  const zip = cutBackAtZip(pleated, sign, d.lining.zip, coveredOf(split, d));
  const { ring } = zip;
  const lines: InternalLine[] = [
    ...(half > 0 && centre.length ? [{ kind: 'pleat' as const, path: centre }] : []),
    ...dartsIn(piece, ring, d.lining.darts),
    ...zip.lines,
  ];
  const told = [zip.reason, slit.reason].flatMap((r) => r ?? []);
  const made = derivePiece(piece, {
    id: `${named.id}-lining`,
    name: `${named.name} lining`,
    material: 'lining',
    ring,
    reasons: [...told, ...pleat, ...why, ...(h.hem ? [h.hem.reason] : [])],
    lines,
  });
  return { piece: made, findings: h.findings, hem: h.hem };
}

/** Where a pleat that runs out above a vent is folded: along the centre back as it was before the pleat was added. */
function pleatOver(ring: Edge[], half: number, from: number): InternalLine[] {
  const centre = run(ring, 'centre-back').flatMap((e) => e.path);
  const length = centre.length ? pathLength(centre) : 0;
  const foot = Math.max(RUN_OUT, Math.min(from, length));
  return half > 0 && length > foot ? [{ kind: 'pleat', path: stretch(centre, foot, length) }] : [];
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
  named: Named & { pleat: number },
): LiningPiece {
  const halves = ventHalves(ring, sign, shell, d.lining.vent);
  if (!halves.ok) return { piece: null, hem: null, findings: halves.findings };
  const { over } = d.lining.vent;
  const made = (which: 'over' | 'under') => {
    const half = halves.value[which];
    const length = d.lining.pleatLength || Number.POSITIVE_INFINITY;
    const from = runLength(half.ring, 'centre-back') - length;
    const h = hemmed(pleatRunsOut(half.ring, named.pleat, sign, from), 'hem', d, shell, sign);
    const slit = cutBackAtSlit(h.ring, sign, d.lining.slit, h.hem?.line ?? 0);
    const left = (over === 'left') === (which === 'over');
    const piece = derivePiece(shell, {
      id: which === 'over' ? `${named.id}-lining` : `${named.id}-lining-under`,
      name: `${left ? 'Left' : 'Right'} ${inSentence(named.name)} lining, ${which === 'over' ? 'overlap' : 'underlap'}`,
      material: 'lining',
      ring: slit.ring,
      reasons: [half.reason, slit.reason, h.hem?.reason].flatMap((r) => r ?? []),
      lines: [...pleatOver(half.ring, named.pleat, from), ...dartsIn(shell, slit.ring, d.lining.darts)],
    });
    const turned = left !== (sign === 1);
    const cut = { count: 1, pair: false, onFold: false, ...(turned && { turned }) };
    return { piece: { ...piece, cut }, h };
  };
  const [o, u] = [made('over'), made('under')];
  return { piece: o.piece, under: u.piece, hem: o.h.hem, findings: o.h.findings };
}

/** The length of a zip that the facing above a centre takes up, mm; a side seam's begins below it. */
const coveredOf = (split: Split, d: Decisions): number => (d.lining.zip.at === 'side' ? 0 : split.ends.first);

/** Both halves beside a vent, cut back at a zip: which of them, where it lies on one side alone. */
export function besideVent(made: LiningPiece, zip: BesideZip, over: 'left' | 'right'): LiningPiece {
  const { reason } = zip;
  const put = (p: Piece, half: 'left' | 'right'): Piece =>
    reason && (!zip.lines.length || zip.lines[0]?.on === half)
      ? { ...p, reasons: [...p.reasons, reason], lines: [...p.lines, ...zip.lines] }
      : p;
  return {
    ...made,
    piece: made.piece && put(made.piece, over),
    ...(made.under && { under: put(made.under, over === 'left' ? 'right' : 'left') }),
  };
}

/** The centre-back pleat in all, mm: none in a bodice, nor beside a zip in it. Handbook rule from memory. */
export const backPleat = (back: Piece, d: Decisions): number =>
  run(back.ring, 'waist').length || zipIn(d, 'centre-back') ? 0 : d.lining.pleat;

/** Whether the pleat runs out above the hem: only a seam can, and a vent makes it. */
export const pleatEnds = (back: Piece, d: Decisions): boolean =>
  (hasVent(back) && ventsAtCentre(back)) ||
  (d.lining.pleatLength > 0 && back.ring.some((e) => e.role === 'centre-back' && !e.onFold));

/** The seams of a sleeve beside its cap: one underarm seam, or elbow and forearm of a two-piece sleeve. */
export const sleeveSides = (sleeve: Piece): [Role, Role] =>
  sleeve.ring.some((e) => e.role === 'elbow-seam') ? ['elbow-seam', 'forearm-seam'] : ['underarm', 'underarm'];

/**
 * One piece of a sleeve's lining before its cap is fitted: raised at both ends of the cap, hem placed. A sleeve that ends in
 * a cuff is lined to the cuff's seam. Null where it lacks an edge.
 */
function sleeveRing(sleeve: Piece, cuffed: boolean, d: Decisions): (Hemmed & { sign: 1 | -1 }) | null {
  const [one, other] = sleeveSides(sleeve);
  const o = orient(sleeve, 'cap', one);
  if (!o || run(sleeve.ring, 'wrist').length === 0) return null;
  const { raise } = d.lining;
  // In a two-piece sleeve the underarm lies within the under-sleeve: it is raised, and the seams are not let out.
  const out = one === 'underarm' ? d.lining.out : 0;
  const first = raiseUnderarm(o.ring, 'cap', one, o.sign, raise, out);
  const both = reverseRing(raiseUnderarm(reverseRing(first), 'cap', other, o.sign === 1 ? -1 : 1, raise, out));
  const h = cuffed ? { ring: both, hem: null, findings: [] } : hemmed(both, 'wrist', d, sleeve, o.sign);
  return { ...h, sign: o.sign };
}

/** Lining of a raglan sleeve below its neck facing, its seams as long as the body lining's, `target` mm. */
export function raglanLining(
  sleeve: Piece,
  split: Split,
  target: number,
  cuffed: boolean,
  d: Decisions,
  as: Named,
): LiningPiece {
  const { sign } = split.oriented;
  const raised = raiseRaglan(split.lining, sign, target, d.lining);
  if (!raised)
    return {
      piece: null,
      hem: null,
      ...refusal('raglan-cannot-fit', sleeve, { cap: runLength(split.lining, 'cap'), armhole: target }),
    };
  const h = cuffed ? { ring: raised.ring, hem: null, findings: [] } : hemmed(raised.ring, 'wrist', d, sleeve, sign);
  const reasons = [
    ...raiseReasons(d.lining).slice(0, 1),
    because('out-raglan', 'derived', raised.out, { asked: d.lining.out }),
    ...(h.hem ? [h.hem.reason] : []),
  ];
  const lines = dartsIn(sleeve, h.ring, d.lining.darts);
  const named = { id: `${as.id}-lining`, name: `${as.name} lining`, material: 'lining' as const };
  return { piece: derivePiece(sleeve, { ...named, ring: h.ring, reasons, lines }), hem: h.hem, findings: h.findings };
}

/**
 * Sleeve lining: raised at the underarm, hem placed, and the cap's height changed until it is longer than the lining's
 * armhole by the chosen ease (handbook range from memory: 10–20 mm). Of a two-piece sleeve the upper one's cap is changed;
 * pleats are repeated.
 */
export function sleeveLining(
  sleeve: Piece,
  under: Piece | undefined,
  armhole: number | null,
  cuffed: boolean,
  d: Decisions,
  as: Named & { under: string },
): LiningPiece {
  const h = sleeveRing(sleeve, cuffed, d);
  const low = under && sleeveRing(under, cuffed, d);
  if (!h) return { piece: null, hem: null, ...refuse(rolesMissing(sleeve, ['cap', 'underarm', 'wrist'])) };
  if (under && !low)
    return {
      piece: null,
      hem: null,
      ...refuse(rolesMissing(under, ['cap', 'elbow-seam', 'forearm-seam', 'wrist'])),
    };
  const findings = [...h.findings];
  const reasons = [...raiseReasons(d.lining), ...(h.hem ? [h.hem.reason] : [])];
  let ring = h.ring;
  if (armhole !== null) {
    const rest = low ? runLength(low.ring, 'cap') : 0;
    const fitted = fitCap(ring, armhole + d.lining.capEase - rest);
    if (fitted) {
      ring = fitted.ring;
      reasons.push(because('cap-ease', 'memory', d.lining.capEase, { armhole, change: fitted.heightChange }));
    } else {
      const cap = runLength(ring, 'cap') + rest;
      findings.push(...refusal('cap-cannot-fit', sleeve, { cap, armhole, ease: d.lining.capEase }).findings);
    }
  }
  const make = (shell: Piece, id: string, name: string, r: Edge[], why: Reason[]): Piece =>
    derivePiece(shell, {
      id,
      name,
      material: 'lining',
      ring: r,
      reasons: why,
      lines: dartsIn(shell, r, d.lining.darts),
    });
  const made = make(
    sleeve,
    `${as.id}-lining`,
    under ? `Upper ${inSentence(as.name)} lining` : `${as.name} lining`,
    ring,
    reasons,
  );
  const raised = raiseReasons({ ...d.lining, out: 0 }).slice(0, 1);
  return {
    piece: made,
    findings,
    hem: h.hem,
    ...(under && low && { under: make(under, `${as.under}-lining`, 'Under-sleeve lining', low.ring, raised) }),
  };
}

const refusal = (code: FindingCode, piece: Piece, data: Record<string, string | number>) =>
  refuse(stop(code, { piece: piece.id }, { name: piece.name, ...data }));
