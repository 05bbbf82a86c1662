import { getDocument, OPS, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import {
  type Affine,
  apply,
  type Box,
  boxOf,
  compose,
  cubic,
  distance,
  lighten,
  line,
  type Path,
  type Point,
} from '../../core/geometry/index.ts';
import { type Stroke, type Tell, untold } from '../../core/import/index.ts';
import { type PdfLine, type PdfPage, rectangleOf } from '../../core/import/pdf/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../../core/result.ts';
import { drawsTooMuch } from './pdfforms.ts';
import { unpacksTooFar } from './pdfweight.ts';

const MM = 25.4 / 72;
/** Pictures larger than this (in points) are passed over: no line of a pattern is in them. */
const MAX_PICTURE = 120_000_000;
const MAX_PAGES = 400;
const MAX_LINES = 60_000;

/** Painting operators that draw the line, and those that only fill. */
const STROKES: ReadonlySet<number> = new Set([
  OPS.stroke,
  OPS.closeStroke,
  OPS.fillStroke,
  OPS.eoFillStroke,
  OPS.closeFillStroke,
  OPS.closeEOFillStroke,
]);
const CLOSES: ReadonlySet<number> = new Set([OPS.closeStroke, OPS.closeFillStroke, OPS.closeEOFillStroke]);

interface State {
  m: Affine;
  width: number;
  dash: number[];
  colour: string;
  clip: Box | null;
  layer: string | null;
}

/** Reads a PDF's pages as plain lines and words, in mm. Nothing in it is executed or fetched. */
export async function readPdfPages(bytes: Uint8Array, tell: Tell = untold): Promise<Result<PdfPage[]>> {
  if (unpacksTooFar(bytes) || (await drawsTooMuch(bytes))) return refuse(stop('pdf-too-heavy'));
  const task = getDocument({
    data: bytes.slice(),
    maxImageSize: MAX_PICTURE,
    verbosity: 0,
    isEvalSupported: false,
    useSystemFonts: false,
    disableFontFace: true,
    stopAtErrors: false,
  });
  try {
    const pdf = await task.promise;
    if (pdf.numPages > MAX_PAGES)
      return refuse(stop('pdf-broken', undefined, { detail: `it has ${pdf.numPages} pages, more than ${MAX_PAGES}` }));
    const layers = layerNames(await pdf.getOptionalContentConfig());
    const pages: PdfPage[] = [];
    let lines = 0;
    for (let n = 1; n <= pdf.numPages; n++) {
      tell({ stage: 'pages', done: n - 1, of: pdf.numPages });
      const page = await readPage(await pdf.getPage(n), layers);
      lines += page.lines.length;
      if (lines > MAX_LINES) return refuse(stop('too-many-lines', undefined, { most: MAX_LINES }));
      pages.push(page);
    }
    return ok(pages);
  } catch (e) {
    return refuse(faultOf(e as Error));
  } finally {
    await task.destroy().catch(() => undefined);
  }
}

function faultOf(e: Error): Finding {
  if (e.name === 'PasswordException') return stop('pdf-locked');
  return stop('pdf-broken', undefined, { detail: String(e.message).split('\n')[0]?.slice(0, 100) ?? '' });
}

/** Names of the layers that are shown, by their id; a layer that is off maps to null. */
function layerNames(config: unknown): Map<string, string | null> {
  const out = new Map<string, string | null>();
  for (const [id, g] of config as Iterable<[string, { name?: string; visible?: boolean }]>)
    out.set(id, g.visible === false ? null : (g.name ?? id));
  return out;
}

async function readPage(page: PDFPageProxy, layers: Map<string, string | null>): Promise<PdfPage> {
  const view = page.getViewport({ scale: 1 });
  const [a, b, c, d, e, f] = view.transform as [number, number, number, number, number, number];
  const base: Affine = { a: a * MM, b: b * MM, c: c * MM, d: d * MM, e: e * MM, f: f * MM };
  const { fnArray, argsArray } = await page.getOperatorList();
  const walk = new PageWalker(base, layers);
  for (let i = 0; i < fnArray.length; i++) walk.step(fnArray[i] as number, (argsArray[i] ?? []) as unknown[]);
  const content = await page.getTextContent();
  const texts = content.items.flatMap((t) => {
    if (!('str' in t) || !t.str.trim()) return [];
    const m = t.transform as number[];
    const size = Math.hypot(m[0] as number, m[1] as number) || 1;
    const along = { x: (m[0] as number) / size, y: -(m[1] as number) / size };
    const at = apply(base, { x: m[4] as number, y: m[5] as number });
    return [{ text: t.str.trim().slice(0, 200), at, along, width: t.width * MM }];
  });
  page.cleanup();
  return { width: view.width * MM, height: view.height * MM, lines: walk.lines, texts, images: walk.images };
}

/** Follows the page's operators with their graphics state. Internal to one page. */
class PageWalker {
  lines: PdfLine[] = [];
  images = 0;
  private stack: State[] = [];
  private marks: (string | null)[] = [];
  private hidden = 0;
  private clipNext = false;
  private s: State;

  constructor(
    base: Affine,
    private layers: Map<string, string | null>,
  ) {
    this.s = { m: base, width: 1, dash: [], colour: '#000000', clip: null, layer: null };
  }

  step(fn: number, args: unknown[]): void {
    const { s } = this;
    if (fn === OPS.save) this.stack.push({ ...s });
    else if (fn === OPS.restore) this.s = this.stack.pop() ?? s;
    else if (fn === OPS.transform) this.s = { ...s, m: compose(s.m, affine(args)) };
    else if (fn === OPS.paintFormXObjectBegin) this.form(args);
    else if (fn === OPS.paintFormXObjectEnd) this.s = this.stack.pop() ?? s;
    else if (fn === OPS.setLineWidth) this.s = { ...s, width: Number(args[0]) || 0 };
    else if (fn === OPS.setDash) this.s = { ...s, dash: ((args[0] as number[]) ?? []).map(Number) };
    else if (fn === OPS.setStrokeRGBColor) this.s = { ...s, colour: String(args[0]) };
    else if (fn === OPS.setGState) this.gstate(args);
    else if (fn === OPS.clip || fn === OPS.eoClip) this.clipNext = true;
    else if (fn === OPS.constructPath) this.path(args);
    else if (fn === OPS.beginMarkedContentProps) this.begin(args);
    else if (fn === OPS.beginMarkedContent) this.marks.push('');
    else if (fn === OPS.endMarkedContent) this.end();
    else if (fn === OPS.paintImageXObject || fn === OPS.paintInlineImageXObject || fn === OPS.paintImageMaskXObject)
      this.images += 1;
  }

  private form(args: unknown[]): void {
    this.stack.push({ ...this.s });
    const matrix = args[0] as number[] | null;
    if (matrix) this.s = { ...this.s, m: compose(this.s.m, affine(matrix)) };
    const box = args[1] as number[] | null;
    if (box)
      this.clipTo(
        boxOf(corners(box).map((p, i, all) => line(apply(this.s.m, p), apply(this.s.m, all[(i + 1) % 4] as Point)))),
      );
  }

  private gstate(args: unknown[]): void {
    for (const [k, v] of (args[0] as [string, unknown][]) ?? []) {
      if (k === 'LW') this.s = { ...this.s, width: Number(v) };
      if (k === 'D') this.s = { ...this.s, dash: ((v as [number[]])[0] ?? []).map(Number) };
    }
  }

  private begin(args: unknown[]): void {
    const props = args[1] as { type?: string; id?: string; ids?: string[] } | null;
    const id = args[0] === 'OC' ? (props?.id ?? props?.ids?.[0]) : undefined;
    const name = id === undefined ? undefined : this.layers.get(id);
    if (name === null) this.hidden += 1;
    this.marks.push(id === undefined ? '' : name === null ? null : (name ?? ''));
    this.s = { ...this.s, layer: this.topLayer() };
  }

  private end(): void {
    if (this.marks.pop() === null) this.hidden -= 1;
    this.s = { ...this.s, layer: this.topLayer() };
  }

  private topLayer(): string | null {
    return [...this.marks].reverse().find((m) => m) ?? null;
  }

  private clipTo(b: Box): void {
    const c = this.s.clip;
    const clip = c
      ? {
          minX: Math.max(b.minX, c.minX),
          minY: Math.max(b.minY, c.minY),
          maxX: Math.min(b.maxX, c.maxX),
          maxY: Math.min(b.maxY, c.maxY),
        }
      : b;
    this.s = { ...this.s, clip };
  }

  private path(args: unknown[]): void {
    const paint = Number(args[0]);
    const runs = runsOf((args[1] as (Float32Array | null)[])[0] ?? null, this.s.m, CLOSES.has(paint));
    if (this.clipNext) {
      this.clipNext = false;
      const all = runs.flatMap((r) => r.path);
      // A clip that is no rectangle is taken by its bounds: lines may then reach a little further than they show.
      if (all.length) this.clipTo((runs.length === 1 && rectangleOf(all)) || boxOf(all));
    }
    if (!STROKES.has(paint) || this.hidden > 0) return;
    for (const r of runs.filter(nearPage))
      this.lines.push({ ...r, path: lighten(r.path), stroke: this.stroke(), layer: this.s.layer, clip: this.s.clip });
  }

  private stroke(): Stroke {
    const k = Math.sqrt(Math.abs(this.s.m.a * this.s.m.d - this.s.m.b * this.s.m.c));
    const dash = this.s.dash.every((d) => d === 0) ? [] : this.s.dash;
    return { colour: this.s.colour, width: this.s.width * k, dash: dash.map((d) => d * k) };
  }
}

/** Lines that lie kilometres off the page come from a damaged file. */
const FARTHEST = 1e5;
const nearPage = (r: { path: Path }): boolean =>
  r.path.every((s) =>
    [s.a, s.b, ...(s.k === 'C' ? [s.c, s.d] : [])].every((p) => Math.abs(p.x) < FARTHEST && Math.abs(p.y) < FARTHEST),
  );

const affine = (v: unknown[]): Affine => {
  const [a, b, c, d, e, f] = v.map(Number) as [number, number, number, number, number, number];
  return { a, b, c, d, e, f };
};

const corners = ([x0, y0, x1, y1]: number[]): Point[] =>
  [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ].map(([x, y]) => ({ x: x as number, y: y as number }));

/** Subpaths of a path's data: 0 move, 1 line, 2 cubic, 3 quadratic, 4 close. */
function runsOf(data: Float32Array | null, m: Affine, close: boolean): { path: Path; closed: boolean }[] {
  const out: { path: Path; closed: boolean }[] = [];
  let run: Path = [];
  let [start, here]: [Point, Point] = [
    { x: 0, y: 0 },
    { x: 0, y: 0 },
  ];
  const finish = (closed: boolean): void => {
    if (closed && run.length && distance(here, start) > 1e-9) run.push(line(here, start));
    if (run.length) out.push({ path: run, closed });
    run = [];
  };
  for (let i = 0; data && i < data.length; ) {
    const code = data[i++] as number;
    const at = (k: number): Point => apply(m, { x: data[i + 2 * k] as number, y: data[i + 2 * k + 1] as number });
    if (code === 0) {
      finish(close);
      start = here = at(0);
      i += 2;
    } else if (code === 1) {
      run.push(line(here, at(0)));
      here = at(0);
      i += 2;
    } else if (code === 2) {
      run.push(cubic(here, at(0), at(1), at(2)));
      here = at(2);
      i += 6;
    } else if (code === 3) {
      const [q, b] = [at(0), at(1)];
      const third = (p: Point): Point => ({ x: p.x + ((q.x - p.x) * 2) / 3, y: p.y + ((q.y - p.y) * 2) / 3 });
      run.push(cubic(here, third(here), third(b), b));
      here = b;
      i += 4;
    } else if (code === 4) {
      finish(true);
      here = start;
    } else break;
  }
  finish(close);
  return out;
}
