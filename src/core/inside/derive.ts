import { isStraight } from '../geometry/index.ts';
import { type Edge, type Piece, type PieceKind, runsOf, type Seam } from '../pattern/index.ts';
import { type Decisions } from '../project.ts';
import { because, type Finding, type Reason, stop } from '../result.ts';
import { type Bands, bandFacings, bandSeams, facedAndLined, facedAt, noBands } from './bandset.ts';
import { biasStrips } from './bias.ts';
import { cutOnFacing, fromCrease } from './cuton.ts';
import { splitDeepBack } from './deepback.ts';
import { moreInterfacings } from './extras.ts';
import { type LiningHem } from './hem.ts';
import { frontEdgeStrip, interfaceWhole } from './interfacing.ts';
import { drawnOut, turnsBackAt } from './lapel.ts';
import { backLining, frontLining, type LiningPiece, sleeveLining } from './lining.ts';
import { makePiece } from './make.ts';
import { moveRun, orient, runLength } from './oriented.ts';
import { type InsidePieces, insideSeams } from './seams.ts';
import { skirtLining } from './skirt.ts';
import { type Split, splitCentre, splitFront } from './split.ts';
import { takeYokeIn } from './takein.ts';

export interface Inside {
  pieces: Piece[];
  /** Shell pieces that are cut otherwise than drawn: with a facing grown on. */
  recut: Piece[];
  seams: Seam[];
  findings: Finding[];
  hems: { body: LiningHem | null; wrist: LiningHem | null };
}

const first = (pieces: Piece[], kind: PieceKind): Piece | undefined => pieces.find((p) => p.kind === kind);

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

/** The back, with the yoke taken in where it has one. */
function wholeBack(shell: Piece[]): Piece | undefined {
  const back = first(shell, 'back');
  const yoke = first(shell, 'yoke');
  return back && yoke ? (takeYokeIn(back, yoke) ?? back) : back;
}

/** An unlined back below a yoke needs no neck facing: the inner yoke covers it. */
const belowYoke = (back: Piece | undefined, shell: Piece[]): boolean =>
  back !== undefined && first(shell, 'yoke') !== undefined;

/** A front that opens at its edge; one whose centre front lies on a fold or in a seam is faced at the neck alone. */
const opens = (front: Piece): boolean =>
  front.ring.some((e) => e.role === 'front-edge') || !front.ring.some((e) => e.role === 'centre-front');

/** How the shell pieces part along the facing line; what cannot be parted is left out with the reason. */
export function splitShell(
  shell: Piece[],
  d: Decisions,
  back: Piece | null | undefined = first(shell, 'back'),
): { front?: Split; back?: Split; findings: Finding[] } {
  const front = first(shell, 'front');
  const seam = d.allowances.seam;
  const findings: Finding[] = [];
  const out: { front?: Split; back?: Split; findings: Finding[] } = { findings };
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
  out.findings = agreed(findings);
  return out;
}

/** The shoulder width is one for front and back: what fits is what fits both. */
function agreed(findings: Finding[]): Finding[] {
  const most = Math.min(...findings.filter((f) => f.code === 'shoulder-too-short').map((f) => Number(f.data?.most)));
  return findings.map((f) => (f.code === 'shoulder-too-short' ? { ...f, data: { ...f.data, most } } : f));
}

/** A front or back that is lined to its edge because no facing was asked for. */
function unsplit(piece: Piece | undefined): Split | undefined {
  if (!piece) return undefined;
  const oriented = orient(piece, 'armhole', 'side') ?? orient(piece, 'side', 'hem');
  if (!oriented) return undefined;
  return { oriented, facing: [], lining: oriented.ring, ends: { first: 0, shoulder: 0 }, cornerRadius: 0 };
}

/**
 * Everything that goes inside: facings, linings and interfacings with their seams. Pure; a piece that cannot be drafted
 * is left out with a finding and the rest still stand.
 */
export function deriveInside(shell: Piece[], d: Decisions): Inside {
  const findings: Finding[] = [];
  const front = first(shell, 'front');
  const back = wholeBack(shell);
  const sleeve = first(shell, 'sleeve');
  findings.push(...lacking(shell), ...extras(shell));
  const p: InsidePieces = { front, back, sleeve };
  const bands = d.facing.on ? bandFacings(shell, d) : noBands();
  const bias = d.facing.on ? biasStrips(shell, d) : { pieces: [], findings: [] };
  findings.push(...bands.findings, ...facedAndLined(bands, d), ...bias.findings);
  const parts = neckFacings(p, shell, bands, d);
  findings.push(...parts.findings);
  const hems: Inside['hems'] = { body: null, wrist: null };
  if (d.lining.on) {
    lineAll(p, parts, first(shell, 'cuff') !== undefined, d, findings, hems);
    lineSkirt(p, shell, bands, d, findings, hems);
  }
  const interfacing = d.interfacing.on
    ? [
        ...interfaceAll(p, d, findings),
        ...bands.pieces.map((b) => interfaceWhole(b.piece, b.shell, d.interfacing.trim)),
        ...moreInterfacings(shell, back, d, findings),
      ]
    : [];
  const facings = [
    p.recut ? undefined : p.frontFacing,
    p.backFacing,
    ...bands.pieces.map((b) => b.piece),
    ...bias.pieces,
  ];
  const backs = [p.backLining, p.backUnderlap];
  const skirts = [p.skirtFrontLining, p.skirtBackLining, p.skirtUnderlap];
  const linings = [p.frontLining, ...backs, p.sleeveLining, ...skirts];
  const made = [...facings, ...linings].filter((q): q is Piece => q !== undefined);
  const seams = [...insideSeams(p, d, hems), ...bandSeams(bands)];
  return { pieces: [...made, ...interfacing], recut: p.recut ? [p.recut] : [], seams, findings, hems };
}

/** Facings of front edge and neck, where they are not left to a bias strip or to a facing of neck and armhole in one. */
function neckFacings(p: InsidePieces, shell: Piece[], bands: Bands, d: Decisions): ReturnType<typeof splitShell> {
  const whole = bands.pieces.some((b) => b.role === 'in-one');
  if (!d.facing.on || whole || d.facing.bias.neck) return { findings: [] };
  const { front, back } = p;
  const parts = splitShell(shell, d, belowYoke(back, shell) && !d.lining.on ? null : back);
  const seam = d.allowances.seam;
  if (parts.front && front) {
    const cutOn = d.facing.kind === 'cut-on' ? cutOnFacing(front, parts.front, seam) : null;
    if (cutOn?.ok) {
      p.frontFacing = cutOn.value.facing;
      p.recut = cutOn.value.whole;
    } else if (cutOn) parts.findings.push(...cutOn.findings);
    else p.frontFacing = frontFacing(front, parts.front, d);
  }
  if (parts.back && back)
    p.backFacing = makePiece(back, {
      id: 'back-facing',
      name: d.facing.deep > 0 ? 'Back facing' : 'Back neck facing',
      material: 'facing',
      ...onFold(atHem(rolledIn(parts.back, d, !p.sleeve), seam), facingReasons(parts.back, d, 'back'), d),
    });
  return parts;
}

function frontFacing(front: Piece, split: Split, d: Decisions): Piece {
  const { ring, sign } = split.oriented;
  const at = turnsBackAt(front, ring, d.facing);
  const facing = at === null ? split.facing : drawnOut(split.facing, sign, at, d.facing.out);
  return makePiece(front, {
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

/** A front or back that is not there; a skirt by itself has neither. */
function lacking(shell: Piece[]): Finding[] {
  const skirt = first(shell, 'skirt-front') ?? first(shell, 'skirt-back');
  const kinds = (['front', 'back'] as const).filter((kind) => !first(shell, kind));
  if (!shell.length || (skirt && kinds.length === 2)) return [];
  return kinds.map((kind) => ({ ...stop('piece-missing', undefined, { kind }), severity: 'warn' }));
}

/** Facings and lining are drafted from one front, one back and one sleeve: a second of a kind is told, not passed over. */
function extras(shell: Piece[]): Finding[] {
  return shell.flatMap((p): Finding[] => {
    const used = p.kind === 'other' ? p : first(shell, p.kind);
    if (!used || used === p) return [];
    const data = { name: p.name, kind: p.kind, used: used.name };
    return [{ code: 'second-of-kind', severity: 'warn', where: { piece: p.id }, data }];
  });
}

function lineAll(
  p: InsidePieces,
  parts: { front?: Split; back?: Split },
  cuffed: boolean,
  d: Decisions,
  findings: Finding[],
  hems: Inside['hems'],
): void {
  const take = (made: LiningPiece): Piece | undefined => {
    findings.push(...made.findings);
    return made.piece ?? undefined;
  };
  const faced = d.facing.on && !d.facing.bias.neck;
  const f = faced ? parts.front : unsplit(p.front);
  const b = faced ? parts.back : unsplit(p.back);
  if (f) {
    const made = frontLining(f, d, !p.sleeve);
    hems.body = made.hem;
    p.frontLining = take(made);
  }
  if (b) {
    const made = backLining(b, d, !p.sleeve);
    p.backLining = take(made);
    p.backUnderlap = made.under;
  }
  if (!p.sleeve) return;
  const armhole =
    p.frontLining && p.backLining
      ? [p.frontLining, p.backLining, p.backFacing].reduce((t, q) => t + (q ? runLength(q.ring, 'armhole') : 0), 0)
      : null;
  const made = sleeveLining(p.sleeve, armhole && armhole > 0 ? armhole : null, cuffed, d);
  hems.wrist = made.hem;
  p.sleeveLining = take(made);
}

function lineSkirt(
  p: InsidePieces,
  shell: Piece[],
  bands: Bands,
  d: Decisions,
  findings: Finding[],
  hems: Inside['hems'],
): void {
  if (!d.lining.skirt) return;
  p.skirtFront = first(shell, 'skirt-front');
  p.skirtBack = first(shell, 'skirt-back');
  const covered = p.back ? runLength(p.back.ring, 'centre-back') : 0;
  for (const [key, piece] of [
    ['skirtFrontLining', p.skirtFront],
    ['skirtBackLining', p.skirtBack],
  ] as const) {
    if (!piece) continue;
    const made = skirtLining(piece, facedAt(bands, piece, 'waist'), covered, d);
    findings.push(...made.findings);
    p[key] = made.piece ?? undefined;
    if (made.under) p.skirtUnderlap = made.under;
    hems.body ??= made.hem;
  }
}

function interfaceAll(p: InsidePieces, d: Decisions, findings: Finding[]): Piece[] {
  const out: Piece[] = [];
  const { trim, frontStrip } = d.interfacing;
  if (p.frontFacing && p.front) {
    const made = interfaceWhole({ ...p.frontFacing, id: 'front-facing' }, p.front, trim);
    out.push(p.recut ? fromCrease(made, p.front) : made);
  }
  if (p.backFacing && p.back) out.push(interfaceWhole(p.backFacing, p.back, trim));
  if (p.front && frontStrip > 0 && runsOf(p.front.ring, 'front-edge').length) {
    const strip = frontEdgeStrip(p.recut ? creased(p.front) : p.front, frontStrip, trim);
    if (strip.ok) out.push(p.recut ? fromCrease(strip.value, p.front) : strip.value);
    else findings.push(...strip.findings);
  }
  return out;
}

/** A front whose edge is the crease of a facing grown on. */
const creased = (front: Piece): Piece => ({
  ...front,
  ring: front.ring.map((e) => (e.role === 'front-edge' ? { ...e, onFold: true } : e)),
});
