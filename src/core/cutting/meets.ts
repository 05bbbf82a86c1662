import { type Point } from '../geometry/index.ts';

/**
 * Seams at which lines of a print may meet, the place a pocket is stitched on, and the front that a facing goes on from where it is turned
 * out; the more telling ones first:
 * where two can't both, the first does. Common practice.
 */
export const MEETS = [
  'side',
  'centre-front',
  'centre-back',
  'cap',
  'pocket',
  'facing',
  'yoke',
  'shoulder',
  'panel',
  'waist',
  'inseam',
  'rise',
  'forearm',
  'elbow',
  'collar',
  'stand',
  'cuff',
  'hood',
] as const;
export type Meet = (typeof MEETS)[number];

/** Two points that come to lie on each other when a seam is sewn: at its notch, or where it has none at its beginning. */
export interface Match {
  code: Meet;
  a: { piece: string; at: Point };
  b: { piece: string; at: Point };
  /** Both ends of the seam on either side: lines meet there as well unless one side is eased. */
  ends: { a: Point; b: Point }[];
  /** Lines that run along the cloth meet there as well. */
  across?: true;
}
