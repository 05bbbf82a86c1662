import { type ZipSeam } from '../document/project.ts';
import { type SeamCode } from './names.ts';

/** Seams in which a slit is left open, by where it is. */
export const SLIT_CODES: Record<string, readonly SeamCode[]> = {
  side: [
    'side',
    'skirt-side',
    'lining-side',
    'lining-skirt-side',
    'side-zip',
    'skirt-side-zip',
    'lining-side-zip',
    'lining-skirt-side-zip',
  ],
  'centre-back': ['centre-back', 'skirt-centre-back', 'lining-centre-back', 'lining-skirt-centre-back'],
  'centre-front': ['centre-front', 'skirt-centre-front', 'lining-centre-front', 'lining-skirt-centre-front'],
};

/** Seams that a zip lies in, by where it is, those above a waist seam before those below; and of the inside beside it. */
export const ZIP_CODES: Record<ZipSeam, { shell: readonly SeamCode[]; inner: readonly SeamCode[] }> = {
  'centre-back': {
    shell: ['centre-back', 'skirt-centre-back'],
    inner: ['facing-centre-back', 'lining-centre-back', 'lining-skirt-centre-back'],
  },
  'centre-front': {
    shell: ['centre-front', 'skirt-centre-front'],
    inner: ['facing-centre-front', 'lining-centre-front', 'lining-skirt-centre-front'],
  },
  side: {
    shell: ['side-zip', 'skirt-side-zip'],
    inner: ['facing-side-zip', 'lining-side-zip', 'lining-skirt-side-zip'],
  },
};

/** Seams of the outside that stay covered or are closed with another layer: no neatening of their own. */
const NOT_NEATENED: ReadonlySet<string> = new Set(['cap', 'raglan']);

/** Ways of neatening a seam that nothing covers. */
export const SEAM_WAYS = ['overlocked', 'together', 'bound', 'french', 'felled'] as const;

/** First pass of a French seam: 1/4" of 5/8", in the same proportion of other allowances. Common practice. */
export const frenchFirst = (allowance: number): number => Math.round(allowance * 4) / 10;

/** Eased and curved seams round the armhole are neatened together; a seam that runs on into a zip is pressed open. */
export function wayOf(way: string, code: string, parted: boolean, mouth = false): string {
  // At a pocket's mouth the allowances lie apart: each edge is neatened by itself all along.
  if (mouth) return 'overlocked';
  if (NOT_NEATENED.has(code) && way !== 'bound') return 'together';
  return parted && (way === 'french' || way === 'felled') ? 'overlocked' : way;
}

/** Seams whose allowances go to one side. */
export const PRESS_TO: Record<string, string> = {
  cap: 'press-to-a',
  'lining-cap': 'press-to-a',
  'facing-line-front': 'press-to-a',
  'facing-line-back': 'press-to-a',
  'facing-line-sleeve': 'press-to-a',
  'facing-line-waist': 'press-to-a',
  'yoke-back': 'press-to-b',
  'yoke-shoulder': 'press-to-a',
};
