/** Seams at which lines of a print may meet, the more telling ones first: where two can't both, the first does. Common practice. */
export const MEETS = [
  'side',
  'centre-front',
  'centre-back',
  'cap',
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
