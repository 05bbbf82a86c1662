import { createHash } from 'node:crypto';
import {
  chmodSync,
  closeSync,
  mkdirSync,
  openSync,
  readFileSync,
  readlinkSync,
  realpathSync,
  renameSync,
  rmdirSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { connect, createServer, type Server } from 'node:net';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';

/** Who holds a data folder. */
interface Holder {
  pid: number;
  /** When the process started, as its system counts; a later process of the same number has another. */
  started: string;
  /** The running of the machine, and the space its process numbers belong to. */
  boot: string;
  space: string;
  host: string;
}

const FILE = 'woodbine.lock';
const SOCKET = 'woodbine.sock';
const TAKING = 'woodbine.lock.taking';
/** The holder says that often that it is there; one not heard of for so long, on another machine, is gone (ms). */
const [BEAT, SILENT] = [10_000, 60_000];
/** Taking over a stale lock takes no longer (ms). */
const TAKES = 10_000;

const orNone = (read: () => string): string => {
  try {
    return read().trim();
  } catch {
    return '';
  }
};

/** The 22nd field of the line is the start time; the second, a name in brackets, may hold blanks. */
const startOf = (pid: number | 'self'): string =>
  orNone(() => readFileSync(`/proc/${pid}/stat`, 'latin1').split(') ').pop()?.split(' ')[19] ?? '');

const self = (): Holder => ({
  pid: process.pid,
  started: startOf('self'),
  boot: orNone(() => readFileSync('/proc/sys/kernel/random/boot_id', 'latin1')),
  space: orNone(() => readlinkSync('/proc/self/ns/pid')),
  host: hostname(),
});

const running = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (e) {
    return (e as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/** Where the lock listens within one network space: a name outside the file system, which dies with its process. */
function address(folder: string): string {
  const key = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 24);
  if (process.platform === 'linux') return `\0woodbine-${key}`;
  if (process.platform === 'win32') return `\\\\.\\pipe\\woodbine-${key}`;
  return join(tmpdir(), `woodbine-${key}.sock`);
}

function listen(path: string): Promise<Server> {
  const server = createServer((s) => s.destroy());
  return new Promise((done, fail) => {
    server.once('error', fail);
    server.listen(path, () => {
      server.unref();
      done(server);
    });
  });
}

const ended = (server: Server | null): Promise<void> =>
  new Promise((done) => (server ? server.close(() => done()) : done()));

/** A socket in the folder itself, reached from every network and process space; its path is kept short by `/proc`. */
async function inFolder<T>(folder: string, work: (path: string) => Promise<T>): Promise<T> {
  const long = join(folder, SOCKET);
  if (process.platform !== 'linux' || Buffer.byteLength(long) < 100) return work(long);
  const fd = openSync(folder, 'r');
  try {
    return await work(`/proc/self/fd/${fd}/${SOCKET}`);
  } finally {
    closeSync(fd);
  }
}

const answers = (folder: string): Promise<boolean> =>
  inFolder(
    folder,
    (path) =>
      new Promise((done) => {
        const s = connect(path);
        s.once('connect', () => {
          s.destroy();
          done(true);
        });
        s.once('error', () => done(false));
      }),
  );

/** Whether whoever wrote the lock file still holds the folder. */
async function alive(folder: string, file: string): Promise<boolean> {
  if (await answers(folder)) return true;
  const age = Date.now() - statSync(file).mtimeMs;
  let h: Holder;
  try {
    h = JSON.parse(readFileSync(file, 'utf8')) as Holder;
  } catch {
    // Written this moment, or cut off by a power failure.
    return age < BEAT;
  }
  const me = self();
  if (h.boot && h.boot === me.boot) {
    if (h.space !== me.space) return false; // Its socket would have answered.
    return startOf(h.pid) === h.started;
  }
  if (h.boot || me.boot) return h.host === me.host ? false : age < SILENT;
  return h.host === me.host ? running(h.pid) : age < SILENT;
}

const inUse = (folder: string): Error =>
  new Error(
    `The data folder ${folder} is in use by another Woodbine. Stop that one first, or set WOODBINE_DATA to another folder.`,
  );

const isCode = (e: unknown, code: string): boolean => (e as NodeJS.ErrnoException).code === code;

/** Writes the lock file; in place of a stale one only while no other process does the same. */
async function takeFile(folder: string, file: string): Promise<void> {
  const mine = JSON.stringify(self());
  try {
    writeFileSync(file, mine, { flag: 'wx', mode: 0o600 });
    return;
  } catch (e) {
    if (!isCode(e, 'EEXIST')) throw e;
  }
  const taking = join(folder, TAKING);
  try {
    mkdirSync(taking);
  } catch (e) {
    if (!isCode(e, 'EEXIST')) throw e;
    if (Date.now() - statSync(taking).mtimeMs < TAKES) throw inUse(folder);
  }
  try {
    if (await alive(folder, file)) throw inUse(folder);
    writeFileSync(`${file}.new`, mine, { mode: 0o600 });
    renameSync(`${file}.new`, file);
  } finally {
    rmdirSync(taking);
  }
}

/** A folder that is held is tried again so often (ms). */
const AGAIN = 100;

/** As `lockFolder`, but a process that is just ending is waited for (ms). */
export async function lockPatiently(folder: string, patience: number): Promise<{ release: () => Promise<void> }> {
  for (let left = patience; ; left -= AGAIN)
    try {
      return await lockFolder(folder);
    } catch (e) {
      if (left <= 0) throw e;
      await new Promise((done) => setTimeout(done, AGAIN));
    }
}

/**
 * Holds the data folder for this process alone, whoever else starts: in the same or another network or process space of
 * the machine, or on another machine that shares the folder. Throws a sentence when it is held. The lock dies with its
 * process.
 */
export async function lockFolder(folder: string): Promise<{ release: () => Promise<void> }> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  // A folder of an older version could be read by everybody on the machine.
  try {
    if (statSync(folder).mode & 0o077) chmodSync(folder, 0o700);
  } catch {
    // It belongs to somebody else: then so it shall.
  }
  const near = await listen(address(folder)).catch((e) => {
    throw isCode(e, 'EADDRINUSE') ? inUse(folder) : e;
  });
  const file = join(folder, FILE);
  let far: Server | null;
  try {
    await takeFile(folder, file);
    rmSync(join(folder, SOCKET), { force: true });
    // A file system without sockets: the file and its beat have to do.
    far = await inFolder(folder, listen).catch(() => null);
  } catch (e) {
    await ended(near);
    throw e;
  }
  const beat = setInterval(() => {
    const now = new Date();
    try {
      utimesSync(file, now, now);
    } catch {
      // A full or read-only disk: the socket still answers.
    }
  }, BEAT);
  beat.unref();
  return {
    async release() {
      clearInterval(beat);
      for (const f of [file, join(folder, SOCKET)]) rmSync(f, { force: true });
      await ended(far);
      await ended(near);
    },
  };
}
