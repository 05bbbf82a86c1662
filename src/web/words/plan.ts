import { type PlanStep, type Section, type Station } from '../../core/assembly/index.ts';
import { formatLength, inUnit, type LengthUnit } from '../../core/units.ts';
import { SEAM_WORDS } from './pattern.ts';

export const STATION_WORDS: Record<Station, string> = {
  table: 'Table',
  iron: 'Iron',
  machine: 'Machine',
  buttonhole: 'Buttonholes',
  hand: 'By hand',
};
export const SECTION_WORDS: Record<Section, string> = {
  prepare: 'Prepare',
  shell: 'The shell',
  inside: 'Facings and lining',
  joining: 'Inside and shell together',
  finish: 'Finish',
};

export interface StepWords {
  title: string;
  how: string;
}

type Say = (mm: (key: string) => string, d: Record<string, number>, s: PlanStep) => StepWords;

const seam =
  (title: string, how: string): Say =>
  (mm, d) => ({
    title,
    how: `${how} ${Math.abs(d.ease ?? 0) > 1.5 ? `One side measures ${mm('a')}, the other ${mm('b')}: ease the longer in.` : `Check: both ${mm('a')}.`}`,
  });

const eased =
  (title: string, how: string): Say =>
  (mm) => ({
    title,
    how: `${how} Cap ${mm('a')}, armhole ${mm('b')}: ease in ${mm('ease')}, none of it below the notches.`,
  });

const SAY: Record<string, Say> = {
  cut: () => ({
    title: 'Cut all pieces',
    how: 'Weights and chalk before scissors. Mark notches, grainline and the centre front; pieces for a pair are cut mirrored.',
  }),
  'test-fuse': () => ({
    title: 'Fuse a test square',
    how: 'Try heat, steam and seconds on a scrap of the same cloth and write down what held.',
  }),
  fuse: () => ({
    title: 'Fuse the interfacing',
    how: 'Adhesive side down on the wrong side of the piece, pressing and lifting, not sliding. Leave it flat until cold.',
  }),
  staystitch: (mm) => ({
    title: 'Staystitch the neckline',
    how: `Straight after cutting, inside the allowance, ${mm('inside')} from the seam line, so that the curve does not stretch.`,
  }),
  'baste-pleat': (mm) => ({
    title: 'Baste the centre back pleat of the lining',
    how: `Fold ${mm('pleat')} to one side at the top edge and baste it flat; press it only lightly below.`,
  }),
  'sew-shoulder': seam('Sew the shoulder seams of the shell', 'From neck to armhole.'),
  'sew-side': seam('Sew the side seams of the shell', 'Match the waist notches; both from underarm to hem.'),
  'sew-centre-back': seam('Sew the centre back seam of the shell', 'From neck to hem.'),
  'sew-centre-back-vent': seam(
    'Sew the centre back seam of the shell to the vent',
    "From neck to the top of the vent; pivot there and sew across the vent's upper edge through both extensions.",
  ),
  'press-vent': (mm) => ({
    title: 'Press the vent',
    how: `Fold the overlap's extension back along the centre back, turn the underlap's edge in by ${mm('turned')}. Clip the underlap's allowance to the corner so that the seam above can be pressed open.`,
  }),
  'sew-vent': (mm) => ({
    title: 'Join the lining to the vent',
    how: `Lining edge to the raw edge of the extension on the overlap (${mm('over')}, across its top too) and to the turned edge of the underlap (${mm('under')}), right sides together. Clip the lining to its inner corner first.`,
  }),
  'sew-underarm': seam('Sew the underarm seams of the sleeves', 'One left and one right sleeve.'),
  'ease-cap': (mm) => ({
    title: 'Run ease stitches along the cap',
    how: `Two rows of long stitches within the allowance between the notches, and draw up about ${mm('ease')}.`,
  }),
  'sew-cap': eased(
    'Set the sleeves into the shell',
    'Sleeve inside the armhole, underarm seam on side seam, crown notch on the shoulder seam, double notches to the back.',
  ),
  'sew-facing-line-front': seam(
    'Sew front lining to front facing',
    'Lining on top; clip the facing round the rounded corner so that it spreads.',
  ),
  'sew-facing-line-back': (mm) => ({
    title: 'Sew back lining to back neck facing',
    how: `Pleat folded: the lining is ${mm('ease')} longer on each half until the pleat takes it up. Clip the facing's curve.`,
  }),
  'sew-facing-shoulder': seam(
    'Sew the shoulder seams of facing and lining in one run',
    'The facing lines of front and back meet in the seam.',
  ),
  'sew-lining-shoulder': seam('Sew the shoulder seams of the lining', 'From neck to armhole.'),
  'sew-facing-centre-back': seam('Sew the centre back seam of the facing', 'Press it open.'),
  'sew-lining-centre-back': seam(
    'Sew the centre back seam of the lining',
    'From the neck to the top of the vent, and no farther; backstitch there.',
  ),
  'sew-lining-side': seam('Sew the side seams of the lining', 'From underarm to hem.'),
  'sew-lining-underarm': seam('Sew the underarm seams of the sleeve linings', 'One left and one right.'),
  'sew-lining-cap': eased('Set the sleeve linings into the lining', 'As in the shell.'),
  'press-open': () => ({
    title: 'Press that seam open',
    how: 'First flat as sewn, then open, over a ham where it curves. Press before any other seam crosses it.',
  }),
  'press-into-sleeve': () => ({
    title: 'Press the armhole allowances',
    how: 'Flat as sewn, from the sleeve side, then turned into the sleeve. Do not flatten the cap.',
  }),
  'press-to-lining': () => ({ title: 'Press the facing seam', how: 'Allowances towards the lining.' }),
  'press-hem': (mm) => ({
    title: 'Press up the hem of the shell',
    how: `Fold ${mm('depth')} to the wrong side along the hem line and crease it while it can still lie flat.`,
  }),
  'press-wrist': (mm) => ({
    title: 'Press up the wrists',
    how: `Fold ${mm('depth')} to the wrong side along the wrist line.`,
  }),
  'neaten-facing': () => ({
    title: 'Neaten the inner edge of the facings',
    how: 'Overlock it, or bind it: the weight keeps it down.',
  }),
  'lining-hem': (mm) => ({
    title: 'Hem the lining',
    how: `Turn ${mm('turn1')}, then ${mm('turn2')}, press and stitch by machine.`,
  }),
  'lining-wrist': (mm) => ({
    title: 'Hem the sleeve linings',
    how: `Turn ${mm('turn1')}, then ${mm('turn2')}, press and stitch.`,
  }),
  'sew-edge': (mm, _, s) => ({
    title: 'Sew the inside to the shell: front edges and neck',
    how: `Right sides together, shoulder seams and centre backs matched, from hem line to hem line, ${mm('length')} on each half.${s.stops.length ? " At each lower front corner turn on the needle and sew along the hem line across the facing's lower end." : ''}`,
  }),
  'grade-edge': (mm) => ({
    title: 'Grade, clip and trim the edge',
    how: `Cut the shell's allowance to ${mm('wide')} and the facing's to ${mm('narrow')}, the widest towards the outside. Clip the neck curve about every ${mm('every')}; cut the corners across.`,
  }),
  understitch: () => ({
    title: 'Understitch the facing',
    how: 'Allowances towards the facing, stitch {2–3 mm} from the seam through facing and allowances, as far into the corners as the foot goes.',
  }),
  'sew-wrist': (mm) => ({
    title: 'Join sleeve and sleeve lining at the wrist',
    how: `Reach between the layers, seam to seam and not twisted, right sides together. Sleeve lining ${mm('a')}, turned hem ${mm('b')}.`,
  }),
  'sew-hem': (mm) => ({
    title: 'Join the lining to the hem',
    how: `Raw edge of the lining to the raw edge of the shell's hem, right sides together, ${mm('length')} on each half. Side seams matched.`,
  }),
  turn: (mm, d) => ({
    title: 'Turn it right side out',
    how: d.opening
      ? `Through the opening of ${mm('opening')} in the sleeve lining, sleeves first, then the hem. Push the corners out with something blunt.`
      : 'Through the open hem. Push the corners out with something blunt.',
  }),
  'tack-hem': (mm) => ({
    title: 'Hold the hem to the seam allowances',
    how: `A few loose stitches at every seam, through allowances only; wrists likewise. Slip the last ${mm('stop')} beside each facing closed by hand.`,
  }),
  'try-on': () => ({
    title: 'Try it on',
    how: 'Shoulders, sleeves and length, over what it will be worn with, before the inside closes it. Pin the fronts over each other on centre front.',
  }),
  'close-opening': (mm) => ({
    title: 'Close the opening in the sleeve lining',
    how: `Fold in both edges and edge-stitch the ${mm('opening')} closed.`,
  }),
  'shell-hem': (mm) => ({
    title: 'Hem the shell by hand',
    how: `Neaten the raw edge, turn up ${mm('depth')} and catch it with loose blind stitches, one thread of the cloth each.`,
  }),
  'shell-wrist': () => ({
    title: 'Hem the sleeves and fell the lining',
    how: 'Catch the turned wrist with loose stitches and slip the lining to it, seam to seam, not twisted.',
  }),
  'thread-chains': () => ({
    title: 'Thread chains at the side seams',
    how: 'Chains {25–40 mm} long hold the free lining to the shell at each side seam.',
  }),
  'press-all': () => ({
    title: 'Press all of it',
    how: 'Edges rolled a thread to the inside. Let it hang until dry before going on.',
  }),
  'practise-holes': (mm) => ({
    title: 'Practise one buttonhole',
    how: `On the same layers, interfacing included: opening ${mm('opening')}, overall ${mm('overall')}. Practise cutting it too.`,
  }),
  'mark-holes': (_, d) => ({
    title: 'Mark the buttonholes',
    how: `Lay the marking strip along the front edge, neck end at the neck, and mark ${d.buttons} places.`,
  }),
  'sew-holes': (mm, d) => ({
    title: 'Sew the buttonholes',
    how: `${d.buttons} of them, opening ${mm('opening')}. All in the same direction.`,
  }),
  'cut-holes': () => ({
    title: 'Cut the buttonholes',
    how: 'A pin across each end as a stop; from the middle outward.',
  }),
  'sew-buttons': (_, d) => ({
    title: 'Sew on the buttons',
    how: `Mark the ${d.buttons} places through the finished holes. Make a shank as long as the overlap is thick, wrap it, and knot.`,
  }),
};

/** Each caution in full, and in the few words that stand for it once it has been read. */
export const CAUTION_WORDS: Record<string, { full: string; short: string }> = {
  pins: {
    full: 'Take pins out before the needle reaches them; a broken needle flies, so wear glasses.',
    short: 'Pins out before the needle.',
  },
  'pins-on': { full: 'Pins are in it: put it on and take it off slowly.', short: 'Pins are in it.' },
  iron: { full: 'Hot iron and steam: keep fingers and the cord clear.', short: 'Hot iron.' },
  fumes: { full: 'Fusing gives off fumes: air the room.', short: 'Air the room.' },
  blades: {
    full: 'Cut away from the hand that holds the cloth; close blades when you put them down.',
    short: 'Blades away from the hand.',
  },
  ripper: {
    full: 'Seam rippers slip: a pin as a stop, and never towards the hand.',
    short: 'Never towards the hand.',
  },
  'thick-seam': {
    full: 'Over the thick crossing turn the wheel by hand.',
    short: 'Thick crossing: wheel by hand.',
  },
  'small-parts': {
    full: 'Buttons are small parts: none on clothes for children under three without reading the local rules.',
    short: 'Small parts: not under three.',
  },
};

/** The cautions of each step in words: in full where they come up first, short from then on. */
export function cautionsOf(steps: PlanStep[]): Map<string, string[]> {
  const read = new Set<string>();
  return new Map(
    steps.map((s) => [
      s.id,
      s.cautions.map((c) => {
        const w = CAUTION_WORDS[c];
        const words = read.has(c) ? w?.short : w?.full;
        read.add(c);
        return words ?? c;
      }),
    ]),
  );
}

export const SIDES_WORDS: Record<string, string> = {
  'right-together': 'Right sides together',
  'wrong-up': 'Wrong side up',
  'right-up': 'Right side up',
};

const STOP_WORDS: Record<string, (mm: string) => string> = {
  opening: (mm) =>
    `Leave ${mm} open in the middle of the left one, backstitched at both ends: it is all turned through here`,
  'stop-before-facing': (mm) => `Stop ${mm} before the facing at each end`,
  'stop-at-vent-top': () => 'Stop at the top of the vent',
  'pivot-at-hem': () => 'Pivot at the hem line',
};

export function stopWords(s: PlanStep, unit: LengthUnit): string[] {
  return s.stops.map((p) => STOP_WORDS[p.code]?.(formatLength(p.mm, unit)) ?? p.code);
}

export function stepWords(s: PlanStep, unit: LengthUnit, named: Record<string, string> = {}): StepWords {
  const mm = (key: string): string => formatLength(Math.abs(s.data[key] ?? 0), unit);
  const said = SAY[s.code]?.(mm, s.data, s) ?? { title: s.code, how: '' };
  const w = { ...said, how: inUnit(said.how, unit) };
  if (s.about) return { ...w, title: `Press: ${(SEAM_WORDS[s.about] ?? s.about).toLowerCase()}` };
  if (s.code === 'fuse')
    return { ...w, title: `Fuse the ${(named[s.pieces[1] ?? ''] ?? 'interfacing').toLowerCase()}` };
  if (s.code === 'ease-cap')
    return { ...w, title: `${w.title} of the ${(named[s.pieces[0] ?? ''] ?? 'sleeve').toLowerCase()}` };
  if (s.code === 'staystitch')
    return { ...w, title: `${w.title} of the ${(named[s.pieces[0] ?? ''] ?? 'piece').toLowerCase()}` };
  return w;
}

export const OPERATION_CODES = Object.keys(SAY);
