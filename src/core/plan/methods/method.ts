import { type PlanBuilder } from '../builder.ts';

/** Parts of the garment that can be made in more than one way. */
export const TOPICS = [
  'seams',
  'neatening',
  'curves',
  'darts',
  'dart-press',
  'yoke',
  'collar',
  'front',
  'sleeves',
  'slit',
  'cuff',
  'inner-edge',
  'facing',
  'facing-when',
  'armholes',
  'lining-edge',
  'lining-sides',
  'opening',
  'lining-hem',
  'zip',
  'waist',
  'legs',
  'hem',
  'wrist',
  'wrist-when',
  'corner',
  'pocket',
  'ties',
  'topstitch',
] as const;
export type Topic = (typeof TOPICS)[number];

/** One way of making a part of the garment. */
export interface Method {
  topic: Topic;
  id: string;
  /** Why it does not fit this garment, as a code; null where it does. */
  fits: (b: PlanBuilder) => string | null;
  lay: (b: PlanBuilder) => void;
  /** Rows of stitching seen on the outside. */
  rows: number;
  /** Whether it is the usual one for this garment, though not the first that fits. */
  usual?: (b: PlanBuilder) => boolean;
}

export const always = (): null => null;
export const unless = (fits: boolean, reason: string): string | null => (fits ? null : reason);
/** A method that only changes how others lay their steps. */
export const nothing = (): void => undefined;

export const way = (
  topic: Topic,
  id: string,
  rows = 0,
  fits: Method['fits'] = always,
  lay: Method['lay'] = nothing,
): Method => ({
  topic,
  id,
  fits,
  lay,
  rows,
});
