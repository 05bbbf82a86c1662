import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { transformSync } from 'esbuild';
import { lockFolder } from './lock.ts';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'woodbine-lock-'));
});
afterEach(() => rmSync(folder, { recursive: true }));
const file = () => join(folder, 'woodbine.lock');
const free = async (): Promise<boolean> => {
  const lock = await lockFolder(folder).catch((e: Error) => {
    expect(e.message).toMatch(/in use by another Woodbine/);
    return null;
  });
  await lock?.release();
  return lock !== null;
};

test('one holds it at a time, by whatever path it is called; let go, nothing is left', async () => {
  const lock = await lockFolder(folder);
  expect([await free(), existsSync(file())]).toEqual([false, true]);
  await expect(lockFolder(`${folder}/../${folder.split('/').pop()}`)).rejects.toThrow(/in use/);
  await lock.release();
  expect([await free(), existsSync(file())]).toEqual([true, false]);
});

test('of two that start at once one gets it', async () => {
  for (let i = 0; i < 20; i++) {
    if (i % 2) writeFileSync(file(), JSON.stringify({ pid: 999_999, started: '1', boot: '', space: '', host: 'gone' }));
    if (i % 2) utimesSync(file(), 0, 0);
    const got = await Promise.allSettled([lockFolder(folder), lockFolder(folder), lockFolder(folder)]);
    const held = got.flatMap((g) => (g.status === 'fulfilled' ? [g.value] : []));
    expect(held.length).toBe(1);
    await held[0]?.release();
  }
});

test('a lock whose process is gone, or is another of the same number, is stale; one that is cut off too', async () => {
  const stat = readFileSync('/proc/self/stat', 'latin1').split(') ').pop()?.split(' ')[19];
  const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'latin1').trim();
  const space = execFileSync('readlink', ['/proc/self/ns/pid']).toString().trim();
  const holder = (part: object) =>
    JSON.stringify({ pid: process.pid, started: stat, boot, space, host: 'here', ...part });
  for (const [content, age, right] of [
    [holder({}), 0, false],
    [holder({ started: '17' }), 0, true],
    [holder({ pid: 4_000_000, started: '5' }), 0, true],
    // The machine was started anew since; another machine is heard of, or is not.
    [holder({ boot: 'before', host: hostname() }), 0, true],
    [holder({ boot: 'other', host: 'elsewhere' }), 5_000, false],
    [holder({ boot: 'other', host: 'elsewhere' }), 90_000, true],
    ['{"pid":', 0, false],
    ['{"pid":', 30_000, true],
    ['', 30_000, true],
  ] as const) {
    writeFileSync(file(), content);
    const at = new Date(Date.now() - age);
    utimesSync(file(), at, at);
    expect([content, age, await free()]).toEqual([content, age, right]);
    rmSync(file(), { force: true });
  }
});

/** A space of its own for network and processes; where the system does not let us have one, none. */
const SPACES = ['--user', '--map-root-user', '--net', '--pid', '--fork', '--kill-child'];
const apart = spawnSync('unshare', [...SPACES, 'true']).status === 0;

test(`from another ${apart ? 'network and process space' : 'process (no other space to be had here)'}, and below a path longer than a socket may have`, async () => {
  const long = join(folder, 'a-folder-of-a-sewing-circle-with-a-long-name'.repeat(4));
  mkdirSync(long);
  const { code } = transformSync(readFileSync('src/server/db/lock.ts', 'utf8'), { loader: 'ts', format: 'esm' });
  const module = join(folder, 'lock.mjs');
  writeFileSync(module, code);
  const holding = (dir: string) => {
    const script = `import(${JSON.stringify(module)}).then(m => m.lockFolder(${JSON.stringify(dir)})).then(() => { console.log('held'); setInterval(() => {}, 1000); }, e => console.log(e.message))`;
    const node = [process.execPath, '-e', script];
    const [command, ...args] = (apart ? ['unshare', ...SPACES, ...node] : node) as [string, ...string[]];
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'inherit'] });
    const word = new Promise<string>((done) => child.stdout.once('data', (d) => done(String(d).trim())));
    return { child, word };
  };
  for (const dir of [folder, long]) {
    const other = holding(dir);
    expect(await other.word).toBe('held');
    const refused = await lockFolder(dir).catch((e: Error) => e.message);
    expect(refused).toMatch(/in use/);
    const ends = new Promise((done) => other.child.once('exit', done));
    other.child.kill('SIGKILL');
    await ends;
    let lock = null;
    for (let i = 0; i < 100 && !lock; i++) {
      lock = await lockFolder(dir).catch(() => null);
      if (!lock) await new Promise((done) => setTimeout(done, 50));
    }
    expect(lock).not.toBeNull();
    expect(await holding(dir).word).toMatch(/in use by another Woodbine/);
    await lock?.release();
  }
}, 60_000);
