import { type Box, distance, type Path, type Point, pathLength, startOf, sub } from '../../geometry/index.ts';
import { lineBox, type PdfLine, type PdfPage } from './pages.ts';

/**
 * Tiles that each draw whole what touches them, and show a part of it: the same line on two pages tells, to the file's own
 * exactness, how the pages lie. No frame, no label and no order of the pages is needed.
 */

/** A line and where it begins on its page. */
interface Drawn {
  page: number;
  line: PdfLine;
  length: number;
  at: Point;
}

/** Two pages that draw the same line: from the first page's corner to the second's, mm. */
interface Link {
  from: number;
  to: number;
  by: Point;
  weight: number;
}

/** How many pages to the right and down `to` lies of `from`, and the length of the lines that say so, mm. */
interface Step {
  from: number;
  to: number;
  dx: number;
  dy: number;
  weight: number;
}

/** Shorter lines (ticks, marks of notches) are too alike to tell anything, mm. */
const SHORTEST = 15;
/** More lines of one shape than this are a grid or a row of marks. */
const MOST_ALIKE = 60;
/** Two drawings of one line lie this near, mm: what a file's figures are rounded to, twice. */
const SAME = 0.15;
/** The least part of a page that a step to the next one is: overlaps are smaller than the rest. */
const LEAST_STEP = 0.4;
/** What is left over by how the pages lie, as a share of the lines that reach the rim: more, and the lines are cut there. */
const MOST_CUT = 0.1;
/** The most that may contradict the rest, as a share of what is said (by length of line). */
const MOST_WRONG = 0.3;

const sameShape = (a: Drawn, b: Drawn): boolean =>
  a.line.path.every((s, i) => {
    const t = b.line.path[i] as Path[number];
    return distance(sub(s.b, a.at), sub(t.b, b.at)) < SAME && s.k === t.k;
  });

/** Lines of one shape, wherever they lie. */
function alike(lines: Map<number, PdfLine[]>): Drawn[][] {
  const all = [...lines].flatMap(([page, list]) =>
    list.map((line): Drawn => ({ page, line, length: pathLength(line.path), at: startOf(line.path) })),
  );
  const long = all.filter((d) => d.length >= SHORTEST).sort((a, b) => a.length - b.length);
  const groups: [Drawn, ...Drawn[]][] = [];
  // Sorted by length, only the last groups can still be met.
  let open = 0;
  for (const d of long) {
    const far = groups.slice(open).findIndex((g) => d.length - g[0].length <= SAME);
    open = far < 0 ? groups.length : open + far;
    const own = groups.slice(open).find((g) => g[0].line.path.length === d.line.path.length && sameShape(g[0], d));
    if (own) own.push(d);
    else groups.push([d]);
  }
  return groups.filter((g) => g.length > 1 && g.length <= MOST_ALIKE);
}

function linksOf(groups: Drawn[][]): Link[] {
  return groups.flatMap((g) =>
    g.flatMap((p, i) =>
      g.slice(i + 1).flatMap((q): Link[] => {
        const by = sub(p.at, q.at);
        // At the same place on both pages it is paper.
        return p.page === q.page || Math.hypot(by.x, by.y) < 1
          ? []
          : [{ from: p.page, to: q.page, by, weight: p.length }];
      }),
    ),
  );
}

/** The step from a page to the next along an axis: the one that most length of line agrees on. Null where nothing says it. */
function stepAlong(links: Link[], axis: 'x' | 'y', size: number): number | null {
  const sizes = links
    .map((l) => ({ by: Math.abs(l.by[axis]), weight: l.weight }))
    .filter((l) => l.by > size * LEAST_STEP && l.by < size + 0.5)
    .sort((a, b) => a.by - b.by);
  let best: { weight: number; by: number } | null = null;
  for (let i = 0, j = 0; i < sizes.length; i = j) {
    const first = sizes[i] as (typeof sizes)[number];
    while (j < sizes.length && (sizes[j] as typeof first).by - first.by < 2 * SAME) j++;
    const near = sizes.slice(i, j);
    const weight = near.reduce((t, l) => t + l.weight, 0);
    if (!best || weight > best.weight) best = { weight, by: (near[Math.floor(near.length / 2)] as typeof first).by };
  }
  return best?.by ?? null;
}

export type Places = { page: number; column: number; row: number }[];

export interface WholeLines {
  /** From page to page, mm; null where there is but one column or row. */
  stepX: number | null;
  stepY: number | null;
  places: Places;
}

/** How the tiles lie, from lines drawn on more than one; null where lines are cut at the rims, or drawn once each. */
export function laidByLines(pages: PdfPage[], lines: Map<number, PdfLine[]>, trim: Box): WholeLines | null {
  const groups = alike(lines);
  const links = linksOf(groups);
  const largest = (side: 'width' | 'height'): number =>
    Math.max(...[...lines.keys()].map((i) => pages[i]?.[side] ?? 0));
  const [stepX, stepY] = [stepAlong(links, 'x', largest('width')), stepAlong(links, 'y', largest('height'))];
  const whole = (v: number, step: number | null): number | null => {
    const n = step === null ? 0 : Math.round(v / step);
    return Math.abs(v - n * (step ?? 0)) < SAME ? n : null;
  };
  const steps = links.flatMap((l): Step[] => {
    const [dx, dy] = [whole(l.by.x, stepX), whole(l.by.y, stepY)];
    return dx === null || dy === null || (dx === 0 && dy === 0) ? [] : [{ ...l, dx, dy }];
  });
  if (!steps.length || cutShare(groups, lines, trim) > MOST_CUT) return null;
  const places = placed([...lines.keys()], strongest(steps));
  return places && { stepX, stepY, places };
}

/** Steps that say the same taken together, those that most length of line says first. */
function strongest(steps: Step[]): Step[] {
  const by = new Map<string, Step>();
  for (const s of steps) {
    const key = `${s.from},${s.to},${s.dx},${s.dy}`;
    by.set(key, { ...s, weight: s.weight + (by.get(key)?.weight ?? 0) });
  }
  return [...by.values()].sort((a, b) => b.weight - a.weight);
}

/**
 * Grid places, what nothing ties together side by side. Like lines of different pieces may say something else than all
 * others: what contradicts the stronger, or would lay a page on another, is passed over; null where that is much.
 */
function placed(pages: number[], steps: Step[]): Places | null {
  const group = new Map(pages.map((page): [number, Places] => [page, [{ page, column: 0, row: 0 }]]));
  const at = (page: number): Places[number] => group.get(page)?.find((p) => p.page === page) as Places[number];
  let wrong = 0;
  for (const s of steps) {
    const [a, b] = [at(s.from), at(s.to)];
    const [right, down] = [a.column + s.dx - b.column, a.row + s.dy - b.row];
    const [own, other] = [group.get(s.from) as Places, group.get(s.to) as Places];
    const moved = other.map((p) => ({ page: p.page, column: p.column + right, row: p.row + down }));
    if (own === other ? right || down : !normal([...own, ...moved])) wrong += s.weight;
    else if (own !== other) {
      own.push(...moved);
      for (const p of other) group.set(p.page, own);
    }
  }
  if (wrong > MOST_WRONG * steps.reduce((t, s) => t + s.weight, 0)) return null;
  return sideBySide([...new Set(group.values())]);
}

function sideBySide(groups: Places[]): Places {
  const out: Places = [];
  for (const g of groups) {
    const right = out.length ? Math.max(...out.map((p) => p.column)) + 2 : 0;
    out.push(...(normal(g) ?? []).map((p) => ({ ...p, column: p.column + right })));
  }
  return out;
}

/** Places counted from the upper left one; null where two pages lie on each other. */
export function normal(places: Places): Places | null {
  const c = Math.min(...places.map((p) => p.column));
  const r = Math.min(...places.map((p) => p.row));
  const out = places.map((p) => ({ page: p.page, column: p.column - c, row: p.row - r }));
  return new Set(out.map((p) => `${p.column},${p.row}`)).size === out.length ? out : null;
}

/** Of the lines that end at a rim or go beyond it, the share (of length) that no other page draws as well. */
function cutShare(groups: Drawn[][], lines: Map<number, PdfLine[]>, trim: Box): number {
  const twice = new Set(
    groups.filter((g) => new Set(g.map((d) => d.page)).size > 1).flatMap((g) => g.map((d) => d.line)),
  );
  let [cut, of] = [0, 0];
  for (const l of [...lines.values()].flat()) {
    if (!reaches(l, trim)) continue;
    const length = pathLength(l.path);
    of += length;
    if (!twice.has(l)) cut += length;
  }
  return of ? cut / of : 1;
}

const reaches = (l: PdfLine, trim: Box): boolean => {
  const b = lineBox(l);
  const rim = 0.5;
  return b.minX < trim.minX + rim || b.maxX > trim.maxX - rim || b.minY < trim.minY + rim || b.maxY > trim.maxY - rim;
};
