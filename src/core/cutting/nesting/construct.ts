import { difference, type Rings } from '../../geometry/clip.ts';
import { type Point } from '../../geometry/index.ts';
import { type Cloth, type Lay, usable } from './cloth.ts';
import { type NoFits, TOUCH } from './nofit.ts';
import { type LayPart, type Way } from './parts.ts';
import { hasPlace, type Steps, stepFrom } from './steps.ts';

/** A part in one of its ways, and where. */
export interface Laid {
  part: LayPart;
  way: Way;
  at: Point;
}

/** A lay as it is being made: its parts where they lie, and those that are wider than the cloth. */
export interface Laying extends Lay {
  laid: Laid[];
  left: LayPart[];
}

/** The flaws of a cloth as what already lies on it and is never moved. */
export const flawed = (cloth: Cloth): Laid[] =>
  cloth.flaws.map(({ x0, x1, y0, y1 }, copy) => {
    const [wide, long] = [x1 - x0, y1 - y0];
    const outline = [
      { x: 0, y: 0 },
      { x: wide, y: 0 },
      { x: wide, y: long },
      { x: 0, y: long },
    ];
    const way: Way = { turn: 0, mirrored: false, outline, wide, long };
    return { part: { piece: '', copy, atFold: false, ways: [way] }, way, at: { x: x0, y: y0 } };
  });

export function layOf(cloth: Cloth, laid: Laid[], left: LayPart[]): Laying {
  const placed = laid.map(({ part, way, at }) => ({
    piece: part.piece,
    copy: part.copy,
    turn: way.turn,
    mirrored: way.mirrored,
    ...at,
  }));
  const top = Math.max(cloth.end, ...laid.map(({ way, at }) => at.y + way.long));
  return { cloth, placed, length: top + cloth.end, laid, left };
}

const shifted = (rings: Rings, by: Point): Rings => rings.map((r) => r.map((p) => ({ x: p.x + by.x, y: p.y + by.y })));

/** Places that differ by less in height are level, mm. */
const LEVEL = 0.5;
/** More than outlines are grown by for their curves, mm. */
const ABOVE = 5;

/** The lowest free place of a way, of these the leftmost; null where the cloth is too narrow. */
function lowest(
  part: LayPart,
  way: Way,
  laid: readonly Laid[],
  top: number,
  cloth: Cloth,
  noFits: NoFits,
): Point | null {
  const [from, to] = usable(cloth);
  const last = part.atFold ? from : to - way.wide;
  if (way.wide > to - from + TOUCH || !hasPlace(from, Math.max(from, last), way.onX)) return null;
  // A little larger than it is, so that what just fits is not lost.
  const [x0, x1] = [from - TOUCH, Math.max(from, last) + TOUCH];
  // Above all that lies there is room for sure.
  const [y0, y1] = [cloth.end - TOUCH, top + cloth.gap + ABOVE + (way.onY?.step ?? 0)];
  const room = [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
  const taken = laid.flatMap((l) => shifted(noFits.of(l.way, way), l.at));
  const best = lowestOf(difference([room], taken), way, [y0, y1]);
  if (!best) return null;
  // Where it just touches: what pieces may overlap by would add up from one to the next.
  const inside = (v: number, least: number, most: number, on: Steps | undefined): number =>
    on ? v : Math.min(most, Math.max(least, v + TOUCH));
  return {
    x: inside(best.x, from, Math.max(from, last), way.onX),
    y: inside(best.y, cloth.end, Number.POSITIVE_INFINITY, way.onY),
  };
}

/** The lowest, leftmost place of what is free that the steps of a way allow. */
function lowestOf(free: Rings, { onX, onY }: Way, [y0, y1]: readonly [number, number]): Point | null {
  if (onY) {
    for (let y = stepFrom(y0 + TOUCH, onY); y <= y1; y += onY.step)
      for (const [a, b] of spans(free, y)) {
        const x = onX ? stepFrom(a + TOUCH, onX) : a;
        if (x <= b) return { x, y };
      }
    return null;
  }
  const across = (p: Point): Point => ({ x: p.y, y: p.x });
  const xs = free.flatMap((r) => r.map((p) => p.x));
  const places: Point[] = [];
  if (onX)
    for (let x = stepFrom(Math.min(...xs) + TOUCH, onX); x <= Math.max(...xs); x += onX.step)
      places.push(
        ...spans(
          free.map((r) => r.map(across)),
          x,
        )
          .slice(0, 1)
          .map(([a]) => ({ x, y: a })),
      );
  else places.push(...free.flat());
  let best: Point | null = null;
  for (const p of places) if (!best || p.y < best.y - LEVEL || (p.y < best.y + LEVEL && p.x < best.x)) best = p;
  return best;
}

/** From where to where a level line lies within rings, from the left. */
function spans(rings: Rings, y: number): [number, number][] {
  const cuts = rings
    .flatMap((r) =>
      r.flatMap((p, i) => {
        const q = r[(i + 1) % r.length] as Point;
        return p.y > y === q.y > y ? [] : [p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x)];
      }),
    )
    .sort((a, b) => a - b);
  return Array.from({ length: cuts.length >> 1 }, (_, k) => [cuts[2 * k] as number, cuts[2 * k + 1] as number]);
}

/**
 * Lays parts one after another, each as low as it goes, in whichever of its ways ends lowest. `order`: which of them, in turn. Those
 * that are wider than the cloth are left over. `fixed`: what lies there already, its flaws among it.
 */
export function laidInOrder(
  parts: LayPart[],
  order: readonly number[],
  cloth: Cloth,
  noFits: NoFits,
  fixed: readonly Laid[],
): Laying {
  const laid: Laid[] = [];
  const left: LayPart[] = [];
  // Above all that lies there is room for sure.
  let top = Math.max(cloth.end, ...fixed.map((f) => f.at.y + f.way.long));
  for (const k of order) {
    const part = parts[k] as LayPart;
    let best: Laid | null = null;
    for (const way of part.ways) {
      const at = lowest(part, way, [...fixed, ...laid], top, cloth, noFits);
      if (!at) continue;
      const [ends, was] = [at.y + way.long, best ? best.at.y + best.way.long : Number.POSITIVE_INFINITY];
      if (!best || ends < was - LEVEL || (ends < was + LEVEL && at.x < best.at.x)) best = { part, way, at };
    }
    if (!best) left.push(part);
    else {
      laid.push(best);
      top = Math.max(top, best.at.y + best.way.long);
    }
  }
  return layOf(cloth, laid, left);
}
