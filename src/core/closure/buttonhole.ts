import { because, type Reason } from '../result.ts';
import { type ClosureChoice } from './choices.ts';

/** How far past the centre the hole starts towards the edge: the button pulls to that end. From memory. */
export const PAST_CENTRE = 3;
/** One bar tack at each end of the hole, mm. From memory. */
export const BAR = 1.5;
/** The round eye of a keyhole hole, so much longer than a bar, mm. From memory. */
export const EYE = 3;
/** From the hole's inner end to the facing's inner edge. From memory. */
export const FACING_BEYOND_HOLE = 15;
/** A domed button is taken to be so much higher than its rim is thick; the wrapped strip tells it exactly. Own estimate. */
const DOME = 1.5;

/** From the hole's outer end, bar included, to the finished edge, mm: it must not cut into it. Own figure. */
export const HOLE_EDGE = 4;

export interface Hole {
  direction: 'horizontal' | 'vertical';
  keyhole: boolean;
  /** Length to be cut, mm. */
  opening: number;
  /** Length with both bars (and the eye), mm. */
  overall: number;
  /** Ends of the opening from the button's centre: towards the edge (or up), and inward (or down), mm. */
  outer: number;
  inner: number;
  reasons: Reason[];
}

export type HoleChoice = Pick<
  ClosureChoice,
  'diameter' | 'thickness' | 'shape' | 'strip' | 'direction' | 'snug' | 'start' | 'keyhole'
>;

/** What the button needs to pass, with its reason: half of a strip wrapped round it once, or what amounts to it. */
function openingOf(c: HoleChoice): Reason {
  const { diameter, thickness, strip } = c;
  if (c.shape === 'strip') return because('hole-strip', 'practice', strip / 2, { strip });
  if (c.snug) return because('hole-snug', 'practice', diameter, { diameter });
  if (c.shape === 'ball') return because('hole-ball', 'practice', 2 * diameter, { diameter });
  const thick = c.shape === 'domed' ? thickness * DOME : thickness;
  return because(c.shape === 'domed' ? 'hole-domed' : 'hole-opening', 'practice', diameter + thick, {
    diameter,
    thickness: thick,
  });
}

/**
 * Buttonhole for a button. Opening = diameter + thickness, which is half of a strip wrapped round it once and so serves
 * balls (twice the diameter) and domes too; the snug school takes the diameter alone. Overall: two bars more, one of them
 * an eye in a keyhole hole. A horizontal hole starts 3 mm past the centre, or is centred on it; a vertical one hangs the
 * same way from a little above it, or is centred. Common practice; bars, eye and start from memory of handbooks.
 */
export function buttonhole(c: HoleChoice): Hole {
  const why = openingOf(c);
  const opening = why.value;
  const ends = 2 * BAR + (c.keyhole ? EYE : 0);
  const outer = c.start === 'past' ? Math.min(PAST_CENTRE, opening / 2) : opening / 2;
  return {
    direction: c.direction,
    keyhole: c.keyhole,
    opening,
    overall: opening + ends,
    outer,
    inner: opening - outer,
    reasons: [
      why,
      because(c.keyhole ? 'hole-keyhole' : 'hole-overall', 'memory', opening + ends, { opening, bar: BAR, eye: EYE }),
      because(c.start === 'past' ? 'hole-past' : 'hole-centred', c.start === 'past' ? 'memory' : 'choice', outer, {}),
    ],
  };
}

/** Lignes of a diameter in mm: 40 lignes are one inch. From memory of the button trade. */
export const lignes = (diameter: number): number => (diameter / 25.4) * 40;

/** Where to begin on the machine. `density`: mm from stitch to stitch. Common practice. */
export const HOLE_SETTINGS = { density: 0.5, practise: 3 } as const;

/**
 * The order in which holes are sewn or cut: from the middle of the line outward, nearest first, upper one first where two
 * are as near. Common practice: a drift then shows at the ends, where it is seen least. Indexes from 0 at the top.
 */
export function sewingOrder(n: number): number[] {
  const middle = (n - 1) / 2;
  return Array.from({ length: n }, (_, i) => i).sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b);
}
