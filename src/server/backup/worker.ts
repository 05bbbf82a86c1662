import { parentPort, workerData } from 'node:worker_threads';
import { begin, inMemory } from '../db/database.ts';
import { realDisk } from '../disk/disk.ts';
import { type About, type Item } from './pack.ts';
import { toolsHere } from './tools.ts';
import { BadBackup } from './unpack.ts';

/** What the thread is told to do. */
export type Order =
  | { do: 'pack'; path: string; about: About; migrations: string; packed: string; tried: boolean }
  | { do: 'begin'; dataDir: string; packed: string }
  | { do: 'check'; path: string }
  | { do: 'takeOut'; path: string; ids: string[] };

/** What it says: that it wants the next item, or the end of its work. */
export type Word = { want: true } | { done: unknown } | { failed: string; bad: boolean; code: string | undefined };

async function* itemsFrom(port: NonNullable<typeof parentPort>): AsyncGenerator<Item> {
  for (;;) {
    const next = new Promise<Item | null>((done) => port.once('message', done));
    port.postMessage({ want: true } satisfies Word);
    const item = await next;
    if (!item) return;
    yield item;
  }
}

// A thin shell: backups are packed, tried and read here, beside the server, which goes on answering.
const port = parentPort;
if (port) {
  const order = workerData as Order;
  const [migrations, packed] = order.do === 'pack' ? [order.migrations, order.packed] : ['', ''];
  const tools = toolsHere(realDisk, () => inMemory(migrations, packed));
  const work = (): Promise<unknown> => {
    if (order.do === 'pack') return tools.pack(order.path, itemsFrom(port), order.about, order.tried);
    if (order.do === 'begin') return begin(order.dataDir, order.packed);
    return order.do === 'check' ? tools.check(order.path) : tools.takeOut(order.path, order.ids);
  };
  work().then(
    (done) => port.postMessage({ done } satisfies Word),
    (e: NodeJS.ErrnoException) =>
      port.postMessage({ failed: e.message, bad: e instanceof BadBackup, code: e.code } satisfies Word),
  );
}
