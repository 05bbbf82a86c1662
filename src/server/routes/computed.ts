import { type Context, Hono } from 'hono';
import { type ContentfulStatusCode } from 'hono/utils/http-status';
import { sentenceOf, traceBody } from '../../contract/index.ts';
import { type Imported, importTrace } from '../../core/import/index.ts';
import { isLong, LONG_PAPERS } from '../../core/output/paper.ts';
import { type Finding } from '../../core/result.ts';
import { type Store } from '../db/store.ts';
import { takeShell as keepShell } from '../db/withfile.ts';
import { type Reader } from '../import/run.ts';
import { type AppParts } from '../parts.ts';
import { problem, refusal } from '../problem.ts';
import { readUpload, type Upload } from '../upload.ts';
import { type Answered, type Asked, EXPORTS, PARTS, type Part } from '../work/ask.ts';
import { body } from './body.ts';
import { missing, projectAnswer, written } from './projects.ts';

const told = (findings: Finding[]) => findings.map((f) => ({ ...f, message: sentenceOf(f) }));

/** An answer that was worked out elsewhere. */
export function sent(c: Context, a: Answered): Response {
  if (a.name) c.header('content-disposition', `attachment; filename="${a.name}"`);
  const body = typeof a.body === 'string' ? a.body : (a.body as Uint8Array<ArrayBuffer>);
  return c.body(body, a.status as ContentfulStatusCode, { 'content-type': a.type });
}

/** Only the pattern is put on one long page. */
const isPaper = (p: string, part: Part): p is NonNullable<Asked['paper']> =>
  p === 'a4' || p === 'letter' || (part === 'pattern.pdf' && isLong(p));

/** What is asked for by the address; where that is nothing, which word of it, and a sentence. */
function askedOf(c: Context, part: Part, now: Date): Asked | { wrong: string; words: string } {
  const { paper, pieces, strip, layers, cloth, line } = c.req.query();
  if (paper !== undefined && !isPaper(paper, part))
    return { wrong: 'paper', words: `Paper is a4 or letter; of the pattern also ${LONG_PAPERS.join(' or ')}.` };
  const thick = line === undefined ? undefined : Number(line);
  if (thick !== undefined && !(thick >= 0.1 && thick <= 5))
    return { wrong: 'line', words: 'A line is 0.1 to 5 mm thick.' };
  if (layers !== undefined && layers !== 'numbers' && layers !== 'names')
    return { wrong: 'layers', words: 'Layers are numbers or names.' };
  return {
    part,
    ...(layers !== undefined && { layers }),
    ...(thick !== undefined && { line: thick }),
    ...(cloth !== undefined && { cloth }),
    now: now.toISOString(),
    ...(paper !== undefined && { paper }),
    ...(pieces !== undefined && { pieces: pieces === '' ? [] : pieces.split(',') }),
    ...(strip !== undefined && { strip: strip === '1' || strip === 'true' }),
  };
}

/** Everything that is computed from a project's decisions, never stored; the files made of it; what comes in. */
export function computedRoutes({ opened, reader, works, fontFiles, now }: AppParts): Hono {
  const { store } = opened;
  const r = new Hono();
  const worked = async (c: Context, part: Part): Promise<Response> => {
    const held = await store.text(c.req.param('id') ?? '');
    if (!held) return missing(c);
    const asked = askedOf(c, part, now());
    if ('wrong' in asked) return problem(c, 422, asked.wrong, asked.words);
    return sent(c, await works.answer({ ...held, asked, fontFiles }));
  };
  r.post('/:id/shell', (c) => takeShell(c, store, reader));
  r.post('/:id/trace', (c) => takeTrace(c, store));
  for (const part of PARTS) r.get(`/:id/${part}`, (c) => worked(c, part));
  for (const part of EXPORTS) r.get(`/:id/export/${part}`, (c) => worked(c, part));
  return r;
}

/** Reads the uploaded drawing whole or not at all, stores it as one change, and answers its pieces. */
async function takeShell(c: Context, store: Store, reader: Reader): Promise<Response> {
  const id = c.req.param('id') ?? '';
  const project = await store.stands(id);
  if (!project) return missing(c);
  const upload = await readUpload(c);
  if (typeof upload === 'string') return problem(c, 400, 'upload', upload);
  // A file that comes too late is not read first.
  if (upload.revision !== undefined && upload.revision !== project.revision)
    return written(c, store, await store.stale(id, upload.revision, project.revision));
  const read = await reader.pieces({ ...upload, garment: project.garment }, upload.job);
  if (!read.ok) return refusal(c, read.findings);
  const stored = storeShell(c, id, store, upload, read.value);
  reader.storing(upload.job, stored);
  return stored;
}

async function storeShell(c: Context, id: string, store: Store, upload: Upload, read: Imported): Promise<Response> {
  const about = { fileName: upload.name, lines: upload.lines };
  const w = await keepShell(store, id, about, JSON.stringify(read), upload, upload.revision ?? null);
  if (!w.ok) return written(c, store, w);
  const more = JSON.stringify({ fileId: w.file, revision: w.stored.revision });
  const answer = `${more.slice(0, -1)},${(w.answer ?? '{}').slice(1)}`;
  return c.body(answer, 201, { 'content-type': 'application/json' });
}

/** Adds a piece traced in a picture; the picture itself never comes here. */
async function takeTrace(c: Context, store: Store): Promise<Response> {
  const id = c.req.param('id') ?? '';
  const b = await body(c, traceBody);
  if (!b.ok) return b.answer;
  const made = importTrace(b.value);
  if (!made.ok) return refusal(c, made.findings);
  const [piece] = made.value.pieces;
  if (!piece) return problem(c, 422, 'trace', 'The points make no piece.');
  const { name, lines } = b.value;
  const w = await store.addPiece(id, `Trace ${name}`, piece, lines);
  if (!w.ok) return written(c, store, w);
  const findings = told(made.value.findings);
  return projectAnswer(c, store, w.stored, 201, { findings, residualMm: made.value.residual });
}
