import { pathLength } from '../geometry/index.ts';
import { type Piece, type Role, roleSide, runsOf, type Seam, type Side, sideOf } from '../pattern/index.ts';
import { type Decisions } from '../project.ts';
import { type LiningHem } from './hem.ts';
import { backPleat } from './lining.ts';
import { moveRun } from './oriented.ts';
import { ventFigures } from './vent.ts';

export interface InsidePieces {
  front?: Piece | undefined;
  back?: Piece | undefined;
  sleeve?: Piece | undefined;
  frontFacing?: Piece | undefined;
  backFacing?: Piece | undefined;
  frontLining?: Piece | undefined;
  /** The front as it is cut with its facing grown on; `frontFacing` is then the part of it beyond the fold. */
  recut?: Piece | undefined;
  backLining?: Piece | undefined;
  /** The back lining that lies under at a vent; `backLining` is then the one that laps over. */
  backUnderlap?: Piece | undefined;
  sleeveLining?: Piece | undefined;
  skirtFront?: Piece | undefined;
  skirtBack?: Piece | undefined;
  skirtFrontLining?: Piece | undefined;
  skirtBackLining?: Piece | undefined;
  skirtUnderlap?: Piece | undefined;
}

/** A lining cut back beside a zip ends so much before the facing it is sewn to. */
function besideZip(back: Piece | undefined, d: Decisions): Partial<Seam> | null {
  const centre = back?.ring.find((e) => e.role === 'centre-back');
  if (!centre || centre.onFold || d.lining.zip.length <= 0) return null;
  const step = centre.allowance - d.lining.zip.shellSeam;
  return { ease: { min: -step * 1.1, max: 0 }, easeOf: 'zip' };
}

/** Edges of a piece put together from several belong to the piece they were drawn on. */
const ofOwnPiece = (p: Piece, role: Role): Side[] =>
  (runsOf(p.ring, role)[0] ?? []).map((e) =>
    e.from && p.material === 'shell'
      ? { piece: e.from.piece, edge: e.from.edge, role }
      : { piece: p.id, edge: e.id, role },
  );

const EXACT = { min: 0, max: 0 };

/** The lining's lower edge lies `line` above the shell's hem, so its facing line is shorter by about that. */
function endsAbove(hem: LiningHem | null): Partial<Seam> {
  if (!hem || hem.line === 0) return {};
  const ends = [-hem.line * 0.97, -hem.line * 1.06];
  return { ease: { min: Math.min(...ends), max: Math.max(...ends) }, easeOf: 'hem' };
}

/** Length of the shell piece's turned hem at the height where the lining is sewn to it: H − s above the finished hem. */
function turnedHemLength(piece: Piece, role: Role, up: number): number {
  const sign = 1;
  return moveRun(piece.ring, role, -up, sign)
    .filter((e) => e.role === role)
    .reduce((t, e) => t + pathLength(e.path), 0);
}

/** The seams among facing, lining and shell, with the ease that is meant on each. */
export function insideSeams(
  p: InsidePieces,
  d: Decisions,
  hems: { body: LiningHem | null; wrist: LiningHem | null },
): Seam[] {
  const seams: Seam[] = [];
  const join = (group: Seam['group'], code: string, a: Side[], b: Side[], more: Partial<Seam> = {}) => {
    if (a.length && b.length) seams.push({ id: `${group}-${code}`, code, group, a, b, ease: EXACT, ...more });
  };
  const both = (role: Role, a: Piece | undefined, b: Piece | undefined): [Side[], Side[]] => [
    a ? roleSide(a, role) : [],
    b ? ofOwnPiece(b, role) : [],
  ];
  const shoulderEase = { ease: { min: 0, max: 10 }, easeOf: 'shoulder' };
  // A back faced down to the armholes takes the shoulders of facing and lining.
  const deep = p.backFacing?.ring.some((e) => e.role === 'armhole') ?? false;
  const [facingBack, facingFront] = both('shoulder', p.backFacing, p.frontFacing);
  if (deep && p.frontLining)
    join(
      'inside',
      'facing-shoulder',
      facingBack,
      [...facingFront, ...roleSide(p.frontLining, 'shoulder')],
      shoulderEase,
    );
  else join('inside', 'facing-shoulder', facingBack, facingFront);
  const open = p.backFacing?.ring.filter((e) => e.role === 'centre-back' && !e.onFold) ?? [];
  if (p.backFacing && open.length && d.lining.zip.length <= 0)
    join('inside', 'facing-centre-back', sideOf(p.backFacing, open), sideOf(p.backFacing, open));
  const toHem = p.frontFacing?.ring.some((e) => e.role === 'hem');
  join(
    'inside',
    'facing-line-front',
    ...both('facing-line', p.frontLining, p.frontFacing),
    toHem ? endsAbove(hems.body) : {},
  );
  const half = p.back ? backPleat(p.back, d) / 2 : 0;
  const pleat = { ease: { min: half, max: half }, ...(half > 0 && { easeOf: 'pleat' }) };
  join('inside', 'facing-line-back', ...both('facing-line', p.backLining, p.backFacing), besideZip(p.back, d) ?? pleat);
  join('inside', 'lining-shoulder', ...both('shoulder', p.backLining, p.frontLining), shoulderEase);
  join('inside', 'lining-side', ...both('side', p.frontLining, p.backLining));
  if (p.sleeveLining) {
    const [u1, u2] = runsOf(p.sleeveLining.ring, 'underarm');
    if (u1 && u2) join('inside', 'lining-underarm', sideOf(p.sleeveLining, u1), sideOf(p.sleeveLining, u2));
    const armholes = [p.frontLining, p.backFacing, p.backLining].flatMap((q) => (q ? roleSide(q, 'armhole') : []));
    const cap = { ease: { min: d.lining.capEase, max: d.lining.capEase }, easeOf: 'cap' };
    if (p.frontLining && p.backLining) join('inside', 'lining-cap', roleSide(p.sleeveLining, 'cap'), armholes, cap);
  }
  const out = drawnOutBy(p, d);
  join('closing', 'front-edge', ...both('front-edge', p.frontFacing ?? p.frontLining, p.front), out);
  join('closing', 'neckline-front', ...both('neckline', p.frontFacing ?? p.frontLining, p.front), out);
  waistSeams(p, both, join);
  if (!p.sleeve) armholeSeams(p, d, both, join);
  const linedNeck = p.backFacing ? {} : (besideZip(p.back, d) ?? pleat);
  join('closing', 'neckline-back', ...both('neckline', p.backFacing ?? p.backLining, p.back), linedNeck);
  for (const [lining, under] of [
    [p.backLining, p.backUnderlap],
    [p.skirtBackLining, p.skirtUnderlap],
  ])
    if (lining && under) seams.push(...seams.flatMap((s) => alsoUnder(s, lining, under)));
  ventSeams(p.back, p.backLining, p.backUnderlap, d, hems.body, join);
  ventSeams(p.skirtBack, p.skirtBackLining, p.skirtUnderlap, d, hems.body, join);
  seams.push(...hemSeams(p, d, hems));
  if (p.sleeveLining && !hems.wrist) join('closing', 'wrist-to-cuff', ...both('wrist', p.sleeveLining, p.sleeve));
  return seams;
}

/** The facing of a lapel is longer than the shell's edge by what is drawn out over its turns, at most so much. */
function drawnOutBy(p: InsidePieces, d: Decisions): Partial<Seam> {
  if (d.facing.kind !== 'lapel' || d.facing.out <= 0 || !p.frontFacing) return {};
  return { ease: { min: 0, max: d.facing.out * Math.PI }, easeOf: 'lapel' };
}

/** A seam of the half that laps over is sewn on the half that lies under as well. */
function alsoUnder(s: Seam, lining: Piece, under: Piece): Seam[] {
  if (![...s.a, ...s.b].some((x) => x.piece === lining.id)) return [];
  const put = (side: Side): Side => (side.piece === lining.id ? { ...side, piece: under.id } : side);
  return [{ ...s, id: `${s.id}-under`, a: s.a.map(put), b: s.b.map(put) }];
}

/** Both halves of the lining to each other above a vent, and each to its side of the vent. */
function ventSeams(
  shell: Piece | undefined,
  over: Piece | undefined,
  under: Piece | undefined,
  d: Decisions,
  hem: LiningHem | null,
  join: Join,
): void {
  if (!shell || !over || !under) return;
  const v = ventFigures(shell, d.lining.vent);
  const sides = (p: Piece, ...roles: Role[]): Side[] => roles.flatMap((r) => roleSide(p, r));
  join('inside', `lining-centre-back-${shell.kind}`, sides(over, 'centre-back'), sides(under, 'centre-back'), {
    code: 'lining-centre-back',
  });
  for (const [which, piece, out] of [
    ['over', over, v?.beside],
    ['under', under, -(v?.beside ?? 0)],
  ] as const) {
    const moved = moveRun(shell.ring, 'vent', out ?? 0, 1).filter((e) => e.role === 'vent' || e.role === 'vent-top');
    const ends = endsAbove(hem);
    join('closing', `vent-${which}-${shell.kind}`, sides(piece, 'vent', 'vent-top'), sides(shell, 'vent', 'vent-top'), {
      code: `vent-${which}`,
      lengthB: moved.reduce((t, e) => t + pathLength(e.path), 0),
      ...ends,
    });
  }
}

type Both = (role: Role, a: Piece | undefined, b: Piece | undefined) => [Side[], Side[]];
type Join = (group: Seam['group'], code: string, a: Side[], b: Side[], more?: Partial<Seam>) => void;

/** The skirt's lining to the bodice's, and its own side seams. */
function waistSeams(p: InsidePieces, both: Both, join: Join): void {
  join('inside', 'lining-skirt-side', ...both('side', p.skirtFrontLining, p.skirtBackLining));
  join('inside', 'lining-waist-front', ...both('waist', p.skirtFrontLining, p.frontLining));
  join('inside', 'lining-waist-back', ...both('waist', p.skirtBackLining, p.backLining));
  if (!p.frontLining) join('closing', 'waist-front-lining', ...both('waist', p.skirtFrontLining, p.skirtFront));
  if (!p.backLining) join('closing', 'waist-back-lining', ...both('waist', p.skirtBackLining, p.skirtBack));
}

/** Sleeveless: each lining's armhole to the shell's, smaller by what was drawn in over its turn. */
function armholeSeams(p: InsidePieces, d: Decisions, both: Both, join: Join): void {
  const reach = d.lining.smaller * Math.PI + 2 * d.lining.smaller;
  const rolled = { ease: { min: -reach, max: reach }, easeOf: 'turn' };
  join('closing', 'armhole-front', ...both('armhole', p.frontLining, p.front), rolled);
  const back = both('armhole', p.backLining, p.back);
  join(
    'closing',
    'armhole-back',
    [...(p.backFacing ? roleSide(p.backFacing, 'armhole') : []), ...back[0]],
    back[1],
    rolled,
  );
}

/** Lining hem to the shell's turned hem. A flared hem is narrower higher up: that difference is meant, up to 3 %. */
function hemSeams(p: InsidePieces, d: Decisions, hems: { body: LiningHem | null; wrist: LiningHem | null }): Seam[] {
  const out: Seam[] = [];
  const add = (
    code: string,
    lining: Piece | undefined,
    shell: Piece | undefined,
    role: Role,
    hem: LiningHem | null,
    less: number,
    extra: number,
  ) => {
    if (!lining || !shell || !hem || hem.slack === 0) return;
    const shellHem = roleSide(shell, role);
    const held = hem.line + hem.slack;
    const lengthB = turnedHemLength(shell, role, held) - less;
    const flare = lengthB * 0.03;
    out.push({
      id: `closing-${code}`,
      code,
      group: 'closing',
      a: roleSide(lining, role),
      b: shellHem,
      lengthB,
      ease: { min: extra - flare, max: extra + flare },
      easeOf: 'flare',
    });
  };
  const facingHem = p.frontFacing ? runsOf(p.frontFacing.ring, 'hem')[0] : undefined;
  const less = facingHem ? facingHem.reduce((t, e) => t + pathLength(e.path), 0) : 0;
  add('hem-front', p.frontLining, p.front, 'hem', hems.body, less, 0);
  const vent = p.back && p.backUnderlap ? ventFigures(p.back, d.lining.vent) : null;
  const pleat = p.back && !vent ? backPleat(p.back, d) / 2 : 0;
  add('hem-back', p.backLining, p.back, 'hem', hems.body, vent ? vent.net + vent.inside : 0, pleat);
  add('hem-back-under', p.backUnderlap, p.back, 'hem', hems.body, vent?.beside ?? 0, 0);
  add('hem-skirt-front', p.skirtFrontLining, p.skirtFront, 'hem', hems.body, 0, 0);
  const slit = p.skirtBack && p.skirtUnderlap ? ventFigures(p.skirtBack, d.lining.vent) : null;
  add('hem-skirt-back', p.skirtBackLining, p.skirtBack, 'hem', hems.body, slit ? slit.net + slit.inside : 0, 0);
  add('hem-skirt-back-under', p.skirtUnderlap, p.skirtBack, 'hem', hems.body, slit?.beside ?? 0, 0);
  add('wrist', p.sleeveLining, p.sleeve, 'wrist', hems.wrist, 0, 0);
  return out;
}
