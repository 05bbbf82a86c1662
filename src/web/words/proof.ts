import { type Check } from '../../core/proof.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';

const mm2 = (v: number): string => `${v < 0.1 ? '0' : v.toFixed(1)} mm²`;

type Say = (k: Check, mm: (v: number) => string) => string;

const HOLDS: Record<Check['code'], Say> = {
  seams: (k, mm) => `All ${k.looked} seams of the inside go together, at most ${mm(k.worst)} from what is meant.`,
  notches: (k, mm) =>
    `Notches meet where the inside is sewn: ${k.looked === 1 ? 'one seam' : `${k.looked} seams`}, within ${mm(k.worst)}.`,
  union: (k) => `Facing and lining together are the shell, to ${mm2(k.worst)}, before any ease.`,
  grain: (k) => `All ${k.looked} grainlines run as those of the shell.`,
  hem: (k) => `Turned up, every hem lies within its place: at most ${k.worst.toFixed(1)} % has to be eased in.`,
  cut: (k) => `All ${k.looked} cut edges keep their distance from the seam line.`,
};

const FAILS: Record<Check['code'], (value: number, name: string, mm: (v: number) => string) => string> = {
  seams: (v, name, mm) => `A seam of "${name}" is ${mm(v)} off; the seam page shows it.`,
  notches: (v, name, mm) => `A notch of "${name}" lies ${mm(v)} from its partner.`,
  union: (v, name) => `Facing and lining of "${name}" are ${mm2(v)} more or less than the shell.`,
  grain: (v, name) => `The grainline of "${name}" is ${v.toFixed(1)}° off that of its shell.`,
  hem: (v, name) =>
    `The raw edge of a hem of "${name}" differs by ${v.toFixed(1)} % from where it lands; over 3 % can hardly be eased in. Make the hem narrower, or face it.`,
  cut: (v, name, mm) => `The cut line of "${name}" comes ${mm(v)} too near to its seam line.`,
};

/** What was looked over, in a sentence, and a sentence for each place where it does not hold. */
export function checkWords(k: Check, nameOf: (piece: string) => string, units: LengthUnit): string[] {
  const mm = (v: number): string => formatLength(v, units);
  return k.faults.length ? k.faults.map((f) => FAILS[k.code](f.value, nameOf(f.piece), mm)) : [HOLDS[k.code](k, mm)];
}
