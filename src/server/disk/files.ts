import { dirname } from 'node:path';
import { type Disk, type DiskFile } from './disk.ts';

/** A file that is being written bears this until it is whole and flushed. */
export const PART = '.part';

/** Writes all of the bytes at `at`, however often the disk takes fewer. */
export async function writeAll(file: DiskFile, bytes: Uint8Array, at: number): Promise<void> {
  let done = 0;
  while (done < bytes.length) {
    const n = await file.write(bytes.subarray(done), at + done);
    if (n <= 0) throw new Error('the disk took nothing');
    done += n;
  }
}

/**
 * Makes a file that is either there whole or not at all, and is still there after a power cut: written beside, flushed,
 * renamed, the folder flushed. `fill` writes it, and what it gives is handed on.
 */
export async function makeWhole<T>(disk: Disk, path: string, fill: (file: DiskFile) => Promise<T>): Promise<T> {
  const part = `${path}${PART}`;
  try {
    const file = await disk.open(part, 'new');
    let made: T;
    try {
      made = await fill(file);
      await file.sync();
    } finally {
      await file.close();
    }
    await disk.rename(part, path);
    await disk.syncFolder(dirname(path));
    return made;
  } catch (e) {
    await disk.remove(part).catch(() => undefined);
    throw e;
  }
}

export const putWhole = (disk: Disk, path: string, bytes: Uint8Array): Promise<void> =>
  makeWhole(disk, path, (file) => writeAll(file, bytes, 0));

/** All bytes of a file, or null where there is none. */
export async function readWhole(disk: Disk, path: string): Promise<Uint8Array | null> {
  let file: DiskFile;
  try {
    file = await disk.open(path, 'read');
  } catch (e) {
    if ((e as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw e;
  }
  try {
    return await file.read(0, await file.size());
  } finally {
    await file.close();
  }
}

/** Takes away what was being written when the process ended. */
export async function removeParts(disk: Disk, folders: string[]): Promise<void> {
  for (const folder of folders)
    for (const name of await disk.list(folder)) if (name.endsWith(PART)) await disk.remove(`${folder}/${name}`);
}

/** Writes a small file and takes it away again. Throws what the disk says where it can't. */
export async function tryWriting(disk: Disk, folder: string): Promise<void> {
  const path = `${folder}/probe`;
  await putWhole(disk, path, new TextEncoder().encode('woodbine'));
  await disk.remove(path);
}
