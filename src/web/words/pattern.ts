import { KIND_WORDS } from '../../contract/roles.ts';
import { type JoinCode } from '../../core/garment/index.ts';
import {
  type CornerRule,
  type Material,
  type MeasureCode,
  type PieceKind,
  type Seam,
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

export const SEAM_WORDS: Record<string, string> = {
  shoulder: 'Shoulder seam',
  side: 'Side seam',
  underarm: 'Underarm seam of the sleeve',
  cap: 'Sleeve into armhole',
  'centre-back': 'Centre back seam',
  'yoke-shoulder': 'Yoke to front shoulder',
  'yoke-back': 'Back to yoke',
  cuff: 'Sleeve to cuff',
  'panel-front': 'Princess seam, front',
  'panel-back': 'Princess seam, back',
  panel: 'Panel seam',
  'skirt-panel': 'Panel seam of the skirt',
  'yoke-join': 'Yoke seam',
  'side-zip': 'Side seam with the zip',
  'skirt-side-zip': 'Side seam of the skirt with the zip',
  'facing-side-zip': 'Side seam of the facing beside the zip',
  'lining-side-zip': 'Lining side seam beside the zip',
  'lining-skirt-side-zip': 'Side seam of the skirt lining beside the zip',
  inseam: 'Inseam',
  rise: 'Rise',
  other: 'Seam',
  'lining-panel': 'Panel seam of the lining',
  'lining-skirt-panel': 'Panel seam of the skirt lining',
  'lining-yoke-join': 'Yoke seam of the lining',
  'lining-inseam': 'Inseam of the lining',
  'lining-rise': 'Rise of the lining',
  'lining-other': 'Seam of the lining',
  'waist-lining': 'Lining to waist',
  elbow: 'Elbow seam of the sleeve',
  forearm: 'Forearm seam of the sleeve',
  raglan: 'Raglan seams',
  'hood-neck': 'Hood to neckline',
  'waist-front': 'Skirt front to bodice front',
  'waist-back': 'Skirt back to bodice back',
  'skirt-side': 'Side seam of the skirt',
  waistband: 'Skirt to waistband',
  'stand-neck': 'Collar stand to neckline',
  'collar-stand': 'Collar to its stand',
  'collar-neck': 'Collar to neckline',
  'yoke-back-in': 'Back to inner yoke',
  'yoke-shoulder-in': 'Inner yoke at the shoulders',
  'stand-neck-in': 'Inner stand over the neck seam',
  'stand-top': 'Upper edge of the band',
  'collar-neck-in': 'Upper collar over the neck seam',
  'collar-stand-in': 'Inner stand to upper collar',
  'collar-outer': 'Outer edge of the collar',
  'cuff-in': 'Inner cuff over its seam',
  'cuff-edge': 'Ends and edge of the cuff',
  'waistband-in': 'Inner waistband over its seam',
  'band-edge': 'Upper edge of the waistband',
  'centre-front': 'Centre front seam',
  'skirt-centre-back': 'Centre back seam of the skirt',
  'skirt-centre-front': 'Centre front seam of the skirt',
  'hood-centre-back': 'Middle seam of the hood',
  'facing-side': 'Side seam of the facing',
  'facing-wrist': 'Seam of the wrist facing',
  'facing-skirt-centre-back': 'Centre back seam of the facing',
  'facing-skirt-centre-front': 'Centre front seam of the facing',
  'facing-hood-centre-back': 'Middle seam of the hood facing',
  'facing-centre-front': 'Centre front seam of the facing',
  'lining-centre-front': 'Centre front seam of the lining',
  'lining-skirt-centre-back': 'Centre back seam of the skirt lining',
  'lining-skirt-centre-front': 'Centre front seam of the skirt lining',
  'lining-hood-centre-back': 'Middle seam of the hood lining',
  'facing-shoulder': 'Facing shoulder seam',
  'facing-centre-back': 'Centre back seam of the facing',
  'facing-line-front': 'Front lining to front facing',
  'facing-line-back': 'Back lining to back facing',
  'lining-shoulder': 'Lining shoulder seam',
  'lining-side': 'Lining side seam',
  'facing-raglan': 'Neck facings of body and sleeve',
  'facing-line-waist': 'Skirt lining to waist facing',
  'facing-line-sleeve': 'Sleeve lining to sleeve facing',
  'neckline-sleeve': 'Facing to the neckline of the sleeve',
  'hood-facing-line': 'Hood lining to hood facing',
  'hood-crown': 'Crown seam of the hood lining',
  'hood-edge': 'Facing to the opening of the hood',
  'lining-panel-front': 'Princess seam of the lining, front',
  'lining-panel-back': 'Princess seam of the lining, back',
  'lining-elbow': 'Elbow seam of the sleeve lining',
  'lining-forearm': 'Forearm seam of the sleeve lining',
  'lining-raglan': 'Raglan seams of the lining',
  'hem-front-side': 'Side front lining to turned hem',
  'hem-back-side': 'Side back lining to turned hem',
  'wrist-under': 'Under-sleeve lining to turned wrist',
  'lining-underarm': 'Underarm seam of the sleeve lining',
  'lining-cap': 'Sleeve lining into lining armhole',
  'facing-line-opening': 'Lining to the facing of an opening',
  'band-cut-out': 'Inside to cut-out',
  'neckline-cut-out': 'Facing to keyhole',
  'opening-armhole': 'Inside to armhole',
  'opening-neckline': 'Inside to neckline',
  'opening-cut-out': 'Inside to cut-out',
  'band-armhole': 'Armhole facing to armhole',
  'band-waist': 'Waist facing to waist',
  'band-hem': 'Hem facing to hem',
  'band-wrist': 'Wrist facing to wrist',
  'band-neckline': 'Facing to neckline',
  'lining-skirt-side': 'Side seam of the skirt lining',
  'lining-waist-front': 'Skirt lining to bodice lining, front',
  'lining-waist-back': 'Skirt lining to bodice lining, back',
  'waist-front-lining': 'Skirt front lining to waist',
  'waist-back-lining': 'Skirt back lining to waist',
  'armhole-front': 'Front lining to armhole',
  'armhole-back': 'Back lining to armhole',
  'wrist-to-cuff': 'Sleeve lining to the cuff seam',
  'lining-centre-back': 'Centre back seam of the lining',
  'vent-over': 'Lining to the vent, overlap',
  'vent-under': 'Lining to the vent, underlap',
  'hem-back-under': 'Back lining, underlap, to turned hem',
  'hem-skirt-back-under': 'Skirt back lining, underlap, to turned hem',
  'hem-skirt-front': 'Skirt front lining to turned hem',
  'hem-trouser-front': 'Trouser front lining to turned hem',
  'hem-trouser-back': 'Trouser back lining to turned hem',
  'hem-skirt-back': 'Skirt back lining to turned hem',
  'front-edge': 'Facing to front edge',
  'neckline-front': 'Facing to front neckline',
  'neckline-back': 'Facing to back neckline',
  'hem-front': 'Front lining to turned hem',
  'hem-back': 'Back lining to turned hem',
  wrist: 'Sleeve lining to turned wrist',
};

/** Seams that are named by the pieces they join. */
const JOIN_WORDS: Record<`join-${JoinCode}`, string> = {
  'join-panel': 'Panel seam',
  'join-elbow': 'Elbow seam',
  'join-forearm': 'Forearm seam',
  'join-yoke': 'Yoke seam',
  'join-shoulder': 'Shoulder seam',
  'join-centre-back': 'Centre back seam',
  'join-centre-front': 'Centre front seam',
  'join-side': 'Side seam',
  'join-underarm': 'Underarm seam',
  'join-inseam': 'Inseam',
  'join-rise': 'Rise',
  'join-waist': 'Waist seam',
  'join-cap': 'Sleeve into armhole',
  'join-hood': 'Hood to neckline',
  'join-stand': 'Stand to neckline',
  'join-collar': 'Collar seam',
  'join-cuff': 'Cuff seam',
  'join-other': 'Seam',
};

/** What is sewn where a seam of the inside is named by the pieces it joins. */
const INSIDE_WORDS: [RegExp, string][] = [
  [/^facing-line-/, 'Facing line'],
  [/^facing-/, 'Seam of the facing'],
  [/^lining-panel/, 'Panel seam of the lining'],
  [/^lining-other/, 'Seam of the lining'],
  [/^front-edge/, 'Front edge'],
  [/^neckline-/, 'Neckline'],
  [/^armhole-/, 'Armhole'],
  [/^waist-/, 'Waist'],
  [/^hem-/, 'Turned hem'],
  [/^wrist/, 'Turned wrist'],
];

/** A seam by its code, or else by what is sewn. */
export const joinWords = (code: string): string =>
  JOIN_WORDS[code as `join-${JoinCode}`] ?? INSIDE_WORDS.find(([is]) => is.test(code))?.[1] ?? SEAM_WORDS[code] ?? code;

/** A seam by its name; beside a vent the half that lies under has its like. */
export function seamWords({ id, code, between }: Pick<Seam, 'id' | 'code' | 'between'>): string {
  if (between) return `${joinWords(code)}: ${[...new Set(between)].join(' to ')}`;
  const name = SEAM_WORDS[code] ?? code;
  return id.endsWith('-under') && !name.includes('underlap') ? `${name}, underlap` : name;
}

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
