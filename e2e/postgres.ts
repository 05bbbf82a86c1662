import { spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Where Debian puts the programs of a PostgreSQL server; null where it is not installed. */
function programs(): string | null {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  return versions.map((v) => join(base, v, 'bin')).find((dir) => existsSync(join(dir, 'initdb'))) ?? null;
}

export const POSTGRES = programs();

export interface Server {
  url: string;
  stop: (how?: 'fast' | 'immediate') => void;
  start: () => void;
  end: () => void;
}

/** Debian's `nobody`: the server does not run as root. */
const NOBODY = 65534;

/** A server of its own, in a folder of its own, answering on a socket there. */
export function startPostgres(): Server {
  const folder = mkdtempSync(join(tmpdir(), 'woodbine-pg-'));
  const asRoot = process.getuid?.() === 0;
  if (asRoot) chownSync(folder, NOBODY, NOBODY);
  const run = (program: string, ...args: string[]): void => {
    const command = [join(POSTGRES as string, program), ...args];
    const as = asRoot ? ['setpriv', `--reuid=${NOBODY}`, `--regid=${NOBODY}`, '--clear-groups', ...command] : command;
    const done = spawnSync(as[0] as string, as.slice(1), {
      cwd: folder,
      encoding: 'utf8',
      stdio: ['ignore', 'ignore', 'pipe'],
    });
    if (done.status !== 0) throw new Error(`${program}: ${done.stderr}`);
  };
  const data = join(folder, 'data');
  run('initdb', '-D', data, '-U', 'woodbine', '-A', 'trust', '--no-sync', '-E', 'UTF8', '--locale=C');
  const start = () =>
    run('pg_ctl', '-D', data, '-w', '-l', join(folder, 'log'), '-o', `-k ${folder} -c listen_addresses=`, 'start');
  const stop = (how = 'fast') => run('pg_ctl', '-D', data, '-w', '-m', how, 'stop');
  start();
  return {
    url: `postgresql://woodbine@localhost/postgres?host=${encodeURIComponent(folder)}`,
    start,
    stop,
    end: () => {
      stop('immediate');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
