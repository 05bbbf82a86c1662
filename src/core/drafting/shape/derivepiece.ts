import {
  clockwise,
  type Edge,
  grainDirection,
  type InternalLine,
  type Material,
  outlineOf,
  type Piece,
  placeGrain,
  welded,
} from '../../pattern/index.ts';
import { type Reason } from '../../result.ts';
import { transferNotches } from './transfernotches.ts';

/** The ring of a straight strip, its allowances already in it, mm. */
export function stripRing(length: number, width: number): Edge[] {
  const corners = [
    { x: 0, y: 0 },
    { x: length, y: 0 },
    { x: length, y: width },
    { x: 0, y: width },
  ];
  return corners.map((a, i) => ({
    id: `e${i + 1}`,
    role: 'inner',
    path: [{ k: 'L', a, b: corners[(i + 1) % 4] as typeof a }],
    allowance: 0,
    corner: 'mitred',
    onFold: false,
  }));
}

/** A strip's grainline on the bias: at 45° across its middle. */
export function onBias(length: number, width: number): Piece['grain'] {
  const half = Math.min(width, length) / 2;
  const [x, y] = [length / 2, width / 2];
  return { a: { x: x - half, y: y + half }, b: { x: x + half, y: y - half } };
}

export interface Derived {
  id: string;
  name: string;
  material: Material;
  ring: Edge[];
  reasons: Reason[];
  lines?: InternalLine[];
  stiffens?: string;
}

/** A finished derived piece: clockwise ring, the parent's cut count, notches carried over, grainline parallel to the parent's. */
export function derivePiece(parent: Piece, d: Derived): Piece {
  const ring = welded(clockwise(d.ring));
  const onFold = ring.some((e) => e.onFold);
  // What does not reach the fold of a piece cut on it is there on both sides.
  const count = onFold ? 1 : parent.cut.onFold ? 2 : parent.cut.count;
  return {
    id: d.id,
    name: d.name,
    kind: parent.kind,
    material: d.material,
    ring,
    cut: { count, pair: !onFold && count === 2, onFold },
    grain: placeGrain(outlineOf(ring), grainDirection(parent)),
    notches: transferNotches(parent, ring),
    lines: d.lines ?? [],
    reasons: d.reasons,
    parent: parent.id,
    ...(d.stiffens && { stiffens: d.stiffens }),
  };
}
