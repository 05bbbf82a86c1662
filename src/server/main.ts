import { existsSync } from 'node:fs';
import { createRequire } from 'node:module';
import { hostname as machine, networkInterfaces } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type HttpBindings, serve } from '@hono/node-server';
import { type Context } from 'hono';
import { DEMOS } from '../demo/index.ts';
import { keyed, keyOf } from './access.ts';
import { createApp } from './app.ts';
import { beginBeside, toolsBeside } from './backup/thread.ts';
import { embedded, packedIn } from './db/database.ts';
import { type Opened, openStore } from './db/open.ts';
import { Reader } from './import/run.ts';
import { logIn } from './log.ts';
import { HomeNetwork } from './network.ts';
import { type AppParts } from './parts.ts';
import { Works } from './work/run.ts';

/** The folder of the project: the nearest one upward that holds a package.json. */
function projectRoot(): string {
  let dir = dirname(fileURLToPath(import.meta.url));
  while (!existsSync(join(dir, 'package.json')) && dirname(dir) !== dir) dir = dirname(dir);
  return dir;
}

const say = (line: string): void => {
  process.stdout.write(`${line}\n`);
};

function fontFiles(): string[] {
  const require = createRequire(import.meta.url);
  const sets = ['latin', 'latin-ext', 'cyrillic', 'cyrillic-ext', 'greek', 'greek-ext', 'vietnamese'];
  return sets.map((set) => require.resolve(`@fontsource/source-sans-3/files/source-sans-3-${set}-400-normal.woff`));
}

/** The demo projects, on a shelf that is still empty and was asked for them. */
async function seed(opened: Opened): Promise<void> {
  if (process.env.WOODBINE_DEMO !== '1' || (await opened.store.list()).length) return;
  // The first of the list is made last, so that it lies in front.
  for (const demo of [...DEMOS].reverse()) {
    const doc = demo.make();
    if (doc.ok) await opened.store.create(doc.value);
  }
  say('Demo projects laid on the shelf.');
}

const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];

/** Names this server answers to: where it listens on every address of the machine, all of those. */
function namesFor(hostname: string): string[] {
  const every = hostname === '0.0.0.0' || hostname === '::';
  const own = Object.values(networkInterfaces()).flatMap((list) => list?.map((i) => i.address) ?? []);
  return [...LOOPBACK, hostname, ...(every ? [...own, machine(), `${machine()}.local`] : [])];
}

/** Beyond this machine nobody gets in without a key; on it, where several people share it and it is set. */
const needsKey = (hostname: string): boolean => !LOOPBACK.includes(hostname) || process.env.WOODBINE_ACCESS === 'key';

const addressOf = (c: Context): string =>
  (c.env as HttpBindings | undefined)?.incoming?.socket?.remoteAddress ?? 'unknown';

/** Hours between two backups written by themselves. */
const BACKUP_HOURS = 6;

async function main(): Promise<void> {
  // Nobody else on the machine reads what is made here, the database's own files included.
  process.umask(0o077);
  const root = projectRoot();
  const folder = resolve(process.env.WOODBINE_DATA ?? join(root, 'data'));
  const port = Number(process.env.PORT ?? 4870);
  const hostname = process.env.WOODBINE_HOST ?? '127.0.0.1';
  const migrations = join(root, 'src/server/db/migrations');
  const thread = new URL('./backup-worker.js', import.meta.url);
  const packed = packedIn(root);
  const tools = toolsBeside(thread, packed, migrations);
  const place = embedded(folder, migrations, (dataDir) => beginBeside(thread, dataDir, packed));
  const works = new Works(new URL('./work-worker.js', import.meta.url));
  const url = process.env.DATABASE_URL;
  const options = {
    works,
    folder,
    migrations,
    tools,
    place,
    say,
    patience: 3000,
  };
  // What speaks with a database server is read in only where there is one.
  const opened = url ? await (await import('./db/openserver.ts')).openServer(url, options) : await openStore(options);
  await seed(opened);
  const reader = new Reader(new URL('./import-worker.js', import.meta.url));
  reader.warm();
  const key = needsKey(hostname) ? keyOf(folder) : null;
  const parts: AppParts = {
    opened,
    names: namesFor(hostname),
    webRoot: join(root, 'dist/web'),
    fontFiles: fontFiles(),
    reader,
    works,
    now: () => new Date(),
    log: logIn(folder, () => new Date()),
  };
  // Who comes in by the second door finds no switch for it, and needs its key.
  const network = new HomeNetwork((key) =>
    createApp({ ...parts, names: namesFor('0.0.0.0'), access: keyed(key, addressOf) }),
  );
  const app = createApp({
    ...parts,
    ...(key !== null && { access: keyed(key, addressOf) }),
    ...(LOOPBACK.includes(hostname) && { network }),
  });
  const link = `http://${hostname}:${port}${key === null ? '' : `/?key=${key}`}`;
  const server = serve({ fetch: app.fetch, port, hostname }, () => say(`Woodbine is at ${link}`));
  server.on('error', (e: NodeJS.ErrnoException) => {
    say(e.code === 'EADDRINUSE' ? `Port ${port} is taken. Set PORT to another one.` : String(e.message));
    process.exit(1);
  });
  const timer = setInterval(() => void opened.backup().catch((e) => console.error(e)), BACKUP_HOURS * 3600_000);
  timer.unref();
  const stop = () => {
    server.close();
    void network.turn(false);
    void reader.close();
    void works.close();
    void opened.close().finally(() => process.exit(0));
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

main().catch((e: Error) => {
  process.stderr.write(`${e.message}\n`);
  process.exit(1);
});
