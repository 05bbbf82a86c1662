import { type Piece } from '../../pattern/index.ts';
import { because } from '../../result.ts';
import { derivePiece, stripRing } from '../shape/derivepiece.ts';

/** A strip without a place on its shell piece: drawn straight, cut as often as is said. */
function strip(
  of: Piece,
  id: string,
  name: string,
  length: number,
  width: number,
  count: number,
  reason: ReturnType<typeof because>,
): Piece {
  const made = derivePiece(of, {
    id,
    name,
    material: 'interfacing',
    ring: stripRing(length, width),
    reasons: [reason],
  });
  const middle = { x: length / 2, y: width / 2 };
  const { parent: _, ...rest } = made;
  return {
    ...rest,
    cut: { count, pair: false, onFold: false },
    grain: { a: { x: length * 0.2, y: middle.y }, b: { x: length * 0.8, y: middle.y } },
  };
}

/** How far a zip's strip runs on above and below it, mm. Common practice. */
export const RUNS_ON = 15;

/** Strips on the wrong side along both edges of a zip: without them knit and soft cloth ripple there. Common practice. */
export const zipStrips = (of: Piece, zip: number, width: number): Piece =>
  strip(
    of,
    'zip-interfacing',
    'Zip strip',
    zip + 2 * RUNS_ON,
    width,
    2,
    because('zip-strip', 'practice', width, { zip, on: RUNS_ON }),
  );

/** How far a front zip's strip runs on into a hood or past the neck seam, and into a rib or past the hem fold, mm. Common practice. */
export interface RunsOn {
  above: number;
  below: number;
}

/** Strips along both edges of a zip that closes the front, one piece each from the hood down into the rib. */
export const frontZipStrips = (of: Piece, edge: number, width: number, on: RunsOn): Piece =>
  strip(
    of,
    'zip-interfacing',
    'Zip strip',
    edge + on.above + on.below,
    width,
    2,
    because('front-zip-strip', 'practice', width, { edge, above: on.above, below: on.below }),
  );

/** A patch behind every buttonhole: so much larger than the hole, mm. Common practice. */
const ROUND_HOLE = 12;

export const holePatches = (of: Piece, overall: number, count: number): Piece =>
  strip(
    of,
    'buttonhole-interfacing',
    'Buttonhole patch',
    overall + 2 * ROUND_HOLE,
    2 * ROUND_HOLE,
    count,
    because('hole-patch', 'practice', overall + 2 * ROUND_HOLE, { overall, round: ROUND_HOLE }),
  );
