import { and, eq, sql } from 'drizzle-orm';
import {
  type HistoryEntry,
  type LiveEvent,
  type Notice,
  type PatchOperation,
  type Summary,
} from '../../contract/index.ts';
import { type ProjectDocument, type Shell, type ShellPiece } from '../../core/document/project.ts';
import { type Backups } from '../backup/backups.ts';
import { sha256 } from '../backup/pack.ts';
import { type ProjectBack } from '../backup/unpack.ts';
import { type Disk } from '../disk/disk.ts';
import { type DocumentJob, type Made } from '../work/document.ts';
import { type ChangeAsked, type MadeChange, type MadeDocument } from '../work/made.ts';
import { type Works } from '../work/run.ts';
import { applyChange, applyCreate, MovedOn } from './apply.ts';
import { changeToWalk, documentAt, historyOf, stepsOf } from './history.ts';
import { NotKept } from './kept.ts';
import { type Originals } from './originals.ts';
import { unpacked } from './packed.ts';
import { type ChangeMeta, type FileRow, joined } from './record.ts';
import { type Db, filesOf, projectItem, summariesOf } from './rows.ts';
import * as schema from './schema.ts';
import { type Refused, type Steps, Stored, type StoredFile, Unreadable } from './stored.ts';
import { NO_ROOM, Writer, type WriterParts } from './writer.ts';

type Written = { ok: true; stored: Stored; answer?: string | undefined } | Refused;

type Changing = Extract<DocumentJob, { do: 'change' | 'replace' | 'piece' | 'shell' }>;

export interface StoreParts extends WriterParts {
  originals: Originals;
  backups: Backups;
  now: () => string;
  newId: () => string;
  works: Works;
  /** Tells the other processes of a change, which tell it back; left out where this one is alone. */
  announce?: (e: LiveEvent) => void;
}

/**
 * Projects, their changes and files. Writes go one after another: looked over first, then written down in the journal
 * and flushed, then put into the database, then answered. What is refused is nowhere.
 */
export class Store extends Writer {
  /** Revisions of projects whose documents were looked at, and fit the contract. */
  private readonly fit = new Map<string, number>();
  constructor(protected override readonly p: StoreParts) {
    super(p);
  }

  private readonly listeners = new Set<(e: LiveEvent) => void>();

  /** Calls back with every change that is kept; gives how to leave. */
  listen(listener: (e: LiveEvent) => void): () => void {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  }

  /** A change was kept, here or by another process. */
  hear(e: LiveEvent): void {
    for (const l of this.listeners) l(e);
  }

  private announce(project: string, revision: number | null, label: string): void {
    const e: LiveEvent = { project, revision, label };
    if (this.p.announce) this.p.announce(e);
    else this.hear(e);
  }

  get db(): Db {
    return this.p.db;
  }

  list(): Promise<Summary[]> {
    return summariesOf(this.p.db);
  }

  /** How a project stands, whether on the shelf or not; `sum` is the SHA-256 of its document's text. Null: unknown. */
  async standing(id: string): Promise<{ name: string; deleted: boolean; updatedAt: string; sum: string } | null> {
    const item = await projectItem(this.p.db, id, false);
    return item && { name: item.name, deleted: item.deleted, updatedAt: item.updatedAt, sum: sha256(item.document) };
  }

  get disk(): Disk {
    return this.p.disk;
  }

  /** Whether there is any project, deleted ones too. */
  async any(): Promise<boolean> {
    return (await this.p.db.select({ id: schema.projects.id }).from(schema.projects).limit(1)).length > 0;
  }

  /** What is to be told about the data, oldest first. */
  async notices(): Promise<Notice[]> {
    const { id, code, data, at, seen } = schema.notices;
    const rows = await this.p.db.select({ id, code, data, at }).from(schema.notices).where(eq(seen, false)).orderBy(at);
    return rows.map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
  }

  tell(code: string, data: Notice['data']): Promise<void> {
    return this.one(() => this.commit({ t: 'notice', notice: { id: this.p.newId(), code, data, at: this.p.now() } }));
  }

  /** A notice that has been read. */
  seen(id: string): Promise<void> {
    return this.one(() => this.commit({ t: 'seen', id }));
  }

  /** A project as it stands. Throws `Unreadable` where what is stored is none: it is kept, told, and never handed out. */
  async get(id: string): Promise<Stored | null> {
    const row = await this.row(id);
    if (!row) return null;
    const { revision, name, garment } = row;
    // What was looked at once needs no second look.
    if (this.fit.get(id) === revision) return new Stored(id, revision, name, garment, await unpacked(row.text));
    const read = await this.p.works.document({ do: 'read', packed: row.text });
    if (!read.ok) throw new Unreadable(name, read.problems);
    if (read.made.packed === row.text) this.fit.set(id, revision);
    return new Stored(id, revision, read.made.name, read.made.garment, read.made.json);
  }

  private async row(id: string) {
    const p = schema.projects;
    const { revision, name, garment } = p;
    const [row] = await this.p.db
      .select({ revision, name, garment, text: sql<string>`${p.document}`.mapWith(String) })
      .from(p)
      .where(and(eq(p.id, id), eq(p.deleted, false)));
    return row ?? null;
  }

  /** How far a project on the shelf has come, and what it is; null for none. */
  async stands(id: string): Promise<{ revision: number; garment: string } | null> {
    const p = schema.projects;
    const [row] = await this.p.db
      .select({ revision: p.revision, garment: p.garment })
      .from(p)
      .where(and(eq(p.id, id), eq(p.deleted, false)));
    return row ?? null;
  }

  /** A project's document as it lies in the database, for threads that read it themselves. */
  async text(id: string): Promise<{ id: string; text: string; name: string } | null> {
    const row = await this.row(id);
    return row && { id, text: row.text, name: row.name };
  }

  /** Puts a document on the shelf; under an id of its own, or under `id`, where the one that stands there is given if there is one. */
  async create(document: ProjectDocument, id?: string): Promise<Stored> {
    const made = await this.p.works.document({ do: 'take', json: JSON.stringify(document) });
    if (!made.ok) throw new Unreadable(document.name, made.problems);
    return this.put(made.made, id);
  }

  /** A saved project as it was sent; refused where it is none, or does not fit the contract. */
  async take(sent: string): Promise<{ ok: true; stored: Stored } | Extract<Made<never>, { ok: false }>> {
    const made = await this.p.works.document({ do: 'import', json: sent });
    return made.ok ? { ok: true, stored: await this.put(made.made) } : made;
  }

  private put(made: MadeDocument, as?: string): Promise<Stored> {
    return this.one(async () => {
      const there = as === undefined ? null : await this.get(as);
      if (there) return there;
      const [id, at] = [as ?? this.p.newId(), this.p.now()];
      const json = joined({ t: 'create', id, at }, { document: made.json });
      await this.kept({ t: 'create', id }, json, () => applyCreate(this.p.db, id, at, made));
      this.fit.set(id, 0);
      this.announce(id, 0, made.name);
      return new Stored(id, 0, made.name, made.garment, made.json);
    });
  }

  /** Takes a project off the shelf, if it still stands at `on` where that is given. */
  remove(id: string, on?: number): Promise<true | Refused> {
    return this.shelve(id, true, on);
  }

  /** Puts a deleted project back on the shelf. */
  restore(id: string, on?: number): Promise<true | Refused> {
    return this.shelve(id, false, on);
  }

  private shelve(id: string, gone: boolean, on: number | undefined): Promise<true | Refused> {
    return this.one(async () => {
      const p = schema.projects;
      const [row] = await this.p.db
        .select({ revision: p.revision })
        .from(p)
        .where(and(eq(p.id, id), eq(p.deleted, !gone)));
      if (!row) return { ok: false, why: 'missing' };
      if (on !== undefined && on !== row.revision) return this.stale(id, on, row.revision);
      await this.commit({ t: gone ? 'delete' : 'restore', id, at: this.p.now() });
      this.announce(id, null, gone ? 'Taken off the shelf' : 'Put back on the shelf');
      return true;
    });
  }

  /** Puts a project of a backup on the shelf with all its changes, where there was none of that id. */
  bring(b: ProjectBack, document: ProjectDocument): Promise<void> {
    return this.one(async () => {
      const { id, revision, createdAt, changes } = b;
      await this.commit({ t: 'brought', id, revision, document, createdAt, changes, at: this.p.now() });
      this.announce(id, revision, 'Put back from a backup');
    });
  }

  /** Takes an uploaded file in that a backup speaks of and the database does not know. */
  bringFile(file: FileRow, bytes: Uint8Array): Promise<void> {
    return this.one(async () => {
      const sum = await this.p.originals.put(file.id, bytes);
      await this.commit({ t: 'file', file: { ...file, sum } });
    });
  }

  /** The files a project's pieces were read from, newest first. */
  files(project: string): Promise<StoredFile[]> {
    return filesOf(this.p.db, project);
  }

  /** One of a project's files with its bytes; null where it has none of that id. */
  async file(project: string, id: string): Promise<{ name: string; bytes: Uint8Array } | null> {
    const [row] = await this.p.db
      .select()
      .from(schema.files)
      .where(and(eq(schema.files.project, project), eq(schema.files.id, id)));
    if (!row) return null;
    const bytes = (await this.p.originals.get(id, row.sum)) ?? (await this.mended(row)) ?? row.bytes;
    return bytes && { name: row.name, bytes };
  }

  /** An uploaded file that is lost or damaged, put back from its second copy. */
  private async mended(row: { id: string; name: string; sum: string }): Promise<Uint8Array | null> {
    const copy = await this.p.backups.original(row.id, row.sum);
    if (!copy) return null;
    await this.p.originals.put(row.id, copy).catch(() => undefined);
    await this.tell('file-mended', { name: row.name }).catch(() => undefined);
    return copy;
  }

  /** Applies a patch made on `revision`; refuses a stale or invalid one without storing anything. */
  change(id: string, revision: number, label: string, patch: PatchOperation[]): Promise<Written> {
    return this.changed(id, { revision, label, patch: JSON.stringify(patch) });
  }

  /** The same, as it was asked. */
  changed(id: string, { revision, label, patch }: ChangeAsked): Promise<Written> {
    const job = (packed: string) => ({ do: 'change' as const, packed, patch, named: true });
    return this.write(id, revision, { kind: 'do', of: null, label }, job);
  }

  /** Replaces the whole document, whatever it is by then, as one change. */
  replace(id: string, label: string, document: ProjectDocument): Promise<Written> {
    return this.write(id, null, { kind: 'do', of: null, label }, (packed) => ({ do: 'replace', packed, document }));
  }

  /** Adds a piece that was traced. */
  addPiece(id: string, label: string, piece: ShellPiece, lines: Shell['lines']): Promise<Written> {
    return this.write(id, null, { kind: 'do', of: null, label }, (packed) => ({ do: 'piece', packed, piece, lines }));
  }

  /** A change with the file it came from, which is kept only with it. `on`: as with every change. */
  async withFile(
    id: string,
    upload: { name: string; bytes: Uint8Array },
    label: string,
    on: number | null,
    job: (packed: string, file: string) => Changing,
  ): Promise<Written & { file: string }> {
    const file = await this.laid(id, upload);
    const change = { kind: 'do' as const, of: null, label, file };
    const written = await this.write(id, on, change, (packed) => job(packed, file.id)).catch(async (e) => {
      // Only where it is not certain that nothing was kept does the file stay.
      if (!(e instanceof NotKept) || e.certain) await this.p.originals.remove(file.id).catch(() => undefined);
      throw e;
    });
    if (!written.ok) await this.p.originals.remove(file.id);
    return { ...written, file: file.id };
  }

  /** A change laid on whatever stands by then. */
  lay(id: string, label: string, patch: PatchOperation[]): Promise<Written> {
    const made = JSON.stringify(patch);
    return this.write(id, null, { kind: 'do', of: null, label }, (packed) => ({
      ...{ do: 'change', packed, patch: made, named: true },
    }));
  }

  /** The bytes of an upload, on the disk before anything speaks of them. */
  private async laid(project: string, upload: { name: string; bytes: Uint8Array }): Promise<FileRow> {
    const [id, at] = [this.p.newId(), this.p.now()];
    try {
      if (await this.full()) throw NO_ROOM;
      const sum = await this.p.originals.put(id, upload.bytes);
      return { id, project, name: upload.name, size: upload.bytes.length, sum, at };
    } catch (e) {
      await this.p.originals.remove(id).catch(() => undefined);
      const refused = new NotKept(e, true);
      this.saving = refused.why;
      throw refused;
    }
  }

  undo(id: string, revision: number): Promise<Written> {
    return this.walk(id, revision, 'undo');
  }

  redo(id: string, revision: number): Promise<Written> {
    return this.walk(id, revision, 'redo');
  }

  private async walk(id: string, revision: number, kind: 'undo' | 'redo'): Promise<Written> {
    const row = await changeToWalk(this.p.db, id, kind);
    if (!row) return { ok: false, why: 'nothing' };
    const { revision: of, label, patch } = row;
    return this.write(id, revision, { kind, of, label }, (packed) => ({ do: 'change', packed, patch, named: false }));
  }

  /** Labels of what undo and redo would do; null when there is nothing. */
  steps(id: string): Promise<Steps> {
    return stepsOf(this.p.db, id);
  }

  /** The newest changes first, of those after a revision. */
  history(id: string, after = -1): Promise<HistoryEntry[]> {
    return historyOf(this.p.db, id, after);
  }

  /** A project's document as it was at a revision, as JSON text; `lost` where that can't be worked out any more. */
  async at(id: string, revision: number): Promise<{ json: string } | 'missing' | 'lost'> {
    const row = await this.row(id);
    if (!row || revision > row.revision) return 'missing';
    const json = await documentAt(this.p, id, row, revision);
    return json === null ? 'lost' : { json };
  }

  /**
   * Works a change out beside, on the project as it stands, and writes it down if it still stands so. `on`: the revision
   * it was made on; null for whatever stands, and then it is worked out again where another change came between.
   */
  private async write(
    id: string,
    on: number | null,
    change: Pick<ChangeMeta, 'kind' | 'of' | 'label' | 'file'>,
    job: (packed: string) => Changing,
  ): Promise<Written> {
    for (;;) {
      const row = await this.row(id);
      if (!row) return { ok: false, why: 'missing' };
      if (on !== null && row.revision !== on) return this.stale(id, on, row.revision);
      const worked = await this.p.works.document(job(row.text));
      if (!worked.ok) {
        // What is stored may be at fault itself: then that is told.
        if (this.fit.get(id) !== row.revision) await this.get(id);
        return { ok: false, why: 'invalid', problems: worked.problems };
      }
      const made = worked.made as MadeChange;
      if (on === null && made.patch === '[]' && !change.file)
        return { ok: true, stored: new Stored(id, row.revision, made.name, made.garment, made.json) };
      const stored = await this.one(() => this.written(id, row.revision, change, made));
      if (stored) return { ok: true, stored, answer: made.answer };
      if (on !== null) return this.stale(id, on, (await this.stands(id))?.revision ?? on);
    }
  }

  /** The refusal of what was made on an older revision, with what was done since. */
  async stale(id: string, on: number, revision: number): Promise<Refused> {
    return { ok: false, why: 'stale', revision, since: await this.history(id, on) };
  }

  /** Null where the project no longer stands at that revision. */
  private async written(
    id: string,
    revision: number,
    change: Pick<ChangeMeta, 'kind' | 'of' | 'label' | 'file'>,
    made: MadeChange,
  ): Promise<Stored | null> {
    if ((await this.stands(id))?.revision !== revision) return null;
    const meta: ChangeMeta = { t: 'change', id, revision: revision + 1, ...change, at: this.p.now() };
    const json = joined(meta, { patch: made.patch, inverse: made.inverse });
    try {
      await this.kept(meta, json, () => applyChange(this.p.db, meta, made));
    } catch (e) {
      if (e instanceof MovedOn) return null;
      throw e;
    }
    this.fit.set(id, revision + 1);
    this.announce(id, revision + 1, change.label);
    return new Stored(id, revision + 1, made.name, made.garment, made.json);
  }
}
