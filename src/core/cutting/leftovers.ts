import {
  boxOfPoints,
  boxRing,
  difference,
  inflate,
  insideRing,
  intersection,
  type Point,
  type Rings,
  ringArea,
  ringsArea,
  simplified,
} from '../geometry/index.ts';
import { fromBehind } from './lengths.ts';
import { type Cloth, doubleTo, type Flaw, foldLies } from './nesting/cloth.ts';
import { type Lying } from './nesting/lying.ts';
import { type Leftover } from './stash.ts';

/** What is narrower is no cloth to keep, mm; nor is what is smaller, mm²: 100 by 200 mm. Own figures. */
const [NARROW, SMALL] = [50, 20_000];
/** An outline is kept by chords that lie so far within it at most, mm. */
const STRAY = 1;
/** What fills its box but for this share is an oblong. */
const OBLONG = 0.005;

/**
 * What is left of a length of cloth when the pieces are cut from it, the largest first, seen with its right side up; scraps too narrow or
 * small to keep are not told.
 */
export function leftovers(cloth: Cloth, lying: readonly Lying[], length: number): Leftover[] {
  const whole: Rings = [
    cloth.outline.length ? [...cloth.outline] : boxRing({ minX: 0, maxX: cloth.width, minY: 0, maxY: length }),
  ];
  const cut = lying.flatMap(({ ring }) => openedOut(cloth, ring, length));
  const rest = difference(whole, cut);
  // What is narrow is taken off: drawn together it is gone, and does not come back.
  const wide = inflate(inflate(rest, -NARROW / 2 - STRAY), NARROW / 2);
  const kept = intersection(wide, rest);
  const [outer, holes] = [kept.filter((r) => ringArea(r) > 0), kept.filter((r) => ringArea(r) < 0)];
  return outer
    .map((r) =>
      leftoverOf(
        r,
        holes.filter((h) => insideRing(r, h[0] as Point)),
      ),
    )
    .filter((l) => l.area >= SMALL)
    .map((l) => (cloth.otherSideUp ? fromBehind(l) : l))
    .sort((a, b) => b.area - a.area);
}

/** A cut as it comes out of all layers of a length of cloth, seen on it opened out. */
function openedOut(cloth: Cloth, ring: readonly Point[], length: number): Rings {
  const to = doubleTo(cloth);
  const left = foldLies(cloth) ? to : 0;
  const upper = ring.map((p) => ({ x: left + p.x, y: p.y }));
  const lower = ring.map((p) => (foldLies(cloth) ? { x: left - p.x, y: p.y } : { x: p.x, y: length - p.y })).reverse();
  return ring.some((p) => p.x < to) ? [upper, lower] : [upper];
}

function leftoverOf(ring: Point[], holes: Rings): Leftover {
  const { minX: x0, maxX: x1, minY: y0, maxY: y1 } = boxOfPoints(ring);
  const few = simplified(ring, STRAY).map((p) => ({ x: p.x - x0, y: p.y - y0 }));
  const flaws = holes
    .map(boxOfPoints)
    .map((h): Flaw => ({ x0: h.minX - x0, x1: h.maxX - x0, y0: h.minY - y0, y1: h.maxY - y0 }));
  const [width, length] = [x1 - x0, y1 - y0];
  const filled = ringsArea([few]);
  const outline = filled < width * length * (1 - OBLONG) ? few : [];
  return { width, length, outline, flaws, area: filled - holes.reduce((t, h) => t + ringsArea([h]), 0) };
}
