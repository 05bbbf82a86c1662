import { type Point } from '../../geometry/index.ts';
import { type Piece } from '../../pattern/index.ts';

/** Turns points of a piece so that its grain runs up, and back again. */
export function upright({ grain: { a, b } }: Pick<Piece, 'grain'>): {
  up: (q: Point) => Point;
  back: (q: Point) => Point;
} {
  const t = Math.atan2(b.x - a.x, b.y - a.y);
  const [c, s] = [Math.cos(t), Math.sin(t)];
  return {
    up: (q) => ({ x: q.x * c - q.y * s, y: q.x * s + q.y * c }),
    back: (q) => ({ x: q.x * c + q.y * s, y: q.y * c - q.x * s }),
  };
}
