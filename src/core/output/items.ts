import {
  addScaled,
  type Box,
  boxOf,
  boxRing,
  crossings,
  directionAlong,
  distance,
  flatten,
  joinBoxes,
  line,
  mapPath,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  scale,
  simplified,
  sub,
  translation,
  unit,
} from '../geometry/index.ts';
import {
  allEdges,
  type CutLine,
  cutRings,
  type Edge,
  type Mark,
  notchTick,
  outlineOf,
  type Piece,
} from '../pattern/index.ts';
import { formatLength, type LengthUnit } from '../units.ts';

export type Stroke = 'cut' | 'seam' | 'fold' | 'grain' | 'notch' | 'inner' | 'mark' | 'frame';

/** What is drawn on paper, in mm. Writers for SVG and PDF only translate these. */
export type Item =
  | { kind: 'path'; path: Path; stroke: Stroke }
  | {
      kind: 'text';
      at: Point;
      size: number;
      text: string;
      bold?: boolean;
      /** Reads upward instead of to the right. */
      upward?: boolean;
      /** May stand anywhere in its piece. */
      free?: boolean;
      /** Other places where it may stand as well, the likelier first. */
      or?: Point[];
    };

/** A named group of items with its bounds. */
export interface Sheet {
  id: string;
  name: string;
  items: Item[];
  box: Box;
}

const MATERIAL_WORD = { shell: 'shell', facing: 'facing', lining: 'lining', interfacing: 'interfacing' } as const;

/** How many to cut, in words. */
export function cutWords({ cut }: Piece): string {
  if (cut.onFold) return `cut ${cut.count} on the fold`;
  if (cut.pair) return 'cut 2, mirrored';
  return cut.turned ? `cut ${cut.count}, pattern face down` : `cut ${cut.count}`;
}

/** Two small strokes at the upper end of the grainline. */
function arrow(a: Point, b: Point): Path[] {
  const d = unit(sub(b, a));
  const n = outward(d);
  const wing = (side: number): Path => [line(b, addScaled(addScaled(b, d, -9), n, side * 3.5))];
  return [wing(1), wing(-1)];
}

/** Seam line, cut line, fold, grainline, notches, inner lines and words of one piece. */
export function pieceSheet(p: Piece, cut: CutLine, about: string[] = [], units: LengthUnit = 'mm'): Sheet {
  const items: Item[] = cutRings(cut).map((path): Item => ({ kind: 'path', path, stroke: 'cut' }));
  const path = (q: Path, stroke: Stroke) => items.push({ kind: 'path', path: q, stroke });
  for (const e of allEdges(p)) path(e.path, e.onFold ? 'fold' : 'seam');
  for (const l of p.lines) {
    path(l.path, l.kind === 'cut-away' ? 'cut' : 'inner');
    if (l.on) items.push(alongLine(l.path, ONE_HALF[l.on]));
  }
  for (const q of [[line(p.grain.a, p.grain.b)], ...arrow(p.grain.a, p.grain.b)]) path(q, 'grain');
  for (const n of p.notches) {
    const e = p.ring.find((x) => x.id === n.edge);
    if (!e) continue;
    for (const o of n.kind === 'double' ? [-2.5, 2.5] : [0]) {
      const t = notchTick(e, n.at + o, Math.min(6, Math.max(3, e.allowance)));
      path([line(t.a, t.b)], 'notch');
    }
  }
  for (const m of p.marks ?? []) for (const q of markPaths(m)) path(q, 'mark');
  items.push(...words(p, cut.outline, about), ...allEdges(p).flatMap((e) => edgeWords(e, units)));
  return { id: p.id, name: p.name, items, box: joinBoxes(boxOf(cut.outline), boxOf(outlineOf(p.ring))) };
}

/** A mark as lines, 5 mm across: a square, a circle as eight sides, a dot or button as a cross in its circle. */
function markPaths(m: Mark): Path[] {
  const around = (n: number, r: number, turn: number): Path =>
    Array.from({ length: n }, (_, i) => {
      const at = (k: number): Point =>
        addScaled(m.at, { x: Math.cos(turn + (2 * Math.PI * k) / n), y: Math.sin(turn + (2 * Math.PI * k) / n) }, r);
      return line(at(i), at(i + 1));
    });
  const cross: Path[] = [
    [line({ x: m.at.x - 2.5, y: m.at.y }, { x: m.at.x + 2.5, y: m.at.y })],
    [line({ x: m.at.x, y: m.at.y - 2.5 }, { x: m.at.x, y: m.at.y + 2.5 })],
  ];
  if (m.kind === 'square') return [around(4, 3.5, Math.PI / 4)];
  return m.kind === 'circle'
    ? [around(16, 2.5, 0)]
    : m.kind === 'dot'
      ? [around(8, 1.2, 0)]
      : [around(16, 2.5, 0), ...cross];
}

/** Room to the right of a point inside the cut line, mm. */
function roomRight(at: Point, outline: Path): number {
  const hits = crossings([line(at, { x: at.x + 3000, y: at.y })], outline);
  return hits[0]?.atA ?? 0;
}

/** Least size of words on paper, mm: 7 points. */
export const LEAST_WORDS = 2.5;
/** Size of the figures beside edges, mm. */
const EDGE_WORDS = 3.2;
/** How far along an edge its allowance may stand, as shares of its length. */
const ALONG_EDGE = [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8];

/** What is said along a line that holds for one half of the body, as worn. */
export const ONE_HALF = { left: 'cut here, left half only', right: 'cut here, right half only' } as const;

/** Words that read upward beside the middle of a line. */
function alongLine(path: Path, text: string): Item {
  const middle = pointAlong(path, pathLength(path) / 2);
  return { kind: 'text', at: addScaled(middle, { x: -1, y: 0 }, 2), size: EDGE_WORDS, text, upward: true, free: true };
}

/** The allowance of an edge beside it, inside the seam line; at a fold, that it is one. */
function edgeWords(e: Edge, units: LengthUnit): Item[] {
  const text = e.onFold ? 'fold' : e.allowance > 0 ? formatLength(e.allowance, units) : '';
  const length = pathLength(e.path);
  const wide = text.length * EDGE_WORDS * 0.55;
  if (!text || length < wide) return [];
  const [at, ...or] = ALONG_EDGE.map((share): Point => {
    const inward = scale(outward(directionAlong(e.path, length * share)), -1);
    const off = 1.5 + (Math.abs(inward.x) * wide + Math.abs(inward.y) * EDGE_WORDS) / 2;
    const middle = addScaled(pointAlong(e.path, length * share), inward, off);
    return { x: middle.x - wide / 2, y: middle.y + EDGE_WORDS * 0.4 };
  });
  return [{ kind: 'text', at: at as Point, or, size: EDGE_WORDS, text }];
}

/** Name, cut count and what else is to be said beside the grainline: across where there is room, else along it. */
function words(p: Piece, outline: Path, about: string[]): Item[] {
  const lines = [p.name, `${MATERIAL_WORD[p.material]} · ${cutWords(p)}`, ...about];
  const long = Math.max(...lines.map((l, k) => l.length * (k ? 0.7 : 1))) * 0.58;
  const middle = { x: (p.grain.a.x + p.grain.b.x) / 2, y: (p.grain.a.y + p.grain.b.y) / 2 };
  const across = roomRight({ x: middle.x + 5, y: middle.y }, outline) - 8;
  const along = distance(p.grain.a, p.grain.b) * 1.3;
  const upward = across < long * 6 && along > across;
  const size = Math.min(9, Math.max(LEAST_WORDS, (upward ? along : across) / long));
  const at = (k: number): Point =>
    upward
      ? { x: middle.x + 4 + size * (0.8 + 1.2 * k), y: middle.y + Math.min(along, long * size) / 2 }
      : { x: middle.x + 6, y: middle.y + k * size * 1.25 };
  return lines.map(
    (text, k): Item => ({
      kind: 'text',
      at: at(k),
      size: k ? Math.max(LEAST_WORDS, size * 0.7) : size,
      text,
      bold: k === 0,
      upward,
      free: true,
    }),
  );
}

function movedText(i: Extract<Item, { kind: 'text' }>, dx: number, dy: number): Item {
  const to = (p: Point): Point => ({ x: p.x + dx, y: p.y + dy });
  return { ...i, at: to(i.at), ...(i.or && { or: i.or.map(to) }) };
}

export function moveSheet(s: Sheet, dx: number, dy: number): Sheet {
  const m = translation(dx, dy);
  return {
    ...s,
    items: s.items.map((i) => (i.kind === 'path' ? { ...i, path: mapPath(i.path, m) } : movedText(i, dx, dy))),
    box: { minX: s.box.minX + dx, maxX: s.box.maxX + dx, minY: s.box.minY + dy, maxY: s.box.maxY + dy },
  };
}

/** The outline of a sheet, its cut line or else its box, by chords that stray no more than so much from it, mm. */
export function outlineOfSheet(s: Sheet, stray: number): Point[] {
  const cut = s.items.find((q): q is Extract<Item, { kind: 'path' }> => q.kind === 'path' && q.stroke === 'cut');
  return simplified(cut ? flatten(cut.path, 0.2).slice(0, -1) : boxRing(s.box), stray);
}

/** Lines are followed from page to page in steps of so many mm. */
export const FOLLOW = 3;

/** Places along a line, close enough to tell on which pages it goes. */
export function pointsAlong(path: Path): Point[] {
  const points = flatten(path, 0.5);
  return points.flatMap((q, k) => {
    const p = points[k - 1] ?? q;
    const n = Math.ceil(distance(p, q) / FOLLOW) || 1;
    return Array.from({ length: n }, (_, m) => ({
      x: p.x + ((q.x - p.x) * (m + 1)) / n,
      y: p.y + ((q.y - p.y) * (m + 1)) / n,
    }));
  });
}

/**
 * Lays sheets out in rows, tallest first, on a plane `width` mm wide (or as wide as the widest), `gap` mm apart. `startOf`
 * may put a sheet farther right than it would come to lie. Gives the moved sheets and the size of the plane.
 */
export function arrange(
  sheets: readonly Sheet[],
  width: number,
  gap: number,
  startOf: (s: Sheet, x: number) => number = (_, x) => x,
): { sheets: Sheet[]; width: number; height: number } {
  const tall = (s: Sheet): number => s.box.maxY - s.box.minY;
  const wide = (s: Sheet): number => s.box.maxX - s.box.minX;
  const room = Math.max(width, ...sheets.map(wide));
  const out: Sheet[] = [];
  let x = 0;
  let y = 0;
  let row = 0;
  for (const s of [...sheets].sort((a, b) => tall(b) - tall(a))) {
    x = startOf(s, x);
    if (x > 0 && x + wide(s) > room) {
      y += row + gap;
      x = 0;
      row = 0;
    }
    out.push(moveSheet(s, x - s.box.minX, y - s.box.minY));
    x += wide(s) + gap;
    row = Math.max(row, tall(s));
  }
  return { sheets: out, width: Math.max(1, ...out.map((s) => s.box.maxX)), height: Math.max(1, y + row) };
}
