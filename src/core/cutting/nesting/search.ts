import { type Cloth, usable } from './cloth.ts';
import { flawed, type Laid, type Laying, laidInOrder, layOf } from './construct.ts';
import { NoFits } from './nofit.ts';
import { Overlaps } from './overlap.ts';
import { type LayPart, type Way } from './parts.ts';

/** By which share the strip is made shorter at a time: less after it did not come out, more after it did. Own figures. */
const SHORTER = { first: 0.04, most: 0.06, least: 0.002 };
/** So many rounds without less overlap are gone before a length is given up, and so many lengths before the search ends. */
const [ROUNDS, STRIKES] = [80, 200];
/** So often a length is tried anew, from where it came nearest to come out, two parts having changed places. Own figure. */
const TRIES = 3;
/** Places that are tried for a part: anywhere, near where it lies, touching another. The best of them is made better. */
const TRIED = { anywhere: 8, near: 12, touching: 8 };
/** Steps of making a place better: from, as a share of the part, down to, mm, coarsely and then finely. */
const [STEP, COARSE, FINE] = [0.15, 3, 0.006];
/** Pieces that overlap by less, mm, do not: no-fit polygons let them touch by as much. */
const CLEAR = 1e-6;
/** By how much a pair that overlaps weighs more, at least and at most, and one that does not less, each round. */
const [MORE, MOST, LESS] = [1.2, 2, 0.95];

/** The same draws for the same seed (a linear congruential generator, Numerical Recipes, from memory). */
function drawing(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

interface Place {
  way: Way;
  x: number;
  y: number;
  cost: number;
}

/** From and to which a way may lie, mm. */
interface Room {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}

const clamp = (v: number, from: number, to: number): number => Math.min(to, Math.max(from, v));

/**
 * A search for a shorter lay: the strip is made a little shorter, pieces may overlap, and one after another is moved to where it
 * overlaps least; what overlaps time and again weighs more (guided local search, as published for strip packing).
 */
class Search {
  private readonly weight: Float64Array;
  /** Parts that are moved, and with the flaws behind them all that lies there. */
  private readonly n: number;
  private readonly all: number;
  private readonly laid: Laid[];
  private nearest: readonly Laid[] = [];
  /** Where each part lies: from and to across, from and to along. */
  private readonly boxes: Float64Array;
  constructor(
    private readonly cloth: Cloth,
    private readonly overlaps: Overlaps,
    laid: readonly Laid[],
    private readonly draw: () => number,
  ) {
    this.laid = [...laid, ...flawed(cloth)];
    this.n = laid.length;
    this.all = this.laid.length;
    this.weight = new Float64Array(this.all ** 2).fill(1);
    this.boxes = new Float64Array(this.all * 4);
    for (const [i, l] of this.laid.entries()) this.put(i, l);
  }

  private put(i: number, l: Laid): void {
    this.laid[i] = l;
    this.boxes.set([l.at.x, l.at.x + l.way.wide, l.at.y, l.at.y + l.way.long], 4 * i);
  }

  private overlap(way: Way, x: number, y: number, j: number): number {
    // Boxes that do not touch need no closer look.
    const g = this.cloth.gap;
    const { boxes } = this;
    if (x >= (boxes[4 * j + 1] as number) + g || (boxes[4 * j] as number) >= x + way.wide + g) return 0;
    if (y >= (boxes[4 * j + 3] as number) + g || (boxes[4 * j + 2] as number) >= y + way.long + g) return 0;
    const o = this.laid[j] as Laid;
    return this.overlaps.depth(o.way, way, x - o.at.x, y - o.at.y);
  }

  /** The weighed overlap of a part at a place; given up once it is worse than `most`. */
  private cost(i: number, way: Way, x: number, y: number, most: number): number {
    let sum = 0;
    for (let j = 0; j < this.all && sum < most; j++)
      if (j !== i) sum += (this.weight[i * this.all + j] as number) * this.overlap(way, x, y, j);
    return sum;
  }

  private room(part: LayPart, way: Way, length: number): Room | null {
    const [from, to] = usable(this.cloth);
    const [x1, y1] = [part.atFold ? from : to - way.wide, length - this.cloth.end - way.long];
    return x1 < from || y1 < this.cloth.end ? null : { x0: from, x1, y0: this.cloth.end, y1 };
  }

  /** Places worth a try for a way of a part. */
  private *places(i: number, way: Way, room: Room, share: number): Generator<readonly [number, number]> {
    const { at } = this.laid[i] as Laid;
    const { x0, x1, y0, y1 } = room;
    yield [x0, y0];
    yield [x1, y0];
    yield [x0, y1];
    yield [x1, y1];
    for (let k = TRIED.anywhere * share; k > 0; k--) yield [x0 + this.draw() * (x1 - x0), y0 + this.draw() * (y1 - y0)];
    for (let k = TRIED.near * share; k > 0; k--)
      yield [at.x + (this.draw() - 0.5) * way.wide * 0.5, at.y + (this.draw() - 0.5) * way.long * 0.5];
    for (let k = TRIED.touching * share; k > 0; k--) {
      const o = this.laid[Math.floor(this.draw() * this.all)] as Laid;
      const rings = this.overlaps.corners(o.way, way);
      const ring = rings[Math.floor(this.draw() * rings.length)]?.at;
      if (!ring) continue;
      const c = 2 * Math.floor((this.draw() * ring.length) / 2);
      yield [o.at.x + (ring[c] as number), o.at.y + (ring[c + 1] as number)];
    }
  }

  /** Moves a part to where it overlaps least, of the places that are tried. */
  private move(i: number, length: number): void {
    const own = this.laid[i] as Laid;
    let found: Place = {
      way: own.way,
      ...own.at,
      cost: this.cost(i, own.way, own.at.x, own.at.y, Number.POSITIVE_INFINITY),
    };
    const share = 2 / Math.max(2, own.part.ways.length);
    for (const way of own.part.ways) {
      const room = this.room(own.part, way, length);
      if (!room) continue;
      for (const [px, py] of this.places(i, way, room, share)) {
        const [x, y] = [clamp(px, room.x0, room.x1), clamp(py, room.y0, room.y1)];
        const cost = this.cost(i, way, x, y, found.cost);
        if (cost < found.cost) found = { way, x, y, cost };
      }
    }
    const near = this.better(i, found, length, STEP * Math.max(found.way.wide, found.way.long), COARSE);
    const { way, x, y } = this.better(i, near, length, COARSE, FINE);
    this.put(i, { ...own, way, at: { x, y } });
  }

  /** The place made better step by step, across, along or both; steps grow as long as they do and shrink where they do not. */
  private better(i: number, from: Place, length: number, step: number, fine: number): Place {
    const part = (this.laid[i] as Laid).part;
    const room = this.room(part, from.way, length);
    let best = from;
    if (!room) return best;
    let [sx, sy] = [step, step];
    while ((sx > fine || sy > fine) && best.cost > CLEAR) {
      const kind = Math.floor(this.draw() * 3);
      const [dx, dy] = [kind === 1 ? 0 : sx, kind === 0 ? 0 : sy];
      let won = false;
      for (const [ox, oy] of [
        [dx, dy],
        [-dx, -dy],
        ...(kind === 2
          ? ([
              [dx, -dy],
              [-dx, dy],
            ] as const)
          : []),
      ] as const) {
        const [x, y] = [clamp(best.x + ox, room.x0, room.x1), clamp(best.y + oy, room.y0, room.y1)];
        if (x === best.x && y === best.y) continue;
        const cost = this.cost(i, from.way, x, y, best.cost);
        if (cost < best.cost) {
          best = { way: from.way, x, y, cost };
          won = true;
          break;
        }
      }
      const by = won ? 1.1 : 0.5;
      if (kind !== 1) sx *= by;
      if (kind !== 0) sy *= by;
    }
    return best;
  }

  /** Which overlap, and how much all together; each pair that does weighs more from now on, each other one less. */
  private overlapping(): { parts: number[]; sum: number } {
    const deep: [number, number, number][] = [];
    let [sum, most] = [0, 0];
    for (let i = 0; i < this.all; i++)
      for (let j = 0; j < Math.min(i, this.n); j++) {
        const { way, at } = this.laid[j] as Laid;
        const d = this.overlap(way, at.x, at.y, i);
        deep.push([i, j, d]);
        sum += d > CLEAR ? d : 0;
        most = Math.max(most, d);
      }
    const parts = new Set<number>();
    for (const [i, j, d] of deep) {
      const by = d > CLEAR ? MORE + (MOST - MORE) * (d / most) : LESS;
      const w = Math.max(1, (this.weight[i * this.all + j] as number) * by);
      this.weight[i * this.all + j] = w;
      this.weight[j * this.all + i] = w;
      if (d <= CLEAR) continue;
      parts.add(j);
      if (i < this.n) parts.add(i);
    }
    return { parts: [...parts], sum };
  }

  /** Lays all within a length; false where it does not come out in so many rounds. */
  *within(length: number): Generator<undefined, boolean> {
    this.weight.fill(1);
    for (const [i, l] of this.now.entries()) {
      const ways = [l.way, ...l.part.ways].filter((w) => this.room(l.part, w, length));
      const [way] = ways;
      const room = way && this.room(l.part, way, length);
      if (!way || !room) return false;
      this.put(i, { ...l, way, at: { x: clamp(l.at.x, room.x0, room.x1), y: clamp(l.at.y, room.y0, room.y1) } });
    }
    let least = Number.POSITIVE_INFINITY;
    for (let left = ROUNDS; left > 0; left--) {
      const { parts, sum } = this.overlapping();
      if (!parts.length) return true;
      if (sum < least) {
        if (sum < least * 0.98) left = ROUNDS;
        least = sum;
        this.nearest = this.now;
      }
      // In an order of chance, so that no two chase each other for ever.
      for (const [, i] of parts.map((k) => [this.draw(), k] as const).sort((a, b) => a[0] - b[0])) {
        this.move(i, length);
        yield undefined;
      }
    }
    return false;
  }

  /** Two parts change places: out of a lay that gets no shorter as it is. */
  private swap(): void {
    const [i, j] = [this.large(), this.large()];
    const [a, b] = [this.laid[i] as Laid, this.laid[j] as Laid];
    this.put(i, { ...a, at: b.at });
    this.put(j, { ...b, at: i === j ? b.at : a.at });
  }

  /** Begins the next length where this one came nearest to come out. */
  again(): void {
    this.restore(this.nearest);
    this.swap();
  }

  /** One of the larger parts: of two that are drawn. */
  private large(): number {
    const size = (k: number): number => (this.laid[k] as Laid).way.wide * (this.laid[k] as Laid).way.long;
    const [i, j] = [Math.floor(this.draw() * this.n), Math.floor(this.draw() * this.n)];
    return size(i) > size(j) ? i : j;
  }

  get now(): Laid[] {
    return this.laid.slice(0, this.n);
  }
  restore(laid: readonly Laid[]): void {
    for (const [i, l] of laid.entries()) this.put(i, l);
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
  const search = new Search(cloth, new Overlaps(noFits), best.laid, drawing(seed));
  if (best.laid.length < 2) return;
  let share = SHORTER.first;
  for (let strikes = 0; strikes < STRIKES; ) {
    const steps = search.within(best.length * (1 - share));
    let done = steps.next();
    for (; !done.done; done = steps.next()) yield best;
    if (done.value) {
      best = layOf(cloth, search.now, best.left);
      share = Math.min(SHORTER.most, share * 1.3);
      strikes = 0;
    } else {
      strikes += 1;
      if (strikes % TRIES) search.again();
      else {
        search.restore(best.laid);
        share = Math.max(SHORTER.least, share / 2);
      }
    }
    yield best;
  }
}
