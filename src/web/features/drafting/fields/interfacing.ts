import { oftenWords } from '../../../../contract/words/figures.ts';
import {
  type Decisions,
  type FrontInterfacing,
  type Stiffened,
  type StripSaid,
} from '../../../../core/document/project.ts';
import { type Fields, type LengthOf, lengthField, waysField } from '../../../ui/fields.tsx';
import { type Way } from '../../../ui/Sentence.tsx';

// What is asked of interfacing, and of pieces that are cut by figures: each a table that is laid over its part of the decisions.

export const INTERFACING = {
  on: { as: 'yes', label: 'Facings and front edge', yes: 'are interfaced', no: 'are not interfaced' },
  trim: waysField('It ends', {
    inside: '{3 mm} inside the seam: least bulk',
    seam: 'at the seam line',
    caught: '{3 mm} into the allowance: caught',
    whole: 'with the whole piece',
  }),
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
  frontStrip: lengthField('Strip along the front edge', 0, 120, 'Under buttons and buttonholes; 0 for none.'),
  stand: waysField('The collar stand', { both: 'both layers', one: 'one layer' }),
} as const satisfies Fields<Decisions['interfacing']>;

/** The figures of a strip: ties, ruffles, flounces, belt loops. */
export function stripFields(s: StripSaid) {
  const length = (words: string, most: number, least: number, help: string): LengthOf =>
    lengthField(`${s.name}: ${words}`, least, most, help, { atLeast: least });
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
    width: lengthField(
      `Width of interfaced place ${n}`,
      5,
      300,
      '{25 mm} along a zip; as wide as what it has to hold.',
      { atLeast: 5 },
    ),
    on: waysField(`Layer of interfaced place ${n}`, { shell: 'on the shell', lining: 'on the lining' }),
  }) as const satisfies Fields<Stiffened>;
