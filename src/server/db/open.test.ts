import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { expect, test } from '@jest/globals';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { greenhouseCoat } from '../../demo/index.ts';
import { openStore } from './open.ts';
import { pack, unpack } from './schema.ts';

const MIGRATIONS = 'src/server/db/migrations';

test('a folder of the first version is carried forward, its documents unchanged', async () => {
  const dir = mkdtempSync(join(tmpdir(), 'woodbine-data-'));
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
    made.value,
  ]);
  await client.close();
  const opened = await openStore({ folder: dir, migrations: MIGRATIONS });
  expect((await opened.store.get('c1'))?.document).toEqual(made.value);
  await opened.close();
  for (const d of [dir, old]) rmSync(d, { recursive: true });
}, 60_000);

test('documents are packed when large and read again to the letter', () => {
  for (const json of ['{}', JSON.stringify({ words: 'é"\\ö'.repeat(40_000) })]) {
    expect(unpack(pack(json))).toBe(json);
    expect(pack(json).startsWith('gz:')).toBe(json.length > 100_000);
  }
});
