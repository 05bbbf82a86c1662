import { type Cloth } from './cloth.ts';
import { type Laid } from './construct.ts';
import { type NoFits } from './nofit.ts';
import { Overlaps } from './overlap.ts';
import { type Way } from './parts.ts';
import { settled } from './steps.ts';
import { CLEAR, type Room, Strip } from './strip.ts';

/** So many rounds without less overlap are gone before a length is given up. */
const ROUNDS = 80;
/** So many lays that came near to a length are kept, and how far down the list one is drawn: a share of it, the spread of a bell curve. Own figures. */
const [KEPT, SPREAD] = [40, 0.25];
/** Places that are tried for a part: anywhere, near where it lies, touching another. The best of them is made better. */
const CORNERS = 4;
const TRIED = { anywhere: 8, near: 12, touching: 8 };
const PLACES = CORNERS + TRIED.anywhere + TRIED.near + TRIED.touching;
/** Steps of making a place better: from, as a share of the part, down to, mm, coarsely and then finely. */
const [STEP, COARSE, FINE] = [0.15, 3, 0.006];
/** A step that wins grows by as much, one that does not shrinks. */
const [GROW, SHRINK] = [1.1, 0.5];
/** By how much a pair that overlaps weighs more, at least and at most, and one that does not less, each round. */
const [MORE, MOST, LESS] = [1.2, 2, 0.95];

interface Place {
  way: Way;
  x: number;
  y: number;
  cost: number;
}

/** A draw from the bell curve (Box and Muller's, from memory). */
const normal = (draw: () => number): number => Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw());

/**
 * A search for a shorter lay: the strip is made a little shorter, pieces may overlap, and one after another is moved to where it
 * overlaps least; what overlaps time and again weighs more (guided local search, as published for strip packing).
 */
export class Search {
  private readonly strip: Strip;
  /** Where lengths that did not come out came nearest to it, and how much overlapped there. */
  private nearest: { laid: readonly Laid[]; sum: number }[] = [];
  constructor(
    cloth: Cloth,
    noFits: NoFits,
    laid: readonly Laid[],
    fixed: readonly Laid[],
    private readonly draw: () => number,
  ) {
    this.strip = new Strip(cloth, new Overlaps(noFits), laid, fixed);
  }

  /** A place that is worth a try for a way of a part: the `k`th. */
  private place(i: number, way: Way, room: Room, k: number): readonly [number, number] | null {
    const { x0, x1, y0, y1 } = room;
    if (k < CORNERS) return [k & 1 ? x1 : x0, k & 2 ? y1 : y0];
    if (k < CORNERS + TRIED.anywhere) return [x0 + this.draw() * (x1 - x0), y0 + this.draw() * (y1 - y0)];
    const { at } = this.strip.part(i);
    if (k < CORNERS + TRIED.anywhere + TRIED.near)
      return [at.x + (this.draw() - 0.5) * way.wide * 0.5, at.y + (this.draw() - 0.5) * way.long * 0.5];
    const j = Math.floor(this.draw() * this.strip.all);
    return j === i ? null : this.strip.touching(j, way, this.draw());
  }

  /** Moves a part to where it overlaps least, of the places that are tried. */
  private move(i: number, length: number): void {
    const { strip } = this;
    const own = strip.part(i);
    const { x, y } = own.at;
    let found: Place = { way: own.way, x, y, cost: strip.cost(i, own.way, x, y, Number.POSITIVE_INFINITY) };
    // More ways, fewer places for each of them.
    const step = Math.max(2, own.part.ways.length) / 2;
    for (const way of own.part.ways) {
      const room = strip.room(own.part, way, length);
      if (!room) continue;
      for (let k = 0; k < PLACES; k += k < CORNERS ? 1 : step) {
        const at = this.place(i, way, room, k);
        if (!at) continue;
        const [px, py] = [settled(at[0], room.x0, room.x1, way.onX), settled(at[1], room.y0, room.y1, way.onY)];
        const cost = strip.cost(i, way, px, py, found.cost);
        if (cost < found.cost) found = { way, x: px, y: py, cost };
      }
    }
    const near = this.better(i, found, length, STEP * Math.max(found.way.wide, found.way.long), COARSE);
    const best = this.better(i, near, length, COARSE, FINE);
    strip.put(i, { ...own, way: best.way, at: { x: best.x, y: best.y } });
  }

  /** The place made better step by step, across, along or both; steps grow as long as they do and shrink where they do not. */
  private better(i: number, from: Place, length: number, step: number, fine: number): Place {
    const { strip } = this;
    const room = strip.room(strip.part(i).part, from.way, length);
    if (!room) return from;
    let { x, y, cost } = from;
    const { way } = from;
    let [sx, sy] = [step, step];
    let reach = 2 * step;
    let [cx, cy] = [x, y];
    strip.lookAround(i, way, cx, cy, reach);
    while ((sx > fine || sy > fine) && cost > CLEAR) {
      const kind = Math.floor(this.draw() * 3);
      const [dx, dy] = [kind === 1 ? 0 : sx, kind === 0 ? 0 : sy];
      // Where it has gone far, or its steps have become small, what is near is another.
      if (Math.max(Math.abs(x - cx) + dx, Math.abs(y - cy) + dy) > reach || 8 * Math.max(sx, sy) < reach) {
        reach = 2 * Math.max(sx, sy);
        [cx, cy] = [x, y];
        strip.lookAround(i, way, cx, cy, reach);
      }
      let won = false;
      for (let d = 0; d < (kind === 2 ? 4 : 2) && !won; d++) {
        const px = settled(x + (d & 1 ? -dx : dx), room.x0, room.x1, way.onX);
        const py = settled(y + (d === 0 || d === 3 ? dy : -dy), room.y0, room.y1, way.onY);
        if (px === x && py === y) continue;
        const less = strip.costNear(i, px, py, cost);
        if (less >= cost) continue;
        [x, y, cost, won] = [px, py, less, true];
      }
      const by = won ? GROW : SHRINK;
      if (kind !== 1) sx *= by;
      if (kind !== 0) sy *= by;
    }
    return { way, x, y, cost };
  }

  /** Which overlap, and how much all together; each pair that does weighs more from now on, each other one less. */
  private overlapping(): { parts: number[]; sum: number } {
    const pairs = this.strip.overlapping();
    const most = Math.max(0, ...pairs.map((p) => p[2]));
    this.strip.weigh(
      LESS,
      pairs.map(([i, j, d]) => [i, j, MORE + (MOST - MORE) * (d / most)]),
    );
    const parts = new Set(pairs.flatMap((p) => p.slice(0, 2)));
    return { parts: [...parts].filter((i) => i < this.strip.n), sum: pairs.reduce((t, p) => t + p[2], 0) };
  }

  /** All moved into a length; false where one does not fit. */
  private into(length: number): boolean {
    const { strip } = this;
    strip.forget();
    for (const [i, l] of strip.now.entries()) {
      const way = [l.way, ...l.part.ways].find((w) => strip.room(l.part, w, length));
      const room = way && strip.room(l.part, way, length);
      if (!way || !room) return false;
      const x = settled(l.at.x, room.x0, room.x1, way.onX);
      strip.put(i, { ...l, way, at: { x, y: settled(l.at.y, room.y0, room.y1, way.onY) } });
    }
    return true;
  }

  /** Lays all within a length; false where it does not come out in so many rounds. */
  *within(length: number): Generator<undefined, boolean> {
    if (!this.into(length)) return false;
    const nearest = { laid: this.now, sum: Number.POSITIVE_INFINITY };
    for (let left = ROUNDS; left > 0; left--) {
      const { parts, sum } = this.overlapping();
      if (!parts.length) return true;
      if (sum < nearest.sum) {
        if (sum < nearest.sum * 0.98) left = ROUNDS;
        Object.assign(nearest, { laid: this.now, sum });
      }
      // In an order of chance, so that no two chase each other for ever.
      for (const [, i] of parts.map((k) => [this.draw(), k] as const).sort((a, b) => a[0] - b[0])) {
        this.move(i, length);
        yield undefined;
      }
    }
    this.nearest.push(nearest);
    return false;
  }

  /** Begins anew from one of the places where a length came nearest to come out, rather from the nearer ones, two parts having changed places. */
  again(): void {
    this.nearest.sort((a, b) => a.sum - b.sum).splice(KEPT);
    const k = Math.floor(Math.min(0.999, Math.abs(normal(this.draw)) * SPREAD) * this.nearest.length);
    this.restore(this.nearest[k]?.laid ?? this.now);
    this.swap();
  }

  /** Two parts change places: out of a lay that gets no shorter as it is. */
  private swap(): void {
    const { strip } = this;
    const [i, j] = [this.large(), this.large()];
    const [a, b] = [strip.part(i), strip.part(j)];
    strip.put(i, { ...a, at: b.at });
    strip.put(j, { ...b, at: i === j ? b.at : a.at });
  }

  /** One of the larger parts: of two that are drawn. */
  private large(): number {
    const size = (k: number): number => this.strip.part(k).way.wide * this.strip.part(k).way.long;
    const [i, j] = [Math.floor(this.draw() * this.strip.n), Math.floor(this.draw() * this.strip.n)];
    return size(i) > size(j) ? i : j;
  }

  get now(): Laid[] {
    return this.strip.now;
  }

  private restore(laid: readonly Laid[]): void {
    for (const [i, l] of laid.entries()) this.strip.put(i, l);
  }

  /** Takes up how parts lie for another length: what came nearest to the one before says nothing of it. */
  from(laid: readonly Laid[]): void {
    this.nearest = [];
    this.restore(laid);
  }
}
