import { type ToBuy } from './buying.ts';
import { type Stash, type StashThing, type ThingKind } from './stash.ts';

/** A button that is larger or smaller by less goes through the same hole, mm. Own figure. */
const SAME = 0.25;

/** What of a kind a garment takes: how large, and how many. Of thread and cord a reel or a hank is looked for. */
interface Need {
  kind: ThingKind;
  size: number;
  count: number;
}

function needOf(b: ToBuy): Need | null {
  if (b.what === 'zip') return { kind: 'zip', size: b.length, count: 1 };
  if (b.what === 'thread') return { kind: 'thread', size: 0, count: 1 };
  if (b.what !== 'notion') return null;
  const { what, size, count } = b.notion;
  return { kind: what, size, count: what === 'thread' || what === 'cord' ? 1 : count };
}

/** A zip that is longer is cut to its length; all else is as large as it has to be. */
const fits = (t: StashThing, n: Need): boolean =>
  t.kind === n.kind &&
  t.count > 0 &&
  (n.kind === 'zip' ? t.size > n.size - SAME : n.size === 0 || Math.abs(t.size - n.size) < SAME);

/** What of the stash would do for what a garment takes, and how many of it are lacking; what does whole comes first, then the smallest. */
export function thingsFor(
  b: ToBuy,
  things: readonly StashThing[],
): { thing: StashThing; takes: number; lacks: number }[] {
  const need = needOf(b);
  if (!need) return [];
  return things
    .filter((t) => fits(t, need))
    .map((thing) => ({ thing, takes: Math.min(thing.count, need.count), lacks: Math.max(0, need.count - thing.count) }))
    .sort((x, y) => x.lacks - y.lacks || x.thing.size - y.thing.size);
}

/** The stash with so many of a thing taken out. */
export const takenOut = (s: Stash, id: string, count: number): Stash => ({
  ...s,
  things: s.things.map((t) => (t.id === id ? { ...t, count: Math.max(0, t.count - count) } : t)),
});
