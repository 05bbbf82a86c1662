import { type PDFDocument, popGraphicsState, pushGraphicsState } from 'pdf-lib';
import { boxOf, joinBoxes, type Path, type Point } from '../geometry/index.ts';
import { type Stroke } from './items.ts';
import { MARGIN, type Paper } from './paper.ts';
import { beginPdf, datedTitle, type PdfFonts, PT, strokePath, type ToPage, type Writer } from './pdfpage.ts';

/** One shell piece with what to add and to cut off, for one page. */
export interface ChangePage {
  heading: string;
  /** Cut line of the shell, and of what is cut from its pattern. */
  shell: Path;
  made: Path;
  /** Grainline and darts of what is cut. */
  inside: { path: Path; stroke: Stroke }[];
  /** Short figures beside the edges, and the same in sentences, in the sewist's language. */
  marks: { at: Point; text: string }[];
  lines: string[];
}

export interface ChangesJob {
  title: string;
  pages: ChangePage[];
  /** What the lines mean. */
  legend: string;
  /** Says which letters of the names cannot be printed. */
  unprintable: (letters: string) => string;
  paper: Paper;
  fonts: PdfFonts;
  now: Date;
}

/** Height of a line of text, mm. */
const LINE = 6.5;
/** Room for figures beside the drawing, mm. */
const BESIDE = 32;

/** The change sheets: each shell piece drawn to fit one page, the figures at its edges and below in sentences. */
export async function changesPdf(job: ChangesJob): Promise<Uint8Array> {
  const { doc, w } = await beginPdf(job);
  for (const [i, p] of job.pages.entries()) changePage(doc, job, { ...p, number: i + 1 }, w);
  return doc.save();
}

function changePage(doc: PDFDocument, job: ChangesJob, p: ChangePage & { number: number }, w: Writer): void {
  const { paper } = job;
  const page = doc.addPage([paper.width * PT, paper.height * PT]);
  const up = (mm: number): number => (paper.height - mm) * PT;
  const across = (paper.width - 2 * MARGIN) * PT;
  w.text(page, w.fit(p.heading, 15, across), [MARGIN * PT, up(MARGIN + 6)], 15);
  const about = `${datedTitle(job.title, job.now)} · page ${p.number} of ${job.pages.length}`;
  w.text(page, w.fit(about, 9, across), [MARGIN * PT, up(MARGIN + 13)], 9);
  const lines = p.lines.flatMap((l) => w.wrap(l, 11, across));
  const letters = w.lacking([job.title, p.heading, ...p.lines]);
  const small = [job.legend, ...(letters ? [job.unprintable(letters)] : [])].flatMap((l) => w.wrap(l, 9, across));
  const text = (lines.length + small.length + 1) * LINE;
  const box = joinBoxes(boxOf(p.shell), boxOf(p.made));
  const [wide, high] = [paper.width - 2 * MARGIN - 2 * BESIDE, paper.height - 2 * MARGIN - text - 26];
  const scale = Math.min(wide / (box.maxX - box.minX), high / (box.maxY - box.minY));
  const left = (paper.width - (box.maxX - box.minX) * scale) / 2;
  const to: ToPage = (q) => [(left + (q.x - box.minX) * scale) * PT, up(MARGIN + 20 + (q.y - box.minY) * scale)];
  page.pushOperators(pushGraphicsState(), ...strokePath(p.shell, 'cut', to), ...strokePath(p.made, 'seam', to));
  for (const l of p.inside) page.pushOperators(...strokePath(l.path, l.stroke, to));
  page.pushOperators(popGraphicsState());
  const middle = (box.minX + box.maxX) / 2;
  for (const m of p.marks) {
    const [x, y] = to(m.at);
    const width = w.width(m.text, 10);
    // At the hem there is no room beside: it is written below.
    const low = m.at.y > box.maxY - (box.maxY - box.minY) * 0.1;
    const beside = m.at.x < middle ? x - width - 2 * PT : x + 2 * PT;
    const at: [number, number] = low ? [x - width / 2, to({ x: 0, y: box.maxY })[1] - 13] : [beside, y - 3];
    w.text(page, m.text, at, 10);
  }
  const below = MARGIN + 24 + high;
  for (const [i, line] of [...lines, ...small].entries())
    w.text(page, line, [MARGIN * PT, up(below + (i + 1) * LINE)], i < lines.length ? 11 : 9);
}
