import { mapPath, translation } from '../../geometry/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../../result.ts';
import { assemble, type Imported } from '../assemble.ts';
import { type Caption, type Drawing, type Shape } from '../drawing.ts';
import { type Tell, untold } from '../progress.ts';
import { clipPath, meetBoxes } from './clip.ts';
import { groupLines, type LineGroup } from './groups.ts';
import { findLayout, isPageLabel, patternLines } from './layout.ts';
import { type PdfPage, type PdfText } from './pages.ts';
import { type TestSquare, testSquares } from './square.ts';
import { type Layout, type SaidLayout } from './tiles.ts';
import { wholeTexts } from './words.ts';

export * from './groups.ts';
export { patternLines } from './layout.ts';
export * from './pages.ts';
export * from './square.ts';
export * from './tiles.ts';

export interface PdfChoices extends SaidLayout {
  /** Ids of the line groups that are wanted; all when left out. */
  groups?: string[];
  /** Factor on every length, where the test square came out at another size. */
  scale?: number;
}

/** What a PDF holds, for the sewist to choose from. */
export interface PdfRead {
  drawing: Drawing;
  layout: Layout;
  groups: LineGroup[];
  /** Several sizes lie in each other: one has to be chosen. */
  nested: boolean;
  squares: TestSquare[];
}

/** How far a test square may be off and still count as true (share). */
const TRUE_SIZE = 0.004;

/** Lays the pages together and groups their lines. Refuses what holds no lines, or whose pages cannot be laid together. */
export function readPdf(pages: PdfPage[], choices: PdfChoices = {}): Result<PdfRead> {
  if (!pages.some((p) => p.lines.length))
    return refuse(stop(pages.some((p) => p.images) ? 'pdf-image-only' : 'no-outlines'));
  const layout = findLayout(pages, choices);
  if (!layout) return refuse(stop('tiles-unclear', undefined, { pages: pages.length }));
  const squares = testSquares(pages);
  const findings = [...squareFindings(squares, choices.scale), ...layoutFindings(layout)];
  const drawing = planeOf(pages, layout, squares, choices.scale ?? 1, findings);
  const { groups, of, nested } = groupLines(drawing.shapes);
  const wanted = choices.groups;
  if (wanted) {
    const missing = wanted.filter((id) => !groups.some((g) => g.id === id));
    if (missing.length) return refuse(stop('pdf-group-unknown', undefined, { id: missing.join(', ').slice(0, 60) }));
    drawing.shapes = drawing.shapes.filter((s) => wanted.includes(of.get(s) ?? ''));
  }
  return ok({ drawing, layout, groups, nested: nested && !wanted, squares });
}

/** From pages to shell pieces; where several sizes lie in each other it says so and asks for the choice. */
export function importPdf(
  pages: PdfPage[],
  choices: PdfChoices = {},
  tell: Tell = untold,
  garment?: string,
): Result<Imported> {
  tell({ stage: 'lines', done: 0, of: 0 });
  const read = readPdf(pages, choices);
  if (!read.ok) return read;
  if (read.value.nested) {
    const sizes = read.value.groups.filter((g) => g.outlines > 0).length;
    return refuse(stop('choose-size', undefined, { sizes }));
  }
  return assemble(read.value.drawing, tell, garment);
}

/** All pattern lines and words on one plane, each page's share of it cut out along the middle of its overlaps. */
function planeOf(pages: PdfPage[], layout: Layout, squares: TestSquare[], scale: number, findings: Finding[]): Drawing {
  const { trim, overlapX, overlapY } = layout;
  const [w, h] = [trim.maxX - trim.minX, trim.maxY - trim.minY];
  const lines = patternLines(pages);
  const has = (column: number, row: number): boolean => layout.places.some((p) => p.column === column && p.row === row);
  const repeated = repeatedTexts(pages);
  const shapes: Shape[] = [];
  const texts: PdfText[] = [];
  const tiled = layout.by !== 'one' && layout.by !== 'apart';
  for (const p of layout.places) {
    const page = pages[p.page];
    if (!page) continue;
    const half = (there: boolean, overlap: number): number => (tiled && there ? overlap / 2 : 0);
    const cell = {
      minX: trim.minX + half(has(p.column - 1, p.row), overlapX),
      maxX: trim.maxX - half(has(p.column + 1, p.row), overlapX),
      minY: trim.minY + half(has(p.column, p.row - 1), overlapY),
      maxY: trim.maxY - half(has(p.column, p.row + 1), overlapY),
    };
    const move = translation(p.column * (w - overlapX) - trim.minX, p.row * (h - overlapY) - trim.minY);
    const map = { a: scale, b: 0, c: 0, d: scale, e: move.e * scale, f: move.f * scale };
    const own = layout.by === 'one' ? page.lines : (lines.get(p.page) ?? []);
    own.forEach((l, i) => {
      if (
        squares.some(
          (s) => s.page === p.page && l.path[0] && Math.abs(l.path[0].a.x - s.box.minX) < 60 && isSquare(l.path, s),
        )
      )
        return;
      const runs = tiled || l.clip ? clipPath(l.path, meetBoxes(cell, l.clip)) : [l.path];
      for (const run of runs)
        shapes.push({
          path: mapPath(run, map),
          closed: l.closed && run.length === l.path.length,
          label: `line ${i + 1} on page ${p.page + 1}`,
          name: null,
          group: 0,
          stroke: l.stroke,
          layer: l.layer,
          hint: null,
        });
    });
    for (const t of page.texts)
      if (inTrim(t.at, tiled ? trim : null) && !isPageLabel(t.text) && !repeated.has(t.text))
        texts.push({
          ...t,
          at: { x: (t.at.x + move.e) * scale, y: (t.at.y + move.f) * scale },
          width: t.width * scale,
        });
  }
  const captions = wholeTexts(texts).map((t): Caption => ({ text: t.text, at: t.at, group: 0 }));
  return { shapes, captions, groupNames: [null], findings };
}

/** Words in the rim of a tile name the page, not a piece. */
const inTrim = (p: { x: number; y: number }, trim: Layout['trim'] | null): boolean =>
  !trim || (p.x >= trim.minX - 3 && p.x <= trim.maxX && p.y >= trim.minY && p.y <= trim.maxY + 1);

const isSquare = (path: PdfPage['lines'][number]['path'], s: TestSquare): boolean =>
  path.every(
    (x) =>
      x.k === 'L' &&
      [x.a, x.b].every(
        (q) => q.x >= s.box.minX - 0.1 && q.x <= s.box.maxX + 0.1 && q.y >= s.box.minY - 0.1 && q.y <= s.box.maxY + 0.1,
      ),
  );

/** Words that stand on many pages are headings, not names of pieces. */
function repeatedTexts(pages: PdfPage[]): Set<string> {
  const on = new Map<string, number>();
  for (const p of pages) for (const t of new Set(p.texts.map((x) => x.text))) on.set(t, (on.get(t) ?? 0) + 1);
  return new Set([...on].filter(([, n]) => n >= 3 && n * 2 >= pages.length).map(([t]) => t));
}

function squareFindings(squares: TestSquare[], scale: number | undefined): Finding[] {
  const named = squares.find((s) => s.nominal !== null);
  if (!named || named.nominal === null) return [];
  const k = scale ?? 1;
  const measured = named.measured * k;
  if (Math.abs(measured / named.nominal - 1) <= TRUE_SIZE)
    return [{ code: 'square-true', severity: 'note', data: { measured, nominal: named.nominal } }];
  const factor = named.nominal / named.measured;
  return [{ code: 'square-off', severity: 'warn', data: { measured, nominal: named.nominal, factor } }];
}

function layoutFindings(l: Layout): Finding[] {
  if (l.by === 'one' || l.by === 'apart') return [];
  const data = { pages: l.places.length, columns: l.columns, rows: l.rows, overlap: l.overlapX };
  return [
    {
      code: l.score < 0.8 ? 'tiles-doubtful' : 'tiles-joined',
      severity: l.score < 0.8 ? 'warn' : 'note',
      data: { ...data, meet: Math.round(l.score * 100) },
    },
  ];
}
