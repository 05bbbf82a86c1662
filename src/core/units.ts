import { ok, type Result, refuse, stop } from './result.ts';

export const MM_PER_INCH = 25.4;
export type LengthUnit = 'mm' | 'in';

/** Millimetres in one unit of a drawing file. CSS: 96 px, 72 pt, 6 pc to the inch (CSS Values and Units, section 6.2). */
export const MM_PER_UNIT: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  pt: MM_PER_INCH / 72,
  pc: MM_PER_INCH / 6,
  px: MM_PER_INCH / 96,
  q: 0.25,
};

const UNIT_WORDS: Record<string, number> = {
  '': Number.NaN,
  mm: 1,
  millimetres: 1,
  cm: 10,
  // Cloth is sold by the metre and the yard (914.4 mm exactly, since 1959).
  m: 1000,
  metre: 1000,
  metres: 1000,
  yd: 36 * MM_PER_INCH,
  yard: 36 * MM_PER_INCH,
  yards: 36 * MM_PER_INCH,
  '"': MM_PER_INCH,
  '″': MM_PER_INCH,
  '”': MM_PER_INCH,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  // Buttons are sold by the ligne, forty to the inch.
  l: MM_PER_INCH / 40,
  ligne: MM_PER_INCH / 40,
  lignes: MM_PER_INCH / 40,
};

/** Vulgar fractions as one character, which tablets like to put in. */
const VULGAR: Record<string, string> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/**
 * Reads a length a person typed: `15 mm`, `1.5cm`, `5/8"`, `1 1/2 in`, `1,5 cm`, or a bare number in `unit`.
 * Gives millimetres. Refuses what is no length, with the text.
 */
export function parseLength(text: string, unit: LengthUnit): Result<number> {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[¼½¾⅛⅜⅝⅞]/g, (c) => ` ${VULGAR[c]}`)
    .replace(',', '.')
    .trim();
  const match = /^(-?)(?:(\d+(?:\.\d+)?|\.\d+)(?!\/|\d))?\s*(?:(\d+)\s*\/\s*(\d+))?\s*([a-z"″”]*)$/.exec(plain);
  const bad = refuse(stop('length-unreadable', undefined, { text }));
  if (!match || (match[2] === undefined && match[3] === undefined)) return bad;
  const factor = match[5] === '' ? (unit === 'mm' ? 1 : MM_PER_INCH) : UNIT_WORDS[match[5] as string];
  const fraction = match[3] === undefined ? 0 : Number(match[3]) / Number(match[4]);
  const value = (Number(match[2] ?? 0) + fraction) * (factor ?? Number.NaN) * (match[1] === '-' ? -1 : 1);
  return Number.isFinite(value) ? ok(value) : bad;
}

/**
 * A bare number that is out of range in the sewist's unit, read in the other ones (mm, cm, inches) where it would be in
 * range, mm: inches typed where millimetres are asked, or centimetres.
 */
export function otherUnits(
  text: string,
  unit: LengthUnit,
  least: number,
  most: number,
): { words: string; mm: number }[] {
  if (!/^[\d\s./,¼½¾⅛⅜⅝⅞]+$/.test(text.trim())) return [];
  const others = unit === 'mm' ? ['in', 'cm'] : ['mm', 'cm'];
  return others.flatMap((u) => {
    const read = parseLength(`${text.trim()} ${u}`, unit);
    return read.ok && read.value >= least && read.value <= most
      ? [{ words: `${text.trim()} ${u}`, mm: read.value }]
      : [];
  });
}

/** Whether a length lies outside what is usual, mm; the rounding of a figure shown counts for nothing. */
export const isUnusual = (mm: number, [least, most]: readonly [number, number]): boolean =>
  mm < least - 0.05 || mm > most + 0.05;

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * Writes a length (mm) for the sewist: millimetres with at most `digits` decimals, or inches to the nearest 1/16"
 * with the fraction reduced. The two are never mixed in one figure.
 */
export function formatLength(mm: number, unit: LengthUnit, digits = 1): string {
  if (unit === 'mm') return `${trimZeros(mm.toFixed(digits))} mm`;
  const sixteenths = Math.round((Math.abs(mm) / MM_PER_INCH) * 16);
  const whole = Math.floor(sixteenths / 16);
  const rest = sixteenths % 16;
  const sign = mm < 0 && sixteenths > 0 ? '−' : '';
  if (rest === 0) return `${sign}${whole}"`;
  const g = gcd(rest, 16);
  return `${sign}${whole ? `${whole} ` : ''}${rest / g}/${16 / g}"`;
}

/** A length (mm) as it is shown, so that a difference is that of the figures beside it. */
export function asShown(mm: number, unit: LengthUnit, digits = 1): number {
  const step = unit === 'mm' ? 10 ** -digits : MM_PER_INCH / 16;
  return Math.round(mm / step) * step;
}

const trimZeros = (s: string): string => {
  const cut = s.includes('.') ? s.replace(/\.?0+$/, '') : s;
  return cut === '-0' ? '0' : cut.replace('-', '−');
};

/**
 * A sentence whose figures are written `{15 mm}` or `{75–100 mm}`, with them in the sewist's unit, so that a handbook's
 * millimetres never stand among somebody's inches.
 */
export const inUnit = (sentence: string, unit: LengthUnit): string =>
  sentence.replace(/\{([\d.]+)(?:–([\d.]+))? mm\}/g, (_, a: string, b: string | undefined) => {
    if (b === undefined) return formatLength(Number(a), unit);
    return unit === 'mm' ? `${a}–${b} mm` : `${formatLength(Number(a), unit)}–${formatLength(Number(b), unit)}`;
  });
