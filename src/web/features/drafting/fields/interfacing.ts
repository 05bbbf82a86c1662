import {
  type Decisions,
  type FrontInterfacing,
  type Stiffened,
  type StripSaid,
} from '../../../../core/document/project.ts';
import { type Fields, type LengthOf } from '../../../ui/fields.tsx';
import { type Way } from '../../../ui/Sentence.tsx';
import { oftenWords } from '../../../words/figures.ts';

// What is asked of interfacing, and of pieces that are cut by figures: each a table that is laid over its part of the decisions.

export const INTERFACING = {
  on: { as: 'yes', label: 'Facings and front edge', yes: 'are interfaced', no: 'are not interfaced' },
  trim: {
    as: 'ways',
    label: 'It ends',
    ways: [
      { id: 'inside', words: '{3 mm} inside the seam: least bulk' },
      { id: 'seam', words: 'at the seam line' },
      { id: 'caught', words: '{3 mm} into the allowance: caught' },
      { id: 'whole', words: 'with the whole piece' },
    ],
  },
  front: {
    as: 'ways',
    label: 'On the front itself, under the facing',
    ways: [
      {
        id: 'strip',
        words: 'a strip along the edge',
        drawn: [
          ['under', 'M30 8H90V52H30Z'],
          ['fill', 'M30 8H44V52H30Z'],
          ['edge', 'M30 8V52'],
        ],
      },
      {
        id: 'shaped',
        words: 'shaped, from shoulder and underarm',
        drawn: [
          ['under', 'M30 8H90V52H30Z'],
          ['fill', 'M30 8H66L90 24Q58 34 48 52H30Z'],
          ['edge', 'M30 8V52'],
        ],
      },
      {
        id: 'whole',
        words: 'the whole front',
        drawn: [
          ['fill', 'M30 8H90V52H30Z'],
          ['edge', 'M30 8V52'],
        ],
      },
    ] satisfies readonly Way<FrontInterfacing>[],
  },
  frontStrip: {
    as: 'length',
    label: 'Strip along the front edge',
    least: 0,
    most: 120,
    help: 'Under buttons and buttonholes; 0 for none.',
  },
  stand: {
    as: 'ways',
    label: 'The collar stand',
    ways: [
      { id: 'both', words: 'both layers' },
      { id: 'one', words: 'one layer' },
    ],
  },
} as const satisfies Fields<Decisions['interfacing']>;

/** The figures of a strip: ties, ruffles, flounces, belt loops. */
export function stripFields(s: StripSaid) {
  const length = (words: string, most: number, least: number, help: string): LengthOf => ({
    as: 'length',
    label: `${s.name}: ${words}`,
    least,
    most,
    atLeast: least,
    help,
  });
  const long = s.kind === 'tie' ? 'finished length' : 'length of one';
  const wide = s.kind === 'ruffle' || s.kind === 'flounce' ? 'finished depth' : 'finished width';
  return {
    count: { as: 'count', label: `${s.name}: how many`, least: 1, most: 40, said: oftenWords },
    length: length(long, s.kind === 'tie' ? 2000 : 200, 3, 'Without the allowances at its ends.'),
    width: length(wide, wide === 'finished depth' ? 700 : 200, 3, 'As it is seen; allowances and folds come to it.'),
    hem: length('its hem', 60, 0, 'Turned twice, so much each time.'),
  } as const satisfies Fields<StripSaid>;
}

/** An interfaced place wherever it is wished. */
export const regionFields = (n: number) =>
  ({
    width: {
      as: 'length',
      label: `Width of interfaced place ${n}`,
      least: 5,
      most: 300,
      atLeast: 5,
      help: '{25 mm} along a zip; as wide as what it has to hold.',
    },
    on: {
      as: 'ways',
      label: `Layer of interfaced place ${n}`,
      ways: [
        { id: 'shell', words: 'on the shell' },
        { id: 'lining', words: 'on the lining' },
      ],
    },
  }) as const satisfies Fields<Stiffened>;
