import { type Need, type SeamCode } from '../names.ts';

// Seams that are waited for together: what runs across them, or needs the whole they make, comes after all of them.

const after = (...codes: SeamCode[]): Need[] => codes.map((c): Need => `done:${c}?`);

/** Panels, and yokes with what hangs from them, joined to one front and one back. */
export const PANELS = after('panel-front', 'panel-back', 'panel', 'yoke-join', 'other');
export const LINING_PANELS = after(
  'lining-panel-front',
  'lining-panel-back',
  'lining-panel',
  'lining-yoke-join',
  'lining-other',
);

/** Shoulders closed, with a yoke in them or without. */
export const SHOULDERS = after('shoulder', 'yoke-shoulder', 'yoke-shoulder-in');

/** A skirt or legs closed round. */
export const SKIRT = after('skirt-side', 'skirt-centre-back', 'skirt-panel', 'inseam', 'rise');
export const LINING_SKIRT = after(
  'lining-skirt-side',
  'lining-skirt-centre-back',
  'lining-skirt-panel',
  'lining-inseam',
  'lining-rise',
);

/** A sleeve closed round. */
export const SLEEVE = after('underarm', 'elbow', 'forearm');
export const LINING_SLEEVE = after('lining-underarm', 'lining-elbow', 'lining-forearm');

/** Skirt and bodice joined. */
export const WAIST = after('waist-front', 'waist-back');
