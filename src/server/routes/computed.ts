import { type Context, Hono } from 'hono';
import { sentenceOf, traceBody } from '../../contract/index.ts';
import { type Computed, compute, planOf } from '../../core/compute.ts';
import { cutList } from '../../core/cutting/index.ts';
import { type Intake, intakeTrace } from '../../core/intake/index.ts';
import { keepChoices, shellPieces } from '../../core/pattern/index.ts';
import { type ProjectDocument, type Shell } from '../../core/project.ts';
import { type Finding } from '../../core/result.ts';
import { pieceAnswer, piecesAnswer, seamsAnswer } from '../answers.ts';
import { type Store, type Stored } from '../db/store.ts';
import { type Reader } from '../intake/run.ts';
import { problem, refusal } from '../problem.ts';
import { readUpload, type Upload } from '../upload.ts';
import { body, missing, projectAnswer, written } from './projects.ts';

const told = (findings: Finding[]) => findings.map((f) => ({ ...f, message: sentenceOf(f) }));

/** Everything that is computed from a project's decisions, never stored. */
export function computedRoutes(store: Store, reader: Reader): Hono {
  const r = new Hono();
  const with_ = async (
    c: Context,
    answer: (x: Computed, s: Stored) => Response | Promise<Response>,
  ): Promise<Response> => {
    const s = await store.get(c.req.param('id') ?? '');
    return s ? answer(compute(s.document), s) : missing(c);
  };
  r.post('/:id/shell', (c) => takeShell(c, store, reader));
  r.post('/:id/trace', (c) => takeTrace(c, store));
  r.get('/:id/pieces', (c) => with_(c, (x) => c.json({ pieces: piecesAnswer(x), findings: told(x.findings) })));
  r.get('/:id/seams', (c) => with_(c, (x) => c.json({ seams: seamsAnswer(x) })));
  r.get('/:id/closure', (c) =>
    with_(c, (x) => {
      if (!x.closure) return c.json({ closure: null, findings: [] });
      if (!x.closure.ok) return c.json({ closure: null, findings: told(x.closure.findings) });
      return c.json({ closure: x.closure.value, findings: told(x.closure.value.findings) });
    }),
  );
  r.get('/:id/plan', (c) =>
    with_(c, (x, s) => {
      const plan = planOf(s.document, x);
      if (!plan.ok) return c.json({ steps: [], findings: told(plan.findings) });
      return c.json({ ...plan.value, findings: told(plan.value.findings) });
    }),
  );
  r.get('/:id/cutting', (c) => with_(c, (x) => c.json({ cutList: cutList(x) })));
  return r;
}

const NO_CUT_LINES: Pick<Computed, 'cutLines'> = { cutLines: new Map() };

/** Reads the uploaded drawing whole or not at all, stores it as one change, and answers its pieces. */
async function takeShell(c: Context, store: Store, reader: Reader): Promise<Response> {
  const id = c.req.param('id') ?? '';
  const project = await store.get(id);
  if (!project) return missing(c);
  const upload = await readUpload(c);
  if (typeof upload === 'string') return problem(c, 400, 'upload', upload);
  const read = await reader.pieces({ ...upload, garment: project.document.garment }, upload.job);
  if (!read.ok) return refusal(c, read.findings);
  const stored = storeShell(c, id, store, upload, read.value);
  reader.storing(upload.job, stored);
  return stored;
}

async function storeShell(c: Context, id: string, store: Store, upload: Upload, read: Intake): Promise<Response> {
  const before = (await store.get(id))?.document.shell?.pieces ?? [];
  const kept = keepChoices(before, read.pieces);
  const shell: Shell = { fileName: upload.name, lines: upload.lines, pieces: kept.pieces };
  const make = (doc: ProjectDocument): ProjectDocument => ({
    ...doc,
    shell,
    decisions: { ...doc.decisions, paper: { ...doc.decisions.paper, pieces: null } },
  });
  const w = await store.update(id, 'Pattern file', make, upload);
  if (!w.ok) return written(c, store, w);
  // Only the drawn pieces are answered here; cut lines and all that is derived come with the pieces route.
  const drawn = shellPieces(shell, w.stored.document.decisions.allowances);
  const findings = told([...read.findings, ...kept.findings, ...drawn.findings]);
  const pieces = drawn.pieces.map((p) => pieceAnswer(p, NO_CUT_LINES));
  return c.json({ pieces, findings, fileId: w.file, revision: w.stored.revision }, 201);
}

/** Adds a piece traced in a picture; the picture itself never comes here. */
async function takeTrace(c: Context, store: Store): Promise<Response> {
  const id = c.req.param('id') ?? '';
  const b = await body(c, traceBody);
  if (!b.ok) return b.answer;
  const made = intakeTrace(b.value);
  if (!made.ok) return refusal(c, made.findings);
  const w = await store.update(id, `Trace ${b.value.name}`, (doc) => {
    const held: Shell = doc.shell ?? { fileName: 'traced from pictures', lines: b.value.lines, pieces: [] };
    let n = held.pieces.length + 1;
    while (held.pieces.some((p) => p.id === `p${n}`)) n++;
    const piece = made.value.pieces[0];
    return piece
      ? { ...doc, shell: { ...held, pieces: [...held.pieces, { ...piece, id: `p${n}`, drawn: b.value.lines }] } }
      : doc;
  });
  if (!w.ok) return written(c, store, w);
  const findings = told(made.value.findings);
  return c.json({ ...(await projectAnswer(store, w.stored)), findings, residualMm: made.value.residual }, 201);
}
