import { boolean, customType, integer, pgTable, primaryKey, text, timestamp } from 'drizzle-orm/pg-core';
import { type Notice, type PatchOperation } from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { pack, unpack } from './packed.ts';

const bytea = customType<{ data: Uint8Array }>({ dataType: () => 'bytea' });

/**
 * A document as JSON text, gzipped where it is large. The embedded database takes ten times as long to parse a large
 * pattern as jsonb, and nothing ever looks inside one by SQL.
 */
const packed = customType<{ data: unknown; driverData: string }>({
  dataType: () => 'text',
  toDriver: (value) => pack(JSON.stringify(value)),
  fromDriver: (text) => JSON.parse(unpack(text)),
});

/** One row a project: the decisions as one document, and how often it was changed. */
export const projects = pgTable('projects', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  garment: text('garment').notNull(),
  document: packed('document').$type<ProjectDocument>().notNull(),
  revision: integer('revision').notNull(),
  deleted: boolean('deleted').notNull().default(false),
  /** How many pieces the pattern has: for the shelf, which opens no document. Null where it was not counted yet. */
  pieces: integer('pieces'),
  createdAt: timestamp('created_at', { withTimezone: true, mode: 'string' }).notNull(),
  updatedAt: timestamp('updated_at', { withTimezone: true, mode: 'string' }).notNull(),
});

/** Append-only: every acknowledged change with what undoes it. */
export const changes = pgTable(
  'changes',
  {
    project: text('project').notNull(),
    revision: integer('revision').notNull(),
    /** `lost`: a change that could not be read any more; what came after it stands. */
    kind: text('kind').$type<'do' | 'undo' | 'redo' | 'lost'>().notNull(),
    /** For undo and redo: the revision of the change taken back or done again. */
    of: integer('of'),
    label: text('label').notNull(),
    patch: packed('patch').$type<PatchOperation[]>().notNull(),
    inverse: packed('inverse').$type<PatchOperation[]>().notNull(),
    at: timestamp('at', { withTimezone: true, mode: 'string' }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.project, t.revision] })],
);

/** Files as uploaded. The name is only a label; the bytes lie on the disk (`Originals`), those of older versions here. */
export const files = pgTable('files', {
  id: text('id').primaryKey(),
  project: text('project').notNull(),
  name: text('name').notNull(),
  bytes: bytea('bytes'),
  size: integer('size').notNull().default(0),
  /** SHA-256 of the bytes, hex; empty where an older version took the file in. */
  sum: text('sum').notNull().default(''),
  at: timestamp('at', { withTimezone: true, mode: 'string' }).notNull(),
});

/** What is to be told about the data itself, until it has been read. */
export const notices = pgTable('notices', {
  id: text('id').primaryKey(),
  code: text('code').notNull(),
  data: packed('data').$type<Notice['data']>().notNull(),
  at: timestamp('at', { withTimezone: true, mode: 'string' }).notNull(),
  seen: boolean('seen').notNull().default(false),
});

/** The bytes of uploaded files, where several processes share a database server; else they lie on the disk. */
export const originals = pgTable('originals', {
  id: text('id').primaryKey(),
  bytes: bytea('bytes').notNull(),
});
