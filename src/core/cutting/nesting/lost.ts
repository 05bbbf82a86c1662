import { boxRing, difference, type Point, type Rings } from '../../geometry/index.ts';
import { type Cloth, doubleTo } from './cloth.ts';

/** What of a cloth no piece may touch, as it lies: its flaws, and of a leftover what lacks of its box. */
export function lost(c: Cloth): Rings {
  const flaws = c.flaws.map((f) => boxRing({ minX: f.x0, maxX: f.x1, minY: f.y0, maxY: f.y1 }));
  return [...flaws, ...lacking(c)];
}

function lacking(c: Cloth): Rings {
  const { outline, width, lies } = c;
  if (!outline.length) return [];
  const long = Math.max(...outline.map((p) => p.y));
  const rings = difference([boxRing({ minX: 0, maxX: width, minY: 0, maxY: long })], [[...outline]]);
  if (lies === 'single') return rings;
  // Folded, what lacks of either layer lacks.
  const turned = (over: (p: Point) => Point): Rings => rings.map((r) => r.map(over).reverse());
  if (lies === 'crosswise') {
    const beyond = boxRing({ minX: 0, maxX: width, minY: long / 2, maxY: long });
    return difference([...rings, ...turned((p) => ({ x: p.x, y: long - p.y }))], [beyond]);
  }
  const at = doubleTo(c);
  const right = rings.map((r) => r.map((p) => ({ x: p.x - at, y: p.y })));
  const left = turned((p) => ({ x: at - p.x, y: p.y }));
  return difference([...right, ...left], [boxRing({ minX: -width, maxX: 0, minY: 0, maxY: long })]);
}
