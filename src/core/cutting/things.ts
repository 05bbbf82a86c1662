import { type ToBuy } from './buying.ts';
import { type Stash, type StashThing, type Taken, type ThingKind } from './stash.ts';

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

/** The stash with so many of a thing taken out for something: never more than there are. */
export const takenOut = (s: Stash, id: string, { count, ...by }: Taken): Stash => ({
  ...s,
  things: s.things.map((t) => {
    const out = Math.min(count, t.count);
    return t.id === id && out > 0 ? { ...t, count: t.count - out, taken: [...t.taken, { ...by, count: out }] } : t;
  }),
});

type For = Pick<Taken, 'project' | 'key'>;
const isFor = (by: For, t: Taken): boolean => t.project === by.project && t.key === by.key;
const sum = (of: readonly Taken[]): number => of.reduce((n, t) => n + t.count, 0);

/** What was taken out for something, and how many. */
export const takenFor = (things: readonly StashThing[], by: For): { thing: StashThing; count: number }[] =>
  things
    .map((thing) => ({ thing, count: sum(thing.taken.filter((t) => isFor(by, t))) }))
    .filter(({ count }) => count > 0);

/** The stash with all put back that was taken out for something. */
export const putBack = (s: Stash, by: For): Stash => ({
  ...s,
  things: s.things.map((t) => {
    const back = t.taken.filter((x) => isFor(by, x));
    return back.length ? { ...t, count: t.count + sum(back), taken: t.taken.filter((x) => !back.includes(x)) } : t;
  }),
});
