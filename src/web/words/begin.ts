import { GARMENTS } from '../../core/document/project.ts';

export type GarmentKind = (typeof GARMENTS)[number];

/** Words in the name of a file that tell what it is a pattern of; the first that fits. */
const TOLD: readonly (readonly [RegExp, GarmentKind])[] = [
  [/waistcoat|vest|gilet/i, 'waistcoat'],
  [/jacket|blazer|bolero/i, 'jacket'],
  [/shirt|blouse/i, 'shirt'],
  [/dress|gown/i, 'dress'],
  [/skirt/i, 'skirt'],
  [/coat|parka|cape/i, 'coat'],
];

/** What a pattern file is of, by its name; 'other' where that tells nothing. */
export const garmentOf = (fileName: string): GarmentKind =>
  TOLD.find(([words]) => words.test(fileName))?.[1] ?? 'other';

/** A project's name out of that of its file: without ending, dashes as spaces, beginning with a capital. */
export function nameOf(fileName: string): string {
  const plain = fileName
    .replace(/\.[a-z0-9]+$/i, '')
    .replace(/[-_.]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, 80);
  return plain ? plain.charAt(0).toUpperCase() + plain.slice(1) : 'My pattern';
}
