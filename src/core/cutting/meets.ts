/**
 * Seams at which lines of a print may meet, and the front that a facing goes on from where it is turned out; the more telling ones first:
 * where two can't both, the first does. Common practice.
 */
export const MEETS = [
  'side',
  'centre-front',
  'centre-back',
  'cap',
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
