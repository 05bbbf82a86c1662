/** What an entry of the notebook is about: words, a test on a scrap with its figures, how it fits, or what is learnt of it. */
export const ENTRY_KINDS = [
  'note',
  'fusing',
  'buttonhole',
  'stitch',
  'shrinkage',
  'hem',
  'topstitch',
  'fit',
  'practice',
] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

/** An entry of the notebook. */
export interface Entry {
  id: string;
  /** When it was written: ISO 8601, in UTC. */
  at: string;
  kind: EntryKind;
  words: string;
  /** A step, a piece, a seam or a cloth it belongs to, by its id; none is empty. */
  step: string;
  piece: string;
  seam: string;
  cloth: string;
  /** What its form asks for, by name: lengths mm, times s, heat °C; words for the rest. */
  figures: Record<string, number | string>;
  /** Stored pictures, by id. */
  pictures: string[];
  /** To be told again the next time: the lesson comes back where it matters. */
  again: boolean;
}
