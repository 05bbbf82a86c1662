import { cpSync } from 'node:fs';

/** Lays an empty database into a data folder, copied from the one made before all tests. */
export function layEmptyDatabase(folder: string): void {
  const made = process.env.WOODBINE_EMPTY;
  if (made) cpSync(made, folder, { recursive: true });
}
