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
import { type Drafted, type Garment } from '../drafted.ts';
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

/** Lining hem to the shell's turned hem. A flared hem is narrower higher up: that difference is meant, up to 3 %. */
export function hemSeams(g: Garment, x: Drafted, d: Decisions, putFor: PutFor): void {
  const { shell, lining, under } = x;
  const facing = underFacing(
    x,
    g.drafted.some((y) => y.over?.includes(x)),
  );
  const hem = x.hem ?? null;
  const add = (
    code: string,
    made: Piece | undefined,
    role: 'hem' | 'wrist',
    taken: { ring: Edge[] } | undefined,
    extra: number,
    vent = 0,
  ) => {
    if (!made || !hem || d.lining[role].kind === 'free') return;
    const [own, shellHem] = [roleSide(made, role), roleSide(shell, role)];
    if (!own.length || !shellHem.length) return;
    const turned = turnedHem(shell, role, hem.line + hem.slack);
    const less = vent + takenByFacing(taken, turned);
    const lengthB = lengthOf(turned) - less - (role === 'hem' ? besideSlit(shell, d) : 0);
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
    add(shell.kind === 'under-sleeve' ? 'wrist-under' : 'wrist', lining, 'wrist', undefined, 0);
    return;
  }
  const code = HEMS.has(shell.kind) ? `hem-${shell.kind}` : 'hem-panel';
  const vent = ventFigures(shell, d.lining.vent);
  const own =
    under || (lining && vent && lapsOver(shell, d.lining.vent))
      ? (vent?.net ?? 0) + (vent?.inside ?? 0)
      : (vent?.beside ?? 0);
  const skirt = shell.kind.startsWith('skirt');
  const centre =
    !skirt && shell.ring.some((e) => e.role === 'centre-back') && !shell.ring.some((e) => e.role === 'front-edge');
  const pleat = centre && !pleatEnds(shell, d) ? backPleat(shell, d) / 2 : 0;
  add(code, lining, 'hem', facing, pleat, vent ? own : 0);
  add(`${code}-under`, under, 'hem', undefined, 0, vent?.beside ?? 0);
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
