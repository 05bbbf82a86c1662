import {
  distance,
  endDirection,
  endOf,
  type Path,
  type Point,
  reversePath,
  startDirection,
  startOf,
  turn,
} from '../geometry/index.ts';
import { HEAL_GAP } from '../tolerance.ts';
import { type Shape, styleKey } from './drawing.ts';

/** Two ends of a loose line: which shape, and which of its ends. */
interface End {
  shape: number;
  first: boolean;
  point: Point;
}

/** Groups of ends that lie within HEAL_GAP of each other, by a grid of that size. */
function nodesOf(ends: End[]): number[] {
  const cells = new Map<string, number[]>();
  const node: number[] = [];
  const at = (v: number) => Math.floor(v / HEAL_GAP);
  ends.forEach((e, i) => {
    const [cx, cy] = [at(e.point.x), at(e.point.y)];
    let found = -1;
    for (let dx = -1; dx <= 1 && found < 0; dx++)
      for (let dy = -1; dy <= 1 && found < 0; dy++)
        for (const k of cells.get(`${cx + dx},${cy + dy}`) ?? [])
          if (distance((ends[k] as End).point, e.point) <= HEAL_GAP) {
            found = node[k] as number;
            break;
          }
    node[i] = found >= 0 ? found : i;
    const key = `${cx},${cy}`;
    const list = cells.get(key);
    if (list) list.push(i);
    else cells.set(key, [i]);
  });
  return node;
}

interface Net {
  shapes: Shape[];
  /** Node of the first and the last end of each shape. */
  a: number[];
  b: number[];
  /** Shapes still in play at each node. */
  meets: Map<number, Set<number>>;
}

function netOf(shapes: Shape[]): Net {
  const ends = shapes.flatMap((s, shape): End[] => [
    { shape, first: true, point: startOf(s.path) },
    { shape, first: false, point: endOf(s.path) },
  ]);
  const node = nodesOf(ends);
  const net: Net = { shapes, a: [], b: [], meets: new Map() };
  ends.forEach((e, i) => {
    const n = node[i] as number;
    (e.first ? net.a : net.b)[e.shape] = n;
    const set = net.meets.get(n) ?? new Set();
    set.add(e.shape);
    net.meets.set(n, set);
  });
  return net;
}

/** Lines that end in nothing, and those that then do, are no part of a ring. */
function prune(net: Net): Set<number> {
  const loose = new Set<number>();
  const queue = [...net.meets.entries()].filter(([, s]) => s.size === 1).map(([n]) => n);
  while (queue.length) {
    const n = queue.pop() as number;
    const set = net.meets.get(n);
    if (set?.size !== 1) continue;
    const shape = [...set][0] as number;
    if (net.a[shape] === net.b[shape]) continue;
    loose.add(shape);
    for (const m of [net.a[shape] as number, net.b[shape] as number]) {
      net.meets.get(m)?.delete(shape);
      if (net.meets.get(m)?.size === 1) queue.push(m);
    }
  }
  return loose;
}

/** Follows lines from one to the next, straightest on where several meet, until the start is reached again. */
function ringFrom(net: Net, start: number, used: Set<number>): Path[] | null {
  const paths: Path[] = [net.shapes[start]?.path as Path];
  const taken = [start];
  let here = net.b[start] as number;
  while (here !== net.a[start]) {
    const before = endDirection(paths[paths.length - 1] as Path);
    const next = [...(net.meets.get(here) ?? [])]
      .filter((i) => !used.has(i) && !taken.includes(i))
      .map((i) => {
        const path = net.shapes[i]?.path as Path;
        const along = net.a[i] === here ? path : reversePath(path);
        return { i, along, bend: Math.abs(turn(before, startDirection(along))) };
      })
      .sort((x, y) => x.bend - y.bend)[0];
    if (!next) return null;
    taken.push(next.i);
    paths.push(next.along);
    here = net.a[next.i] === here ? (net.b[next.i] as number) : (net.a[next.i] as number);
  }
  for (const i of taken) used.add(i);
  return paths;
}

/** One closed path of the lines; small steps between them are closed by drawing the next start on to the end before. */
function welded(paths: Path[]): { path: Path; gap: number } {
  const out: Path = [];
  let gap = 0;
  for (const p of paths) {
    const end = out[out.length - 1]?.b;
    const [head, ...rest] = p as [Path[number], ...Path];
    if (end) gap = Math.max(gap, distance(end, head.a));
    out.push(end ? { ...head, a: end } : head, ...rest);
  }
  return { path: out, gap };
}

export interface Joined {
  /** Rings made of several lines. */
  rings: (Shape & { gap: number })[];
  /** What stayed open. */
  rest: Shape[];
}

/**
 * Joins loose lines whose ends lie within HEAL_GAP of each other into closed outlines. Lines that look alike are tried
 * first among themselves, so that a grainline or a ticks's end does not lead off the outline; then what is left together.
 */
export function joinLoose(open: Shape[]): Joined {
  const groups = new Map<string, Shape[]>();
  for (const s of open) groups.set(styleKey(s), [...(groups.get(styleKey(s)) ?? []), s]);
  const rings: Joined['rings'] = [];
  let rest: Shape[] = [];
  const take = (shapes: Shape[]): Shape[] => {
    const net = netOf(shapes);
    const loose = prune(net);
    const used = new Set<number>();
    shapes.forEach((s, i) => {
      if (loose.has(i) || used.has(i)) return;
      const paths = ringFrom(net, i, used);
      if (!paths || paths.length < 2) return;
      rings.push({ ...s, ...welded(paths), closed: true });
    });
    return shapes.filter((_, i) => !used.has(i));
  };
  for (const g of groups.values()) rest.push(...(g.length > 1 ? take(g) : g));
  if (groups.size > 1) rest = take(rest);
  return { rings, rest };
}
