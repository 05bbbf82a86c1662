import {
  afterSteps,
  type Cloth,
  type Laid,
  type LayPart,
  laid,
  NoFits,
  partsOfOutlines,
  plainCloth,
  type Way,
  within,
} from '../cutting/index.ts';
import { insideRing, type Point, ringsArea } from '../geometry/index.ts';
import { arrange, FOLLOW, outlineOfSheet, pointsAlong, type Sheet } from './items.ts';
import { OVERLAP, type Paper, pageAt, pageStep, RIM } from './paper.ts';
import { type Put, sheetAt, TURNS, type Turn } from './puts.ts';

/** Sheets keep so far from each other, mm: room for the scissors. */
const GAP = 2;
/** How much is looked for, every time the same, so that the same sheets come to lie alike. */
interface Effort {
  /** So many planes are tried: a square one, and some that are wider or narrower by pages. */
  planes: number;
  /** So many steps each is made shorter, and the best of them then fitted on fewer pages. */
  strip: number;
  fewer: number;
}
export const USUAL: Effort = { planes: 3, strip: 500, fewer: 3000 };
/** A step moves one sheet: of few sheets so many steps for each are as good. Own figures. */
const EACH = { strip: 60, fewer: 300 };
/** Pages of a plane are filled to about this share. Own figure. */
const FILLED = 0.8;
/** More sheets are put in rows: how two of them fit is worked out for all pairs, and would take a minute. */
const MANY = 50;
/** A sheet that lies in one column of pages keeps so far from its left rim, mm: that strip is the neighbour's. */
const BESIDE = OVERLAP / 2 + 1;

/** Its figures stand at their marks, and nowhere else. */
const isFixed = (s: Sheet): boolean =>
  s.items.some((i) => i.kind === 'text') && !s.items.some((i) => i.kind === 'text' && i.free);

/** Sheets as parts to be laid; a strip whose figures stand at their marks lies upright, in one column of pages. */
function partsFor(sheets: readonly Sheet[], paper: Paper): LayPart[] {
  const step = pageStep(paper).x;
  const outlines = sheets.map((s, i) => ({
    ...{ id: String(i), ring: outlineOfSheet(s, GAP / 3), count: 1, mirror: false },
    turns: isFixed(s) ? [0] : [...TURNS],
  }));
  return partsOfOutlines(outlines).map((p) => {
    const fixed = isFixed(sheets[Number(p.piece)] as Sheet);
    const held = (w: Way): Way => (w.wide <= step - 2 ? { ...w, onX: { from: BESIDE - RIM, step } } : w);
    return fixed ? { ...p, ways: p.ways.map(held) } : p;
  });
}

/** Pages of a plane that is so many of them wide: those on which lines go. */
class Plane {
  private rows = Number.POSITIVE_INFINITY;
  constructor(
    private readonly paper: Paper,
    readonly across: number,
    private readonly noFits: NoFits,
    private readonly ink: (l: Laid) => readonly Point[],
  ) {}

  get width(): number {
    return pageStep(this.paper).x * this.across + OVERLAP - 2 * RIM;
  }

  private heightOf(rows: number): number {
    return pageStep(this.paper).y * rows + OVERLAP - 2 * RIM;
  }

  /** As many rows as they take; gives how far down they reach, as rows count. */
  private fit(all: readonly Laid[]): number {
    const top = Math.max(...all.map((l) => l.at.y + l.way.long)) + 2 * RIM - OVERLAP;
    // What just fits takes no row more.
    this.rows = Math.max(1, Math.ceil(top / pageStep(this.paper).y - 0.001));
    return top;
  }

  /** The pages that one touches. */
  pagesOf(l: Laid): Set<number> {
    const { at } = l;
    const { x, y } = pageStep(this.paper);
    const page = (p: Point): number =>
      pageAt(at.y + p.y + RIM, y, this.rows) * this.across + pageAt(at.x + p.x + RIM, x, this.across);
    return new Set(this.ink(l).map(page));
  }

  pages(all: readonly Laid[]): Set<number> {
    return new Set(all.flatMap((l) => [...this.pagesOf(l)]));
  }

  /** How many pages all touch, so much farther down the plane: which column each of their places is in does not change. */
  private counted(all: readonly Laid[]): (down: number) => number {
    const { x, y } = pageStep(this.paper);
    const ink = all.flatMap((l) => this.ink(l).map((p) => ({ x: p.x + l.at.x + RIM, y: p.y + l.at.y + RIM })));
    const column = Int32Array.from(ink, (p) => pageAt(p.x, x, this.across));
    const from = Float64Array.from(ink, (p) => p.y);
    return (down) => {
      const touched = new Uint8Array(this.rows * this.across);
      for (let i = 0; i < from.length; i++)
        touched[pageAt((from[i] as number) + down, y, this.rows) * this.across + (column[i] as number)] = 1;
      return touched.reduce((t, k) => t + k, 0);
    };
  }

  /** So many pages of the plane, those at the end of its last row left out. */
  of(pages: number): { cloth: Cloth; length: number } {
    const rows = Math.ceil(pages / this.across);
    const { x, y } = pageStep(this.paper);
    const from = (k: number, step: number): number => k * step + OVERLAP / 2 - RIM;
    const left = this.across - (rows * this.across - pages);
    const length = this.heightOf(rows);
    const flaw = { x0: from(left, x), x1: this.width, y0: from(rows - 1, y), y1: length };
    return { cloth: plainCloth(this.width, { gap: GAP, flaws: left < this.across ? [flaw] : [] }), length };
  }

  /** Laid as low down the plane as takes the fewest pages. */
  lowered(all: Laid[]): Laid[] {
    const { y } = pageStep(this.paper);
    const top = this.fit(all);
    const counted = this.counted(all);
    let best = { down: 0, pages: counted(0) };
    for (let down = FOLLOW; down <= this.rows * y - top; down += FOLLOW) {
      const pages = counted(down);
      if (pages < best.pages) best = { down, pages };
    }
    return all.map((l) => ({ ...l, at: { x: l.at.x, y: l.at.y + best.down } }));
  }

  /** Moved off the joins of pages, the smaller ones first, where there is room for it and no page more is taken. */
  offJoins(all: Laid[]): Laid[] {
    const out = [...all];
    this.fit(out);
    const high = this.heightOf(this.rows);
    const bySize = out.map((_, i) => i).sort((a, b) => sizeOf(out[a] as Laid) - sizeOf(out[b] as Laid));
    for (const i of bySize) {
      const own = out[i] as Laid;
      if (own.way.onX) continue;
      const others = out.filter((_, j) => j !== i);
      const taken = this.pages(others);
      const cost = (l: Laid): number => {
        const pages = [...this.pagesOf(l)];
        return pages.length + 1000 * pages.filter((p) => !taken.has(p)).length;
      };
      let least = cost(own);
      for (const at of this.besideJoins(own, high)) {
        const moved = { ...own, at };
        const less = cost(moved);
        if (less >= least || others.some((l) => this.touch(l, moved))) continue;
        [out[i], least] = [moved, less];
      }
    }
    return out;
  }

  /** Places at which its box begins or ends at a join that it lies over now. */
  private besideJoins({ way, at }: Laid, high: number): Point[] {
    const step = pageStep(this.paper);
    const over = (from: number, size: number, by: number): number[] => {
      const first = Math.ceil((from + RIM - OVERLAP / 2) / by) * by - RIM + OVERLAP / 2;
      const last = Math.floor((from + size + RIM - OVERLAP / 2) / by) * by - RIM + OVERLAP / 2;
      return [from, ...(first < from + size ? [first, last - size] : [])];
    };
    return over(at.x, way.wide, step.x)
      .flatMap((x) => over(at.y, way.long, step.y).map((y) => ({ x, y })))
      .filter((p) => p.x >= 0 && p.y >= 0 && p.x + way.wide <= this.width && p.y + way.long <= high);
  }

  private touch(a: Laid, b: Laid): boolean {
    const at = { x: b.at.x - a.at.x, y: b.at.y - a.at.y };
    return this.noFits.of(a.way, b.way).some((r) => insideRing(r, at));
  }
}

const sizeOf = ({ way }: Laid): number => ringsArea([way.outline]);

/** Places along the lines of a sheet as it lies in a way, from the lower corner of its outline. */
function inkOf(s: Sheet, { turn }: Way): Point[] {
  const over = sheetAt(s, { id: s.id, turn: turn as Turn, x: 0, y: 0 });
  return over.items.flatMap((i) => (i.kind === 'path' ? pointsAlong(i.path) : []));
}

/** Put on one page fewer, the last one of the last row left out, and on one fewer again, as long as it comes out. */
function fewer(first: Laid[], plane: Plane, noFits: NoFits, most: number, goesOn: () => boolean): Laid[] {
  let best = first;
  let pages = plane.pages(best).size;
  let from = first;
  let steps = most;
  while (steps > 0) {
    const { cloth, length } = plane.of(pages - 1);
    const search = within(from, cloth, length, noFits, 1);
    let step = search.next();
    for (; !step.done && steps > 0 && goesOn(); steps--) step = search.next();
    if (!step.done || !step.value) return best;
    from = step.value;
    const low = plane.lowered(from);
    const less = plane.pages(low).size;
    if (less >= pages) return best;
    [best, pages] = [low, less];
  }
  return best;
}

/** Many sheets in rows, none turned; a strip whose figures stand at their marks still lies in one column. */
function inRows(sheets: readonly Sheet[], paper: Paper, across: number): Put[] {
  const step = pageStep(paper).x;
  const startOf = (s: Sheet, x: number): number => {
    const wide = s.box.maxX - s.box.minX;
    const column = Math.floor((x + RIM) / step);
    const straddles = x + RIM + wide > (column + 1) * step + OVERLAP / 2;
    return isFixed(s) && straddles && wide <= step - 2 ? (column + 1) * step + BESIDE - RIM : x;
  };
  return arrange(sheets, step * across + OVERLAP - 2 * RIM, GAP, startOf).sheets.map((s) => {
    const ring = outlineOfSheet(s, 0);
    const [x, y] = [Math.min(...ring.map((p) => p.x)), Math.min(...ring.map((p) => p.y))];
    return { id: s.id, turn: 0, x: x + RIM, y: y + RIM };
  });
}

/** So many pages wide the planes are that are tried: square, narrower, wider; as narrow as the widest part lets them be. */
function widths(parts: readonly LayPart[], step: number, square: number, planes: number): number[] {
  const widest = Math.max(...parts.map((p) => Math.min(...p.ways.map((w) => w.wide))));
  const least = Math.max(1, Math.ceil((widest + 2 * RIM - OVERLAP) / step));
  const near = [0, -1, 1].slice(0, planes).map((n) => square + n);
  const across = near.filter((n) => n >= least);
  return across.length ? across : [least];
}

/**
 * Where the sheets lie on a plane of pages so that few are printed: laid like pieces on a cloth, then off the joins where that costs nothing.
 * The same sheets come to lie alike every time. Takes seconds; less `effort`, less. `goesOn`: false once nobody waits for it any more; then
 * they lie nowhere, or as they happen to.
 */
export function putOnPages(
  sheets: readonly Sheet[],
  paper: Paper,
  effort = USUAL,
  goesOn: () => boolean = () => true,
): Put[] {
  if (!sheets.length) return [];
  const parts = partsFor(sheets, paper);
  const step = pageStep(paper);
  const area = parts.reduce((t, p) => t + ringsArea([(p.ways[0] as Way).outline]), 0);
  const square = Math.ceil(Math.sqrt(area / FILLED) / step.x);
  if (sheets.length > MANY) return inRows(sheets, paper, square);
  const strip = Math.min(effort.strip, EACH.strip * sheets.length);
  const most = Math.min(effort.fewer, EACH.fewer * sheets.length);
  const noFits = new NoFits(GAP);
  const known = new Map<Way, Point[]>();
  const ink = ({ part, way }: Laid): Point[] => {
    const points = known.get(way) ?? inkOf(sheets[Number(part.piece)] as Sheet, way);
    known.set(way, points);
    return points;
  };
  const planes = widths(parts, step.x, square, effort.planes).map((n) => {
    const plane = new Plane(paper, n, noFits, ink);
    if (!goesOn()) return { plane, all: [], size: 0 };
    const search = laid(parts, plainCloth(plane.width, { gap: GAP }), 1, [], noFits);
    const all = plane.lowered(afterSteps(search, strip, goesOn)?.laid ?? []);
    return { plane, all, size: n * Math.max(...all.map((l) => l.at.y + l.way.long)) };
  });
  if (!goesOn()) return [];
  const { plane, all } = planes.reduce((a, b) => (b.size < a.size ? b : a));
  return plane.offJoins(fewer(all, plane, noFits, most, goesOn)).map(({ part, way, at }) => ({
    id: (sheets[Number(part.piece)] as Sheet).id,
    turn: way.turn as Turn,
    ...{ x: at.x + RIM, y: at.y + RIM },
  }));
}
