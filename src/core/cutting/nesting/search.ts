import { type Point } from '../../geometry/index.ts';
import { type Cloth, usable } from './cloth.ts';
import { type Laid, type Laying, laidInOrder, layOf } from './construct.ts';
import { NoFits } from './nofit.ts';
import { type LayPart, type Way } from './parts.ts';

/** By how much the strip is made shorter at a time, of its length; halved where it does not come out, down to the least (mm). */
const [SHORTER, LEAST] = [0.04, 2];
/** So many moves are tried, for each part, before a length is given up. */
const MOVES = 60;
/** Pieces that overlap by less, mm, do not: no-fit polygons let them touch by as much. */
const CLEAR = 1e-6;

/** The same draws for the same seed (a linear congruential generator, Numerical Recipes, from memory). */
function drawing(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

const distanceTo = (p: Point, a: Point, b: Point): number => {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const n = dx * dx + dy * dy;
  const t = n === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / n));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
};

/** How deep a point lies within a ring, mm; 0 outside. */
function depth(p: Point, ring: Point[]): number {
  let inside = false;
  let near = Number.POSITIVE_INFINITY;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [a, b] = [ring[j] as Point, ring[i] as Point];
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
    near = Math.min(near, distanceTo(p, a, b));
  }
  return inside ? near : 0;
}

/**
 * A search for a shorter lay: the strip is made a little shorter, pieces may overlap, and one after another is moved to where it
 * overlaps least; what overlaps time and again weighs more (guided local search). Each step gives the best lay so far.
 */
class Search {
  private readonly weight: Float64Array;
  private readonly draw: () => number;
  constructor(
    private readonly cloth: Cloth,
    private readonly noFits: NoFits,
    private laid: Laid[],
    seed: number,
  ) {
    this.draw = drawing(seed);
    this.weight = new Float64Array(laid.length ** 2).fill(1);
  }

  private overlap(way: Way, at: Point, j: number): number {
    const o = this.laid[j] as Laid;
    // Boxes that do not touch need no closer look.
    const g = this.cloth.gap;
    if (at.x >= o.at.x + o.way.wide + g || o.at.x >= at.x + way.wide + g) return 0;
    if (at.y >= o.at.y + o.way.long + g || o.at.y >= at.y + way.long + g) return 0;
    const p = { x: at.x - o.at.x, y: at.y - o.at.y };
    return this.noFits.of(o.way, way).reduce((most, r) => Math.max(most, depth(p, r)), 0);
  }

  /** The weighed overlap of a part at a place; given up once it is worse than `most`. */
  private cost(i: number, way: Way, at: Point, most: number): number {
    let sum = 0;
    for (let j = 0; j < this.laid.length && sum < most; j++)
      if (j !== i) sum += (this.weight[i * this.laid.length + j] as number) * this.overlap(way, at, j);
    return sum;
  }

  private room(part: LayPart, way: Way, length: number): readonly [number, number, number, number] | null {
    const [from, to] = usable(this.cloth);
    const [x, y] = [part.atFold ? from : to - way.wide, length - this.cloth.end - way.long];
    return x < from || y < this.cloth.end ? null : [from, x, this.cloth.end, y];
  }

  /** Moves a part to where it overlaps least: corners of its room, and of what the others leave. */
  private move(i: number, length: number): void {
    const own = this.laid[i] as Laid;
    let best = { way: own.way, at: own.at };
    let least = this.cost(i, own.way, own.at, Number.POSITIVE_INFINITY);
    for (const way of own.part.ways) {
      const room = this.room(own.part, way, length);
      if (!room) continue;
      const [x0, x1, y0, y1] = room;
      const tried = [x0, x1].flatMap((x) => [y0, y1].map((y): Point => ({ x, y })));
      for (const o of this.laid)
        if (o !== own)
          for (const r of this.noFits.of(o.way, way))
            for (const p of r) tried.push({ x: p.x + o.at.x, y: p.y + o.at.y });
      for (const at of tried) {
        // At the fold only the height is free.
        const x = x0 === x1 ? x0 : at.x;
        if (x < x0 || x > x1 || at.y < y0 || at.y > y1 || least <= CLEAR) continue;
        const cost = this.cost(i, way, { x, y: at.y }, least);
        if (cost < least) [least, best] = [cost, { way, at: { x, y: at.y } }];
      }
    }
    this.laid[i] = { ...own, ...best };
  }

  /** Which overlap, and each pair that does weighs more from now on. */
  private overlapping(): number[] {
    const n = this.laid.length;
    const deep: [number, number, number][] = [];
    for (let i = 0; i < n; i++)
      for (let j = 0; j < i; j++) {
        const { way, at } = this.laid[i] as Laid;
        const d = this.overlap(way, at, j);
        if (d > CLEAR) deep.push([i, j, d]);
      }
    const most = Math.max(...deep.map(([, , d]) => d));
    for (const [i, j, d] of deep)
      for (const k of [i * n + j, j * n + i]) this.weight[k] = (this.weight[k] as number) + d / most;
    return [...new Set(deep.flatMap(([i, j]) => [i, j] as const))];
  }

  /** Lays all within a length; false where it does not come out in so many moves. */
  *within(length: number): Generator<undefined, boolean> {
    this.weight.fill(1);
    for (const [i, l] of this.laid.entries()) {
      const ways = [l.way, ...l.part.ways].filter((w) => this.room(l.part, w, length));
      const [way] = ways;
      const room = way && this.room(l.part, way, length);
      if (!way || !room) return false;
      this.laid[i] = { ...l, way, at: { x: Math.min(l.at.x, room[1]), y: Math.min(l.at.y, room[3]) } };
    }
    for (let left = MOVES * this.laid.length; left > 0; ) {
      const found = this.overlapping();
      if (!found.length) return true;
      // In an order of chance, so that no two chase each other for ever.
      for (const i of found.map((k) => [this.draw(), k] as const).sort((a, b) => a[0] - b[0])) {
        this.move(i[1], length);
        left -= 1;
        yield undefined;
      }
    }
    return false;
  }

  get now(): Laid[] {
    return [...this.laid];
  }
  restore(laid: Laid[]): void {
    this.laid = [...laid];
  }
}

/** Parts with the largest first. */
const bySize = (parts: LayPart[]): number[] => {
  const size = (k: number): number => Math.max(...(parts[k] as LayPart).ways.map((w) => w.wide * w.long), 0);
  return parts.map((_, k) => k).sort((a, b) => size(b) - size(a));
};

/**
 * Lays the parts on the cloth, then makes it shorter and shorter. Each step gives the best so far; it may be stopped after any, and ends
 * by itself where no shorter one is found. The same seed gives the same steps.
 */
export function* laid(parts: LayPart[], cloth: Cloth, seed: number): Generator<Laying> {
  const noFits = new NoFits(cloth.gap);
  let best = laidInOrder(parts, bySize(parts), cloth, noFits);
  yield best;
  const search = new Search(cloth, noFits, best.laid, seed);
  for (let step = best.length * SHORTER; step > LEAST && best.laid.length > 1; ) {
    const steps = search.within(best.length - step);
    let done = steps.next();
    for (; !done.done; done = steps.next()) yield best;
    if (done.value) best = layOf(cloth, search.now, best.left);
    else {
      search.restore(best.laid);
      step /= 2;
    }
    yield best;
  }
}
