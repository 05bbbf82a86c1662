import { type Decisions, type FacingKind, FINISHES, type Finish } from '../../../../core/document/project.ts';
import { type Fields, type LengthOf, lengthField, waysField } from '../../../ui/fields.tsx';
import { type Way } from '../../../ui/Sentence.tsx';

// What is asked of a facing: each a table that is laid over its part of the decisions.

const FACED: readonly Way<FacingKind>[] = [
  {
    id: 'separate',
    words: 'a piece of its own',
    drawn: [
      ['fill', 'M16 8H46V52H16Z'],
      ['edge', 'M16 8V52M16 8H46V52H16'],
      ['under', 'M62 8H108V52H62Z'],
      ['edge', 'M62 8V52'],
    ],
  },
  {
    id: 'cut-on',
    words: 'grown on, the edge a fold',
    drawn: [
      ['fill', 'M20 8H56V52H20Z'],
      ['under', 'M56 8H108V52H56Z'],
      ['fold', 'M56 4V56'],
      ['edge', 'M20 8H108M20 8V52H108'],
    ],
  },
  {
    id: 'lapel',
    words: 'turned back with a lapel or shawl',
    drawn: [
      ['under', 'M40 52V30L74 8H108V52Z'],
      ['fill', 'M40 30L74 8L84 24Z'],
      ['fold', 'M40 30L74 8'],
      ['edge', 'M40 52V30L84 24L74 8'],
    ],
  },
];

const FINISH_WORDS: Record<Finish, string> = {
  overlocked: 'overlocked',
  bound: 'bound with a strip',
  pressed: 'pressed under {9.5 mm} and edge-stitched',
};

export const FACING = {
  on: { as: 'yes', label: 'Front edges and neck', yes: 'are faced', no: 'are not faced' },
  kind: { as: 'ways', label: 'The front facing', ways: FACED },
  front: lengthField('Front facing, width', 50, 140, 'It must reach past the buttonholes.', { usual: [75, 100] }),
  shoulder: lengthField(
    'Width at the shoulder',
    30,
    90,
    'Equal on front and back, so that their seam lies on one line.',
  ),
  radius: lengthField('Rounding of the inner corner', 0, 120, 'So that the lining can be sewn round it.'),
  out: lengthField('Drawn out at the top of the lapel', 0, 10, '{2–4 mm} by the cloth; {6 mm} for thick.', {
    usual: [2, 6],
  }),
  breakAt: lengthField(
    'It begins to turn below the top of the edge',
    50,
    800,
    'Where the roll line meets the front edge; draw it and it is taken from there.',
  ),
  deep: lengthField(
    'Its depth at centre back',
    60,
    320,
    'Deep enough to end in the armholes, where it is sewn in with the sleeves.',
  ),
  back: lengthField(
    'Back neck facing, depth',
    30,
    120,
    'Deep enough to hold the loop and the label, and to stay inside.',
  ),
  over: waysField('Over several panels the facing goes', {
    one: 'in one across their seams',
    parts: 'in parts, cut at each seam',
  }),
  finish: { as: 'ways', label: 'Their outer edge', ways: FINISHES.map((id) => ({ id, words: FINISH_WORDS[id] })) },
  turn: lengthField('Drawn smaller, to roll inside', 0, 4, '{1 mm} for thin cloth, {3 mm} for thick.', {
    usual: [1, 3],
  }),
} as const satisfies Fields<Decisions['facing']>;

/** A back facing round the neck, or down to the armholes. */
export const BACK_WAYS: readonly Way<'neck' | 'deep'>[] = [
  {
    id: 'neck',
    words: 'round the neck',
    drawn: [
      ['under', 'M20 10H100V56H20Z'],
      ['fill', 'M38 10Q60 24 82 10H96Q60 46 24 10Z'],
      ['edge', 'M20 56V10H38Q60 24 82 10H100V56'],
    ],
  },
  {
    id: 'deep',
    words: 'down to the armholes',
    drawn: [
      ['under', 'M20 10H100V56H20Z'],
      ['fill', 'M20 10H38Q60 24 82 10H100V38Q60 46 20 38Z'],
      ['edge', 'M20 56V10H38Q60 24 82 10H100V56'],
    ],
  },
];

/** The finished width of a bias strip, of which `what` says where it lies. */
export const biasFields = (what: string): { finished: LengthOf } => ({
  finished: lengthField(`${what}: its finished width`, 4, 30, 'The narrower, the closer it follows a tight curve.'),
});
