import { asc, desc, eq, isNull, sql } from 'drizzle-orm';
import { type PgDatabase, type PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { type Summary } from '../../contract/index.ts';
import { type Item, type ProjectItem } from '../backup/pack.ts';
import { type Backup, type ProjectBack } from '../backup/unpack.ts';
import { unpack } from './packed.ts';
import { type FileRow } from './record.ts';
import * as schema from './schema.ts';
import { type StoredFile } from './stored.ts';

export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;

const iso = (at: string): string => new Date(at).toISOString();

/** JSON text as it is stored, not parsed. */
const raw = (column: unknown) => sql<string>`${column}`.mapWith((t: string) => unpack(t));

/** How far each project has come. */
export async function revisionsOf(db: Db): Promise<Map<string, { revision: number; deleted: boolean }>> {
  const { id, revision, deleted } = schema.projects;
  const rows = await db.select({ id, revision, deleted }).from(schema.projects);
  return new Map(rows.map((r) => [r.id, { revision: r.revision, deleted: r.deleted }]));
}

/** A project as it is stored, with its changes or without. */
export async function projectItem(db: Db, id: string, whole = true): Promise<ProjectItem | null> {
  // One transaction: the project and its changes as they were at one moment.
  return db.transaction(async (tx) => {
    const p = schema.projects;
    const { name, garment, revision, deleted, createdAt, updatedAt } = p;
    const columns = { id: p.id, name, garment, revision, deleted, createdAt, updatedAt, document: raw(p.document) };
    const [row] = await tx.select(columns).from(p).where(eq(p.id, id));
    if (!row) return null;
    const c = schema.changes;
    const changes = !whole
      ? []
      : await tx
          .select({
            revision: c.revision,
            kind: c.kind,
            of: c.of,
            label: c.label,
            at: c.at,
            patch: raw(c.patch),
            inverse: raw(c.inverse),
          })
          .from(c)
          .where(eq(c.project, id))
          .orderBy(asc(c.revision));
    return {
      ...row,
      t: 'project' as const,
      createdAt: iso(row.createdAt),
      updatedAt: iso(row.updatedAt),
      changes: changes.map((x) => ({ ...x, at: iso(x.at) })),
    };
  });
}

/** Everything of the database, a project at a time, for a backup; or of these projects alone, with their files' bytes. */
export async function* itemsOf(
  db: Db,
  only?: string[],
  bytesOf?: (file: FileRow) => Promise<Uint8Array | null>,
): AsyncGenerator<Item> {
  const ids = only ?? [...(await revisionsOf(db)).keys()].sort();
  for (const id of ids) {
    const item = await projectItem(db, id);
    if (item) yield item;
  }
  const { id, project, name, size, sum, at } = schema.files;
  const files = await db.select({ id, project, name, size, sum, at }).from(schema.files).orderBy(asc(id));
  for (const f of files) {
    if (only && !only.includes(f.project)) continue;
    const file = { ...f, at: iso(f.at) };
    const bytes = await bytesOf?.(file);
    yield bytes ? { t: 'file', file, bytes } : { t: 'file', file };
  }
  if (only) return;
  for (const n of await db.select().from(schema.notices).where(eq(schema.notices.seen, false)))
    yield { t: 'notice', notice: { id: n.id, code: n.code, data: n.data, at: iso(n.at) } };
}

/** Rows are put in this many at a time. */
const BATCH = 200;

export async function insertChanges(db: Db, rows: (typeof schema.changes.$inferInsert)[]): Promise<void> {
  for (let i = 0; i < rows.length; i += BATCH)
    await db
      .insert(schema.changes)
      .values(rows.slice(i, i + BATCH))
      .onConflictDoNothing();
}

export const piecesIn = (document: unknown): number =>
  (document as { shell?: { pieces?: unknown[] } | null })?.shell?.pieces?.length ?? 0;

/** A project and its changes as a backup holds them, where the database has none of that name. */
export async function insertProject(db: Db, p: ProjectBack): Promise<void> {
  const { id, name, garment, revision, deleted, createdAt, updatedAt } = p;
  const document = p.document as typeof schema.projects.$inferInsert.document;
  const row = { id, name, garment, revision, deleted, createdAt, updatedAt, document, pieces: piecesIn(document) };
  await db.insert(schema.projects).values(row).onConflictDoNothing();
  await insertChanges(
    db,
    p.changes.map((c) => ({ ...c, project: id })),
  );
}

/** Fills an empty database from a backup. */
export async function load(db: Db, b: Backup): Promise<void> {
  for (const { id } of b.manifest.projects) await insertProject(db, b.project(id));
  for (const f of b.files()) await db.insert(schema.files).values(f).onConflictDoNothing();
  for (const n of b.notices()) await db.insert(schema.notices).values(n).onConflictDoNothing();
}

/** Counts the pieces of projects an older version wrote. */
export async function countPieces(db: Db): Promise<void> {
  const { id, document, pieces } = schema.projects;
  for (const row of await db.select({ id }).from(schema.projects).where(isNull(pieces))) {
    const [held] = await db.select({ document }).from(schema.projects).where(eq(id, row.id));
    await db
      .update(schema.projects)
      .set({ pieces: piecesIn(held?.document) })
      .where(eq(id, row.id));
  }
}

/** The files a project's pieces were read from, newest first. */
export async function filesOf(db: Db, of: string): Promise<StoredFile[]> {
  const { id, project, name, size, at } = schema.files;
  const rows = await db.select({ id, name, size, at }).from(schema.files).where(eq(project, of)).orderBy(desc(at));
  return rows.map((f) => ({ ...f, at: iso(f.at) }));
}

/** The projects on the shelf, the one that was changed last first. */
export async function summariesOf(db: Db): Promise<Summary[]> {
  const { id, name, garment, revision, pieces, updatedAt, deleted } = schema.projects;
  const rows = await db
    .select({ id, name, garment, revision, pieces, updatedAt })
    .from(schema.projects)
    .where(eq(deleted, false))
    .orderBy(desc(updatedAt));
  return rows.map((r) => ({ ...r, pieces: r.pieces ?? 0, updatedAt: new Date(r.updatedAt).toISOString() }));
}
