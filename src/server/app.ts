import { serveStatic } from '@hono/node-server/serve-static';
import { type Context, Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { HTTPException } from 'hono/http-exception';
import { sentenceOf } from '../contract/index.ts';
import { NotKept } from './db/kept.ts';
import { Unreadable } from './db/stored.ts';
import { contentType, guard, headers } from './guard.ts';
import { type Reader } from './import/run.ts';
import { openapi } from './openapi.ts';
import { type AppParts } from './parts.ts';
import { notKept, problem, refusal, unreadableBody } from './problem.ts';
import { reply } from './reply.ts';
import { backupRoutes, stateRoutes } from './routes/backups.ts';
import { benchRoutes } from './routes/bench.ts';
import { computedRoutes, sent } from './routes/computed.ts';
import { Desk } from './routes/desk.ts';
import { eventRoutes } from './routes/events.ts';
import { jobRoutes } from './routes/jobs.ts';
import { layRoute } from './routes/lay.ts';
import { networkRoutes } from './routes/network.ts';
import { notebookRoutes } from './routes/notebook.ts';
import { projectRoutes, stashRoute } from './routes/projects.ts';
import { MAX_UPLOAD, readUpload } from './upload.ts';

const TOO_LARGE = `The file is too large: Woodbine takes up to ${MAX_UPLOAD / 1024 / 1024} MB. Export the pattern without pictures in it.`;

const NO_ANSWER =
  'The database did not answer just now. Nothing that was saved is lost: wait a moment and try once more.';

/** What a file holds, before it is taken in: sizes to choose from, how its pages lie. Nothing is stored. */
async function look(c: Context, reader: Reader): Promise<Response> {
  const upload = await readUpload(c);
  if (typeof upload === 'string') return problem(c, 400, 'upload', upload);
  const seen = await reader.look(upload, upload.job);
  if (!seen.ok) return refusal(c, seen.findings);
  const findings = seen.value.findings.map((f) => ({ ...f, message: sentenceOf(f) }));
  return reply(c, 'POST /api/look', { ...seen.value, findings });
}

/** The whole server as one object that answers requests; nothing is started here. */
export function createApp(p: AppParts): Hono {
  const app = new Hono();
  app.use(headers());
  app.use(guard(p.names));
  if (p.access) app.use(p.access);
  app.use('/api/*', contentType());
  const limit = bodyLimit({ maxSize: MAX_UPLOAD + 64 * 1024, onError: (c) => problem(c, 413, 'too-large', TOO_LARGE) });
  // A backup is written to the disk as it comes, up to its own limit.
  app.use('/api/*', (c, next) => (c.req.path === '/api/backups/brought' ? next() : limit(c, next)));
  app.route('/api/projects', projectRoutes(p.opened.store, p.works));
  const desk = new Desk(p);
  app.route('/api', benchRoutes(p, desk));
  app.route('/api', notebookRoutes(p, desk));
  app.route('/api/projects', computedRoutes(p));
  app.get('/api/stash', (c) => stashRoute(c, p.opened.store));
  app.route('/api/jobs', jobRoutes(p.reader));
  app.post('/api/lay', (c) => layRoute(c, p.works));
  app.post('/api/look', (c) => look(c, p.reader));
  app.get('/api/health', (c) => reply(c, 'GET /api/health', { ok: true }));
  app.route('/api/backups', backupRoutes(p.opened));
  app.route('/api/events', eventRoutes(p.opened.store));
  app.route('/api/state', stateRoutes(p.opened));
  app.route('/api/network', networkRoutes(p));
  app.get('/api/openapi.json', (c) => reply(c, 'GET /api/openapi.json', openapi()));
  app.all('/api/*', (c) => problem(c, 404, 'route', 'There is nothing at this address.'));
  if (p.webRoot) {
    // What is built carries a sum of itself in its name: it never changes, and need not be asked for again.
    app.use('/assets/*', async (c, next) => {
      await next();
      if (c.res.ok) c.header('cache-control', 'public, max-age=31536000, immutable');
    });
    app.use('/*', serveStatic({ root: p.webRoot, precompressed: true }));
    app.get('/*', serveStatic({ root: p.webRoot, path: 'index.html' }));
  }
  app.notFound((c) => problem(c, 404, 'route', 'There is nothing at this address.'));
  app.onError(async (e, c) => {
    if (e instanceof HTTPException)
      return problem(c, e.status, 'request', e.message || 'The request was not understood.');
    if (e instanceof Unreadable) return sent(c, unreadableBody(e.project, e.problems));
    if (e instanceof NotKept) return notKept(c, e);
    const id = p.log.error(e, `${c.req.method} ${c.req.path}`);
    if (await p.opened.store.revive().catch(() => true)) return problem(c, 503, 'database', NO_ANSWER, { id });
    return problem(
      c,
      500,
      'internal',
      `Something went wrong in Woodbine itself; your project is as it was. Try it once more. If it happens again, ask for help with the number ${id}: it stands in the log in the data folder.`,
      { id },
    );
  });
  return app;
}
