import { difference, type Point, type Rings } from '../../geometry/index.ts';
import { type Cloth } from './cloth.ts';

const box = (x0: number, x1: number, y0: number, y1: number): Point[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];

/** What of a cloth no piece may touch, as it lies: its flaws, and of a leftover what lacks of its box. */
export function lost(c: Cloth): Rings {
  const flaws = c.flaws.map((f) => box(f.x0, f.x1, f.y0, f.y1));
  return [...flaws, ...lacking(c)];
}

function lacking({ outline, width, lies }: Cloth): Rings {
  if (!outline.length) return [];
  const long = Math.max(...outline.map((p) => p.y));
  const rings = difference([box(0, width, 0, long)], [[...outline]]);
  if (lies === 'single') return rings;
  // Folded in the middle, what lacks of either half lacks.
  const half = width / 2;
  const right = rings.map((r) => r.map((p) => ({ x: p.x - half, y: p.y })));
  const left = rings.map((r) => r.map((p) => ({ x: half - p.x, y: p.y })).reverse());
  return difference([...right, ...left], [box(-half, 0, 0, long)]);
}
