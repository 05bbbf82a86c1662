import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { expect, test } from '@jest/globals';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { type ProjectDocument } from '../../core/document/project.ts';
import { greenhouseCoat } from '../../demo/index.ts';
import { appOf, asking } from '../../test/api.ts';
import { freshFolder, openFolder } from '../../test/folder.ts';
import { type Database, embedded } from './database.ts';
import { pack, unpack } from './packed.ts';

const MIGRATIONS = 'src/server/db/migrations';

/** The document as version 1 would have saved it. */
function asOfVersionOne(doc: ProjectDocument): unknown {
  const { facing, lining, interfacing, ...rest } = doc.decisions;
  const { bands: _b, inOne: _i, turn: _t, finish: _f, bias: _x, ...oldFacing } = facing;
  const { smaller: _s, darts: _d, skirt: _k, zip: _z, ...oldLining } = lining;
  const { collars: _c, hems: _h, stay: _y, ...oldInterfacing } = interfacing;
  return {
    ...doc,
    schema: 1,
    decisions: { ...rest, facing: oldFacing, lining: oldLining, interfacing: oldInterfacing },
  };
}

test('a folder of the first version is carried forward, its documents as they are read now', async () => {
  const dir = freshFolder('data');
  const old = mkdtempSync(join(tmpdir(), 'woodbine-old-'));
  mkdirSync(join(old, 'meta'));
  copyFileSync(join(MIGRATIONS, '0000_first.sql'), join(old, '0000_first.sql'));
  const log = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8'));
  writeFileSync(join(old, 'meta/_journal.json'), JSON.stringify({ ...log, entries: log.entries.slice(0, 1) }));
  const client = await PGlite.create({ dataDir: join(dir, 'db') });
  await migrate(drizzle({ client }), { migrationsFolder: old });
  const made = greenhouseCoat();
  if (!made.ok) throw new Error('no coat');
  await client.query("insert into projects values ('c1', 'Old coat', 'coat', $1, 0, false, now(), now())", [
    asOfVersionOne(made.value),
  ]);
  await client.close();
  const opened = await openFolder(dir);
  expect((await opened.store.get('c1'))?.document).toEqual(made.value);
  // A change to what only the newer version knows, made again from the journal on a database still of the old one.
  const patch = [{ op: 'replace' as const, path: '/decisions/facing/bands/armhole', value: 55 }];
  expect((await opened.store.change('c1', 0, 'Armhole facing', patch)).ok).toBe(true);
  await opened.close();
  for (const d of [dir, old]) rmSync(d, { recursive: true });
}, 60_000);

test('a stored document that is none any more is told and kept, never handed out; the others stay open', async () => {
  const dir = freshFolder('data');
  const made = greenhouseCoat();
  if (!made.ok) throw new Error('no coat');
  const first = await openFolder(dir);
  const [good, spoilt] = [await first.store.create(made.value), await first.store.create(made.value)];
  await first.close();
  const raw = pack(JSON.stringify({ ...made.value, name: 'Spoilt', shell: { pieces: 'gone' } }));
  const client = await PGlite.create({ dataDir: join(dir, 'db') });
  await client.query("update projects set document = $1, name = 'Spoilt' where id = $2", [raw, spoilt.id]);
  await client.close();
  const opened = await openFolder(dir);
  const { ask } = asking(() => appOf(opened));
  for (const part of ['', '/pieces', '/plan', '/export/project.json']) {
    const answer = await ask('GET', `/api/projects/${spoilt.id}${part}`);
    expect([part, answer.status, answer.json.type]).toEqual([part, 422, 'urn:woodbine:problem:unreadable']);
    expect(answer.json.detail).toMatch(/"Spoilt" cannot be read \(shell.*\)\. It is kept as it is/);
  }
  const patch = [{ op: 'replace', path: '/name', value: 'Mended' }];
  const refused = await ask('PATCH', `/api/projects/${spoilt.id}`, { revision: 0, change: { label: 'x', patch } });
  expect(refused.status).toBe(422);
  expect((await ask('GET', '/api/projects')).json.projects).toHaveLength(2);
  expect((await ask('GET', `/api/projects/${good.id}/pieces`)).status).toBe(200);
  await opened.close();
  const after = await PGlite.create({ dataDir: join(dir, 'db') });
  const { rows } = await after.query<{ document: string }>('select document from projects where id = $1', [spoilt.id]);
  expect(rows[0]?.document).toBe(raw);
  await after.close();
  rmSync(dir, { recursive: true });
}, 60_000);

test('documents are packed when large and read again to the letter', () => {
  for (const json of ['{}', JSON.stringify({ words: 'é"\\ö'.repeat(40_000) })]) {
    expect(unpack(pack(json))).toBe(json);
    expect(pack(json).startsWith('gz:')).toBe(json.length > 100_000);
  }
});

test('a database that has died is opened anew by the first that asks, though nothing is written', async () => {
  const folder = freshFolder('died');
  const place = embedded(folder, MIGRATIONS);
  let last: Database | null = null;
  const o = await openFolder(folder, { place: { ...place, open: async () => (last = await place.open()) } });
  const { ask } = asking(() => appOf(o));
  const { id } = (await ask('POST', '/api/projects', { name: 'Still here' })).json;
  await (last as Database | null)?.close();
  const told = await Promise.all(['', '/history', '/files'].map((part) => ask('GET', `/api/projects/${id}${part}`)));
  expect(told.map((t) => [t.status, t.json.type])).toEqual(told.map(() => [503, 'urn:woodbine:problem:database']));
  expect((await ask('GET', `/api/projects/${id}`)).json.name).toBe('Still here');
  await o.close();
  rmSync(folder, { recursive: true });
});
