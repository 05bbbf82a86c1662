import { type Bulk, type PlanStep } from '../../core/plan/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';

/** Stitch length as it is set on the machine, 2.5 for a usual seam, and foot. Common practice. */
const STITCH: Readonly<Record<string, string>> = {
  topstitch: '3',
  'baste-zip': '4 to 5',
  'ease-cap': '4, loose',
};

/** Machine needles for the outside's cloth, in hundredths of a millimetre. From memory. */
export const NEEDLE: Record<Bulk, string> = { thin: '70, sharp', medium: '80 or 90', thick: '100' };

const stitchOf = (s: PlanStep): string | null => {
  if (s.station !== 'machine') return null;
  return STITCH[s.code] ?? (s.code.startsWith('baste') ? '4 to 5' : s.sews.length ? '2.5' : null);
};

/** A figure of a step, large, with what it is below it. */
export interface Figure {
  value: string;
  words: string;
  /** Where two sides differ on purpose, or the cloth has to be cut often. */
  odd?: boolean;
}

/** Both sides of what a step sews: alike, or how much the one is longer. */
function sidesFigure(s: PlanStep, mm: (v: number) => string): Figure[] {
  const { a, b } = s.data;
  if (!s.sews.length || a === undefined || b === undefined) return [];
  const [long, short] = [Math.max(a, b), Math.min(a, b)];
  if (mm(long) === mm(short)) return [{ value: mm(long), words: 'both sides' }];
  return [{ value: `${mm(long)} on ${mm(short)}`, words: `${mm(long - short)} more on one side`, odd: true }];
}

/** What is set, measured and cut at a step. */
export function figuresOf(s: PlanStep, units: LengthUnit): Figure[] {
  const mm = (v: number): string => formatLength(v, units);
  const stitch = stitchOf(s);
  const [bend] = s.bends;
  return [
    ...(s.allowance ? [{ value: mm(s.allowance), words: 'allowance' }] : []),
    ...(stitch ? [{ value: stitch, words: 'stitch length' }] : []),
    ...sidesFigure(s, mm),
    ...s.stops.filter((x) => x.mm > 0).map((x) => ({ value: mm(x.mm), words: STOP_FIGURES[x.code] ?? 'stop' })),
    ...(bend ? [{ value: `every ${mm(bend.every)}`, words: `${bend.how} where it is tightest`, odd: true }] : []),
  ];
}

/** What the figure of a halt measures. */
const STOP_FIGURES: Readonly<Record<string, string>> = {
  opening: 'left open',
  'casing-gap': 'gap for the elastic',
  'tie-gap': 'gap for the tie',
  'pocket-mouth': 'mouth left open',
  'stop-below-zip': 'start below the zip',
  'stop-above-hem': 'stop above the hem',
};

/** How often: "once", "twice", "5 times". */
export const oftenWords = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);
