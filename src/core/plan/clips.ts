import { curvatureAt, type Segment, segmentLength } from '../geometry/index.ts';

/** Clips and notches are spaced about a quarter of the radius, between 6 and 20 mm. Common practice. */
const SHARE = 0.25;
/** Distances that a hand can keep to, mm: the next below a quarter of the radius is taken, or the first. */
const SPACINGS = [6, 10, 15, 20] as const;
/** A curve wider than this is sewn as a straight line, mm. */
const STRAIGHT = 400;
/** Room for curves that are drawn with Béziers: an arc of one radius is of one spacing. */
const ABOUT = 1.02;

/** A curved stretch of an edge. */
export interface Bend {
  /** Clips into a hollow edge, notches out of a bulging one. */
  how: 'clip' | 'notch';
  /** Distance between two, mm. */
  every: number;
  /** How long the stretch is, mm. */
  length: number;
  /** The tightest radius in it, mm. */
  radius: number;
}

/** Distance between clips for a radius, both in mm; the radius above 0. */
export const spacingFor = (radius: number): number =>
  SPACINGS.filter((s) => s <= radius * SHARE * ABOUT).at(-1) ?? SPACINGS[0];

/** How often the stretch is cut: at least once. */
export const countOf = (b: Pick<Bend, 'every' | 'length'>): number =>
  Math.max(1, Math.floor(b.length / b.every + 1e-6));

const PARTS = 16;

/** Small pieces of a segment with their length (mm) and curvature (1/mm). */
const pieces = (s: Segment): { length: number; k: number }[] =>
  s.k === 'L'
    ? []
    : Array.from({ length: PARTS }, (_, i) => {
        const [t, u] = [i / PARTS, (i + 1) / PARTS];
        return { length: segmentLength(s, t, u), k: curvatureAt(s, (t + u) / 2) };
      });

/**
 * The curved stretches of an edge, together where they ask the same: how they are cut, the tightest first. The path runs clockwise
 * on screen, so that one bending the other way is hollow. None where it is straight. A stretch shorter than its own clips stand
 * apart is left to the next.
 */
export function bendsOf(path: Segment[]): Bend[] {
  const found = path
    .flatMap(pieces)
    .filter((p) => Math.abs(p.k) > 1 / STRAIGHT)
    .map(({ length, k }): Bend => {
      const radius = 1 / Math.abs(k);
      return { how: k < 0 ? 'clip' : 'notch', every: spacingFor(radius), length, radius };
    });
  return together(found).filter((b) => b.length >= b.every / 2);
}

/** Stretches that are cut alike as one. */
export function together(bends: Bend[]): Bend[] {
  const by = new Map<string, Bend>();
  for (const b of bends) {
    const key = `${b.how} ${b.every}`;
    const known = by.get(key);
    by.set(key, known ? { ...known, length: known.length + b.length, radius: Math.min(known.radius, b.radius) } : b);
  }
  return [...by.values()].sort((a, b) => a.radius - b.radius);
}

/** Steps of grading, shares of the allowance from the outside inward: three layers of 15 mm to 10, 6 and 3. Common practice. */
const STEPS = [2 / 3, 2 / 5, 1 / 5];

/** Widths of so many graded allowances, the widest towards the outside, mm; not below 3. */
export const graded = (allowance: number, layers: number): number[] =>
  Array.from({ length: layers }, (_, i) => Math.max(3, Math.round(allowance * (STEPS[i] ?? 1 / 5))));
