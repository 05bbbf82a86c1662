import { and, desc, eq, gt, lt, sql } from 'drizzle-orm';
import { type HistoryEntry } from '../../contract/index.ts';
import { type Works } from '../work/run.ts';
import { type Db } from './rows.ts';
import * as schema from './schema.ts';
import { type Steps } from './stored.ts';

/** Changes are looked through for undo so many at a time. */
const PAGE = 50;
/** No revision is higher: the largest integer of the database. */
const LAST = 2 ** 31 - 1;

type Row = Pick<typeof schema.changes.$inferSelect, 'revision' | 'kind' | 'of'>;

/** Revisions that undo and redo would take; null for none, undefined as long as that is not known. */
interface Tops {
  undo: number | null | undefined;
  redo: number | null | undefined;
}

/**
 * Looks at changes from the newest backwards until it is known what undo and redo would take. What was undone and what was
 * done again cancel each other on the way.
 */
export class LookBack {
  readonly tops: Tops = { undo: undefined, redo: undefined };
  private undone = 0;
  private redone = 0;

  /** True when all is known. */
  take(r: Row): boolean {
    const { tops } = this;
    if (r.kind === 'undo') {
      if (tops.redo === undefined && this.redone === 0) tops.redo = r.of;
      this.redone = Math.max(0, this.redone - 1);
      this.undone += 1;
    } else if (r.kind !== 'lost') {
      if (r.kind === 'redo') this.redone += 1;
      else if (tops.redo === undefined) tops.redo = null;
      if (this.undone === 0 && tops.undo === undefined) tops.undo = r.kind === 'do' ? r.revision : r.of;
      this.undone = Math.max(0, this.undone - 1);
    }
    return tops.undo !== undefined && tops.redo !== undefined;
  }
}

/** Revisions that undo and redo would take now, read from the newest change backwards as far as is needed. */
async function undoTops(db: Db, id: string): Promise<{ undo: number | null; redo: number | null }> {
  const { revision, kind, of } = schema.changes;
  const look = new LookBack();
  for (let before = LAST, known = false; !known; ) {
    const rows = await db
      .select({ revision, kind, of })
      .from(schema.changes)
      .where(and(eq(schema.changes.project, id), lt(revision, before)))
      .orderBy(desc(revision))
      .limit(PAGE);
    known = rows.some((r) => look.take(r)) || rows.length < PAGE;
    before = rows.at(-1)?.revision ?? 0;
  }
  return { undo: look.tops.undo ?? null, redo: look.tops.redo ?? null };
}

/** The change that undo or redo would take, its patch that way as text as it is stored; null where there is none. */
export async function changeToWalk(db: Db, id: string, kind: 'undo' | 'redo') {
  const of = (await undoTops(db, id))[kind];
  if (of === null) return null;
  const { project, revision, label, patch, inverse } = schema.changes;
  const text = sql<string>`${kind === 'undo' ? inverse : patch}`.mapWith(String);
  const [row] = await db
    .select({ revision, label, patch: text })
    .from(schema.changes)
    .where(and(eq(project, id), eq(revision, of)));
  return row ?? null;
}

/** Labels of what undo and redo would do; null where there is nothing. */
export async function stepsOf(db: Db, id: string): Promise<Steps> {
  const { undo, redo } = await undoTops(db, id);
  const label = async (of: number | null): Promise<string | null> => {
    if (of === null) return null;
    const { project, revision } = schema.changes;
    const [row] = await db
      .select({ label: schema.changes.label })
      .from(schema.changes)
      .where(and(eq(project, id), eq(revision, of)));
    return row?.label ?? null;
  };
  return { undo: await label(undo), redo: await label(redo) };
}

/** So many changes are shown. */
const SHOWN = 500;

/** The newest changes first, of those after a revision. */
export async function historyOf(db: Db, id: string, after: number): Promise<HistoryEntry[]> {
  const { project, revision, kind, label, at } = schema.changes;
  const rows = await db
    .select({ revision, kind, label, at })
    .from(schema.changes)
    .where(and(eq(project, id), gt(revision, after)))
    .orderBy(desc(revision))
    .limit(SHOWN);
  return rows.map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
}

/**
 * A document as it was at a revision, as JSON text: what was changed since, taken back from the newest on. Null where a change between
 * can't be read any more, or there are more than are shown.
 */
export async function documentAt(
  { db, works }: { db: Db; works: Works },
  id: string,
  now: { text: string; revision: number },
  at: number,
): Promise<string | null> {
  const { project, revision, kind, inverse } = schema.changes;
  const since = await db
    .select({ kind, inverse: sql<string>`${inverse}`.mapWith(String) })
    .from(schema.changes)
    .where(and(eq(project, id), gt(revision, at)))
    .orderBy(desc(revision))
    .limit(SHOWN);
  if (since.length < now.revision - at) return null;
  let packed = now.text;
  for (const c of since) {
    const back =
      c.kind === 'lost' ? null : await works.document({ do: 'change', packed, patch: c.inverse, named: false });
    if (!back?.ok) return null;
    packed = back.made.packed;
  }
  const read = await works.document({ do: 'read', packed });
  return read.ok ? read.made.json : null;
}
