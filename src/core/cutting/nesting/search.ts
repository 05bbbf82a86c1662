import { ringsArea } from '../../geometry/index.ts';
import { type Cloth, type Placed, usable } from './cloth.ts';
import { asPart, clusters } from './cluster.ts';
import { flawed, type Laid, type Laying, laidInOrder, layOf } from './construct.ts';
import { NoFits } from './nofit.ts';
import { Overlaps } from './overlap.ts';
import { type LayPart, type Way } from './parts.ts';
import { settled } from './steps.ts';
import { CLEAR, type Room, Strip } from './strip.ts';

/** By which share the strip is made shorter at a time: less after it did not come out, more after it did. Own figures. */
const SHORTER = { first: 0.04, most: 0.06, least: 0.002 };
/** So many rounds without less overlap are gone before a length is given up, and so many lengths before the search ends. */
const [ROUNDS, STRIKES] = [80, 200];
/** So often a length is tried anew, from where it came nearest to come out, two parts having changed places. Own figure. */
const TRIES = 3;
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

/** The same draws for the same seed (a linear congruential generator, Numerical Recipes, from memory). */
function drawing(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

/**
 * So often parts are put together anew at most, no more where the first so many brought nothing, so many edges are looked at for it, and how
 * much is left to chance. Own figures.
 */
const CLOSE = { most: 24, vain: 3, work: 4e6, doubt: 0.004 };

interface Place {
  way: Way;
  x: number;
  y: number;
  cost: number;
}

/**
 * A search for a shorter lay: the strip is made a little shorter, pieces may overlap, and one after another is moved to where it
 * overlaps least; what overlaps time and again weighs more (guided local search, as published for strip packing).
 */
class Search {
  private readonly strip: Strip;
  private nearest: readonly Laid[] = [];
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
    let least = Number.POSITIVE_INFINITY;
    for (let left = ROUNDS; left > 0; left--) {
      const { parts, sum } = this.overlapping();
      if (!parts.length) return true;
      if (sum < least) {
        if (sum < least * 0.98) left = ROUNDS;
        least = sum;
        this.nearest = this.strip.now;
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
    const { strip } = this;
    const [i, j] = [this.large(), this.large()];
    const [a, b] = [strip.part(i), strip.part(j)];
    strip.put(i, { ...a, at: b.at });
    strip.put(j, { ...b, at: i === j ? b.at : a.at });
  }

  /** Begins the next length where this one came nearest to come out. */
  again(): void {
    this.restore(this.nearest);
    this.swap();
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
  restore(laid: readonly Laid[]): void {
    for (const [i, l] of laid.entries()) this.strip.put(i, l);
  }
}

/** Parts with the largest first. */
const bySize = (parts: LayPart[]): number[] => {
  const size = (k: number): number => Math.max(...(parts[k] as LayPart).ways.map((w) => w.wide * w.long), 0);
  return parts.map((_, k) => k).sort((a, b) => size(b) - size(a));
};

/** Parts that lie well against each other laid as one, and then the others; null where none do. */
function laidClose(parts: LayPart[], cloth: Cloth, noFits: NoFits, doubt: () => number): Laying | null {
  const all = clusters(parts, cloth, doubt).map(asPart);
  if (all.length === parts.length) return null;
  const whole = all.map((c) => c.part);
  const { laid: as, left } = laidInOrder(whole, bySize(whole), cloth, noFits, []);
  const within = (part: LayPart): Map<Way, Laid[]> | undefined => all.find((c) => c.part === part)?.within;
  const laid = as.flatMap(({ part, way, at }) =>
    (within(part)?.get(way) ?? []).map((l) => ({ ...l, at: { x: l.at.x + at.x, y: l.at.y + at.y } })),
  );
  return layOf(
    cloth,
    laid,
    left.flatMap((part) => [...(within(part)?.values() ?? [])][0]?.map((l) => l.part) ?? []),
  );
}

/** Whether it cannot be shorter by a thousandth: nothing is left between its pieces. */
function isFull({ laid, cloth, length }: Laying): boolean {
  const [from, to] = usable(cloth);
  const net = laid.reduce((t, l) => t + ringsArea([l.way.outline]), 0);
  return net >= 0.999 * (to - from) * (length - 2 * cloth.end);
}

/**
 * Lays the parts on the cloth, then makes it shorter and shorter. Each step gives the best so far; it may be stopped after any, and ends
 * by itself where no shorter one is found. The same seed gives the same steps. `pinned`: of what stays where it lies. `noFits`: what is
 * known already of how parts lie beside each other, for the gap of this cloth.
 */
export function* laid(
  all: LayPart[],
  cloth: Cloth,
  seed: number,
  pinned: readonly Placed[] = [],
  noFits = new NoFits(cloth.gap),
): Generator<Laying> {
  const { parts, held } = apart(all, pinned);
  const fixed = [...flawed(cloth), ...held];
  const whole = (l: Laying): Laying => (held.length ? layOf(cloth, [...held, ...l.laid], l.left) : l);
  let best = laidInOrder(parts, bySize(parts), cloth, noFits, fixed);
  yield whole(best);
  if (best.laid.length + held.length < 2 || !best.laid.length) return;
  const draw = drawing(seed);
  let [gained, vain] = [false, 0];
  for (const close of fixed.length ? [] : closely(parts, cloth, noFits, draw)) {
    const gains = close.left.length === best.left.length && close.length < best.length;
    if (gains) best = close;
    yield best;
    if (isFull(best)) return;
    gained ||= gains;
    if (!gained && ++vain === CLOSE.vain) break;
  }
  // Above what is pinned nothing can be gained.
  const least = Math.max(0, ...held.map((l) => l.at.y + l.way.long)) + cloth.end;
  for (const l of shortened(best, new Search(cloth, noFits, best.laid, fixed, draw), least)) yield whole(l);
}

/** The best that is found in so many steps, the same every time, without a clock, which makes no two runs alike; fewer once `goesOn` says no. */
export function afterSteps(
  search: Generator<Laying>,
  steps: number,
  goesOn: () => boolean = () => true,
): Laying | null {
  let best: Laying | null = null;
  let left = steps;
  for (const lay of search) {
    best = lay;
    left -= 1;
    if (left < 0 || !goesOn()) break;
  }
  return best;
}

/**
 * Tries to lay parts within a length, and off the flaws of a cloth, from how they lie: a step at a time, and what it comes to in the end;
 * null where it does not come out.
 */
export function* within(
  from: readonly Laid[],
  cloth: Cloth,
  length: number,
  noFits: NoFits,
  seed: number,
): Generator<undefined, Laid[] | null> {
  const search = new Search(cloth, noFits, from, flawed(cloth), drawing(seed));
  for (let strikes = 0; strikes < STRIKES; strikes++) {
    if (yield* search.within(length)) return [...search.now];
    search.again();
  }
  return null;
}

/** Makes a lay shorter, no shorter than `least`, until so many lengths did not come out. */
function* shortened(first: Laying, search: Search, least: number): Generator<Laying> {
  let best = first;
  let share = SHORTER.first;
  for (let strikes = 0; strikes < STRIKES; ) {
    const shorter = Math.max(least, best.length * (1 - share));
    if (shorter >= best.length) return;
    const steps = search.within(shorter);
    let done = steps.next();
    for (; !done.done; done = steps.next()) yield best;
    if (done.value) {
      best = layOf(best.cloth, search.now, best.left);
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

/** What is pinned, where it lies, and what is not. */
function apart(all: readonly LayPart[], pinned: readonly Placed[]): { parts: LayPart[]; held: Laid[] } {
  const held = pinned.flatMap((q): Laid[] => {
    const part = all.find((p) => p.piece === q.piece && p.copy === q.copy);
    const way = part?.ways.find((w) => w.turn === q.turn && w.mirrored === q.mirrored);
    return part && way ? [{ part, way, at: { x: q.x, y: q.y } }] : [];
  });
  return { parts: all.filter((p) => !held.some((h) => h.part === p)), held };
}

/** Parts laid against each other in one way and another, as often as is worth it; not where their print says where they lie. */
function* closely(parts: LayPart[], cloth: Cloth, noFits: NoFits, draw: () => number): Generator<Laying> {
  if (parts.some((p) => p.ways.some((w) => w.onX || w.onY))) return;
  // All ways of all pairs, edge by edge: of many parts, or parts of many corners, it would take longer than the search.
  const edges = parts.reduce((t, p) => t + (p.ways[0]?.outline.length ?? 0), 0);
  const ways = Math.max(...parts.map((p) => p.ways.length));
  const tries = Math.min(CLOSE.most, Math.floor(CLOSE.work / (edges ** 2 * ways)));
  for (let k = 0; k < tries; k++) {
    const close = laidClose(parts, cloth, noFits, () => (k ? CLOSE.doubt * draw() : 0));
    if (!close) return;
    yield close;
  }
}
