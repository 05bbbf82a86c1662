import { type Decisions } from '../document/project.ts';
import { type Edge } from '../pattern/index.ts';
import { because, type Finding } from '../result.ts';
import { type Drafted, edgesOn } from './drafted.ts';
import { belowBand, metByLining } from './facing/belowfacing.ts';
import { edgeFacing } from './facing/edgefacing.ts';
import { type Put } from './pieces.ts';
import { derivePiece } from './shape/derivepiece.ts';
import { withParents } from './shape/oriented.ts';

/**
 * A hood is faced along its opening and lined with what the facing leaves; without a facing the lining is the hood again.
 * Common practice. A facing that finds no room is told, and the hood lined to its edge.
 */
export function hoodPieces(x: Drafted, d: Decisions, findings: Finding[]): void {
  const { shell: hood, base, title } = x;
  const { seam } = d.allowances;
  const width = d.facing.on ? d.facing.hood : 0;
  let left: Edge[] | null = null;
  if (width > 0) {
    const named = { id: `${base}-facing`, name: `${title} facing` };
    const made = edgeFacing(hood, { ...named, role: 'front-edge', width, turn: 0, finish: d.facing.finish });
    if (made.ok) {
      x.facing = d.lining.on ? metByLining(made.value.piece, seam) : made.value.piece;
      left = belowBand(hood, 'front-edge', width, seam);
    } else findings.push(...made.findings);
  }
  if (!d.lining.on) return;
  x.lining = derivePiece(hood, {
    id: `${base}-lining`,
    name: `${title} lining`,
    material: 'lining',
    ring: (left ?? withParents(hood)).map((e) => ({ ...e, corner: 'mitred' })),
    reasons: [because('hood-lining', 'practice', width)],
  });
}

/** The hood's lining to its facing, along its own seam, and both to the hood. */
export function hoodSeams({ shell, facing, lining }: Drafted, put: Put): void {
  put('inside', 'hood-facing-line', edgesOn(lining, 'facing-line'), edgesOn(facing, 'facing-line'));
  const crown = edgesOn(lining, 'centre-back');
  put('inside', 'hood-crown', crown, crown);
  put('closing', 'hood-edge', edgesOn(facing ?? lining, 'front-edge'), edgesOn(shell, 'front-edge'));
  // Unlined, the facing takes part in the neck seam only at the front.
  const inside = [...edgesOn(facing, 'neckline'), ...edgesOn(lining, 'neckline')];
  if (lining) put('closing', 'hood-neck', inside, edgesOn(shell, 'neckline'));
}
