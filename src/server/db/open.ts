import { join } from 'node:path';
import { Backups } from '../backup/backups.ts';
import { type BackupTools, toolsHere } from '../backup/tools.ts';
import { type Disk, realDisk } from '../disk/disk.ts';
import { removeParts, tryWriting } from '../disk/files.ts';
import { Works } from '../work/run.ts';
import { type DatabasePlace, embedded, inMemory } from './database.ts';
import { type ChangeLog, Journal, journalFolder } from './journal.ts';
import { whyOf } from './kept.ts';
import { lockPatiently } from './lock.ts';
import { oldRecords, putOldAway } from './oldjournal.ts';
import { type Originals, OriginalsOnDisk } from './originals.ts';
import { type Recovered, recover } from './recover.ts';
import { countPieces, itemsOf } from './rows.ts';
import { Store } from './store.ts';
import { ROOM } from './writer.ts';

export interface Opened {
  store: Store;
  backups: Backups;
  originals: Originals;
  /** Takes a backup of everything and lets go of the journal before the oldest one kept. Gives its path. */
  backup: () => Promise<string>;
  close: () => Promise<void>;
}

export interface OpenOptions {
  folder: string;
  migrations: string;
  now?: () => string;
  newId?: () => string;
  say?: (line: string) => void;
  disk?: Disk;
  place?: DatabasePlace;
  tools?: BackupTools;
  works?: Works;
  /** How long another process that holds the folder is waited for, ms: one that was just killed takes a moment. */
  patience?: number;
}

/** Why nothing can be kept in the folder, as a sentence; null where all is well. */
async function unwritable(disk: Disk, folder: string): Promise<string | null> {
  try {
    await disk.makeFolder(folder);
    await tryWriting(disk, folder);
    return (await disk.free(folder)) < ROOM ? FULL : null;
  } catch (e) {
    if (whyOf(e) === 'disk-full') return FULL;
    return `The data folder ${folder} cannot be written: ${(e as Error).message}. Make it writable, or set WOODBINE_DATA to another folder. Nothing was changed.`;
  }
}

const FULL = 'The disk is full, so nothing could be saved. Make room and start Woodbine again. Nothing was changed.';

/**
 * Opens the store of a data folder: takes its lock, clears away what was being written, brings the database to where the
 * journal says it has to be (or makes it anew), and tells what was met on the way.
 */
export async function openStore(o: OpenOptions): Promise<Opened> {
  const disk = o.disk ?? realDisk;
  const now = o.now ?? (() => new Date().toISOString());
  const bad = await unwritable(disk, o.folder);
  if (bad) throw new Error(bad);
  const lock = await lockPatiently(o.folder, o.patience ?? 0);
  try {
    return await opened(o, disk, now, lock.release);
  } catch (e) {
    await lock.release();
    throw e;
  }
}

async function opened(o: OpenOptions, disk: Disk, now: () => string, release: () => Promise<void>): Promise<Opened> {
  const { folder } = o;
  const originals = await OriginalsOnDisk.in(disk, folder);
  const tools = o.tools ?? toolsHere(disk, () => inMemory(o.migrations));
  const backups = new Backups(disk, folder, tools, now);
  await backups.prepare();
  await disk.makeFolder(journalFolder(folder));
  await removeParts(disk, [
    folder,
    originals.folder,
    backups.folder,
    join(backups.folder, 'originals'),
    journalFolder(folder),
  ]);
  const place = o.place ?? embedded(folder, o.migrations);
  const old = await oldRecords(disk, folder, originals);
  const bring = async (): Promise<Recovered> => {
    const made = await recover({ disk, folder, place, backups: await backups.paths(), old });
    for (const t of made.told) o.say?.(`${t.code} ${JSON.stringify(t.data)}`);
    return made;
  };
  let made = await bring();
  const journal = await Journal.open(disk, folder, made.met);
  const reopen = async () => {
    await made.database.close().catch(() => undefined);
    made = await bring();
    return made.database.db;
  };
  const works = o.works ?? new Works(null);
  const newId = o.newId ?? (() => crypto.randomUUID());
  const store = new Store({
    db: made.database.db,
    journal,
    originals,
    backups,
    disk,
    folder,
    now,
    newId,
    reopen,
    works,
  });
  const noBackup = (e: Error) => o.say?.(`No backup could be taken: ${e.message}`);
  // A database that was not tidied up is a larger one, no worse.
  const compact = () => made.database.compact?.().catch(() => undefined);
  const backup = () => takeBackup(store, journal, backups, originals, compact);
  let due = false;
  store.onFull = () => {
    if (due) return;
    due = true;
    void backup()
      .catch(noBackup)
      .finally(() => {
        due = false;
      });
  };
  await countPieces(store.db);
  // What was met is told, and not met again: a backup now holds what was brought back.
  for (const t of made.told) await store.tell(t.code, t.data);
  const alone = !(await backups.paths()).length && made.met.lacking > 0 && (await store.any());
  // The shelf does not wait for it.
  if (made.told.length || old.length || alone)
    void takeBackup(store, journal, backups, originals, () =>
      old.length ? putOldAway(disk, folder) : undefined,
    ).catch(noBackup);
  const close = async (): Promise<void> => {
    await store.settled();
    await journal.close();
    await made.database.close();
    await release();
  };
  return { store, backups, originals, backup, close };
}

/** One after another: two at a time would let go of what the other still needs. */
export async function takeBackup(
  store: Store,
  journal: ChangeLog,
  backups: Backups,
  originals: Originals,
  then: () => Promise<void> | undefined = () => undefined,
): Promise<string> {
  return store.alone(async () => {
    const seq = await store.rotate();
    const path = await backups.take(itemsOf(store.db), seq, originals);
    await journal.removeUpTo(await backups.reach());
    await then();
    return path;
  });
}
