import { type Computed } from '../core/document/compute.ts';
import {
  distance,
  flatten,
  insideRing,
  type Path,
  type Point,
  pathLength,
  pointAlong,
} from '../core/geometry/index.ts';
import { type WalkedSeam } from '../core/pattern/index.ts';

/** Distance from a point to a chain of chords, by brute force over every chord: no code in common with the product's. */
export function distanceToChain(p: Point, chain: Point[]): number {
  let best = Number.POSITIVE_INFINITY;
  for (let i = 1; i < chain.length; i++) {
    const a = chain[i - 1] as Point;
    const b = chain[i] as Point;
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const l = dx * dx + dy * dy;
    const t = l === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / l));
    best = Math.min(best, Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy));
  }
  return best;
}

export const samples = (path: Path, n: number): Point[] => {
  const l = pathLength(path);
  return Array.from({ length: n + 1 }, (_, i) => pointAlong(path, (l * i) / n));
};

/** Largest and least distance of one path from another, sampled. */
export function gapBetween(path: Path, other: Path, n = 40): { least: number; most: number } {
  const chain = flatten(other, 0.002);
  const d = samples(path, n).map((p) => distanceToChain(p, chain));
  return { least: Math.min(...d), most: Math.max(...d) };
}

/** Whether every sampled point of a path lies in a ring or within `slack` mm of it. */
export function liesIn(path: Path, ring: Point[], slack: number): boolean {
  const closed = [...ring, ring[0] as Point];
  return samples(path, 60).every((p) => insideRing(ring, p) || distanceToChain(p, closed) <= slack);
}

/** Every step from one segment to the next, closing step included; 0 for a ring that is exactly joined. */
export function worstStep(path: Path): number {
  return Math.max(...path.map((s, i) => distance(s.b, (path[(i + 1) % path.length] as Path[number]).a)));
}

/** Lining seams whose two lengths come from the drawn shell and can be no better than it. */
const followsShell = (code: string): boolean =>
  /^(facing-(shoulder|side|wrist)|lining-(shoulder|side|underarm|panel-\w+|elbow|forearm|raglan))$/.test(code);

/**
 * Seams of the inside that are off by more than they may: 1.5 mm where they follow the bought shell, half a millimetre
 * between pieces that Woodbine drafted on both sides. Hems that flare are told by the proof and left to the sewist.
 */
export const seamsOff = (c: Computed): WalkedSeam[] =>
  c.seams.filter((s) => {
    const off = Math.abs(s.differenceMm - s.easeMm);
    return s.group !== 'shell' && s.easeOf !== 'flare' && off > (followsShell(s.code) ? 1.5 : 0.5) + 1e-9;
  });
