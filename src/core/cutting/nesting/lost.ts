import { boxRing, difference, type Rings } from '../../geometry/index.ts';
import { type Cloth } from './cloth.ts';

/** What of a cloth no piece may touch, as it lies: its flaws, and of a leftover what lacks of its box. */
export function lost(c: Cloth): Rings {
  const flaws = c.flaws.map((f) => boxRing({ minX: f.x0, maxX: f.x1, minY: f.y0, maxY: f.y1 }));
  return [...flaws, ...lacking(c)];
}

function lacking({ outline, width, lies }: Cloth): Rings {
  if (!outline.length) return [];
  const long = Math.max(...outline.map((p) => p.y));
  const rings = difference([boxRing({ minX: 0, maxX: width, minY: 0, maxY: long })], [[...outline]]);
  if (lies === 'single') return rings;
  // Folded in the middle, what lacks of either half lacks.
  const half = width / 2;
  const right = rings.map((r) => r.map((p) => ({ x: p.x - half, y: p.y })));
  const left = rings.map((r) => r.map((p) => ({ x: half - p.x, y: p.y })).reverse());
  return difference([...right, ...left], [boxRing({ minX: -half, maxX: 0, minY: 0, maxY: long })]);
}
