import { difference, type Rings } from '../../geometry/clip.ts';
import { type Point, ringsArea } from '../../geometry/index.ts';
import { type Cloth, type Lay, usable } from './cloth.ts';
import { lost } from './lost.ts';
import { type NoFits, TOUCH } from './nofit.ts';
import { lyingOutline } from './outlines.ts';
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

/** What of a cloth cannot be used, as what already lies on it and is never moved. */
export const flawed = (cloth: Cloth): Laid[] =>
  lost(cloth).map((ring, copy) => {
    const outline = lyingOutline(ring, 0, false);
    const [x, y] = [Math.min(...ring.map((p) => p.x)), Math.min(...ring.map((p) => p.y))];
    const [wide, long] = [Math.max(...outline.map((p) => p.x)), Math.max(...outline.map((p) => p.y))];
    const way: Way = { turn: 0, mirrored: false, outline, wide, long };
    return { part: { piece: '', copy, atFold: false, ways: [way] }, way, at: { x, y } };
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

/** Where so many ways of parts that are no larger than so many times another found no place, none is looked for. Own figures. */
const FULL = { ways: 12, larger: 1.5 };

/**
 * What lies on the cloth already, looked over a field of it at a time: a place is found in about the same time however much lies there,
 * since a field that is full is not looked at again.
 */
class Fields {
  private readonly laid: Laid[] = [];
  private top: number;
  /** What found no place, by the field. */
  private readonly full = new Map<string, { way: Way; area: number }[]>();
  private readonly wide: number;
  private readonly long: number;
  constructor(
    fixed: readonly Laid[],
    parts: readonly LayPart[],
    private readonly cloth: Cloth,
    private readonly noFits: NoFits,
  ) {
    const ways = parts.flatMap((p) => p.ways);
    this.wide = Math.max(1, ...ways.map((w) => w.wide));
    this.long = Math.max(1, ...ways.map((w) => w.long));
    this.top = cloth.end;
    for (const f of fixed) this.put(f);
  }

  put(l: Laid): void {
    this.laid.push(l);
    this.top = Math.max(this.top, l.at.y + l.way.long);
  }

  /** The lowest free place of a way, of these the leftmost; null where the cloth is too narrow. */
  lowest(part: LayPart, way: Way): Point | null {
    const { cloth, long } = this;
    const [from, to] = part.within ?? usable(cloth);
    const last = part.atFold ? from : Math.max(from, to - way.wide);
    if (way.wide > to - from + TOUCH || !hasPlace(from, last, way.onX)) return null;
    // Above all that lies there is room for sure.
    const most = this.top + cloth.gap + ABOVE + (way.onY?.step ?? 0);
    for (let k = 0; cloth.end + k * long < most; k++) {
      // A little larger than it is, so that what just fits is not lost.
      const y0 = cloth.end + k * long - TOUCH;
      const best = this.inRow(k, way, [from - TOUCH, last + TOUCH], [y0, Math.min(most, y0 + long + 2 * TOUCH)]);
      if (!best) continue;
      // Where it just touches: what pieces may overlap by would add up from one to the next.
      const inside = (v: number, least: number, end: number, on: Steps | undefined): number =>
        on ? v : Math.min(end, Math.max(least, v + TOUCH));
      return {
        x: inside(best.x, from, last, way.onX),
        y: inside(best.y, cloth.end, Number.POSITIVE_INFINITY, way.onY),
      };
    }
    return null;
  }

  /** The lowest, leftmost place in the fields of a row that are not full. */
  private inRow(k: number, way: Way, [x0, x1]: Span, y: Span): Point | null {
    const area = ringsArea([way.outline]);
    let best: Point | null = null;
    for (let c = 0; x0 + c * this.wide < x1; c++) {
      const full = this.full.get(`${k}/${c}`) ?? [];
      const same = full.some((f) => f.way === way);
      if (same || full.filter((f) => f.area <= FULL.larger * area).length >= FULL.ways) continue;
      const left = x0 + c * this.wide;
      const at = this.inField(way, [left, Math.min(x1, left + this.wide + 2 * TOUCH)], y);
      if (!at) this.full.set(`${k}/${c}`, [...full, { way, area }]);
      else if (!best || at.y < best.y - LEVEL) best = at;
    }
    return best;
  }

  private inField(way: Way, [x0, x1]: Span, [y0, y1]: Span): Point | null {
    const room = [
      { x: x0, y: y0 },
      { x: x1, y: y0 },
      { x: x1, y: y1 },
      { x: x0, y: y1 },
    ];
    const near = this.cloth.gap + ABOVE;
    const over = (at: number, size: number, own: number, from: number, to: number): boolean =>
      at < to + own + near && at + size > from - near;
    const taken = this.laid
      .filter((l) => over(l.at.y, l.way.long, way.long, y0, y1) && over(l.at.x, l.way.wide, way.wide, x0, x1))
      .flatMap((l) => shifted(this.noFits.of(l.way, way), l.at));
    return lowestOf(difference([room], taken), way, [y0, y1]);
  }
}

type Span = readonly [from: number, to: number];

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
  const fields = new Fields(fixed, parts, cloth, noFits);
  for (const k of order) {
    const part = parts[k] as LayPart;
    let best: Laid | null = null;
    for (const way of part.ways) {
      const at = fields.lowest(part, way);
      if (!at) continue;
      const [ends, was] = [at.y + way.long, best ? best.at.y + best.way.long : Number.POSITIVE_INFINITY];
      if (!best || ends < was - LEVEL || (ends < was + LEVEL && at.x < best.at.x)) best = { part, way, at };
    }
    if (!best) left.push(part);
    else {
      laid.push(best);
      fields.put(best);
    }
  }
  return layOf(cloth, laid, left);
}
