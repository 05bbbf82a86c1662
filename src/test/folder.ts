import { cpSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Lays an empty database into a data folder, copied from the one made before all tests. */
export function layEmptyDatabase(folder: string): void {
  const made = process.env.WOODBINE_EMPTY;
  if (made) cpSync(made, folder, { recursive: true });
}

/** A data folder of its own, with an empty database. */
export function freshFolder(name: string): string {
  const folder = mkdtempSync(join(tmpdir(), `woodbine-${name}-`));
  layEmptyDatabase(folder);
  return folder;
}
