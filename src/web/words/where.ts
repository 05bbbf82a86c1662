import { type Decisions } from '../../core/document/project.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';

/** The screen on which a part of the decisions is asked. */
const SCREENS: Record<keyof Decisions, string> = {
  allowances: 'pattern',
  facing: 'inside',
  lining: 'inside',
  interfacing: 'inside',
  closure: 'buttons',
  joins: 'seams',
  reallowed: 'pattern',
  caps: 'seams',
  sewn: 'seams',
  strips: 'inside',
  making: 'plan',
  cutting: 'cutting',
  bench: 'sewing',
  notebook: 'sewing',
  week: 'sewing',
  stash: 'stash',
  paper: 'paper',
};

/** What each screen is called in a sentence. */
export const SCREEN_WORDS: Record<string, string> = {
  pattern: 'on the pattern page',
  seams: 'on the page of the seams',
  inside: 'among facings and lining',
  buttons: 'among the buttons',
  plan: 'in the plan',
  cutting: 'on the cutting table',
  sewing: 'at the bench',
  stash: 'in the stash',
  paper: 'on the paper page',
};

/** Where the changed places are seen; null for what is seen everywhere (the name, the unit). */
export function screenOf(paths: string[]): string | null {
  for (const p of paths) {
    const [, root, part] = p.split('/');
    if (root === 'shell') return 'pattern';
    if (root === 'decisions' && part && part in SCREENS) return SCREENS[part as keyof Decisions];
  }
  return null;
}

/** A value of the decisions as the sewist reads it: a figure is a length, a choice is a word. */
export const shownValue = (v: unknown, units: LengthUnit): string =>
  typeof v === 'number' ? formatLength(v, units) : typeof v === 'boolean' ? (v ? 'yes' : 'no') : `“${String(v)}”`;
