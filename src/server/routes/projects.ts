import { type Context, Hono } from 'hono';
import { demoBody, maybeRevision, newProject, revisionBody } from '../../contract/index.ts';
import { STASH } from '../../core/document/project.ts';
import { emptyDocument } from '../../core/document/usual.ts';
import { DEMOS } from '../../demo/index.ts';
import { joined } from '../db/record.ts';
import { type Store } from '../db/store.ts';
import { type Stored } from '../db/stored.ts';
import { problem, refusal } from '../problem.ts';
import { reply } from '../reply.ts';
import { type Works } from '../work/run.ts';
import { body, changeAsked, notTaken } from './body.ts';

export const missing = (c: Context): Response =>
  problem(c, 404, 'project', 'There is no such project. It may have been deleted.');

/** Project with what undo and redo would do, as every answer about one project carries it. */
export async function projectAnswer(
  c: Context,
  store: Store,
  s: Stored,
  status: 200 | 201 = 200,
  more = {},
): Promise<Response> {
  const { id, revision, name, garment } = s;
  const plain = { id, name, garment, revision, steps: await store.steps(id), ...more };
  // The document goes out as the text it is: a large one is never taken apart here.
  return c.body(joined(plain, { document: s.json }), status, { 'content-type': 'application/json' });
}

type Written = Awaited<ReturnType<Store['change']>>;

export async function written(c: Context, store: Store, w: Written): Promise<Response> {
  if (w.ok) return projectAnswer(c, store, w.stored);
  if (w.why === 'missing') return missing(c);
  if (w.why === 'nothing') return problem(c, 409, 'nothing', 'There is nothing to undo or redo.');
  if (w.why === 'stale') {
    return problem(c, 409, 'stale', 'The project was changed elsewhere meanwhile.', {
      revision: w.revision,
      since: w.since,
    });
  }
  const detail = w.problems
    .map((p) => `${p.path}: ${p.message}`)
    .slice(0, 5)
    .join('; ');
  return problem(c, 422, 'document', `The change would leave the project in a state that cannot be: ${detail}.`, {
    problems: w.problems,
  });
}

/** What one has, over all projects: kept as a document like theirs, and begun when it is first asked for. */
export const stashRoute = async (c: Context, store: Store): Promise<Response> =>
  projectAnswer(c, store, (await store.get(STASH)) ?? (await store.create(emptyDocument('Stash', STASH), STASH)));

/** Shelf, one project, its changes, undo and redo, import and the demo. */
export function projectRoutes(store: Store, works: Works): Hono {
  const r = new Hono();
  r.get('/', async (c) =>
    reply(c, 'GET /api/projects', {
      // The stash is no project, though it is kept like one.
      projects: (await store.list()).filter((p) => p.id !== STASH),
      demos: DEMOS.map(({ id, name, garment }) => ({ id, name, garment })),
    }),
  );
  r.post('/', async (c) => {
    const b = await body(c, newProject);
    if (!b.ok) return b.answer;
    const stored = await store.create(emptyDocument(b.value.name, b.value.garment));
    return projectAnswer(c, store, stored, 201);
  });
  r.post('/demo', async (c) => {
    const b = await body(c, demoBody);
    if (!b.ok) return b.answer;
    const demo = DEMOS.find((d) => d.id === b.value.demo);
    if (!demo) return problem(c, 404, 'demo', 'There is no such demo project.');
    const doc = demo.make();
    if (!doc.ok) return refusal(c, doc.findings, 500);
    return projectAnswer(c, store, await store.create(doc.value), 201);
  });
  r.post('/import', async (c) => {
    // Read beside: a large one would hold all others up.
    const taken = await store.take(await c.req.text());
    if (taken.ok) return projectAnswer(c, store, taken.stored, 201);
    return notTaken(c, taken, 'This is not a Woodbine project that can be read');
  });
  r.get('/:id', async (c) => {
    const s = await store.get(c.req.param('id'));
    return s ? projectAnswer(c, store, s) : missing(c);
  });
  r.patch('/:id', async (c) => {
    const b = await changeAsked(c, works);
    return b.ok ? written(c, store, await store.changed(c.req.param('id'), b.value)) : b.answer;
  });
  r.delete('/:id', async (c) => {
    const on = c.req.query('revision');
    if (c.req.param('id') === STASH) return problem(c, 422, 'stash', 'The stash stays: take out of it what is in it.');
    if (on !== undefined && !/^\d{1,9}$/.test(on))
      return problem(c, 422, 'fields', 'revision has to be a whole number.');
    const done = await store.remove(c.req.param('id'), on === undefined ? undefined : Number(on));
    return done === true ? c.body(null, 204) : written(c, store, done);
  });
  r.get('/:id/files', async (c) => {
    const id = c.req.param('id');
    return (await store.stands(id))
      ? reply(c, 'GET /api/projects/{id}/files', { files: await store.files(id) })
      : missing(c);
  });
  r.get('/:id/files/:file', async (c) => {
    const held = await store.file(c.req.param('id'), c.req.param('file'));
    if (!held) return problem(c, 404, 'file', 'There is no such file in this project.');
    // Handed out as bytes only, under a plain name: nothing in it is ever shown or run by the browser.
    c.header('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(held.name)}`);
    return c.body(new Uint8Array(held.bytes), 200, { 'content-type': 'application/octet-stream' });
  });
  for (const kind of ['undo', 'redo'] as const) {
    r.post(`/:id/${kind}`, async (c) => {
      const b = await body(c, revisionBody);
      return b.ok ? written(c, store, await store[kind](c.req.param('id'), b.value.revision)) : b.answer;
    });
  }
  r.post('/:id/restore', async (c) => {
    const id = c.req.param('id');
    const sent = c.req.header('content-type') ? await body(c, maybeRevision) : { ok: true as const, value: {} };
    if (!sent.ok) return sent.answer;
    const done = await store.restore(id, (sent.value as { revision?: number }).revision);
    if (done !== true) return written(c, store, done);
    const s = await store.get(id);
    return s ? projectAnswer(c, store, s) : missing(c);
  });
  r.get('/:id/at/:revision', async (c) => {
    const revision = c.req.param('revision');
    if (!/^\d{1,9}$/.test(revision)) return problem(c, 422, 'fields', 'The revision has to be a whole number.');
    const was = await store.at(c.req.param('id'), Number(revision));
    if (was === 'missing') return missing(c);
    if (was === 'lost') return problem(c, 410, 'lost', 'How the project was then can’t be worked out any more.');
    return c.body(joined({ revision: Number(revision) }, { document: was.json }), 200, {
      'content-type': 'application/json',
    });
  });
  r.get('/:id/history', async (c) => {
    const id = c.req.param('id');
    return (await store.stands(id))
      ? reply(c, 'GET /api/projects/{id}/history', { changes: await store.history(id) })
      : missing(c);
  });
  return r;
}
