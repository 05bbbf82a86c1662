import { sql } from 'drizzle-orm';
import { type Manifest } from '../backup/manifest.ts';
import { type JournalRecord } from './record.ts';
import { type Db } from './rows.ts';

/** What a database has to hold, told by the backup and the journal, without looking into it. */
export interface Expected {
  projects: Map<string, number>;
  files: Set<string>;
}

export const expectedOf = (m: Manifest | null): Expected => ({
  projects: new Map(m?.projects.map((p) => [p.id, p.revision])),
  files: new Set(m?.files.map((f) => f.id)),
});

export function noteExpected(x: Expected, r: JournalRecord): void {
  if (r.t === 'create') x.projects.set(r.id, Math.max(0, x.projects.get(r.id) ?? 0));
  else if (r.t === 'brought' || r.t === 'change') x.projects.set(r.id, Math.max(r.revision, x.projects.get(r.id) ?? 0));
  if (r.t === 'file') x.files.add(r.file.id);
  else if (r.t === 'change' && r.file) x.files.add(r.file.id);
}

const rowsOf = async <T>(db: Db, query: ReturnType<typeof sql>): Promise<T[]> =>
  ((await db.execute(query)) as unknown as { rows: T[] }).rows;

const SCAN = { heap: ['indexscan', 'indexonlyscan', 'bitmapscan'], index: ['seqscan'] } as const;

/** Reads with some ways of reading switched off, so that the table itself, or its index, is read to the end. */
async function reading<T>(db: Db, what: keyof typeof SCAN, work: () => Promise<T>): Promise<T> {
  for (const s of SCAN[what]) await db.execute(sql.raw(`set enable_${s} = off`));
  try {
    return await work();
  } finally {
    for (const s of SCAN[what]) await db.execute(sql.raw(`reset enable_${s}`));
  }
}

/**
 * Reads every table to the end, long values and indexes too (the pages' own checksums are looked at on the way), and
 * gives the first thing that is not as it has to be; null where all is well. A page of zeros is an empty one to the
 * database: what ought to be there is known from elsewhere.
 */
export async function faultOf(db: Db, x: Expected): Promise<string | null> {
  try {
    const heap = await reading(db, 'heap', async () => ({
      projects: await rowsOf<{ id: string; revision: number; sum: string }>(
        db,
        sql`select id, revision, md5(document || name || garment) as sum from projects`,
      ),
      changes: await rowsOf<{ project: string; n: number; sum: string }>(
        db,
        sql`select project, count(*)::int as n, sum(hashtext(patch)::bigint + hashtext(inverse) + hashtext(label)) as sum from changes group by project`,
      ),
      files: await rowsOf<{ id: string; length: number | null }>(
        db,
        sql`select id, length(bytes) as length from files`,
      ),
      notices: await rowsOf<{ id: string; sum: string }>(db, sql`select id, md5(data || code) as sum from notices`),
    }));
    const index = await reading(db, 'index', async () => ({
      projects: await rowsOf<{ id: string }>(db, sql`select id from projects order by id`),
      changes: await rowsOf<{ n: number }>(
        db,
        sql`select count(*)::int as n from (select project, revision from changes order by project, revision) c`,
      ),
      files: await rowsOf<{ id: string }>(db, sql`select id from files order by id`),
    }));
    const held = new Map(heap.projects.map((p) => [p.id, p.revision]));
    const changes = new Map(heap.changes.map((c) => [c.project, c.n]));
    for (const [id, revision] of x.projects)
      if ((held.get(id) ?? -1) < revision) return `project ${id} has not come as far as ${revision}`;
    for (const [id, revision] of held)
      if ((changes.get(id) ?? 0) !== revision) return `project ${id} lacks changes of ${revision}`;
    for (const id of changes.keys()) if (!held.has(id)) return `changes of a project ${id} that is not there`;
    const files = new Set(heap.files.map((f) => f.id));
    for (const id of x.files) if (!files.has(id)) return `file ${id} is not there`;
    const all = heap.changes.reduce((n, c) => n + c.n, 0);
    if (index.projects.length !== held.size || index.changes[0]?.n !== all || index.files.length !== files.size)
      return 'an index does not hold what its table holds';
    return null;
  } catch (e) {
    return String((e as Error).message).split('\n')[0] ?? 'it cannot be read';
  }
}
