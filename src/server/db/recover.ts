import { join } from 'node:path';
import { type Notice } from '../../contract/index.ts';
import { manifestIn, openBackup } from '../backup/unpack.ts';
import { type Disk } from '../disk/disk.ts';
import { putWhole } from '../disk/files.ts';
import { type Expected, expectedOf, faultOf, noteExpected } from './check.ts';
import { type Database, type DatabasePlace } from './database.ts';
import { journalFolder, type Met, nothingMet, readJournal } from './journal.ts';
import { type JournalRecord } from './record.ts';
import { type Lost, Replay } from './replay.ts';
import { load } from './rows.ts';

export type Told = Pick<Notice, 'code' | 'data'>;

export interface Recovered {
  database: Database;
  met: Met;
  told: Told[];
}

export interface Recovery {
  disk: Disk;
  folder: string;
  place: DatabasePlace;
  /** Paths of the backups, newest first. */
  backups: string[];
  /** Records of a journal of an older version. */
  old: JournalRecord[];
}

interface Tried {
  database: Database;
  met: Met;
  lost: Lost[];
  /** The database had everything already that the journal holds: what the journal lacks is in it then. */
  ahead: boolean;
  fault: string | null;
}

const baseName = (path: string): string => path.split(/[\\/]/).pop() ?? path;

const NO_DATABASE = 'No database can be made in the data folder. Nothing in it was changed.';

/** Lays the journal after `after` on a database, and looks whether all is there that has to be. */
async function lay(r: Recovery, database: Database, expected: Expected, after: number): Promise<Tried> {
  const met = nothingMet();
  const replay = await Replay.on(database.db);
  for (const record of r.old) await replay.take(record);
  for await (const { record } of journalOf(r, after, met)) {
    noteExpected(expected, record);
    await replay.take(record);
  }
  const lost = await replay.end();
  return { database, met, lost, ahead: replay.laid === 0, fault: await faultOf(database.db, expected) };
}

/** The journal is there and the disk does not give it: nothing is judged by that, nothing put aside. */
class Unreachable extends Error {}

async function* journalOf(r: Recovery, after: number, met: Met) {
  try {
    yield* readJournal(r.disk, r.folder, after, met);
  } catch (e) {
    throw new Unreachable(
      `The journal cannot be read: ${(e as Error).message}. Nothing was changed; start Woodbine again.`,
    );
  }
}

/** Does the work; null where it fails, with the database closed again. */
async function attempt(r: Recovery, work: (d: Database) => Promise<Tried>): Promise<Tried | null> {
  let database: Database | null = null;
  try {
    database = await r.place.open();
    return await work(database);
  } catch (e) {
    await database?.close().catch(() => undefined);
    if (e instanceof Unreachable) throw e;
    return null;
  }
}

const closed = async (t: Tried | null): Promise<void> => {
  await t?.database.close().catch(() => undefined);
};

/** The newest backup whose list of what is in it can be read, and which ones cannot. */
async function newestList(r: Recovery) {
  for (const path of r.backups) {
    const manifest = await manifestIn(r.disk, path).catch(() => null);
    if (manifest) return manifest;
  }
  return null;
}

/**
 * The database with everything that was acknowledged: the one that is there, if all of it can be read and nothing is
 * lacking; else made anew from the newest backup that loads, else the one before, else from the journal alone. A
 * database that does not pass is put aside, never thrown away.
 */
export async function recover(r: Recovery): Promise<Recovered> {
  const told: Told[] = [];
  const list = await newestList(r);
  const had = r.place.there();
  // Nothing there, nothing to make it from: a first start.
  const first = !had && !list && !(await r.disk.list(journalFolder(r.folder))).length && !r.old.length;
  if (had || first) {
    const now = await attempt(r, (d) => lay(r, d, expectedOf(list), list?.seq ?? 0));
    if (now && !now.fault) return ended(r, now, told);
    await closed(now);
  }
  const aside = had ? await r.place.putAside() : null;
  for (const path of r.backups) {
    const backup = await openBackup(r.disk, path).catch(() => null);
    const made =
      backup &&
      (await attempt(r, async (d) => {
        await load(d.db, backup);
        return { ...(await lay(r, d, expectedOf(backup.manifest), backup.manifest.seq)), ahead: false };
      }));
    if (made && !made.fault) {
      told.push({
        code: 'database-rebuilt',
        data: { from: backup?.manifest.at ?? '', aside: aside ? baseName(aside) : '' },
      });
      return ended(r, made, told);
    }
    told.push({ code: 'backup-damaged', data: { name: baseName(path) } });
    await closed(made);
    await r.place.remove();
  }
  const alone = await attempt(r, (d) => lay(r, d, expectedOf(null), 0));
  if (alone && (!aside || (!alone.met.lacking && !alone.lost.length))) {
    told.push({ code: 'database-rebuilt', data: { from: '', aside: aside ? baseName(aside) : '' } });
    return ended(r, alone, told);
  }
  await closed(alone);
  if (!aside) throw new Error(NO_DATABASE);
  return lastResort(r, told);
}

/** No backup loads and the journal does not reach back to the beginning: the database as far as it can be read. */
async function lastResort(r: Recovery, told: Told[]): Promise<Recovered> {
  await r.place.bringBack();
  const list = await newestList(r);
  const now = await attempt(r, (d) => lay(r, d, expectedOf(list), list?.seq ?? 0));
  if (now) {
    told.push({ code: 'database-incomplete', data: { fault: now.fault ?? '' } });
    return ended(r, now, told);
  }
  const aside = (await r.place.putAside()) ?? '';
  const alone = await attempt(r, (d) => lay(r, d, expectedOf(null), 0));
  if (!alone)
    throw new Error(`The database cannot be read or made anew. It lies in ${aside}; nothing of it was changed.`);
  told.push({ code: 'database-rebuilt', data: { from: '', aside: baseName(aside) } });
  return ended(r, alone, told);
}

const ended = async (r: Recovery, t: Tried, told: Told[]): Promise<Recovered> => ({
  database: t.database,
  met: t.met,
  told: await tellOf(r, t, told),
});

/** A name in the journal's folder that nothing bears yet: what was put aside before stays. */
async function freeName(r: Recovery, name: string): Promise<string> {
  const taken = new Set(await r.disk.list(journalFolder(r.folder)));
  for (let n = 1; ; n++) {
    const free = n === 1 ? `${name}.bin` : `${name}-${n}.bin`;
    if (!taken.has(free)) return free;
  }
}

/** What of the journal could not be read is put aside, and told with what is lost by it. */
async function tellOf(r: Recovery, t: Tried, told: Told[]): Promise<Told[]> {
  const { damages, last } = t.met;
  if (damages.length) {
    const bytes = damages.reduce((n, d) => n + d.to - d.from, 0);
    const name = await freeName(r, `unreadable-after-${last}`);
    const parts: Uint8Array[] = [];
    for (const d of damages) {
      const file = await r.disk.open(join(journalFolder(r.folder), d.name), 'read');
      parts.push(await file.read(d.from, d.to - d.from));
      await file.close();
    }
    await putWhole(r.disk, join(journalFolder(r.folder), name), Buffer.concat(parts));
    told.push({ code: 'journal-damaged', data: { bytes, name, end: t.met.end || t.ahead ? 0 : 1 } });
  }
  const known = t.lost.reduce((n, l) => n + l.count, 0);
  if (!t.ahead && t.met.lacking > known)
    told.push({ code: 'records-lost', data: { count: t.met.lacking - known, before: t.met.gap } });
  for (const l of t.lost)
    told.push({ code: 'changes-lost', data: { project: l.project, name: l.name, count: l.count } });
  return told;
}
