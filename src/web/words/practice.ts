import { type PracticeId } from '../../core/bench/index.ts';
import { type Stroke } from './terms.ts';

interface PracticeSaid {
  title: string;
  why: string;
  drawn: readonly Stroke[];
  steps: [title: string, how: string][];
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
    steps: [
      ['Fuse one of the two scraps', 'Interfacing on its wrong side. Leave it flat until it is cold.'],
      [
        'Mark two corners',
        'On the wrong side, 15 mm in from three edges: up, across, and down. The two points are 80 mm from the fold in the middle.',
      ],
      [
        'Sew round, one stitch across each point',
        'Right sides together, stitch 2 to 2.5. Stop one stitch before the corner, turn, one stitch across, turn, go on.',
      ],
      [
        'Grade, and cut the points across',
        'Interfaced layer 6 mm, the other 3 mm. At the points to 2 mm from the stitching, both sides trimmed.',
      ],
      [
        'Turn and press',
        'Push the points out with something blunt. Roll the seam a thread to the side that is not seen.',
      ],
    ],
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
    steps: [
      [
        'Lay the sandwich',
        'A narrow scrap right side up, the large one on it right side up as the back, the other narrow one on top right side down.',
      ],
      ['Sew the three layers in one seam', '15 mm from the edge, one line.'],
      ['Press both narrow ones up', 'Away from the large one, one on each side.'],
      ['Roll the large one up', 'Tightly, on the outer one, until both narrow ones lie free beyond the roll.'],
      [
        'Bring the inner one round the roll and sew its far edge',
        'Right sides of the two narrow ones together, the roll between them; stitch clear of it.',
      ],
      ['Pull the roll out at the side', 'Slowly, the bulk first, and press.'],
    ],
    check: 'Is the large scrap caught anywhere in the second seam?',
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
    steps: [
      ['Press two neighbouring edges under', '40 mm each, creases sharp, then open them again.'],
      [
        'Mark where the creases cross',
        'On the wrong side. From the cut corner 80 mm along each edge is the same line.',
      ],
      [
        'Fold the corner, creases on creases',
        'Right sides together, diagonally; the line runs from the folded edge to where the creases cross.',
      ],
      ['Look before you sew', 'Turn it over the pin: it must lie flat. Then sew from the finished edge to the fold.'],
      ['Trim and turn', '6 mm from the stitching, the point cut across; press open, turn.'],
    ],
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
    steps: [
      [
        'Draw a hollow and a cap',
        'On one scrap a hollow curve, on the other the same curve 15 mm longer, marked at a quarter, a half and three quarters.',
      ],
      [
        'Run two rows of ease stitches',
        'Stitch 4, loose, within the allowance of the longer one, between the outer marks.',
      ],
      ['Draw it up until it is as long', 'Steam the fullness away over a rolled towel until it stands like a cap.'],
      [
        'Pin mark to mark, and sew with the eased side up',
        'From the middle outward; a finger before the foot smooths each bit.',
      ],
      ['Take the ease stitches out and press', 'Allowances towards the sleeve.'],
    ],
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
    steps: [
      ['Lay the same layers as the garment has', 'Both scraps, interfaced as the front is, folded as the edge is.'],
      ['Sew one with the stabiliser under', 'Density 0.5; write down the length set on the machine.'],
      ['Sew one with it over', 'The same again.'],
      ['Cut the better one', 'A pin across each end, from the middle outward.'],
      ['Put the button through, ten times', 'It must slip, and must not fall.'],
    ],
    check: 'By how much is the hole longer or shorter than it should be?',
  },
};
