import { and, eq, sql } from 'drizzle-orm';
import { applyPatch, CURRENT_SCHEMA, type PatchOperation, parseDocument } from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { type MadeChange, type MadeDocument } from '../work/made.ts';
import { type ChangeMeta, type ChangeRecord, type JournalRecord } from './record.ts';
import { type Db, insertProject, piecesIn } from './rows.ts';
import * as schema from './schema.ts';

export type Parsed = ReturnType<typeof parseDocument>;

/** A document of an older version is carried forward first: changes made since speak of what it holds now. */
export function forward(document: ProjectDocument): ProjectDocument {
  if (document.schema === CURRENT_SCHEMA) return document;
  const now = parseDocument(document);
  return now.ok ? now.document : document;
}

/** The document after a patch, validated; the given one is left alone. */
export function patched(document: ProjectDocument, patch: PatchOperation[]): Parsed {
  try {
    return parseDocument(applyPatch(forward(document), patch));
  } catch (e) {
    const message = String((e as Error).message).split('\n')[0] ?? '';
    return {
      ok: false,
      problems: [{ path: 'change', message: `the change does not fit the project: ${message.slice(0, 200)}` }],
    };
  }
}

export const changeRow = (r: ChangeRecord): typeof schema.changes.$inferInsert => {
  const { id, revision, kind, of, label, patch, inverse, at } = r;
  return { project: id, revision, kind, of, label, patch, inverse, at };
};

/** Carries out one acknowledged write, but for a change, for which the document has to be known. */
export async function applyRecord(db: Db, r: Exclude<JournalRecord, ChangeRecord>): Promise<void> {
  switch (r.t) {
    case 'create': {
      const { id, document, at } = r;
      const { name, garment } = document;
      const row = {
        id,
        name,
        garment,
        document,
        revision: 0,
        pieces: piecesIn(document),
        createdAt: at,
        updatedAt: at,
      };
      await db.insert(schema.projects).values(row).onConflictDoNothing();
      return;
    }
    case 'delete':
    case 'restore': {
      const set = { deleted: r.t === 'delete', updatedAt: r.at };
      await db.update(schema.projects).set(set).where(eq(schema.projects.id, r.id));
      return;
    }
    case 'brought': {
      const { name, garment } = r.document as ProjectDocument;
      await db.transaction((tx) => insertProject(tx, { ...r, name, garment, deleted: false, updatedAt: r.at }));
      return;
    }
    case 'file':
      await db.insert(schema.files).values(r.file).onConflictDoNothing();
      return;
    case 'notice':
      await db.insert(schema.notices).values(r.notice).onConflictDoNothing();
      return;
    case 'seen':
      await db.update(schema.notices).set({ seen: true }).where(eq(schema.notices.id, r.id));
      return;
    default:
      r satisfies never;
  }
}

/** Another process changed the project meanwhile: nothing was written. */
export class MovedOn extends Error {}

/** A text of ours as it is stored, in the place of a value that would be packed anew. */
const asStored = (text: string) => sql`${text}`;

export async function applyCreate(db: Db, id: string, at: string, made: MadeDocument): Promise<void> {
  const { name, garment, pieces, packed } = made;
  const document = asStored(packed);
  const row = { id, name, garment, document, revision: 0, pieces, createdAt: at, updatedAt: at };
  await db.insert(schema.projects).values(row as never);
}

/** A change of a project that stands at the revision before. */
export async function applyChange(db: Db, r: ChangeMeta, made: MadeChange): Promise<void> {
  await db.transaction(async (tx) => {
    const p = schema.projects;
    const { name, garment, pieces } = made;
    const set = { document: asStored(made.packed), name, garment, pieces, revision: r.revision, updatedAt: r.at };
    const done = await tx
      .update(p)
      .set(set as never)
      .where(and(eq(p.id, r.id), eq(p.revision, r.revision - 1)))
      .returning({ id: p.id });
    if (!done.length) throw new MovedOn('the project is not at the revision before');
    const { id, revision, kind, of, label, at } = r;
    const texts = { patch: asStored(made.packedPatch), inverse: asStored(made.packedInverse) };
    await tx.insert(schema.changes).values({ project: id, revision, kind, of, label, at, ...texts } as never);
    if (r.file) await tx.insert(schema.files).values(r.file).onConflictDoNothing();
  });
}
