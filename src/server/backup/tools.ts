import { expectedOf, faultOf } from '../db/check.ts';
import { type Database } from '../db/database.ts';
import { load } from '../db/rows.ts';
import { type Disk } from '../disk/disk.ts';
import { type Manifest } from './manifest.ts';
import { type About, type Item, pack } from './pack.ts';
import { type Backup, openBackup, type Taken, takeOut } from './unpack.ts';

/** The heavy work on backup files; in a thread of its own where the server runs. */
export interface BackupTools {
  /** Writes one, and tries whether it loads; one that is only taken away is read back instead. */
  pack: (path: string, items: AsyncIterable<Item>, about: About, tried: boolean) => Promise<Manifest>;
  /** Reads one to the end. Throws `BadBackup`. */
  check: (path: string) => Promise<void>;
  takeOut: (path: string, ids: string[]) => Promise<Taken>;
}

/** All of it in this thread. `memory` gives an empty database to try a backup in. */
export const toolsHere = (disk: Disk, memory: () => Promise<Database>): BackupTools => ({
  async pack(path, items, about, tried) {
    const manifest = await pack(disk, path, items, about);
    const backup = await openBackup(disk, path);
    if (tried) await tryBackup(backup, memory);
    return manifest;
  },
  async check(path) {
    await openBackup(disk, path);
  },
  takeOut: (path, ids) => takeOut(disk, path, ids),
});

/** Loads a backup into a database in memory, and looks whether all is there. Throws where it is not. */
async function tryBackup(backup: Backup, memory: () => Promise<Database>): Promise<void> {
  const { db, close } = await memory();
  try {
    await load(db, backup);
    const fault = await faultOf(db, expectedOf(backup.manifest));
    if (fault) throw new Error(`the backup does not load: ${fault}`);
  } finally {
    await close();
  }
}
