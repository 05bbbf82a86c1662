import { type Decisions } from '../../document/project.ts';
import { crossings, endOf, extend, nearestOn, pathLength, startOf } from '../../geometry/index.ts';
import { type Edge, type Piece, type Role, roleSide, type Seam, type Side } from '../../pattern/index.ts';
import { type Hems, type InsidePieces, type Join } from '../pieces.ts';
import { moveRun } from '../shape/oriented.ts';
import { type LiningHem } from './hem.ts';
import { backPleat, pleatEnds } from './lining.ts';
import { hasVent, ventFigures } from './vent.ts';

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
function takenByFacing(facing: Piece | undefined, hem: Edge[]): number {
  const own = facing ? lengthOf(facing.ring.filter((e) => e.role === 'hem')) : 0;
  const line = facing?.ring.filter((e) => e.role === 'facing-line').flatMap((e) => e.path) ?? [];
  const path = hem.flatMap((e) => e.path);
  const hit = line.length && path.length ? crossings(extend(line, LINE_ON, LINE_ON), path)[0] : undefined;
  if (!own || !hit) return own;
  const [low, high] = [hit.atB, pathLength(path) - hit.atB];
  // The facing's share is the one that ends nearer to its front edge.
  const front = facing?.ring.filter((e) => e.role === 'front-edge').flatMap((e) => e.path) ?? [];
  return nearestOn(front, startOf(path)).distance < nearestOn(front, endOf(path)).distance ? low : high;
}

/** How far a facing line is ruled on to meet a turned hem, mm. */
const LINE_ON = 120;

/** Both halves of the lining to each other above a vent, and each to its side of the vent. */
export function ventSeams(
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

/** How much narrower a lining is at the hem because it is cut back beside a slit, mm. */
function besideSlit(shell: Piece, d: Decisions): number {
  const { slit } = d.lining;
  const edge = shell.ring.find((e) => e.role === slit.at && !e.onFold);
  // At a vent the centre back ends above the hem.
  if (slit.at === 'centre-back' && hasVent(shell)) return 0;
  return slit.length > 0 && edge ? edge.allowance - slit.shellSeam : 0;
}

/** Lining hem to the shell's turned hem. A flared hem is narrower higher up: that difference is meant, up to 3 %. */
export function hemSeams(p: InsidePieces, d: Decisions, hems: Hems): Seam[] {
  const out: Seam[] = [];
  const add = (
    code: string,
    lining: Piece | undefined,
    shell: Piece | undefined,
    role: 'hem' | 'wrist',
    hem: LiningHem | null,
    taken: number | Piece | undefined,
    extra: number,
  ) => {
    if (!lining || !shell || !hem || d.lining[role].kind === 'free') return;
    const [own, shellHem] = [roleSide(lining, role), roleSide(shell, role)];
    if (!own.length || !shellHem.length) return;
    const held = hem.line + hem.slack;
    const turned = turnedHem(shell, role, held);
    const less = typeof taken === 'number' ? taken : takenByFacing(taken, turned);
    const lengthB = lengthOf(turned) - less - (role === 'hem' ? besideSlit(shell, d) : 0);
    // Seamed to the edge itself or to a rib it lies on the shell's own seam line; higher up the shell is narrower.
    const flare = hem.slack === 0 ? 0 : lengthB * 0.03;
    out.push({
      id: `closing-${code}`,
      code,
      group: 'closing',
      a: own,
      b: shellHem,
      lengthB,
      ease: { min: extra - flare, max: extra + flare },
      ...(flare + extra > 0 && { easeOf: flare > 0 ? 'flare' : 'pleat' }),
    });
  };
  add('hem-front', p.frontLining, p.front, 'hem', hems.body, p.frontFacing, 0);
  const vent = p.back && p.backUnderlap ? ventFigures(p.back, d.lining.vent) : null;
  const pleat = p.back && !pleatEnds(p.back, d) ? backPleat(p.back, d) / 2 : 0;
  add('hem-back', p.backLining, p.back, 'hem', hems.body, vent ? vent.net + vent.inside : 0, pleat);
  add('hem-back-under', p.backUnderlap, p.back, 'hem', hems.body, vent?.beside ?? 0, 0);
  add('hem-skirt-front', p.skirtFrontLining, p.skirtFront, 'hem', hems.body, 0, 0);
  const slit = p.skirtBack && p.skirtUnderlap ? ventFigures(p.skirtBack, d.lining.vent) : null;
  add('hem-skirt-back', p.skirtBackLining, p.skirtBack, 'hem', hems.body, slit ? slit.net + slit.inside : 0, 0);
  add('hem-skirt-back-under', p.skirtUnderlap, p.skirtBack, 'hem', hems.body, slit?.beside ?? 0, 0);
  add('hem-front-side', p.frontSideLining, p.frontSide, 'hem', hems.body, 0, 0);
  add('hem-back-side', p.backSideLining, p.backSide, 'hem', hems.body, 0, 0);
  add('wrist', p.sleeveLining, p.sleeve, 'wrist', hems.wrist, 0, 0);
  add('wrist-under', p.underSleeveLining, p.underSleeve, 'wrist', hems.wrist, 0, 0);
  return out;
}
