/**
 * Characters no name may hold: control characters, half surrogate pairs, and the two noncharacters no XML 1.0 document
 * may hold (its production 2, Char).
 */
const UNFIT = /[\p{Cc}\p{Cs}\ufffe\uffff]/gu;
/** Tabs and line ends are text. */
const UNFIT_IN_TEXT = /(?![\t\r\n])[\p{Cc}\p{Cs}\ufffe\uffff]/u;

/** Most characters of a name. */
export const LONGEST_NAME = 200;

/** A name on one line that can be written into any file: what cannot stands as a space, and what is too long is cut. */
export function plainName(words: string, most = LONGEST_NAME): string {
  const plain = words.replace(UNFIT, ' ');
  // No surrogate pair is cut in two.
  return plain.length <= most ? plain : plain.slice(0, most).replace(/[\ud800-\udbff]$/, '');
}

/** Whether text from outside holds a character no text holds. */
export const isUnfit = (words: string): boolean => UNFIT_IN_TEXT.test(words);

/** Words with a capital, to begin a sentence. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Words without one, within a sentence. */
export const inSentence = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
