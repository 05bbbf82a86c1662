import { and, asc, desc, eq } from 'drizzle-orm';
import { type PgliteDatabase } from 'drizzle-orm/pglite';
import jsonpatch, { type Operation } from 'fast-json-patch';
import {
  CURRENT_SCHEMA,
  type HistoryEntry,
  type PatchOperation,
  parseDocument,
  type Summary,
} from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/project.ts';
import { type Journal, type JournalRecord } from './journal.ts';
import { type Originals } from './originals.ts';
import * as schema from './schema.ts';

type Db = PgliteDatabase<typeof schema>;

export interface Stored {
  id: string;
  revision: number;
  document: ProjectDocument;
}

export interface Steps {
  undo: string | null;
  redo: string | null;
}

export interface StoredFile {
  id: string;
  name: string;
  /** Bytes. */
  size: number;
  at: string;
}

/** A stored project that does not fit the contract: what is wrong with it, and where. */
export class Unreadable extends Error {
  constructor(
    readonly project: string,
    readonly problems: { path: string; message: string }[],
  ) {
    super(`the project ${project} cannot be read`);
  }
}

/** Why a write was not done. */
export type Refused =
  | { ok: false; why: 'missing' }
  | { ok: false; why: 'stale'; revision: number; since: HistoryEntry[] }
  | { ok: false; why: 'invalid'; problems: { path: string; message: string }[] }
  | { ok: false; why: 'nothing' };

type Written = { ok: true; stored: Stored } | Refused;

export interface StoreParts {
  db: Db;
  journal: Journal;
  originals: Originals;
  now: () => string;
  newId: () => string;
}

/** Longest history that is looked through for undo. */
const HISTORY = 5000;

/** Projects, their changes and files. Writes go one after another: database first, then the journal, then the answer. */
export class Store {
  private queue: Promise<unknown> = Promise.resolve();
  constructor(private readonly p: StoreParts) {}

  private one<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }

  /** Waits until everything asked so far has been written. */
  settled(): Promise<void> {
    return this.one(async () => undefined);
  }

  async list(): Promise<Summary[]> {
    const rows = await this.p.db
      .select()
      .from(schema.projects)
      .where(eq(schema.projects.deleted, false))
      .orderBy(desc(schema.projects.updatedAt));
    return rows.map((r) => ({
      id: r.id,
      name: r.name,
      garment: r.garment,
      revision: r.revision,
      pieces: r.document?.shell?.pieces?.length ?? 0,
      updatedAt: new Date(r.updatedAt).toISOString(),
    }));
  }

  async get(id: string): Promise<Stored | null> {
    const [row] = await this.p.db
      .select()
      .from(schema.projects)
      .where(and(eq(schema.projects.id, id), eq(schema.projects.deleted, false)));
    if (!row) return null;
    const parsed = parseDocument(row.document);
    // Kept as it is, told, and never handed out as if it were one.
    if (!parsed.ok) throw new Unreadable(row.name, parsed.problems);
    return { id, revision: row.revision, document: parsed.document };
  }

  create(document: ProjectDocument): Promise<Stored> {
    return this.one(async () => {
      const record: JournalRecord = { t: 'create', id: this.p.newId(), document, at: this.p.now() };
      await applyRecord(this.p.db, record);
      this.p.journal.append(record);
      return { id: record.id, revision: 0, document };
    });
  }

  remove(id: string): Promise<boolean> {
    return this.one(async () => {
      const [row] = await this.p.db
        .select({ id: schema.projects.id })
        .from(schema.projects)
        .where(and(eq(schema.projects.id, id), eq(schema.projects.deleted, false)));
      if (!row) return false;
      const record: JournalRecord = { t: 'delete', id, at: this.p.now() };
      await applyRecord(this.p.db, record);
      this.p.journal.append(record);
      return true;
    });
  }

  /** Puts a deleted project back on the shelf; false where there is none. */
  restore(id: string): Promise<boolean> {
    return this.one(async () => {
      const [row] = await this.p.db
        .select({ id: schema.projects.id })
        .from(schema.projects)
        .where(and(eq(schema.projects.id, id), eq(schema.projects.deleted, true)));
      if (!row) return false;
      const record: JournalRecord = { t: 'restore', id, at: this.p.now() };
      await applyRecord(this.p.db, record);
      this.p.journal.append(record);
      return true;
    });
  }

  async addFile(project: string, name: string, bytes: Uint8Array): Promise<string> {
    const [id, at] = [this.p.newId(), this.p.now()];
    await this.p.originals.put(id, bytes);
    return this.one(async () => {
      const record: JournalRecord = { t: 'file', id, project, name: name.slice(0, 200), size: bytes.length, at };
      await applyRecord(this.p.db, record);
      this.p.journal.append(record);
      return id;
    });
  }

  /** The files a project's pieces were read from, newest first. */
  async files(project: string): Promise<StoredFile[]> {
    const { id, name, size, at } = schema.files;
    const rows = await this.p.db
      .select({ id, name, size, at })
      .from(schema.files)
      .where(eq(schema.files.project, project))
      .orderBy(desc(at));
    return rows.map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
  }

  /** One of a project's files with its bytes; null where it has none of that id. */
  async file(project: string, id: string): Promise<{ name: string; bytes: Uint8Array } | null> {
    const [row] = await this.p.db
      .select()
      .from(schema.files)
      .where(and(eq(schema.files.project, project), eq(schema.files.id, id)));
    const bytes = row && ((await this.p.originals.get(id)) ?? row.bytes);
    return row && bytes ? { name: row.name, bytes } : null;
  }

  /** Applies a patch made on `revision`; refuses a stale or invalid one without storing anything. */
  change(id: string, revision: number, label: string, patch: PatchOperation[]): Promise<Written> {
    return this.one(() => this.write(id, revision, 'do', null, label, patch));
  }

  /** Replaces the whole document by one made from the current one, as one change. */
  update(id: string, label: string, make: (doc: ProjectDocument) => ProjectDocument): Promise<Written> {
    return this.one(async () => {
      const stored = await this.get(id);
      if (!stored) return { ok: false, why: 'missing' };
      const next = make(stored.document);
      const patch = jsonpatch.compare(stored.document, next) as PatchOperation[];
      if (!patch.length) return { ok: true, stored };
      return this.write(id, stored.revision, 'do', null, label, patch, next);
    });
  }

  undo(id: string, revision: number): Promise<Written> {
    return this.one(() => this.walk(id, revision, 'undo'));
  }

  redo(id: string, revision: number): Promise<Written> {
    return this.one(() => this.walk(id, revision, 'redo'));
  }

  private async walk(id: string, revision: number, kind: 'undo' | 'redo'): Promise<Written> {
    const { undo, redo } = await this.stacks(id);
    const of = (kind === 'undo' ? undo : redo).pop();
    if (of === undefined) return { ok: false, why: 'nothing' };
    const [row] = await this.p.db
      .select()
      .from(schema.changes)
      .where(and(eq(schema.changes.project, id), eq(schema.changes.revision, of)));
    if (!row) return { ok: false, why: 'nothing' };
    return this.write(id, revision, kind, of, row.label, kind === 'undo' ? row.inverse : row.patch);
  }

  /** Revisions that can be undone and redone now, last first to go at the end. */
  private async stacks(id: string): Promise<{ undo: number[]; redo: number[] }> {
    const { revision, kind, of } = schema.changes;
    const rows = await this.p.db
      .select({ revision, kind, of })
      .from(schema.changes)
      .where(eq(schema.changes.project, id))
      .orderBy(asc(revision));
    const undo: number[] = [];
    let redo: number[] = [];
    for (const r of rows.slice(-HISTORY)) {
      if (r.kind === 'do') {
        undo.push(r.revision);
        redo = [];
      } else if (r.kind === 'undo') redo.push(undo.pop() ?? (r.of as number));
      else undo.push(redo.pop() ?? (r.of as number));
    }
    return { undo, redo };
  }

  /** Labels of what undo and redo would do; null when there is nothing. */
  async steps(id: string): Promise<Steps> {
    const { undo, redo } = await this.stacks(id);
    const label = async (revision: number | undefined): Promise<string | null> => {
      if (revision === undefined) return null;
      const [row] = await this.p.db
        .select({ label: schema.changes.label })
        .from(schema.changes)
        .where(and(eq(schema.changes.project, id), eq(schema.changes.revision, revision)));
      return row?.label ?? null;
    };
    return { undo: await label(undo.at(-1)), redo: await label(redo.at(-1)) };
  }

  async history(id: string, after = -1): Promise<HistoryEntry[]> {
    const { revision, kind, label, at } = schema.changes;
    const rows = await this.p.db
      .select({ revision, kind, label, at })
      .from(schema.changes)
      .where(eq(schema.changes.project, id))
      .orderBy(desc(revision))
      .limit(500);
    return rows.filter((r) => r.revision > after).map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
  }

  private async write(
    id: string,
    revision: number,
    kind: 'do' | 'undo' | 'redo',
    of: number | null,
    label: string,
    patch: PatchOperation[],
    made?: ProjectDocument,
  ): Promise<Written> {
    const stored = await this.get(id);
    if (!stored) return { ok: false, why: 'missing' };
    if (stored.revision !== revision) {
      return { ok: false, why: 'stale', revision: stored.revision, since: await this.history(id, revision) };
    }
    // A document made whole is only validated; one that comes as a patch has to be put together first.
    const next = made ? parseDocument(made) : patched(stored.document, patch);
    if (!next.ok) return { ok: false, why: 'invalid', problems: next.problems };
    const inverse = jsonpatch.compare(next.document, stored.document) as PatchOperation[];
    const record: Extract<JournalRecord, { t: 'change' }> = {
      t: 'change',
      id,
      revision: revision + 1,
      kind,
      of,
      label,
      patch,
      inverse,
      at: this.p.now(),
    };
    await applyChange(this.p.db, record, next.document);
    this.p.journal.append(record);
    return { ok: true, stored: { id, revision: revision + 1, document: next.document } };
  }
}

/** The document after a patch, validated; the given one is left alone. */
function patched(document: ProjectDocument, patch: PatchOperation[]): ReturnType<typeof parseDocument> {
  try {
    // A document of an older version is carried forward first: changes made since speak of what it holds now.
    const now = document.schema === CURRENT_SCHEMA ? null : parseDocument(document);
    const copy = structuredClone(now?.ok ? now.document : document);
    const out = jsonpatch.applyPatch(copy, structuredClone(patch) as Operation[], true).newDocument;
    return parseDocument(out);
  } catch (e) {
    const message = String((e as Error).message).split('\n')[0] ?? '';
    return {
      ok: false,
      problems: [{ path: 'change', message: `the change does not fit the project: ${message.slice(0, 200)}` }],
    };
  }
}

const oldBytes = (base64: string) => {
  const bytes = new Uint8Array(Buffer.from(base64, 'base64'));
  return { bytes, size: bytes.length };
};

/** Carries out a record if the database does not have it yet; also used to replay the journal. */
export async function applyRecord(db: Db, r: JournalRecord): Promise<void> {
  if (r.t === 'base') return;
  if (r.t === 'create') {
    const row = {
      id: r.id,
      name: r.document.name,
      garment: r.document.garment,
      document: r.document,
      revision: 0,
      createdAt: r.at,
      updatedAt: r.at,
    };
    await db.insert(schema.projects).values(row).onConflictDoNothing();
  } else if (r.t === 'delete' || r.t === 'restore') {
    await db
      .update(schema.projects)
      .set({ deleted: r.t === 'delete', updatedAt: r.at })
      .where(eq(schema.projects.id, r.id));
  } else if (r.t === 'file') {
    const row = {
      id: r.id,
      project: r.project,
      name: r.name,
      size: r.size ?? 0,
      ...(r.base64 !== undefined && oldBytes(r.base64)),
      at: r.at,
    };
    await db.insert(schema.files).values(row).onConflictDoNothing();
  } else await applyChange(db, r);
}

/** `ready` is the document after the change where it is known already; a replay makes it anew. */
async function applyChange(db: Db, r: Extract<JournalRecord, { t: 'change' }>, ready?: ProjectDocument): Promise<void> {
  await db.transaction(async (tx) => {
    const [row] = await tx.select().from(schema.projects).where(eq(schema.projects.id, r.id));
    if (!row || row.revision !== r.revision - 1) return;
    const next = ready ? { ok: true as const, document: ready } : patched(row.document, r.patch);
    if (!next.ok) return;
    const { name, garment } = next.document;
    await tx
      .update(schema.projects)
      .set({ document: next.document, name, garment, revision: r.revision, updatedAt: r.at })
      .where(eq(schema.projects.id, r.id));
    const { revision, kind, of, label, patch, inverse, at } = r;
    await tx.insert(schema.changes).values({ project: r.id, revision, kind, of, label, patch, inverse, at });
  });
}
