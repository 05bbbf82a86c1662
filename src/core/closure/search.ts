import { possibleFor } from './possible.ts';
import {
  type Block,
  between,
  blocksOf,
  held,
  idealGap,
  NEAR,
  orderCost,
  outside,
  POINTS,
  type Problem,
  roundCost,
  widthOf,
  wishCost,
  zoneCost,
} from './problem.ts';

/** Places of the buttons and what they cost. */
export interface Found {
  at: number[];
  cost: number;
}

/** What is searched at once: so many buttons, the first at `first`. */
interface Run {
  p: Problem;
  n: number;
  blocks: Block[];
  /** Free gaps, one fewer than blocks; what the blocks take up themselves. */
  m: number;
  widths: number;
  first: number;
  /** Least and most place of the last button, and the mean gap when it stands in the middle between them. */
  low: number;
  high: number;
  mean: number;
  /** The gap all would have with the last button where it is wished. */
  ideal: number;
  /** Answers of as many buttons that this one has to differ from, by `apart` at one button at least. */
  others: number[][];
  apart: number;
}

/** Places for the first button of one block, with what it costs there and which other answers it differs from. */
interface Layer {
  at: number[];
  own: number[];
  bits: number[];
}

const UNIT = POINTS.even ** 2;
const NEVER = Number.POSITIVE_INFINITY;

/** Last centres that may be, least and most. */
function lastRange(p: Problem, end: Block): [number, number] {
  if (end.pin !== null) return [end.pin + widthOf(end), end.pin + widthOf(end)];
  return [p.last.at - p.last.give, p.last.at + p.last.give];
}

/** Cost of one block at a place, all but the gaps to its neighbours. */
function blockCost(p: Problem, b: Block, at: number): number {
  const { levels, weights } = p;
  let sum = 0;
  for (let i = 0; i < b.offsets.length; i++) {
    const x = at + (b.offsets[i] as number);
    sum += weights.clear * zoneCost(p, x);
    if (i && levels.length) sum += weights.level * between(levels, at + (b.offsets[i - 1] as number), x);
  }
  return sum;
}

/** Which of the other answers this block differs from, as bits. */
function differs(r: Run, b: Block, at: number): number {
  let bits = 0;
  r.others.forEach((other, k) => {
    if (b.offsets.some((o, i) => Math.abs(at + o - (other[b.from + i] as number)) >= r.apart - NEAR)) bits |= 1 << k;
  });
  return bits;
}

/**
 * Places that an answer cheaper than `limit` can have: held ones, else whole steps from the held or first one before. A
 * place d off equal gaps after k of m free gaps costs at least d²·m/(k(m − k)) in evenness alone: the k gaps before it
 * off by d/k each and the others by d/(m − k) are the cheapest way to get there.
 */
function layersOf(r: Run, limit: number): Layer[] {
  const { p, m, first, blocks } = r;
  let base = first;
  let before = 0;
  return blocks.map((b, k): Layer => {
    const at: number[] = [];
    if (k) {
      const width = widthOf(blocks[k - 1] as Block);
      before += width;
      base += width;
      const band = Math.sqrt((limit * UNIT * k * (m - k)) / m / p.weights.even) + NEAR;
      const even = (last: number): number => first + before + (k * (last - first - r.widths)) / m;
      const [lo, hi] = [Math.max(first, even(r.low) - band), Math.min(r.high, even(r.high) + band)];
      if (b.pin !== null) at.push(b.pin);
      else
        for (let i = Math.ceil((lo - base) / p.step - 1e-9); base + i * p.step <= hi + NEAR; i++)
          at.push(base + i * p.step);
      base = b.pin ?? base;
    } else at.push(first);
    return { at, own: at.map((x) => blockCost(p, b, x)), bits: at.map((x) => differs(r, b, x)) };
  });
}

/**
 * What a way to block k at `x` may have cost to end at `limit` or below: what is left of the line has to be shared by the
 * gaps that are left, at best equally.
 */
function worthTo(r: Run, k: number, limit: number): (x: number) => number {
  const { m, mean, low, high } = r;
  const weight = r.p.weights.even / UNIT;
  const rest = r.blocks.slice(k).reduce((s, b) => s + widthOf(b), 0);
  const slack = m * weight * ((high - low) / 2 / m) ** 2;
  return (x) => {
    const short = Math.max(0, Math.abs((low + high) / 2 - x - rest - (m - k) * mean) - (high - low) / 2);
    return limit + slack - (k < m ? (weight * short * short) / (m - k) : 0);
  };
}

/** Cost of the best way to each place of a layer, by place and bits, and where it came from; none dearer than `limit`. */
function step(
  r: Run,
  k: number,
  from: Layer,
  to: Layer,
  costs: Float64Array,
  limit: number,
): [Float64Array, Int32Array] {
  const { p, mean } = r;
  const F = 1 << r.others.length;
  const width = widthOf(r.blocks[k - 1] as Block);
  const weight = p.weights.even / UNIT;
  const { round } = p.weights;
  const next = new Float64Array(to.at.length * F).fill(NEVER);
  const came = new Int32Array(to.at.length * F).fill(-1);
  const live = from.at.map((_, i) => i).filter((i) => costs.subarray(i * F, i * F + F).some((c) => c < NEVER));
  const worthAt = worthTo(r, k, limit);
  const lowest = (from.at[0] ?? 0) + width;
  const highest = to.at[to.at.length - 1] ?? 0;
  const levels = p.levels.filter((l) => l.at >= lowest && l.at < highest);
  for (let j = 0; j < to.at.length; j++) {
    const x = to.at[j] as number;
    const own = to.own[j] as number;
    const worth = worthAt(x);
    if (own > worth) continue;
    const bits = to.bits[j] as number;
    for (const i of live) {
      const end = (from.at[i] as number) + width;
      const gap = x - end;
      if (gap > p.gap.most + NEAR) continue;
      if (gap < p.gap.least - NEAR) break;
      const off = own + weight * (gap - mean) ** 2 + p.weights.even * orderCost(gap, r.ideal, r.m - k);
      if (off > worth) continue;
      const add = off + round * roundCost(p, gap) + (levels.length ? p.weights.level * between(levels, end, x) : 0);
      for (let f = 0; f < F; f++) {
        const total = (costs[i * F + f] as number) + add;
        const at = j * F + (f | bits);
        if (total < (next[at] as number) && total <= worth) {
          next[at] = total;
          came[at] = i * F + f;
        }
      }
    }
  }
  return [next, came];
}

/**
 * The least cost of one run that is not above `limit`, exact: the first button being known, the cost is a sum over
 * neighbours, so the best way to each place is enough. The squares are taken about the middling mean and set right at
 * the end: Σ(g − μ)² = Σ(g − μ₀)² − m(μ − μ₀)².
 */
function within(r: Run, limit: number): Found | null {
  const layers = layersOf(r, limit);
  const F = 1 << r.others.length;
  const back: Int32Array[] = [];
  const start = layers[0] as Layer;
  let costs: Float64Array = new Float64Array(F).fill(NEVER);
  costs[start.bits[0] as number] = start.own[0] as number;
  for (let k = 1; k <= r.m; k++) {
    const [next, came] = step(r, k, layers[k - 1] as Layer, layers[k] as Layer, costs, limit);
    costs = next;
    back.push(came);
  }
  const end = ending(r, layers[r.m] as Layer, costs);
  if (!end || end.cost > limit + 1e-9) return null;
  const leads: number[] = [];
  for (let k = r.m, at = end.at; k >= 0; k--) {
    leads.unshift((layers[k] as Layer).at[Math.floor(at / F)] as number);
    if (k) at = (back[k - 1] as Int32Array)[at] as number;
  }
  return { at: r.blocks.flatMap((b, k) => b.offsets.map((o) => (leads[k] as number) + o)), cost: end.cost };
}

/** The best end, with what only the whole tells: mean gap, wishes, levels beyond the ends. */
function ending(r: Run, layer: Layer, costs: Float64Array): { at: number; cost: number } | null {
  const { p, m, n } = r;
  const F = 1 << r.others.length;
  const block = r.blocks[m] as Block;
  let best: { at: number; cost: number } | null = null;
  layer.at.forEach((x, i) => {
    const sum = costs[i * F + F - 1] as number;
    const last = x + widthOf(block);
    if (sum === NEVER || (n > 1 && block.pin === null && Math.abs(last - p.last.at) > p.last.give + NEAR)) return;
    const mu = m ? (last - r.first - r.widths) / m : Number.NaN;
    const rest = m ? (p.weights.even * m * (mu - r.mean) ** 2) / UNIT : 0;
    const ends =
      p.weights.wish * wishCost(p, n, r.first, last, mu) + p.weights.level * outside(p.levels, r.first, last);
    const cost = sum - rest + ends;
    if (cost < (best?.cost ?? NEVER)) best = { at: i * F + F - 1, cost };
  });
  return best;
}

/** First centres that may be, nearest to the wished one first. */
function firsts(p: Problem, b: Block, only: boolean): number[] {
  if (b.pin !== null)
    return only && !p.pins.some((q) => q.index === 0) && Math.abs(b.pin - p.first.at) > p.first.give + NEAR
      ? []
      : [b.pin];
  const out = [p.first.at];
  for (let i = 1; i * p.step <= p.first.give + NEAR; i++) out.push(p.first.at + i * p.step, p.first.at - i * p.step);
  return out;
}

/** The runs of one number of buttons, one for each place of the first. */
function runsOf(p: Problem, n: number, others: number[][], apart: number): Run[] {
  if (p.pins.some((q) => q.index >= n)) return [];
  const own = held(p, n);
  const blocks = blocksOf(own, n);
  const m = blocks.length - 1;
  const widths = blocks.reduce((s, b) => s + widthOf(b), 0);
  return firsts(own, blocks[0] as Block, m === 0).map((first): Run => {
    const [low, high] = lastRange(own, blocks[m] as Block);
    const mean = m ? ((low + high) / 2 - first - widths) / m : 0;
    return { p: own, n, blocks, m, widths, first, low, high, mean, ideal: idealGap(own, n, first), others, apart };
  });
}

/** Steps up to this are searched in coarse steps first, mm. */
const FINE = 2;
/** More points than any answer can cost. */
const DEAREST = 1e12;

/**
 * The best places of any allowed number of buttons that differ from the given answers; null when there are none that cost
 * at most `most`. Exact over all places that are whole steps apart. Cheap answers are looked for first: the fewer points
 * are allowed, the fewer places have to be tried.
 */
export function search(p: Problem, answers: number[][] = [], apart = 0, most = DEAREST): Found | null {
  const runs: Run[] = [];
  for (let n = p.count.least; n <= p.count.most; n++)
    if (possibleFor(p, n))
      runs.push(
        ...runsOf(
          p,
          n,
          answers.filter((a) => a.length === n),
          apart,
        ),
      );
  // What whole multiples of the step find is an answer here too: none dearer need be looked at.
  const coarse = p.step <= FINE && runs.length ? search({ ...p, step: p.step * 5 }, answers, apart, most) : null;
  for (let limit = Math.min(coarse ? coarse.cost + 1e-9 : 2, most); runs.length; limit = Math.min(limit * 3, most)) {
    let best: Found | null = null;
    for (const r of runs) {
      // Its first button alone is too far off.
      if (p.weights.wish * ((r.first - p.first.at) / POINTS.off) ** 2 > (best?.cost ?? limit)) continue;
      const found = within(r, best ? best.cost - 1e-9 : limit);
      if (found && (!best || found.cost < best.cost - 1e-9)) best = found;
    }
    if (best || limit >= most) return best;
  }
  return null;
}
