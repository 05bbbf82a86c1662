import { type Transfer } from '../../core/plan/index.ts';
import { listed } from '../listed.ts';

/** What each mark is called, one and several, and how it is carried over. Common practice. */
const MARK_WORDS: Record<Transfer['what'], readonly [one: string, many: string, how: string]> = {
  notch: ['one notch', 'notches', 'a snip of 3 mm into the allowance, or a chalk tick where it frays'],
  dart: ['one dart', 'darts', 'snips at its mouth; its point and legs on the wrong side, with tacks or chalk'],
  pleat: ['one pleat', 'pleats', 'snips at both ends of its lines, or a thread along them'],
  gather: ['stretch to gather', 'stretches to gather', 'a snip at each end'],
  placement: ['place of what is sewn on', 'places of what is sewn on', 'tacks at its corners, seen on the right side'],
  'cut-away': ['line to cut along', 'lines to cut along', 'chalk on the wrong side, before anything is cut'],
  opening: [
    'slit or opening',
    'slits and openings',
    'chalk on the wrong side and a pin across its end; cut only after stitching',
  ],
  'roll-line': ['roll line', 'roll lines', 'a row of basting, on the layer that is interfaced'],
  fold: ['fold line', 'fold lines', 'snips at both ends; pressed in before the piece is sewn'],
  'centre-front': ['centre front', 'centre fronts', 'a row of basting, seen from both sides'],
  waist: ['waist line', 'waist lines', 'a row of basting'],
  other: ['line', 'lines', 'chalk, where you need it'],
  dot: ['point', 'points', 'a dot of chalk on the wrong side: stitching starts, stops or turns there'],
  circle: ['point', 'points', 'a dot of chalk on the wrong side: stitching starts, stops or turns there'],
  square: [
    'corner point',
    'corner points',
    'a dot of chalk on the wrong side: the needle stays down there and the work turns',
  ],
  button: ['button', 'buttons', 'left until the holes are sewn: then through the finished holes'],
};

/** “steps 3, 7 and 9”. */
const numbered = (steps: number[]): string => `${steps.length === 1 ? 'step' : 'steps'} ${listed(steps.map(String))}`;

/** Marks of one kind on one piece: what, how, and for which steps. */
export function transferWords(t: Transfer): { what: string; how: string; steps: string } {
  const [one, many, how] = MARK_WORDS[t.what];
  return {
    what: t.count === 1 ? one : `${t.count} ${many}`,
    how,
    steps: t.steps.length ? numbered(t.steps) : 'no step of this plan goes by it',
  };
}
