import {
  clockwise,
  type Edge,
  grainDirection,
  type InternalLine,
  type Material,
  outlineOf,
  type Piece,
  placeGrain,
} from '../pattern/index.ts';
import { type Reason } from '../result.ts';
import { carryNotches } from './carry.ts';

export interface Derived {
  id: string;
  name: string;
  material: Material;
  ring: Edge[];
  reasons: Reason[];
  lines?: InternalLine[];
}

/** A finished derived piece: clockwise ring, the parent's cut count, notches carried over, grainline parallel to the parent's. */
export function makePiece(parent: Piece, d: Derived): Piece {
  const ring = clockwise(d.ring);
  const onFold = ring.some((e) => e.onFold);
  const count = onFold ? 1 : parent.cut.onFold ? 1 : parent.cut.count;
  return {
    id: d.id,
    name: d.name,
    kind: parent.kind,
    material: d.material,
    ring,
    cut: { count, pair: !onFold && count === 2, onFold },
    grain: placeGrain(outlineOf(ring), grainDirection(parent)),
    notches: carryNotches(parent, ring),
    lines: d.lines ?? [],
    reasons: d.reasons,
    parent: parent.id,
  };
}
