import { type Decisions } from '../../document/project.ts';
import {
  cubic,
  directionAlong,
  distance,
  endOf,
  nearestOn,
  outward,
  type Path,
  pointAlong,
  reversePath,
  scale,
  stretch,
} from '../../geometry/index.ts';
import { clockwise, type Edge, type Piece, rolesMissing } from '../../pattern/index.ts';
import { because, ok, type Result, refuse } from '../../result.ts';
import { derivePiece, stripRing } from '../shape/derivepiece.ts';
import { cutRun, run, runLength, type Split } from '../shape/oriented.ts';
import { trimmed, trimReason } from './interfacing.ts';

/** A shaped front interfacing reaches so far below the underarm, mm (handbook figure from memory). */
const BELOW_UNDERARM = 75;
/** It falls to the facing line over so much, mm. Common practice. */
const FALL = 130;

/**
 * Interfacing of a whole front shaped as a tailor's: shoulder and armhole whole, to 75 below the underarm, from there
 * falling to the facing line and down it to the hem. Handbook rule from memory. Refuses a front without a side seam long
 * enough.
 */
export function shapedFront(front: Piece, split: Split, trim: Decisions['interfacing']['trim']): Result<Piece> {
  const { ring, sign } = split.oriented;
  const side = run(ring, 'side');
  const facingLine = split.lining.find((e) => e.role === 'facing-line');
  if (!facingLine || runLength(ring, 'side') < BELOW_UNDERARM + 30 || !run(ring, 'armhole').length)
    return refuse(rolesMissing(front, ['shoulder', 'armhole', 'side', 'hem']));
  const upperSide = cutRun(side, 0, BELOW_UNDERARM);
  const from = endOf((upperSide[upperSide.length - 1] as Edge).path);
  // The facing line runs from the hem up: it is joined some way below the level of the side.
  const level = nearestOn(facingLine.path, from).at;
  const to = Math.max(5, level - FALL);
  const target = pointAlong(facingLine.path, to);
  const third = distance(from, target) / 3;
  const inward = scale(outward(directionAlong(side[0]?.path ?? facingLine.path, BELOW_UNDERARM)), -sign);
  const up = directionAlong(facingLine.path, to);
  const curve: Path = [
    cubic(
      from,
      { x: from.x + inward.x * third, y: from.y + inward.y * third },
      { x: target.x + up.x * third, y: target.y + up.y * third },
      target,
    ),
  ];
  const inner: Edge = {
    ...facingLine,
    id: 'inner',
    role: 'inner',
    allowance: 0,
    path: [...curve, ...reversePath(stretch(facingLine.path, 0, to))],
  };
  const hem = split.facing.filter((e) => e.role === 'hem');
  const whole = ring.filter((e) => ['front-edge', 'neckline', 'shoulder', 'armhole'].includes(e.role));
  const made = trimmed(front, clockwise([...whole, ...upperSide, inner, ...hem]), trim, new Set(['inner']));
  if (!made.ok) return made;
  return ok(
    derivePiece(front, {
      id: 'front-interfacing',
      name: 'Front interfacing, shaped',
      material: 'interfacing',
      ring: made.value,
      reasons: [because('front-shaped', 'memory', BELOW_UNDERARM), trimReason(trim)],
      stiffens: front.id,
    }),
  );
}

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
