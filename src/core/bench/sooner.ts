import {
  type Block,
  blocksOf,
  type Front,
  fill,
  lastSlot,
  type Ready,
  type Slot,
  timeOf,
  type Work,
} from './sittings.ts';

/** So many lines are followed at a time. Own figure. */
const BEAM = 24;
/** Of more blocks no other order is looked for: it would take seconds. Own figure. */
const MOST = 160;

/** A beginning of an order: which blocks are in it, how far they fill the time, how far they stand from their places. */
interface Line {
  taken: bigint;
  order: Block[];
  front: Front;
  off: number;
}

const earlier = (a: Line, b: Line): number =>
  a.front.slot - b.front.slot || a.front.used - b.front.used || a.off - b.off;

/** What a line is known by: what is in it, and until when that makes others wait. */
function keyOf(taken: bigint, front: Front, waiting: readonly string[]): string {
  const waits = waiting.map((id) => front.ready.get(id) ?? '');
  return `${taken}:${waits.join()}`;
}

/** The blocks each waits for, as bits. */
function waitedFor(blocks: readonly Block[]): bigint[] {
  const at = new Map(blocks.flatMap((b, i) => b.works.map((w): [string, number] => [w.id, i])));
  return blocks.map((b, i) => {
    const all = b.works.flatMap((w) => w.after.flatMap((id) => at.get(id) ?? []));
    return all.reduce((m, k) => (k === i ? m : m | (1n << BigInt(k))), 0n);
  });
}

/**
 * An order of the works that is done in an earlier sitting than the one given: what a wait leaves room for is filled with what
 * does not wait, and a gap with what fits it. Null where none is found. Everything still comes after what it waits for, and what
 * is held together stays together. A beam search over what is ready; of orders that fill the time alike the one nearest to the
 * given.
 */
export function soonerOrder(
  works: readonly Work[],
  slots: readonly Slot[],
  past: Ready = new Map(),
  width = BEAM,
): Work[] | null {
  const t = timeOf(slots);
  const blocks = blocksOf(works, t.longest);
  const needs = waitedFor(blocks);
  // Works that something has to wait behind: two lines with the same works may differ in when that is over.
  const slow = new Set(works.flatMap((w) => (w.waitBefore ? w.after : [])));
  const waiting = works.flatMap((w) => (w.waitAfter || slow.has(w.id) ? [w.id] : []));
  const begin: Front = { slot: 0, used: 0, ready: past };
  if (blocks.length > MOST) return null;
  const given = lastSlot(t, blocks, past);
  let beam: Line[] = [{ taken: 0n, order: [], front: begin, off: 0 }];
  for (let n = 0; n < blocks.length; n++) {
    const next = new Map<string, Line>();
    for (const l of beam)
      blocks.forEach((b, i) => {
        const bit = 1n << BigInt(i);
        if (l.taken & bit || (l.taken & (needs[i] as bigint)) !== needs[i]) return;
        const line = {
          taken: l.taken | bit,
          order: [...l.order, b],
          front: fill(t, l.front, b).front,
          off: l.off + Math.abs(i - n),
        };
        const key = keyOf(line.taken, line.front, waiting);
        const known = next.get(key);
        if (!known || earlier(line, known) < 0) next.set(key, line);
      });
    beam = [...next.values()].sort(earlier).slice(0, width);
  }
  const best = beam[0];
  if (!best || best.front.slot >= given) return null;
  const place = new Map(blocks.map((b, i) => [b, i]));
  const order = nearest(
    best.order.map((b) => place.get(b) as number),
    needs,
    (list) =>
      lastSlot(
        t,
        list.map((i) => blocks[i] as Block),
        past,
      ) <= best.front.slot,
  );
  return order.flatMap((i) => (blocks[i] as Block).works);
}

/**
 * An order brought nearer to the given one, in which places rise: neighbours that stand the other way round are put back wherever
 * neither waits for the other and it still ends in time, until none can be.
 */
function nearest(order: number[], needs: readonly bigint[], inTime: (order: number[]) => boolean): number[] {
  const list = [...order];
  for (let changed = true; changed; ) {
    changed = false;
    for (let i = 0; i + 1 < list.length; i++) {
      const [a, b] = [list[i] as number, list[i + 1] as number];
      if (a < b || (needs[b] as bigint) & (1n << BigInt(a))) continue;
      [list[i], list[i + 1]] = [b, a];
      if (inTime(list)) changed = true;
      else [list[i], list[i + 1]] = [a, b];
    }
  }
  return list;
}
