import { type Progress } from '../../core/import/index.ts';

const STAGE_WORDS: Record<Progress['stage'], string> = {
  waiting: 'Waiting for the file before it …',
  opening: 'Opening the file …',
  pages: 'Reading the pages',
  lines: 'Reading the lines …',
  pieces: 'Looking at the outlines',
  storing: 'Putting the pieces down …',
};

/** Share of the whole reading at which a stage begins, as it usually goes. */
const BEGINS: Record<Progress['stage'], number> = {
  waiting: 0,
  opening: 0.02,
  pages: 0.05,
  lines: 0.3,
  pieces: 0.5,
  storing: 0.9,
};
const ENDS: Partial<typeof BEGINS> = { pages: 0.3, pieces: 0.9 };

/** How far the reading of a file is, in words and as a share from 0 to 1. */
export function readingWords(p: Progress): { words: string; share: number } {
  const counted = p.of > 0;
  const begin = BEGINS[p.stage];
  const part = counted ? Math.min(1, p.done / p.of) * ((ENDS[p.stage] ?? begin) - begin) : 0;
  return {
    words: counted ? `${STAGE_WORDS[p.stage]}: ${p.done} of ${p.of} …` : STAGE_WORDS[p.stage].replace(/(\w)$/, '$1 …'),
    share: begin + part,
  };
}
