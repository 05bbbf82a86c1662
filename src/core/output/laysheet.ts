import { type ClothSaid, doubleTo, grainOf, isFar, type Lying, lost, printLines, wideOf } from '../cutting/index.ts';
import { boxOfPoints, boxRing, flatten, line, type Path, type Point, polyline } from '../geometry/index.ts';
import { type Item, type Sheet } from './items.ts';

const closed = (ring: readonly Point[]): Path => polyline([...ring, ring[0] as Point]);

/** Turns a lay by half where it is seen from the far side of the table. */
type Seen = (ring: readonly Point[]) => Point[];

/** One cut as it lies: its cut line, its seam line, its grain, its name. */
function cutSheet(q: Lying, seen: Seen): Sheet {
  const [a, b] = seen(grainOf(q)) as [Point, Point];
  const seam = seen(q.place(q.shape.ring.flatMap((e) => flatten(e.path))));
  const ring = seen(q.ring);
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  return {
    id: `${q.piece}-${q.copy}`,
    name: `${q.shape.name}${q.shape.cut.count > 1 ? `, ${q.copy + 1}` : ''}`,
    items: [
      { kind: 'path', path: closed(ring), stroke: 'cut' },
      { kind: 'path', path: closed(seam), stroke: 'seam' },
      { kind: 'path', path: [line(a, b)], stroke: 'grain' },
      { kind: 'text', at: { x: middle.x + 4, y: middle.y }, size: 9, text: q.shape.name, bold: true },
    ],
    box: boxOfPoints(ring),
  };
}

/** The cloth itself: its edges, where its upper layer ends, what is kept free along them, its flaws, and the lines of its print. */
function clothSheet(cloth: ClothSaid, length: number, seen: Seen): Sheet {
  const wide = wideOf(cloth);
  const frame = (ring: Point[]): Item => ({ kind: 'path', path: closed(seen(ring)), stroke: 'frame' });
  const between = (a: Point, b: Point): Path => polyline(seen([a, b]));
  const edges = boxRing({ minX: 0, maxX: wide, minY: 0, maxY: length });
  const to = doubleTo(cloth);
  const ends: Item[] =
    to > 0 && to < wide
      ? [{ kind: 'path', path: between({ x: to, y: 0 }, { x: to, y: length }), stroke: 'frame' }]
      : [];
  const lines = printLines(cloth, length);
  const printed: Item[] = [
    ...lines.y.map((y) => between({ x: 0, y }, { x: wide, y })),
    ...lines.x.map((x) => between({ x, y: 0 }, { x, y: length })),
  ].map((path) => ({ kind: 'path', path, stroke: 'inner' }));
  return {
    id: 'cloth',
    name: cloth.name,
    items: [...[edges, ...lost(cloth)].map(frame), ...ends, ...printed],
    box: { minX: 0, minY: 0, maxX: wide, maxY: length },
  };
}

/**
 * A lay at full size, mm: x across the cloth from its left selvedge or fold, y along it from the cut end; turned by half where its fold lies
 * across the table.
 */
export function laySheets(cloth: ClothSaid, lying: readonly Lying[], length: number): Sheet[] {
  const wide = wideOf(cloth);
  const seen: Seen = (ring) => (isFar(cloth) ? ring.map((p) => ({ x: wide - p.x, y: length - p.y })) : [...ring]);
  return [clothSheet(cloth, length, seen), ...lying.map((q) => cutSheet(q, seen))];
}
