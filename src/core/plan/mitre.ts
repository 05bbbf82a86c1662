import { dot, endDirection, startDirection } from '../geometry/index.ts';
import { type Edge } from '../pattern/index.ts';

/** A corner at which a hem and a side edge are both turned up: how deep (mm), and its angle (radians, between 0 and π). */
export interface Corner {
  hem: number;
  side: number;
  angle: number;
}

/**
 * Where the stitching line of a mitre meets the two cut edges, from the cut corner, mm. Turned up, both raw edges come to
 * one inner corner, 2 hem and 2 side from the edges; each crease brings it back to the edge beside it. At a square corner that
 * is twice the side along the hem, twice the hem along the side. Derived; the square case is common practice.
 */
export function mitreMarks({ hem, side, angle }: Corner): { alongHem: number; alongSide: number } {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { alongHem: (2 * (side + hem * cos)) / sin, alongSide: (2 * (hem + side * cos)) / sin };
}

/** The angle of the corner between a hem and a vent beside it, within the piece (radians); square where they do not meet. */
export function ventAngle(ring: Edge[]): number {
  const after = (i: number): Edge | undefined => ring[(i + 1) % ring.length];
  const at = ring.findIndex((e, i) => [e.role, after(i)?.role].sort().join() === 'hem,vent');
  const [a, b] = [ring[at], after(at)];
  return a && b && at >= 0 ? Math.acos(-dot(endDirection(a.path), startDirection(b.path))) : Math.PI / 2;
}
