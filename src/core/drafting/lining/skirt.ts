import { type Decisions } from '../../document/project.ts';
import { type Edge, type Piece, reverseRing, rolesMissing } from '../../pattern/index.ts';
import { refuse } from '../../result.ts';
import { belowBand } from '../facing/belowfacing.ts';
import { derivePiece } from '../shape/derivepiece.ts';
import { run, withParents } from '../shape/oriented.ts';
import { dartsIn } from './darts.ts';
import { besideVent, besideVents, hemmed, type LiningPiece, type Named, ventedLining } from './lining.ts';
import { withoutPockets } from './pockets.ts';
import { hasVent, ventsAtCentre } from './vent.ts';
import { cutBackAtSlit, cutBackAtZip } from './zip.ts';

/**
 * The lining of a skirt's front or back: the shell again, its hem by the chosen rule, darts sewn or as soft pleats; where a
 * facing covers the waist, what lies below it. `covered` is the length of a zip that a bodice takes up (mm).
 */
export function skirtLining(piece: Piece, facing: number, covered: number, d: Decisions, named: Named): LiningPiece {
  const whole = facing > 0 ? belowBand(piece, 'waist', facing, d.allowances.seam) : withParents(piece);
  const ring = whole && d.lining.pockets === 'out' ? withoutPockets(whole) : whole;
  if (!ring || !run(piece.ring, 'hem').length)
    return {
      piece: null,
      hem: null,
      ...refuse(rolesMissing(piece, ['waist', 'side', 'hem'])),
    };
  const sign = walkSign(ring);
  if (hasVent(piece) && ventsAtCentre(piece)) {
    const zip = cutBackAtZip(ring, 1, d.lining.zip, covered + facing);
    const made = ventedLining(sign === 1 ? zip.ring : reverseRing(zip.ring), sign, piece, d, { ...named, pleat: 0 });
    return besideVent(made, zip, d.lining.vent.over);
  }
  const vented = besideVents(ring, 1, piece, d);
  if (!vented.ok) return { piece: null, hem: null, findings: vented.findings };
  const h = hemmed(vented.value.ring, 'hem', d, piece, 1);
  const slit = cutBackAtSlit(h.ring, 1, d.lining.slit, h.hem?.line ?? 0);
  const zip = cutBackAtZip(slit.ring, 1, d.lining.zip, covered + facing);
  const made = derivePiece(piece, {
    id: `${named.id}-lining`,
    name: `${named.name} lining`,
    material: 'lining',
    ring: zip.ring,
    reasons: [...vented.value.reasons, ...[h.hem?.reason, zip.reason, slit.reason].flatMap((r) => r ?? [])],
    lines: [...dartsIn(piece, zip.ring, d.lining.darts), ...zip.lines],
  });
  return { piece: made, hem: h.hem, findings: h.findings };
}

/** Whether the ring, clockwise, runs from its hem to the centre back (1), or has to be walked backwards to (−1). */
function walkSign(ring: Edge[]): 1 | -1 {
  const at = ring.findIndex((e) => e.role === 'vent');
  return at >= 0 && ring[(at + ring.length - 1) % ring.length]?.role === 'vent-top' ? -1 : 1;
}
