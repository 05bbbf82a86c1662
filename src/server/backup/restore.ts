import { type Compared, type PutBack, parseDocument } from '../../contract/index.ts';
import { type Store } from '../db/store.ts';
import { type Backups } from './backups.ts';
import { type Manifest } from './manifest.ts';
import { manifestIn } from './unpack.ts';

const MOST_TOLD = 12;

/** What putting a backup's projects back would change; nothing is changed by looking. */
export async function compare(store: Store, m: Manifest): Promise<Compared[]> {
  const out: Compared[] = [];
  for (const p of m.projects) {
    const now = await store.standing(p.id);
    const standing = !now ? 'absent' : now.deleted ? 'deleted' : now.sum === p.sum ? 'same' : 'differs';
    const since = standing === 'differs' ? (await store.history(p.id, p.revision)).map((h) => h.label) : [];
    out.push({
      id: p.id,
      name: p.name,
      garment: p.garment,
      standing,
      nameNow: now && now.name !== p.name ? now.name : null,
      at: p.updatedAt,
      atNow: now?.updatedAt ?? null,
      since: since.slice(0, MOST_TOLD),
    });
  }
  // What had been taken off the shelf before the backup is not offered as something new.
  return out.filter((c) => !(c.standing === 'deleted' && m.projects.find((p) => p.id === c.id)?.deleted));
}

/**
 * Puts projects of a backup back: one that is on the shelf as a change of it, which can be undone; one that is not, with
 * all its changes. Files it was read from come with it.
 */
export async function putBack(store: Store, backups: Backups, path: string, ids: string[]): Promise<PutBack[]> {
  const m = await manifestIn(store.disk, path);
  const { projects, files } = await backups.tools.takeOut(path, ids);
  const out: PutBack[] = [];
  for (const p of projects) {
    const parsed = parseDocument(p.document);
    if (!parsed.ok) {
      out.push({ id: p.id, name: p.name, done: 'unreadable' });
      continue;
    }
    const now = await store.standing(p.id);
    if (!now) await store.bring(p, parsed.document);
    else {
      if (now.deleted) await store.restore(p.id);
      await store.replace(p.id, `Put back as in the backup of ${m.at.slice(0, 10)}`, parsed.document);
    }
    for (const { file, bytes } of files) {
      if (file.project !== p.id || (await store.file(p.id, file.id))) continue;
      const content = bytes ?? (await backups.original(file.id, file.sum));
      if (content) await store.bringFile(file, content);
    }
    out.push({
      id: p.id,
      name: p.name,
      done: now && !now.deleted && now.sum === sumOf(m, p.id) ? 'as it was' : 'put back',
    });
  }
  return out;
}

const sumOf = (m: Manifest, id: string): string | undefined => m.projects.find((p) => p.id === id)?.sum;
