import {
  endOf,
  isStraight,
  mapPath,
  type Path,
  reflection,
  reversePath,
  startOf,
  sub,
  unit,
} from '../../geometry/index.ts';
import { clockwise, type Edge, type Piece, welded } from '../../pattern/index.ts';
import { because, ok, type Result, refuse, stop } from '../../result.ts';
import { runPath, type Split } from '../shape/oriented.ts';

export interface CutOn {
  /** The shell piece with its facing grown on: it is cut in place of the drawn one. */
  whole: Piece;
  /** The part beyond the fold, its edges those of `whole`. */
  facing: Piece;
}

/**
 * The front facing grown on beyond the front edge: the edge becomes a fold, and neckline, shoulder and facing line are
 * mirrored about it (common practice). Only a straight edge can be folded; a curved one is refused.
 */
export function cutOnFacing(front: Piece, split: Split, seam: number): Result<CutOn> {
  const { ring } = split.oriented;
  const fold = runPath(ring, 'front-edge');
  if (!isStraight(fold)) return refuse(stop('fold-not-straight', { piece: front.id }, { name: front.name }));
  const m = reflection(startOf(fold), unit(sub(endOf(fold), startOf(fold))));
  const beyond = split.facing
    .filter((e) => e.role !== 'front-edge')
    .map(
      ({ from: _, ...e }): Edge => ({
        ...e,
        id: `on-${e.id}`,
        grownOn: true,
        path: reversePath(mapPath(e.path, m)),
        allowance: e.role === 'facing-line' ? seam : e.allowance,
        corner: 'mitred',
      }),
    )
    .reverse();
  const rest = ring.filter((e) => e.role !== 'front-edge');
  const plain = rest.map(({ from: _, ...e }): Edge => e);
  const lines = [...front.lines, { kind: 'fold' as const, path: fold }];
  const reasons = [because('cut-on', 'practice', 0)];
  return ok({
    whole: {
      ...front,
      name: `${front.name}, facing cut on`,
      ring: welded(clockwise([...beyond, ...plain])),
      lines,
      reasons,
    },
    facing: {
      ...front,
      name: 'Front facing',
      ring: welded(clockwise([...beyond, creaseOf(fold)])),
      notches: [],
      lines: [],
    },
  });
}

const creaseOf = (fold: Path): Edge => ({
  id: 'crease',
  role: 'inner',
  path: reversePath(fold),
  allowance: 0,
  corner: 'mitred',
  onFold: true,
});

/** An interfacing drafted along a crease: it ends there untrimmed, and is cut as often as its piece. */
export const fromCrease = (made: Piece, front: Piece): Piece => ({
  ...made,
  cut: front.cut,
  ring: made.ring.map((e) => ({ ...e, onFold: false })),
});
