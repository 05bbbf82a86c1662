import { boxOfPoints, flatten, nearestOn, type Path, type Point, pathLength, polyline } from '../geometry/index.ts';
import { laidOn, type Piece } from '../pattern/index.ts';
import { type Match } from './meets.ts';
import { upright } from './nesting/upright.ts';

/** So far the outline of a pocket may stray from its place, and that is still the one that is meant, mm. Own figure. */
const LIKE = 6;
/** A line that rises by more from end to end is no mouth of a pocket that hangs straight, mm. Own figure. */
const LEVEL = 2;

interface Lies {
  /** Upright, its upper edge's middle at the origin. */
  points: Point[];
  wide: number;
  high: number;
  /** The middle of its upper edge, on the piece. */
  at: Point;
}

function liesOn(p: Piece, path: Path): Lies {
  const { up, back } = upright(p);
  const all = flatten(path).map(up);
  const { minX, maxX, minY, maxY } = boxOfPoints(all);
  const top = { x: (minX + maxX) / 2, y: maxY };
  const points = all.map((q) => ({ x: q.x - top.x, y: q.y - top.y }));
  return { points, wide: maxX - minX, high: maxY - minY, at: back(top) };
}

/** How far the outline of one strays from that of the other at most, mm. */
const strays = (a: Lies, b: Lies): number => {
  const path = polyline(a.points);
  return Math.max(...b.points.map((p) => nearestOn(path, p).distance));
};

/** Places for pockets that are drawn on a piece: all of the outline, or the line of the mouth alone. */
const placesOn = (p: Piece): { lies: Lies; mouth: boolean }[] =>
  p.lines
    .filter((l) => l.kind === 'placement')
    .map((l) => ({ lies: liesOn(p, l.path), length: pathLength(l.path) }))
    .map(({ lies, length }) => ({ lies, mouth: lies.high < LEVEL && length < lies.wide + LIKE }));

export const isPatch = (p: Piece): boolean => p.material === 'shell' && laidOn(p) === 'patch-pocket';

/**
 * Patch pockets at their places, which are drawn on the pieces they are stitched on: along the grain lines meet at the mouth, and across it
 * too where both are left and right, or neither is. One whose place is not drawn, or slants, has none. Common practice.
 */
export function pocketsOf(pieces: readonly Piece[]): Match[] {
  return pieces.filter(isPatch).flatMap((pocket): Match[] => {
    const own = liesOn(
      pocket,
      pocket.ring.flatMap((e) => e.path),
    );
    const found = pieces
      .filter((p) => p !== pocket && p.material === 'shell')
      .flatMap((p) => placesOn(p).map((place) => ({ p, place })))
      .map(({ p, place: { lies, mouth } }) => ({
        p,
        at: lies.at,
        off: mouth ? Math.abs(lies.wide - own.wide) : Math.max(strays(lies, own), strays(own, lies)),
      }))
      .filter((x) => x.off <= LIKE)
      .sort((x, y) => x.off - y.off)[0];
    if (!found) return [];
    // A piece on the fold has a left and a right half as a pair has.
    const { pair, onFold } = found.p.cut;
    const across = pocket.cut.pair === (pair || onFold);
    const [a, b] = [
      { piece: found.p.id, at: found.at },
      { piece: pocket.id, at: own.at },
    ];
    return [{ code: 'pocket', a, b, ends: [], ...(across && { across }) }];
  });
}
