import { isUnfit } from '../core/text.ts';

/** Where in a value there is text that is none, keys included; null where all is well. */
export function unfitIn(value: unknown, depth = 0): string[] | null {
  if (typeof value === 'string') return isUnfit(value) ? [] : null;
  if (value === null || typeof value !== 'object') return null;
  // No document is nested nearly so deep.
  if (depth > 100) return ['…'];
  for (const [key, held] of Object.entries(value)) {
    if (isUnfit(key)) return ['a key'];
    const found = unfitIn(held, depth + 1);
    if (found) return [key, ...found];
  }
  return null;
}

/** That it is so, as a sentence. */
export const noText = (where: string): string =>
  `Something in the request cannot be written: ${where}: it holds characters that are no text (control characters, or halves of characters).`;
