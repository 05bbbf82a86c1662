import { offsetPath, pathLength } from '../geometry/index.ts';
import { type Edge, type Piece } from '../pattern/index.ts';
import { type Decisions } from '../project.ts';
import { refuse, stop } from '../result.ts';
import { dartsIn } from './darts.ts';
import { between, landing } from './land.ts';
import { hemmed, type LiningPiece } from './lining.ts';
import { makePiece } from './make.ts';
import { cutRun, run, withParents } from './oriented.ts';
import { cutBackAtZip } from './zip.ts';

/**
 * The lining of a skirt's front or back: the shell again, its hem by the chosen rule, darts sewn or as soft pleats; where a
 * facing covers the waist, what lies below it. `covered` is the length of a zip that a bodice takes up (mm).
 */
export function skirtLining(piece: Piece, facing: number, covered: number, d: Decisions): LiningPiece {
  const ring = facing > 0 ? belowWaist(piece, facing, d.allowances.seam) : withParents(piece);
  if (!ring || !run(piece.ring, 'hem').length)
    return {
      piece: null,
      hem: null,
      ...refuse(stop('roles-missing', { piece: piece.id }, { name: piece.name, roles: 'waist, side, hem' })),
    };
  const h = hemmed(ring, 'hem', d.lining.hem, piece, 1);
  const zip = cutBackAtZip(h.ring, 1, d.lining.zip, covered + facing);
  const made = makePiece(piece, {
    id: `${piece.kind}-lining`,
    name: piece.kind === 'skirt-front' ? 'Skirt front lining' : 'Skirt back lining',
    material: 'lining',
    ring: zip.ring,
    reasons: [...(h.hem ? [h.hem.reason] : []), ...(zip.reason ? [zip.reason] : [])],
    lines: dartsIn(piece, zip.ring, d.lining.darts),
  });
  return { piece: made, hem: h.hem, findings: h.findings };
}

/** What a facing of the waist leaves of the piece; its upper edge is the facing line. Null when nothing is left. */
function belowWaist(piece: Piece, width: number, seam: number): Edge[] | null {
  const ring = withParents(piece);
  const n = ring.length;
  const first = ring.findIndex((e, i) => e.role === 'waist' && ring[(i + n - 1) % n]?.role !== 'waist');
  if (first < 0) return null;
  const turned = [...ring.slice(first), ...ring.slice(0, first)];
  const waist = run(turned, 'waist');
  const [after, before] = [turned[waist.length] as Edge, turned[n - 1] as Edge];
  const line = offsetPath(
    waist.flatMap((e) => e.path),
    -width,
  );
  const low = landing(line, before.path, 'start');
  const high = landing(line, after.path, 'end');
  if (!low || !high) return null;
  const edge: Edge = {
    ...(waist[0] as Edge),
    id: 'facing-line',
    role: 'facing-line',
    path: between(line, low.onPath, high.onPath),
    allowance: seam,
    corner: 'mitred',
    onFold: false,
  };
  const rest = turned.slice(waist.length + 1, n - 1);
  return [edge, ...cutRun([after], high.onEdge, pathLength(after.path)), ...rest, ...cutRun([before], 0, low.onEdge)];
}
