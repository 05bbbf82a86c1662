import { type Operation, type Part, type Station } from './types.ts';

/**
 * Minutes at a station: to begin with, and for each 100 mm. Common practice of an unhurried home sewist, pinning and fetching
 * included; an estimate for comparing ways of making, not a promise.
 */
const PACE: Record<Station, [number, number]> = {
  table: [2, 0.2],
  iron: [1.5, 0.25],
  machine: [1.5, 0.6],
  overlocker: [1, 0.25],
  buttonhole: [5, 0],
  hand: [3, 1.8],
};

type Fixed = (d: Record<string, number>) => number;

/** What does not go by length. */
const FIXED: Record<string, Fixed> = {
  cut: (d) => 10 + 2.5 * (d.pieces ?? 0),
  'test-fuse': () => 8,
  fuse: () => 4,
  // Tails that are tied: a minute each. Own figures.
  'sew-darts': (d) => (d.tied ? 4 : 3) * (d.darts ?? 1),
  'press-darts': () => 3,
  'try-on': () => 15,
  'press-all': () => 20,
  turn: () => 8,
  'pull-through': () => 10,
  'turn-part': () => 4,
  'turn-tube': (d) => 4 + (d.long ?? 0) / 100,
  'threads-inside': (d) => 2 + 2 * (d.rows ?? 1),
  'threads-out': (d) => 2 + 2 * (d.rows ?? 1),
  'practise-holes': () => 12,
  'mark-holes': (d) => 4 + (d.holes ?? 0),
  'sew-holes': (d) => 3 + 3 * (d.holes ?? 0),
  'cut-holes': (d) => d.holes ?? 0,
  'sew-snaps': (d) => 6 * (d.snaps ?? 0),
  'sew-buttons': (d) => 5 * (d.buttons ?? 0),
};

/** Minutes of a step; seams of pieces that come as left and right are sewn twice. */
export function minutesOf(o: Operation, parts: Map<string, Part>): number {
  const fixed = FIXED[o.code];
  if (fixed) return fixed(o.data);
  const [start, pace] = PACE[o.station];
  const share = o.sews.length ? Math.max(...o.sews.map((s) => s.to - s.from)) : 1;
  const long = ((o.data.a ?? o.data.length ?? 0) * Math.min(1, share)) / 100;
  const twice = o.pieces.some((p) => parts.get(p)?.paired) ? 2 : 1;
  return start + pace * long * twice;
}
