import {
  type Affine,
  apply,
  type Box,
  boxOf,
  flatten,
  mapPath,
  type Path,
  type Point,
  pathLength,
  reversePath,
  signedArea,
  weldRing,
} from '../geometry/index.ts';
import { type Edge, type Piece, type Role } from './types.ts';

/** Every closed ring of a piece: its outline, and round each opening cut into it. */
export const ringsOf = (p: Pick<Piece, 'ring' | 'openings'>): Edge[][] => [p.ring, ...(p.openings ?? [])];
/** Every edge of a piece, of its outline and of the openings cut into it. */
export const allEdges = (p: Pick<Piece, 'ring' | 'openings'>): Edge[] => ringsOf(p).flat();

export const outlineOf = (ring: Edge[]): Path => ring.flatMap((e) => e.path);
export const flatRing = (ring: Edge[]): Point[] => flatten(outlineOf(ring)).slice(0, -1);
export const ringAreaOf = (ring: Edge[]): number => Math.abs(signedArea(outlineOf(ring)));
export const ringPerimeter = (ring: Edge[]): number => pathLength(outlineOf(ring));

export interface Figures {
  areaMm2: number;
  perimeterMm: number;
  bbox: Box;
}

/** Area (mm²), perimeter (mm) and bounds (mm) of a closed path, exact for lines and cubics. */
export const figuresOf = (path: Path): Figures => ({
  areaMm2: Math.abs(signedArea(path)),
  perimeterMm: pathLength(path),
  bbox: boxOf(path),
});

/** The ring run the other way: edges keep their ids; a corner rule moves with its corner. */
export function reverseRing(ring: Edge[]): Edge[] {
  const n = ring.length;
  return ring
    .map((e, i): Edge => {
      const before = ring[(i + n - 1) % n] as Edge;
      const flipped: Edge = { ...e, path: reversePath(e.path), corner: before.corner };
      if (e.from) flipped.from = { ...e.from, start: e.from.end, end: e.from.start };
      return flipped;
    })
    .reverse();
}

/** The ring with its path clockwise on screen (positive area). */
export const clockwise = (ring: Edge[]): Edge[] => (signedArea(outlineOf(ring)) < 0 ? reverseRing(ring) : ring);

/** The ring with its edges joined end to start exactly, by construction; throws OpenOutline where it is open. */
export function welded(ring: Edge[]): Edge[] {
  const paths = weldRing(ring.map((e) => e.path));
  return ring.map((e, i) => ({ ...e, path: paths[i] as Path }));
}

/** Consecutive edges of one role, in ring order; several runs when the role occurs apart (both underarm seams of a sleeve). */
export function runsOf(ring: Edge[], role: Role): Edge[][] {
  const n = ring.length;
  const first = ring.findIndex((e, i) => e.role === role && ring[(i + n - 1) % n]?.role !== role);
  if (first < 0) return ring.every((e) => e.role === role) ? [ring] : [];
  const runs: Edge[][] = [];
  for (let k = 0; k < n; k++) {
    const e = ring[(first + k) % n] as Edge;
    if (e.role !== role) continue;
    const before = ring[(first + k + n - 1) % n] as Edge;
    if (k === 0 || before.role !== role) runs.push([e]);
    else runs[runs.length - 1]?.push(e);
  }
  return runs;
}

/** The piece moved by an affine map. A map that mirrors turns the ring back to clockwise. Notches follow their edges. */
export function mapPiece(piece: Piece, m: Affine): Piece {
  const mirrored = m.a * m.d - m.b * m.c < 0;
  const mapped = (ring: Edge[]): Edge[] => {
    const moved = ring.map((e) => ({ ...e, path: mapPath(e.path, m) }));
    return mirrored ? reverseRing(moved) : moved;
  };
  const lengths = new Map(allEdges(piece).map((e) => [e.id, pathLength(e.path)]));
  return {
    ...piece,
    ring: mapped(piece.ring),
    ...(piece.openings && { openings: piece.openings.map(mapped) }),
    grain: { a: apply(m, piece.grain.a), b: apply(m, piece.grain.b) },
    lines: piece.lines.map((l) => ({ ...l, path: mapPath(l.path, m) })),
    ...(piece.marks && { marks: piece.marks.map((k) => ({ ...k, at: apply(m, k.at) })) }),
    notches: mirrored ? piece.notches.map((n) => ({ ...n, at: (lengths.get(n.edge) ?? 0) - n.at })) : piece.notches,
  };
}
