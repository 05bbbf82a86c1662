import { type Decisions } from '../../document/project.ts';
import { distance, endOf, IDENTITY, isStraight, type Point, startOf } from '../../geometry/index.ts';
import {
  type Edge,
  isRaglan,
  type Piece,
  type PieceKind,
  type Role,
  ringAreaOf,
  ringPerimeter,
} from '../../pattern/index.ts';
import { type Kept, remembered } from '../../remember.ts';
import { because, type Finding, ok, type Reason, type Result } from '../../result.ts';
import { type Drafted, type Garment, isDoubled, isSleeved, placeOf } from '../drafted.ts';
import { splitRaglan } from '../lining/raglan.ts';
import { zipIn } from '../lining/zip.ts';
import { type ClosedPiece, closedAtNeck, reopened } from '../shape/closedarts.ts';
import { cutAcross } from '../shape/cutacross.ts';
import { derivePiece } from '../shape/derivepiece.ts';
import { alone, asDrawn, drawnFrom, type Laid } from '../shape/laytogether.ts';
import { beside, besideNeck, moveRun, type Split } from '../shape/oriented.ts';
import { laidAlong, laidWider } from './across.ts';
import { splitDeepBack } from './deepback.ts';
import { type Bands } from './edgefacings.ts';
import { cutOnFacing } from './grownon.ts';
import { drawnOut, turnsBackAt } from './lapel.ts';
import { splitCentre, splitFront } from './split.ts';
import { splitStretch } from './splitstretch.ts';

function facingReasons(split: Split, d: Decisions, where: 'front' | 'back'): Reason[] {
  const f = d.facing;
  const closed = split.closed ? [because('darts-closed', 'practice', split.closed, { count: split.closed })] : [];
  return [...widthReasons(split, f, where), ...closed];
}

function widthReasons(split: Split, f: Decisions['facing'], where: 'front' | 'back'): Reason[] {
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
/** A keyhole or another cut-out is faced in one with the neck it goes on into. */
const WITH_HOLE: ReadonlySet<Role> = new Set<Role>([...BOTH, 'cut-out']);

/** Fronts and backs that are joined to nothing yet are asked for the edges a neck facing follows. */
const ASKED: ReadonlySet<PieceKind> = new Set<PieceKind>(['front', 'back']);

/**
 * How one piece parts along its facing line. Darts and pleats that begin at neck or shoulder are closed before the facing is
 * traced (common practice); its lining keeps them, parted at the same place of the cloth.
 */
export const splitPiece = (p: Piece, d: Decisions, measured = true): Result<Split> | null =>
  remembered(SPLIT, p, partedBy(p, d, measured), () => splitClosed(p, d, measured));

const SPLIT: Kept<Piece, Result<Split> | null> = new WeakMap();

/** What the parting of a piece hangs on: one without an opening of its own on no front width. */
function partedBy(p: Piece, { facing: f, allowances }: Decisions, measured: boolean): string {
  const has = (...roles: Role[]): boolean => p.ring.some((e) => roles.includes(e.role));
  const neck = [f.kind, f.shoulder, f.back, f.deep, allowances.seam, measured];
  const closed = (has('centre-back', 'centre-front') || p.kind === 'sleeve') && !has('front-edge', 'cut-out');
  return JSON.stringify(closed ? neck : [...neck, f.front, f.radius, f.breakAt]);
}

function splitClosed(p: Piece, d: Decisions, measured: boolean): Result<Split> | null {
  const closed = d.facing.kind === 'cut-on' ? null : closedAtNeck(p);
  if (!closed) return splitDrawn(p, d, measured);
  const traced = splitDrawn(closed.piece, d, measured);
  if (!traced?.ok) return traced;
  const drawn = openedAgain(p, closed, traced.value);
  // Never on the closed piece itself: where the line finds no way back the facing is traced with them open, and walked.
  if (!drawn) return splitDrawn(p, d, measured);
  const own = (e: Edge): Edge => {
    const from = drawnFrom(closed.piece, e);
    return from ? { ...e, from } : e;
  };
  const facing = traced.value.facing.map(own);
  return ok({ ...drawn, facing, open: drawn.facing, closed: closed.count, ends: traced.value.ends });
}

/** The drawn piece parted where the facing line of the closed one lies on it. */
function openedAgain(p: Piece, closed: ClosedPiece, traced: Split): Split | null {
  const neck = p.ring.find((e) => e.role === 'neckline');
  if (!neck) return null;
  const ends = [startOf(neck.path), endOf(neck.path)];
  // The end of the neck that stayed where it was is the one away from the shoulder.
  const shoulder = p.ring.flatMap((e) => (e.role === 'shoulder' ? [startOf(e.path), endOf(e.path)] : []));
  const far = (q: Point): number => Math.min(...shoulder.map((x) => distance(x, q)), Number.POSITIVE_INFINITY);
  const fixed = ends.reduce((a, b) => (far(a) > far(b) ? a : b));
  const faced = traced.facing.flatMap((e) => (e.role === 'facing-line' ? [] : e.path));
  const lining = traced.lining.map((e) =>
    e.role === 'facing-line' ? { ...e, path: reopened(e.path, closed.joints, fixed, faced) } : e,
  );
  const part = { piece: p, motion: IDENTITY };
  const across = cutAcross({ piece: closed.piece, parts: [part], misfit: 0 }, part, { ...traced, lining });
  return across.kind === 'parted' ? across.split : null;
}

/**
 * How one piece parts along its facing line, by the edges it has: a front that opens from its lower end round the neck, what
 * has a centre from there, a raglan sleeve across its top, and anything else along its stretch of the neck or the opening.
 * Null where it has neither. `measured`: a width that finds no room is told with the widest that would.
 */
function splitDrawn(p: Piece, d: Decisions, measured: boolean): Result<Split> | null {
  const { facing: f } = d;
  const { seam } = d.allowances;
  const has = (r: Role): boolean => p.ring.some((e) => e.role === r);
  if (isRaglan(p) && p.kind === 'sleeve') return splitRaglan(p, f.shoulder, seam);
  if (beside(p.ring, 'cut-out').some((r) => BOTH.has(r)))
    return splitStretch(p, WITH_HOLE, endWidths(p, WITH_HOLE, d), seam, measured);
  if (!has('neckline')) {
    // Beside an edge without a name the opening may go on: its name is asked for.
    if (has('front-edge') && !beside(p.ring, 'front-edge').includes('plain'))
      return splitStretch(p, OPENING, { start: f.front, end: f.front }, seam, measured);
    // What hangs from a yoke or a seam has no neck.
    return ASKED.has(p.kind) && !has('yoke-seam') && !has('panel-seam') && !has('waist') ? asked(p, d, measured) : null;
  }
  if (has(besideNeck(p.ring)) && (has('front-edge') || has('centre-front') || has('centre-back')))
    return asked(p, d, measured);
  if (p.kind === 'front' && p.cut.count !== 1) return asked(p, d, measured);
  if (p.kind === 'back' && p.cut.count !== 1 && !has('panel-seam')) return asked(p, d, measured);
  return splitStretch(p, has('front-edge') ? BOTH : NECK, { start: f.shoulder, end: f.shoulder }, seam, measured);
}

/** How wide a facing is at both ends of a stretch: at a shoulder as at all shoulders, at a centre as the neck's there. */
function endWidths(p: Piece, roles: ReadonlySet<Role>, { facing: f }: Decisions): { start: number; end: number } {
  const n = p.ring.length;
  const at = (step: 1 | -1): number => {
    const i = p.ring.findIndex((e, k) => roles.has(e.role) && !roles.has((p.ring[(k + step + n) % n] as Edge).role));
    const role = p.ring[(i + step + n) % n]?.role;
    return role === 'shoulder' || role === 'armhole' ? f.shoulder : f.back;
  };
  return { start: at(-1), end: at(1) };
}

/** A front or back as it is usually cut: from its opening or its centre to the shoulder. */
function asked(p: Piece, d: Decisions, measured: boolean): Result<Split> {
  const { facing: f } = d;
  const { seam } = d.allowances;
  const back = p.kind === 'back' || p.kind === 'back-side' || p.ring.some((e) => e.role === 'centre-back');
  const opens = p.ring.some((e) => e.role === 'front-edge');
  if (opens || (!back && !p.ring.some((e) => e.role === 'centre-front'))) return splitFront(p, f, seam, measured);
  if (!back) return splitCentre(p, 'centre-front', f.back, f.shoulder, seam, measured);
  return f.deep > 0
    ? splitDeepBack(p, f.deep, seam)
    : splitCentre(p, 'centre-back', f.back, f.shoulder, seam, measured);
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

/** Seam lines of panels laid together may lie so far apart within a facing before it is told (mm). */
const MISFIT = 1.5;

/** What is told of a width that finds no room; beyond a seam there may be some. */
const NO_ROOM: ReadonlySet<string> = new Set([
  'front-facing-too-wide',
  'shoulder-too-short',
  'back-facing-too-deep',
  'band-too-wide',
]);

/**
 * Facings of front edge and neck, where they are not left to a bias strip or to a facing of neck and armhole in one. Panels
 * are laid together along their seams, the facing drawn on them and taken off in one. What cannot be parted is left out with
 * the reason.
 */
export function neckFacings(g: Garment, bands: Bands, d: Decisions): Finding[] {
  const whole = bands.pieces.some((b) => b.role === 'in-one');
  if (!d.facing.on || whole || d.facing.bias.neck) return [];
  const findings: Finding[] = [];
  const done = new Set<string>();
  // From the usual pieces, which give the facing its name.
  const order = [...g.drafted].sort((x, y) => Number(x.base.includes('.')) - Number(y.base.includes('.')));
  for (const x of order) {
    if (done.has(x.shell.id) || !isFaced(g, x) || isDoubled(g, x, d) || belowYoke(x, g.shell, d)) continue;
    findings.push(...facedFrom(g, x, d, done));
  }
  return agreed(findings);
}

function facedFrom(g: Garment, x: Drafted, d: Decisions, done: Set<string>): Finding[] {
  // Grown on, each panel has its own facing beyond the fold.
  const apart = d.facing.kind === 'cut-on' || d.facing.over === 'parts';
  const start = apart ? alone(x.shell) : laidAlong(g, x, d);
  const found = roomFor(g, x, d, start);
  if (found === 'none') return [];
  if (found) return takenOff(g, x, found.laid, found.split, d, done);
  // Panels that cannot be laid flat for it, as gores below a waist: the facing is cut in parts at the seams between them.
  const parts = start.parts.length > 1 ? inParts(g, start, d, done) : null;
  if (parts) return parts;
  for (const { piece } of start.parts) {
    done.add(piece.id);
    const of = draftedOf(g, piece.id);
    if (of) of.refused = true;
  }
  // Only now is the widest that would fit worth its tries.
  const told = splitPiece(ownOf(x, start), d);
  return told && !told.ok ? told.findings.map((f) => ({ ...f, where: { ...f.where, piece: x.shell.id } })) : [];
}

const draftedOf = (g: Garment, id: string): Drafted | undefined => g.drafted.find((y) => y.shell.id === id);

const ownOf = (x: Drafted, start: Laid): Piece => (start.parts.length > 1 ? start.piece : x.shell);

/** A facing line that was found, and the panels laid together that it is drawn on. */
interface Room {
  laid: Laid;
  split: Split;
}

/** Where a facing finds room: on what is laid together, or on more panels where these are too narrow; 'none' is asked for. */
function roomFor(g: Garment, x: Drafted, d: Decisions, start: Laid): Room | 'none' | null {
  const made = splitPiece(ownOf(x, start), d, false);
  if (!made) return 'none';
  if (made.ok) return { laid: start, split: made.value };
  const roomless = made.findings.every((f) => NO_ROOM.has(f.code)) && d.facing.kind !== 'cut-on';
  return roomless ? laidWider(g, start, d, (p) => splitPiece(p, d, false)) : null;
}

/** Each panel along neck and opening faced by itself; null where one of them finds no room either. */
function inParts(g: Garment, start: Laid, d: Decisions, done: Set<string>): Finding[] | null {
  const panels = start.parts.flatMap(({ piece }) => draftedOf(g, piece.id) ?? []).filter((y) => !done.has(y.shell.id));
  const rooms = panels.map((y) => roomFor(g, y, d, alone(y.shell)));
  if (rooms.some((r) => r === null)) return null;
  const told = panels.flatMap((y, i) => {
    const room = rooms[i];
    return room && room !== 'none' ? takenOff(g, y, room.laid, room.split, d, done) : [];
  });
  const names = panels.map((y) => y.shell.name).join(', ');
  const where = { piece: panels[0]?.shell.id ?? '' };
  return [...told, { code: 'facing-in-parts', severity: 'note', where, data: { names } }];
}

/** The facing taken off, and what it leaves of each panel it goes over. */
function takenOff(g: Garment, x: Drafted, laid: Laid, split: Split, d: Decisions, done: Set<string>): Finding[] {
  const sleeveless = !isSleeved(g, x.shell);
  done.add(x.shell.id);
  if (laid.parts.length === 1) return faced(x, split, sleeveless, d);
  x.over = [];
  x.laid = { laid, split };
  for (const part of laid.parts) {
    const of = draftedOf(g, part.piece.id);
    const across = cutAcross(laid, part, split);
    if (!of || across.kind === 'clear') continue;
    if (of !== x) x.over.push(of);
    // A panel that has a share of neck or opening is faced with this one.
    done.add(part.piece.id);
    if (across.kind === 'parted') of.split = across.split;
    else of.covered = true;
  }
  const findings = [...faced({ ...x, shell: laid.piece, split }, split, sleeveless, d, x), ...slivers([x, ...x.over])];
  if (x.facing) x.facing = asDrawn(laid, x.facing);
  if (laid.misfit <= MISFIT) return findings;
  const names = laid.parts.map((p) => p.piece.name).join(', ');
  const data = { names, misfit: laid.misfit };
  return [...findings, { code: 'laid-misfit', severity: 'warn', where: { piece: x.shell.id }, data }];
}

/** What is left to line of a panel is at least so wide, mm. */
const SLIVER = 4;

/** A panel of which the facing leaves hardly anything to line: about as wide as twice its area by its length round. */
const slivers = (list: Drafted[]): Finding[] =>
  list.flatMap(({ split, shell }): Finding[] => {
    const width = split ? (2 * ringAreaOf(split.lining)) / ringPerimeter(split.lining) : SLIVER;
    const data = { name: shell.name, width };
    return width < SLIVER ? [{ code: 'lining-sliver', severity: 'warn', where: { piece: shell.id }, data }] : [];
  });

const NECK_FACING: Kept<Split, Piece> = new WeakMap();

/** The facing that a piece parts off, by what it goes along. */
function faced(from: Drafted, split: Split, sleeveless: boolean, d: Decisions, x = from): Finding[] {
  const { shell } = from;
  const { seam } = d.allowances;
  if (x === from) x.split = split;
  const cutOn = d.facing.kind === 'cut-on' && opens(shell) ? cutOnFacing(shell, split, seam) : null;
  if (cutOn && !cutOn.ok) return cutOn.findings;
  if (cutOn) {
    // Its edges are those of the piece it is grown on to; they repeat the ones they were mirrored from.
    const mirrored = new Map(split.facing.map((e) => [`on-${e.id}`, e.from]));
    const known = (e: Edge): Edge => {
      const f = mirrored.get(e.id);
      return f ? { ...e, from: f } : e;
    };
    x.facing = { ...cutOn.value.facing, material: 'facing', ring: cutOn.value.facing.ring.map(known) };
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
    const ring = (): Edge[] => atHem(rolledIn(split, d, sleeveless), seam);
    const key = JSON.stringify([
      x.base,
      x.title,
      sleeveless,
      seam,
      d.lining,
      { ...d.facing, front: 0, out: 0, radius: 0 },
    ]);
    x.facing = remembered(NECK_FACING, split, key, () =>
      derivePiece(shell, {
        ...named,
        name: d.facing.deep > 0 ? `${x.title} facing` : `${x.title} neck facing`,
        ...onFold(ring(), facingReasons(split, d, 'back'), d),
      }),
    );
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
  if (!centre || centre.onFold || zipIn(d, 'centre-back') || !isStraight(centre.path)) return { ring, reasons };
  return {
    ring: ring.map((e) => (e === centre ? { ...e, onFold: true, allowance: 0 } : e)),
    reasons: [...reasons, because('facing-on-fold', 'practice', 0)],
  };
}
