import { boxOf, crossings, insideRing, lerp, pathLength, pointAlong, polyline } from '../geometry/index.ts';
import { type Edge, flatRing, type InternalLine, outlineOf, type Piece, takesOf } from '../pattern/index.ts';
import { type DartChoice } from '../project.ts';

/** How far a soft pleat in place of a dart is stitched down from the edge, mm. Common practice. */
const PLEAT_DEPTH = 30;

/**
 * The shell's darts and pleats in a lining cut from it, wherever they still begin at its edge: darts sewn as in the shell, or
 * laid as soft pleats of the same take-up; pleats are repeated.
 */
export function dartsIn(parent: Piece, ring: Edge[], choice: DartChoice): InternalLine[] {
  const chain = flatRing(ring);
  const outline = outlineOf(ring);
  const kept = parent.lines.filter((l) => {
    if (l.kind !== 'dart' && l.kind !== 'pleat') return false;
    const box = boxOf(l.path);
    const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
    return insideRing(chain, middle) && (l.kind === 'dart' || crossings(outline, l.path).length > 0);
  });
  if (choice === 'sewn') return kept;
  const takes = takesOf({ ring, lines: kept.filter((l) => l.kind === 'dart') });
  const pleats = takes.flatMap((t): InternalLine[] => {
    const edge = ring.find((e) => e.id === t.edge);
    if (!edge || !t.apex) return [];
    const [a, b] = [pointAlong(edge.path, t.from), pointAlong(edge.path, t.to)];
    const depth = Math.min(1, PLEAT_DEPTH / Math.max(1, pathLength(polyline([a, t.apex]))));
    return [{ kind: 'pleat', path: polyline([a, lerp(a, t.apex, depth), lerp(b, t.apex, depth), b]) }];
  });
  // A dart within the piece, begun at no edge, is sewn whatever was chosen.
  const begun = new Set(takes.map((t) => `${t.apex?.x},${t.apex?.y}`));
  const within = kept.filter((l) => l.kind !== 'dart' || !l.path.some((s) => begun.has(`${s.b.x},${s.b.y}`)));
  return [...within, ...pleats];
}
