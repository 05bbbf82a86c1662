import { type Decisions, type Shell, type ShellPiece } from '../document/project.ts';
import { type FindingCode } from '../findingcodes.ts';
import {
  distance,
  endOf,
  flatten,
  insideRing,
  nearestOn,
  type Path,
  type Point,
  partAtCorners,
  pathLength,
  reversePath,
  selfCrossing,
  signedArea,
  startOf,
} from '../geometry/index.ts';
import { type Finding, stop } from '../result.ts';
import { seamLineFromCut } from './cutline.ts';
import { flatRing, outlineOf, welded } from './ring.ts';
import { type Edge, type InternalLine, type Piece, type Role } from './types.ts';

/** What the edge of an opening cut into a piece can be. */
export const OPENING_ROLES = ['armhole', 'neckline', 'cut-out'] as const satisfies Role[];
export type OpeningRole = (typeof OPENING_ROLES)[number];

/** A closed line inside a piece, so long and so round, is no pocket's place but an opening (mm; a square's share is 0.0625). Own figures. */
const LEAST_ROUND = 300;
const ROUND = 0.068;
/** How near the ends of a closed line lie, mm. */
const CLOSED = 3;

/** A closed line inside a piece: where it stands among its lines, how long it is, mm, and whether its shape is an opening's. */
export interface ClosedLine {
  index: number;
  line: InternalLine;
  round: number;
  likely: boolean;
}

/** Closed lines inside a piece that can be openings: those drawn as places on it, and those said to be one. */
export const closedLines = (p: { lines: InternalLine[] }): ClosedLine[] =>
  p.lines.flatMap((line, index): ClosedLine[] => {
    const round = pathLength(line.path);
    const closed = distance(startOf(line.path), endOf(line.path)) <= CLOSED;
    if (!closed || round < LEAST_ROUND || (line.kind !== 'placement' && line.kind !== 'opening')) return [];
    return [{ index, line, round, likely: Math.abs(signedArea(line.path)) / round ** 2 >= ROUND }];
  });

/** What a closed line is said to be: an opening with an edge of this role, or only a place marked on the piece. */
export const sayOpening = (p: ShellPiece, index: number, role: OpeningRole | 'pocket'): ShellPiece => ({
  ...p,
  lines: p.lines.map((l, i) => (i === index ? { ...l, kind: role === 'pocket' ? 'placement' : 'opening', role } : l)),
});

const isOpening = (l: InternalLine): boolean => l.kind === 'opening' && l.role !== undefined;

/** Lines of a piece that are drawn inside it: all but those round its openings. */
export const innerLines = (lines: InternalLine[]): InternalLine[] => lines.filter((l) => !isOpening(l));

/** Run so that the cloth lies on its right: anticlockwise on screen. */
const roundOpening = (path: Path): Path => (signedArea(path) > 0 ? reversePath(path) : path);

/** The cut lines of a piece's openings where the file draws them, each as one closed path. */
export const drawnOpenings = (p: ShellPiece): Path[] => p.lines.filter(isOpening).map((l) => roundOpening(l.path));

/** Whether a closed path lies wholly inside a ring, wholly outside, or across its edge. */
export function liesIn(path: Path, ring: Edge[]): 'inside' | 'outside' | 'across' {
  const outer = flatRing(ring);
  const points = flatten(path);
  const within = points.filter((q) => insideRing(outer, q)).length;
  return within === points.length ? 'inside' : within ? 'across' : 'outside';
}

/** An opening as drawn: its edges parted at its corners, run so that the cloth lies on their right. */
function edgesRound(l: InternalLine, id: string, allowance: number): Edge[] {
  const parts = partAtCorners(roundOpening(l.path));
  return welded(
    parts.map((part, i) => ({
      id: parts.length > 1 ? `${id}.${i + 1}` : id,
      role: l.role ?? 'cut-out',
      path: part,
      allowance,
      corner: 'mitred',
      onFold: false,
    })),
  );
}

/** Whether two closed lines cut each other, or one lies in the other. */
const meets = (a: Edge[], b: Edge[]): boolean =>
  liesIn(outlineOf(a), b) !== 'outside' || liesIn(outlineOf(b), a) !== 'outside';

/** Clear width that an opening keeps between its cut edges at least, mm. */
const LEAST_CLEAR = 10;

/** Room between the middle of an opening and its edge, mm. */
function roomIn(edges: Edge[]): number {
  const points = flatRing(edges);
  const middle: Point = {
    x: points.reduce((t, q) => t + q.x, 0) / points.length,
    y: points.reduce((t, q) => t + q.y, 0) / points.length,
  };
  return nearestOn(outlineOf(edges), middle).distance;
}

/**
 * The openings cut into a shell piece, on their seam lines: where the file draws cut lines, an allowance farther into the
 * cloth. One that crosses itself, the outline or another, or is so small that its allowances fill it, is left out and told.
 */
export function shellOpenings(
  p: ShellPiece,
  ring: Edge[],
  lines: Shell['lines'],
  allowances: Decisions['allowances'],
  findings: Finding[],
): Edge[][] {
  const out: Edge[][] = [];
  const isCut = (p.drawn ?? lines) === 'cut';
  for (const [i, l] of p.lines.filter(isOpening).entries()) {
    const drawn = edgesRound(l, `o${i + 1}`, allowances.seam);
    const edges = isCut ? seamLineFromCut(drawn) : drawn;
    const { x, y } = startOf(l.path);
    const told = (code: FindingCode, data: Finding['data'] = {}) =>
      findings.push(stop(code, { piece: p.id, x, y }, { name: p.name, ...data }));
    if (
      selfCrossing(flatRing(edges)) ||
      liesIn(outlineOf(edges), ring) !== 'inside' ||
      out.some((o) => meets(o, edges))
    )
      told('opening-crosses');
    else if (!isCut && roomIn(edges) < allowances.seam + LEAST_CLEAR / 2)
      told('opening-small', { allowance: allowances.seam });
    else out.push(edges);
  }
  return out;
}

/** A piece with openings in it, or as it was where there are none. */
export const withOpenings = (p: Piece, openings: Edge[][]): Piece => (openings.length ? { ...p, openings } : p);
