import { eq } from 'drizzle-orm';
import { applyPatch, parseDocument } from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { applyRecord, changeRow, forward, patched } from './apply.ts';
import { type ChangeRecord, type JournalRecord } from './record.ts';
import { type Db, insertChanges, piecesIn, revisionsOf } from './rows.ts';
import * as schema from './schema.ts';

/** Changes of a project that are in no database, backup or journal any more. */
export interface Lost {
  project: string;
  name: string;
  count: number;
}

type Row = typeof schema.changes.$inferInsert;

interface Open {
  document: ProjectDocument;
  revision: number;
  /** Set once a change is lacking or does not fit: then each is looked at by itself, from the stored document on. */
  doubt: boolean;
  rows: Row[];
  updatedAt: string;
}

/** In place of a change that is lacking, or no longer fits what is there. */
const lostRow = (project: string, revision: number, label: string, at: string): Row => ({
  project,
  revision,
  kind: 'lost',
  of: null,
  label,
  patch: [],
  inverse: [],
  at,
});

/** Projects whose documents are held while the journal is read; written when there are more. */
const HELD = 40;

/**
 * Does again what a database lacks of the journal. Changes of a project are put together in memory and written once, so
 * that sixty thousand of them take seconds. Where changes are lacking the later ones are laid on what is there, those
 * that no longer fit are left out, and each gap is told.
 */
export class Replay {
  private readonly open = new Map<string, Open>();
  private readonly lost = new Map<string, Lost>();
  /** Changes the database did not have yet. */
  laid = 0;

  private constructor(
    private readonly db: Db,
    private readonly held: Map<string, { revision: number }>,
  ) {}

  static async on(db: Db): Promise<Replay> {
    return new Replay(db, await revisionsOf(db));
  }

  async take(r: JournalRecord): Promise<void> {
    if (r.t === 'change') return this.change(r);
    if (r.t === 'create' || r.t === 'brought') {
      if (this.held.has(r.id)) return;
      this.laid++;
      this.held.set(r.id, { revision: r.t === 'brought' ? r.revision : 0 });
    }
    // What is deleted or put back has to be there first.
    if ('id' in r) await this.write(r.id);
    await applyRecord(this.db, r);
  }

  /** Writes what is held, and gives what is lost. */
  async end(): Promise<Lost[]> {
    for (const id of [...this.open.keys()]) await this.write(id);
    return [...this.lost.values()];
  }

  private async change(r: ChangeRecord): Promise<void> {
    if (r.file) await applyRecord(this.db, { t: 'file', file: r.file });
    const held = this.held.get(r.id);
    if (held && r.revision <= held.revision) return;
    const p = await this.project(r.id);
    if (!held || !p) return this.miss(r.id, r.label, 1);
    for (let revision = p.revision + 1; revision < r.revision; revision++) {
      p.doubt = true;
      p.rows.push(lostRow(r.id, revision, 'a change', r.at));
    }
    p.rows.push(changeRow(r));
    this.laid++;
    if (!p.doubt)
      try {
        p.document = applyPatch(p.document, r.patch);
      } catch {
        p.doubt = true;
      }
    p.revision = r.revision;
    p.updatedAt = r.at;
    held.revision = r.revision;
  }

  /** Every held change by itself, on the stored document; those that do not fit are left out. */
  private async oneByOne(id: string, p: Open): Promise<void> {
    const [row] = await this.db.select().from(schema.projects).where(eq(schema.projects.id, id));
    if (!row) return;
    p.document = forward(row.document);
    p.rows = p.rows.map((c) => {
      const next = c.kind === 'lost' ? null : patched(p.document, c.patch);
      if (next?.ok) {
        p.document = next.document;
        return c;
      }
      this.miss(id, p.document.name, 1);
      return lostRow(id, c.revision, c.label, c.at);
    });
  }

  private miss(project: string, name: string, n: number): void {
    this.lost.set(project, { project, name, count: (this.lost.get(project)?.count ?? 0) + n });
  }

  private async project(id: string): Promise<Open | null> {
    const had = this.open.get(id);
    if (had) return had;
    const [row] = await this.db.select().from(schema.projects).where(eq(schema.projects.id, id));
    if (!row) return null;
    for (const other of [...this.open.keys()].slice(0, Math.max(0, this.open.size - HELD + 1))) await this.write(other);
    const p = {
      document: forward(row.document),
      revision: row.revision,
      doubt: false,
      rows: [],
      updatedAt: row.updatedAt,
    };
    this.open.set(id, p);
    return p;
  }

  private async write(id: string): Promise<void> {
    const p = this.open.get(id);
    this.open.delete(id);
    if (!p?.rows.length) return;
    if (p.doubt || !parseDocument(p.document).ok) await this.oneByOne(id, p);
    const { document } = p;
    const { name, garment } = document;
    const set = { document, name, garment, pieces: piecesIn(document), revision: p.revision, updatedAt: p.updatedAt };
    await this.db.transaction(async (tx) => {
      await tx.update(schema.projects).set(set).where(eq(schema.projects.id, id));
      await insertChanges(tx, p.rows);
    });
  }
}
