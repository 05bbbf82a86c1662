import { crossings, extend, offsetPath, type Path, pathLength, reversePath, stretch } from '../geometry/index.ts';
import { clockwise, type Edge, type Piece, seamLineFromCut } from '../pattern/index.ts';
import { type Trim } from '../project.ts';
import { because, ok, type Reason, type Result, refuse, stop } from '../result.ts';
import { makePiece } from './make.ts';
import { cutRun, orient, run, runLength, runPath } from './oriented.ts';

/** How far inside (+) or outside (−) the seam line the interfacing ends, mm; schools of common practice. */
export function trimOf(trim: Trim, edge: Edge): number {
  if (edge.onFold) return 0;
  if (trim === 'inside') return 3;
  if (trim === 'seam') return 0;
  return trim === 'caught' ? -3 : -edge.allowance;
}

/** The outline trimmed edge by edge; never at a fold, where its edge is the crease. No allowance is left to add. */
export function trimmed(ring: Edge[], trim: Trim, free: ReadonlySet<string> = new Set()): Edge[] {
  const asked = ring.map((e) => ({ ...e, allowance: free.has(e.id) ? 0 : trimOf(trim, e) }));
  return seamLineFromCut(asked).map((e) => ({ ...e, allowance: 0, corner: 'mitred' as const }));
}

const trimReason = (trim: Trim): Reason => {
  const mm = trim === 'inside' ? 3 : trim === 'caught' ? -3 : 0;
  return because(`trim-${trim}`, 'practice', mm);
};

/** Interfacing for a facing: the same outline, trimmed by the chosen school. */
export function interfaceWhole(target: Piece, shell: Piece, trim: Trim): Piece {
  const ring = trimmed(target.ring, trim);
  return makePiece(shell, {
    id: `${target.id}-interfacing`,
    name: `${target.name} interfacing`,
    material: 'interfacing',
    ring,
    reasons: [trimReason(trim)],
  });
}

/** Interfacing along the shell's front edge, `width` mm wide from neckline to hem; its inner edge lies free. */
export function frontEdgeStrip(front: Piece, width: number, trim: Trim): Result<Piece> {
  const o = orient(front, 'front-edge', 'neckline');
  const bad = (most: number) =>
    refuse(stop('front-strip-too-wide', { piece: front.id }, { name: front.name, width, most: Math.floor(most) }));
  if (!o)
    return refuse(stop('roles-missing', { piece: front.id }, { name: front.name, roles: 'front-edge, neckline' }));
  const { ring, sign } = o;
  const inner = offsetPath(runPath(ring, 'front-edge'), -sign * width);
  const reach = 300;
  const long = extend(inner, reach, reach);
  const neck = runPath(ring, 'neckline');
  const shoulder = runPath(ring, 'shoulder');
  const low = nearEnd(long, runPath(ring, 'hem'), reach);
  const onNeck = nearEnd(long, neck, reach + pathLength(inner));
  const onShoulder = onNeck ? null : nearEnd(long, shoulder, reach + pathLength(inner));
  const high = onNeck ?? onShoulder;
  if (!low || !high)
    return bad(Math.min(runLength(ring, 'hem'), runLength(ring, 'neckline') + runLength(ring, 'shoulder')) - 10);
  const line: Path = stretch(long, low.atA, high.atA);
  const edge: Edge = {
    id: 'inner',
    role: 'inner',
    path: reversePath(line),
    allowance: 0,
    corner: 'mitred',
    onFold: false,
  };
  const from = run(ring, 'front-edge')[0]?.from;
  if (from) edge.from = from;
  const top = onNeck
    ? cutRun(run(ring, 'neckline'), 0, high.atB)
    : [...run(ring, 'neckline'), ...cutRun(run(ring, 'shoulder'), 0, high.atB)];
  const hem = cutRun(run(ring, 'hem'), low.atB, runLength(ring, 'hem'));
  const closed = [...run(ring, 'front-edge'), ...top, edge, ...hem];
  return ok(
    makePiece(front, {
      id: 'front-edge-interfacing',
      name: 'Front edge interfacing',
      material: 'interfacing',
      ring: trimmed(clockwise(closed), trim, new Set(['inner'])),
      reasons: [because('front-strip', 'choice', width), trimReason(trim)],
    }),
  );
}

function nearEnd(long: Path, edge: Path, own: number) {
  if (!edge.length) return null;
  return crossings(long, edge).sort((x, y) => Math.abs(x.atA - own) - Math.abs(y.atA - own))[0] ?? null;
}
