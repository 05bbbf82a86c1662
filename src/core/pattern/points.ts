import { nearestOn } from '../geometry/index.ts';
import { type Edge, type Mark } from './types.ts';

/** A point of the pattern beside an edge: where along it (mm from its start), and whether the work turns there. */
export interface EdgeMark {
  turns: boolean;
  at: number;
}

/** A mark further from every edge than this is a place on the cloth, not on a seam, mm. Own figure. */
const BESIDE = 25;

/** The edge of a ring that a mark lies beside, and how far along it (mm from its start); none in the middle of the cloth. */
export function edgeBeside(ring: Edge[], m: Mark): { edge: Edge; at: number } | null {
  let best: { edge: Edge; at: number; far: number } | null = null;
  for (const edge of ring) {
    const { at, distance: far } = nearestOn(edge.path, m.at);
    if (far < (best?.far ?? BESIDE)) best = { edge, at, far };
  }
  return best;
}

/** Points that say where stitching starts, stops or turns, on the edges they lie beside; buttons are none. */
export function pointsOn(ring: Edge[], marks: Mark[] = []): Map<string, EdgeMark[]> {
  const on = new Map<string, EdgeMark[]>();
  for (const m of marks) {
    const beside = m.kind === 'button' ? null : edgeBeside(ring, m);
    if (!beside) continue;
    const { edge, at } = beside;
    on.set(edge.id, [...(on.get(edge.id) ?? []), { turns: m.kind === 'square', at }]);
  }
  return on;
}
