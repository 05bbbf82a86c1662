import { nearestOn, pointAlong } from '../../geometry/index.ts';
import { type Edge, type Notch, type Piece } from '../../pattern/index.ts';

/** How far a redrawn edge may lie from the shell's for its notch still to be set across to it (mm). */
const CARRY_REACH = 60;

/**
 * Shell notches set across to a derived ring: a notch follows to every derived edge that repeats the stretch it lies on,
 * at the nearest place where the edge was redrawn (raised underarm, moved hem).
 */
export function transferNotches(parent: Piece, ring: Edge[]): Notch[] {
  const out: Notch[] = [];
  for (const n of parent.notches) {
    const source = parent.ring.find((e) => e.id === n.edge);
    if (!source) continue;
    const point = pointAlong(source.path, n.at);
    for (const e of ring) {
      const f = e.from;
      if (!f || f.edge !== n.edge || e.role !== source.role) continue;
      if (n.at < Math.min(f.start, f.end) - 0.01 || n.at > Math.max(f.start, f.end) + 0.01) continue;
      const hit = nearestOn(e.path, point);
      if (hit.distance < CARRY_REACH) out.push({ ...n, edge: e.id, at: hit.at });
    }
  }
  return out;
}
