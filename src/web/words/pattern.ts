import { KIND_WORDS } from '../../contract/roles.ts';
import {
  type CornerRule,
  type Material,
  type MeasureCode,
  type PieceKind,
  type UnitSlip,
  type Verdict,
} from '../../core/pattern/index.ts';
import { inSentence } from '../../core/text.ts';
import { inUnit, type LengthUnit } from '../../core/units.ts';

export const MATERIAL_WORDS: Record<Material, { word: string; letter: string }> = {
  shell: { word: 'Shell', letter: 'S' },
  facing: { word: 'Facing', letter: 'F' },
  lining: { word: 'Lining', letter: 'L' },
  interfacing: { word: 'Interfacing', letter: 'I' },
};

export const MEASURE_WORDS: Record<MeasureCode, string> = {
  chest: 'Round under the arms',
  waist: 'Waist seam, round',
  hem: 'Hem, round',
  back: 'Back, neck to lower edge',
  sleeve: 'Sleeve, with its cap',
  largest: 'Longest side of any piece',
};

/** Which unit was taken for which. */
export const SLIP_WORDS: Record<UnitSlip, string> = {
  'cm-as-mm': 'centimetres, read as millimetres',
  'in-as-mm': 'inches, read as millimetres',
  'px-as-mm': 'pixels at 96 to the inch, read as millimetres',
  'mm-as-px': 'millimetres, read as pixels at 96 to the inch',
  'in-as-cm': 'inches, read as centimetres',
  'mm-as-cm': 'millimetres, read as centimetres',
  'mm-as-in': 'millimetres, read as inches',
  'cm-as-in': 'centimetres, read as inches',
  'pt-as-px': 'points at 72, read at 96 to the inch',
  'px-as-pt': 'pixels at 96, read at 72 to the inch',
};

/** What a piece is, within a sentence: "a front", "an under-sleeve". */
export const kindSaid = (kind: PieceKind): string => {
  const words = inSentence(KIND_WORDS[kind]);
  return kind === 'other' ? words : `${/^[aeiou]/.test(words) ? 'an' : 'a'} ${words}`;
};

/** "times 10", "2.1 % longer". */
export const timesWords = (factor: number): string =>
  factor >= 1.5 || factor <= 0.67
    ? `times ${Number(factor.toPrecision(4))}`
    : `${Number(Math.abs((factor - 1) * 100).toPrecision(2))} % ${factor > 1 ? 'longer' : 'shorter'}`;

export const CORNER_WORDS: Record<CornerRule, string> = {
  mitred: 'Mitred: both cut lines run on until they meet',
  mirrored: 'Mirrored: folds back flat, as at a hem',
  squared: 'Squared: cut level for the next seam',
};

export const GROUP_WORDS = {
  shell: 'Your pattern',
  inside: 'Inside: facings and lining',
  closing: 'Inside to shell',
} as const;

const EASE_OF: Record<string, string> = {
  cap: 'to be eased in',
  shoulder: 'eased onto the other',
  pleat: 'taken up by the pleat',
  turn: 'drawn smaller, to roll inside',
  zip: 'the lining ends beside the zip',
  lapel: 'drawn out, to turn back over the other',
  overlap: 'the band reaches on for its button',
  gather: 'gathered or laid in pleats on to the other',
  panel: 'eased over bust or shoulder blade',
  elbow: 'eased at the elbow',
  forearm: 'stretched a little at the forearm',
  hood: 'eased or laid in a small pleat at the neck',
  'collar-step': 'the stand runs on past the collar',
  flare: 'the piece narrows above the hem',
  hem: 'the lining ends at another height than the hem',
};

/** What a walked seam means at the machine. */
export function verdictWords(verdict: Verdict, easeOf: string | undefined): string {
  if (verdict === 'matches') return 'They match';
  if (verdict === 'ease-as-meant') return `As meant: ${EASE_OF[easeOf ?? ''] ?? 'ease'}`;
  return verdict === 'a-too-long' ? 'First side too long' : 'First side too short';
}

const CURES: Record<string, string> = {
  cap: 'A cap too small for its armhole puckers the armhole: deepen its curve towards the underarm or lift the crown. One too large will not ease in: lower the crown.',
  shoulder: 'The back shoulder may be up to {10 mm} longer. Beyond that, true the shoulder line before cutting.',
  overlap:
    'A band is as long as what it is sewn to and its overlap: {25 mm} at a cuff, {25 mm} to {50 mm} at a waist. Lengthen or shorten the band, or name darts and pleats so that they count.',
  'collar-step':
    'Between the centre-front marks the stand is as long as the collar. Lengthen or shorten the collar at centre back.',
  flare: 'More than 3 % cannot be eased out at a hem: make the hem narrower or face it.',
  pleat: 'The difference should be half the pleat.',
};

/** The usual cure for a seam that does not fit. */
export const cureWords = (easeOf: string | undefined, unit: LengthUnit): string =>
  inUnit(
    CURES[easeOf ?? ''] ?? 'Share the difference between both pieces, or check that the right edges are named.',
    unit,
  );
