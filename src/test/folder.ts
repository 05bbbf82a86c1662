import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll } from '@jest/globals';
import { toolsHere } from '../server/backup/tools.ts';
import { embedded } from '../server/db/database.ts';
import { type Opened, type OpenOptions, openStore } from '../server/db/open.ts';
import { realDisk } from '../server/disk/disk.ts';
import { layEmptyDatabase } from './emptydb.ts';
import { MemoryDatabase, MIGRATIONS } from './memorydb.ts';

/** A data folder of its own, with an empty database. */
export function freshFolder(name: string): string {
  const folder = mkdtempSync(join(tmpdir(), `woodbine-${name}-`));
  layEmptyDatabase(folder);
  return folder;
}

let trying: Promise<MemoryDatabase> | null = null;

afterAll(async () => {
  await (await trying)?.close();
});

/** A database in memory to try backups in: the same one for all of a test file, emptied each time. */
export async function emptyMemory() {
  trying ??= MemoryDatabase.make();
  const memory = await trying;
  memory.present = false;
  return memory.open();
}

/** Opens a data folder as the server does, but for making databases anew: empty ones are copied. */
export function openFolder(folder: string, more: Partial<OpenOptions> = {}): Promise<Opened> {
  const place = embedded(folder, MIGRATIONS, async () => layEmptyDatabase(folder));
  const tools = toolsHere(more.disk ?? realDisk, emptyMemory);
  return openStore({ folder, migrations: MIGRATIONS, place, tools, ...more });
}
