import { CAUTION_WORDS, type Figure } from '../../contract/words/index.ts';
import { type PracticeFigure, type PracticeId, type PracticeStep, type ScrapName } from '../../core/bench/index.ts';
import { STATION_CAUTIONS } from '../../core/plan/index.ts';
import { formatLength, inUnit, type LengthUnit } from '../../core/units.ts';
import { type Stroke } from './terms.ts';

interface PracticeSaid {
  title: string;
  why: string;
  drawn: readonly Stroke[];
  /** By their codes; a figure of the step stands as its code in braces, another length as `{6 mm}`. */
  steps: Readonly<Record<string, readonly [title: string, how: string]>>;
  check: string;
}

/** A practice piece in words: what it is for, its steps, and what is looked at in the end. */
export const PRACTICE_WORDS: Record<PracticeId, PracticeSaid> = {
  'collar-points': {
    title: 'The points of a collar',
    why: 'Both points as sharp, and as long, as each other.',
    drawn: [
      ['fill', 'M12 12H108V48H12Z'],
      ['edge', 'M12 48V12H108V48'],
      ['stitch', 'M18 48V22L22 18H98L102 22V48'],
      ['fold', 'M60 8V52'],
    ],
    steps: {
      fuse: [
        'Fuse one of the two scraps',
        'Interfacing on its wrong side: it is the upper collar. Leave it flat until it is cold.',
      ],
      mark: [
        'Mark the seam and its two points',
        'On the wrong side of the upper collar, {allowance} in from three edges: up, across, and down. Each point is {from-middle} from the middle.',
      ],
      sew: [
        'Sew round, one stitch across each point',
        'Right sides together. Stop one stitch before the point, turn, one stitch across, turn, go on.',
      ],
      grade: [
        'Grade, and cut the points across',
        'The upper collar to {grade-upper}, the under collar to {grade-under}. At the points to {trim} from the stitching, both sides trimmed.',
      ],
      turn: [
        'Turn and press',
        'Push the points out with something blunt. Roll the seam a thread to the side that is not seen.',
      ],
    },
    check: 'Fold it in the middle: how far apart are the two points?',
  },
  'sandwich-roll': {
    title: 'The sandwich, and the roll',
    why: 'Three layers in one seam, and none caught that should not be.',
    drawn: [
      ['under', 'M14 40H106V50H14Z'],
      ['fill', 'M14 22H106V32H14Z'],
      ['edge', 'M14 50H106M14 22H106'],
      ['edge', 'M66 36a7 7 0 1 1 7 -7a4 4 0 1 1 -4 4'],
      ['stitch', 'M22 16V54'],
    ],
    steps: {
      lay: [
        'Lay the sandwich',
        'The inner yoke right side up; on it the back, right side up; on top the outer yoke, right side down. Raw edges level.',
      ],
      sew: ['Sew the three layers in one seam', '{allowance} from the edge, one line.'],
      press: [
        'Press both yokes up',
        'Grade the allowances first. Away from the back: one comes to lie on each side of it.',
      ],
      roll: [
        'Roll the back up',
        'Tightly, on the outer yoke, until the far edges of both yokes lie free beyond the roll.',
      ],
      close: [
        'Bring the inner yoke round the roll and sew its far edge',
        'Right sides of the two yokes together, the roll between them; stitch clear of it.',
      ],
      pull: ['Pull the roll out at the side', 'Slowly, the bulk first, and press.'],
    },
    check: 'Is the back caught anywhere in the second seam?',
  },
  mitre: {
    title: 'A mitre',
    why: 'A hem and an edge that meet in one line at a corner.',
    drawn: [
      ['fill', 'M16 6H112V54H92V26H16Z'],
      ['edge', 'M16 6H112V54'],
      ['fold', 'M16 26H92V54'],
      ['stitch', 'M92 26L112 6'],
    ],
    steps: {
      press: ['Press two neighbouring edges under', '{turned-under} each, creases sharp, then open them again.'],
      mark: [
        'Mark the line of the mitre',
        'On the wrong side: {mark-along} from the corner along each edge, and through where the creases cross.',
      ],
      fold: [
        'Fold the corner, creases on creases',
        'Right sides together, diagonally: the two marks on the edges lie on each other, and the line ends at the fold.',
      ],
      sew: [
        'Look before you sew, then sew on the line',
        'Pin it, turn it over the pin: it must lie flat. Then from the edges to the fold.',
      ],
      trim: ['Trim and turn', '{trim} from the stitching, the point cut across; press open, turn.'],
    },
    check: 'How far is the corner from square, over 40 mm?',
  },
  'set-in-sleeve': {
    title: 'A sleeve into its armhole',
    why: 'Ease spread without a tuck.',
    drawn: [
      ['fill', 'M8 50C34 50 40 10 60 10S86 50 112 50Z'],
      ['edge', 'M8 50C34 50 40 10 60 10S86 50 112 50'],
      ['stitch', 'M14 54C40 54 46 18 60 18S80 54 106 54'],
    ],
    steps: {
      draw: [
        'Draw an armhole and a cap',
        'As lines of stitching, cut {15 mm} outside them: on one scrap a hollow {hollow-deep} deep, on the other a cap {cap-high} high, as wide. Measured along its line the cap is {ease} longer. Mark both at a quarter, a half and three quarters of their lines.',
      ],
      ease: [
        'Run two rows of ease stitches',
        'Loose, within the allowance of the cap, from the first mark to the last.',
      ],
      steam: [
        'Draw it up by {ease} and steam it',
        'Over a rolled towel, until the fullness is gone and it stands like a cap.',
      ],
      sew: [
        'Pin mark to mark, and sew with the eased side up',
        'From the middle outward; a finger before the foot smooths each bit.',
      ],
      press: ['Take the ease stitches out and press', 'Allowances towards the sleeve.'],
    },
    check: 'How long is the longest tuck you can see?',
  },
  holes: {
    title: 'Buttonholes, cut',
    why: 'Length, density and stabiliser are right before they are on the garment.',
    drawn: [
      ['fill', 'M10 10H110V50H10Z'],
      ['edge', 'M10 10H110M10 50H110'],
      ['stitch', 'M34 25H86V35H34Z'],
      ['edge', 'M37 30H83'],
    ],
    steps: {
      lay: [
        'Lay the same layers as the garment has',
        'Front and facing, interfaced as they are there, folded as the edge is. Draw two holes as long as its button needs.',
      ],
      under: ['Sew one with the stabiliser under', 'Write down the length that is set on the machine.'],
      over: ['Sew the other with it over', 'The same again.'],
      cut: ['Cut the better one', 'A pin across each end, from the middle outward.'],
      try: ['Put the button through, ten times', 'It must slip, and must not fall.'],
    },
    check: 'By how much is the hole longer or shorter than it should be?',
  },
};

/** What of the garment a scrap stands for. */
export const SCRAP_WORDS: Record<ScrapName | 'corner-over', string> = {
  'upper-collar': 'upper collar',
  'under-collar': 'under collar',
  'outer-yoke': 'outer yoke',
  'inner-yoke': 'inner yoke',
  back: 'back',
  corner: 'one half of the corner',
  'corner-over': 'the other half',
  sleeve: 'sleeve',
  armhole: 'armhole',
  front: 'front',
  facing: 'facing',
};

const FIGURE_WORDS: Record<PracticeFigure, string> = {
  allowance: 'allowance',
  stitch: 'stitch length',
  'from-middle': 'from the middle to a point',
  'grade-upper': 'upper collar',
  'grade-under': 'under collar',
  trim: 'from the stitching',
  'turned-under': 'turned under',
  'mark-along': 'from the corner along each edge',
  'hollow-deep': 'deep, the armhole',
  'cap-high': 'high, the cap',
  ease: 'longer, the cap',
  density: 'between stitches',
  times: 'through the hole',
};

/** A stitch is set in millimetres on every machine; how often has no unit. */
const valueWords = (code: PracticeFigure, value: number, units: LengthUnit): string =>
  code === 'times'
    ? `${value} times`
    : code === 'stitch' || code === 'density'
      ? String(value)
      : formatLength(value, units);

/** The figures of a step of practice. */
export const practiceFigures = ({ figures }: PracticeStep, units: LengthUnit): Figure[] =>
  figures.map((f) => ({ value: valueWords(f.code, f.value, units), words: FIGURE_WORDS[f.code] }));

/** A step of practice in words: what is done, and how. */
export function practiceWords(id: PracticeId, step: PracticeStep, units: LengthUnit): { title: string; how: string } {
  const filled = (text: string): string =>
    inUnit(
      step.figures.reduce((t, f) => t.replaceAll(`{${f.code}}`, valueWords(f.code, f.value, units)), text),
      units,
    );
  const [title = step.code, how = ''] = PRACTICE_WORDS[id].steps[step.code] ?? [];
  return { title: filled(title), how: filled(how) };
}

/** The cautions of a step: at the first of its place of work, and not again. */
export function practiceCautions(steps: readonly PracticeStep[], at: number): string {
  const { station } = steps[at] ?? {};
  if (!station || steps.findIndex((s) => s.station === station) !== at) return '';
  return (STATION_CAUTIONS[station] ?? []).map((c) => CAUTION_WORDS[c].full).join(' ');
}
