import { type Change } from '../core/inside/changes.ts';
import { formatLength, type LengthUnit } from '../core/units.ts';
import { ROLE_WORDS } from './roles.ts';

const span = (a: number, b: number, units: LengthUnit): string => {
  const [low, high] = [Math.min(a, b), Math.max(a, b)].map((v) => formatLength(Math.max(0, v), units, 0));
  return low === high ? (high as string) : `${(low as string).replace(/ mm$/, '')}–${high}`;
};

/** What to write on the pattern, short: "− 40 mm" to cut off, "+ 15 mm" to add. */
export function changeMark(c: Change, units: LengthUnit): string {
  if (c.kind === 'same' || c.kind === 'away') return '';
  if (c.kind === 'add') return `+ ${span(c.least, c.most, units)}`;
  if (c.kind === 'off') return `− ${span(-c.most, -c.least, units)}`;
  return `−${formatLength(-c.least, units, 0).replace(/ mm$/, '')} to +${formatLength(c.most, units, 0)}`;
}

/** What to do at one edge, as a sentence. */
export function changeWords(c: Change, units: LengthUnit): string {
  const edge = ROLE_WORDS[c.role];
  const fold = c.onFold ? ', at the fold' : '';
  if (c.kind === 'same') return `${edge}${fold}: as the shell.`;
  if (c.kind === 'away') return `${edge}: cut away along the facing line.`;
  if (c.kind === 'add') return `${edge}${fold}: add ${span(c.least, c.most, units)}.`;
  if (c.kind === 'off') return `${edge}${fold}: cut off ${span(-c.most, -c.least, units)}.`;
  return `${edge}${fold}: from ${formatLength(-c.least, units, 0)} cut off to ${formatLength(c.most, units, 0)} added; follow the drawing.`;
}
