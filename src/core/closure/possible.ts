import { type Block, blocksOf, held, NEAR, type Problem, widthOf, zoneCost } from './problem.ts';

/** First place in a sorted list that is at least `v`, as an index. */
function lower(list: number[], v: number): number {
  let [lo, hi] = [0, list.length];
  while (lo < hi) {
    const m = (lo + hi) >> 1;
    if ((list[m] as number) < v) lo = m + 1;
    else hi = m;
  }
  return lo;
}

/** Whether a block may stand at `x`: clear of zones, and no level between its own buttons too far from both. */
function stands(p: Problem, b: Block, x: number): boolean {
  return b.offsets.every((o, i) => {
    if (zoneCost(p, x + o) === Number.POSITIVE_INFINITY) return false;
    const before = i ? x + (b.offsets[i - 1] as number) : x + o;
    return p.levels.every(
      (l) =>
        l.give === null || l.at < before || l.at >= x + o || Math.min(l.at - before, x + o - l.at) <= l.give + NEAR,
    );
  });
}

/** All places of a block, whatever the first button's: held, or whole steps from the wished first place or a held one. */
function placesOf(p: Problem, blocks: Block[]): number[][] {
  const lowest = p.first.at - p.first.give;
  const highest = Math.max(p.last.at + p.last.give, ...p.pins.map((q) => q.at));
  let base = p.first.at;
  return blocks.map((b, k) => {
    if (k) base += widthOf(blocks[k - 1] as Block);
    base = b.pin ?? base;
    if (b.pin !== null) return stands(p, b, b.pin) ? [b.pin] : [];
    const out: number[] = [];
    const most = k ? highest - widthOf(b) : p.first.at + p.first.give;
    for (let i = Math.ceil((lowest - base - NEAR) / p.step); base + i * p.step <= most + NEAR; i++)
      if (stands(p, b, base + i * p.step)) out.push(base + i * p.step);
    return out;
  });
}

/**
 * Whether `n` buttons can be placed at all. A place can be reached when some place of the block before can that lies a
 * lawful gap above it; what a gap must leave to a level is a bound on that place too, so each is one look at an interval.
 */
export function possibleFor(given: Problem, n: number): boolean {
  if (given.pins.some((q) => q.index >= n)) return false;
  const p = held(given, n);
  const blocks = blocksOf(p, n);
  const must = p.levels.flatMap((l) => (l.give === null ? [] : [{ at: l.at, give: l.give }]));
  const layers = placesOf(p, blocks);
  const [head, end] = [blocks[0] as Block, blocks[blocks.length - 1] as Block];
  const loose = blocks.length === 1 && !p.pins.some((q) => q.index === 0);
  let reached = (layers[0] as number[]).filter(
    (x) =>
      must.every((l) => l.at >= x || x - l.at <= l.give + NEAR) &&
      ((head.pin !== null && !loose) || Math.abs(x - p.first.at) <= p.first.give + NEAR),
  );
  for (let k = 1; k < blocks.length; k++) {
    const width = widthOf(blocks[k - 1] as Block);
    reached = (layers[k] as number[]).filter((x) => {
      let least = x - width - p.gap.most - NEAR;
      for (const l of must) if (x > l.at + l.give + NEAR) least = Math.max(least, l.at - l.give - width - NEAR);
      const y = reached[lower(reached, least)];
      return y !== undefined && y <= x - width - p.gap.least + NEAR;
    });
  }
  return reached.some((x) => {
    const last = x + widthOf(end);
    return (
      must.every((l) => l.at < last || l.at - last <= l.give + NEAR) &&
      (n === 1 || end.pin !== null || Math.abs(last - p.last.at) <= p.last.give + NEAR)
    );
  });
}

/** Whether any allowed number can. */
export function possible(p: Problem): boolean {
  for (let n = p.count.least; n <= p.count.most; n++) if (possibleFor(p, n)) return true;
  return false;
}
