import { endOf, type Path, type Point, pathLength, pointAlong, startOf, sub, turn } from '../geometry/index.ts';
import { type Finding } from '../result.ts';
import { SEAM_PASSES } from '../tolerance.ts';
import { takesOf } from './dartintake.ts';
import { closedLines } from './openings.ts';
import { type Seam, type Side } from './seam.ts';
import { type Edge, type Piece, type Role } from './types.ts';

/** Notches of both sides that lie this far apart when the seam is laid together are told (mm). */
const NOTCH_APART = 3;
/** A neckline, armhole or hem that bends by more than this where a seam crosses it is told (radians). */
const KINK = (20 * Math.PI) / 180;
/** Beyond this it is no corner any more (radians). */
const TURNS_BACK = (100 * Math.PI) / 180;
/** How much of an edge tells which way it runs at a corner: a hair of line at its end does not (mm). */
const TELLS = 3;
/** Edges that run on smoothly across a seam. */
const RUNS_ON: ReadonlySet<Role> = new Set<Role>(['neckline', 'armhole', 'hem', 'waist']);

interface Corner {
  /** The edge beyond the corner. */
  beyond: Edge;
  /** Angle inside the piece, radians. */
  inside: number;
  /** Whether it is the seam edge's start. */
  start: boolean;
}

/** Which way an edge runs at its end, and at its start. */
const leaving = (path: Path): Point => sub(endOf(path), pointAlong(path, pathLength(path) - TELLS));
const arriving = (path: Path): Point => sub(pointAlong(path, TELLS), startOf(path));

function cornersOf(piece: Piece, edge: Edge): Corner[] {
  const n = piece.ring.length;
  const i = piece.ring.indexOf(edge);
  const before = piece.ring[(i + n - 1) % n] as Edge;
  const after = piece.ring[(i + 1) % n] as Edge;
  return [
    { beyond: before, inside: Math.PI - turn(leaving(before.path), arriving(edge.path)), start: true },
    { beyond: after, inside: Math.PI - turn(leaving(edge.path), arriving(after.path)), start: false },
  ];
}

/** The two edges of a seam that is sewn of one edge each, with their pieces. */
function bothEdges(seam: Seam, pieces: Piece[]): [Piece, Edge, Piece, Edge] | null {
  const [a, b] = [seam.a[0], seam.b[0]];
  if (!a || !b || seam.a.length > 1 || seam.b.length > 1) return null;
  const find = (s: Side) => {
    const piece = pieces.find((p) => p.id === s.piece);
    const edge = piece?.ring.find((e) => e.id === s.edge);
    return piece && edge ? { piece, edge } : null;
  };
  const [one, two] = [find(a), find(b)];
  return one && two && one.edge !== two.edge ? [one.piece, one.edge, two.piece, two.edge] : null;
}

/** Where notches lie from the end at which both edges meet the same seam or hem, in order, darts and pleats closed, mm. */
function from(piece: Piece, edge: Edge, start: boolean): number[] {
  const length = pathLength(edge.path);
  const takes = takesOf(piece).filter((t) => t.edge === edge.id);
  const far = (at: number): number => (start ? at : length - at);
  const before = (at: number): number =>
    takes.filter((t) => Math.max(far(t.from), far(t.to)) <= far(at) + 1).reduce((s, t) => s + t.to - t.from, 0);
  return piece.notches
    .filter((n) => n.edge === edge.id)
    .map((n) => far(n.at) - before(n.at))
    .sort((x, y) => x - y);
}

/** Corners at which both edges of a seam run on into the same kind of edge. */
const shared = (as: Corner[], bs: Corner[]): [Corner, Corner][] =>
  as.flatMap((a) => bs.filter((b) => a.beyond.role === b.beyond.role).map((b): [Corner, Corner] => [a, b]));

/**
 * How far the notches of a seam of two edges lie apart at most when both are laid together from the end they share, mm;
 * null where there are none, or not as many on both.
 */
export function notchesMeet(seam: Seam, pieces: Piece[]): number | null {
  const both = bothEdges(seam, pieces);
  if (!both) return null;
  const [pa, ea, pb, eb] = both;
  const [common] = shared(cornersOf(pa, ea), cornersOf(pb, eb));
  if (!common) return null;
  const [na, nb] = [from(pa, ea, common[0].start), from(pb, eb, common[1].start)];
  if (!na.length || na.length !== nb.length) return null;
  return Math.max(...na.map((x, i) => Math.abs(x - (nb[i] as number))));
}

/**
 * What a bought pattern can have wrong beside seams of unlike length: notches that do not meet, and a neckline, armhole or
 * hem that has a corner once the seam across it is sewn. Walking and truing, common practice.
 */
function seamFaults(seam: Seam, pieces: Piece[]): Finding[] {
  const both = bothEdges(seam, pieces);
  if (!both) return [];
  const [pa, ea, pb, eb] = both;
  const [as, bs] = [cornersOf(pa, ea), cornersOf(pb, eb)];
  const out: Finding[] = [];
  for (const [a, b] of shared(as, bs).filter(([x]) => RUNS_ON.has(x.beyond.role))) {
    const bend = a.inside + b.inside - Math.PI;
    // No edge turns as far as that: there the edges are not what they are called.
    const back = Math.abs(bend) > TURNS_BACK;
    if (Math.abs(bend) > KINK)
      out.push({
        code: back ? 'seam-turns-back' : 'seam-kink',
        severity: 'warn',
        where: { piece: pa.id, edge: ea.id },
        data: {
          a: pa.name,
          b: pb.name,
          seam: seam.code,
          role: a.beyond.role,
          degrees: Math.round((bend * 180) / Math.PI),
        },
      });
  }
  const worst = notchesMeet(seam, pieces) ?? 0;
  // Ease between the ends pulls notches apart by as much at most.
  if (worst > NOTCH_APART + Math.max(0, seam.ease.max))
    out.push({
      code: 'notches-apart',
      severity: 'warn',
      where: { piece: pa.id, edge: ea.id },
      data: { a: pa.name, b: pb.name, seam: seam.code, apart: worst },
    });
  return out;
}

/** Darts whose two lines are of unlike length, which cannot be sewn to a point: common practice. */
function dartFaults(piece: Piece): Finding[] {
  return takesOf(piece).flatMap((t): Finding[] => {
    if (!t.legs || Math.abs(t.legs[0] - t.legs[1]) <= SEAM_PASSES) return [];
    const [short, long] = [Math.min(...t.legs), Math.max(...t.legs)];
    const data = { name: piece.name, short, long, apart: long - short };
    return [{ code: 'dart-legs', severity: 'warn', where: { piece: piece.id, edge: t.edge }, data }];
  });
}

/** Closed lines that look like openings cut into a piece, as the armholes of a cover-up, until it is said what they are. */
const cutIn = (piece: Piece): Finding[] =>
  closedLines(piece)
    .filter(({ line, likely }) => likely && line.role === undefined)
    .map(({ line, round }): Finding => {
      const { x, y } = startOf(line.path);
      return {
        code: 'cut-in',
        severity: 'warn',
        where: { piece: piece.id, x, y },
        data: { name: piece.name, round },
      };
    });

/** Faults in the pattern itself, each with its size. Seams of unlike length are told by walking them. */
export const patternFaults = (pieces: Piece[], seams: Seam[]): Finding[] => [
  ...seams.flatMap((s) => seamFaults(s, pieces)),
  ...pieces.flatMap(dartFaults),
  ...pieces.flatMap(cutIn),
];
