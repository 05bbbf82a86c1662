import { SAME_POINT } from '../tolerance.ts';
import { crossings } from './intersect.ts';
import { endOf, extend, type Path, pathLength, startOf, stretch } from './path.ts';
import { line, type Segment, segmentLength } from './segment.ts';
import { distance } from './vector.ts';

export interface Meeting {
  a: Path;
  /** What had to be put between the two when they neither cross nor can be extended to each other. */
  between: Path;
  b: Path;
  /** False when `between` is a makeshift: the two never meet within the reach. */
  met: boolean;
}

/**
 * Makes the end of `a` and the start of `b` meet: each is trimmed at their crossing or carried on straight along its
 * end tangent, up to `reach` mm. Of several crossings the one nearest the two ends along the paths is taken; only where
 * none lies within `reach` of both ends are the whole paths looked at.
 */
export function meet(a: Path, b: Path, reach: number): Meeting {
  const gap = distance(endOf(a), startOf(b));
  if (gap <= SAME_POINT) return { a, between: [], b, met: true };
  const keptA = a.length - countWithin([...a].reverse(), reach);
  const keptB = countWithin(b, reach);
  if (keptA > 0 || keptB < b.length) {
    const near = meetWhole(a.slice(keptA), b.slice(0, keptB), reach);
    if (near.met) return { ...near, a: [...a.slice(0, keptA), ...near.a], b: [...near.b, ...b.slice(keptB)] };
  }
  return meetWhole(a, b, reach);
}

/** How many segments from the front make up `reach` mm, at least one. */
function countWithin(path: Path, reach: number): number {
  let length = 0;
  let n = 0;
  while (n < path.length && (n === 0 || length < reach)) length += segmentLength(path[n++] as Segment);
  return n;
}

function meetWhole(a: Path, b: Path, reach: number): Meeting {
  const lengthA = pathLength(a);
  const longA = extend(a, 0, reach);
  const longB = extend(b, reach, 0);
  const cost = (x: { atA: number; atB: number }) => Math.abs(x.atA - lengthA) + Math.abs(x.atB - reach);
  const best = crossings(longA, longB).sort((x, y) => cost(x) - cost(y))[0];
  if (!best) return { a, between: [line(endOf(a), startOf(b))], b, met: false };
  const newA = stretch(longA, 0, best.atA);
  const newB = stretch(longB, best.atB, pathLength(longB));
  snapEnd(newA, best.point);
  snapStart(newB, best.point);
  return { a: newA, between: [], b: newB, met: true };
}

type P = { x: number; y: number };

function snapEnd(path: Path, p: P): void {
  const s = path[path.length - 1];
  if (s) path[path.length - 1] = { ...s, b: p };
}

function snapStart(path: Path, p: P): void {
  const s = path[0];
  if (s) path[0] = { ...s, a: p };
}
