// An empty database is laid out once, and copied by every test that wants a fresh data folder.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { packEmpty } from './packempty.mjs';

export default async function layOut() {
  const folder = mkdtempSync(join(tmpdir(), 'woodbine-empty-'));
  const loadDataDir = new Blob([new Uint8Array(readFileSync(await packEmpty()))], { type: 'application/gzip' });
  const client = await PGlite.create({ dataDir: join(folder, 'db'), loadDataDir });
  await client.close();
  process.env.WOODBINE_EMPTY = folder;
}

export function removeEmpty() {
  if (process.env.WOODBINE_EMPTY) rmSync(process.env.WOODBINE_EMPTY, { recursive: true, force: true });
}
