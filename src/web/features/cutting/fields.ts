import { type ClothSaid } from '../../../core/cutting/index.ts';
import { type Fields, lengthField, waysField } from '../../ui/fields.tsx';

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
  lies: waysField('How it lies', {
    single: 'in one layer, right side up',
    folded: 'folded lengthwise, right sides together',
  }),
  oneWay: {
    as: 'yes',
    label: 'Which way up pieces lie',
    yes: 'all the same way: nap, pile or a print with an upper end',
    no: 'either way up',
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
} satisfies Fields<ClothSaid>;
