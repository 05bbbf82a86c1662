import { type Decisions } from '../../document/project.ts';
import { offsetBetween, pathLength, reversePath } from '../../geometry/index.ts';
import { type Edge, isRaglan, type Piece, reverseRing, rolesMissing } from '../../pattern/index.ts';
import { ok, type Result, refuse } from '../../result.ts';
import { tooWide } from '../shape/largestfit.ts';
import { cutRun, type Oriented, orient, run, runLength, runPath, type Split } from '../shape/oriented.ts';
import { between, landing } from '../shape/trimtoedge.ts';
import { raiseUnderarm } from './raise.ts';

const lacking = (sleeve: Piece): Result<never> => refuse(rolesMissing(sleeve, ['neckline', 'cap', 'underarm']));

/**
 * Neck facing and lining of a raglan sleeve: the facing line ends `width` mm down both raglan seams, as those of front and
 * back do, so that the facings go together. Seam line, mm.
 */
export function splitRaglan(sleeve: Piece, width: number, seam: number): Result<Split> {
  const o = orient(sleeve, 'neckline', 'cap');
  if (!o || !isRaglan(sleeve)) return lacking(sleeve);
  const made = part(o, width, seam);
  return made ? ok(made) : refuse(tooWide(sleeve, 'shoulder-too-short', width, (w) => part(o, w, seam) !== null));
}

function part(o: Oriented, width: number, seam: number): Split | null {
  const { ring, sign } = o;
  const neck = runPath(ring, 'neckline');
  const [after, before] = seamsBeside(ring);
  if (!after || !before) return null;
  const landed = (from: number, to: number) => {
    const line = offsetBetween(neck, -sign * from, -sign * to);
    const [low, high] = [landing(line, before.path, 'start'), landing(line, after.path, 'end')];
    return low && high ? { line, low, high, down: [pathLength(before.path) - low.onEdge, high.onEdge] as const } : null;
  };
  // Both ends are moved by proportion until they land as far down the seams as is wished.
  let [a, b] = [width, width];
  let found = landed(a, b);
  for (let i = 0; found && i < 20; i++) {
    const [x, y] = found.down;
    if (Math.abs(x - width) < 0.002 && Math.abs(y - width) < 0.002) break;
    [a, b] = [(a * width) / Math.max(1, x), (b * width) / Math.max(1, y)];
    found = landed(a, b);
  }
  if (!found || Math.abs(found.down[0] - width) > 0.05 || Math.abs(found.down[1] - width) > 0.05) return null;
  const path = between(found.line, found.low.onPath, found.high.onPath);
  const edge: Edge = { ...after, id: 'facing-line', role: 'facing-line', path, allowance: seam, corner: 'mitred' };
  const head = cutRun([after], 0, found.high.onEdge);
  const tail = cutRun([before], found.low.onEdge, pathLength(before.path));
  const rest = ring.filter((e) => e.role !== 'neckline' && e !== after && e !== before);
  const lower = [
    ...cutRun([after], found.high.onEdge, pathLength(after.path)),
    ...rest,
    ...cutRun([before], 0, found.low.onEdge),
  ];
  return {
    oriented: o,
    facing: [...run(ring, 'neckline'), ...head, { ...edge, path: reversePath(path) }, ...tail],
    lining: [edge, ...lower],
    ends: { first: width, shoulder: width },
    cornerRadius: 0,
  };
}

/** The raglan seam that begins at the end of the neckline, and the one that ends at its start. */
function seamsBeside(ring: Edge[]): [Edge | undefined, Edge | undefined] {
  const neck = run(ring, 'neckline').length;
  const [after, before] = [ring[neck], ring[ring.length - 1]];
  return [after?.role === 'cap' ? after : undefined, before?.role === 'cap' ? before : undefined];
}

/** How far from the chosen let-out the sleeve's may come to lie, mm. */
const REACH = 20;

/**
 * The lining of a raglan sleeve raised at the underarm as the body's is, and let out there by just so much that its raglan
 * seams are as long as those of the body's lining, `target` mm. Gives the ring and the let-out; null when none near the
 * chosen one does.
 */
export function raiseRaglan(
  ring: Edge[],
  sign: 1 | -1,
  target: number,
  l: Decisions['lining'],
): { ring: Edge[]; out: number } | null {
  const other = sign === 1 ? -1 : 1;
  const at = (out: number): Edge[] => {
    const one = raiseUnderarm(ring, 'cap', 'underarm', sign, l.raise, out);
    return reverseRing(raiseUnderarm(reverseRing(one), 'cap', 'underarm', other, l.raise, out));
  };
  const over = (out: number): number => runLength(at(out), 'cap') - target;
  let [low, high] = [l.out - REACH, l.out + REACH];
  if (over(low) > 0 || over(high) < 0) return null;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (over(middle) < 0) low = middle;
    else high = middle;
  }
  return { ring: at(high), out: high };
}
