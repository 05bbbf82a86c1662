import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { asc } from 'drizzle-orm';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { Journal, type JournalRecord, journalPath, readJournal, syncFolder } from './journal.ts';
import { lockFolder } from './lock.ts';
import { Originals } from './originals.ts';
import * as schema from './schema.ts';
import { applyRecord, Store } from './store.ts';

export interface Opened {
  store: Store;
  /** Writes a dump of everything and starts the journal anew. Gives the file. */
  backup: () => Promise<string>;
  close: () => Promise<void>;
}

export interface OpenOptions {
  folder: string;
  migrations: string;
  now?: () => string;
  newId?: () => string;
  say?: (line: string) => void;
}

type Database = PgliteDatabase<typeof schema>;

const KEPT_BACKUPS = 5;
/** A journal longer than this is turned into a backup at start, so that starting stays quick (bytes). */
const LONG_JOURNAL = 32 * 1024 * 1024;

function backupsIn(folder: string): string[] {
  return existsSync(folder)
    ? readdirSync(folder)
        .filter((f) => f.endsWith('.tar.gz'))
        .sort()
    : [];
}

/** Opens the database folder; one that is damaged is put aside and rebuilt from the newest backup. */
async function openDatabase(folder: string, say: (line: string) => void): Promise<PGlite> {
  const dataDir = join(folder, 'db');
  const existed = existsSync(join(dataDir, 'PG_VERSION'));
  if (existed) {
    try {
      const client = await PGlite.create({ dataDir });
      await client.query('select 1');
      return client;
    } catch {
      const aside = `${dataDir}-damaged-${Date.now()}`;
      renameSync(dataDir, aside);
      say(`The database was damaged and put aside as ${aside}; it is rebuilt from the backup and the journal.`);
    }
  } else if (existsSync(dataDir)) rmSync(dataDir, { recursive: true });
  const newest = backupsIn(join(folder, 'backups')).at(-1);
  if (!newest) return PGlite.create({ dataDir });
  const bytes = readFileSync(join(folder, 'backups', newest));
  return PGlite.create({ dataDir, loadDataDir: new Blob([new Uint8Array(bytes)], { type: 'application/gzip' }) });
}

/** Opens the store of a data folder: locks it, migrates, replays what the database lacks, notes what the journal lacks. */
export async function openStore(o: OpenOptions): Promise<Opened> {
  const say = o.say ?? (() => undefined);
  const lock = await lockFolder(o.folder);
  const client = await openDatabase(o.folder, say);
  const db = drizzle({ client, schema });
  await migrate(db, { migrationsFolder: o.migrations });
  const records = readJournal(journalPath(o.folder));
  const held = await revisionsOf(db);
  for (const r of records) if (r.t !== 'change' || r.revision > (held[r.id] ?? -1)) await applyRecord(db, r);
  const journal = new Journal(journalPath(o.folder));
  await noteMissing(db, journal, records);
  const store = new Store({
    db,
    journal,
    originals: new Originals(o.folder),
    now: o.now ?? (() => new Date().toISOString()),
    newId: o.newId ?? (() => crypto.randomUUID()),
  });
  const backup = () => writeBackup(o.folder, client, db, store, journal);
  const long = JSON.stringify(records).length > LONG_JOURNAL;
  if (long || (await holdsUnknown(db, records))) await backup();
  const close = async () => {
    await store.settled();
    journal.close();
    await client.close();
    await lock.release();
  };
  return { store, backup, close };
}

/** How far each project has come in the database. */
async function revisionsOf(db: Database): Promise<Record<string, number>> {
  const rows = await db.select({ id: schema.projects.id, revision: schema.projects.revision }).from(schema.projects);
  return Object.fromEntries(rows.map((r) => [r.id, r.revision]));
}

/** Whether the database holds a project the journal never heard of: a replay without the database would miss it. */
async function holdsUnknown(db: Database, records: JournalRecord[]): Promise<boolean> {
  const known = new Set(
    records.flatMap((r) => (r.t === 'base' ? Object.keys(r.revisions) : r.t === 'create' ? [r.id] : [])),
  );
  return Object.keys(await revisionsOf(db)).some((id) => !known.has(id));
}

/**
 * A change can have reached the database and not the journal when the process was killed between the two. Left out, a
 * later replay onto an older database would find a gap; so the journal is completed.
 */
async function noteMissing(db: Database, journal: Journal, records: JournalRecord[]): Promise<void> {
  if (!records.length) return;
  const last = new Map<string, number>();
  for (const r of records)
    if (r.t === 'base') for (const [id, revision] of Object.entries(r.revisions)) last.set(id, revision);
  for (const r of records) if (r.t === 'change') last.set(r.id, Math.max(last.get(r.id) ?? 0, r.revision));
  for (const r of records) if (r.t === 'create' && !last.has(r.id)) last.set(r.id, 0);
  const rows = await db
    .select()
    .from(schema.changes)
    .orderBy(asc(schema.changes.project), asc(schema.changes.revision));
  for (const c of rows) {
    const known = last.get(c.project);
    if (known === undefined || c.revision <= known) continue;
    journal.append({
      t: 'change',
      id: c.project,
      revision: c.revision,
      kind: c.kind,
      of: c.of,
      label: c.label,
      patch: c.patch,
      inverse: c.inverse,
      at: new Date(c.at).toISOString(),
    });
  }
}

async function writeBackup(
  folder: string,
  client: PGlite,
  db: Database,
  store: Store,
  journal: Journal,
): Promise<string> {
  await store.settled();
  const dir = join(folder, 'backups');
  mkdirSync(dir, { recursive: true });
  const blob = await client.dumpDataDir('gzip');
  const name = `woodbine-${new Date().toISOString().replace(/[:.]/g, '-')}.tar.gz`;
  const temporary = join(dir, `${name}.part`);
  writeFileSync(temporary, new Uint8Array(await blob.arrayBuffer()));
  const fd = openSync(temporary, 'r+');
  fsyncSync(fd);
  closeSync(fd);
  renameSync(temporary, join(dir, name));
  syncFolder(dir);
  journal.rotate(await revisionsOf(db));
  for (const old of backupsIn(dir).slice(0, -KEPT_BACKUPS)) rmSync(join(dir, old));
  return join(dir, name);
}
