import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { type Disk } from '../disk/disk.ts';
import { putWhole, readWhole } from '../disk/files.ts';

/** Ids are made by the store; anything else is never used as a path. */
const SAFE = /^[\w-]{1,64}$/;

/**
 * Pattern files as they were uploaded, one file each beside the database: a row of ten megabytes would hold the
 * embedded database up for seconds. A file is on the disk, whole, before its name stands.
 */
export class Originals {
  constructor(
    private readonly disk: Disk,
    readonly folder: string,
  ) {}

  static async in(disk: Disk, dataFolder: string): Promise<Originals> {
    const folder = join(dataFolder, 'originals');
    await disk.makeFolder(folder);
    return new Originals(disk, folder);
  }

  private path(id: string): string {
    if (!SAFE.test(id)) throw new Error(`no id of an original: ${id}`);
    return join(this.folder, id);
  }

  /** Gives the checksum of the bytes (SHA-256, hex). */
  async put(id: string, bytes: Uint8Array): Promise<string> {
    await putWhole(this.disk, this.path(id), bytes);
    return createHash('sha256').update(bytes).digest('hex');
  }

  remove(id: string): Promise<void> {
    return this.disk.remove(this.path(id));
  }

  /** The bytes; null where there is no such file, or it is not what was put in. `sum` is empty where it is not known. */
  async get(id: string, sum: string): Promise<Uint8Array | null> {
    const bytes = SAFE.test(id) ? await readWhole(this.disk, this.path(id)) : null;
    if (!bytes || (sum && createHash('sha256').update(bytes).digest('hex') !== sum)) return null;
    return bytes;
  }
}
