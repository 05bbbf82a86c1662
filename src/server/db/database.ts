import { existsSync } from 'node:fs';
import { readFile, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { type Db } from './rows.ts';
import * as schema from './schema.ts';

/** An opened database, its tables carried forward. */
export interface Database {
  db: Db;
  close: () => Promise<void>;
  /** Gives back the room of what was changed since: nothing does that by itself in an embedded database. */
  compact?: () => Promise<void>;
}

/** Where the database lies, and how one is opened there. */
export interface DatabasePlace {
  /** Whether one is there. */
  there: () => boolean;
  /** Opens the one that is there, or an empty one. */
  open: () => Promise<Database>;
  /** Puts the one that is there aside, in place of one put aside before; gives the name it bears now. */
  putAside: () => Promise<string | null>;
  /** Lays the one that was put aside back. */
  bringBack: () => Promise<void>;
  remove: () => Promise<void>;
}

/**
 * A shelf of one household needs no more of these: with the usual 128 MB for pages the process takes twice the memory, and
 * with 1 GB of log the folder grows to that.
 */
const SMALL = ['-c', 'shared_buffers=16MB', '-c', 'max_wal_size=64MB'];
const startParams = [...PGlite.defaultStartParams, ...SMALL];

/** An empty database packed beside the program when it was built: unpacking one takes two seconds, making one ten. */
export const packedIn = (root: string): string => join(root, 'dist/empty-db.tar.gz');

/** One of another version, or that is damaged, is of no use; where there is none at all, one is made from nothing. */
async function packedEmpty(packed: string | undefined): Promise<Blob | null> {
  const bytes = packed ? await readFile(packed).catch(() => null) : null;
  return bytes && new Blob([new Uint8Array(bytes)], { type: 'application/gzip' });
}

/** Makes an empty database from the packed one. It takes hundreds of megabytes that are not given back: best done in a thread. */
export async function begin(dataDir: string, packed?: string): Promise<void> {
  const loadDataDir = await packedEmpty(packed);
  if (loadDataDir) {
    const client = await PGlite.create({ dataDir, loadDataDir, startParams }).catch(() => null);
    if (client) return client.close();
    await rm(dataDir, { recursive: true, force: true });
  }
  const client = await PGlite.create({ dataDir, startParams });
  await client.close();
}

/** The embedded database in a folder of its own. `make` makes an empty one there. */
export function embedded(
  folder: string,
  migrations: string,
  make: (dataDir: string) => Promise<void> = (dataDir) => begin(dataDir),
): DatabasePlace {
  const dataDir = join(folder, 'db');
  const aside = `${dataDir}-damaged`;
  const there = () => existsSync(join(dataDir, 'PG_VERSION'));
  return {
    there,
    async open() {
      if (!there()) await make(dataDir);
      const client = await PGlite.create({ dataDir, startParams });
      try {
        const db = drizzle({ client, schema });
        await migrate(db, { migrationsFolder: migrations });
        const compact = async (): Promise<void> => {
          for (const work of ['vacuum projects', 'vacuum changes', 'checkpoint']) await client.exec(work);
        };
        return { db: db as unknown as Db, close: () => client.close(), compact };
      } catch (e) {
        await client.close().catch(() => undefined);
        throw e;
      }
    },
    async putAside() {
      if (!existsSync(dataDir)) return null;
      await rm(aside, { recursive: true, force: true });
      await rename(dataDir, aside);
      return aside;
    },
    async bringBack() {
      await rm(dataDir, { recursive: true, force: true });
      await rename(aside, dataDir);
    },
    remove: () => rm(dataDir, { recursive: true, force: true }),
  };
}

/** A database in memory alone, to try a backup in. */
export async function inMemory(migrations: string, packed?: string): Promise<Database> {
  const loadDataDir = await packedEmpty(packed);
  const fresh = (): Promise<PGlite> => PGlite.create({ startParams });
  const client = await (loadDataDir ? PGlite.create({ loadDataDir, startParams }).catch(fresh) : fresh());
  const db = drizzle({ client, schema });
  await migrate(db, { migrationsFolder: migrations });
  return { db: db as unknown as Db, close: () => client.close() };
}
