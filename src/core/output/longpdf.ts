import {
  type PDFDocument,
  PDFName,
  PDFOperator,
  PDFOperatorNames,
  type PDFPage,
  PDFString,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  setDashPattern,
  setLineWidth,
  stroke,
} from 'pdf-lib';
import { afterSteps, type Laying, laid, partsOfOutlines, plainCloth } from '../cutting/index.ts';
import { line, type Path, type Point } from '../geometry/index.ts';
import { type Item, moveSheet, outlineOfSheet, type Sheet, type Stroke } from './items.ts';
import { LONG, type LongPaper, MARGIN } from './paper.ts';
import { beginPdf, datedTitle, drawItems, PT, strokePath, type ToPage } from './pdfpage.ts';

/** A PDF page is no longer, mm: 14,400 units of a user space that is not scaled (ISO 32000-1, annex C). */
export const LONGEST = (14_400 / 72) * 25.4;
/** Pieces keep so far from each other, their outlines within a third of it; so much is kept for the squares and the title above them, mm. */
const [GAP, HEAD] = [5, 75];
/** So many steps a shorter page is looked for: the same sheet every time, in a second or two. */
const STEPS = 4000;
/** Squares of the grid a projector is set by, mm. */
const GRID = 50;

type Begun = Parameters<typeof beginPdf>[0];

export interface LongJob extends Begun {
  /** Sheets in the layers they are shown by. */
  groups: { name: string; sheets: Sheet[] }[];
  /** What each kind of line is called. */
  lines: { stroke: Stroke; words: string }[];
  paper: LongPaper;
  /** How thick lines are; as they are printed where it is left out. */
  thick?: number | undefined;
}

/** One page with all sheets, or the pieces that are wider than the roll, or how long the page would be, mm. */
export type LongMade = { bytes: Uint8Array } | { wide: string[] } | { long: number };

/** Sheets laid on the roll, none turned, so that all can be read. */
function laidOut(rings: readonly Point[][], width: number): Laying | null {
  const outlines = rings.map((ring, i) => ({ id: String(i), ring, count: 1, turns: [0], mirror: false }));
  return afterSteps(laid(partsOfOutlines(outlines), plainCloth(width, { gap: GAP }), 1), STEPS);
}

/** Optional content of a page (ISO 32000-1, 8.11): groups that a viewer shows or hides. */
class Layers {
  private readonly refs = new Map<string, ReturnType<PDFDocument['context']['register']>>();
  constructor(
    private readonly doc: PDFDocument,
    private readonly page: PDFPage,
  ) {}

  draw(name: string, make: () => void): void {
    const known = this.refs.get(name);
    const ref = known ?? this.doc.context.register(this.doc.context.obj({ Type: 'OCG', Name: PDFString.of(name) }));
    this.refs.set(name, ref);
    const key = `L${[...this.refs.keys()].indexOf(name)}`;
    const begin = PDFOperatorNames.BeginMarkedContentSequence;
    this.page.pushOperators(PDFOperator.of(begin, [PDFName.of('OC'), PDFName.of(key)]));
    make();
    this.page.pushOperators(PDFOperator.of(PDFOperatorNames.EndMarkedContent));
  }

  /** Tells the document of them. */
  end(): void {
    const all = [...this.refs.values()];
    const { context } = this.doc;
    this.page.node
      .Resources()
      ?.set(PDFName.of('Properties'), context.obj(Object.fromEntries(all.map((ref, i) => [`L${i}`, ref]))));
    this.doc.catalog.set(PDFName.of('OCProperties'), context.obj({ OCGs: all, D: { Order: all, ON: all } }));
  }
}

/** All sheets on one long page, for a roll plotter or a projector: in layers, under squares of 50 mm and 2 in. */
export async function longPdf(job: LongJob): Promise<LongMade> {
  const all = job.groups.flatMap((g) =>
    g.sheets.map((sheet) => ({ sheet, group: g.name, ring: outlineOfSheet(sheet, GAP / 3) })),
  );
  const width = LONG[job.paper];
  const lay = laidOut(
    all.map((s) => s.ring),
    width - 2 * MARGIN,
  );
  const wide = (lay?.left ?? []).map((p) => all[Number(p.piece)]?.sheet.name ?? '');
  if (wide.length) return { wide };
  const length = (lay?.length ?? 0) + 2 * MARGIN + HEAD;
  if (length > LONGEST) return { long: length };
  const { doc, w } = await beginPdf(job);
  const page = doc.addPage([width * PT, length * PT]);
  const to: ToPage = (p) => [(p.x + MARGIN) * PT, (length - MARGIN - HEAD - p.y) * PT];
  const layers = new Layers(doc, page);
  head(page, job, length);
  w.text(page, w.fit(datedTitle(job.title, job.now), 18, (width - 160) * PT), [140 * PT, (length - 40) * PT], 18);
  if (job.paper === 'projector') layers.draw(`${GRID} mm`, () => grid(page, width, length));
  for (const { piece, x, y } of lay?.placed ?? []) {
    const one = all[Number(piece)];
    if (!one) continue;
    const [left, top] = [Math.min(...one.ring.map((p) => p.x)), Math.min(...one.ring.map((p) => p.y))];
    const { items } = moveSheet(one.sheet, x - left, y - top);
    for (const [name, part] of byLine(items, one.group, job))
      layers.draw(name, () => drawItems(page, part, to, w, job.thick));
  }
  layers.end();
  return { bytes: await doc.save() };
}

/** The items of a sheet by the layer they are shown on: of a material, and a kind of line. */
function byLine(items: readonly Item[], group: string, { lines }: LongJob): Map<string, Item[]> {
  const out = new Map<string, Item[]>();
  for (const i of items) {
    const words = i.kind === 'path' ? lines.find((l) => l.stroke === i.stroke)?.words : undefined;
    const name = words ? `${group}: ${words}` : group;
    out.set(name, [...(out.get(name) ?? []), i]);
  }
  return out;
}

/** Squares to measure before anything is cut. */
function head(page: PDFPage, job: LongJob, length: number): void {
  page.pushOperators(pushGraphicsState(), setLineWidth((job.thick ?? 0.3) * PT), setDashPattern([], 0));
  page.pushOperators(rectangle(MARGIN * PT, (length - MARGIN - 50) * PT, 50 * PT, 50 * PT), stroke());
  page.pushOperators(rectangle(70 * PT, (length - MARGIN - 50.8) * PT, 50.8 * PT, 50.8 * PT), stroke());
  page.pushOperators(popGraphicsState());
}

function grid(page: PDFPage, width: number, length: number): void {
  const thin = (path: Path) => strokePath(path, 'frame', (p) => [p.x * PT, p.y * PT]);
  page.pushOperators(pushGraphicsState());
  for (let x = 0; x <= width; x += GRID) page.pushOperators(...thin([line({ x, y: 0 }, { x, y: length })]));
  for (let y = 0; y <= length; y += GRID) page.pushOperators(...thin([line({ x: 0, y }, { x: width, y })]));
  page.pushOperators(popGraphicsState());
}
