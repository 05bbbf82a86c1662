import { boxOf, type Path } from '../geometry/index.ts';
import { type Finding } from '../result.ts';

/** Largest side of the largest piece of any garment, mm. Own figures: a child's bodice, a bridal train. */
const LEAST = 150;
const MOST = 3000;
/** What a length is multiplied by when one unit was taken for another: mm, cm, inches, px at 96 to the inch. */
const MISTAKEN = [10, 25.4, 25.4 / 96, 0.1, 1 / 25.4, 96 / 25.4];

/**
 * A largest piece under 15 cm or over 3 m is a unit mistake more often than a garment: the finding that says so, with the
 * factor that would make it one. Null for a size that a garment may have.
 */
export function oddSize(pieces: { ring: { path: Path }[] }[]): Finding | null {
  const sides = pieces.map((p) => {
    const b = boxOf(p.ring.flatMap((e) => e.path));
    return Math.max(b.maxX - b.minX, b.maxY - b.minY);
  });
  const largest = Math.max(...sides);
  if (!pieces.length || (largest >= LEAST && largest <= MOST)) return null;
  const factor = MISTAKEN.find((k) => largest * k >= 300 && largest * k <= 1800);
  return { code: 'size-odd', severity: 'warn', data: { largest, ...(factor && { factor }) } };
}
