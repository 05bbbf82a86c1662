import { Worker } from 'node:worker_threads';
import { type Manifest } from './manifest.ts';
import { type Item } from './pack.ts';
import { type BackupTools } from './tools.ts';
import { BadBackup, type Taken } from './unpack.ts';
import { type Order, type Word } from './worker.ts';

/** Room for unpacking the largest backup beside a database in memory. */
const LIMITS = { maxOldGenerationSizeMb: 1024 };

/** Does one piece of work in a thread of its own, which ends with it and gives back what memory it took. */
function beside<T>(file: URL, order: Order, items?: AsyncIterable<Item>): Promise<T> {
  const worker = new Worker(file, { workerData: order, resourceLimits: LIMITS });
  const source = items?.[Symbol.asyncIterator]();
  return new Promise<T>((done, fail) => {
    worker.on('message', (m: Word) => {
      if ('done' in m) done(m.done as T);
      else if ('failed' in m)
        fail(m.bad ? new BadBackup(m.failed) : Object.assign(new Error(m.failed), { code: m.code }));
      else
        source?.next().then(
          (next) => worker.postMessage(next.done ? null : next.value),
          (e) => fail(e),
        );
    });
    worker.on('error', fail);
    worker.on('exit', () => fail(new Error('the thread ended before its work')));
  }).finally(() => void worker.terminate());
}

/** Makes an empty database. */
export const beginBeside = (file: URL, dataDir: string, packed: string): Promise<void> =>
  beside(file, { do: 'begin', dataDir, packed });

/** Work on backups. */
export const toolsBeside = (file: URL, packed: string, migrations: string): BackupTools => ({
  pack: (path, items, about, tried) =>
    beside<Manifest>(file, { do: 'pack', path, about, migrations, packed, tried }, items),
  check: (path) => beside<void>(file, { do: 'check', path }),
  takeOut: (path, ids) => beside<Taken>(file, { do: 'takeOut', path, ids }),
});
