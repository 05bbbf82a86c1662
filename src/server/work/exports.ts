import { type Answer, changeMark, changeWords } from '../../contract/index.ts';
import { cutListCsv, standingOf, wideOf } from '../../core/cutting/index.ts';
import { type Computed } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { changeSheet } from '../../core/drafting/index.ts';
import { line } from '../../core/geometry/index.ts';
import { type ChangePage, changesPdf } from '../../core/output/changespdf.ts';
import { dxfOf } from '../../core/output/dxf.ts';
import {
  arrange,
  cutWords,
  isLong,
  type LongPaper,
  PAPERS,
  type Sheet,
  sheetsFor,
  svgAsTheyLie,
  svgOf,
  tile,
} from '../../core/output/index.ts';
import { layPdf } from '../../core/output/laypdf.ts';
import { laySheets } from '../../core/output/laysheet.ts';
import { longPdf } from '../../core/output/longpdf.ts';
import { putOnPages, USUAL } from '../../core/output/onpages.ts';
import { type PdfFonts, type PdfJob, pdfOf } from '../../core/output/pdf.ts';
import { datedTitle } from '../../core/output/pdfpage.ts';
import { notchTick } from '../../core/pattern/index.ts';
import { problemBody } from '../problem.ts';
import { type Answered, type Asked, type EXPORTS } from './ask.ts';
import { planHtml } from './planhtml.ts';
import { slug } from './slug.ts';

/** A file name a browser may safely save: letters, digits and dashes of the project's name. */
const NOTES = [
  'Print at 100 % ("actual size"), one side, no fitting to the page.',
  'Measure both squares first: 50 mm and 2 in each way, edge to edge.',
  'Cut off the left and the upper rim of a page along its frame where a page joins there: uncut it hides 10 mm of that one.',
  'Lay each page so that its frame overlaps its neighbour by 10 mm, crosses on crosses.',
  'Keep blades away from the hand that holds the paper.',
];

/** A name in a script whose letters do not come with Woodbine. */
const unprintable = (letters: string): string =>
  `${[...letters].length === 1 ? 'One letter' : `${[...letters].length} letters`} of the names cannot be printed and stand as ?; the pieces are whole. Write those names by hand.`;

const LINES: PdfJob['legend'] = [
  { stroke: 'cut', words: 'cut here' },
  { stroke: 'seam', words: 'seam line' },
  { stroke: 'fold', words: 'fold' },
  { stroke: 'inner', words: 'darts, lines inside' },
  { stroke: 'grain', words: 'grainline' },
  { stroke: 'notch', words: 'notch' },
  { stroke: 'mark', words: 'hole, button, dot' },
];

/** How long a notch is drawn on the small pictures of the change sheets, mm at full size. */
const NOTCH = 12;

const LEGEND =
  'Full line: cut edge of the shell. Dashes: cut edge of the lining; fine dashes: its darts and pleats. + add outside the shell, − cut off inside it.';

/** Every lining piece as changes to the pattern of its shell piece. */
function changePages(x: Computed, doc: ProjectDocument): ChangePage[] {
  return x.inside.flatMap((made): ChangePage[] => {
    const shell = x.shell.find((q) => q.id === made.parent);
    const cuts = shell && [x.cutLines.get(shell.id), x.cutLines.get(made.id)];
    if (made.material !== 'lining' || !shell || !cuts?.[0] || !cuts[1]) return [];
    const changes = changeSheet(shell, made);
    return [
      {
        heading: `${made.name}, from the pattern of "${shell.name}" (${cutWords(made)})`,
        shell: cuts[0].outline,
        made: cuts[1].outline,
        inside: [
          { path: [line(made.grain.a, made.grain.b)], stroke: 'grain' },
          ...made.lines.map((l) => ({ path: l.path, stroke: 'inner' as const })),
          ...made.notches.flatMap((n) => {
            const edge = made.ring.find((e) => e.id === n.edge);
            const t = edge && notchTick(edge, n.at, NOTCH);
            return t ? [{ path: [line(t.a, t.b)], stroke: 'notch' as const }] : [];
          }),
        ],
        marks: changes.map((k) => ({ at: k.at, text: changeMark(k, doc.units) })).filter((k) => k.text),
        lines: changes.map((k) => changeWords(k, doc.units)),
      },
    ];
  });
}

/** What is printed or drawn of a project, and under what title. */
function chosen(x: Computed, doc: ProjectDocument, q: Asked) {
  const pieces = q.pieces === undefined ? doc.decisions.paper.pieces : q.pieces;
  const strip = q.strip ?? doc.decisions.paper.strip;
  return sheetsFor(x, pieces, strip, doc.units, datedTitle(doc.name, new Date(q.now)));
}

const nothing = (words: string): Answered => problemBody(422, 'nothing-to-print', words);
const file = (doc: ProjectDocument, ending: string, type: string, body: Answered['body']): Answered => ({
  status: 200,
  type,
  body,
  name: `${slug(doc.name)}${ending}`,
});

/** What is printed on pages, and where on them it lies. */
function onPages(x: Computed, doc: ProjectDocument, q: Asked) {
  const asked = q.paper ?? doc.decisions.paper.size;
  const paper = PAPERS[isLong(asked) ? doc.decisions.paper.size : asked];
  const sheets = chosen(x, doc, q);
  const halt = q.halt && new Int32Array(q.halt);
  const goesOn = (): boolean => !halt || Atomics.load(halt, 0) === 0;
  return { sheets, paper, puts: q.puts ?? putOnPages(sheets, paper, USUAL, goesOn) };
}

/** The pages of the full-size PDF: how many, the one with the squares among them, and where each sheet lies on their plane. */
export function pagesOf(x: Computed, doc: ProjectDocument, q: Asked): Answer<'GET /api/projects/{id}/pages'> {
  const { sheets, paper, puts } = onPages(x, doc, q);
  const { tiles, rows, columns } = tile(sheets, paper, puts);
  const placed = puts.map(({ turn, ...p }) => ({ ...p, turnDeg: turn }));
  return { paper: paper.name, pages: sheets.length ? tiles.length + 1 : 0, rows, columns, placed };
}

async function pattern(x: Computed, doc: ProjectDocument, q: Asked, fonts: PdfFonts): Promise<Answered> {
  const sheets = chosen(x, doc, q);
  if (!sheets.length) return nothing('Nothing is chosen to be printed. Tick at least one piece or the marking strip.');
  const paper = q.paper ?? doc.decisions.paper.size;
  if (isLong(paper)) return long(x, doc, q, sheets, paper, fonts);
  const bytes = await pdfOf({
    title: doc.name,
    ...onPages(x, doc, q),
    notes: NOTES,
    legend: LINES,
    unprintable,
    fonts,
    now: new Date(q.now),
  });
  return file(doc, '.pdf', 'application/pdf', bytes);
}

/** All on one long page, each material and kind of line a layer of its own. */
async function long(
  x: Computed,
  doc: ProjectDocument,
  q: Asked,
  sheets: Sheet[],
  paper: LongPaper,
  fonts: PdfFonts,
): Promise<Answered> {
  const groupOf = (s: Sheet): string => x.pieces.find((p) => p.id === s.id)?.material ?? 'strips';
  const groups = [...new Set(sheets.map(groupOf))].map((name) => ({
    name,
    sheets: sheets.filter((s) => groupOf(s) === name),
  }));
  const now = new Date(q.now);
  const made = await longPdf({ title: doc.name, groups, lines: LINES, paper, thick: q.line, fonts, now });
  if ('bytes' in made) return file(doc, `-${paper}.pdf`, 'application/pdf', made.bytes);
  const words =
    'wide' in made
      ? `Wider than this paper: ${made.wide.join(', ')}. Take a wider roll, or print them on pages.`
      : `The page would be ${Math.ceil(made.long / 10)} cm long; a PDF page holds 508 cm. Choose fewer pieces.`;
  return problemBody(422, 'paper', words);
}

async function changes(x: Computed, doc: ProjectDocument, q: Asked, fonts: PdfFonts): Promise<Answered> {
  const pages = changePages(x, doc);
  if (!pages.length) return nothing('There is no lining to cut from the pattern of the shell.');
  const bytes = await changesPdf({
    title: doc.name,
    pages,
    legend: LEGEND,
    unprintable,
    paper: PAPERS[q.paper && !isLong(q.paper) ? q.paper : doc.decisions.paper.size],
    fonts,
    now: new Date(q.now),
  });
  return file(doc, '-changes.pdf', 'application/pdf', bytes);
}

function drawing(x: Computed, doc: ProjectDocument, q: Asked): Answered {
  const sheets = chosen(x, doc, q);
  if (!sheets.length) return nothing('Nothing is chosen. Tick at least one piece.');
  return file(doc, '.svg', 'image/svg+xml; charset=utf-8', svgOf(sheets, doc.name));
}

function drawingDxf(x: Computed, doc: ProjectDocument, q: Asked): Answered {
  const sheets = chosen(x, doc, q);
  if (!sheets.length) return nothing('Nothing is chosen. Tick at least one piece.');
  return file(doc, '.dxf', 'image/vnd.dxf', dxfOf(arrange(sheets, 1500, 20).sheets, q.layers));
}

/** What is drawn of a lay. */
interface Drawn {
  sheets: Sheet[];
  title: string;
  size: Size;
}

/** The lay of a cloth at full size; what it is drawn as is the file's business: null where it is too large for that. */
const layFile =
  (
    ending: string,
    type: string,
    draw: (d: Drawn, q: Asked, fonts: PdfFonts) => string | Promise<Uint8Array | null>,
  ): Maker =>
  async (x, doc, q, fonts) => {
    const { cutting } = doc.decisions;
    const cloth = q.cloth === undefined ? cutting.cloths[0] : cutting.cloths.find((c) => c.id === q.cloth);
    if (!cloth) return problemBody(404, 'cloth', 'There is no such cloth in this project.');
    const { lying, length } = standingOf(cutting, cloth, x);
    if (!lying.length) return nothing(`Nothing is laid on ${cloth.name} yet.`);
    const size = { width: wideOf(cloth), height: length };
    const sheets = laySheets(cloth, lying, length);
    const made = await draw({ sheets, title: `${doc.name}: ${cloth.name}`, size }, q, fonts);
    if (made !== null) return file(doc, ending, type, made);
    return problemBody(
      422,
      'paper',
      'A PDF page holds 508 cm of cloth, and this lay is longer: take it as SVG or DXF.',
    );
  };

type Size = Parameters<typeof svgAsTheyLie>[2];
type Maker = (x: Computed, doc: ProjectDocument, q: Asked, fonts: PdfFonts) => Answered | Promise<Answered>;

/** How each file is made. */
export const MAKERS: Record<Exclude<(typeof EXPORTS)[number], 'project.json'>, Maker> = {
  'pattern.pdf': pattern,
  'changes.pdf': changes,
  'pieces.svg': drawing,
  'pieces.dxf': drawingDxf,
  'lay.svg': layFile('-lay.svg', 'image/svg+xml; charset=utf-8', (d) => svgAsTheyLie(d.sheets, d.title, d.size)),
  'lay.dxf': layFile('-lay.dxf', 'image/vnd.dxf', (d, q) => dxfOf(d.sheets, q.layers)),
  'lay.pdf': layFile('-lay.pdf', 'application/pdf', (d, q, fonts) => layPdf({ ...d, fonts, now: new Date(q.now) })),
  'plan.html': (x, doc) => planHtml(x, doc),
  'cut-list.csv': (x, doc) => file(doc, '-cut-list.csv', 'text/csv; charset=utf-8', cutListCsv(x, doc.units)),
};

/** The project itself, which nothing has to be worked out for. */
export const projectJson = (doc: ProjectDocument): Answered =>
  file(doc, '.json', 'application/json; charset=utf-8', JSON.stringify({ woodbine: 1, project: doc }, null, 1));
