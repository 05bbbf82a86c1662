import { SAME_POINT, WELD } from '../tolerance.ts';
import { type Path } from './path.ts';
import { type Segment, segmentLength } from './segment.ts';
import { distance, type Point } from './vector.ts';

/** A chain that should be joined and is not: a fault of the drafting, caught where each part is computed. */
export class OpenOutline extends Error {
  constructor(
    readonly gap: number,
    readonly at: Point,
  ) {
    super(`an outline is open by ${gap} mm at ${at.x}, ${at.y}`);
  }
}

const startingAt = (s: Segment, a: Point): Segment => ({ ...s, a });

/** The segments longer than `least`, or the longest where none is; and how much of it all is left out, mm. */
function longer(path: Path, least: number): { kept: Path; left: number } {
  const kept = path.filter((s) => segmentLength(s) > least);
  if (!kept.length) return { kept: path.slice(0, 1), left: 0 };
  const all = path.reduce((t, s) => t + (segmentLength(s) > least ? 0 : segmentLength(s)), 0);
  return { kept, left: all };
}

/**
 * Paths that follow each other round a ring, their ends made the very same points: steps up to WELD (mm) are rounding
 * and are closed by moving the start of the later segment; a larger one throws OpenOutline. Segments up to `least` mm long
 * go: those without length, or the hairs that an offset leaves where two runs meet.
 */
export function weldRing(paths: Path[], least = SAME_POINT): Path[] {
  const trimmed = paths.map((p) => longer(p, least));
  const out = trimmed.map((t) => [...t.kept]);
  const slack = WELD + trimmed.reduce((t, x) => t + x.left, 0);
  const chain = out.flatMap((p, i) => p.map((_, j) => [i, j] as const));
  const at = ([i, j]: readonly [number, number]): Segment => (out[i] as Path)[j] as Segment;
  let before = chain[chain.length - 1];
  for (const here of chain) {
    if (!before) break;
    const from = at(before).b;
    const s = at(here);
    const gap = distance(from, s.a);
    // Not a number is no small step either.
    if (!(gap <= slack)) throw new OpenOutline(gap, from);
    if (s.a !== from) (out[here[0]] as Path)[here[1]] = startingAt(s, from);
    before = here;
  }
  return out;
}

/** One path welded: closed on itself, or from its first point to its last. */
export function weld(path: Path, closed: boolean, least = SAME_POINT): Path {
  if (closed) return weldRing([path], least)[0] as Path;
  return longer(path, least).kept.map((s, i, all) => {
    const from = all[i - 1]?.b ?? s.a;
    const gap = distance(from, s.a);
    if (!(gap <= WELD)) throw new OpenOutline(gap, from);
    return s.a === from ? s : startingAt(s, from);
  });
}

/** The largest step from one segment to the next, mm; of a closed path the last step too. */
export function largestGap(path: Path, closed: boolean): number {
  let worst = 0;
  path.forEach((s, i) => {
    const next = path[i + 1] ?? (closed ? path[0] : undefined);
    if (next) worst = Math.max(worst, distance(s.b, next.a));
  });
  return worst;
}
