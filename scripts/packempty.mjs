// Packs an empty database, so that neither the first start nor the tests have to make one, which takes ten seconds.
import { existsSync, mkdirSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Where the packed one lies: made when there is none, or the packages are newer. */
export async function packEmpty() {
  const packed = join(root, 'dist/empty-db.tar.gz');
  if (existsSync(packed) && statSync(packed).mtimeMs >= statSync(join(root, 'package-lock.json')).mtimeMs)
    return packed;
  const client = await PGlite.create();
  const blob = await client.dumpDataDir('gzip');
  await client.close();
  mkdirSync(dirname(packed), { recursive: true });
  // Never half of one, whenever this is stopped.
  writeFileSync(`${packed}.part`, new Uint8Array(await blob.arrayBuffer()));
  renameSync(`${packed}.part`, packed);
  return packed;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await packEmpty();
