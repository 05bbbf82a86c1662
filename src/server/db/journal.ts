import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, truncateSync, writeSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { type PatchOperation } from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/project.ts';

/** One acknowledged write. What the database lacks of these is done again at start. */
export type JournalRecord =
  | { t: 'base'; revisions: Record<string, number> }
  | { t: 'create'; id: string; document: ProjectDocument; at: string }
  | {
      t: 'change';
      id: string;
      revision: number;
      kind: 'do' | 'undo' | 'redo';
      of: number | null;
      label: string;
      patch: PatchOperation[];
      inverse: PatchOperation[];
      at: string;
    }
  | { t: 'delete'; id: string; at: string }
  | { t: 'restore'; id: string; at: string }
  /** A file's bytes lie on the disk; older versions wrote them into the journal. */
  | { t: 'file'; id: string; project: string; name: string; size: number; base64?: string; at: string };

/**
 * Append-only file of acknowledged writes, one JSON line each, flushed to the disk before the answer goes out, because
 * the embedded database itself never calls fsync.
 */
export class Journal {
  private fd: number;

  constructor(readonly file: string) {
    trimTail(file);
    this.fd = openSync(file, 'a');
    syncFolder(dirname(file));
  }

  append(record: JournalRecord): void {
    writeSync(this.fd, `${JSON.stringify(record)}\n`);
    fsyncSync(this.fd);
  }

  /** Starts a new journal after a backup holds everything up to `revisions`; the old one is kept beside it. */
  rotate(revisions: Record<string, number>): void {
    closeSync(this.fd);
    renameSync(this.file, `${this.file}.before`);
    this.fd = openSync(this.file, 'a');
    this.append({ t: 'base', revisions });
    syncFolder(dirname(this.file));
  }

  close(): void {
    closeSync(this.fd);
  }
}

/** A last line cut off by a power failure was never acknowledged: it is dropped so that the next line starts clean. */
function trimTail(file: string): void {
  if (!existsSync(file)) return;
  const bytes = readFileSync(file);
  const end = bytes.lastIndexOf(10) + 1;
  if (end < bytes.length) truncateSync(file, end);
}

export function readJournal(file: string): JournalRecord[] {
  if (!existsSync(file)) return [];
  const out: JournalRecord[] = [];
  for (const line of readFileSync(file, 'utf8').split('\n')) {
    if (!line) continue;
    try {
      out.push(JSON.parse(line) as JournalRecord);
    } catch {
      break;
    }
  }
  return out;
}

/** Flushes a folder entry, so that a file just made or renamed in it survives a power cut. */
export function syncFolder(folder: string): void {
  try {
    const fd = openSync(folder, 'r');
    fsyncSync(fd);
    closeSync(fd);
  } catch {
    // Some systems do not open folders; there the file's own fsync has to do.
  }
}

export const journalPath = (folder: string): string => join(folder, 'journal.jsonl');
