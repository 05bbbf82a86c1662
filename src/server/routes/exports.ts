import { readFileSync } from 'node:fs';
import { type Context, Hono } from 'hono';
import { changeMark, changeWords } from '../../contract/index.ts';
import { type Computed, compute } from '../../core/compute.ts';
import { cutListCsv } from '../../core/cutting/index.ts';
import { line } from '../../core/geometry/index.ts';
import { changeSheet } from '../../core/inside/index.ts';
import { type ChangePage, changesPdf } from '../../core/output/changespdf.ts';
import { cutWords, PAPERS, sheetsFor, svgOf } from '../../core/output/index.ts';
import { type PdfFonts, type PdfJob, pdfOf } from '../../core/output/pdf.ts';
import { datedTitle } from '../../core/output/pdfpage.ts';
import { notchTick } from '../../core/pattern/index.ts';
import { type ProjectDocument } from '../../core/project.ts';
import { type Store } from '../db/store.ts';
import { problem } from '../problem.ts';
import { missing } from './projects.ts';

/** A file name a browser may safely save: letters, digits and dashes of the project's name. */
const slug = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 60) || 'project';

const download = (c: Context, name: string, type: string): void => {
  c.header('content-type', type);
  c.header('content-disposition', `attachment; filename="${name}"`);
};

/** Which pieces were asked for: the query's list, else the project's choice. */
function asked(c: Context, doc: ProjectDocument): { pieces: string[] | null; strip: boolean } {
  const list = c.req.query('pieces');
  const strip = c.req.query('strip');
  const pieces = list === undefined ? doc.decisions.paper.pieces : list === '' ? [] : list.split(',');
  return { pieces, strip: strip === undefined ? doc.decisions.paper.strip : strip === '1' || strip === 'true' };
}

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

export function exportRoutes(store: Store, fontFiles: string[], now: () => Date): Hono {
  const r = new Hono();
  const fonts: PdfFonts = { regular: fontFiles.map((f) => new Uint8Array(readFileSync(f))) };
  const load = async (c: Context) => {
    const s = await store.get(c.req.param('id') ?? '');
    return s ? { doc: s.document, x: compute(s.document) } : null;
  };
  r.get('/:id/export/pattern.pdf', async (c) => {
    const p = await load(c);
    if (!p) return missing(c);
    const size = c.req.query('paper') ?? p.doc.decisions.paper.size;
    if (size !== 'a4' && size !== 'letter') return problem(c, 422, 'paper', 'Paper is a4 or letter.');
    const { pieces, strip } = asked(c, p.doc);
    const sheets = sheetsFor(p.x, pieces, strip, p.doc.units, datedTitle(p.doc.name, now()));
    if (!sheets.length)
      return problem(
        c,
        422,
        'nothing-to-print',
        'Nothing is chosen to be printed. Tick at least one piece or the marking strip.',
      );
    const bytes = await pdfOf({
      title: p.doc.name,
      sheets,
      paper: PAPERS[size],
      notes: NOTES,
      legend: LINES,
      unprintable,
      fonts,
      now: now(),
    });
    download(c, `${slug(p.doc.name)}.pdf`, 'application/pdf');
    return c.body(bytes as Uint8Array<ArrayBuffer>);
  });
  r.get('/:id/export/changes.pdf', async (c) => {
    const p = await load(c);
    if (!p) return missing(c);
    const size = c.req.query('paper') ?? p.doc.decisions.paper.size;
    if (size !== 'a4' && size !== 'letter') return problem(c, 422, 'paper', 'Paper is a4 or letter.');
    const pages = changePages(p.x, p.doc);
    if (!pages.length)
      return problem(c, 422, 'nothing-to-print', 'There is no lining to cut from the pattern of the shell.');
    const bytes = await changesPdf({
      title: p.doc.name,
      pages,
      legend: LEGEND,
      unprintable,
      paper: PAPERS[size],
      fonts,
      now: now(),
    });
    download(c, `${slug(p.doc.name)}-changes.pdf`, 'application/pdf');
    return c.body(bytes as Uint8Array<ArrayBuffer>);
  });
  r.get('/:id/export/pieces.svg', async (c) => {
    const p = await load(c);
    if (!p) return missing(c);
    const { pieces, strip } = asked(c, p.doc);
    const sheets = sheetsFor(p.x, pieces, strip, p.doc.units, datedTitle(p.doc.name, now()));
    if (!sheets.length) return problem(c, 422, 'nothing-to-print', 'Nothing is chosen. Tick at least one piece.');
    download(c, `${slug(p.doc.name)}.svg`, 'image/svg+xml; charset=utf-8');
    return c.body(svgOf(sheets, p.doc.name));
  });
  r.get('/:id/export/cut-list.csv', async (c) => {
    const p = await load(c);
    if (!p) return missing(c);
    download(c, `${slug(p.doc.name)}-cut-list.csv`, 'text/csv; charset=utf-8');
    return c.body(cutListCsv(p.x, p.doc.units));
  });
  r.get('/:id/export/project.json', async (c) => {
    const p = await load(c);
    if (!p) return missing(c);
    download(c, `${slug(p.doc.name)}.json`, 'application/json; charset=utf-8');
    return c.body(JSON.stringify({ woodbine: 1, project: p.doc }, null, 1));
  });
  return r;
}
