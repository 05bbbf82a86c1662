import { flatten, inflate, type Point, simplified, union } from '../../geometry/index.ts';
import { type CutLine, type Piece } from '../../pattern/index.ts';
import { FLATTEN } from '../../tolerance.ts';
import { type Cloth, firstLine, foldLies, type Placed, type Span, spanOf, wideOf } from './cloth.ts';
import { cutOn, liesOnScallops, onScallops, scallopTurns } from './scallops.ts';
import { type Steps } from './steps.ts';
import { lying, turned } from './turned.ts';
import { upright } from './upright.ts';

/** How far a chord may stray from a curved cut line while pieces are laid, mm: as much is kept free around them. */
const CHORD = 0.4;
/** Outlines of more points are laid by fewer. */
export const MANY = 60;

/** One way a part may lie: its outline in a box from the origin, x across the cloth and y along it. */
export interface Way extends Pick<Placed, 'turn' | 'mirrored'> {
  outline: Point[];
  /** What the outline is of: a ring that all ways of a part share, and where the way's box begins once that is mirrored and turned. */
  shape?: { ring: Point[] } & Point;
  wide: number;
  long: number;
  /** Across and along it lies at these places only, so that its print meets. */
  onX?: Steps;
  onY?: Steps;
}

/** Where the print has to lie on a piece: a point of it, and how far on in a repeat that is, mm; across, from a line. */
export interface Hold {
  along?: { at: Point; rise: number } | undefined;
  across?: { at: Point; rise: number } | undefined;
}
export type Holds = ReadonlyMap<string, Hold>;

/** Something to be laid: one cut of a piece, in the ways it may lie. */
export interface LayPart extends Pick<Placed, 'piece' | 'copy'> {
  ways: Way[];
  /** Its fold lies on the fold of the cloth. */
  atFold: boolean;
  /** Across it lies within this strip of the cloth only. */
  within?: Span;
}

export interface Parts {
  parts: LayPart[];
  /** Pieces that a folded cloth would cut wrongly: two alike instead of one, or of a pair where both are the same. */
  single: string[];
}

type How = Pick<Placed, 'turn' | 'mirrored'>;

/**
 * How a piece comes to lie on the cloth with the lower corner of its cut line's box at the origin: grain along y, opened out of its
 * fold where that is not on the cloth's, larger by what the cloth will shrink. What it gives takes any ring of the piece.
 */
export function laying(piece: Piece, cut: CutLine, cloth: Cloth, how: How): (ring: Point[]) => Point[] {
  const opened = piece.cut.onFold && !foldLies(cloth);
  const { along, across } = cloth.shrinks;
  // Turned by a quarter, its length shrinks as the cloth does across.
  const quarter = Math.abs(Math.sin((how.turn * Math.PI) / 180)) > 0.9;
  const grows = [1 / (1 - across / 100), 1 / (1 - along / 100)] as const;
  const [wider, longer] = quarter ? [grows[1], grows[0]] : grows;
  const { up } = upright(piece);
  const over = how.mirrored ? -1 : 1;
  const turn = (ring: Point[]): Point[] =>
    (opened ? openedOut(piece, ring) : ring)
      .map(up)
      .map((p) => turned({ x: over * wider * p.x, y: longer * p.y }, how.turn));
  const whole = turn(chords(cut, FLATTEN));
  const [x, y] = [Math.min(...whole.map((p) => p.x)), Math.min(...whole.map((p) => p.y))];
  return (ring) => turn(ring).map((p) => ({ x: p.x - x, y: p.y - y }));
}

/** A cut line in chords, without its first point again. */
export const chords = (cut: CutLine, tolerance: number): Point[] => flatten(cut.outline, tolerance).slice(0, -1);

/** Both halves of a piece that is drawn as one. */
function openedOut(piece: Piece, ring: Point[]): Point[] {
  const fold = piece.ring.find((e) => e.onFold)?.path;
  const [a, b] = [fold?.[0]?.a, fold?.[fold.length - 1]?.b];
  if (!a || !b) return ring;
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const n = dx * dx + dy * dy;
  const over = ring.map((p): Point => {
    const t = ((p.x - a.x) * dx + (p.y - a.y) * dy) / n;
    return { x: 2 * (a.x + t * dx) - p.x, y: 2 * (a.y + t * dy) - p.y };
  });
  return union([ring], [over.reverse()]).sort((p, q) => q.length - p.length)[0] ?? ring;
}

/** The cut line in chords; a curved one, or one of many points, by fewer, and grown by as much as these may lie within it. */
function grown(cut: CutLine): Point[] {
  const all = chords(cut, FLATTEN);
  if (all.length <= MANY && cut.outline.every((s) => s.k === 'L')) return all;
  const ring = simplified(all, CHORD);
  return inflate([ring], CHORD)[0] ?? ring;
}

/** How wide a piece lies, on its grain or with its hem on the edge, mm: opened out where its fold is not on the cloth's. */
export function widthOf(p: Piece, cut: CutLine, cloth: Cloth): number {
  const [{ turn } = { turn: 0 }] = scallopTurns(p, cloth);
  const line = cutOn(p, cut, cloth);
  const lay = laying(p, line, cloth, { turn, mirrored: false });
  return Math.max(...lay(chords(line, FLATTEN)).map((q) => q.x));
}

/** Whether two layers would cut it wrongly: they give a mirrored pair, or along the fold a whole out of a half, and nothing else. */
export const isCutSingly = (p: Piece, cloth: Cloth): boolean =>
  !spanOf(cloth, 1) && !p.cut.pair && !(p.cut.onFold && foldLies(cloth));

/** From how many layers a piece is cut: a pair that is wider than a strip that lies double is cut from one, twice. */
export function layersFor(p: Piece, cut: CutLine, cloth: Cloth): 1 | 2 {
  if (p.cut.onFold && foldLies(cloth)) return 2;
  const [from, to] = (p.cut.pair && spanOf(cloth, 2)) || [0, 0];
  return to > from && (!spanOf(cloth, 1) || widthOf(p, cut, cloth) <= to - from) ? 2 : 1;
}

/** What is to be laid on a cloth of these pieces, and what has to be cut singly. */
export function partsOf(
  pieces: Piece[],
  cutLines: ReadonlyMap<string, CutLine>,
  cloth: Cloth,
  holds: Holds = new Map(),
): Parts {
  const out: Parts = { parts: [], single: [] };
  for (const p of pieces) {
    const cut = cutLines.get(p.id);
    if (!cut) continue;
    if (isCutSingly(p, cloth)) out.single.push(p.id);
    else out.parts.push(...copiesOf(p, cutOn(p, cut, cloth), cloth, holds.get(p.id)));
  }
  return out;
}

/** Whether what is cut once from one layer is laid with its pattern face down, so that it comes out as it is worn. */
export const isFaceDown = (p: Piece, cloth: Cloth): boolean => (p.cut.turned === true) !== cloth.otherSideUp;

/** As many as are cut; those that lie alike share their ways. */
function copiesOf(p: Piece, cut: CutLine, cloth: Cloth, hold: Hold | undefined): LayPart[] {
  const layers = layersFor(p, cut, cloth);
  const double = layers === 2;
  const over = isFaceDown(p, cloth);
  const faces = p.cut.pair && !double ? [over, !over] : [over];
  const ways = faces.map((face) => waysOf(p, cut, face, cloth, double, hold));
  const count = double && p.cut.pair ? p.cut.count / 2 : p.cut.count;
  const hemmed = liesOnScallops(p, cloth) ? ([0, wideOf(cloth)] as const) : null;
  const within = cloth.lies === 'partly' ? spanOf(cloth, layers) : hemmed;
  return Array.from({ length: count }, (_, copy) => ({
    piece: p.id,
    copy,
    atFold: double && p.cut.onFold,
    ...(within && { within }),
    ways: ways[copy % ways.length] as Way[],
  }));
}

/** Whether a piece lies the other way up, turned by so many degrees. */
export const isOver = (turn: number): boolean => Math.cos((turn * Math.PI) / 180) < 0;

function waysOf(p: Piece, cut: CutLine, face: boolean, cloth: Cloth, folded: boolean, hold: Hold | undefined): Way[] {
  // Where its print meets or its fold lies, a piece lies as it has to.
  const tilts = hold || (folded && p.cut.onFold) || !cloth.tilt ? [0] : [0, cloth.tilt, -cloth.tilt];
  const turns = [0, 180].flatMap((way) => tilts.map((tilt) => (way + tilt + 360) % 360));
  const ways: How[] = turns.flatMap((turn) =>
    // Between two layers the other half of a pair comes out either way; at the fold it has to lie on its side of it.
    (folded ? [false, true] : [face]).map((mirrored) => ({ turn, mirrored })),
  );
  const ring = grown(cut);
  const hems = scallopTurns(p, cloth);
  if (hems.length) return hems.map(({ turn, left }) => onEdge(p, cut, ring, cloth, { turn, mirrored: face }, left));
  const upright = laying(p, cut, cloth, { turn: 0, mirrored: false })(ring);
  return ways
    .filter((how) => !(cloth.oneWay && isOver(how.turn)))
    .flatMap((how) => {
      const lay = laying(p, cut, cloth, how);
      if (folded && p.cut.onFold && !foldsAtOrigin(p, lay)) return [];
      const line = lay(chords(cut, FLATTEN));
      const [wide, long] = [Math.max(...line.map((q) => q.x)), Math.max(...line.map((q) => q.y))];
      const on = heldBy(folded && p.cut.onFold ? { ...hold, across: undefined } : hold, lay, how, cloth);
      const outline = lay(ring);
      return [{ ...how, outline, shape: shapeOf(upright, outline, how), wide, long, ...on }];
    });
}

/** With its hem on the finished edge of a lace. */
function onEdge(p: Piece, cut: CutLine, ring: Point[], cloth: Cloth, how: How, left: boolean): Way {
  const lay = laying(p, cut, cloth, how);
  const line = lay(chords(cut, FLATTEN));
  const [wide, long] = [Math.max(...line.map((q) => q.x)), Math.max(...line.map((q) => q.y))];
  return { ...how, outline: lay(ring), wide, long, ...onScallops(left, wide, cloth) };
}

/** What an outline is of, seen from a ring that was laid upright. */
function shapeOf(ring: Point[], outline: readonly Point[], { turn, mirrored }: How): Way['shape'] {
  const [over, at] = [lying(ring[0] as Point, turn, mirrored), outline[0] as Point];
  return { ring, x: over.x - at.x, y: over.y - at.y };
}

/** The places at which the print meets. Turned round, a piece has its print the other way up; mirrored, from side to side. */
function heldBy(
  hold: Hold | undefined,
  lay: (ring: Point[]) => Point[],
  { turn, mirrored }: How,
  cloth: Cloth,
): Pick<Way, 'onX' | 'onY'> {
  const { print } = cloth;
  const at = (p: Point): Point => lay([p])[0] as Point;
  const { along, across } = hold ?? {};
  return {
    ...(along &&
      print.along > 0 && {
        onY: { step: print.along, from: print.fromEnd + (turn === 180 ? -along.rise : along.rise) - at(along.at).y },
      }),
    ...(across &&
      print.across > 0 && {
        onX: {
          step: print.across,
          from: firstLine(cloth) + ((turn === 180) !== mirrored ? -across.rise : across.rise) - at(across.at).x,
        },
      }),
  };
}

/** Whether the fold of a piece comes to lie at x = 0. */
export function foldsAtOrigin(p: Piece, lay: (ring: Point[]) => Point[]): boolean {
  const fold = p.ring.find((e) => e.onFold)?.path ?? [];
  return fold.length > 0 && lay(flatten(fold)).every((q) => Math.abs(q.x) < CHORD);
}
