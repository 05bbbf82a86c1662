import { mkdir, open, readdir, rename, rm, statfs } from 'node:fs/promises';

/**
 * The few calls by which the journal, the backups and the originals reach the disk. One narrow layer, so that the tests
 * can let any of them fail, write short, or cut the power, and so that every writer checks what comes back.
 */
export interface Disk {
  /** `read`: it has to be there. `write`: made where it is not. `new`: made, or emptied. */
  open(path: string, how: 'read' | 'write' | 'new'): Promise<DiskFile>;
  rename(from: string, to: string): Promise<void>;
  /** Nothing happens where there is none. */
  remove(path: string): Promise<void>;
  /** Names in a folder, sorted; none where the folder is not there. */
  list(folder: string): Promise<string[]>;
  makeFolder(folder: string): Promise<void>;
  /** Flushes the folder's entries: a file made or renamed in it stands after a power cut only then. */
  syncFolder(folder: string): Promise<void>;
  /** Room that is left there, bytes. */
  free(folder: string): Promise<number>;
}

export interface DiskFile {
  size(): Promise<number>;
  /** Bytes from `at` on, fewer at the end of the file. */
  read(at: number, length: number): Promise<Uint8Array>;
  /** How many of the bytes were written at `at`: it can be fewer. */
  write(bytes: Uint8Array, at: number): Promise<number>;
  sync(): Promise<void>;
  truncate(length: number): Promise<void>;
  close(): Promise<void>;
}

/** Nobody but the owner of the data reads it. */
const [FILE_MODE, FOLDER_MODE] = [0o600, 0o700];
const FLAGS = { read: 'r', new: 'w+' } as const;

const missing = (e: unknown): boolean => (e as NodeJS.ErrnoException).code === 'ENOENT';

export const realDisk: Disk = {
  async open(path, how) {
    const handle =
      how === 'write'
        ? await open(path, 'r+').catch((e) => {
            if (missing(e)) return open(path, 'w+', FILE_MODE);
            throw e;
          })
        : await open(path, FLAGS[how], FILE_MODE);
    return {
      size: async () => (await handle.stat()).size,
      async read(at, length) {
        const into = new Uint8Array(length);
        let done = 0;
        for (;;) {
          const { bytesRead } = await handle.read(into, done, length - done, at + done);
          done += bytesRead;
          if (!bytesRead || done === length) return into.subarray(0, done);
        }
      },
      write: async (bytes, at) => (await handle.write(bytes, 0, bytes.length, at)).bytesWritten,
      sync: () => handle.sync(),
      truncate: (length) => handle.truncate(length),
      close: () => handle.close(),
    };
  },
  rename,
  remove: (path) => rm(path, { force: true }),
  async list(folder) {
    try {
      return (await readdir(folder)).sort();
    } catch (e) {
      if (missing(e)) return [];
      throw e;
    }
  },
  async makeFolder(folder) {
    await mkdir(folder, { recursive: true, mode: FOLDER_MODE });
  },
  async syncFolder(folder) {
    // Windows does not open folders; there the file's own flush has to do.
    const handle = await open(folder, 'r').catch(() => null);
    try {
      await handle?.sync();
    } finally {
      await handle?.close();
    }
  },
  async free(folder) {
    const s = await statfs(folder);
    return s.bavail * s.bsize;
  },
};
