import { oftenWords } from '../../../contract/words/figures.ts';
import {
  BUTTON_SHAPES,
  type ButtonShape,
  CLOSING_KINDS,
  type ClosureChoice,
  EDGE_CLEAR,
  FASTENERS,
  type Keep,
  LAYOUTS,
  MOST_BUTTONS,
  ROUNDINGS,
  type SmallChoice,
} from '../../../core/closure/index.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { type CountOf, type Fields, type LengthOf, lengthField, type WaysOf, waysField } from '../../ui/fields.tsx';
import { CLOSED_WITH, CLOSING_WORDS, LAYOUT_WORDS, roundingWords } from '../../words/index.ts';

// What is asked of a closing, each a table that is laid over its part of the choice.

const length = (label: string, least: number, most: number, help: string): LengthOf =>
  lengthField(label, least, most, help, { atLeast: least });

const WITH: WaysOf<ClosureChoice['fastener']> = {
  as: 'ways',
  label: 'Fastener',
  ways: FASTENERS.map((id) => ({ id, words: CLOSED_WITH[id] })),
};

/** How many and how large. */
export const numberFields = (c: ClosureChoice) =>
  ({
    by: waysField('Decide by', { count: 'by how many', range: 'from … to', gap: 'by how far apart' }),
    count: {
      as: 'count',
      label: c.by !== 'count' ? 'At least' : c.kind === 'double' ? 'How many rows' : 'How many buttons',
      least: 1,
      most: MOST_BUTTONS,
    },
    most: { as: 'count', label: 'At most', least: c.count, most: MOST_BUTTONS },
    gap: length('Wished gap', 20, 200, 'From centre to centre; what comes nearest to it is taken.'),
    diameter: {
      as: 'length',
      label: 'Button, across',
      least: 5,
      most: c.band > 0 ? Math.max(6, c.band - EDGE_CLEAR[c.fastener]) : 50,
      atLeast: 5,
      atMost: c.band > 0 ? Math.max(6, c.band - EDGE_CLEAR[c.fastener]) : 100,
      help: 'The hole, the overlap and what is kept clear of the edge follow from it.',
    },
    thickness: length('Button, thick', 1, 20, 'The hole has to let it through: across and thick together.'),
  }) as const satisfies Fields<ClosureChoice>;

const fixed = (mm: number): string | undefined => (mm === 0 ? 'nothing' : undefined);

/** Where the first and the last lie; `top`: what lengths are measured from. */
export const endFields = (top: string) =>
  ({
    top: length(`First, below ${top}`, 0, 150, 'Half a button and a little more clear of the edge.'),
    topGive: { ...length('The first may move by', 0, 50, 'A little room makes the gaps round.'), said: fixed },
    bottom: length('Last, above the lower end', 0, 700, 'Clear of the hem, and where one still steps freely.'),
    bottomGive: {
      ...length(
        'The last may move by',
        0,
        50,
        'A little room makes the gaps round: {10 mm} is seldom seen at the hem.',
      ),
      said: fixed,
    },
  }) as const satisfies Fields<ClosureChoice>;

export const STAND = {
  height: length('Stand, high', 10, 100, 'Its hole lies in the middle of it.'),
} as const satisfies Fields<ClosureChoice['stand']>;

/** How they are spaced. */
export const spacingFields = (units: LengthUnit) =>
  ({
    school: waysField('Gaps', { equal: 'all alike', first: 'alike but for the first', groups: 'in groups' }),
    firstGap: length('First gap', 20, 150, 'Shorter at the collar, where it would stand open: {70 mm}, then {90 mm}.'),
    rounding: {
      as: 'ways',
      label: 'Gaps in whole steps of',
      ways: ROUNDINGS.map((id) => ({ id, words: roundingWords(id, units) })),
    },
  }) as const satisfies Fields<ClosureChoice>;

export const GROUP = {
  size: { as: 'count', label: 'In each group', least: 2, most: 3 },
  inner: length('Apart within a group', 10, 200, 'From centre to centre.'),
} as const satisfies Fields<ClosureChoice['group']>;

export const waistFields = (top: string) =>
  ({
    keepClear: { as: 'yes', label: 'Worn belted', yes: 'is kept clear for a belt', no: 'is not kept clear' },
    at: length(`Waist, below ${top}`, 0, 800, 'Where the belt lies when it is worn.'),
    belt: length('Belt, wide', 0, 200, 'No button lies under it.'),
  }) as const satisfies Fields<ClosureChoice['waist']>;

/** One place that is kept clear. */
export const keepFields = (n: number, top: string) =>
  ({
    at: length(`Below ${top}, kept clear ${n}`, 0, 2000, 'Its middle, along the line.'),
    width: length(`Wide along the line, kept clear ${n}`, 0, 400, '0 for a seam: a line.'),
  }) as const satisfies Fields<Keep>;

const unmeasured = (mm: number): string | undefined => (mm === 0 ? 'not measured' : undefined);

/** Bust level and pull; `from`: what the level is taken from where it was not measured. */
export const bustFields = (top: string, from: string) =>
  ({
    want: waysField('A button at bust level', {
      no: 'lies as it comes',
      near: 'lies as near as can be',
      on: 'lies on it',
    }),
    own: { as: 'yes', label: 'Bust level', yes: 'measured', no: from },
    at: length(`Bust level, below ${top}`, 0, 600, 'Along the front, on the body.'),
    body: {
      ...length('Body, round the bust', 0, 2000, '0: not measured. The pull of each gap is reckoned from it.'),
      said: unmeasured,
    },
    garment: {
      ...length('Garment, closed, round the bust', 0, 2500, 'On the finished or tacked garment, closed.'),
      said: unmeasured,
    },
  }) as const satisfies Fields<ClosureChoice['bust']>;

/** What closes, and how. */
export const kindFields = (units: LengthUnit) =>
  ({
    on: { as: 'yes', label: 'Along the front', yes: 'it closes', no: 'it does not close' },
    kind: {
      as: 'ways',
      label: 'How the front closes',
      ways: CLOSING_KINDS.map((id) => ({ id, words: CLOSING_WORDS[id] })),
    },
    fastener: WITH,
    show: { as: 'yes', label: 'Show buttons', yes: 'sewn over them', no: 'not shown on the outside' },
    side: waysField('Holes on the wearer’s', { right: 'right, women’s custom', left: 'left, men’s custom' }),
    length: length('Length of the closing', 40, 1500, 'From the neck seam, or its upper end, to its lower end.'),
    extension: length(
      'Beyond the centre line',
      0,
      200,
      'At least half a button, and as much as is kept clear of the edge.',
    ),
    band: {
      ...length('Band, wide', 0, 120, '0: none. The button must have room within it.'),
      said: (mm: number) => (mm === 0 ? 'left out' : `${formatLength(mm, units)} wide`),
    },
  }) as const satisfies Fields<ClosureChoice>;

export const DOUBLE = {
  across: length('Column from centre front', 10, 150, 'Both sides alike, so that the front lies crossed over.'),
  columns: { as: 'count', label: 'Columns each side', least: 1, most: 3 },
  working: { as: 'count', label: 'Rows that really close', least: 0, most: 20 },
} as const satisfies Fields<ClosureChoice['double']>;

const SHAPES: Record<ButtonShape, string> = {
  flat: 'flat',
  domed: 'domed',
  ball: 'a ball',
  strip: 'by a strip wrapped round it',
};

/** The button's shape, and how its hole lies. */
export const HOLES = {
  shape: { as: 'ways', label: 'The button is', ways: BUTTON_SHAPES.map((id) => ({ id, words: SHAPES[id] })) },
  strip: length(
    'The strip, once round',
    5,
    120,
    'Wrap a strip of paper round the button once, mark where it meets, and measure it.',
  ),
  direction: waysField('Holes run', { horizontal: 'across: where it pulls', vertical: 'along the band' }),
  start: waysField('A hole begins', { past: 'just past the centre', centred: 'centred' }),
  snug: {
    as: 'yes',
    label: 'How long',
    yes: 'snug: only as long as the button is wide',
    no: 'as long as a strip wrapped round the button says',
  },
  keyhole: { as: 'yes', label: 'Their ends', yes: 'a keyhole, as on coats', no: 'a bar at each end' },
} as const satisfies Fields<ClosureChoice>;

/** What is asked of a closing beside the front. */
export function smallFields(s: SmallChoice) {
  const collar = s.kind === 'collar' || s.kind === 'hood';
  const opening = s.kind === 'shoulder' || s.kind === 'back-neck';
  const button = s.fastener === 'button' || s.fastener === 'loop';
  const long = collar ? 'Half neckline, on the seam line' : opening ? 'Opening, long' : 'Long, finished';
  const count = (label: string, least: number, most: number): CountOf => ({ as: 'count', label, least, most });
  return {
    fastener: WITH,
    layout: { as: 'ways', label: 'Buttons', ways: LAYOUTS.map((id) => ({ id, words: LAYOUT_WORDS[id] })) },
    count: count('How many', 1, 20),
    times: { ...count('Of these on the garment', 1, 12), said: oftenWords },
    length: length(long, 20, 2000, 'Finished, without allowances.'),
    width: length(collar ? 'Band, wide' : 'Wide, finished', 8, 300, 'Finished, without allowances.'),
    lap: length('Ends lap by', 5, 200, 'The end with the hole lies over the other by so much.'),
    shoulder: length('Centre back to shoulder seam', 20, 400, 'Along the neckline: one fastener lies at the seam.'),
    diameter: { ...length(button ? 'Button, across' : 'Across', 4, 50, 'The hole follows from it.'), atMost: 50 },
    thickness: length('Button, thick', 1, 20, 'The hole has to let it through.'),
  } as const satisfies Fields<SmallChoice>;
}
