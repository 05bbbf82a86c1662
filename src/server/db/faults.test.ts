import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { emptyDocument } from '../../core/document/usual.ts';
import { type Fault, FaultyDisk } from '../../test/faultydisk.ts';
import { MemoryDatabase, MIGRATIONS } from '../../test/memorydb.ts';
import { runs } from '../../test/runs.ts';
import { toolsHere } from '../backup/tools.ts';
import { NotKept } from './kept.ts';
import { type Opened, openStore } from './open.ts';
import { takeShell } from './withfile.ts';

let place: MemoryDatabase;
let second: MemoryDatabase;
const folder = mkdtempSync(join(tmpdir(), 'woodbine-faults-'));
beforeAll(async () => {
  [place, second] = [await MemoryDatabase.make(), await MemoryDatabase.make()];
}, 60_000);
afterAll(async () => {
  await place.close();
  await second.close();
  rmSync(folder, { recursive: true });
});

/** Numbers from 0 to 1, the same ones each time (Park and Miller's minimal standard generator). */
function chances(seed: number): () => number {
  let s = seed * 7919 + 1;
  return () => {
    s = (s * 48271) % 2147483647;
    return s / 2147483647;
  };
}

let [clock, ids] = [0, 0];
const open = (disk: FaultyDisk): Promise<Opened> => {
  const memory = async () => {
    second.present = false;
    return second.open();
  };
  return openStore({
    folder,
    migrations: MIGRATIONS,
    disk,
    place,
    tools: toolsHere(disk, memory),
    newId: () => `id-${++ids}`,
    now: () => new Date(1_780_000_000_000 + ++clock * 1000).toISOString(),
  });
};

interface Held {
  name: string;
  revision: number;
  deleted: boolean;
  files: string[];
}
type Shelf = Map<string, Held>;

/** What the sewist was told: what stands for certain, and of what was under way when all stopped what may stand. */
interface Told {
  sure: Shelf;
  maybe: Shelf | null;
  /** The store that was open when all stopped. */
  open: Opened | null;
}

const put = (shelf: Shelf, id: string, part: Partial<Held>): Shelf => {
  const had = shelf.get(id) ?? { name: '', revision: 0, deleted: false, files: [] };
  return new Map([...shelf, [id, { ...had, ...part }]]);
};

class Stopped extends Error {}

/** An hour at the shelf: everything that is written down, twice opened, twice backed up. */
async function hour(disk: FaultyDisk, told: Told): Promise<void> {
  const write = async (after: (id: string) => Shelf, work: () => Promise<string>): Promise<string> => {
    try {
      const id = await work();
      told.sure = after(id);
      return id;
    } catch (e) {
      // Refused, certainly: the hour goes on. Otherwise all stops here, as the answer never came.
      if (e instanceof NotKept && e.certain && !disk.off) return '';
      told.maybe = after(`id-${ids}`);
      throw new Stopped();
    }
  };
  const begin = (s: Opened['store'], name: string) =>
    write(
      (id) => put(told.sure, id, { name }),
      async () => (await s.create(emptyDocument(name, 'coat'))).id,
    );
  const rename = (s: Opened['store'], id: string, name: string) => {
    const { revision } = told.sure.get(id) as Held;
    return write(
      () => put(told.sure, id, { name, revision: revision + 1 }),
      async () => {
        const w = await s.change(id, revision, name, [{ op: 'replace', path: '/name', value: name }]);
        expect(w.ok).toBe(true);
        return id;
      },
    );
  };
  const upload = (s: Opened['store'], id: string, name: string) => {
    const { revision, files } = told.sure.get(id) as Held;
    return write(
      () => put(told.sure, id, { revision: revision + 1, files: [...files, name] }),
      async () => {
        const read = JSON.stringify({ pieces: [], findings: [] });
        const w = await takeShell(s, id, { fileName: name, lines: 'seam' }, read, { name, bytes: Buffer.from(name) });
        expect(w.ok).toBe(true);
        return id;
      },
    );
  };
  const shelve = (s: Opened['store'], id: string, deleted: boolean) =>
    write(
      () => put(told.sure, id, { deleted }),
      async () => {
        expect(await (deleted ? s.remove(id) : s.restore(id))).toBe(true);
        return id;
      },
    );
  for (const part of [1, 2]) {
    const o = await open(disk).catch(() => {
      throw new Stopped();
    });
    told.open = o;
    const { store } = o;
    const a = await begin(store, `Coat ${part}`);
    for (const id of [...told.sure.keys()]) {
      if (told.sure.get(id)?.deleted) continue;
      await rename(store, id, `${id} renamed ${part}`);
      await upload(store, id, `file ${part}.svg`);
    }
    await o.backup().catch(() => undefined);
    if (a) {
      await rename(store, a, `after backup ${part}`);
      await shelve(store, a, true);
      if (part === 1 && told.sure.get(a)?.deleted) await shelve(store, a, false);
    }
    await o.close().catch(() => {
      throw new Stopped();
    });
  }
}

async function shelfOf(o: Opened, told: Told): Promise<Shelf> {
  const out: Shelf = new Map();
  const listed = new Map((await o.store.list()).map((p) => [p.id, p]));
  for (const id of new Set([...told.sure.keys(), ...(told.maybe?.keys() ?? []), ...listed.keys()])) {
    const history = await o.store.history(id);
    const files = (await o.store.files(id)).map((f) => f.name).reverse();
    const deleted = !listed.has(id);
    if (deleted && (await o.store.restore(id)) !== true) continue;
    const stored = await o.store.get(id);
    for (const f of await o.store.files(id))
      expect(Buffer.from((await o.store.file(id, f.id))?.bytes ?? []).toString()).toBe(f.name);
    expect(history.map((h) => h.revision)).toEqual([...Array(stored?.revision).keys()].map((n) => n + 1).reverse());
    out.set(id, { name: stored?.document.name ?? '', revision: stored?.revision ?? -1, deleted, files });
  }
  return out;
}

const plain = (s: Shelf | null): string => JSON.stringify([...(s ?? [])].sort());

/** One hour with one fault, then a restart: with the database as it was, or without it. */
async function survive(at: number, kind: Fault, lasting: number, seed: number): Promise<void> {
  const chance = chances(seed);
  const disk = new FaultyDisk(chance);
  place.present = false;
  [clock, ids] = [0, 0];
  const told: Told = { sure: new Map(), maybe: null, open: null };
  disk.arm(at, kind, lasting);
  const stopped = await hour(disk, told).then(
    () => false,
    (e) => {
      if (!(e instanceof Stopped)) throw e;
      return true;
    },
  );
  const call = disk.last;
  // Only the lock is let go of by this: nothing is written.
  if (stopped) await told.open?.close().catch(() => undefined);
  // A process that is killed leaves the database as it was, a power cut perhaps not even that.
  const lost = kind === 'power' || seed % 3 === 0;
  if (lost) place.present = false;
  disk.restart(kind === 'power');
  const again = await open(disk);
  const found = plain(await shelfOf(again, told));
  const right = [plain(told.sure), ...(told.maybe ? [plain(told.maybe)] : [])];
  if (!right.includes(found)) expect({ at, kind, lasting, call, stopped, lost, found }).toEqual(right);
  await again.close();
}

test('every call of an hour fails, writes short, meets a full disk, or loses the power: what was acknowledged is there, once, and nothing that was refused', async () => {
  const calm = new FaultyDisk(chances(1));
  place.present = false;
  [clock, ids] = [0, 0];
  await hour(calm, { sure: new Map(), maybe: null, open: null });
  const calls = calm.count;
  expect(calls).toBeGreaterThan(150);
  const faults: [Fault, number][] = [
    ['fails', 1],
    ['fails', 4],
    ['short', 1],
    ['full', 3],
    ['power', 1],
  ];
  // Some of the points by day, all of them by night.
  const all = calls * faults.length;
  const tried = Math.min(all, runs(16).numRuns);
  for (let i = 0; i < tried; i++) {
    const [kind, lasting] = faults[i % faults.length] as [Fault, number];
    await survive(Math.floor((i * calls) / tried), kind, lasting, i);
  }
}, 120_000);
