import { createHash } from 'node:crypto';
import { type Notice, type PatchOperation } from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/document/project.ts';

export interface ChangeRecord {
  t: 'change';
  id: string;
  revision: number;
  kind: 'do' | 'undo' | 'redo';
  /** For undo and redo: the revision of the change taken back or done again. */
  of: number | null;
  label: string;
  patch: PatchOperation[];
  inverse: PatchOperation[];
  at: string;
  /** The uploaded file this change comes from; its bytes lie on the disk already. */
  file?: FileRow;
}

/** A change without its patches, which are written as they come. */
export type ChangeMeta = Omit<ChangeRecord, 'patch' | 'inverse'>;

/** A change as it is stored; `lost`: one that could not be read any more, with nothing in it. */
export type StoredChange = Omit<ChangeRecord, 't' | 'id' | 'kind' | 'file'> & { kind: ChangeRecord['kind'] | 'lost' };

export interface FileRow {
  id: string;
  project: string;
  name: string;
  /** Bytes. */
  size: number;
  /** SHA-256 of the bytes, hex; empty where an older version took the file in. */
  sum: string;
  at: string;
}

/** A project with all its changes, as it comes out of a backup. */
export interface BroughtRecord {
  t: 'brought';
  id: string;
  revision: number;
  document: unknown;
  createdAt: string;
  at: string;
  changes: StoredChange[];
}

/** One acknowledged write. What the database lacks of these is done again at start. */
export type JournalRecord =
  | { t: 'create'; id: string; document: ProjectDocument; at: string }
  | ChangeRecord
  | { t: 'delete'; id: string; at: string }
  | { t: 'restore'; id: string; at: string }
  | BroughtRecord
  | { t: 'file'; file: FileRow }
  | { t: 'notice'; notice: Notice }
  | { t: 'seen'; id: string };

export interface Entry {
  /** Counts up by one over the life of a data folder, from 1. */
  seq: number;
  record: JournalRecord;
}

/** Begins a record: as in RFC 7464 (JSON text sequences). It never stands within JSON, where it has to be escaped. */
export const BEGIN = 0x1e;
/** Longest head of a record, bytes. */
export const HEAD = 64;
/** A longer record is none: its length is damaged, bytes. */
export const LONGEST = 512 * 1024 * 1024;

const sumOf = (seq: number, json: Uint8Array | string): string =>
  createHash('sha256').update(`${seq},`).update(json).digest('hex').slice(0, 16);

/** JSON text of an object some of whose values are JSON text already. */
export const joined = (plain: object, ready: Record<string, string>): string =>
  `${JSON.stringify(plain).slice(0, -1)}${Object.entries(ready)
    .map(([k, v]) => `,${JSON.stringify(k)}:${v}`)
    .join('')}}`;

/** A record's JSON text as it lies in the file: a JSON text sequence of `[number, bytes of the record, checksum, record]`. */
export function framed(seq: number, json: string): Uint8Array {
  return Buffer.from(`\x1e[${seq},${Buffer.byteLength(json)},"${sumOf(seq, json)}",${json}]\n`);
}

const HEADING = /^\[(\d{1,15}),(\d{1,10}),"([0-9a-f]{16})",/;

/** What the head of a record says; null where none begins. `head` is its length in bytes. */
export function headOf(bytes: Uint8Array): { seq: number; length: number; sum: string; head: number } | null {
  const m = bytes[0] === BEGIN && HEADING.exec(Buffer.from(bytes.subarray(1, HEAD)).toString('latin1'));
  if (!m) return null;
  const length = Number(m[2]);
  return length > LONGEST ? null : { seq: Number(m[1]), length, sum: m[3] as string, head: m[0].length + 1 };
}

/** The record of a head, or null where its bytes are not what was written. */
export function bodyOf(seq: number, sum: string, json: Uint8Array): JournalRecord | null {
  if (sumOf(seq, json) !== sum) return null;
  return JSON.parse(Buffer.from(json).toString('utf8')) as JournalRecord;
}
