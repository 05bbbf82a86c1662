import {
  boxOf,
  joinBoxes,
  line,
  mapPath,
  type Path,
  type Point,
  reversePath,
  rotation,
  splitSegment,
} from '../core/geometry/index.ts';
import { type Drawn, type Garment } from '../demo/drawn.ts';

// How some program would write a garment of the pile: turned, mirrored, rounded, in parts.

export interface Telling {
  /** How the whole drawing lies: turned by so many degrees, mirrored. */
  turn: number;
  mirror: boolean;
  /** Decimals that the program writes. */
  decimals: number;
  /** Curves written as several shorter ones; edges as paths of their own. */
  parts: number;
  loose: boolean;
  /** User units in a millimetre, with the document's size saying so. */
  scale: number;
  named: boolean;
}

export const PLAINLY: Telling = {
  turn: 0,
  mirror: false,
  decimals: 4,
  parts: 1,
  loose: false,
  scale: 1,
  named: true,
};

const MIRROR = { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 };

function inParts(path: Path, parts: number): Path {
  if (parts <= 1) return path;
  return path.flatMap((s) => {
    if (s.k === 'L') return [s];
    const out: Path = [];
    let rest: Path[number] = s;
    for (let k = parts; k > 1; k--) {
      const [head, tail] = splitSegment(rest, 1 / k);
      out.push(head);
      rest = tail;
    }
    return [...out, rest];
  });
}

/** The piece as it lies in the drawing; a mirrored one is run round the other way. */
function lies(d: Drawn, t: Telling): Drawn {
  const about = rotation((t.turn * Math.PI) / 180);
  const laid = (path: Path): Path => mapPath(t.mirror ? reversePath(mapPath(path, MIRROR)) : path, about);
  const edges = d.edges.map((e) => ({ ...e, path: laid(inParts(e.path, t.parts)) }));
  const [a, b] = d.grain.map((q) => mapPath([line(q, q)], t.mirror ? MIRROR : rotation(0))[0]?.a as Point);
  const g = mapPath([line(a as Point, b as Point)], about)[0] as Path[number];
  return { ...d, edges: t.mirror ? edges.reverse() : edges, grain: [g.a, g.b] };
}

/** A garment as the SVG file some program would write of it. */
export function svgOfGarment(g: Garment, t: Telling = PLAINLY): string {
  const n = (v: number): string => String(Number((v * t.scale).toFixed(t.decimals)));
  const xy = (q: Point, dx: number): string => `${n(q.x + dx)},${n(q.y)}`;
  const data = (path: Path, dx: number): string =>
    path.map((s) => (s.k === 'L' ? `L${xy(s.b, dx)}` : `C${xy(s.c, dx)} ${xy(s.d, dx)} ${xy(s.b, dx)}`)).join('');
  let x = 30;
  let [low, high] = [0, 0];
  const groups = g.pieces.map((drawn) => {
    const d = lies(drawn, t);
    const box = d.edges.map((e) => boxOf(e.path)).reduce(joinBoxes);
    const dx = x - box.minX;
    x += box.maxX - box.minX + 40;
    [low, high] = [Math.min(low, box.minY), Math.max(high, box.maxY)];
    const start = (path: Path): string => `M${xy((path[0] as Path[number]).a, dx)}`;
    const outline = t.loose
      ? d.edges.map((e) => `<path d="${start(e.path)}${data(e.path, dx)}"/>`).join('')
      : `<path d="${start(d.edges[0]?.path as Path)}${d.edges.map((e) => data(e.path, dx)).join('')}Z"/>`;
    const grain = `<path id="grainline" d="M${xy(d.grain[0], dx)}L${xy(d.grain[1], dx)}"/>`;
    const words = d.text ? `<text x="${n(d.grain[0].x + dx + 8)}" y="${n(d.grain[0].y)}">${d.text}</text>` : '';
    return `<g${t.named ? ` id="${d.name}"` : ''}>${outline}${grain}${words}</g>`;
  });
  const view = [0, low - 30, x, high - low + 60].map(n).join(' ');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${x}mm" height="${high - low + 60}mm" viewBox="${view}">${groups.join('\n')}</svg>`;
}
