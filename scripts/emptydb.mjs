// An empty database is made once, and copied by every test that wants a fresh data folder: making one takes seconds.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';

export default async function makeEmpty() {
  const folder = mkdtempSync(join(tmpdir(), 'woodbine-empty-'));
  const client = await PGlite.create({ dataDir: join(folder, 'db') });
  await client.close();
  process.env.WOODBINE_EMPTY = folder;
}

export function removeEmpty() {
  if (process.env.WOODBINE_EMPTY) rmSync(process.env.WOODBINE_EMPTY, { recursive: true, force: true });
}
