import { createHash } from 'node:crypto';
import { mkdirSync, realpathSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Where the lock listens: a name outside the file system on Linux and Windows, which dies with its process. */
function address(folder: string): string {
  const key = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 24);
  if (process.platform === 'linux') return `\0woodbine-${key}`;
  if (process.platform === 'win32') return `\\\\.\\pipe\\woodbine-${key}`;
  return join(tmpdir(), `woodbine-${key}.sock`);
}

/** Holds the data folder for this process alone. Throws a sentence when another process has it. */
export async function lockFolder(folder: string): Promise<{ release: () => Promise<void> }> {
  mkdirSync(folder, { recursive: true });
  const server: Server = createServer((s) => s.destroy());
  await new Promise<void>((done, fail) => {
    server.once('error', (e: NodeJS.ErrnoException) => {
      const taken = e.code === 'EADDRINUSE';
      fail(
        taken
          ? new Error(
              `The data folder ${folder} is in use by another Woodbine. Stop that one first, or set WOODBINE_DATA to another folder.`,
            )
          : e,
      );
    });
    server.listen(address(folder), done);
  });
  server.unref();
  return { release: () => new Promise((done) => server.close(() => done())) };
}
