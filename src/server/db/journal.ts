import { join } from 'node:path';
import { type Disk, type DiskFile } from '../disk/disk.ts';
import { writeAll } from '../disk/files.ts';
import { NotKept } from './kept.ts';
import { type Entry, framed, type JournalRecord } from './record.ts';
import { type Damage, scan } from './segment.ts';

/** A file of the journal that has grown to this is followed by a new one, bytes. */
export const FULL = 64 * 1024 * 1024;

const NAME = /^(\d{12})\.jsonseq$/;

export const journalFolder = (folder: string): string => join(folder, 'journal');
export const nameOf = (first: number): string => `${String(first).padStart(12, '0')}.jsonseq`;

export interface Segment {
  name: string;
  /** The number of its first record. */
  first: number;
}

/** The journal's files, oldest first. */
export async function segmentsIn(disk: Disk, folder: string): Promise<Segment[]> {
  return (await disk.list(journalFolder(folder))).flatMap((name) => {
    const m = NAME.exec(name);
    return m ? [{ name, first: Number(m[1]) }] : [];
  });
}

/** Those of them that can hold a record after `seq`. */
export const since = (segments: Segment[], seq: number): Segment[] =>
  segments.filter((_, i) => (segments[i + 1]?.first ?? Number.POSITIVE_INFINITY) > seq + 1);

/** What was met while the journal was read. */
export interface Met {
  /** The number of the last record that was read, or `after`. */
  last: number;
  /** Where the last file's records end; null where that file is damaged, or there is none. */
  end: { name: string; at: number } | null;
  damages: (Damage & { name: string })[];
  /** Records that are known to be lacking, because the numbers leave them out. */
  lacking: number;
  /** When the record after the last gap was written (ISO); empty where that is not known. */
  gap: string;
}

const writtenAt = (r: JournalRecord): string => ('at' in r ? r.at : r.t === 'file' ? r.file.at : '');

/** Every readable record after `after`, in order, each once. */
export async function* readJournal(disk: Disk, folder: string, after: number, met: Met): AsyncGenerator<Entry> {
  met.last = after;
  const segments = await segmentsIn(disk, folder);
  for (const s of since(segments, after)) {
    const file = await disk.open(join(journalFolder(folder), s.name), 'read');
    met.end = { name: s.name, at: 0 };
    try {
      for await (const found of scan(file)) {
        if ('damage' in found) {
          met.damages.push({ ...found.damage, name: s.name });
          met.end = null;
          continue;
        }
        const { seq } = found.entry;
        if (met.end) met.end.at = found.to;
        if (seq <= met.last) continue;
        if (seq > met.last + 1) {
          met.lacking += seq - met.last - 1;
          met.gap = writtenAt(found.entry.record);
        }
        met.last = seq;
        yield found.entry;
      }
    } finally {
      await file.close();
    }
  }
  // Numbers that were given out are never given out again, even where their records are gone.
  met.last = Math.max(met.last, (segments.at(-1)?.first ?? 1) - 1);
}

export const nothingMet = (): Met => ({ last: 0, end: null, damages: [], lacking: 0, gap: '' });

/** Where acknowledged writes are kept for certain: the journal here, or the log of a database server. */
export interface ChangeLog {
  append(json: string): Promise<void>;
  takeBack(): Promise<void>;
  readonly last: number;
  readonly full: boolean;
  rotate(): Promise<void>;
  removeUpTo(seq: number): Promise<void>;
  /** What is in it is kept, whatever the database says; else the database alone can tell. */
  readonly certain: boolean;
}

/** A database server that flushes its own log before it answers needs no other. */
export const SERVERS_OWN: ChangeLog = {
  append: async () => undefined,
  takeBack: async () => undefined,
  last: 0,
  full: false,
  rotate: async () => undefined,
  removeUpTo: async () => undefined,
  certain: false,
};

/**
 * Append-only file of acknowledged writes, each flushed before anything else knows of it: the embedded database never
 * flushes by itself. Written at places of its own reckoning, so that what was refused is written over.
 */
export class Journal implements ChangeLog {
  readonly certain = true;
  /** Something was left behind the last good record that could not be taken away yet. */
  private torn = false;
  private before = 0;

  private constructor(
    private readonly disk: Disk,
    private readonly folder: string,
    private file: DiskFile,
    private length: number,
    private seq: number,
  ) {}

  /** Goes on where the reading ended; after damage in a new file. */
  static async open(disk: Disk, folder: string, met: Met): Promise<Journal> {
    const dir = journalFolder(folder);
    await disk.makeFolder(dir);
    if (met.end) {
      const file = await disk.open(join(dir, met.end.name), 'write');
      return new Journal(disk, folder, file, met.end.at, met.last);
    }
    return new Journal(disk, folder, await Journal.begin(disk, dir, met.last + 1), 0, met.last);
  }

  private static async begin(disk: Disk, dir: string, first: number): Promise<DiskFile> {
    const file = await disk.open(join(dir, nameOf(first)), 'new');
    await disk.syncFolder(dir);
    return file;
  }

  /** The number of the last record that is kept. */
  get last(): number {
    return this.seq;
  }

  get full(): boolean {
    return this.length >= FULL;
  }

  /** The record (its JSON text) is on the disk when this returns. Throws `NotKept` when it is not. */
  async append(json: string): Promise<void> {
    const bytes = framed(this.seq + 1, json);
    let whole = false;
    try {
      if (this.torn) await this.cut();
      await writeAll(this.file, bytes, this.length);
      whole = true;
      await this.file.sync();
    } catch (e) {
      const gone = await this.cut().then(
        () => true,
        () => false,
      );
      // A record written in part is none, whether or not its remains could be taken away.
      throw new NotKept(e, gone || !whole);
    }
    this.before = this.length;
    this.length += bytes.length;
    this.seq += 1;
  }

  /** Takes the last record away again, which the database would not have. Throws `NotKept`, not certain, if it stays. */
  async takeBack(): Promise<void> {
    [this.length, this.seq] = [this.before, this.seq - 1];
    try {
      await this.cut();
    } catch (e) {
      throw new NotKept(e, false);
    }
  }

  /** Takes away what lies behind the last good record. */
  private async cut(): Promise<void> {
    this.torn = true;
    await this.file.truncate(this.length);
    await this.file.sync();
    this.torn = false;
  }

  /** Goes on in a new file; the old ones stay until a backup holds all that is in them. */
  async rotate(): Promise<void> {
    if (!this.length) return;
    if (this.torn) await this.cut();
    const next = await Journal.begin(this.disk, journalFolder(this.folder), this.seq + 1);
    const old = this.file;
    [this.file, this.length] = [next, 0];
    await old.close();
  }

  /** Removes the files that hold no record after `seq`. */
  async removeUpTo(seq: number): Promise<void> {
    const all = await segmentsIn(this.disk, this.folder);
    const needed = new Set(since(all, seq).map((s) => s.name));
    for (const s of all.slice(0, -1))
      if (!needed.has(s.name)) await this.disk.remove(join(journalFolder(this.folder), s.name));
  }

  async close(): Promise<void> {
    await this.file.close();
  }
}
