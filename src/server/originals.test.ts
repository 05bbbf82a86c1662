import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { emptyDocument } from '../core/document/usual.ts';
import { coatSvg, GREENHOUSE_COAT } from '../demo/index.ts';
import { freshFolder, openFolder } from '../test/folder.ts';
import { coatDocument } from '../test/shells.ts';
import { createApp } from './app.ts';
import { type Opened } from './db/open.ts';
import { takeShell } from './db/withfile.ts';
import { Reader } from './import/run.ts';
import { Works } from './work/run.ts';

const folder = freshFolder('originals');
const open = (): Promise<Opened> => openFolder(folder);
let opened: Opened;
beforeAll(async () => {
  opened = await open();
}, 60_000);
afterAll(async () => {
  await opened.close();
  rmSync(folder, { recursive: true });
});

const ask = (path: string, init: RequestInit = {}): Promise<Response> => {
  const app = createApp({
    opened,
    names: ['localhost'],
    fontFiles: [],
    reader: new Reader(null),
    works: new Works(null),
    now: () => new Date(0),
    log: { error: () => 'none' },
  });
  return Promise.resolve(app.request(`http://localhost${path}`, { ...init, headers: { host: 'localhost' } }));
};
const put = async (id: string, name: string): Promise<string> => {
  const form = new FormData();
  form.set('file', new File([coatSvg()], name));
  form.set('job', 'mine');
  return ((await (await ask(`/api/projects/${id}/shell`, { method: 'POST', body: form })).json()) as { fileId: string })
    .fileId;
};

test('the file a pattern came from is given back to the byte, as bytes only, to its own project alone', async () => {
  const { id } = await opened.store.create(emptyDocument('Coat', 'coat'));
  const other = await opened.store.create(emptyDocument('Other', 'coat'));
  const file = await put(id, '../"coat"; x=é\n.svg');
  const list = (await (await ask(`/api/projects/${id}/files`)).json()) as { files: { id: string; size: number }[] };
  expect(list.files.map((f) => [f.id, f.size])).toEqual([[file, Buffer.byteLength(coatSvg())]]);
  const got = await ask(`/api/projects/${id}/files/${file}`);
  expect(await got.text()).toBe(coatSvg());
  expect(got.headers.get('content-type')).toBe('application/octet-stream');
  expect(got.headers.get('content-disposition')).toMatch(/^attachment; filename\*=UTF-8''[\w.%!'()*~-]+$/);
  for (const path of [`${other.id}/files/${file}`, `${id}/files/nothing`, `${id}/files/..%2F..%2Fjournal`])
    expect((await ask(`/api/projects/${path}`)).status).toBe(404);
  // Only whole files stand in the folder, under names of our own.
  expect(readdirSync(join(folder, 'originals'))).toEqual([file]);
});

test('journals of the first version carried the bytes themselves: they are still found', async () => {
  const { id } = await opened.store.create(emptyDocument('Old', 'coat'));
  await opened.close();
  const base64 = Buffer.from('<svg/>').toString('base64');
  const record = { t: 'file', id: 'old-file', project: id, name: 'old.svg', base64, at: '2026-01-02T03:04:05.000Z' };
  writeFileSync(join(folder, 'journal.jsonl'), `{"t":"base","revisions":{}}\n${JSON.stringify(record)}\n{"t":"fi`);
  opened = await open();
  expect((await opened.store.files(id)).map((f) => [f.name, f.size])).toEqual([['old.svg', 6]]);
  expect(await (await ask(`/api/projects/${id}/files/old-file`)).text()).toBe('<svg/>');
  // What it held is in a backup now: it is not read again.
  await opened.store.settled();
  expect(readdirSync(folder)).toContain('journal.jsonl.taken-in');
  expect(readdirSync(folder)).not.toContain('journal.jsonl');
  expect(readdirSync(join(folder, 'backups/originals'))).toContain('old-file');
  // A file that was damaged on the disk is put back from its second copy, and that is told.
  writeFileSync(join(folder, 'originals/old-file'), 'spoilt');
  expect(await (await ask(`/api/projects/${id}/files/old-file`)).text()).toBe('<svg/>');
  expect(readFileSync(join(folder, 'originals/old-file'), 'utf8')).toBe('<svg/>');
  expect((await opened.store.notices()).map((n) => [n.code, n.data.name])).toEqual([['file-mended', 'old.svg']]);
}, 60_000);

test('an upload that is refused leaves no file behind, neither listed nor on the disk', async () => {
  const { id } = await opened.store.create(emptyDocument('Too many', 'coat'));
  const before = readdirSync(join(folder, 'originals'));
  const read = JSON.stringify({ pieces: Array(1001).fill(coatDocument().shell?.pieces[0]), findings: [] });
  const upload = { name: 'many.svg', bytes: Buffer.from('<svg/>') };
  const refused = await takeShell(opened.store, id, { fileName: 'many.svg', lines: 'seam' }, read, upload);
  expect([refused.ok, await opened.store.files(id), readdirSync(join(folder, 'originals'))]).toEqual([
    false,
    [],
    before,
  ]);
});

test('a job name that is none is refused; one that is not being read is not there', async () => {
  const { id } = await opened.store.create(emptyDocument('Coat', 'coat'));
  const form = new FormData();
  form.set('file', new File([coatSvg()], 'coat.svg'));
  form.set('job', '../x');
  const refused = await ask(`/api/projects/${id}/shell`, { method: 'POST', body: form });
  expect([refused.status, ((await refused.json()) as { detail: string }).detail]).toEqual([
    400,
    'job has to be a name of up to 64 letters, digits and dashes.',
  ]);
  expect((await ask('/api/jobs/nobody')).status).toBe(404);
  expect((await ask('/api/jobs/nobody', { method: 'DELETE' })).status).toBe(409);
});

test('another size of the same pattern keeps what was said of the first, and says so', async () => {
  const { id } = await opened.store.create(emptyDocument('Coat', 'coat'));
  await put(id, 'size-40.svg');
  const [piece] = (await opened.store.get(id))?.document.shell?.pieces ?? [];
  const path = `/shell/pieces/${piece?.id}/ring/${piece?.ring[4]?.id}/allowance`;
  const edges = [{ op: 'replace' as const, path, value: 25 }];
  expect((await opened.store.change(id, 1, 'Wide side seam', edges)).ok).toBe(true);
  // By its place a piece is not spoken of: it may be another one by then.
  const placed = [{ op: 'replace' as const, path: '/shell/pieces/0/name', value: 'x' }];
  expect(await opened.store.change(id, 2, 'By place', placed)).toMatchObject({
    why: 'invalid',
    problems: [{ path: '/shell/pieces/0/name', message: expect.stringContaining('by their ids') }],
  });
  const form = new FormData();
  form.set('file', new File([coatSvg({ ...GREENHOUSE_COAT, bust: 1080, length: 1060 })], 'size-46.svg'));
  const r = await ask(`/api/projects/${id}/shell`, { method: 'POST', body: form });
  const answer = (await r.json()) as {
    findings: { message: string }[];
    pieces: { edges: { allowanceMm: number }[] }[];
  };
  expect(answer.findings.map((f) => f.message).join()).toContain('was kept for pieces of the same name: 3.');
  expect(answer.pieces[0]?.edges.map((e) => e.allowanceMm)).toEqual([15, 15, 15, 15, 25, 40]);
  const doc = (await opened.store.get(id))?.document;
  expect([doc?.shell?.fileName, doc?.shell?.pieces.length]).toEqual(['size-46.svg', 3]);
});
