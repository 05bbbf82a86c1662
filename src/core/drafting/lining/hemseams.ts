import { type Decisions } from '../../document/project.ts';
import { crossings, extend, nearestOn, pathLength, pointAlong } from '../../geometry/index.ts';
import {
  type Edge,
  type Piece,
  type PieceKind,
  type Role,
  roleSide,
  type Seam,
  type Side,
} from '../../pattern/index.ts';
import { type Drafted, type Garment, linedAs } from '../drafted.ts';
import { type Put } from '../pieces.ts';
import { moveRun } from '../shape/oriented.ts';
import { type LiningHem } from './hem.ts';
import { backPleat, pleatEnds } from './lining.ts';
import { lapsOver, ventFigures, ventSeam, ventsAtCentre } from './vent.ts';

/** The lining's lower edge lies `line` above the shell's hem, so its facing line is shorter by about that. */
export function endsAbove(hem: LiningHem | null): Partial<Seam> {
  if (!hem || hem.line === 0) return {};
  const ends = [-hem.line * 0.97, -hem.line * 1.06];
  return { ease: { min: Math.min(...ends), max: Math.max(...ends) }, easeOf: 'hem' };
}

/** Length of the shell piece's turned hem at the height where the lining is sewn to it: H − s above the finished hem. */
const turnedHem = (piece: Piece, role: Role, up: number): Edge[] =>
  moveRun(piece.ring, role, -up, 1).filter((e) => e.role === role);

const lengthOf = (edges: Edge[]): number => edges.reduce((t, e) => t + pathLength(e.path), 0);

/** How much of the turned hem the front facing takes at that height: as far as its facing line, which is ruled through it. */
function takenByFacing(facing: { ring: Edge[] } | undefined, hem: Edge[]): number {
  const own = facing ? lengthOf(facing.ring.filter((e) => e.role === 'hem')) : 0;
  const line = facing?.ring.filter((e) => e.role === 'facing-line').flatMap((e) => e.path) ?? [];
  const path = hem.flatMap((e) => e.path);
  const hit = line.length && path.length ? crossings(extend(line, LINE_ON, LINE_ON), path)[0] : undefined;
  if (!own || !hit) return own;
  // The facing's share is the one that its own hem lies above.
  const below = facing?.ring.filter((e) => e.role === 'hem').flatMap((e) => e.path) ?? [];
  const middle = nearestOn(path, pointAlong(below, pathLength(below) / 2)).at;
  return middle < hit.atB ? hit.atB : pathLength(path) - hit.atB;
}

/** How far a facing line is ruled on to meet a turned hem, mm. */
const LINE_ON = 120;

/** Both halves of the lining to each other above a vent, and each to its side of the vent. */
export function ventSeams(
  { shell, base, lining, under }: Drafted,
  d: Decisions,
  hem: LiningHem | null,
  put: Put,
): void {
  const seam = ventSeam(shell);
  if (!lining || !seam || (ventsAtCentre(shell) && !under)) return;
  const v = ventFigures(shell, d.lining.vent);
  const sides = (p: Piece, ...roles: Role[]): Side[] => roles.flatMap((r) => roleSide(p, r));
  if (under)
    put('inside', 'lining-centre-back', sides(lining, seam), sides(under, seam), {
      id: `inside-lining-centre-back-${base}`,
    });
  const [over, low] = ventsAtCentre(shell)
    ? [lining, under]
    : lapsOver(shell, d.lining.vent)
      ? [lining]
      : [null, lining];
  for (const [which, piece, out] of [
    ['over', over, v?.beside],
    ['under', low, -(v?.beside ?? 0)],
  ] as const) {
    if (!piece) continue;
    const moved = moveRun(shell.ring, 'vent', out ?? 0, 1).filter((e) => e.role === 'vent' || e.role === 'vent-top');
    put('closing', `vent-${which}`, sides(piece, 'vent', 'vent-top'), sides(shell, 'vent', 'vent-top'), {
      id: `closing-vent-${which}-${base}`,
      lengthB: moved.reduce((t, e) => t + pathLength(e.path), 0),
      ...endsAbove(hem),
    });
  }
}

/** How much narrower a lining is at the hem because it is cut back beside a slit, mm. */
function besideSlit(shell: Piece, d: Decisions): number {
  const { slit } = d.lining;
  const edge = shell.ring.find((e) => e.role === slit.at && !e.onFold);
  // At a vent the centre back ends above the hem.
  if (slit.at === ventSeam(shell)) return 0;
  return slit.length > 0 && edge ? edge.allowance - slit.shellSeam : 0;
}

/** What of a piece lies under a facing, in its own plane: of several laid together each has its share. */
function underFacing({ facing, split, laid }: Drafted, over: boolean): { ring: Edge[] } | undefined {
  if (!laid && (facing || !over)) return facing;
  return split && { ring: [split.facing, ...(split.more ?? [])].flat() };
}

/** Adds a seam of one piece's inside. */
type PutFor = (x: Drafted, code: string, a: Side[], b: Side[], more?: Partial<Seam>) => void;

/** How much of a piece's turned hem its vent takes from the lining, on the half that laps over and the one that lies under. */
function takenByVent({ shell, under }: Drafted, d: Decisions): { own: number; low: number } {
  const vent = ventFigures(shell, d.lining.vent);
  if (!vent) return { own: 0, low: 0 };
  const over = under || lapsOver(shell, d.lining.vent);
  return { own: over ? vent.net + vent.inside : vent.beside, low: vent.beside };
}

/** The pleat at the centre back that the lining has more at the hem, mm. */
function pleatAtHem({ shell }: Drafted, d: Decisions): number {
  const has = (r: Role): boolean => shell.ring.some((e) => e.role === r);
  const centre = !shell.kind.startsWith('skirt') && has('centre-back') && !has('front-edge');
  return centre && !pleatEnds(shell, d) ? backPleat(shell, d) / 2 : 0;
}

/** Lining hem to the shell's turned hem. A flared hem is narrower higher up: that difference is meant, up to 3 %. */
export function hemSeams(g: Garment, x: Drafted, d: Decisions, putFor: PutFor): void {
  const { shell, lining, under } = x;
  const hem = x.hem ?? null;
  /** `taken`: what facing and vent take of each piece's turned hem, mm; `extra`: what the lining has more. */
  const add = (
    code: string,
    made: Piece | undefined,
    role: 'hem' | 'wrist',
    taken: (y: Drafted, turned: Edge[]) => number,
    extra = 0,
  ) => {
    if (!made || !hem || d.lining[role].kind === 'free') return;
    const of = linedAs(x).filter((y) => roleSide(y.shell, role).length);
    const [own, shellHem] = [roleSide(made, role), of.flatMap((y) => roleSide(y.shell, role))];
    if (!own.length || !shellHem.length) return;
    const lengthB = of.reduce((t, y) => {
      const turned = turnedHem(y.shell, role, hem.line + hem.slack);
      return t + lengthOf(turned) - taken(y, turned) - (role === 'hem' ? besideSlit(y.shell, d) : 0);
    }, 0);
    // Seamed to the edge itself or to a rib it lies on the shell's own seam line; higher up the shell is narrower.
    const flare = hem.slack === 0 ? 0 : lengthB * 0.03;
    const ease = { min: extra - flare, max: extra + flare };
    putFor(x, code, own, shellHem, {
      lengthB,
      ease,
      ...(flare + extra > 0 && { easeOf: flare > 0 ? 'flare' : 'pleat' }),
    });
  };
  if (shell.ring.some((e) => e.role === 'wrist')) {
    add(shell.kind === 'under-sleeve' ? 'wrist-under' : 'wrist', lining, 'wrist', () => 0);
    return;
  }
  const code = HEMS.has(shell.kind) ? `hem-${shell.kind}` : 'hem-panel';
  const over = (y: Drafted): boolean => g.drafted.some((z) => z.over?.includes(y));
  const beside = (y: Drafted, turned: Edge[]): number =>
    takenByVent(y, d).own + takenByFacing(underFacing(y, over(y)), turned);
  add(
    code,
    lining,
    'hem',
    beside,
    linedAs(x).reduce((t, y) => t + pleatAtHem(y, d), 0),
  );
  add(`${code}-under`, under, 'hem', (y) => takenByVent(y, d).low);
}

/** Pieces whose lining's hem has a name of its own. */
const HEMS: ReadonlySet<PieceKind> = new Set<PieceKind>([
  'front',
  'back',
  'front-side',
  'back-side',
  'skirt-front',
  'skirt-back',
]);
