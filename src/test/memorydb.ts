import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { type Database, type DatabasePlace } from '../server/db/database.ts';
import { type Db } from '../server/db/rows.ts';
import * as schema from '../server/db/schema.ts';
import { layEmptyDatabase } from './emptydb.ts';

export const MIGRATIONS = 'src/server/db/migrations';

const { projects, changes, files, notices } = schema;
const TABLES = { projects, changes, files, notices };

/** A database to try things in that is emptied instead of being made anew: opening one takes seconds. */
export class MemoryDatabase implements DatabasePlace {
  /** Whether one is there; set to false it is lost. */
  present = false;
  /** A database whose opening fails, as one that is damaged. */
  damaged = false;

  private aside: { table: (typeof TABLES)[keyof typeof TABLES]; rows: unknown[] }[] = [];

  private constructor(
    private readonly client: PGlite,
    private readonly folder: string,
    readonly db: Db,
  ) {}

  async close(): Promise<void> {
    await this.client.close();
    rmSync(this.folder, { recursive: true });
  }

  static async make(): Promise<MemoryDatabase> {
    const folder = mkdtempSync(join(tmpdir(), 'woodbine-memory-'));
    layEmptyDatabase(folder);
    const client = await PGlite.create({ dataDir: join(folder, 'db') });
    const db = drizzle({ client, schema });
    await migrate(db, { migrationsFolder: MIGRATIONS });
    return new MemoryDatabase(client, folder, db as unknown as Db);
  }

  there = (): boolean => this.present;

  open = async (): Promise<Database> => {
    if (this.present && this.damaged) throw new Error('the database does not open');
    if (!this.present) await this.db.execute(sql`truncate projects, changes, files, notices`);
    this.present = true;
    return { db: this.db, close: async () => undefined };
  };

  putAside = async (): Promise<string | null> => {
    if (!this.present) return null;
    this.aside = [];
    for (const table of Object.values(TABLES)) this.aside.push({ table, rows: await this.db.select().from(table) });
    [this.present, this.damaged] = [false, false];
    return 'db-damaged';
  };

  bringBack = async (): Promise<void> => {
    await this.remove();
    await this.open();
    for (const { table, rows } of this.aside) for (const row of rows) await this.db.insert(table).values(row as never);
  };

  remove = async (): Promise<void> => {
    this.present = false;
  };
}
