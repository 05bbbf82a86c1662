import { type Decisions } from '../document/project.ts';
import { line } from '../geometry/index.ts';
import { type Piece, runsOf } from '../pattern/index.ts';
import { because } from '../result.ts';
import { derivePiece, stripRing } from './shape/derivepiece.ts';
import { runLength } from './shape/oriented.ts';

/** How often a half of the body stands for the whole: both of a pair, both halves of a fold, one that is drawn whole. */
export const times = (p: Piece): number => (p.cut.onFold || p.cut.count > 1 ? 2 : 1);

/**
 * A rib for one edge, cut double: `share` per cent of the edge it is stretched to (80–90, handbook figure from memory), and
 * twice its finished depth, with a seam at each end and both long edges. mm.
 */
function rib(
  of: Piece,
  id: string,
  name: string,
  edge: number,
  count: number,
  d: Decisions,
  role: 'hem' | 'wrist',
): Piece {
  const { ribDepth, ribShare } = d.lining[role];
  const { seam } = d.allowances;
  const [length, width] = [(edge * ribShare) / 100 + 2 * seam, 2 * ribDepth + 2 * seam];
  const made = derivePiece(of, {
    id,
    name,
    material: 'facing',
    ring: stripRing(length, width),
    reasons: [
      because('rib-length', 'memory', length, { edge, percent: ribShare, seam }),
      because('rib-width', 'practice', width, { depth: ribDepth, seam }),
    ],
    lines: [{ kind: 'fold', path: [line({ x: 0, y: width / 2 }, { x: length, y: width / 2 })] }],
  });
  const { parent: _, ...rest } = made;
  return {
    ...rest,
    cut: { count, pair: false, onFold: false },
    grain: { a: { x: length / 2, y: width * 0.9 }, b: { x: length / 2, y: width * 0.1 } },
  };
}

/** Ribs at hem and wrists, where the layers end in one. */
export function ribs(shell: Piece[], d: Decisions): Piece[] {
  const out: Piece[] = [];
  const hemmed = shell.filter((p) => runsOf(p.ring, 'hem').length);
  const [first] = hemmed;
  if (d.lining.hem.kind === 'rib' && first) {
    const round = hemmed.reduce((t, p) => t + runLength(p.ring, 'hem') * times(p), 0);
    out.push(rib(first, 'hem-rib', 'Hem rib, of knit', round, 1, d, 'hem'));
  }
  const sleeves = shell.filter((p) => runsOf(p.ring, 'wrist').length);
  const [sleeve] = sleeves;
  if (d.lining.wrist.kind === 'rib' && sleeve) {
    const round = sleeves.reduce((t, p) => t + runLength(p.ring, 'wrist'), 0);
    out.push(rib(sleeve, 'wrist-rib', 'Wrist rib, of knit', round, 2, d, 'wrist'));
  }
  return out;
}
