import { type Box, type Point } from '../../geometry/index.ts';
import { type PdfLine, type PdfPage } from './pages.ts';
import { type Chords, chordsOf, crossingsAt, furniture, type Layout, pairs, type SaidLayout, trimOf } from './tiles.ts';
import { laidByLines, normal, type Places } from './whole.ts';

interface Tiles {
  pages: PdfPage[];
  /** Indices of the tiles that carry lines, and of all tiles, empty ones included. */
  at: number[];
  all: number[];
  trim: Box;
  chords: Map<number, Chords>;
  lines: Map<number, PdfLine[]>;
  known: Map<string, number[]>;
}

function tilesOf(pages: PdfPage[]): Tiles {
  const { trim, framed } = trimOf(pages);
  const same = (p: PdfPage): boolean =>
    Math.abs(p.width - (pages[[...framed][0] ?? 0]?.width ?? 0)) < 1 &&
    Math.abs(p.height - (pages[[...framed][0] ?? 0]?.height ?? 0)) < 1;
  const at = pages.map((_, i) => i).filter((i) => framed.has(i) && same(pages[i] as PdfPage));
  const paper = furniture(pages, at);
  const lines = new Map(at.map((i) => [i, (pages[i]?.lines ?? []).filter((l) => !paper.has(l))]));
  const used = at.filter((i) => (lines.get(i)?.length ?? 0) > 0);
  return {
    pages,
    at: used,
    all: at,
    trim,
    lines,
    chords: new Map(used.map((i) => [i, chordsOf(lines.get(i) ?? [])])),
    known: new Map(),
  };
}

/** Lines of the pattern on each tile, what is paper left out. */
export const patternLines = (pages: PdfPage[]): Map<number, PdfLine[]> => tilesOf(pages).lines;

/** Finds how the pages lie together, as far as it is not said. Null when it cannot be told. */
export function findLayout(pages: PdfPage[], said: SaidLayout = {}): Layout | null {
  const t = tilesOf(pages);
  if (t.at.length <= 1) {
    const page = t.at[0] ?? 0;
    const p = pages[page];
    const trim = { minX: 0, minY: 0, maxX: p?.width ?? 0, maxY: p?.height ?? 0 };
    return {
      by: 'one',
      trim,
      columns: 1,
      rows: 1,
      overlapX: 0,
      overlapY: 0,
      places: [{ page, column: 0, row: 0 }],
      score: 1,
    };
  }
  if (said.columns !== undefined || said.overlap !== undefined) return byGrid(t, said);
  return byLines(t) ?? byLabels(t) ?? apart(t) ?? byGrid(t, said);
}

/** Pages whose lines all end before the rim lie apart from each other. */
function apart(t: Tiles): Layout | null {
  const rim = 1;
  const { trim } = t;
  const touches = (p: Point): boolean =>
    p.x < trim.minX + rim || p.x > trim.maxX - rim || p.y < trim.minY + rim || p.y > trim.maxY - rim;
  for (const i of t.at) for (const [p, q] of t.chords.get(i) ?? []) if (touches(p) || touches(q)) return null;
  const places = t.at.map((page, column) => ({ page, column, row: 0 }));
  return { by: 'apart', trim, columns: places.length, rows: 1, overlapX: -20, overlapY: 0, places, score: 1 };
}

/** Tiles that draw their lines whole, laid as those lines say. */
function byLines(t: Tiles): Layout | null {
  const found = laidByLines(t.pages, new Map(t.at.map((i) => [i, t.lines.get(i) ?? []])), t.trim);
  if (!found) return null;
  const { trim } = t;
  const [w, h] = [trim.maxX - trim.minX, trim.maxY - trim.minY];
  const [overlapX, overlapY] = [w - (found.stepX ?? w), h - (found.stepY ?? h)];
  return { by: 'lines', trim, ...sizeOf(found.places), overlapX, overlapY, places: found.places, score: 1 };
}

const sizeOf = (places: Places): { columns: number; rows: number } => ({
  columns: Math.max(...places.map((p) => p.column)) + 1,
  rows: Math.max(...places.map((p) => p.row)) + 1,
});

const letters = (s: string): number => [...s.toUpperCase()].reduce((n, c) => n * 26 + c.charCodeAt(0) - 64, 0);

/** Ways pages name their row and column. */
const LABELS: [RegExp, (m: RegExpExecArray) => [row: number, column: number]][] = [
  [/\brow\s*(\d+)\D+col\w*\s*(\d+)/i, (m) => [Number(m[1]), Number(m[2])]],
  [/\bcol\w*\s*(\d+)\D+row\s*(\d+)/i, (m) => [Number(m[2]), Number(m[1])]],
  [/(?:^|[\s(])([A-Z]{1,2})\s?-?(\d{1,2})(?=$|[\s).,·:])/, (m) => [letters(m[1] as string), Number(m[2])]],
  [/(?:^|[\s(])(\d{1,2})\s?-?([A-Z]{1,2})(?=$|[\s).,·:])/, (m) => [letters(m[2] as string), Number(m[1])]],
  [/^\(?(\d{1,2})\s*[,;x×-]\s*(\d{1,2})\)?$/, (m) => [Number(m[1]), Number(m[2])]],
];

/** "Page 4 of 40", "4/40": where a page comes in the pile, whatever the grid. */
const NUMBERED = /^(?:(?:page|sheet|tile)\s*\d+(?:\s*(?:of|\/)\s*\d+)?|\d+\s*(?:of|\/)\s*\d+)$/i;

/** Whether a text is a page's name or number in the tiling. */
export const isPageLabel = (text: string): boolean =>
  NUMBERED.test(text.trim()) || LABELS.some(([re]) => re.exec(text.trim())?.[0].trim() === text.trim());

function byLabels(t: Tiles): Layout | null {
  for (const [re, read] of LABELS) {
    const found = t.at.map((page) => {
      const text = (t.pages[page]?.texts ?? []).map((x) => re.exec(x.text.trim())).find((m) => m !== null);
      return text ? { page, at: read(text) } : null;
    });
    if (found.some((f) => f === null)) continue;
    // Which of the two counts the rows is not said everywhere: the way the lines meet decides.
    const tries = [false, true].flatMap((swap) => {
      const places = normal(
        found.flatMap((f) => (f ? [{ page: f.page, row: f.at[swap ? 1 : 0], column: f.at[swap ? 0 : 1] }] : [])),
      );
      return places ? [withOverlap(t, places, 'labels')] : [];
    });
    const best = tries.sort((a, b) => b.score - a.score)[0];
    if (best && best.score > 0.5) return best;
  }
  return null;
}

/** Rows times columns in the order of the pages; each count of columns is tried, and the one whose lines meet best taken. */
function byGrid(t: Tiles, said: SaidLayout): Layout | null {
  const by = said.columns || said.overlap !== undefined ? 'said' : 'across';
  const orders = said.order ? [said.order] : (['rows', 'columns'] as const);
  const lists = t.all.length > t.at.length ? [t.all, t.at] : [t.at];
  const tries = lists.flatMap((list) =>
    (said.columns ? [said.columns] : list.map((_, i) => i + 1)).flatMap((columns) =>
      orders.map((order) => inOrder(list, columns, order)),
    ),
  );
  const rough = tries.map((places) => ({ places, score: roughScore(t, places) })).sort((a, b) => b.score - a.score);
  // With an unusual overlap none of the usual ones shows the way: then every layout is looked at closely.
  const close = (rough[0]?.score ?? 0) > 0.5 ? rough.slice(0, 4) : rough;
  let best: Layout | null = null;
  for (const { places } of close) {
    const made = withOverlap(t, places, by, said.overlap);
    if (!best || made.score > best.score + 0.01) best = made;
  }
  return best && (best.by === 'said' || best.score >= 0.6) ? best : null;
}

/** How well lines meet at best over the usual overlaps. */
function roughScore(t: Tiles, places: Places): number {
  const [x, y] = [neighbours(places, 'x'), neighbours(places, 'y')];
  return Math.max(...USUAL_OVERLAPS.map((o) => share(sum(meeting(t, x, 'x', o), meeting(t, y, 'y', o)))));
}

function inOrder(list: number[], columns: number, order: 'rows' | 'columns'): Places {
  const rows = Math.ceil(list.length / columns);
  return list.map((page, i) =>
    order === 'rows'
      ? { page, column: i % columns, row: Math.floor(i / columns) }
      : { page, column: Math.floor(i / rows), row: i % rows },
  );
}

/** Overlaps pages usually have, mm. */
const USUAL_OVERLAPS = [0, 5, 6.35, 10, 12.7, 15, 20, 25.4];
/** Overlaps tried closely, mm: every half millimetre, and the usual ones in inches. */
const OVERLAPS = [...Array.from({ length: 61 }, (_, i) => i / 2), 6.35, 12.7, 19.05, 25.4];

/** Lengths of overlap are the same across and down unless the lines say otherwise by more than this share. */
const APART = 0.05;

function withOverlap(t: Tiles, places: Places, by: Layout['by'], said?: number): Layout {
  const joins = { x: neighbours(places, 'x'), y: neighbours(places, 'y') };
  const at = (axis: 'x' | 'y', overlap: number): Met => meeting(t, joins[axis], axis, overlap);
  const both = (o: number): Met => sum(at('x', o), at('y', o));
  const found = (measure: (o: number) => Met): { overlap: number; met: Met } => {
    if (said !== undefined) return { overlap: said, met: measure(said) };
    const coarse = peak(OVERLAPS, measure);
    if (share(coarse.met) < 0.3) return coarse;
    const fine = peak(
      Array.from({ length: 21 }, (_, i) => Math.max(0, coarse.overlap + (i - 10) * 0.05)),
      measure,
    );
    return share(fine.met) > share(coarse.met) + 0.01 ? fine : coarse;
  };
  const one = found(both);
  const x = found((o) => at('x', o));
  const y = found((o) => at('y', o));
  const differ = share(sum(x.met, y.met)) > share(one.met) + APART;
  const met = differ ? sum(x.met, y.met) : one.met;
  const overlaps = differ
    ? { overlapX: x.overlap, overlapY: y.overlap }
    : { overlapX: one.overlap, overlapY: one.overlap };
  return { by, trim: t.trim, ...sizeOf(places), ...overlaps, places, score: share(met) };
}

/** How well lines meet: 1 for each pair of ends that agree exactly, less the farther apart, of all ends. */
interface Met {
  met: number;
  of: number;
}
const share = (m: Met): number => (m.of ? m.met / m.of : 0);
const sum = (a: Met, b: Met): Met => ({ met: a.met + b.met, of: a.of + b.of });

function peak(options: number[], measure: (o: number) => Met): { overlap: number; met: Met } {
  let best = { overlap: options[0] as number, met: measure(options[0] as number) };
  for (const overlap of options.slice(1)) {
    const met = measure(overlap);
    if (share(met) > share(best.met) + 1e-6) best = { overlap, met };
  }
  return best;
}

function neighbours(places: Places, axis: 'x' | 'y'): [number, number][] {
  const at = new Map(places.map((p) => [`${p.column},${p.row}`, p.page]));
  return places.flatMap((p): [number, number][] => {
    const q = at.get(axis === 'x' ? `${p.column + 1},${p.row}` : `${p.column},${p.row + 1}`);
    return q === undefined ? [] : [[p.page, q]];
  });
}

function meeting(t: Tiles, joins: [number, number][], axis: 'x' | 'y', overlap: number): Met {
  const { trim } = t;
  const [start, end] = axis === 'x' ? [trim.minX, trim.maxX] : [trim.minY, trim.maxY];
  // Half-way through the overlap; without one, a hair inside both rims, where lines that end on them still count.
  const [a, b] = overlap < 0.2 ? [end - 0.05 - overlap, start + 0.05] : [end - overlap / 2, start + overlap / 2];
  let [met, of] = [0, 0];
  for (const [p, q] of joins) {
    const left = crossings(t, p, axis, a);
    const right = crossings(t, q, axis, b);
    met += 2 * pairs(left, right);
    of += left.length + right.length;
  }
  return { met, of };
}

/** Crossings already looked up, by page and place: the same rims are asked for again in every layout tried. */
function crossings(t: Tiles, page: number, axis: 'x' | 'y', at: number): number[] {
  const key = `${page}${axis}${at.toFixed(3)}`;
  let found = t.known.get(key);
  if (!found) {
    found = crossingsAt(t.chords.get(page) ?? [], axis, at, t.trim);
    t.known.set(key, found);
  }
  return found;
}
