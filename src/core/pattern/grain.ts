import { type Path, type Point, addScaled, boxOf, crossings, distance, lerp, line, sub, unit } from '../geometry/index.ts';
import { type Piece } from './types.ts';

/**
 * A grainline parallel to `direction` (unit), laid in the longest clear stretch through the piece: two thirds of it, at
 * most 320 mm. From bottom to top as the parent's.
 */
export function placeGrain(outline: Path, direction: Point): { a: Point; b: Point } {
  const box = boxOf(outline);
  const centre = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const reach = Math.hypot(box.maxX - box.minX, box.maxY - box.minY);
  const side = { x: -direction.y, y: direction.x };
  let best = { a: centre, b: centre, length: -1 };
  for (let i = -4; i <= 4; i++) {
    const through = addScaled(centre, side, (i / 10) * reach);
    const probe = [line(addScaled(through, direction, -reach), addScaled(through, direction, reach))];
    const hits = crossings(probe, outline);
    for (let k = 0; k + 1 < hits.length; k += 2) {
      const a = hits[k]?.point as Point;
      const b = hits[k + 1]?.point as Point;
      // A stretch near the middle is preferred to a slightly longer one at the rim.
      const length = distance(a, b) * (1 - Math.abs(i) * 0.03);
      if (length > best.length) best = { a, b, length };
    }
  }
  const share = Math.min(1 / 3, 160 / Math.max(1, distance(best.a, best.b)));
  const m = lerp(best.a, best.b, 0.5);
  return { a: lerp(m, best.a, 2 * share), b: lerp(m, best.b, 2 * share) };
}

export const grainDirection = (p: Piece): Point => {
  const d = unit(sub(p.grain.b, p.grain.a));
  return d.x === 0 && d.y === 0 ? { x: 0, y: -1 } : d;
};
