import { cornerRuns, flatten, nearestOn } from '../geometry/index.ts';
import { type CutLine, type Piece, type Role } from '../pattern/index.ts';

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
export const cutEdges = (piece: Piece, cut: CutLine): CutEdge[] =>
  cornerRuns(flatten(cut.outline, 0.1)).map(({ length, middle }) => {
    const edge = piece.ring.reduce((a, b) =>
      nearestOn(b.path, middle).distance < nearestOn(a.path, middle).distance ? b : a,
    );
    return { piece, role: edge.role, length };
  });

/** Whether an edge may be the one that was measured with a tape, mm. */
export const isMeasured = (length: number, measured: number): boolean =>
  Math.abs(length - measured) <= TAPE + SHARE * measured;

/** Which pieces have a cut edge of a length that was measured, mm, the nearest first. */
export function withEdge(length: number, pieces: readonly Piece[], cutLines: ReadonlyMap<string, CutLine>): CutEdge[] {
  return pieces
    .flatMap((p) => {
      const cut = cutLines.get(p.id);
      return cut ? cutEdges(p, cut) : [];
    })
    .filter((e) => isMeasured(e.length, length))
    .sort((a, b) => Math.abs(a.length - length) - Math.abs(b.length - length))
    .slice(0, MOST);
}
