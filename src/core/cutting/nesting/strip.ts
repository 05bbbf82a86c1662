import { type Cloth, usable } from './cloth.ts';
import { type Laid } from './construct.ts';
import { ROW } from './flat.ts';
import { Nearby } from './nearby.ts';
import { type Overlaps } from './overlap.ts';
import { type LayPart, type Way } from './parts.ts';
import { hasPlace } from './steps.ts';

/** From and to which a way may lie, mm. */
export interface Room {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}

/** Pieces that overlap by less, mm, do not: no-fit polygons let them touch by as much. */
export const CLEAR = 1e-6;

/**
 * What lies on a strip of cloth, lying over each other or not, and how much. Numbers in rows, and parts in the order of where they begin
 * along the strip: what is asked a million times a lay.
 */
export class Strip {
  /** Parts that are moved, and with the flaws behind them all that lies there. */
  readonly n: number;
  readonly all: number;
  private readonly laid: Laid[];
  private readonly way: Int32Array;
  /** Where each part lies: from and to across, from and to along. */
  private readonly boxes: Float64Array;
  private readonly weights: Float64Array;
  /** Parts by where they begin along the strip. */
  private readonly order: Int32Array;
  private readonly longest: number;
  /** Parts that were last looked for around a place. */
  private readonly near: Int32Array;
  private nears = 0;
  /** Of these those that it may lie over, and how much that weighs at least. */
  private readonly under: Int32Array;
  private readonly known: Float64Array;
  /** What was looked at closely: which part, and from where in the row its edges stand. */
  private readonly nearby = new Nearby();
  private readonly close: number[] = [];
  private readonly from: number[] = [];
  private closes = 0;

  constructor(
    private readonly cloth: Cloth,
    private readonly overlaps: Overlaps,
    moved: readonly Laid[],
    fixed: readonly Laid[],
  ) {
    this.laid = [...moved, ...fixed];
    this.n = moved.length;
    this.all = this.laid.length;
    this.way = new Int32Array(this.all);
    this.boxes = new Float64Array(4 * this.all);
    this.weights = new Float64Array(this.all ** 2).fill(1);
    this.order = new Int32Array(this.all).map((_, i) => i);
    this.near = new Int32Array(this.all);
    this.under = new Int32Array(this.all);
    this.known = new Float64Array(this.all);
    this.longest = Math.max(...this.laid.flatMap((l) => l.part.ways.map((w) => w.long)));
    for (const [i, l] of this.laid.entries()) this.put(i, l);
  }

  part(i: number): Laid {
    return this.laid[i] as Laid;
  }

  /** Where all that is moved lies. */
  get now(): Laid[] {
    return this.laid.slice(0, this.n);
  }

  put(i: number, l: Laid): void {
    this.laid[i] = l;
    this.way[i] = this.overlaps.numberOf(l.way);
    const b = 4 * i;
    this.boxes[b] = l.at.x;
    this.boxes[b + 1] = l.at.x + l.way.wide;
    this.boxes[b + 2] = l.at.y;
    this.boxes[b + 3] = l.at.y + l.way.long;
    this.sort(i);
  }

  private begins(at: number): number {
    return this.boxes[4 * (this.order[at] as number) + 2] as number;
  }

  /** Sets a part that was moved in its place in the order. */
  private sort(i: number): void {
    const { order } = this;
    const y = this.boxes[4 * i + 2] as number;
    let k = order.indexOf(i);
    for (; k > 0 && this.begins(k - 1) > y; k--) order[k] = order[k - 1] as number;
    for (; k < this.all - 1 && this.begins(k + 1) < y; k++) order[k] = order[k + 1] as number;
    order[k] = i;
  }

  /** The first in the order that begins behind `y`. */
  private firstBehind(y: number): number {
    let [a, b] = [0, this.all];
    while (a < b) {
      const m = (a + b) >> 1;
      if (this.begins(m) > y) b = m;
      else a = m + 1;
    }
    return a;
  }

  /** Looks for what a way could meet that lies at most `reach` mm from (x, y), across or along. */
  around(i: number, way: Way, x: number, y: number, reach: number): void {
    const { boxes, order } = this;
    const g = this.cloth.gap + reach;
    const [x0, x1, y0, y1] = [x - g, x + way.wide + g, y - g, y + way.long + g];
    this.nears = 0;
    for (let k = this.firstBehind(y0 - this.longest); k < this.all; k++) {
      const j = order[k] as number;
      const b = 4 * j;
      if ((boxes[b + 2] as number) >= y1) break;
      if (j === i || (boxes[b + 3] as number) <= y0) continue;
      if ((boxes[b] as number) >= x1 || (boxes[b + 1] as number) <= x0) continue;
      this.near[this.nears++] = j;
    }
  }

  /** How far a way, by its number, would have to be moved from a place so that it no longer lies over part `j`, mm. */
  private overlap(way: number, x: number, y: number, j: number): number {
    const b = 4 * j;
    const [jx, jy] = [this.boxes[b] as number, this.boxes[b + 2] as number];
    return this.overlaps.depth(this.way[j] as number, way, x - jx, y - jy);
  }

  /** Looks closely at what a way could meet at places that lie at most `reach` mm from (x, y), across or along. */
  lookAround(i: number, way: Way, x: number, y: number, reach: number): void {
    this.around(i, way, x, y, reach);
    const number = this.overlaps.numberOf(way);
    const far = Math.SQRT2 * reach + CLEAR;
    this.nearby.clear();
    this.closes = 0;
    for (let k = 0; k < this.nears; k++) {
      const j = this.near[k] as number;
      const [jx, jy] = [this.boxes[4 * j] as number, this.boxes[4 * j + 2] as number];
      for (const ring of this.overlaps.of(this.way[j] as number, number)) {
        const from = this.nearby.size;
        this.nearby.add(ring, x, y, jx, jy, far);
        if (this.nearby.size > from) this.closer(j, from);
      }
    }
    this.from[this.closes] = this.nearby.size;
  }

  private closer(j: number, from: number): void {
    this.close[this.closes] = j;
    this.from[this.closes++] = from;
  }

  /** The weighed overlap of a part at a place with what was looked at closely; given up once it is worse than `most`. */
  costNear(i: number, x: number, y: number, most: number): number {
    const row = i * this.all;
    let sum = 0;
    for (let k = 0; k < this.closes && sum < most; k++) {
      const d = this.nearby.depth(x, y, this.from[k] as number, this.from[k + 1] as number);
      if (d > 0) sum += d * (this.weights[row + (this.close[k] as number)] as number);
    }
    return sum;
  }

  /** The weighed overlap of a part at a place; given up once it is worse than `most`. */
  cost(i: number, way: Way, x: number, y: number, most: number): number {
    this.around(i, way, x, y, 0);
    const number = this.overlaps.numberOf(way);
    const row = i * this.all;
    let sum = 0;
    // Most places that are tried are worse by far: that is seen without looking closely.
    let under = 0;
    for (let k = 0; k < this.nears && sum < most; k++) {
      const j = this.near[k] as number;
      const [jx, jy] = [this.boxes[4 * j] as number, this.boxes[4 * j + 2] as number];
      const at = this.overlaps.least(this.way[j] as number, number, x - jx, y - jy);
      if (at < 0) continue;
      const known = at * (this.weights[row + j] as number);
      this.under[under] = j;
      this.known[under++] = known;
      sum += known;
    }
    for (let k = 0; k < under && sum < most; k++) {
      const j = this.under[k] as number;
      sum += (this.weights[row + j] as number) * this.overlap(number, x, y, j) - (this.known[k] as number);
    }
    return sum;
  }

  /** Which pairs lie over each other, and how far, mm. */
  overlapping(): [number, number, number][] {
    const out: [number, number, number][] = [];
    for (let i = 0; i < this.n; i++) {
      const { way, at } = this.part(i);
      this.around(i, way, at.x, at.y, 0);
      for (let k = 0; k < this.nears; k++) {
        const j = this.near[k] as number;
        if (j < i) continue;
        const d = this.overlap(this.way[i] as number, at.x, at.y, j);
        if (d > CLEAR) out.push([i, j, d]);
      }
    }
    return out;
  }

  /** Every pair weighs `less`, at least 1; `more`: by how much each of these weighs more. */
  weigh(less: number, more: readonly [number, number, number][]): void {
    const { weights } = this;
    for (let k = 0; k < weights.length; k++) weights[k] = Math.max(1, (weights[k] as number) * less);
    for (const [i, j, by] of more) {
      const w = ((weights[i * this.all + j] as number) * by) / less;
      weights[i * this.all + j] = w;
      weights[j * this.all + i] = w;
    }
  }

  forget(): void {
    this.weights.fill(1);
  }

  /** Where a way may lie on a strip of a length; null where it does not fit. */
  room(part: LayPart, way: Way, length: number): Room | null {
    const [from, to] = part.within ?? usable(this.cloth);
    const [x1, y1] = [part.atFold ? from : to - way.wide, length - this.cloth.end - way.long];
    const fits = hasPlace(from, x1, way.onX) && hasPlace(this.cloth.end, y1, way.onY);
    return fits ? { x0: from, x1, y0: this.cloth.end, y1 } : null;
  }

  /** A corner of where a way touches part `j`, `c` between 0 and 1 says which. */
  touching(j: number, way: Way, c: number): readonly [number, number] | null {
    const rings = this.overlaps.of(this.way[j] as number, this.overlaps.numberOf(way));
    const k = c * rings.length;
    const row = rings[Math.floor(k)]?.row;
    if (!row) return null;
    const at = ROW * Math.floor(((k % 1) * row.length) / ROW);
    const [x, y] = [this.boxes[4 * j] as number, this.boxes[4 * j + 2] as number];
    return [x + (row[at] as number), y + (row[at + 1] as number)];
  }
}
