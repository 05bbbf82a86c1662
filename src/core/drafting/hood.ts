import { type Decisions } from '../document/project.ts';
import { type Edge, type Piece } from '../pattern/index.ts';
import { because, type Finding } from '../result.ts';
import { belowBand, metByLining } from './facing/belowfacing.ts';
import { edgeFacing } from './facing/edgefacing.ts';
import { type InsidePieces, type Join } from './pieces.ts';
import { derivePiece } from './shape/derivepiece.ts';
import { withParents } from './shape/oriented.ts';

/**
 * A hood is faced along its opening and lined with what the facing leaves; without a facing the lining is the hood again.
 * Common practice. A facing that finds no room is told, and the hood lined to its edge.
 */
export function hoodPieces(hood: Piece, d: Decisions, p: InsidePieces, findings: Finding[]): void {
  const { seam } = d.allowances;
  const width = d.facing.on ? d.facing.hood : 0;
  p.hood = hood;
  let left: Edge[] | null = null;
  if (width > 0) {
    const named = { id: 'hood-facing', name: 'Hood facing' };
    const made = edgeFacing(hood, { ...named, role: 'front-edge', width, turn: 0, finish: d.facing.finish });
    if (made.ok) {
      p.hoodFacing = d.lining.on ? metByLining(made.value.piece, seam) : made.value.piece;
      left = belowBand(hood, 'front-edge', width, seam);
    } else findings.push(...made.findings);
  }
  if (!d.lining.on) return;
  p.hoodLining = derivePiece(hood, {
    id: 'hood-lining',
    name: 'Hood lining',
    material: 'lining',
    ring: (left ?? withParents(hood)).map((e) => ({ ...e, corner: 'mitred' })),
    reasons: [because('hood-lining', 'practice', width)],
  });
}

type On = (role: Edge['role'], ...pieces: (Piece | undefined)[]) => Parameters<Join>[2];

/** The hood's lining to its facing, along its own seam, and both to the hood. */
export function hoodSeams({ hood, hoodFacing, hoodLining }: InsidePieces, on: On, join: Join): void {
  if (!hood) return;
  join('inside', 'hood-facing-line', on('facing-line', hoodLining), on('facing-line', hoodFacing));
  const crown = on('centre-back', hoodLining);
  join('inside', 'hood-crown', crown, crown);
  join('closing', 'hood-edge', on('front-edge', hoodFacing ?? hoodLining), on('front-edge', hood));
  // Unlined, the facing takes part in the neck seam only at the front.
  if (hoodLining) join('closing', 'hood-neck', on('neckline', hoodFacing, hoodLining), on('neckline', hood));
}
