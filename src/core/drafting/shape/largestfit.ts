import { type FindingCode } from '../../findingcodes.ts';
import { type Piece } from '../../pattern/index.ts';
import { type Finding, stop } from '../../result.ts';

/**
 * The widest whole number of millimetres below `asked` that fits, 0 when none does; `fits` is taken to hold for every
 * smaller width than one it holds for.
 */
export function largestFit(asked: number, fits: (mm: number) => boolean): number {
  let low = 0;
  let high = Math.ceil(asked);
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** A width that finds no room, with the widest that would, where that is asked for: it takes many tries. */
export const tooWide = (
  piece: Piece,
  code: FindingCode,
  width: number,
  fits: (mm: number) => boolean,
  measured = true,
): Finding =>
  stop(code, { piece: piece.id }, { name: piece.name, width, most: measured ? largestFit(width, fits) : 0 });
