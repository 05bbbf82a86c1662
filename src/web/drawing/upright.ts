import { type Closure } from '../../core/closure/index.ts';
import { type Affine, apply, mapPath, rotation, turn } from '../../core/geometry/index.ts';
import { type CutLine, grainDirection, mapCutLine, mapPiece, type Piece } from '../../core/pattern/index.ts';

const UP = { x: 0, y: -1 };
/** A grainline this near to upright (radians) is left as it is. */
const SLIGHT = 0.01;

interface Turned {
  piece: Piece;
  cut: CutLine | undefined;
  map: Affine | null;
}

const known = new WeakMap<Piece, { cut: CutLine | undefined; turned: Turned }>();

/**
 * A piece as it is shown: with its grainline upright, however it lay on the sheet it was drawn on. Only the picture is
 * turned. Pieces made from one parent are turned by the same map and stay in place on it.
 */
export function upright(piece: Piece, cut: CutLine | undefined): Turned {
  const before = known.get(piece);
  if (before && before.cut === cut) return before.turned;
  const angle = turn(grainDirection(piece), UP);
  const map = Math.abs(angle) < SLIGHT ? null : rotation(angle);
  const turned: Turned = map
    ? { piece: mapPiece(piece, map), cut: cut && mapCutLine(cut, map), map }
    : { piece, cut, map };
  known.set(piece, { cut, turned });
  return turned;
}

/** From the picture back to the sheet the piece was drawn on. */
export function unturned(map: Affine | null, p: { x: number; y: number }): { x: number; y: number } {
  if (!map) return p;
  const det = map.a * map.d - map.b * map.c;
  const [x, y] = [p.x - map.e, p.y - map.f];
  return { x: (map.d * x - map.c * y) / det, y: (map.a * y - map.b * x) / det };
}

/** The closure turned with its front. */
export function uprightClosure(c: Closure, map: Affine | null): Closure {
  if (!map) return c;
  const buttons = c.buttons.map((b) =>
    b.on && b.on.piece === c.piece
      ? {
          ...b,
          on: {
            ...b.on,
            centre: apply(map, b.on.centre),
            a: apply(map, b.on.a),
            b: apply(map, b.on.b),
            columns: b.on.columns.map((p) => apply(map, p)),
          },
        }
      : b,
  );
  return { ...c, line: mapPath(c.line, map), buttons };
}
