import { type Decisions } from '../../document/project.ts';

export const WEIGHTS = ['sheer', 'light', 'medium', 'heavy'] as const;
export type Weight = (typeof WEIGHTS)[number];

/**
 * The usual interfacing for a cloth, to begin with. None where it shows through; in light cloth only what carries buttons or
 * has to stand; in heavy cloth hems and the upper back as well, as in coats and jackets (common practice; strip and stay
 * handbook figures from memory).
 */
export function interfacingFor(weight: Weight): Omit<Decisions['interfacing'], 'regions'> {
  const base = {
    on: true,
    trim: 'inside' as const,
    front: 'strip' as const,
    stand: 'both' as const,
    zip: 0,
    patches: false,
    collars: true,
    hems: 0,
    stay: 0,
  };
  if (weight === 'sheer') return { ...base, on: false, frontStrip: 0, collars: false };
  if (weight === 'light') return { ...base, frontStrip: 30, patches: true, zip: 25 };
  if (weight === 'medium') return { ...base, frontStrip: 60 };
  return { ...base, frontStrip: 60, front: 'shaped', hems: 15, stay: 200 };
}
