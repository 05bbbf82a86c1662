import { type ClosureChoice, type Fastener, HOLE_STATES, type HoleState } from './choices.ts';

/**
 * Sizes in mm that shops usually carry: buttons by ligne (14 L to 50 L, rounded as sold), snaps and press studs, hooks.
 * From memory of the trade's size charts.
 */
export const SIZES: Record<Fastener, readonly number[]> = {
  button: [9, 10, 11.5, 12.5, 15, 18, 20, 23, 25, 28, 30, 32],
  snap: [6, 7, 9, 11, 13, 15, 18, 21],
  'press-stud': [10, 12.5, 15],
  hook: [6, 9, 12],
  loop: [9, 10, 11.5, 12.5, 15, 18],
};

/** The size on sale nearest to a wished one. */
export const nearestSize = (f: Fastener, diameter: number): number =>
  SIZES[f].reduce((best, s) => (Math.abs(s - diameter) < Math.abs(best - diameter) ? s : best), SIZES[f][0] as number);

/** What of a fastener goes on which side: the ball of a snap on the underside of the overlap. Halves from memory. */
export const HALVES: Record<Fastener, { over: string; under: string }> = {
  button: { over: 'hole', under: 'button' },
  snap: { over: 'ball', under: 'socket' },
  'press-stud': { over: 'cap-and-socket', under: 'stud' },
  hook: { over: 'hook', under: 'eye' },
  loop: { over: 'loop', under: 'button' },
};

/** Whether its places are holes to be sewn and cut. */
export const hasHoles = (f: Fastener): boolean => f === 'button';
export const hasButtons = (c: Pick<ClosureChoice, 'fastener' | 'show'>): boolean =>
  c.fastener === 'button' || c.fastener === 'loop' || c.show;

/** What is ticked at each of its places: only holes are tried out and cut. */
export const statesOf = (f: Fastener): readonly HoleState[] => (hasHoles(f) ? HOLE_STATES : ['marked', 'sewn']);

/** Least from the centre of a fastener to an edge, mm: half of it and a little. Buttons from memory; others alike. */
export const EDGE_CLEAR: Record<Fastener, number> = { button: 6, snap: 3, 'press-stud': 4, hook: 2, loop: 0 };

/** How far a loop's two ends stand apart in the seam: the cord twice, mm. Own estimate for a cord of 3. */
export const LOOP_ENDS = 6;

/**
 * Inner length of a loop, from seam to seam: with the seam it must let pass what a strip wrapped round the button
 * measures, 2 (diameter + thickness). Derived from the wrapped-strip measure; half a button's room is not added.
 */
export const loopLength = (diameter: number, thickness: number): number => 2 * (diameter + thickness) - LOOP_ENDS;
