import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { type LiveEvent } from '../../contract/index.ts';
import { Backups } from '../backup/backups.ts';
import { toolsHere } from '../backup/tools.ts';
import { realDisk } from '../disk/disk.ts';
import { removeParts } from '../disk/files.ts';
import { Works } from '../work/run.ts';
import { inMemory } from './database.ts';
import { SERVERS_OWN } from './journal.ts';
import { type Opened, type OpenOptions, takeBackup } from './open.ts';
import { originalsIn } from './originals.ts';
import { countPieces, type Db } from './rows.ts';
import * as schema from './schema.ts';
import { Store } from './store.ts';

/** Number of the lock under which tables are carried forward, and name of the channel changes are told on. */
const [MIGRATING, CHANNEL] = [720_131, 'woodbine'];
/** The server takes no longer message (bytes), and a name is cut to fit. */
const LABEL = 200;
const CONNECTIONS = 6;

/** A broken connection is made again after so long, ms. */
const AGAIN = 1000;
/** Something may have been missed: who listens looks again. */
const MISSED: LiveEvent = { project: '', revision: null, label: '' };

/** Passes the changes of all processes on, and comes back when the connection breaks. Gives how to leave. */
async function hearing(url: string, hear: (e: LiveEvent) => void): Promise<() => Promise<void>> {
  let client: pg.Client | null = null;
  let timer: NodeJS.Timeout | null = null;
  let ended = false;
  const again = (): void => {
    client = null;
    if (ended) return;
    timer = setTimeout(() => void begin().then(() => hear(MISSED), again), AGAIN);
    timer.unref();
  };
  const begin = async (): Promise<void> => {
    const c = new pg.Client({ connectionString: url });
    c.on('notification', (m) => m.payload && hear(JSON.parse(m.payload) as LiveEvent));
    await c.connect();
    await c.query(`listen ${CHANNEL}`);
    c.on('error', again);
    client = c;
  };
  await begin();
  return async () => {
    ended = true;
    if (timer) clearTimeout(timer);
    await client?.end();
  };
}

/** The newest tables, brought about by one process at a time. */
async function carryForward(pool: pg.Pool, migrationsFolder: string): Promise<void> {
  const client = await pool.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATING]);
    await migrate(drizzle({ client, schema }), { migrationsFolder });
  } finally {
    await client.query('select pg_advisory_unlock($1)', [MIGRATING]).catch(() => undefined);
    client.release();
  }
}

/**
 * Opens the store on a PostgreSQL server that several processes may share. Its own log is the journal: what it has
 * committed is kept. Backups lie in the data folder of each process that makes them.
 */
export async function openServer(url: string, o: OpenOptions): Promise<Opened> {
  const now = o.now ?? (() => new Date().toISOString());
  const pool = new pg.Pool({ connectionString: url, max: CONNECTIONS });
  // A connection that breaks while it rests is replaced by the pool.
  pool.on('error', () => undefined);
  try {
    await carryForward(pool, o.migrations);
  } catch (e) {
    await pool.end();
    throw new Error(
      `The database server of DATABASE_URL cannot be used: ${(e as Error).message || 'it does not answer'}. Is it running, and is the address right? Nothing was changed here.`,
    );
  }
  const db = drizzle({ client: pool, schema }) as unknown as Db;
  const originals = originalsIn(db);
  const disk = o.disk ?? realDisk;
  const backups = new Backups(disk, o.folder, o.tools ?? toolsHere(disk, () => inMemory(o.migrations)), now);
  await backups.prepare();
  await removeParts(disk, [backups.folder]);
  const store = new Store({
    db,
    journal: SERVERS_OWN,
    originals,
    backups,
    disk,
    folder: o.folder,
    now,
    newId: o.newId ?? (() => crypto.randomUUID()),
    reopen: async () => db,
    works: o.works ?? new Works(null),
    announce: (e) => {
      const told = JSON.stringify({ ...e, label: e.label.slice(0, LABEL) });
      pool.query('select pg_notify($1, $2)', [CHANNEL, told]).catch(() => undefined);
    },
  });
  await countPieces(db);
  const deaf = await hearing(url, (e) => store.hear(e));
  const close = async (): Promise<void> => {
    await store.settled();
    await deaf();
    await pool.end();
  };
  return { store, backups, originals, backup: () => takeBackup(store, SERVERS_OWN, backups, originals), close };
}
