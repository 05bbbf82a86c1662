import { and, eq } from 'drizzle-orm';
import jsonpatch, { type Operation } from 'fast-json-patch';
import { CURRENT_SCHEMA, type PatchOperation, parseDocument } from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/project.ts';
import { type ChangeRecord, type JournalRecord } from './record.ts';
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
    const copy = structuredClone(forward(document));
    return parseDocument(jsonpatch.applyPatch(copy, structuredClone(patch) as Operation[], true).newDocument);
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

/** Carries out one acknowledged write. `ready` is the document after a change, where it is known. */
export async function applyRecord(db: Db, r: JournalRecord, ready?: ProjectDocument): Promise<void> {
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
    case 'change':
      if (ready) await applyChange(db, r, ready);
      return;
    default:
      r satisfies never;
  }
}

async function applyChange(db: Db, r: ChangeRecord, document: ProjectDocument): Promise<void> {
  await db.transaction(async (tx) => {
    const p = schema.projects;
    const { name, garment } = document;
    const set = { document, name, garment, pieces: piecesIn(document), revision: r.revision, updatedAt: r.at };
    await tx
      .update(p)
      .set(set)
      .where(and(eq(p.id, r.id), eq(p.revision, r.revision - 1)));
    await tx.insert(schema.changes).values(changeRow(r));
    if (r.file) await tx.insert(schema.files).values(r.file).onConflictDoNothing();
  });
}
