import { distance, flatten, nearestOn, type Point } from '../geometry/index.ts';
import { type CutLine, type Piece, type Role } from '../pattern/index.ts';

/** A turn of the cut line by more is a corner, degrees. */
const CORNER = 20;
/** How exactly an edge is measured with a tape, mm, and as a share of its length. Own figures. */
const [TAPE, SHARE] = [3, 0.005];
/** So many are named at most. */
const MOST = 6;

/** An edge of a piece as it is cut, from corner to corner, mm. */
export interface CutEdge {
  piece: Piece;
  role: Role;
  length: number;
}

/** The edges of a cut line: what lies between its corners. */
export function cutEdges(piece: Piece, cut: CutLine): CutEdge[] {
  const ring = flatten(cut.outline, 0.1).filter((p, i, all) => i === 0 || distance(p, all[i - 1] as Point) > 1e-6);
  if (ring.length > 1 && distance(ring[0] as Point, ring.at(-1) as Point) < 1e-6) ring.pop();
  const n = ring.length;
  const at = (i: number): Point => ring[(i + n) % n] as Point;
  const heading = (i: number): number => Math.atan2(at(i + 1).y - at(i).y, at(i + 1).x - at(i).x);
  const turns = (i: number): number => {
    const by = ((heading(i) - heading(i - 1)) * 180) / Math.PI;
    return Math.abs(((by + 540) % 360) - 180);
  };
  const corners = ring.flatMap((_, i) => (turns(i) > CORNER ? [i] : []));
  return corners.map((from, k) => {
    const to = k + 1 < corners.length ? (corners[k + 1] as number) : (corners[0] as number) + n;
    let length = 0;
    for (let i = from; i < to; i++) length += distance(at(i), at(i + 1));
    const middle = at(Math.round((from + to) / 2));
    const edge = piece.ring.reduce((a, b) =>
      nearestOn(b.path, middle).distance < nearestOn(a.path, middle).distance ? b : a,
    );
    return { piece, role: edge.role, length };
  });
}

/** Which pieces have a cut edge of a length that was measured, mm, the nearest first. */
export function withEdge(length: number, pieces: readonly Piece[], cutLines: ReadonlyMap<string, CutLine>): CutEdge[] {
  const near = TAPE + SHARE * length;
  return pieces
    .flatMap((p) => {
      const cut = cutLines.get(p.id);
      return cut ? cutEdges(p, cut) : [];
    })
    .filter((e) => Math.abs(e.length - length) <= near)
    .sort((a, b) => Math.abs(a.length - length) - Math.abs(b.length - length))
    .slice(0, MOST);
}
