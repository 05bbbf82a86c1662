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

/** Sorts of cloth that are laid and cut each in their own way. */
export const CLOTH_SORTS = ['plain', 'slippery', 'directed', 'lace', 'fur'] as const;
export type ClothSort = (typeof CLOTH_SORTS)[number];
