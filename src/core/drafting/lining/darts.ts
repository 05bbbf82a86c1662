import { type DartChoice } from '../../document/project.ts';
import {
  crossings,
  distance,
  endOf,
  insideRing,
  lerp,
  nearestOn,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  polyline,
  startOf,
  stretch,
} from '../../geometry/index.ts';
import { type Edge, flatRing, type InternalLine, outlineOf, type Piece, takesOf } from '../../pattern/index.ts';

/** How far a soft pleat in place of a dart is stitched down from the edge, mm. Common practice. */
const PLEAT_DEPTH = 30;

/** A cut this near a line's own end leaves it as it is drawn (mm). */
const AT_END = 1;

/**
 * The part of a dart or pleat that lies in a ring: all of it, or what a facing that covers its feet leaves of it; null where
 * its point lies outside, as of a dart that ends within the facing.
 */
function within(line: Path, ring: Edge[], outline: Path): Path | null {
  const feet = [startOf(line), endOf(line)];
  const corners = line.slice(0, -1).map((s) => s.b);
  const off = (q: Point): number => Math.min(...feet.map((p) => distance(p, q)));
  const apex = corners.length
    ? corners.reduce((m, q) => (off(q) > off(m) ? q : m))
    : pointAlong(line, pathLength(line) / 2);
  if (!insideRing(flatRing(ring), apex)) return null;
  const length = pathLength(line);
  const at = nearestOn(line, apex).at;
  const cuts = crossings(line, outline).map((c) => c.atA);
  const from = Math.max(0, ...cuts.filter((c) => c < at && c > AT_END));
  const to = Math.min(length, ...cuts.filter((c) => c > at && c < length - AT_END));
  return from > 0 || to < length ? stretch(line, from, to) : line;
}

/** Gathers of the shell in a ring: what a facing leaves of them, beside the same edge. */
function gathersIn(l: InternalLine, ring: Edge[], outline: Path): InternalLine[] {
  const length = pathLength(l.path);
  const cuts = [0, ...crossings(l.path, outline).map((c) => c.atA), length].sort((a, b) => a - b);
  const inside = cuts.slice(1).flatMap((to, i): [number, number][] => {
    const from = cuts[i] as number;
    return to - from > AT_END && insideRing(flatRing(ring), pointAlong(l.path, (from + to) / 2)) ? [[from, to]] : [];
  });
  return inside.map(([from, to]) => ({ ...l, path: stretch(l.path, from, to) }));
}

/**
 * The shell's darts, pleats and gathers in a lining cut from it, wherever they still begin at its edge: darts sewn as in the shell, or
 * laid as soft pleats of the same take-up; pleats and gathers are repeated.
 */
export function dartsIn(parent: Piece, ring: Edge[], choice: DartChoice): InternalLine[] {
  const outline = outlineOf(ring);
  const kept = parent.lines.flatMap((l): InternalLine[] => {
    if (l.kind === 'gather') return gathersIn(l, ring, outline);
    if (l.kind !== 'dart' && l.kind !== 'pleat') return [];
    // A pleat that begins at no edge of the lining is none there.
    if (l.kind === 'pleat' && !crossings(outline, l.path).length) return [];
    const path = within(l.path, ring, outline);
    return path ? [{ ...l, path }] : [];
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
  const loose = kept.filter((l) => l.kind !== 'dart' || !l.path.some((s) => begun.has(`${s.b.x},${s.b.y}`)));
  return [...loose, ...pleats];
}
