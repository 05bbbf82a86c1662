import { boxRing, difference, type Point, type Rings } from '../../geometry/index.ts';
import { APART, type Cloth, doubleTo, type Flaw } from './cloth.ts';

/** What of a cloth no piece may touch, as it lies: its flaws, what is no cloth, and what is kept free where one length of it ends and the next begins. */
export function lost(c: Cloth): Rings {
  const kept = c.more.flatMap(
    ({ from, width, length }): Rings => [
      boxRing({ minX: 0, maxX: c.width, minY: from - APART - c.end, maxY: from + c.end }),
      ...(width < c.width && c.selvedge > 0
        ? [boxRing({ minX: width - c.selvedge, maxX: width, minY: from, maxY: from + length })]
        : []),
    ],
  );
  const further = c.more.flatMap((m) => behind(m.from, flawsOf(m.flaws)));
  return [...flawsOf(c.flaws), ...further, ...noCloth(c), ...kept];
}

/** What of its box on the table is no cloth: of a leftover what lacks, and what lies between several lengths and beside the narrower ones. */
export function noCloth(c: Cloth): Rings {
  const between = c.more.flatMap(
    (m): Rings => [
      boxRing({ minX: 0, maxX: c.width, minY: m.from - APART, maxY: m.from }),
      ...(m.width < c.width ? [boxRing({ minX: m.width, maxX: c.width, minY: m.from, maxY: m.from + m.length })] : []),
      ...behind(m.from, lacking({ ...c, ...m })),
    ],
  );
  return [...lacking(c), ...between];
}

const flawsOf = (flaws: readonly Flaw[]): Rings =>
  flaws.map((f) => boxRing({ minX: f.x0, maxX: f.x1, minY: f.y0, maxY: f.y1 }));
const behind = (from: number, rings: Rings): Rings => rings.map((r) => r.map((p) => ({ x: p.x, y: p.y + from })));

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
