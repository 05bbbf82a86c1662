import { existsSync, mkdirSync } from 'node:fs';
import { open, readFile, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { syncFolder } from './journal.ts';

/** Ids are made by the store; anything else is never used as a path. */
const SAFE = /^[\w-]{1,64}$/;

/**
 * Pattern files as they were uploaded, one file each beside the database: a row of ten megabytes would hold the
 * embedded database up for seconds. A file is on the disk, whole, before its name stands.
 */
export class Originals {
  private readonly folder: string;

  constructor(dataFolder: string) {
    this.folder = join(dataFolder, 'originals');
    mkdirSync(this.folder, { recursive: true });
  }

  private path(id: string): string {
    if (!SAFE.test(id)) throw new Error(`no id of an original: ${id}`);
    return join(this.folder, id);
  }

  async put(id: string, bytes: Uint8Array): Promise<void> {
    const path = this.path(id);
    const file = await open(`${path}.part`, 'w');
    try {
      await file.writeFile(bytes);
      await file.sync();
    } finally {
      await file.close();
    }
    await rename(`${path}.part`, path);
    syncFolder(this.folder);
  }

  /** The bytes, or null where there is no such file. */
  async get(id: string): Promise<Uint8Array | null> {
    return SAFE.test(id) && existsSync(this.path(id)) ? readFile(this.path(id)) : null;
  }
}
