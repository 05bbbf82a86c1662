import { runPath } from '../drafting/index.ts';
import { boxOf, crossings, extend, pathLength } from '../geometry/index.ts';
import { outlineOf, type Piece } from '../pattern/index.ts';
import { type SmallChoice, type SmallKind } from './choices.ts';
import { closingRuns } from './line.ts';

/** Neckline of a piece up to the closing line where it carries one, on the seam line, mm. */
function neckOf(p: Piece, centre: ReturnType<typeof closingRuns>): number {
  const neck = runPath(p.ring, 'neckline');
  if (!neck.length) return 0;
  const whole = pathLength(neck);
  const line = centre.ok && centre.value[0]?.piece === p ? centre.value[0].path : null;
  const hit = line ? crossings(neck, extend(line, 20, 0))[0] : undefined;
  // The stretch beyond the centre line is the shorter one.
  return hit ? Math.max(hit.atA, whole - hit.atA) : whole;
}

/**
 * What the pieces say of a small closing, mm: a cuff's or waistband's finished size; of a detachable collar or hood the
 * half neckline on its seam line, centre back to centre front, and where the shoulder seam meets it. Empty where they
 * say nothing. Common practice: measured on the seam line, not the cut one.
 */
export function measuredOn(shell: Piece[], kind: SmallKind, extension: number): Partial<SmallChoice> {
  const piece = shell.find((p) => p.kind === kind);
  if (piece && (kind === 'cuff' || kind === 'waistband')) {
    const b = boxOf(outlineOf(piece.ring));
    const [x, y] = [b.maxX - b.minX, b.maxY - b.minY];
    return { length: Math.max(x, y), width: Math.min(x, y) };
  }
  if (kind !== 'collar' && kind !== 'hood') return {};
  const centre = closingRuns(shell, extension);
  const over = (kinds: Piece['kind'][]): number =>
    shell.filter((p) => kinds.includes(p.kind)).reduce((s, p) => s + neckOf(p, centre), 0);
  const [back, sleeve, front] = [over(['back', 'yoke']), over(['sleeve']), over(['front'])];
  return back > 0 && front > 0 ? { length: back + sleeve + front, shoulder: back + sleeve / 2 } : {};
}
