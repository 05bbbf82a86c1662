import { basename } from 'node:path';
import { type Context, Hono } from 'hono';
import { putBackBody, sentenceOfNotice } from '../../contract/index.ts';
import { compare, putBack } from '../backup/restore.ts';
import { BadBackup, manifestIn } from '../backup/unpack.ts';
import { type Opened } from '../db/open.ts';
import { itemsOf } from '../db/rows.ts';
import { problem } from '../problem.ts';
import { reply } from '../reply.ts';
import { body } from './body.ts';
import { missing } from './projects.ts';

const ZIP = 'application/zip';

/** Taking backups, looking into them, and putting back what is in them. */
export function backupRoutes({ store, backups, backup, originals }: Opened): Hono {
  const r = new Hono();
  const bad = (c: Context, e: unknown): Response => {
    if (e instanceof BadBackup) return problem(c, 422, 'backup', e.message);
    throw e;
  };
  const listed = async (c: Context, name: string): Promise<Response> => {
    const path = await backups.path(name);
    if (!path) return problem(c, 404, 'backup', 'There is no such backup.');
    try {
      const manifest = await manifestIn(store.disk, path);
      return reply(c, 'GET /api/backups/{name}', {
        name,
        at: manifest.at,
        projects: await compare(store, manifest),
      });
    } catch (e) {
      return bad(c, e);
    }
  };
  /** A zip of everything, or of one project, with the uploaded files in it. */
  const away = async (c: Context, only: string[] | undefined, name: string): Promise<Response> => {
    const items = itemsOf(store.db, only, (f) => originals.get(f.id, f.sum));
    const bytes = await store.alone(() => backups.taken(items, only === undefined, (b) => b));
    c.header('content-disposition', `attachment; filename="${name}.zip"`);
    return c.body(new Uint8Array(bytes), 200, { 'content-type': ZIP });
  };
  r.get('/', async (c) => reply(c, 'GET /api/backups', { backups: await backups.list() }));
  r.post('/', async (c) => reply(c, 'POST /api/backups', { name: basename(await backup()) }));
  r.post('/brought', async (c) => {
    const content = c.req.raw.body;
    if (!content)
      return problem(c, 400, 'upload', 'There is no backup in the request. Choose a file and send it again.');
    try {
      const name = await store.alone(() => backups.bring(content as unknown as AsyncIterable<Uint8Array>));
      return await listed(c, name);
    } catch (e) {
      return bad(c, e);
    }
  });
  r.get('/everything.zip', (c) => away(c, undefined, 'woodbine-everything'));
  r.get('/project/:id/project.zip', async (c) => {
    const id = c.req.param('id');
    return (await store.standing(id)) ? away(c, [id], 'woodbine-project') : missing(c);
  });
  r.get('/:name', (c) => listed(c, c.req.param('name')));
  r.post('/:name/restore', async (c) => {
    const path = await backups.path(c.req.param('name'));
    if (!path) return problem(c, 404, 'backup', 'There is no such backup.');
    const b = await body(c, putBackBody);
    if (!b.ok) return b.answer;
    try {
      return reply(c, 'POST /api/backups/{name}/restore', {
        projects: await putBack(store, backups, path, b.value.projects),
      });
    } catch (e) {
      return bad(c, e);
    }
  });
  return r;
}

/** Whether anything can be saved now, and what is to be told about the data. */
export function stateRoutes({ store }: Opened): Hono {
  const r = new Hono();
  r.get('/', async (c) => {
    const notices = await store.notices();
    return reply(c, 'GET /api/state', {
      saving: await store.canSave(),
      notices: notices.map((n) => ({ ...n, message: sentenceOfNotice(n) })),
    });
  });
  r.post('/notices/:id/seen', async (c) => {
    await store.seen(c.req.param('id'));
    return c.body(null, 204);
  });
  return r;
}
