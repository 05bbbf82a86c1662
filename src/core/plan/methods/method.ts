import { type PlanBuilder } from '../builder.ts';
import { type MisfitReason } from './misfits.ts';

/**
 * Parts of the garment that can be made in more than one way, in the order in which they are asked. `lays`: when the chosen way
 * lays its steps, with the outside or once all layers are joined; the others change how those lay theirs.
 */
const LIST = [
  { id: 'seams' },
  { id: 'neatening' },
  { id: 'curves' },
  { id: 'darts' },
  { id: 'dart-press' },
  { id: 'yoke', lays: 'shell' },
  { id: 'front', lays: 'shell' },
  { id: 'collar', lays: 'shell' },
  { id: 'slit', lays: 'shell' },
  { id: 'cuff', lays: 'shell' },
  { id: 'inner-edge' },
  { id: 'pocket', lays: 'shell' },
  { id: 'sleeves', lays: 'shell' },
  { id: 'waist', lays: 'shell' },
  { id: 'legs', lays: 'shell' },
  { id: 'facing' },
  { id: 'facing-when' },
  { id: 'armholes' },
  { id: 'lining-edge' },
  { id: 'lining-sides' },
  { id: 'opening' },
  { id: 'zip', lays: 'ends' },
  { id: 'lining-hem', lays: 'ends' },
  { id: 'corner', lays: 'ends' },
  { id: 'hem', lays: 'ends' },
  { id: 'wrist', lays: 'ends' },
  { id: 'wrist-when' },
  { id: 'ties' },
  { id: 'topstitch' },
] as const;
export type Topic = (typeof LIST)[number]['id'];
export const TOPICS: readonly Topic[] = LIST.map((t) => t.id);

/** Topics whose ways lay their steps at this stage, in the order in which they do. */
export const laidWith = (stage: 'shell' | 'ends'): Topic[] =>
  LIST.flatMap((t) => ('lays' in t && t.lays === stage ? [t.id] : []));

/** One way of making a part of the garment. */
export interface Method<T extends Topic = Topic, I extends string = string> {
  topic: T;
  id: I;
  /** Why it does not fit this garment, as a code; null where it does. */
  fits: (b: PlanBuilder) => MisfitReason | null;
  lay: (b: PlanBuilder) => void;
  /** Rows of stitching seen on the outside. */
  rows: number;
  /** Whether it is the usual one for this garment, though not the first that fits. */
  usual?: (b: PlanBuilder) => boolean;
}

export const always = (): null => null;
export const unless = (fits: boolean, reason: MisfitReason): MisfitReason | null => (fits ? null : reason);
/** A method that only changes how others lay their steps. */
export const nothing = (): void => undefined;

export const way = <const T extends Topic, const I extends string>(
  topic: T,
  id: I,
  rows = 0,
  fits: Method['fits'] = always,
  lay: Method['lay'] = nothing,
): Method<T, I> => ({
  topic,
  id,
  fits,
  lay,
  rows,
});
