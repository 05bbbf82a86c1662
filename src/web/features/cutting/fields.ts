import { type ClothSaid, type Print } from '../../../core/cutting/index.ts';
import { FIBRE, PRICE, SORT } from '../../ui/clothfields.ts';
import { type CountOf, type Fields, lengthField, waysField } from '../../ui/fields.tsx';

/** How a cloth is asked about. Usual figures: common practice. */
export const CLOTH = {
  width: lengthField(
    'Width, selvedge to selvedge',
    600,
    1800,
    'Measure it: cloth sold as {1400 mm} wide is often {1350 mm}.',
    {
      usual: [800, 1650],
      atLeast: 50,
      atMost: 5000,
    },
  ),
  owned: lengthField('So much of it is there', 0, 6000, 'What lies in the cupboard; 0 if it is still to be bought.', {
    atMost: 100_000,
    said: (v) => (v === 0 ? 'still to be bought' : undefined),
  }),
  sort: SORT,
  fibre: FIBRE,
  lies: waysField('How it lies', {
    single: 'in one layer',
    folded: 'folded lengthwise',
    crosswise: 'folded across, its two ends on each other',
    partly: 'folded in part',
  }),
  scallops: waysField('Edges of the lace', {
    none: 'plain edges',
    one: 'one edge in scallops, the one drawn below',
    both: 'both edges in scallops',
  }),
  foldedBy: lengthField(
    'How wide a strip lies double',
    50,
    800,
    'As wide as half of the widest piece on the fold, and what is kept free at the selvedge.',
    { atLeast: 1, atMost: 2500, said: (v) => (v === 0 ? 'no width yet' : undefined) },
  ),
  foldFar: {
    as: 'yes',
    label: 'Where the fold lies',
    yes: 'the fold across the table from you',
    no: 'the fold nearest to you',
  },
  oneWay: {
    as: 'yes',
    label: 'Which way up pieces lie',
    yes: 'all the same way: nap, pile or a print with an upper end',
    no: 'either way up',
  },
  tilt: {
    as: 'count',
    label: 'How far off the grain, degrees',
    least: 0,
    most: 5,
    help: 'Off its grain a piece hangs askew: 2° is 35 mm on a metre. Only for small pieces, where cloth is short; never where a print meets.',
    said: (n) => (n ? `up to ${n}° off it` : 'nowhere off it'),
  },
  selvedge: lengthField(
    'Kept free along a selvedge',
    0,
    50,
    'Selvedges are woven tighter and pull; do not cut into them.',
    {
      atMost: 300,
    },
  ),
  end: lengthField('Kept free at both ends', 0, 100, 'A cut end is seldom quite straight.', { atMost: 300 }),
  gap: lengthField(
    'Kept between pieces',
    0,
    15,
    'For shears that wander, or cloth that frays. 0 where they may touch.',
    {
      atMost: 50,
    },
  ),
  recut: lengthField(
    'Kept to cut a piece anew',
    0,
    1000,
    'As long as the piece that is likeliest to go wrong: a sleeve, a front.',
    {
      atMost: 5000,
      said: (v) => (v === 0 ? 'nothing is kept' : undefined),
    },
  ),
  price: PRICE,
} satisfies Fields<ClothSaid>;

const never = (mm: number): string | undefined => (mm === 0 ? 'never' : undefined);
const REPEAT = 'From one line or figure to the next one alike. 0 for plain cloth, and where lines need not meet.';

/** How its print is asked about. */
export const PRINT = {
  along: lengthField('Print comes again along it', 0, 700, REPEAT, { atMost: 2000, said: never }),
  across: lengthField('Print comes again across it', 0, 700, REPEAT, { atMost: 2000, said: never }),
  fromEnd: lengthField('First line from the cut end', 0, 700, 'From where the cloth begins to the first line.', {
    atMost: 2000,
  }),
  fromSide: lengthField(
    'First line from the selvedge',
    0,
    700,
    'From the selvedge drawn below. Folded, the fold itself lies on a line.',
    { atMost: 2000 },
  ),
} satisfies Fields<Print>;

const percent = (label: string): CountOf => ({
  as: 'count',
  label,
  least: 0,
  most: 20,
  help: 'Best washed before it is cut: then 0. Else wash a square of 200 mm and measure what is left of it.',
  said: (n) => (n ? `${n} %` : 'nothing'),
});

/** How what it will shrink is asked about, %. */
export const SHRINKS = { along: percent('Shrinks along it'), across: percent('Shrinks across it') } satisfies Fields<
  ClothSaid['shrinks']
>;
