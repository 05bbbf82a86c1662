import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { type Disk } from '../disk/disk.ts';
import { putWhole, readWhole } from '../disk/files.ts';
import { type Db } from './rows.ts';
import * as schema from './schema.ts';

/** Ids are made by the store; anything else is never used as a path. */
const SAFE = /^[\w-]{1,64}$/;

/** Pattern files as they were uploaded. */
export interface Originals {
  /** Gives the checksum of the bytes (SHA-256, hex). */
  put(id: string, bytes: Uint8Array): Promise<string>;
  remove(id: string): Promise<void>;
  /** The bytes; null where there is no such file, or it is not what was put in. `sum` is empty where it is not known. */
  get(id: string, sum: string): Promise<Uint8Array | null>;
}

const sumOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const checked = (bytes: Uint8Array | null | undefined, sum: string): Uint8Array | null =>
  !bytes || (sum && sumOf(bytes) !== sum) ? null : bytes;

/** On a database server shared by several processes, in the database itself. */
export const originalsIn = (db: Db): Originals => ({
  async put(id, bytes) {
    await db.insert(schema.originals).values({ id, bytes });
    return sumOf(bytes);
  },
  async remove(id) {
    await db.delete(schema.originals).where(eq(schema.originals.id, id));
  },
  async get(id, sum) {
    const [row] = await db.select().from(schema.originals).where(eq(schema.originals.id, id));
    return checked(row?.bytes, sum);
  },
});

/**
 * Pattern files as they were uploaded, one file each beside the database: a row of ten megabytes would hold the
 * embedded database up for seconds. A file is on the disk, whole, before its name stands.
 */
export class OriginalsOnDisk implements Originals {
  constructor(
    private readonly disk: Disk,
    readonly folder: string,
  ) {}

  static async in(disk: Disk, dataFolder: string): Promise<OriginalsOnDisk> {
    const folder = join(dataFolder, 'originals');
    await disk.makeFolder(folder);
    return new OriginalsOnDisk(disk, folder);
  }

  private path(id: string): string {
    if (!SAFE.test(id)) throw new Error(`no id of an original: ${id}`);
    return join(this.folder, id);
  }

  async put(id: string, bytes: Uint8Array): Promise<string> {
    await putWhole(this.disk, this.path(id), bytes);
    return sumOf(bytes);
  }

  remove(id: string): Promise<void> {
    return this.disk.remove(this.path(id));
  }

  async get(id: string, sum: string): Promise<Uint8Array | null> {
    return SAFE.test(id) ? checked(await readWhole(this.disk, this.path(id)), sum) : null;
  }
}
