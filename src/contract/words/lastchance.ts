import { type Fit, type LastChance } from '../../core/plan/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { stepWords } from './plan.ts';

const FIT_WORDS: Record<Fit, string> = {
  shoulder: 'The shoulders',
  girth: 'The width, at the sides',
  length: 'The length',
  holes: 'Where the buttonholes are',
};

/** Until when something of the fit is changed by its own seams alone, and what comes out afterwards. */
export function lastChanceWords(
  { what, step, unpick }: LastChance,
  unit: LengthUnit,
  names: Record<string, string>,
): { what: string; until: string; after: string } {
  return {
    what: FIT_WORDS[what],
    until: `before step ${step.number}, “${stepWords(step, unit, names).title}”`,
    after: unpick
      ? `after it about ${formatLength(Math.round(unpick / 50) * 50, unit)} of stitching come out first`
      : 'after it they stay where they are',
  };
}
