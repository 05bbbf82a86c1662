import { type Check } from '../../core/document/proof/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';

/** An area in mm² in the unit of the rest. */
const area = (v: number, units: LengthUnit): string =>
  units === 'mm' ? `${v < 0.1 ? '0' : v.toFixed(1)} mm²` : `${(v / 25.4 ** 2).toFixed(3)} sq in`;

type Say = (k: Check, mm: (v: number) => string, units: LengthUnit) => string;

const HOLDS: Record<Check['code'], Say> = {
  seams: (k, mm) => `All ${k.looked} seams of the inside go together, at most ${mm(k.worst)} from what is meant.`,
  notches: (k, mm) =>
    `Notches meet where the inside is sewn: ${k.looked === 1 ? 'one seam' : `${k.looked} seams`}, within ${mm(k.worst)}.`,
  outline: (k) => `All ${k.looked} pieces are one closed outline each, and none crosses itself.`,
  inset: (k) => `Every interfacing ends where its rule says, looked at along ${k.looked} edges.`,
  union: (k, _, units) => `Facing and lining together are the shell, to ${area(k.worst, units)}, before any ease.`,
  grain: (k) => `All ${k.looked} grainlines run as those of the shell.`,
  hem: (k) => `Turned up, every hem lies within its place: at most ${k.worst.toFixed(1)} % has to be eased in.`,
  cut: (k) => `All ${k.looked} cut edges keep their distance from the seam line.`,
};

type Fail = (value: number, name: string, mm: (v: number) => string, units: LengthUnit) => string;

const FAILS: Record<Check['code'], Fail> = {
  seams: (v, name, mm) => `A seam of "${name}" is ${mm(v)} off; the seam page shows it.`,
  notches: (v, name, mm) => `A notch of "${name}" lies ${mm(v)} from its partner.`,
  outline: (_, name) =>
    `The outline of "${name}" does not close or crosses itself. Do not cut it: look at the allowances and names of its edges.`,
  inset: (v, name, mm) => `An edge of "${name}" lies ${mm(v)} from where it should end.`,
  union: (v, name, _, units) => `Facing and lining of "${name}" are ${area(v, units)} more or less than the shell.`,
  grain: (v, name) => `The grainline of "${name}" is ${v.toFixed(1)}° off that of its shell.`,
  hem: (v, name) =>
    `The raw edge of a hem of "${name}" differs by ${v.toFixed(1)} % from where it lands; over 3 % can hardly be eased in. Make the hem narrower, or face it.`,
  cut: (v, name, mm) => `The cut line of "${name}" comes ${mm(v)} too near to its seam line.`,
};

/** What was looked over, in a sentence, and a sentence for each place where it does not hold. */
export function checkWords(k: Check, nameOf: (piece: string) => string, units: LengthUnit): string[] {
  const mm = (v: number): string => formatLength(v, units);
  return k.faults.length
    ? k.faults.map((f) => FAILS[k.code](f.value, nameOf(f.piece), mm, units))
    : [HOLDS[k.code](k, mm, units)];
}
