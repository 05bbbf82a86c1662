import { and, eq, sql } from 'drizzle-orm';
import { type Saving } from '../../contract/index.ts';
import { type Disk } from '../disk/disk.ts';
import { tryWriting } from '../disk/files.ts';
import { applyRecord, MovedOn } from './apply.ts';
import { type ChangeLog } from './journal.ts';
import { NotKept, whyOf } from './kept.ts';
import { type ChangeRecord, type JournalRecord } from './record.ts';
import { type Db } from './rows.ts';
import * as schema from './schema.ts';

/** What of a record tells whether the database has it. */
type Named = { t: JournalRecord['t']; id?: string; revision?: number; label?: string; at?: string };

/** With less room than this on the disk nothing more is written: the database itself needs some to go on (bytes). */
export const ROOM = 32 * 1024 * 1024;

/** What was asked of a database that was opened anew so shortly ago may have failed for that (ms). */
const MOMENT = 5000;

export const NO_ROOM = Object.assign(new Error('there is too little room'), { code: 'ENOSPC' });

export interface WriterParts {
  db: Db;
  journal: ChangeLog;
  disk: Disk;
  folder: string;
  /** Opens the database anew, when it no longer answers. */
  reopen: () => Promise<Db>;
}

/**
 * Puts writes down, one after another: into the journal, flushed, then into the database. What can't be put into both is
 * in neither.
 */
export class Writer {
  private queue: Promise<unknown> = Promise.resolve();
  /** When the database was last opened anew, as a time. */
  private revived = 0;
  private apart: Promise<unknown> = Promise.resolve();
  /** Whether anything could be written down when it was last tried. */
  saving: Saving = 'ok';
  /** Called when the journal has grown so long that a backup is due. */
  onFull: () => void = () => undefined;

  constructor(protected readonly p: WriterParts) {}

  protected one<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }

  /** Long work of which only one goes on at a time; writes go on beside it. */
  alone<T>(work: () => Promise<T>): Promise<T> {
    const next = this.apart.then(work, work);
    this.apart = next.catch(() => undefined);
    return next;
  }

  /** Waits until everything asked so far has been written. */
  async settled(): Promise<void> {
    await this.alone(async () => undefined);
    await this.one(async () => undefined);
  }

  /** Begins a new journal file. Gives the number of the last record before it. */
  rotate(): Promise<number> {
    return this.one(async () => {
      await this.p.journal.rotate();
      return this.p.journal.last;
    });
  }

  protected async full(): Promise<boolean> {
    return this.p.journal.certain && (await this.p.disk.free(this.p.folder).catch(() => ROOM)) < ROOM;
  }

  private async tried(): Promise<void> {
    if (this.p.journal.certain) await tryWriting(this.p.disk, this.p.folder);
    else await this.p.db.update(schema.notices).set({ seen: true }).where(eq(schema.notices.id, ''));
  }

  /** Looks whether anything can be saved; where it could not, by trying. */
  async canSave(): Promise<Saving> {
    if (await this.full()) this.saving = 'disk-full';
    else if (this.saving !== 'ok')
      this.saving = await this.tried().then(
        () => 'ok' as const,
        (e) => whyOf(e),
      );
    return this.saving;
  }

  /** Writes a record down and carries it out. Throws `NotKept`, and then it is nowhere. */
  protected commit(record: Exclude<JournalRecord, ChangeRecord>): Promise<void> {
    return this.kept(record, JSON.stringify(record), () => applyRecord(this.p.db, record));
  }

  protected async kept(record: Named, json: string, apply: () => Promise<void>): Promise<void> {
    try {
      if (await this.full()) throw new NotKept(NO_ROOM, true);
      await this.p.journal.append(json);
      await apply().catch((e) => this.notApplied(record, e));
      this.saving = 'ok';
      if (this.p.journal.full) this.onFull();
    } catch (e) {
      if (e instanceof NotKept) this.saving = e.why;
      throw e;
    }
  }

  /** The database did not take what is written down already: if it is not there after all, it is struck out again. */
  private async notApplied(record: Named, cause: unknown): Promise<void> {
    if (cause instanceof MovedOn) {
      await this.p.journal.takeBack();
      throw cause;
    }
    const has = await this.has(record).catch(() => null);
    if (has) return;
    await this.p.journal.takeBack();
    if (has === null) this.p.db = await this.p.reopen();
    throw new NotKept(cause, this.p.journal.certain || has === false);
  }

  private readonly answers = (): Promise<boolean> =>
    this.p.db.execute(sql`select 1`).then(
      () => true,
      () => false,
    );

  /**
   * Looks after something failed: a database that does not answer is opened anew. True where that was so, or a moment
   * ago: what failed may be asked again.
   */
  async revive(): Promise<boolean> {
    if (!(await this.answers()))
      await this.one(async () => {
        if (await this.answers()) return;
        this.p.db = await this.p.reopen();
        this.revived = Date.now();
      });
    return Date.now() - this.revived < MOMENT;
  }

  private async has(record: Named): Promise<boolean> {
    if (record.id === undefined) return false;
    if (record.t === 'change') {
      const { project, revision, at, label } = schema.changes;
      const [row] = await this.p.db
        .select({ at, label })
        .from(schema.changes)
        .where(and(eq(project, record.id), eq(revision, record.revision ?? 0)));
      return row !== undefined && row.label === record.label && Date.parse(row.at) === Date.parse(record.at ?? '');
    }
    const { deleted } = schema.projects;
    const [row] = await this.p.db.select({ deleted }).from(schema.projects).where(eq(schema.projects.id, record.id));
    if (record.t === 'create' || record.t === 'brought') return row !== undefined;
    return row?.deleted === (record.t === 'delete');
  }
}
