import { type Decisions, type HemChoice, type HemKind, type TurnedSeams } from '../../../../core/document/project.ts';
import { type Fields, type LengthOf, lengthField, type WaysOf, waysField } from '../../../ui/fields.tsx';
import { type Way } from '../../../ui/Sentence.tsx';

// What is asked of a lining: itself, where the shell opens, its hems: each a table that is laid over its part of the decisions.

export const LINING = {
  skirt: { as: 'yes', label: 'The skirt', yes: 'is lined too', no: 'is not lined' },
  fronts: waysField('The fronts are', { lined: 'lined as the rest is', double: 'cut twice, and the back only faced' }),
  pleat: lengthField(
    'Centre back pleat, in all',
    0,
    60,
    '{25–40 mm} in a coat, half of it on each side of the back; none in a bodice or beside a zip.',
  ),
  raise: lengthField('Raise the underarm', 0, 25, 'The seam allowance stands up there inside.'),
  out: lengthField('Let out the underarm', 0, 15, 'So that the lining has room round the allowances of the armhole.'),
  capEase: lengthField(
    "Ease in the lining's sleeve cap",
    0,
    40,
    'Less than the shell’s: lining cloth does not shrink in under the iron.',
    { usual: [10, 20] },
  ),
  smaller: lengthField('Armhole of the lining smaller by', 0, 6, 'So that its edge rolls inside and is not seen.'),
  fullness: waysField('Where the shell is gathered or pleated', {
    kept: 'the lining is too',
    out: 'the lining lies smooth: the fullness is folded out of it',
  }),
  darts: waysField('Darts in the lining are', { sewn: 'sewn as in the shell', pleats: 'laid as soft pleats' }),
  pockets: waysField('Pockets grown on to a seam', { out: 'left out of the lining', kept: 'kept in the lining' }),
} as const satisfies Fields<Decisions['lining']>;

/** How far the pleat goes down, said as what it comes to. */
export const pleatFields = (said: (mm: number) => string): { pleatLength: LengthOf } => ({
  pleatLength: {
    as: 'length',
    label: 'It goes down from the neck',
    least: 0,
    most: 800,
    help: '0 for all the way to the hem, or to the vent.',
    said,
  },
});

/** The two seams with an allowance that is turned in, at a vent, slit or zip. */
export const turnedFields = (what: string): { [K in keyof TurnedSeams]: LengthOf } => {
  const seam = (where: string): LengthOf =>
    lengthField(`Seam with ${what}, on the ${where}`, 3, 25, 'The seam that joins shell and lining there.');
  return { shellSeam: seam('shell'), liningSeam: seam('lining') };
};

export const VENT = {
  over: waysField('At the vent, as worn', { left: 'left laps over right', right: 'right laps over left' }),
  lap: waysField('At the vents of side and panel seams', {
    front: 'the front laps over the back',
    back: 'the back laps over the front',
  }),
  ...turnedFields('the vent'),
} as const satisfies Fields<Decisions['lining']['vent']>;

export const SLIT = {
  length: lengthField('Slit, above the finished hem', 40, 600, 'Long enough to step in; its upper end is made fast.'),
  ...turnedFields('the slit'),
} as const satisfies Fields<Decisions['lining']['slit']>;

export const ZIP = {
  length: lengthField(
    'Its length from the upper end of the seam',
    100,
    700,
    'Of the teeth; the garment has to come over shoulders or hips through it.',
  ),
  on: waysField('On which side, as worn', { left: 'left', right: 'right' }),
  ...turnedFields('it'),
} as const satisfies Fields<Decisions['lining']['zip']>;

const HEMMED: readonly Way<HemKind>[] = [
  {
    id: 'joined',
    words: 'sewn to the hem, with a fold',
    drawn: [
      ['edge', 'M50 6V50H78V34'],
      ['under', 'M70 6V40Q70 44 74 44T78 40V34H84V6Z'],
      ['stitch', 'M72 34H84'],
    ],
  },
  {
    id: 'free',
    words: 'hanging free',
    drawn: [
      ['edge', 'M50 6V50H68V36'],
      ['under', 'M80 6H88V40H80Z'],
      ['stitch', 'M80 34H88'],
    ],
  },
  {
    id: 'rib',
    words: 'sewn with the shell to a rib',
    drawn: [
      ['edge', 'M50 6V34M72 6V34'],
      ['under', 'M66 6H72V34H66Z'],
      ['fill', 'M50 34H72V54H50Z'],
      ['edge', 'M50 34H72M55 36V54M61 36V54M67 36V54'],
    ],
  },
  {
    id: 'edge',
    words: "seamed to the shell's edge",
    drawn: [
      ['edge', 'M50 6V52'],
      ['under', 'M54 6H62V52H54Z'],
      ['stitch', 'M48 48H64'],
    ],
  },
];

type HemFields = { kind: WaysOf<HemKind> } & Record<Exclude<keyof HemChoice, 'kind' | 'ribShare'>, LengthOf>;

/** The lining at a hem or wrist. */
export function hemFields(title: string): HemFields {
  const length = (words: string, least: number, most: number, help: string): LengthOf =>
    lengthField(`${title}: ${words}`, least, most, help);
  return {
    kind: { as: 'ways', label: `${title} the lining is`, ways: HEMMED },
    clearance: length('fold stays above the hem', 5, 35, 'So that the lining is not seen below it when one moves.'),
    seam: length('seam between lining and hem', 5, 15, 'Lining and the upper edge of the turned hem.'),
    above: length('lining ends above the hem', 5, 60, 'So that it is not seen.'),
    turn1: length('first turn', 5, 30, 'What is turned under within the hem.'),
    turn2: length('second turn', 10, 50, 'The depth of the hem as it is seen.'),
    ribDepth: length('rib, finished depth', 20, 120, 'It is cut twice as deep, and folded.'),
  };
}
