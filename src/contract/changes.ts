import { type Change } from '../core/drafting/changes.ts';
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

/** One figure as what is done to the cloth there. */
const done = (mm: number, units: LengthUnit): string => {
  const figure = formatLength(Math.abs(mm), units, 0);
  if (figure === formatLength(0, units, 0)) return 'nothing';
  return mm > 0 ? `add ${figure}` : `cut off ${figure}`;
};

/** How far in the facing line lies at both ends of an edge that is cut away. */
function awayWords(c: Change, units: LengthUnit): string {
  const [a, b] = c.ends.map((e) => formatLength(e.mm, units, 0));
  if (a === undefined || b === undefined) return '';
  const at = c.ends.map((e) => ROLE_WORDS[e.beside].toLowerCase());
  return a === b ? `, ${a} in` : `, ${a} in at the ${at[0]}, ${b} at the ${at[1]}`;
}

/** What to do at one edge, as a sentence; where it runs from one figure to another, both with the end they are at. */
export function changeWords(c: Change, units: LengthUnit): string {
  const edge = `${ROLE_WORDS[c.role]}${c.onFold ? ', at the fold' : ''}`;
  if (c.kind === 'same') return `${edge}: as the shell.`;
  if (c.kind === 'away') return `${edge}: cut away along the facing line${awayWords(c, units)}.`;
  const [a, b] = c.ends.map((e) => done(e.mm, units)) as [string, string];
  const between = [c.least, c.most].map((v) => done(v, units));
  if (a === b && between.every((w) => w === a)) return `${edge}: ${a}.`;
  const at = c.ends.map((e, i) => `${i ? b : a} at the ${ROLE_WORDS[e.beside].toLowerCase()}`);
  // A figure beyond both ends lies between them.
  const further = between.filter((w) => w !== a && w !== b && w !== 'nothing');
  return `${edge}: ${at.join(', ')}${further.length ? `, between them ${further.join(' and ')}` : ''}; follow the drawing.`;
}
