import { cornerRuns, flatten, type Path, pathLength } from '../../geometry/index.ts';
import { type Shape, styleKey } from '../drawing.ts';
import { joinLoose } from '../join.ts';
import { isSeamOf } from '../nest.ts';
import { closes, toOutline } from '../outline.ts';

/** Lines of the drawing that look alike: one size of a nested pattern, or what all sizes share. */
export interface LineGroup {
  id: string;
  layer: string | null;
  colour: string;
  width: number;
  dash: number[];
  lines: number;
  lengthMm: number;
  /** Closed outlines large enough to be pieces that these lines make by themselves. */
  outlines: number;
  /** How long these are from corner to corner, mm: by an edge of a piece that is cut already its size is known. */
  edges: number[];
  paths: Path[];
}

/** Outlines under this are no pieces of a garment (mm²). */
const PIECE_AREA = 8000;

interface Held {
  group: LineGroup;
  shapes: Shape[];
  rings: Shape[];
}

function held(shapes: Shape[]): Held[] {
  const by = new Map<string, Shape[]>();
  for (const s of shapes) by.set(styleKey(s), [...(by.get(styleKey(s)) ?? []), s]);
  return [...by.values()].map((list, i): Held => {
    const first = list[0] as Shape;
    const { rings } = joinLoose(list.filter((s) => !closes(s)));
    const closed = [...list.filter(closes), ...rings].filter((s) => (toOutline(s, [])?.areaMm2 ?? 0) > PIECE_AREA);
    const group: LineGroup = {
      id: `g${i + 1}`,
      layer: first.layer,
      colour: first.stroke.colour,
      width: first.stroke.width,
      dash: first.stroke.dash,
      lines: list.length,
      lengthMm: list.reduce((n, s) => n + pathLength(s.path), 0),
      outlines: closed.length,
      edges: closed.flatMap((s) => cornerRuns(flatten(s.path, 0.1)).map((r) => Math.round(r.length * 10) / 10)),
      paths: list.map((s) => s.path),
    };
    return { group, shapes: list, rings: closed };
  });
}

/**
 * Groups the lines by how they are drawn. `nested` tells whether several groups each make outlines that lie in each
 * other, as the sizes of a pattern do; a dashed seam line running inside its cut line at one distance is not a size.
 */
export function groupLines(shapes: Shape[]): { groups: LineGroup[]; of: Map<Shape, string>; nested: boolean } {
  const all = held(shapes);
  const of = new Map(all.flatMap((h) => h.shapes.map((s): [Shape, string] => [s, h.group.id])));
  const making = all.filter((h) => h.rings.length > 0);
  const nested =
    making.length > 2 ||
    (making.length === 2 &&
      overlap(making[0] as Held, making[1] as Held) &&
      !cutAndSeam(making[0] as Held, making[1] as Held));
  return { groups: all.map((h) => h.group), of, nested };
}

/** Whether outlines of the two groups lie in or over each other at all. */
function overlap(a: Held, b: Held): boolean {
  const box = (s: Shape) =>
    s.path.reduce(
      (m, x) => ({
        x0: Math.min(m.x0, x.a.x),
        x1: Math.max(m.x1, x.a.x),
        y0: Math.min(m.y0, x.a.y),
        y1: Math.max(m.y1, x.a.y),
      }),
      { x0: 1e9, x1: -1e9, y0: 1e9, y1: -1e9 },
    );
  return a.rings.some((r) =>
    b.rings.some((q) => {
      const [m, n] = [box(r), box(q)];
      const w = Math.min(m.x1, n.x1) - Math.max(m.x0, n.x0);
      const h = Math.min(m.y1, n.y1) - Math.max(m.y0, n.y0);
      return w > 0 && h > 0 && w * h > 0.5 * Math.min((m.x1 - m.x0) * (m.y1 - m.y0), (n.x1 - n.x0) * (n.y1 - n.y0));
    }),
  );
}

/** One group dashed, and its outlines running inside the other's at even distances: cut line and seam line. */
function cutAndSeam(a: Held, b: Held): boolean {
  const dashed = (h: Held): boolean => h.group.dash.length > 0;
  if (dashed(a) === dashed(b)) return false;
  const [seam, cut] = dashed(a) ? [a, b] : [b, a];
  const outlines = (h: Held) => h.rings.flatMap((r) => toOutline(r, []) ?? []);
  const outer = outlines(cut);
  return outlines(seam).every((s) => outer.some((c) => isSeamOf(s, c)));
}
