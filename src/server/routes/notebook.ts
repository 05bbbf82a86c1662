import { randomUUID } from 'node:crypto';
import { strToU8, zip } from 'fflate';
import { type Context, Hono } from 'hono';
import { type EntryBody, entryBody } from '../../contract/index.ts';
import { type Entry } from '../../core/bench/notebook.ts';
import { takeEntry as keepEntry } from '../db/withfile.ts';
import { type AppParts } from '../parts.ts';
import { smallPicture, TYPES, takePicture } from '../pictures/picture.ts';
import { kindOf } from '../pictures/strip.ts';
import { problem } from '../problem.ts';
import { reply } from '../reply.ts';
import { noText, unfitIn } from '../unfit.ts';
import { type Answered } from '../work/ask.ts';
import { slug } from '../work/slug.ts';
import { fitting } from './body.ts';
import { sent } from './computed.ts';
import { type Desk, type Shelved } from './desk.ts';
import { missing, written } from './projects.ts';

/** So many small pictures are kept at hand. */
const AT_HAND = 200;

/** Entries of the notebook with their pictures, of one project and of all. */
export function notebookRoutes(p: AppParts, desk: Desk): Hono {
  const r = new Hono();
  const { store } = p.opened;
  const small = new Map<string, Promise<Uint8Array>>();
  r.get('/notebook', async (c) =>
    reply(c, 'GET /api/notebook', {
      entries: (await desk.shelf(true)).flatMap(({ id, name, garment, pattern, entries }) =>
        entries.map((entry) => ({ project: id, name, garment, pattern, entry })),
      ),
    }),
  );
  r.get('/wardrobe', async (c) =>
    reply(c, 'GET /api/wardrobe', {
      garments: (await desk.shelf())
        .flatMap(({ id: project, name, garment, finished, minutes, entries }) => {
          const picture = entries.findLast((e) => e.pictures.length)?.pictures.at(-1) ?? null;
          return finished === null ? [] : [{ project, name, garment, finished, minutes, picture }];
        })
        .sort((a, b) => (a.finished < b.finished ? 1 : -1)),
    }),
  );
  r.get('/projects/:id/entries', async (c) => {
    const of = await desk.one(c.req.param('id'));
    return of ? reply(c, 'GET /api/projects/{id}/entries', { entries: of.entries }) : missing(c);
  });
  r.post('/projects/:id/entries', (c) => takeEntry(c, p));
  r.get('/projects/:id/pictures/:file', async (c) => {
    const file = c.req.param('file');
    const held = await store.file(c.req.param('id'), file);
    const kind = held && kindOf(held.bytes);
    if (!held || !kind) return problem(c, 404, 'picture', 'There is no such picture in this project.');
    if (c.req.query('size') !== 'small')
      return c.body(new Uint8Array(held.bytes), 200, { 'content-type': TYPES[kind] });
    const made = small.get(file) ?? smallPicture(held.bytes);
    small.set(file, made);
    made.catch(() => small.delete(file));
    for (const old of [...small.keys()].slice(0, -AT_HAND)) small.delete(old);
    return c.body(new Uint8Array(await made), 200, { 'content-type': 'image/jpeg' });
  });
  r.get('/projects/:id/export/notebook.zip', async (c) => {
    const of = await desk.one(c.req.param('id'));
    if (!of) return missing(c);
    if (!of.entries.length) return problem(c, 404, 'nothing', 'Nothing is written in the notebook yet.');
    const bytes = await zipped(p, of);
    if (!(bytes instanceof Uint8Array)) return bytes ? sent(c, bytes) : missing(c);
    c.header('content-disposition', `attachment; filename="${slug(of.name)}-notebook.zip"`);
    return c.body(new Uint8Array(bytes), 200, { 'content-type': 'application/zip' });
  });
  return r;
}

/** The notebook as Markdown, its pictures beside it; an answer that says why it could not be written. */
async function zipped(p: AppParts, of: Shelved): Promise<Uint8Array | Answered | null> {
  const files: Record<string, Uint8Array> = {};
  const names = new Map<string, string>();
  for (const picture of of.entries.flatMap((e) => e.pictures)) {
    const held = await p.opened.store.file(of.id, picture);
    const kind = held && kindOf(held.bytes);
    if (!held || !kind) continue;
    names.set(picture, `pictures/${picture}.${kind === 'jpeg' ? 'jpg' : kind}`);
    files[names.get(picture) as string] = held.bytes;
  }
  const held = await p.opened.store.text(of.id);
  if (!held) return null;
  const asked = { part: 'notebook.md' as const, files: Object.fromEntries(names), now: p.now().toISOString() };
  const written = await p.works.answer({ ...held, asked, fontFiles: p.fontFiles });
  if (written.status !== 200) return written;
  files['notebook.md'] = strToU8(written.body as string);
  return new Promise((done, failed) => zip(files, { level: 0 }, (e, made) => (e ? failed(e) : done(made))));
}

interface Sent {
  entry: unknown;
  picture: Uint8Array | null;
}

/** An entry as JSON, or as a form with a picture beside it. */
async function sentIn(c: Context): Promise<Sent | string> {
  const type = c.req.header('content-type') ?? '';
  try {
    if (!type.startsWith('multipart/')) return { entry: await c.req.json(), picture: null };
    const form = await c.req.formData();
    const [entry, picture] = [form.get('entry'), form.get('picture')];
    if (typeof entry !== 'string') return 'The form has no entry in it.';
    if (picture !== null && !(picture instanceof Blob)) return 'picture has to be a file.';
    return { entry: JSON.parse(entry), picture: picture && new Uint8Array(await picture.arrayBuffer()) };
  } catch {
    return 'The request is not readable: send JSON, or a form with an entry and a picture.';
  }
}

/** An entry and its picture are kept together or not at all. One that is there already gets the picture. */
async function takeEntry(c: Context, p: AppParts): Promise<Response> {
  const id = c.req.param('id') ?? '';
  if (!(await p.opened.store.stands(id))) return missing(c);
  const sent = await sentIn(c);
  if (typeof sent === 'string') return problem(c, 400, 'json', sent);
  const unfit = unfitIn(sent.entry);
  if (unfit !== null) return problem(c, 422, 'characters', noText(unfit.join('.') || 'the entry'));
  const b = fitting<EntryBody>(c, entryBody, sent.entry);
  if (!b.ok) return b.answer;
  const taken = sent.picture && (await takePicture(sent.picture));
  if (taken && 'refused' in taken) return problem(c, 422, 'picture', taken.refused);
  if (!taken && !b.value.words.trim() && !Object.keys(b.value.figures).length)
    return problem(c, 422, 'fields', 'The entry is empty: write something, or add a picture.');
  const entry: Entry = { ...b.value, id: randomUUID(), at: b.value.at ?? p.now().toISOString(), pictures: [] };
  const done = await keepEntry(p.opened.store, id, entry, taken ? { name: 'picture', bytes: taken.bytes } : null);
  if (!done.ok) return written(c, p.opened.store, done);
  return reply(c, 'POST /api/projects/{id}/entries', { entry: done.entry, revision: done.stored.revision });
}
