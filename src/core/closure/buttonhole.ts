import { because, type Reason } from '../result.ts';

/** How far past the centre the hole starts towards the edge: the button pulls to that end. From memory. */
export const PAST_CENTRE = 3;
/** One bar tack at each end of the hole, mm. From memory. */
export const BAR = 1.5;
/** From the hole's inner end to the facing's inner edge. From memory. */
export const FACING_BEYOND_HOLE = 15;

export interface Hole {
  direction: 'horizontal' | 'vertical';
  /** Length to be cut, mm. */
  opening: number;
  /** Length with both bars, mm. */
  overall: number;
  /** Ends of the opening from the button's centre: towards the edge (or up), and inward (or down), mm. */
  outer: number;
  inner: number;
  reasons: Reason[];
}

/**
 * Buttonhole for a button: opening = diameter + thickness (half of a strip wrapped round it once), overall two bars more.
 * Common practice; bars and the start past centre from memory of handbooks.
 */
export function buttonhole(diameter: number, thickness: number, direction: Hole['direction']): Hole {
  const opening = diameter + thickness;
  return {
    direction,
    opening,
    overall: opening + 2 * BAR,
    outer: PAST_CENTRE,
    inner: opening - PAST_CENTRE,
    reasons: [
      because('hole-opening', 'practice', opening, { diameter, thickness }),
      because('hole-overall', 'memory', opening + 2 * BAR, { opening, bar: BAR }),
    ],
  };
}

/** Lignes of a diameter in mm: 40 lignes are one inch. From memory of the button trade. */
export const lignes = (diameter: number): number => (diameter / 25.4) * 40;
