/** Clips and notches are spaced about a quarter of the radius, between 6 and 20 mm. Common practice. */
const SHARE = 0.25;
const LEAST = 6;
const MOST = 20;

export interface Clips {
  /** Clips into a hollow edge, notches out of a bulging one. */
  how: 'clip' | 'notch';
  /** Distance between two, mm. */
  every: number;
  count: number;
}

/** Where a curved seam must spread or close up: how far apart and how many. Radius and length in mm, radius above 0. */
export function clipsFor(radius: number, length: number, concave: boolean): Clips {
  const every = Math.min(MOST, Math.max(LEAST, radius * SHARE));
  return { how: concave ? 'clip' : 'notch', every, count: Math.max(1, Math.floor(length / every)) };
}

/** Steps of grading, shares of the allowance from the outside inward: three layers of 15 mm to 10, 6 and 3. Common practice. */
const STEPS = [2 / 3, 2 / 5, 1 / 5];

/** Widths of so many graded allowances, the widest towards the outside, mm; not below 3. */
export const graded = (allowance: number, layers: number): number[] =>
  Array.from({ length: layers }, (_, i) => Math.max(3, Math.round(allowance * (STEPS[i] ?? 1 / 5))));
