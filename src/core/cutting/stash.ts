import { type Point } from '../geometry/index.ts';
import { type Fibre } from './care.ts';
import { type Cloth, type ClothSort, type Flaw } from './nesting/cloth.ts';

/** A cloth that is left when others were cut from it: its box, mm, the outline in it (none: all of it), and what lacks within. */
export interface Leftover extends Pick<Cloth, 'width' | 'flaws'> {
  length: number;
  outline: Point[];
  area: number;
}

/** Which cloth of which project; `name`: of the project, as it was called then. */
export interface Owner {
  project: string;
  name: string;
  cloth: string;
}

/** A cloth that lies in the cupboard. Lengths in mm. */
export interface StashCloth {
  id: string;
  name: string;
  sort: ClothSort;
  fibre: Fibre;
  width: number;
  length: number;
  /** What a metre of it cost; 0 where that is not said. */
  price: number;
  shrinks: { along: number; across: number };
  /** How it is washed, how it is fused, and whatever else is to be known of it. */
  note: string;
  /** Of a leftover its outline, x across from the left and y along; none where it is an oblong. */
  outline: Point[];
  flaws: Flaw[];
  /** The cloth it was left of. */
  of: string;
  /** What it was cut for; null while it is there. */
  used: Owner | null;
}

/** What is sewn on or with. */
export const THING_KINDS = ['button', 'snap', 'press-stud', 'hook', 'zip', 'thread', 'cord', 'other'] as const;
export type ThingKind = (typeof THING_KINDS)[number];

/** Buttons, zips, thread: something to sew on or with, and how much of it there is. */
export interface StashThing {
  id: string;
  name: string;
  kind: ThingKind;
  /** How large across, of a zip how long, mm; 0 where that is not said. */
  size: number;
  /** How many are there. */
  count: number;
  note: string;
  /** For what of which project so many were taken out. */
  taken: Taken[];
}

/** What was taken out of the stash for a line of what a project takes; `name`: of the project, as it was called then. */
export interface Taken {
  project: string;
  name: string;
  key: string;
  count: number;
}

/** What one has, over all projects. */
export interface Stash {
  cloths: StashCloth[];
  things: StashThing[];
}

export const emptyStash = (): Stash => ({ cloths: [], things: [] });

/** The next name of its kind that is free: `s3`. */
export function freshId(of: readonly { id: string }[]): string {
  const most = Math.max(0, ...of.map((c) => Number(/^s(\d+)$/.exec(c.id)?.[1] ?? 0)));
  return `s${most + 1}`;
}

/** A cloth is cut for a project: it is used, and what is left of it lies in the cupboard, under a name of its own. */
export function cutFor(stash: Stash, id: string, owner: Owner, left: readonly Leftover[], name: string): Stash {
  const cloth = stash.cloths.find((c) => c.id === id);
  if (!cloth || cloth.used) return stash;
  const cloths = stash.cloths.map((c) => (c === cloth ? { ...c, used: owner } : c));
  for (const { width, length, outline, flaws } of left)
    cloths.push({
      ...{ ...cloth, id: freshId(cloths), name, of: id, used: null },
      ...{ width, length, outline, flaws: [...flaws] },
    });
  return { ...stash, cloths };
}

/** It was not cut after all: what was left of it is no more, and it is there as it was. Or what was cut of that since, which stands in the way. */
export function giveBack(stash: Stash, id: string): { stash: Stash } | { since: Owner } {
  const left = stash.cloths.filter((c) => c.of === id);
  const since = left.find((c) => c.used)?.used;
  if (since) return { since };
  const cloths = stash.cloths.filter((c) => c.of !== id).map((c) => (c.id === id ? { ...c, used: null } : c));
  return { stash: { ...stash, cloths } };
}
